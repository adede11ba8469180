import type { Database } from "../../db/client";
import type { ActingCrew } from "../crew";
import { Fault } from "../faults";
import { accountsOf, hasAccounts } from "./mode";
import { crewForNewcomer, memberOf } from "./members";

/** Who sends these headers. Throws Fault "signedOut" where that is nobody. */
export async function whoIs(database: Database, headers: Headers): Promise<{ id: string; name: string }> {
  const session = await (await accountsOf(database, headers)).api.getSession({ headers });
  if (!session) throw new Fault("signedOut", { code: "request.signedOut" });
  const { id, name } = session.user;
  return { id, name };
}

/** The crew of whoever sends these headers; a newcomer without one gets one. */
export async function signedInCrew(database: Database, headers: Headers): Promise<ActingCrew> {
  const { id, name } = await whoIs(database, headers);
  const member = await memberOf(database, id);
  if (member) return { ...member, member: id, database };
  return { crewId: await crewForNewcomer(database, id, name), role: "owner", member: id, database };
}

/** Who acts, for the page: whether there are accounts, the name and the role. */
export async function requestMe(acting: ActingCrew) {
  return { hasAccounts: hasAccounts(), me: acting.member, role: acting.role };
}
