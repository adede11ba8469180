import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import type { Pool } from "pg";
import type { Database } from "../../db/client";
import { crewMember, person, signedIn } from "../../db/schema";
import { workerDatabase } from "../../fixtures/testCrew";
import { foundCrew } from "../crew";
import { type Acting, beforeLooking, forgetSessions, isStillIn, knownActing, learnActing } from "./sessions";

let pool: Pool;
let database: Database;
beforeAll(() => {
  ({ database, pool } = workerDatabase());
  const urls = (process.env["TEST_DATABASE_URLS"] ?? "").split(" ");
  process.env["DATABASE_URL"] = urls[Number(process.env["JEST_WORKER_ID"] ?? "1") - 1];
});
afterAll(() => pool.end());

/** Somebody in a crew, signed in on one device. */
async function inCrew(): Promise<{ sessionId: string; crewId: string; personId: string }> {
  const [personId, sessionId] = [randomUUID(), randomUUID()];
  const crewId = await foundCrew(database, "A crew", false);
  await database.insert(person).values({ id: personId, name: "Tam", email: `${personId}@example.org` });
  await database.insert(crewMember).values({ crewId, personId, role: "owner" });
  const expiresAt = new Date(Date.now() + 3600_000);
  await database.insert(signedIn).values({ id: sessionId, token: randomUUID(), userId: personId, expiresAt });
  return { sessionId, crewId, personId };
}
const actingOf = ({ sessionId, crewId, personId }: Awaited<ReturnType<typeof inCrew>>): Acting => ({
  ...{ crewId, member: personId, role: "owner", database, name: "Tam", sessionId },
});

test("a session holds in the crew of its person, until it or the membership ends", async () => {
  const [tam, ines] = [await inCrew(), await inCrew()];
  const holds = (who: typeof tam, crewId = who.crewId) => isStillIn(database, who.sessionId, crewId);
  expect(await Promise.all([holds(tam), holds(ines), holds(tam, ines.crewId), holds(ines, tam.crewId)])).toEqual([
    true,
    true,
    false,
    false,
  ]);
  await database.delete(signedIn).where(eq(signedIn.id, tam.sessionId));
  await database.delete(crewMember).where(eq(crewMember.personId, ines.personId));
  expect(await Promise.all([holds(tam), holds(ines)])).toEqual([false, false]);
});

test("sessions that are asked about together are looked up at once", async () => {
  const all = await Promise.all(Array.from({ length: 5 }, inCrew));
  const asked = jest.spyOn(pool, "query");
  const answers = Promise.all(all.map(({ sessionId, crewId }) => isStillIn(database, sessionId, crewId)));
  expect(await answers).toEqual([true, true, true, true, true]);
  expect(asked).toHaveBeenCalledTimes(1);
  asked.mockRestore();
});

test("who sent a cookie is known for ten seconds, and not after a session ended anywhere", async () => {
  const tam = await inCrew();
  learnActing("cookie", actingOf(tam), 1000, beforeLooking());
  expect(knownActing("cookie", 10_999)?.member).toBe(tam.personId);
  expect([knownActing("cookie", 11_000), knownActing("another", 1000)]).toEqual([null, null]);
  const untilForgotten = async () => {
    for (let tries = 0; tries < 200 && knownActing("cookie", 2000); tries += 1)
      await new Promise((resolve) => setTimeout(resolve, 25));
    expect(knownActing("cookie", 2000)).toBeNull();
  };
  // The line on which that is told stands by the time something is learnt anew.
  await untilForgotten();
  learnActing("cookie", actingOf(tam), 1000, beforeLooking());
  await database.execute(sql`select pg_notify('hypophon_change', ${JSON.stringify({ signedOut: tam.personId })})`);
  await untilForgotten();
  learnActing("cookie", actingOf(tam), 1000, beforeLooking());
  forgetSessions(database);
  expect(knownActing("cookie", 2000)).toBeNull();
});

test("who was looked up while a session ended is not known afterwards", async () => {
  const tam = await inCrew();
  const before = beforeLooking();
  forgetSessions(database);
  learnActing("late", actingOf(tam), 1000, before);
  expect(knownActing("late", 2000)).toBeNull();
});
