import { airSceneOf, capsuleCures, connectionsOf, FIRST_PROVISION, levelsOf, needsOf, newLink } from "../core/planning";
import { fromTheBag } from "../core/rehearsal";
import { say } from "../messages";
import {
  type AirBody,
  type ConnectionBody,
  type LevelLine,
  type LevelsBody,
  newScene,
  type RigBody,
  type ShootBody,
  type WearerBody,
} from "../core/records";
import { randomUUID } from "node:crypto";
import { FIRST_AIR_PLAN, packScan, simulatedScan } from "../core/wireless";
import type { Database } from "../db/client";
import { MILLER, WELDER } from "../demo/slackWater";
import { DEMO_SHOOT_ID, MILLER_RIG, SINGER_RIG } from "../demo/recordings";
import { recipeFor, usualLayer } from "../core/dress";
import { boardOf } from "../core/board";
import { genericFigures } from "../core/devices";
import { localCrew, type ActingCrew } from "./crew";
import { demoRecordingBytes, openDemoShoot, reopenDemoShoot } from "./demoShoot";
import { Fault } from "./faults";
import { requestCommands } from "./commands";
import { createRecord, listRecords, listShoots, loadShoot, loadTakeDetails } from "./records";
import { changeTo, otherCrew, remove, withLocalCrew } from "../fixtures/testCrew";

let database: Database;
let acting: ActingCrew;
withLocalCrew((local) => {
  acting = local;
  database = local.database;
});

const SHOOT: ShootBody = {
  title: "Harbour",
  firstDay: "2027-03-01",
  days: 2,
  units: "metric",
  clock: "24",
  frameRate: 29.97,
  delivery: "picture",
  sampleRateHz: 48000,
  bitsPerSample: 24,
};

const wearer = (shootId: string): WearerBody => ({
  shootId,
  name: "Bo",
  heightM: 1.81,
  voice: "middle",
  tapeAllergy: "unknown",
  hairyChest: "no",
  hair: "tied",
  isChild: false,
  voiceOffsetDb: 0,
  thread: 3,
  outfit: {
    lower: "skirt",
    sides: { bagStrap: "left" },
    colours: { scarf: "bright" },
    layers: [usualLayer("tee"), usualLayer("coat", { fabric: "waterproof", fit: "loose", opening: "open" })],
    accessories: ["scarf"],
  },
});

async function newShoot(): Promise<string> {
  const id = randomUUID();
  await createRecord(acting, "shoot", id, SHOOT);
  return id;
}

async function faultOf(work: Promise<unknown>): Promise<Fault> {
  const error: unknown = await work.then(
    () => null,
    (reason: unknown) => reason,
  );
  if (!(error instanceof Fault)) throw new Error(`no fault but ${String(error)}`);
  return error;
}

describe("crew", () => {
  test("founding the local crew many times at once founds one, with its kit once", async () => {
    const crews = await Promise.all(Array.from({ length: 6 }, () => localCrew(database)));
    expect(new Set(crews.map((each) => each.crewId)).size).toBe(1);
    const kit = await listRecords(acting, "kitItem", null);
    expect(kit.slice(0, 6).map((item) => item.body.kind)).toEqual(["lav", "lav", "pack", "receiver", "input", "input"]);
  });

  test("another crew sees and changes nothing of ours", async () => {
    const shootId = await newShoot();
    const other = await otherCrew(acting);
    expect(await listShoots(other)).toEqual({ shoots: [], bin: [] });
    expect((await faultOf(loadShoot(other, shootId))).code).toBe("missing");
    expect((await faultOf(changeTo(other, "shoot", shootId, SHOOT))).code).toBe("missing");
    await remove(other, "shoot", shootId);
    expect((await loadShoot(acting, shootId)).shoot.id).toBe(shootId);
    expect((await faultOf(createRecord(other, "shoot", shootId, SHOOT))).code).toBe("invalid");
    expect((await faultOf(createRecord(other, "place", randomUUID(), { shootId, name: "x", model: {} }))).code).toBe(
      "invalid",
    );
  });
});

describe("records", () => {
  test("what is stored comes back as it was, layers in order", async () => {
    const shootId = await newShoot();
    const id = randomUUID();
    const made = await createRecord(acting, "wearer", id, wearer(shootId));
    expect(made).toMatchObject({ id, version: 1, body: wearer(shootId) });
    expect((await loadShoot(acting, shootId)).wearers).toEqual([made]);
    expect((await loadShoot(acting, shootId)).shoot.body).toEqual(SHOOT);
  });

  test("what is told of hair, sides, colours and hands comes back, and is gone when it is no longer told", async () => {
    const shootId = await newShoot();
    const id = randomUUID();
    await createRecord(acting, "wearer", id, wearer(shootId));
    const { hair: _, isChild: __, outfit, ...rest } = wearer(shootId);
    const { lower: ___, sides: ____, colours: _____, ...plain } = outfit;
    const bare = { ...rest, outfit: plain };
    await changeTo(acting, "wearer", id, bare);
    expect((await loadShoot(acting, shootId)).wearers[0]!.body).toEqual(bare);

    const sceneId = randomUUID();
    await createRecord(acting, "scene", sceneId, newScene(shootId));
    const at = { xM: 1, yM: 1 };
    const talker = {
      ...{ id: "a", name: "A", wearerId: null, at, mouthM: 1.2, facesDeg: 0, turnsDeg: 0, effort: "normal" as const },
      ...{ path: [], isInstrument: false, holds: "child" as const },
    };
    const mic = {
      ...{ id: "m", microphone: "shortHyper" as const, pattern: "hypercardioid" as const, holder: "boom" as const, at },
      ...{ heightM: 2, aimsDeg: 0, tiltDeg: 0, hasScreen: false, handsM: null, cover: "fur" as const },
    };
    const wishes = { shot: "medium" as const, mayBeSeen: false, hasTable: false, overhead: "byRoom" as const };
    const body = { shootId, sceneId, wishes, setup: { talkers: [talker], mics: [mic] } };
    const pickupId = randomUUID();
    const made = await createRecord(acting, "pickup", pickupId, body);
    expect(made.body).toEqual(body);
    const { holds: ______, ...free } = talker;
    const { cover: _______, ...uncovered } = mic;
    const later = { ...body, setup: { talkers: [free], mics: [uncovered] } };
    await changeTo(acting, "pickup", pickupId, later);
    expect((await loadShoot(acting, shootId)).pickups[0]!.body).toEqual(later);
  });

  test("creating twice with one id stores one, the first", async () => {
    const id = randomUUID();
    const [first] = await Promise.all([
      createRecord(acting, "shoot", id, SHOOT),
      createRecord(acting, "shoot", id, SHOOT),
      createRecord(acting, "shoot", id, SHOOT),
    ]);
    const again = await createRecord(acting, "shoot", id, { ...SHOOT, title: "Other" });
    expect(again.body.title).toBe(first.body.title);
    expect((await listShoots(acting)).shoots.filter((each) => each.id === id)).toHaveLength(1);
  });

  test("what points elsewhere is refused", async () => {
    const shootId = await newShoot();
    const elsewhere = await newShoot();
    const wearerId = randomUUID();
    await createRecord(acting, "wearer", wearerId, wearer(elsewhere));
    const sceneId = randomUUID();
    await createRecord(acting, "scene", sceneId, newScene(shootId));
    const rig = { ...(await demoRig()), shootId, wearerId, sceneId };
    const fault = await faultOf(createRecord(acting, "rig", randomUUID(), rig));
    expect(fault.detail.fields).toEqual([{ path: "wearerId", says: { code: "record.dangling" } }]);
  });
});

async function demoRig(): Promise<RigBody> {
  await openDemoShoot(acting);
  return (await loadShoot(acting, DEMO_SHOOT_ID)).rigs.find((rig) => rig.id === MILLER_RIG)!.body;
}

describe("doors", () => {
  test("impossible figures and unknown fields are refused at their field", async () => {
    const shootId = await newShoot();
    const tall = await faultOf(createRecord(acting, "wearer", randomUUID(), { ...wearer(shootId), heightM: 4 }));
    expect(tall.detail.fields).toEqual([
      { path: "heightM", says: { code: "field.range", field: "Height", minimum: 0.8, maximum: 2.3, unit: null } },
    ]);
    const extra = await faultOf(createRecord(acting, "shoot", randomUUID(), { ...SHOOT, admin: true }));
    expect(extra.says).toEqual({ code: "field.unknown", field: "admin" });
    const wide = { ...wearer(shootId), outfit: { layers: [], accessories: [] } };
    expect((await faultOf(createRecord(acting, "wearer", randomUUID(), wide))).code).toBe("invalid");
  });

  test("what cannot be worn is refused where it stands, for a wearer and for one scene", async () => {
    const shootId = await newShoot();
    const tied = { layers: [usualLayer("tee")], accessories: ["tie" as const] };
    const fault = await faultOf(createRecord(acting, "wearer", randomUUID(), { ...wearer(shootId), outfit: tied }));
    expect(fault).toMatchObject({ code: "invalid", says: { code: "cannot.neckwear", neckwear: "tie" } });
    expect(fault.detail.fields![0]!.path).toBe("outfit.accessories");
    const rig = await demoRig();
    expect((await faultOf(createRecord(acting, "rig", randomUUID(), { ...rig, outfit: tied }))).says.code).toBe(
      "cannot.neckwear",
    );
    const many = { layers: Array.from({ length: 60 }, () => usualLayer("tee")), accessories: [] };
    expect(
      (await faultOf(createRecord(acting, "wearer", randomUUID(), { ...wearer(shootId), outfit: many }))).code,
    ).toBe("invalid");
  });

  test("a scene's own outfit, choice and consent come back as they were", async () => {
    const rig = await demoRig();
    const [id, wearerId] = [randomUUID(), randomUUID()];
    await createRecord(acting, "wearer", wearerId, wearer(DEMO_SHOOT_ID));
    const own: RigBody = {
      ...rig,
      wearerId,
      outfit: { layers: [usualLayer("shirt")], accessories: ["tie"] },
      packPlace: "innerPocket",
    };
    expect((await createRecord(acting, "rig", id, own)).body).toEqual(own);
    const cleared: RigBody = { ...own, outfit: null, choice: null, packPlace: null };
    expect((await changeTo(acting, "rig", id, cleared)).body).toEqual(cleared);
    await remove(acting, "wearer", wearerId);
  });

  test("figures of a device must be those of its kind", async () => {
    const [item] = await listRecords(acting, "kitItem", null);
    const fault = await faultOf(changeTo(acting, "kitItem", item!.id, { ...item!.body, kind: "pack" }));
    expect(fault.code).toBe("invalid");
    const figures = { ...(item!.body.figures as object), leadM: -1 };
    const short = await faultOf(changeTo(acting, "kitItem", item!.id, { ...item!.body, figures }));
    expect(short.detail.fields!.map(({ says }) => say(says)).join(" ")).toContain("Cable: 0.3 to 5 m.");
  });

  test("a target above the ceiling is refused", async () => {
    const rig = await demoRig();
    const fault = await faultOf(createRecord(acting, "rig", randomUUID(), { ...rig, targetDbfs: -3 }));
    expect(fault.detail.fields![0]!.path).toBe("targetDbfs");
  });

  test("commands name a known kind, real ids and what they do; one that is wrong holds no other", async () => {
    const [key, id] = [randomUUID(), randomUUID()];
    const good = { op: "create", key: randomUUID(), kind: "shoot", id: randomUUID(), body: SHOOT };
    const { outcomes } = await requestCommands(
      acting,
      {
        commands: [
          { op: "create", key, kind: "prototype", id, body: {} },
          { op: "create", key, kind: "shoot", id: "7", body: SHOOT },
          { op: "create", key: "7", kind: "shoot", id, body: SHOOT },
          { op: "patch", key, kind: "shoot", id, changes: [] },
          { op: "patch", key, kind: "shoot", id, changes: [{ path: ["title"], to: "x" }] },
          { op: "burn", key, kind: "shoot", id },
          "nonsense",
          good,
        ],
      },
      "request",
    );
    expect(outcomes.map(({ outcome }) => outcome)).toEqual([...Array.from({ length: 7 }, () => "refused"), "done"]);
    await expect(requestCommands(acting, { commands: [] }, "request")).rejects.toMatchObject({ code: "invalid" });
    expect((await faultOf((async () => loadShoot(acting, "'; drop table shoot; --"))())).code).toBe("missing");
  });
});

describe("the demo shoot", () => {
  test("opens once however often it is opened, and comes back after deletion", async () => {
    await Promise.all([openDemoShoot(acting), openDemoShoot(acting)]);
    await remove(acting, "shoot", DEMO_SHOOT_ID);
    await reopenDemoShoot(acting);
    const bundle = await loadShoot(acting, DEMO_SHOOT_ID);
    expect(bundle.wearers).toHaveLength(11);
    expect(bundle.places).toHaveLength(7);
    expect(bundle.measurements).toHaveLength(2);
  });

  test("its recordings prove one good and one to redo, by measurement", async () => {
    await openDemoShoot(acting);
    const bundle = await loadShoot(acting, DEMO_SHOOT_ID);
    const proof = (rigId: string) => bundle.measurements.find((each) => each.body.rigId === rigId)!.body;
    expect(proof(MILLER_RIG)).toMatchObject({ grade: "good" });
    expect(proof(SINGER_RIG)).toMatchObject({ grade: "redo" });
    const singer = bundle.measurements.find((each) => each.body.rigId === SINGER_RIG)!;
    const [detail] = await loadTakeDetails(acting, [singer.id]);
    expect(detail!.body.findings.some((finding) => finding.kind === "clipped")).toBe(true);
    const row = boardOf(bundle).find((each) => each.wearer.id === MILLER)!;
    expect(row.stitches).toMatchObject({ dress: "sewn", level: "sewn", check: "sewn" });
  });

  test("everybody is dressed: each choice is possible, wanted and has a recipe that asks first", async () => {
    await openDemoShoot(acting);
    const rows = boardOf(await loadShoot(acting, DEMO_SHOOT_ID));
    expect(rows).toHaveLength(14);
    for (const { plan, wearer } of rows) {
      expect([wearer.body.name, plan!.isChosen]).toEqual([wearer.body.name, true]);
      const place = plan!.dress.places.findIndex(({ ways }) => ways.includes(plan!.candidate!));
      // An accordion strikes the chest, so that three places in the hair go before the shirt that was chosen.
      expect(place).toBeLessThan(5);
      // What strikes comes off before anything else.
      const steps = recipeFor(plan!.candidate!, plan!.dress).steps.map(({ code }) => code);
      expect(steps.find((code) => !code.startsWith("help."))).toBe("step.ask");
    }
  });

  test("its busiest day: eight wireless links, a phone, a desk and a stream live together, every lead known, the list of what is missing worked by hand", async () => {
    await openDemoShoot(acting);
    const bundle = await loadShoot(acting, DEMO_SHOOT_ID);
    const air = airSceneOf(bundle);
    expect(air.faults.count).toBe(0);
    const plan = connectionsOf(bundle);
    const today = plan.connections.filter(({ times }) => times.length === 0 || times.some(({ day }) => day === 3));
    const systemOf = (id: string) => air.plan.systems.find((system) => system.id === id);
    expect(today.filter(({ link }) => systemOf(link.systemId)?.band === "uhf")).toHaveLength(8);
    expect(today.filter(({ link }) => systemOf(link.systemId)?.band === "ism24").map(({ inputId }) => inputId)).toEqual(
      ["phone"],
    );
    for (const { input, ways } of today)
      if (input) for (const { path } of ways) expect(["works", "worksIfSet"]).toContain(path?.verdict);
    const missing = needsOf(bundle, plan, air.plan.systems, 3).filter(
      (need) => need.group === "leads" && need.missing > 0,
    );
    // Camera hop all day beside the engineer or the singer: two three-pole leads and a spare, four are hired. Host and ecologist
    // at the same time need two leads to XLR and a spare, two are hired. Of the rest one each and a spare, none is in the bag.
    expect(Object.fromEntries(missing.map(({ key, needed, missing: lacks }) => [key, [needed, lacks]]))).toEqual({
      "lead-ctia": [1, 2],
      "trs35-xlr": [2, 1],
      "trs635-trs635": [1, 2],
      "rca-635": [1, 2],
    });
    const miller = boardOf(bundle).find((each) => each.wearer.id === MILLER)!;
    expect(miller.stitches.link).toBe("sewn");
  });

  test("every kind of way has its settings; the welder alone clips, at the pack, and a capsule of the kit cures it", async () => {
    const bundle = await loadShoot(acting, await openDemoShoot(acting));
    const subjects = levelsOf(bundle);
    const kinds = new Set(
      subjects.map(({ kind, source, input, levels, plan }) => {
        if (!plan) return "heard only";
        if (kind === "placed") return source ? "placed, on phantom power" : "own mics";
        if (source?.kind === "desk") return "desk at line";
        if (!levels?.way.radio) return plan.knobs[0]!.stageId.startsWith("part-") ? "interface into a phone" : "wired";
        return `radio into a ${input!.kind}`;
      }),
    );
    for (const kind of [
      "radio into a recorder",
      "radio into a phone",
      "radio into a computer",
      "radio into a mixer",
      "radio into a camera",
      "wired",
      "placed, on phantom power",
      "own mics",
      "desk at line",
      "interface into a phone",
    ])
      expect([...kinds]).toContain(kind);
    const computer = subjects.find(({ input }) => input?.kind === "computer")!;
    expect(computer.plan!.knobs.map(({ id }) => id)).toEqual(["sensitivity", "output", "boost", "system", "trim"]);
    for (const { cards, plan } of subjects) if (plan) expect(cards.length).toBeGreaterThan(0);
    const clipping = subjects.filter(({ plan }) => plan && !plan.isClean);
    expect(clipping.map(({ wearerId }) => wearerId)).toEqual([WELDER]);
    expect(clipping[0]!.plan!.advice.map(({ code }) => code)).toContain("chain.packOverloadsAtLowest");
    expect(capsuleCures(bundle, clipping[0]!)[0]).toMatchObject({ name: "omni lav, low sensitivity, 1.5 mV/Pa" });
  });

  test("only its own recordings are handed out", async () => {
    await expect(demoRecordingBytes("../../package.json")).rejects.toThrow("record.noRecording");
    expect((await demoRecordingBytes("engineer-quay.wav")).length).toBeGreaterThan(100_000);
  });
});

test("levels: what is held, ticked and aimed at comes back; a target above its ceiling and a pack turned round are refused", async () => {
  const shootId = await newShoot();
  const line: LevelLine = {
    subject: "house-desk",
    inputId: null,
    mic: { sensitivityMvPerPa: 14, selfNoiseDba: 16, maxSplDb: 135 },
    targets: { targetDbfs: -18, ceilingDbfs: -9 },
    held: [{ stage: "file", valueDb: 12 }],
    ticks: [{ device: "recorder", holdsFor: [{ control: "gain", value: "12" }], at: "2027-05-11T08:00:00Z" }],
    dynamics: { thresholdDbfs: -24, ratio: 3, kneeDb: 6, makeupDb: 4 },
  };
  const body: LevelsBody = { shootId, school: "threeQuarters", meterBottomDbfs: -60, lines: [line] };
  const id = randomUUID();
  await createRecord(acting, "levels", id, body);
  expect((await loadShoot(acting, shootId)).levels[0]!.body).toEqual(body);
  const above = { ...body, lines: [line, { ...line, targets: { targetDbfs: -3, ceilingDbfs: -9 } }] };
  await expect(changeTo(acting, "levels", id, above)).rejects.toMatchObject({
    code: "invalid",
    detail: { fields: [{ path: "lines.1.targets.targetDbfs" }] },
  });
  await expect(changeTo(acting, "levels", id, { ...body, school: "loudest" })).rejects.toMatchObject({
    code: "invalid",
  });
  const figures = { ...genericFigures("pack"), sensitivityMinDb: 10, sensitivityMaxDb: 0 };
  await expect(
    createRecord(acting, "kitItem", randomUUID(), { shootId: null, kind: "pack", name: "turned", figures }),
  ).rejects.toMatchObject({ detail: { fields: [{ path: "figures.sensitivityMinDb" }] } });
});

test("connections and packing: stored with what was rehearsed, nonsense refused, hired kit seen in its own shoot only", async () => {
  const [shootId, other] = [await newShoot(), await newShoot()];
  const setup = connectionsOf(await loadShoot(acting, DEMO_SHOOT_ID)).connections.find(
    ({ link }) => link.id === MILLER,
  )!.setup!;
  const body: ConnectionBody = {
    shootId,
    linkId: "hop",
    sourceId: "receiver",
    inputId: "recorder35",
    steps: [{ step: "reset", how: "rehearsed", at: "2027-05-11T07:40:00Z", holdsFor: "uhf-tuned" }],
    rehearsal: fromTheBag(setup),
    range: { distanceM: 12, bodies: "one", wallsDb: 3 },
  };
  const id = randomUUID();
  await createRecord(acting, "connection", id, body);
  const steps = [{ ...body.steps[0], step: "dance" }];
  await expect(changeTo(acting, "connection", id, { ...body, steps })).rejects.toMatchObject({
    code: "invalid",
  });
  const rehearsal = { ...body.rehearsal!, pack: { ...body.rehearsal!.pack!, batteryPercent: 400 } };
  await expect(changeTo(acting, "connection", id, { ...body, rehearsal })).rejects.toMatchObject({
    code: "invalid",
  });
  await createRecord(acting, "packing", randomUUID(), { shootId, lines: [{ key: "lav", packed: 2, isBack: false }] });
  await createRecord(acting, "provision", randomUUID(), { ...FIRST_PROVISION, shootId });
  const flat = { ...FIRST_PROVISION, shootId, packBattery: { ...FIRST_PROVISION.packBattery, milliampereHours: -1 } };
  await expect(createRecord(acting, "provision", randomUUID(), flat)).rejects.toMatchObject({ code: "invalid" });
  const hired = { shootId, kind: "stock", name: "lav", figures: { of: "lav", count: 3 } };
  await createRecord(acting, "kitItem", randomUUID(), hired);
  await expect(createRecord(acting, "kitItem", randomUUID(), { ...hired, kind: "extra" })).rejects.toMatchObject({
    code: "invalid",
  });
  const [mine, theirs] = [await loadShoot(acting, shootId), await loadShoot(acting, other)];
  expect(mine.connections.map((each) => each.body)).toEqual([body]);
  expect(mine.provisions.map((each) => each.body)).toEqual([{ ...FIRST_PROVISION, shootId }]);
  expect(mine.packings[0]!.body.lines).toEqual([{ key: "lav", packed: 2, isBack: false }]);
  const stock = (bundle: typeof mine) =>
    bundle.kit.filter((item) => item.body.kind === "stock" && item.body.shootId === shootId);
  expect([stock(mine).length, stock(theirs).length, theirs.connections.length]).toEqual([1, 0, 0]);
});

test("the air: stored with its scan, a frequency outside the region refused by name, and none of another shoot", async () => {
  const shootId = randomUUID();
  await createRecord(acting, "shoot", shootId, SHOOT);
  const scan = packScan(simulatedScan({ place: "quay", hour: 9, fromMHz: 500, toMHz: 600, stepKHz: 25, ownMHz: [] }));
  const body: AirBody = {
    ...FIRST_AIR_PLAN,
    shootId,
    scan,
    links: [newLink({ id: "hop", name: "Camera hop", frequencyMHz: 520 })],
  };
  const id = randomUUID();
  await createRecord(acting, "air", id, body);
  const { airs } = await loadShoot(acting, shootId);
  expect(airs.map((each) => each.body)).toEqual([body]);
  const outside = { ...body, links: [{ ...body.links[0]!, frequencyMHz: 800 }] };
  await expect(changeTo(acting, "air", id, outside)).rejects.toMatchObject({
    code: "invalid",
    says: expect.objectContaining({ code: "air.refusedLink", link: "Camera hop" }) as object,
  });
  await expect(changeTo(acting, "air", id, { ...body, systems: [] })).rejects.toMatchObject({ code: "invalid" });
  const elsewhere = { ...body, shootId: randomUUID() };
  await expect(createRecord(acting, "air", randomUUID(), elsewhere)).rejects.toBeInstanceOf(Fault);
});
