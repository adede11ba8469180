import { randomUUID } from "node:crypto";
import type { Pool } from "pg";
import { may, type Right, ROLES, type Role } from "../core/crew";
import { newRig } from "../core/planning";
import { newScene } from "../core/records";
import type { Database } from "../db/client";
import { crewMember, person } from "../db/schema";
import { workerDatabase } from "../fixtures/testCrew";
import { TEST_SHOOT, testWearer } from "../fixtures/testShoot";
import { listCrew, requestCrewDeed, requireRight } from "./accounts";
import { crewFile } from "./accounts/crewFile";
import { type ActingCrew, foundCrew } from "./crew";
import { reopenDemoShoot } from "./demoShoot";
import { requestHere } from "./events";
import { Fault } from "./faults";
import { createRecord, listShoots, loadShoot } from "./records";
import { requestChanges, requestHistory, requestTakeDetails } from "./requests";
import { listLinks, makeTalentLink, requestLinkDeed } from "./shared";

let pool: Pool;
let database: Database;
beforeAll(() => ({ database, pool } = workerDatabase()));
afterAll(() => pool.end());

async function memberIn(crewId: string, role: Role): Promise<ActingCrew> {
  const member = randomUUID();
  await database.insert(person).values({ id: member, name: "Tam", email: `${member}@example.org` });
  await database.insert(crewMember).values({ crewId, personId: member, role });
  return { crewId, member, role, database };
}

interface Ours {
  shootId: string;
  rigId: string;
}
/** A crew's shoot with somebody in it. */
async function shootOf(owner: ActingCrew): Promise<Ours> {
  const [shootId, sceneId, wearerId, rigId] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()] as const;
  await createRecord(owner, "shoot", shootId, { ...TEST_SHOOT, title: "Of this crew only" });
  const scene = newScene(shootId, { placeId: null, day: 1, startsAt: "09:30" });
  await createRecord(owner, "scene", sceneId, { ...scene, title: "Gate" });
  await createRecord(owner, "wearer", wearerId, { ...testWearer("Ines"), shootId });
  await createRecord(owner, "rig", rigId, newRig({ shootId, wearerId, sceneId }));
  return { shootId, rigId };
}

/** A question that any member may ask is checked at the door, which is done here too. */
const asked =
  (work: (acting: ActingCrew, ours: Ours) => Promise<unknown>) =>
  async (acting: ActingCrew, ours: Ours): Promise<unknown> => {
    requireRight(acting, "read");
    return work(acting, ours);
  };

/** Everything that the doors let somebody do beside changes of records, with the right it takes. */
const USE_CASES: Record<string, [Right, (acting: ActingCrew, ours: Ours) => Promise<unknown>]> = {
  "list shoots": ["read", asked((acting) => listShoots(acting))],
  "read a shoot": ["read", asked((acting, { shootId }) => loadShoot(acting, shootId))],
  "ask what changed": ["read", asked((acting, { shootId }) => requestChanges(acting, shootId, "0"))],
  "read takes": ["read", asked((acting) => requestTakeDetails(acting, randomUUID()))],
  "read the history": ["read", asked((acting, { shootId }) => requestHistory(acting, shootId, null))],
  "see the crew": ["read", asked((acting) => listCrew(acting))],
  "say what is open": ["read", asked((acting) => requestHere(acting, { page: randomUUID(), at: "" }))],
  "share a sheet": [
    "work",
    (acting, { shootId }) => requestLinkDeed(acting, { do: "share", shootId, kind: "callSheet", day: 1 }),
  ],
  "see links": ["work", (acting, { shootId }) => listLinks(acting, shootId)],
  "take a link back": ["work", (acting) => requestLinkDeed(acting, { do: "revoke", id: randomUUID() })],
  "ask a talent by link": ["work", (acting, ours) => makeTalentLink(acting, ours)],
  invite: ["manage", (acting) => requestCrewDeed(acting, { do: "invite", role: "guest" })],
  "show a pass for the day": ["manage", (acting) => requestCrewDeed(acting, { do: "passForDay", role: "guest" })],
  "take an invitation back": ["manage", (acting) => requestCrewDeed(acting, { do: "revoke", id: randomUUID() })],
  "take all data along": ["manage", (acting) => crewFile(acting)],
};

const answer = async (work: Promise<unknown>): Promise<{ fault: string | null; text: string }> =>
  work.then(
    (told) => ({
      fault: null,
      text: told instanceof Uint8Array ? new TextDecoder().decode(told) : JSON.stringify(told ?? null),
    }),
    (error: unknown) => ({ fault: error instanceof Fault ? error.says.code : String(error), text: "" }),
  );

test.each(Object.keys(USE_CASES))(
  "%s: each role as far as its rights go, and another crew nothing of this one",
  async (name) => {
    const [right, work] = USE_CASES[name]!;
    const crewId = await foundCrew(database, "A crew", false);
    const owner = await memberIn(crewId, "owner");
    const ours = await shootOf(owner);
    for (const role of ROLES) {
      const { fault } = await answer(work(role === "owner" ? owner : await memberIn(crewId, role), ours));
      expect([role, fault]).toEqual([role, may(role, right) ? null : "right.missing"]);
    }
    const strange = await memberIn(await foundCrew(database, "Others", false), "owner");
    const { text } = await answer(work(strange, ours));
    for (const secret of ["Of this crew only", "Ines", ours.rigId, owner.member]) expect(text).not.toContain(secret);
  },
);

test.each(ROLES.filter((role) => !may(role, "arrange")))("%s does not bring the demo back", async (role) => {
  const acting = await memberIn(await foundCrew(database, "A crew", false), role);
  expect((await answer(reopenDemoShoot(acting))).fault).toBe("right.missing");
});
