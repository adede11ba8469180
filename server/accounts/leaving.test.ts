import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import type { Pool } from "pg";
import type { Role } from "../../core/crew";
import type { Database } from "../../db/client";
import { crewMember, person, shoot } from "../../db/schema";
import { workerDatabase } from "../../fixtures/testCrew";
import { TEST_SHOOT } from "../../fixtures/testShoot";
import { type ActingCrew, foundCrew } from "../crew";
import { Fault } from "../faults";
import { createRecord, listShoots } from "../records";
import { crewFile } from "./crewFile";
import { leaveCrews } from "./leaving";
import { memberOf } from "./members";

let pool: Pool;
let database: Database;
beforeAll(() => ({ database, pool } = workerDatabase()));
afterAll(() => pool.end());

async function memberIn(crewId: string, role: Role, until: Date | null = null): Promise<ActingCrew> {
  const member = randomUUID();
  await database.insert(person).values({ id: member, name: "Tam", email: `${member}@example.org` });
  await database.insert(crewMember).values({ crewId, personId: member, role, until });
  return { crewId, member, role, database };
}
const newCrew = () => foundCrew(database, "A crew", false);
const refusal = async (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => "nothing",
    (error: unknown) => (error instanceof Fault ? error.says.code : String(error)),
  );

test("the last owner among others stays until somebody else is one", async () => {
  const crewId = await newCrew();
  const [owner, mixer] = [await memberIn(crewId, "owner"), await memberIn(crewId, "mixer")];
  expect(await refusal(leaveCrews(database, owner.member))).toBe("crew.lastOwner");
  expect(await memberOf(database, owner.member)).not.toBeNull();
  await database.update(crewMember).set({ role: "owner" }).where(eq(crewMember.personId, mixer.member));
  expect(await refusal(leaveCrews(database, owner.member))).toBe("nothing");
  expect(await memberOf(database, owner.member)).toBeNull();
  expect(await memberOf(database, mixer.member)).toEqual({ crewId, role: "owner" });
});

test("shoots of a crew that nobody else is in go into the bin; phones for the day keep no crew", async () => {
  const crewId = await newCrew();
  const owner = await memberIn(crewId, "owner");
  await memberIn(crewId, "assistant", new Date(Date.now() + 3600_000));
  await createRecord(owner, "shoot", randomUUID(), TEST_SHOOT);
  await leaveCrews(database, owner.member);
  const rows = await database.select().from(shoot).where(eq(shoot.crewId, crewId));
  expect(rows.map(({ deletedAt }) => deletedAt !== null)).toEqual([true]);
});

test("two owners who leave at once: one of them stays, others are in it", async () => {
  const crewId = await newCrew();
  const [one, other] = [await memberIn(crewId, "owner"), await memberIn(crewId, "owner")];
  await memberIn(crewId, "guest");
  const both = await Promise.all([one, other].map(({ member }) => refusal(leaveCrews(database, member))));
  expect(both.sort()).toEqual(["crew.lastOwner", "nothing"]);
});

test("all of a crew is one file, for its owner: its shoots, who is in it, and no other crew's", async () => {
  const [crewId, elsewhere] = [await newCrew(), await newCrew()];
  const [owner, other] = [await memberIn(crewId, "owner"), await memberIn(elsewhere, "owner")];
  await createRecord(owner, "shoot", randomUUID(), { ...TEST_SHOOT, title: "Slack Water" });
  await createRecord(other, "shoot", randomUUID(), { ...TEST_SHOOT, title: "Of others" });
  const text = new TextDecoder().decode(await crewFile(owner));
  const file = JSON.parse(text) as { format: string; members: unknown[]; shoots: { format: string }[] };
  expect(file).toMatchObject({ format: "hypophon crew", members: [{ role: "owner" }] });
  expect(file.shoots).toHaveLength((await listShoots(owner)).shoots.length);
  expect(text).toContain("Slack Water");
  expect(text).not.toContain("Of others");
  for (const role of ["mixer", "assistant", "guest"] as const)
    expect(await refusal(crewFile(await memberIn(crewId, role)))).toBe("right.missing");
});
