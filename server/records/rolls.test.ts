import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { TEST_SHOOT } from "../../fixtures/testShoot";
import { withLocalCrew } from "../../fixtures/testCrew";
import { type Command, type MarkBody, newScene, type Outcome, type RollBody } from "../../core/records";
import { history, roll as rollTable } from "../../db/schema";
import type { Database } from "../../db/client";
import type { ActingCrew } from "../crew";
import { createRecord, loadChanges, loadShoot, runCommand } from "./index";

let database: Database;
let acting: ActingCrew;
withLocalCrew((local) => {
  acting = local;
  database = local.database;
});

const body = (shootId: string, change: Partial<RollBody> = {}): RollBody => ({
  ...{ shootId, sceneId: null, day: 1, slate: "12A", take: 1, type: "take", rating: "none" },
  ...{ startedAt: "2027-05-11T08:44:00.123Z", zoneMin: 60, lengthS: null, fileName: "12A-T01", note: "" },
  ...{ counter: null, device: "phone", files: [] },
  tracks: [
    { id: "one", name: "Tam", wearerId: null },
    { id: "two", name: "Boom", wearerId: null },
  ],
  ...change,
});
const mark = (shootId: string, rollId: string, atS: number): MarkBody => ({
  ...{ shootId, rollId, atS, kind: "aircraft", trackId: "one", note: "low", source: "pressed", isProposal: false },
});
async function newShoot(): Promise<string> {
  const id = randomUUID();
  await createRecord(acting, "shoot", id, TEST_SHOOT);
  return id;
}
type Deed = Command extends infer Each ? (Each extends { key: string } ? Omit<Each, "key"> : never) : never;
const run = (deed: Deed): Promise<Outcome> => runCommand(acting, { key: randomUUID(), ...deed });
const change = (id: string, path: string[], from: unknown, to: unknown): Deed => ({
  ...{ op: "patch", kind: "roll", id },
  changes: [{ path, from, to }],
});

test("a take comes back as it was logged: tracks in their order, to the millisecond", async () => {
  const shootId = await newShoot();
  const id = randomUUID();
  await createRecord(acting, "roll", id, body(shootId));
  const [found] = (await loadShoot(acting, shootId)).rolls;
  expect(found!.body).toEqual(body(shootId));
});

test("two devices stop, rate and note the same take: all of it is kept; the same field twice is told", async () => {
  const shootId = await newShoot();
  const id = randomUUID();
  await createRecord(acting, "roll", id, body(shootId));
  expect((await run(change(id, ["lengthS"], null, 61.2))).outcome).toBe("done");
  expect((await run(change(id, ["rating"], "none", "good"))).outcome).toBe("done");
  expect((await run(change(id, ["note"], "", "plane at the end"))).outcome).toBe("done");
  // The other phone stopped it a second later.
  const second = await run(change(id, ["lengthS"], null, 62.4));
  expect(second).toMatchObject({ outcome: "conflict", conflicts: [{ path: ["lengthS"], current: 61.2 }] });
  const [found] = (await loadShoot(acting, shootId)).rolls;
  expect(found!.body).toMatchObject({ lengthS: 61.2, rating: "good", note: "plane at the end" });
});

test("files are told apart by their names: two devices may add different ones", async () => {
  const shootId = await newShoot();
  const id = randomUUID();
  await createRecord(acting, "roll", id, body(shootId));
  const file = (name: string) => ({ name, lengthS: 30, hash: null, isSure: true });
  await run(change(id, ["files", "a.wav"], undefined, file("a.wav")));
  await run(change(id, ["files", "b.wav"], undefined, file("b.wav")));
  const [found] = (await loadShoot(acting, shootId)).rolls;
  expect(found!.body.files.map(({ name }) => name)).toEqual(["a.wav", "b.wav"]);
});

test("marks go with their take, and come back with it", async () => {
  const shootId = await newShoot();
  const [id, other] = [randomUUID(), randomUUID()];
  await createRecord(acting, "roll", id, body(shootId));
  await createRecord(acting, "roll", other, body(shootId, { take: 2 }));
  for (const [at, rollId] of [
    [1, id],
    [2, id],
    [3, other],
  ] as const)
    await createRecord(acting, "mark", randomUUID(), mark(shootId, rollId, at));
  await run({ op: "delete", kind: "roll", id });
  let bundle = await loadShoot(acting, shootId);
  expect([bundle.rolls.length, bundle.marks.map(({ body: { atS } }) => atS)]).toEqual([1, [3]]);
  await run({ op: "restore", kind: "roll", id });
  bundle = await loadShoot(acting, shootId);
  expect([bundle.rolls.length, bundle.marks.length]).toEqual([2, 3]);
});

test("a deleted scene leaves its takes: nothing that was logged is lost", async () => {
  const shootId = await newShoot();
  const [sceneId, id] = [randomUUID(), randomUUID()];
  await createRecord(acting, "scene", sceneId, newScene(shootId, { title: "Gate" }));
  await createRecord(acting, "roll", id, body(shootId, { sceneId }));
  await run({ op: "delete", kind: "scene", id: sceneId });
  const { rolls } = await loadShoot(acting, shootId);
  expect(rolls.map(({ body: { sceneId: of } }) => of)).toEqual([sceneId]);
  // And they can still be rated.
  expect((await run(change(id, ["rating"], "none", "hold"))).outcome).toBe("done");
});

test("a mark of no take, and a take of no scene there is, are refused", async () => {
  const shootId = await newShoot();
  await expect(createRecord(acting, "mark", randomUUID(), mark(shootId, randomUUID(), 1))).rejects.toMatchObject({
    code: "invalid",
  });
  await expect(
    createRecord(acting, "roll", randomUUID(), body(shootId, { sceneId: randomUUID() })),
  ).rejects.toMatchObject({ code: "invalid" });
});

test.each([
  ["take 0", { take: 0 }],
  ["a length below nothing", { lengthS: -1 }],
  ["a take of three days", { lengthS: 300_000 }],
  ["a time that is none", { startedAt: "yesterday" }],
  ["a note beyond measure", { note: "x".repeat(2001) }],
  ["a kind of take there is none of", { type: "rehearsal" as RollBody["type"] }],
])("%s is refused at the door", async (_, change) => {
  const shootId = await newShoot();
  await expect(createRecord(acting, "roll", randomUUID(), body(shootId, change))).rejects.toMatchObject({
    code: "invalid",
  });
});

test("the database itself holds the bounds", async () => {
  const shootId = await newShoot();
  const id = randomUUID();
  await createRecord(acting, "roll", id, body(shootId));
  const force = database.update(rollTable).set({ take: 0 }).where(eq(rollTable.id, id));
  await expect(force).rejects.toThrow();
});

test("who changed what of a take stands in the history", async () => {
  const shootId = await newShoot();
  const id = randomUUID();
  await createRecord(acting, "roll", id, body(shootId));
  await run(change(id, ["take"], 1, 2));
  await run(change(id, ["rating"], "none", "noGood"));
  const rows = await database.select().from(history).where(eq(history.recordId, id)).orderBy(history.id);
  expect(
    rows.map(({ subject, before, after }) => [
      subject,
      (before as RollBody | null)?.take,
      (after as RollBody).take,
      (after as RollBody).rating,
    ]),
  ).toEqual([
    ["take", undefined, 1, "none"],
    ["take", 1, 2, "none"],
    ["take", 2, 2, "noGood"],
  ]);
});

test("a device that was away asks for what it missed: the takes and marks since, and nothing else", async () => {
  const shootId = await newShoot();
  const before = (await loadChanges(acting, shootId, 0)).seq;
  const id = randomUUID();
  await createRecord(acting, "roll", id, body(shootId));
  await createRecord(acting, "mark", randomUUID(), mark(shootId, id, 7));
  const { records } = await loadChanges(acting, shootId, before);
  expect(records.map(({ kind }) => kind).toSorted()).toEqual(["mark", "roll"]);
});

test("there is one way of naming for a shoot: a second one becomes a change of the first", async () => {
  const shootId = await newShoot();
  const setup = { shootId, scheme: "{slate}-T{take:2}", counter: 1, ownKinds: [] };
  await createRecord(acting, "rollSetup", randomUUID(), setup);
  const done = await run({
    ...{ op: "create", kind: "rollSetup", id: randomUUID() },
    ...{ body: { ...setup, counter: 41 }, initial: setup },
  });
  expect(done.outcome).toBe("done");
  const { rollSetups } = await loadShoot(acting, shootId);
  expect(rollSetups.map(({ body: { counter } }) => counter)).toEqual([41]);
});
