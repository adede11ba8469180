import type { Database } from "../../db/client";
import type { Accounts } from "./accounts";

/** Whether people sign in here; without it there is one local crew and no door. */
export const hasAccounts = (): boolean => process.env["HYPOPHON_ACCOUNTS"] === "1";

/** What keeps accounts; loaded when it is first asked for. */
export const accountsOf = async (database: Database): Promise<Accounts> =>
  (await import("./accounts")).accounts(database);
