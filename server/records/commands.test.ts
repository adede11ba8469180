import { randomUUID } from "node:crypto";
import { asc, eq } from "drizzle-orm";
import { Client, type Pool } from "pg";
import {
  type AirBody,
  type Command,
  type LevelsBody,
  newScene,
  type Outcome,
  type PackingBody,
  type PlaceBody,
  type RecordKind,
} from "../../core/records";
import { FIRST_PROVISION, newRig } from "../../core/planning";
import { testWearer, TEST_SHOOT } from "../../fixtures/testShoot";
import { ownLike } from "../../core/connect";
import { INPUTS } from "../../core/devices";
import { LIVING_ROOM } from "../../core/room";
import { FIRST_AIR_PLAN } from "../../core/wireless";
import type { Database } from "../../db/client";
import { history } from "../../db/schema";
import { requestCommands } from "../commands";
import type { ActingCrew } from "../crew";
import { withLocalCrew, workerOwnerUrl } from "../../fixtures/testCrew";
import { createRecord, listShoots, loadChanges, loadShoot } from "./index";

let pool: Pool;
let database: Database;
let acting: ActingCrew;
withLocalCrew((local, opened) => {
  acting = local;
  database = local.database;
  pool = opened;
});

const key = randomUUID;

/** A command; without a key it gets one. */
type Keyless<Each> = Each extends Command ? Omit<Each, "key"> & { key?: string } : never;

async function send(...commands: Keyless<Command>[]): Promise<Outcome[]> {
  const keyed = commands.map((command) => ({ key: key(), ...command }));
  return (await requestCommands(acting, { commands: keyed }, "request")).outcomes;
}

const patch = (kind: RecordKind, id: string, path: string[], from: unknown, to: unknown) => ({
  op: "patch" as const,
  kind,
  id,
  changes: [{ path, from, to }],
});

async function newShoot(): Promise<string> {
  const id = randomUUID();
  await createRecord(acting, "shoot", id, TEST_SHOOT);
  return id;
}

/** A shoot with one of each that others name. */
async function newDay() {
  const shootId = await newShoot();
  const [placeId, sceneId, wearerId, rigId, lavId] = Array.from({ length: 5 }, () => randomUUID()) as [
    string,
    string,
    string,
    string,
    string,
  ];
  const place: PlaceBody = { shootId, name: "Mill", model: LIVING_ROOM };
  await createRecord(acting, "place", placeId, place);
  await createRecord(acting, "scene", sceneId, newScene(shootId, { placeId }));
  await createRecord(acting, "wearer", wearerId, { ...testWearer("Bo"), shootId });
  const [known] = (await loadShoot(acting, shootId)).kit;
  await createRecord(acting, "kitItem", lavId, { ...known!.body, shootId });
  await createRecord(acting, "rig", rigId, { ...newRig({ shootId, wearerId, sceneId }), lavId });
  return { shootId, placeId, sceneId, wearerId, rigId, lavId };
}

test("a command sent again is answered and not done again, whatever was done since", async () => {
  const id = await newShoot();
  const first = { key: key(), ...patch("shoot", id, ["title"], TEST_SHOOT.title, "A") };
  await send(first);
  await send(patch("shoot", id, ["title"], "A", "B"));
  const [again] = await send(first);
  expect(again).toMatchObject({ outcome: "done", records: [{ version: 3, body: { title: "B" } }] });
  expect((await loadShoot(acting, id)).shoot.body.title).toBe("B");
});

test("many at once with one key do it once", async () => {
  const [id, once] = [randomUUID(), key()];
  const create = { key: once, op: "create" as const, kind: "shoot" as const, id, body: TEST_SHOOT };
  const outcomes = await Promise.all(Array.from({ length: 12 }, () => send(create)));
  for (const [outcome] of outcomes) expect(outcome).toMatchObject({ outcome: "done", records: [{ id, version: 1 }] });
});

test("a create whose answer was lost, and newer text in a command of its own: the newer text stands", async () => {
  const id = randomUUID();
  const create = { key: key(), op: "create" as const, kind: "shoot" as const, id, body: TEST_SHOOT };
  await send(create);
  await send(create, patch("shoot", id, ["title"], TEST_SHOOT.title, "Newer"));
  expect((await loadShoot(acting, id)).shoot.body.title).toBe("Newer");
});

test("a key with another content is refused: it never swallows a newer body", async () => {
  const id = randomUUID();
  const create = { key: key(), op: "create" as const, kind: "shoot" as const, id, body: TEST_SHOOT };
  await send(create);
  const [other] = await send({ ...create, body: { ...TEST_SHOOT, title: "Newer" } });
  expect(other).toMatchObject({ outcome: "refused", says: { code: "record.keyTaken" } });
});

test("different fields from two devices merge, the same one comes back with both values, and the rest is done", async () => {
  const id = await newShoot();
  const from = TEST_SHOOT;
  await send({
    op: "patch",
    kind: "shoot",
    id,
    changes: [
      { path: ["title"], from: from.title, to: "Hers" },
      { path: ["days"], from: from.days, to: 7 },
    ],
  });
  const [outcome] = await send({
    op: "patch",
    kind: "shoot",
    id,
    changes: [
      { path: ["title"], from: from.title, to: "His" },
      { path: ["units"], from: from.units, to: "imperial" },
    ],
  });
  expect(outcome).toMatchObject({
    outcome: "conflict",
    conflicts: [{ path: ["title"], from: from.title, to: "His", current: "Hers" }],
    records: [{ body: { title: "Hers", days: 7, units: "imperial" } }],
  });
});

test("no conflict where both want the same, in whatever order its fields stand", async () => {
  const { placeId } = await newDay();
  const air = { temperatureC: 4, relativeHumidityPercent: 90 };
  await send(patch("place", placeId, ["model", "air"], LIVING_ROOM.air, air));
  const turned = { relativeHumidityPercent: 90, temperatureC: 4 };
  const [outcome] = await send(patch("place", placeId, ["model", "air"], LIVING_ROOM.air, turned));
  expect(outcome).toMatchObject({ outcome: "done" });
});

describe("one for a shoot", () => {
  const levels = (shootId: string, own: Partial<LevelsBody> = {}): LevelsBody => ({
    ...{ shootId, school: "minus12", meterBottomDbfs: -60, lines: [] },
    ...own,
  });
  const packing = (shootId: string, ...keys: string[]): PackingBody => ({
    shootId,
    lines: keys.map((each) => ({ key: each, packed: 1, isBack: false })),
  });
  const air = (shootId: string, own: Partial<AirBody> = {}): AirBody => ({
    ...FIRST_AIR_PLAN,
    ...{ shootId, scan: null },
    ...own,
  });

  test.each<[RecordKind, (shootId: string) => [object, object, object], object]>([
    [
      "levels",
      (id) => [levels(id), levels(id, { school: "below6" }), levels(id, { meterBottomDbfs: -48 })],
      { school: "below6", meterBottomDbfs: -48 },
    ],
    [
      "packing",
      (id) => [packing(id), packing(id, "tape"), packing(id, "fur")],
      { lines: [{ key: "tape" }, { key: "fur" }] },
    ],
    [
      "provision",
      (id) => {
        const first = { ...FIRST_PROVISION, shootId: id };
        return [first, { ...first, temperatureC: -3 }, { ...first, hasFloat: !first.hasFloat }];
      },
      { temperatureC: -3, hasFloat: !FIRST_PROVISION.hasFloat },
    ],
    [
      "air",
      (id) => [
        air(id),
        air(id, { rules: { ...FIRST_AIR_PLAN.rules, spacingKHz: 555 } }),
        air(id, { scan: null, systems: FIRST_AIR_PLAN.systems.slice(1) }),
      ],
      { rules: { spacingKHz: 555 }, systems: FIRST_AIR_PLAN.systems.slice(1) },
    ],
  ])("%s made in two tabs at once is one, with the changes of both", async (kind, bodies, both) => {
    const shootId = await newShoot();
    const [initial, mine, theirs] = bodies(shootId);
    const outcomes = await Promise.all(
      [mine, theirs].map(async (body) => (await send({ op: "create", kind, id: randomUUID(), body, initial }))[0]!),
    );
    const ids = outcomes.map((outcome) => (outcome.outcome === "done" ? outcome.id : outcome));
    expect(ids[0]).toBe(ids[1]);
    const { records } = await loadChanges(acting, shootId, 0);
    const made = records.filter((each) => each.kind === kind);
    expect(made).toHaveLength(1);
    if (kind === "packing") {
      const keys = (made[0]!.body as PackingBody).lines.map(({ key: each }) => each);
      expect(keys.sort()).toEqual(["fur", "tape"]);
    } else expect(made[0]!.body).toMatchObject(both);
  });

  test("two rigs of one talent in one scene are one, both told of it", async () => {
    const { shootId, wearerId, placeId } = await newDay();
    const sceneId = randomUUID();
    await createRecord(acting, "scene", sceneId, newScene(shootId, { placeId }));
    const initial = newRig({ shootId, wearerId, sceneId });
    const outcomes = await Promise.all([
      send({ op: "create", kind: "rig", id: randomUUID(), body: { ...initial, isRigged: true }, initial }),
      send({ op: "create", kind: "rig", id: randomUUID(), body: { ...initial, packPlace: "waistBack" }, initial }),
    ]);
    const [one, other] = outcomes.map(([outcome]) => outcome as Extract<Outcome, { outcome: "done" }>);
    expect(one!.id).toBe(other!.id);
    const rigs = (await loadShoot(acting, shootId)).rigs.filter(({ body }) => body.sceneId === sceneId);
    expect(rigs).toHaveLength(1);
    expect(rigs[0]!.body).toMatchObject({ isRigged: true, packPlace: "waistBack" });
  });
});

describe("what others name is deleted", () => {
  test("a place: the scene stays and can be changed, also to another place; undo brings it back as it was", async () => {
    const { shootId, placeId, sceneId } = await newDay();
    await send({ op: "delete", kind: "place", id: placeId });
    expect((await loadShoot(acting, shootId)).places).toEqual([]);
    const [retitled] = await send(patch("scene", sceneId, ["title"], newScene(shootId).title, "Later"));
    expect(retitled).toMatchObject({ outcome: "done" });
    await send({ op: "restore", kind: "place", id: placeId });
    const { places, scenes } = await loadShoot(acting, shootId);
    expect([places.length, scenes[0]!.body.placeId, scenes[0]!.body.title]).toEqual([1, placeId, "Later"]);
  });

  test("a device of the kit: the rig stays and can be changed", async () => {
    const { rigId, lavId } = await newDay();
    await send({ op: "delete", kind: "kitItem", id: lavId });
    const [outcome] = await send(
      patch("rig", rigId, ["isRigged"], false, true),
      patch("rig", rigId, ["lavId"], lavId, null),
    );
    expect(outcome).toMatchObject({ outcome: "done" });
  });

  test.each(["wearer", "scene"] as const)(
    "a %s takes its rigs along, and undo brings back what went with it, no more",
    async (kind) => {
      const day = await newDay();
      const { shootId, wearerId, rigId, placeId } = day;
      const earlier = randomUUID();
      const otherScene = randomUUID();
      await createRecord(acting, "scene", otherScene, newScene(shootId, { placeId }));
      await createRecord(acting, "rig", earlier, newRig({ shootId, wearerId, sceneId: otherScene }));
      await send({ op: "delete", kind: "rig", id: earlier });
      const id = kind === "wearer" ? wearerId : day.sceneId;
      const [gone] = await send({ op: "delete", kind, id });
      expect(gone).toMatchObject({ outcome: "done" });
      expect(
        (gone as Extract<Outcome, { outcome: "done" }>).records.map((each) => [each.kind, each.isDeleted]),
      ).toEqual([
        [kind, true],
        ["rig", true],
      ]);
      expect((await loadShoot(acting, shootId)).rigs).toEqual([]);
      await send({ op: "restore", kind, id });
      expect((await loadShoot(acting, shootId)).rigs.map((each) => each.id)).toEqual([rigId]);
    },
  );

  test("what was made in its place meanwhile stays; what it belongs to must be there", async () => {
    const { shootId, wearerId, sceneId, rigId } = await newDay();
    await send({ op: "delete", kind: "rig", id: rigId });
    const other = randomUUID();
    await createRecord(acting, "rig", other, newRig({ shootId, wearerId, sceneId }));
    const [refused] = await send({ op: "restore", kind: "rig", id: rigId });
    expect(refused).toMatchObject({ outcome: "refused", says: { code: "record.anotherNow" } });
    await send({ op: "delete", kind: "rig", id: other }, { op: "delete", kind: "wearer", id: wearerId });
    const [dangling] = await send({ op: "restore", kind: "rig", id: rigId });
    expect(dangling).toMatchObject({ outcome: "refused", isMissing: true });
  });

  test("a change to what was deleted says so and brings what there was", async () => {
    const { wearerId } = await newDay();
    await send({ op: "delete", kind: "wearer", id: wearerId });
    const [outcome] = await send(patch("wearer", wearerId, ["name"], "Bo", "Flo"));
    expect(outcome).toMatchObject({
      outcome: "gone",
      records: [{ id: wearerId, isDeleted: true, body: { name: "Bo" } }],
    });
  });

  test("deleting twice, and what never was, is done", async () => {
    const { wearerId } = await newDay();
    const outcomes = await send(
      { op: "delete", kind: "wearer", id: wearerId },
      { op: "delete", kind: "wearer", id: wearerId },
      { op: "delete", kind: "wearer", id: randomUUID() },
      { op: "restore", kind: "wearer", id: wearerId },
      { op: "restore", kind: "wearer", id: wearerId },
    );
    expect(outcomes.map(({ outcome }) => outcome)).toEqual(Array.from({ length: 5 }, () => "done"));
  });

  test("a shoot goes into the bin with its title and day, and comes back whole", async () => {
    const { shootId } = await newDay();
    await send({ op: "delete", kind: "shoot", id: shootId });
    const { shoots, bin } = await listShoots(acting);
    expect(shoots.some(({ id }) => id === shootId)).toBe(false);
    expect(bin[0]).toMatchObject({ id: shootId, title: TEST_SHOOT.title });
    await send({ op: "restore", kind: "shoot", id: shootId });
    expect((await loadShoot(acting, shootId)).rigs).toHaveLength(1);
  });
});

test("a child that comes before its parent is refused as missing, and goes through after it", async () => {
  const [shootId, placeId] = [randomUUID(), randomUUID()];
  const child = {
    op: "create" as const,
    kind: "place" as const,
    id: placeId,
    body: { shootId, name: "Mill", model: LIVING_ROOM },
  };
  const [early, parent, late] = await send(
    child,
    { op: "create", kind: "shoot", id: shootId, body: TEST_SHOOT },
    child,
  );
  expect([early, parent!.outcome, late!.outcome]).toEqual([
    expect.objectContaining({ outcome: "refused", isMissing: true }),
    "done",
    "done",
  ]);
});

test("what goes wrong with one command is its own: those after it are done, except for those that build on it", async () => {
  const { shootId, placeId } = await newDay();
  const owner = new Client({ connectionString: workerOwnerUrl() });
  await owner.connect();
  await owner.query(
    "create function fail_this() returns trigger language plpgsql as $$ begin raise exception 'broken'; end $$",
  );
  await owner.query(
    `create trigger fail_this before update on place for each row when (old.id = '${placeId}') execute function fail_this()`,
  );
  try {
    const [broken, held, fine] = await send(
      patch("place", placeId, ["name"], "Mill", "Broken"),
      patch("place", placeId, ["name"], "Broken", "Broken too"),
      patch("shoot", shootId, ["title"], TEST_SHOOT.title, "Fine"),
    );
    expect(broken).toMatchObject({ outcome: "failed", requestId: "request" });
    // It was made from what was not done: no conflict with anybody.
    expect(held).toMatchObject({ outcome: "failed" });
    expect(fine).toMatchObject({ outcome: "done" });
  } finally {
    await owner.query("drop function fail_this cascade");
    await owner.end();
  }
});

test("what is nested deeper than can be followed is refused, and holds nothing after it", async () => {
  const { shootId, placeId } = await newDay();
  const deep: unknown = JSON.parse("[".repeat(5000) + "]".repeat(5000));
  const [refused, after] = await send(
    { op: "create", kind: "place", id: placeId, body: deep },
    patch("place", placeId, ["name"], "Mill", "Mill house"),
    patch("shoot", shootId, ["title"], TEST_SHOOT.title, "Fine"),
  );
  expect([refused, after]).toMatchObject([{ outcome: "refused" }, { outcome: "done" }]);
});

test("what a page of the release before sends is taken as it was meant", async () => {
  const { shootId } = await newDay();
  const [id, levelsId] = [randomUUID(), randomUUID()];
  const figures = { ...ownLike("socket", INPUTS.phone).figures, settings: ["Set it so"] };
  const tick = { device: "pack", holdsFor: "Sensitivity −12 dB", at: "2027-05-11T08:00:00Z" };
  const line = { ...{ subject: "a", inputId: null, mic: null, targets: null, held: [], dynamics: null }, ticks: [] };
  const levels: LevelsBody = { shootId, school: "minus12", meterBottomDbfs: -60, lines: [line] };
  const outcomes = await send(
    { op: "create", kind: "kitItem", id, body: { shootId: null, kind: "socket", name: "own", figures } },
    { op: "create", kind: "levels", id: levelsId, body: levels },
    patch("levels", levelsId, ["lines", "a", "ticks", "pack"], undefined, tick),
  );
  expect(outcomes.map(({ outcome }) => outcome)).toEqual(["done", "done", "done"]);
  const bundle = await loadShoot(acting, shootId);
  expect(bundle.levels[0]!.body.lines[0]!.ticks).toEqual([
    { ...tick, holdsFor: [{ control: "unknown", value: "Sensitivity −12 dB" }] },
  ]);
  expect(bundle.kit.find((each) => each.id === id)!.body.figures).toMatchObject({
    settings: [{ code: "setting.asWritten", text: "Set it so" }],
  });
});

describe("changes", () => {
  test("since a number: what changed, what was deleted, nothing twice and nothing missing while many write", async () => {
    const { shootId, placeId, sceneId } = await newDay();
    const seen = new Map<string, unknown>();
    let seq = 0;
    const pull = async () => {
      const news = await loadChanges(acting, shootId, seq);
      for (const { kind, id, body, isDeleted } of news.records)
        if (isDeleted) seen.delete(`${kind} ${id}`);
        else seen.set(`${kind} ${id}`, body);
      expect(news.seq).toBeGreaterThanOrEqual(seq);
      ({ seq } = news);
    };
    await pull();
    const writers = Array.from({ length: 24 }, async (_, at) => {
      const id = randomUUID();
      await send({ op: "create", kind: "scene", id, body: newScene(shootId, { placeId, title: `S${at}` }) });
      if (at % 3 === 0) await send({ op: "delete", kind: "scene", id });
      else await send(patch("scene", id, ["day"], 1, 2));
    });
    const puller = (async () => {
      for (let at = 0; at < 12; at += 1) await pull();
    })();
    await Promise.all([...writers, puller]);
    await pull();
    const all = await loadChanges(acting, shootId, 0);
    const expected = new Map(all.records.map(({ kind, id, body }) => [`${kind} ${id}`, body]));
    expect(Object.fromEntries(seen)).toEqual(Object.fromEntries(expected));
    expect(seen.has(`scene ${sceneId}`)).toBe(true);
    expect((await loadChanges(acting, shootId, seq)).records).toEqual([]);
  });

  test("other devices are told which shoot has news, and up to which number", async () => {
    const shootId = await newShoot();
    const listener = new Client({ connectionString: workerOwnerUrl() });
    await listener.connect();
    const heard: unknown[] = [];
    listener.on("notification", ({ payload }) => heard.push(JSON.parse(payload!)));
    await listener.query("listen hypophon_change");
    const [outcome] = await send(patch("shoot", shootId, ["title"], TEST_SHOOT.title, "New"));
    await listener.query("select 1");
    await listener.end();
    const { seq } = (outcome as Extract<Outcome, { outcome: "done" }>).records[0]!;
    expect(heard).toContainEqual({ crewId: acting.crewId, shootId, seq });
  });
});

describe("history", () => {
  test("what was agreed and what was checked is kept with time and name, change by change", async () => {
    const { rigId } = await newDay();
    const [rig] = (await database.execute<{ consent: object }>(`select consent from rig where id = '${rigId}'`)).rows;
    const yes = { ...rig!.consent, answer: "yes", askedBy: "Flo" };
    await send(
      patch("rig", rigId, ["consent", "answer"], "notAsked", "yes"),
      patch("rig", rigId, ["consent", "askedBy"], "", "Flo"),
      patch("rig", rigId, ["isRigged"], false, true),
      patch("rig", rigId, ["targetDbfs"], -12, -14),
    );
    const rows = await database.select().from(history).where(eq(history.recordId, rigId)).orderBy(asc(history.id));
    expect(rows.map(({ subject }) => subject)).toEqual([
      "consent",
      "verification",
      "consent",
      "consent",
      "verification",
    ]);
    expect(rows[3]).toMatchObject({ before: { answer: "yes", askedBy: "" }, after: yes, member: acting.member });
    expect(Math.abs(Date.now() - rows[4]!.at.getTime())).toBeLessThan(60_000);
  });

  test("its rows can be neither changed nor deleted, by nobody", async () => {
    const { rigId } = await newDay();
    await expect(database.update(history).set({ member: "x" }).where(eq(history.recordId, rigId))).rejects.toThrow();
    await expect(database.delete(history).where(eq(history.recordId, rigId))).rejects.toThrow();
    const owner = new Client({ connectionString: workerOwnerUrl() });
    await owner.connect();
    await expect(owner.query("delete from history where record_id = $1", [rigId])).rejects.toThrow("only added to");
    await owner.end();
  });
});

describe("the database guards", () => {
  test.each([
    [
      "a second rig of one talent and scene",
      "insert into rig select (jsonb_populate_record(r, jsonb_build_object('id', gen_random_uuid()))).* from rig r where id = $1",
      "rig_one_a_scene",
    ],
    [
      "a rig in another shoot than its scene",
      "update rig set shoot_id = (select id from shoot where id <> shoot_id limit 1) where id = $1",
      "rig_of_",
    ],
    ["a target beyond its range", "update rig set target_dbfs = 3 where id = $1", "rig_target_dbfs"],
  ])("%s is refused", async (_, query, constraint) => {
    const { rigId } = await newDay();
    await expect(pool.query(query, [rigId])).rejects.toMatchObject({
      constraint: expect.stringContaining(constraint) as string,
    });
  });
});
