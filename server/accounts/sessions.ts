import { and, eq, gt, inArray, sql } from "drizzle-orm";
import type { Database } from "../../db/client";
import { crewMember, invitation, signedIn } from "../../db/schema";
import { news, tellAll } from "../events";
import type { ActingCrew } from "../crew";
import { isMemberNow } from "./members";

/** Who acts, with the session it is done in. */
export type Acting = ActingCrew & { name: string; sessionId: string };

/** Who sent a cookie is known again for so long; what ends a session before is told to all processes at once, ms. */
const KNOWN_MS = 10_000;
const MOST_KNOWN = 5000;

const recent = new Map<string, { acting: Acting; untilMs: number }>();
/** Counts how often all was forgotten: what was looked up before that is not learnt after it. */
let times = 0;
let isHearing = false;

function forget(): void {
  recent.clear();
  times += 1;
}

/** From now on forgets what it knows when somebody's session ends, wherever that is done. */
function hear(): void {
  if (isHearing) return;
  isHearing = true;
  news().listen((told) => {
    if ("signedOut" in told || "sessions" in told || "missed" in told) forget();
  });
}

/** Who sent this cookie, if that was asked a moment ago; null where it must be asked. */
export function knownActing(cookie: string, nowMs: number): Acting | null {
  const known = recent.get(cookie);
  return known && known.untilMs > nowMs ? known.acting : null;
}

/** To be asked for before somebody is looked up; learnActing wants it. */
export function beforeLooking(): number {
  hear();
  return times;
}

/** Knows who sent a cookie for a while, unless a session ended while that was looked up. */
export function learnActing(cookie: string, acting: Acting, nowMs: number, before: number): void {
  if (before !== times) return;
  if (recent.size >= MOST_KNOWN) recent.clear();
  recent.set(cookie, { acting, untilMs: nowMs + KNOWN_MS });
}

/** Sessions may have ended, or their owner works in another crew: all processes ask anew. */
export function forgetSessions(database: Database): void {
  forget();
  tellAll(database, { sessions: true });
}

let asking: { ids: Set<string>; answer: Promise<ReadonlySet<string>> } | null = null;

/** Sessions that hold, each with the crews its person is in now, as "session crew". */
async function holding(database: Database, ids: readonly string[]): Promise<ReadonlySet<string>> {
  const rows = await database
    .select({ id: signedIn.id, crewId: crewMember.crewId })
    .from(signedIn)
    .innerJoin(crewMember, eq(crewMember.personId, signedIn.userId))
    .leftJoin(invitation, eq(invitation.id, crewMember.passId))
    .where(and(...[inArray(signedIn.id, [...ids]), gt(signedIn.expiresAt, sql`now()`)], isMemberNow));
  return new Set(rows.map(({ id, crewId }) => `${id} ${crewId}`));
}

/** Whether a session holds and its person is in this crew; those that are asked about together are looked up at once. */
export async function isStillIn(database: Database, sessionId: string, crewId: string): Promise<boolean> {
  if (!asking) {
    const ids = new Set<string>();
    const answer = Promise.resolve().then(() => {
      asking = null;
      return holding(database, [...ids]);
    });
    asking = { ids, answer };
  }
  asking.ids.add(sessionId);
  return (await asking.answer).has(`${sessionId} ${crewId}`);
}
