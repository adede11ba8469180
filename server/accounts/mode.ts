import type { Database } from "../../db/client";
import { isSecure } from "../asker";
import { hostName, isAllowedHost } from "../hosts";
import type { Accounts } from "./accounts";

/** Whether people sign in here; without it there is one local crew and no door. */
export const hasAccounts = (): boolean => process.env["HYPOPHON_ACCOUNTS"] === "1";

/** What keeps accounts, for whoever sends these headers; loaded when it is first asked for. */
export const accountsOf = async (database: Database, headers: Headers): Promise<Accounts> =>
  (await import("./accounts")).accounts(database, { isSecure: isSecure(headers), host: namedHost(headers) });

/** The name under which this is asked for; keys of devices are for names, not for addresses. */
function namedHost(headers: Headers): string {
  const name = hostName(headers.get("host"));
  return name === null || !isAllowedHost(name) || /^[\d.]+$|^\[/.test(name) ? "localhost" : name;
}
