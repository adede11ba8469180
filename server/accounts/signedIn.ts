import type { Database } from "../../db/client";
import type { ActingCrew } from "../crew";
import { Fault } from "../faults";
import { accountsOf, hasAccounts } from "./mode";
import { crewForNewcomer, memberOf } from "./members";
import { type Acting, beforeLooking, knownActing, learnActing } from "./sessions";

/** Somebody who is signed in. */
export interface SignedInPerson {
  id: string;
  name: string;
  sessionId: string;
}

/** Who sends these headers. Throws Fault "signedOut" where that is nobody. */
export async function whoIs(database: Database, headers: Headers): Promise<SignedInPerson> {
  const session = await (await accountsOf(database, headers)).api.getSession({ headers });
  if (!session) throw new Fault("signedOut", { code: "request.signedOut" });
  const { id, name } = session.user;
  return { id, name, sessionId: session.session.id };
}

/** The crew of whoever sends these headers; a newcomer without one gets one. */
export async function signedInCrew(database: Database, headers: Headers): Promise<Acting> {
  const cookie = headers.get("cookie") ?? "";
  const known = knownActing(cookie, Date.now());
  if (known) return known;
  const before = beforeLooking();
  const { id, name, sessionId } = await whoIs(database, headers);
  const found = await memberOf(database, id);
  const membership = found ?? { crewId: await crewForNewcomer(database, id, name), role: "owner" as const };
  const acting: Acting = { ...membership, member: id, database, name, sessionId };
  learnActing(cookie, acting, Date.now(), before);
  return acting;
}

/** Who acts, for the page: whether there are accounts, the name and the role. */
export async function requestMe(acting: ActingCrew) {
  return { hasAccounts: hasAccounts(), me: acting.member, role: acting.role };
}
