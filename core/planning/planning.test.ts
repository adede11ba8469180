import { DEMO_LOG } from "../../demo/log";
import {
  type Consent,
  emptyShoot,
  type MeasurementBody,
  newScene,
  type PlaceBody,
  type RecordBodies,
  type RigBody,
  rigsOfWearer,
  type ShootBundle,
  type Stored,
} from "../records";
import { GENERIC_DEVICES } from "../devices";
import { overallDb } from "../sound";
import { LIVING_ROOM, type PlaceModel } from "../room";
import { boardOf, nextActions } from "../board";
import { type Choice, choiceOf, costAt, planDress, usualLayer } from "../dress";
import { dayPlan, daysOf } from "./dayPlan";
import { carryFromBefore } from "./rigHistory";
import { FIRST_OUTFIT, newRig, UNASKED } from "./newRig";
import { levelsOfRig } from "./levels";
import { consentedTo, devicesOfRig, planRig } from "./planRig";
import { minutesOfDay, timeOfDay } from "../schedule";
import { stored, TEST_SHOOT, testWearer } from "../../fixtures/testShoot";

const ROOM: PlaceModel = {
  ...LIVING_ROOM,
  floor: "carpetOnPad",
  patches: [{ surface: "north", material: "mediumCurtain", areaM2: 8 }],
  noiseNc: 20,
};

const RIG = newRig({ shootId: "s", wearerId: "w", sceneId: "c" });
const AT_FRONT: Choice = { site: "placket", surface: "outside", layer: 0, mount: "clip", port: "up" };
const YES: Consent = { ...UNASKED, answer: "yes", isExplained: true };
const NO: Consent = { ...UNASKED, answer: "no" };

const PROOF: MeasurementBody = {
  shootId: "s",
  rigId: "r",
  channel: 0,
  file: {
    name: "a.wav",
    hash: null,
    sizeBytes: null,
    timeReference: null,
    format: { container: "WAV", sampleRateHz: 48000, bitsPerSample: 24, encoding: "pcm", channels: 1, durationS: 5 },
  },
  measured: { peakDbfs: -12, speechDbfs: -27, noiseDbfs: -60, snrDb: 33, pitchHz: null },
  planned: { peakDbfs: -12, speechDbfs: -27, noiseDbfs: -60, snrDb: 33 },
  grade: "good",
  said: { worst: null, correction: { byDb: null, isAtLeast: false, turns: [], advice: null }, redress: null },
};

const SAID = {
  ...{ worst: null, correction: { byDb: null, isAtLeast: false, turns: [], advice: null }, redress: null },
};

function bundle(
  rig: Partial<RigBody> = {},
  proofs: Stored<"measurement">[] = [],
  own: Partial<ShootBundle> = {},
): ShootBundle {
  return {
    ...emptyShoot(stored<"shoot">("s", TEST_SHOOT)),
    places: [stored<"place">("p", { shootId: "s", name: "Room", model: ROOM })],
    scenes: [stored<"scene">("c", newScene("s", { placeId: "p" }))],
    wearers: [stored<"wearer">("w", testWearer("W"))],
    rigs: [stored<"rig">("r", { ...RIG, ...rig })],
    measurements: proofs,
    ...own,
  };
}

const stitchesOf = (each: ShootBundle) => boardOf(each)[0]!.stitches;
const proofAt = (grade: MeasurementBody["grade"], changedAt: string) =>
  stored<"measurement">(
    changedAt,
    { ...PROOF, grade, said: { ...SAID, worst: grade === "good" ? null : "clipped" } },
    changedAt,
  );

describe("stitches", () => {
  test("nothing chosen is loose, chosen is basted, rigged is sewn", () => {
    expect(stitchesOf(bundle()).dress).toBe("loose");
    expect(stitchesOf(bundle({ choice: AT_FRONT }))).toMatchObject({
      dress: "basted",
      level: "basted",
      check: "loose",
    });
    expect(stitchesOf(bundle({ choice: AT_FRONT, isRigged: true, consent: YES })).dress).toBe("sewn");
  });

  test("a place that the outfit no longer has is unpicked, and so is a no", () => {
    expect(stitchesOf(bundle({ choice: { ...AT_FRONT, site: "tieKnot" } })).dress).toBe("unpicked");
    expect(stitchesOf(bundle({ choice: AT_FRONT, consent: NO })).dress).toBe("unpicked");
  });

  test("a day that was handed over is sewn, in part basted, with files that differ unpicked", () => {
    const rig = { choice: AT_FRONT };
    const roll = (id: string, rating: "good" | "noGood") =>
      stored<"roll">(id, { ...DEMO_LOG.rolls[0]!.body, day: 1, sceneId: "c", rating, type: "take" });
    const rolls = [roll("a", "good"), roll("b", "good"), roll("d", "noGood")];
    const delivered = (takes: number, faults: number, day = 1) => ({
      rolls,
      deliveries: [
        stored<"delivery">("x", {
          ...{ shootId: "s", day, at: "2027-05-11T18:00:00.000Z", folder: "Day 1", takes, files: 9, bytes: 1, faults },
          manifest: "0".repeat(64),
        }),
      ],
    });
    const handover = (own: Partial<ShootBundle>) => stitchesOf(bundle(rig, [], own)).handover;
    expect(handover({ rolls })).toBe("loose");
    expect(handover(delivered(2, 0))).toBe("sewn");
    expect(handover(delivered(1, 0))).toBe("basted");
    expect(handover(delivered(2, 1))).toBe("unpicked");
    expect(handover(delivered(2, 0, 2))).toBe("loose");
    const risks = boardOf(bundle(rig, [], delivered(2, 1)))[0]!.risks.map(({ says }) => says.code);
    expect(risks).toContain("board.deliveryDiffers");
  });

  test("the newest recording decides Level and Check", () => {
    const rig = { choice: AT_FRONT };
    const bad = proofAt("redo", "2027-05-11T10:00:00Z");
    const good = proofAt("good", "2027-05-11T11:00:00Z");
    expect(stitchesOf(bundle(rig, [bad]))).toMatchObject({ level: "unpicked", check: "unpicked" });
    expect(stitchesOf(bundle(rig, [good, bad]))).toMatchObject({ level: "sewn", check: "sewn" });
    expect(stitchesOf(bundle(rig, [proofAt("usable", "2027-05-11T12:00:00Z"), bad])).check).toBe("sewn");
  });

  test("another place that a take asks for is a risk of the day, until a better take", () => {
    const rig = { choice: AT_FRONT };
    const rustly = proofAt("usable", "2027-05-11T10:00:00Z");
    const redress = {
      ...{ kind: "rustle" as const, times: 14, durationS: 180, from: "Lapel" },
      ...{ siteId: "tieKnot", to: "Tie knot", rank: 2 },
    };
    const asks = { ...rustly, body: { ...rustly.body, said: { ...SAID, redress } } };
    const says = (proofs: Stored<"measurement">[]) => boardOf(bundle(rig, proofs))[0]!.risks.map((each) => each.says);
    expect(says([asks])).toContainEqual({ code: "proof.redress", ...redress });
    const after = says([asks, proofAt("good", "2027-05-11T11:00:00Z")]);
    expect(after.map(({ code }) => code)).not.toContain("proof.redress");
  });

  test("Scout is basted only where the scene has a place", () => {
    expect(stitchesOf(bundle()).scout).toBe("basted");
    const homeless = bundle({}, [], {
      scenes: [stored<"scene">("c", newScene("s"))],
    });
    expect(stitchesOf(homeless).scout).toBe("loose");
  });
});

describe("risks", () => {
  test("a recording to redo is the worst of the day and says what to do", () => {
    const rows = boardOf(bundle({ choice: AT_FRONT }, [proofAt("redo", "2027-05-11T10:00:00Z")]));
    expect(nextActions(rows.flatMap(({ risks }) => risks))[0]).toMatchObject({
      station: "check",
      says: { code: "proof.verdict", worst: "clipped" },
      doThis: { code: "kind.advice", kind: "clipped" },
    });
  });

  test("permission not asked is named once a place is chosen, a refusal before anything planned", () => {
    const codes = (rig: Partial<RigBody>) => boardOf(bundle(rig))[0]!.risks.map((risk) => risk.says.code);
    expect(codes({ choice: AT_FRONT })).toContain("board.notAsked");
    expect(
      nextActions(boardOf(bundle({ choice: AT_FRONT, consent: NO })).flatMap(({ risks }) => risks))[0]!.says,
    ).toEqual({
      code: "board.saidNo",
    });
  });

  test("an empty board has no risk", () => {
    expect(nextActions(boardOf(bundle({}, [], { wearers: [] })).flatMap(({ risks }) => risks))).toEqual([]);
  });
});

describe("planRig follows one line from outfit to file", () => {
  const wearer = bundle().wearers[0]!.body;
  const place = bundle().places[0]!.body;

  test("without a choice the best place is planned, with one that place", () => {
    const open = planRig(wearer, RIG, place, []);
    expect(open.isChosen).toBe(false);
    expect(open.candidate).toBe(open.dress.places[0]!.best);
    const collar: Choice = { site: "collarLeft", surface: "inside", layer: 0, mount: "triangles", port: "down" };
    const chosen = planRig(wearer, { ...RIG, choice: collar }, place, []);
    expect(chosen.candidate!.site.id).toBe("collarLeft");
    expect(overallDb(chosen.sound!.voicesDb.normal)).toBeGreaterThan(overallDb(open.sound!.voicesDb.normal));
  });

  test("moved weights give the very plan that planning anew gives, and an edit after it plans anew", () => {
    const moved = { ...RIG, aims: { ...RIG.aims, weights: { ...RIG.aims.weights, ease: 0, steady: 10 } } };
    planRig(wearer, RIG, place, []);
    const kit: ShootBundle["kit"] = [];
    const before = planRig(wearer, RIG, place, kit);
    const reweighed = planRig(wearer, moved, place, kit).dress;
    const anew = planDress(reweighed.facts.input);
    const order = ({ places }: typeof anew) => places.map(({ best }) => [choiceOf(best), best.points.toFixed(6)]);
    expect(order(reweighed)).toEqual(order(anew));
    expect(order(reweighed)).not.toEqual(order(before.dress));
    const walking = { ...moved, performance: { ...moved.performance, action: "walking" as const } };
    expect(order(planRig(wearer, walking, place, kit).dress)).toEqual(
      order(planDress(planRig(wearer, walking, place, kit).dress.facts.input)),
    );
    expect(planRig(wearer, RIG, place, kit)).toBe(before);
  });

  const levels = (rig: RigBody, at: PlaceBody = place) =>
    levelsOfRig(bundle(rig, [], { places: [stored<"place">("p", at)] }), "r")!.plan!;

  test("a louder scene turns the pack down", () => {
    const soft = levels(RIG);
    const shouted = levels({ ...RIG, performance: { ...RIG.performance, loudest: "shout" } });
    expect(shouted.knobs[0]!.id).toBe("sensitivity");
    expect(shouted.knobs[0]!.valueDb).toBeLessThan(soft.knobs[0]!.valueDb);
    expect(shouted.peakDbfs).toBeGreaterThan(-13.01);
  });

  test("a noisier place is less voice over noise; wind counts in the open alone", () => {
    const loudPlace = { ...place, model: { ...ROOM, noiseNc: 50 as const } };
    expect(levels(RIG, loudPlace).snrDb).toBeLessThan(levels(RIG).snrDb - 15);
    const windy = { ...place, model: { ...ROOM, windMps: 9 } };
    expect(planRig(wearer, RIG, windy, []).dress.facts.windMps).toBe(0);
    const quay = { ...place, model: { ...ROOM, setting: "open" as const, windMps: 9 } };
    const { places } = planRig(wearer, RIG, quay, []).dress;
    expect(Math.max(...places.map(({ best }) => costAt(best, "weather")))).toBeGreaterThan(0.5);
    expect(places[0]!.best.windCover).toBe("fur");
  });

  test("all-soft and all-loud scenes take their own effort for the usual voice", () => {
    const whispered = {
      ...RIG,
      performance: { ...RIG.performance, softest: "whisper" as const, loudest: "soft" as const },
    };
    const shouted = {
      ...RIG,
      performance: { ...RIG.performance, softest: "loud" as const, loudest: "shout" as const },
    };
    const quiet = planRig(wearer, whispered, place, []).sound!;
    expect(quiet.usual).toBe(quiet.loudest);
    const loud = planRig(wearer, shouted, place, []).sound!;
    expect(loud.usual).toBe(loud.softest);
  });

  test("the kit's own figures win over the generic ones, the chosen device over the first", () => {
    const [lav] = GENERIC_DEVICES.filter((device) => device.kind === "lav");
    const kit = [1, 2].map((number) =>
      stored<"kitItem">(`lav-${number}`, {
        shootId: null,
        kind: "lav",
        name: `lav ${number}`,
        figures: { ...(lav!.figures as object), sensitivityMvPerPa: number } as RecordBodies["kitItem"]["figures"],
      }),
    );
    expect(devicesOfRig(kit, RIG).lav.sensitivityMvPerPa).toBe(1);
    expect(devicesOfRig(kit, { ...RIG, lavId: "lav-2" }).lav.sensitivityMvPerPa).toBe(2);
    expect(devicesOfRig([], RIG).lav.sensitivityMvPerPa).toBe(6);
  });
});

describe("scenes of a day", () => {
  const scene = (id: string, startsAt: string, day = 1, placeId: string | null = "p") =>
    stored<"scene">(id, newScene("s", { title: id, placeId, day, startsAt }));
  const inScene = (id: string, sceneId: string, own: Partial<RigBody> = {}, wearerId = "w") =>
    stored<"rig">(id, { ...RIG, sceneId, wearerId, choice: AT_FRONT, ...own });
  const quay = stored<"place">("q", {
    shootId: "s",
    name: "Quay",
    model: { ...ROOM, setting: "open", windMps: 8 },
  });
  const two = (second: Partial<RigBody> = {}, placeId = "p") =>
    bundle({}, [], {
      places: [...bundle().places, quay],
      scenes: [scene("late", "15:00", 1, placeId), scene("early", "09:30")],
      rigs: [inScene("r2", "late", second), inScene("r1", "early")],
    });

  test("are put in order of day and time, whatever order they were made in", () => {
    expect(rigsOfWearer(two(), "w").map((rig) => rig.id)).toEqual(["r1", "r2"]);
    expect(boardOf(two()).map((row) => row.scene?.id)).toEqual(["early", "late"]);
    expect(daysOf(bundle({}, [], { scenes: [scene("b", "08:00", 3), scene("a", "09:00", 1)] }))).toEqual([1, 3]);
    expect([minutesOfDay("09:30"), timeOfDay(570), timeOfDay(-10), timeOfDay(1450)]).toEqual([
      570,
      "09:30",
      "23:50",
      "00:10",
    ]);
  });

  test("a rig carries over when nothing that matters changed, and is only looked after", () => {
    const [, late] = rigsOfWearer(two(), "w");
    expect(carryFromBefore(two(), late!)).toEqual({ carries: true, changes: [] });
    const calls = dayPlan(two(), 1).scenes.map(({ calls: [call] }) => call!);
    expect(calls[1]!.minutes).toBeLessThan(calls[0]!.minutes);
  });

  test("an added scarf, another place's wind, and a new jacket are flagged", () => {
    const changesOf = (each: ShootBundle) => carryFromBefore(each, rigsOfWearer(each, "w")[1]!)!.changes;
    expect(changesOf(two({ outfit: { ...FIRST_OUTFIT, accessories: ["scarf"] } }))).toContainEqual({
      ...{ code: "carry.accessoryAdded", accessory: "scarf" },
    });
    expect(changesOf(two({}, "q"))).toContainEqual({ code: "carry.windUp", fromMps: 0, toMps: 8 });
    expect(
      changesOf(two({ outfit: { layers: [...FIRST_OUTFIT.layers, usualLayer("blazer")], accessories: [] } })),
    ).toContainEqual({ code: "carry.garmentNew", garment: "jacket with lapels" });
    expect(changesOf(two({ choice: { ...AT_FRONT, port: "down" } }))).toContainEqual({ code: "carry.otherPlace" });
    expect(changesOf(two({ performance: { ...RIG.performance, sweats: true } }))).toContainEqual({
      ...{ code: "carry.performance", field: "sweats" },
    });
    const row = boardOf(two({ isRigged: true, consent: YES, outfit: { ...FIRST_OUTFIT, accessories: ["scarf"] } }))[1]!;
    expect(row.risks.map((risk) => risk.says)).toContainEqual({
      ...{ code: "board.changed", changes: [{ code: "carry.accessoryAdded", accessory: "scarf" }] },
    });
  });

  test("call times run backwards from the scene: nobody overlaps, the last is ready ten minutes before", () => {
    const wearers = ["w", "v", "u"].map((id) => stored<"wearer">(id, bundle().wearers[0]!.body));
    const group = bundle({}, [], {
      wearers,
      scenes: [scene("c", "09:00")],
      rigs: wearers.map((wearer) => inScene(`r${wearer.id}`, "c", {}, wearer.id)),
    });
    const [{ calls }] = dayPlan(group, 1).scenes as [ReturnType<typeof dayPlan>["scenes"][number]];
    expect(calls).toHaveLength(3);
    expect(calls.at(-1)!.readyAt).toBe("08:50");
    calls.slice(1).forEach((call, index) => expect(call.callAt).toBe(calls[index]!.readyAt));
    for (const call of calls)
      expect(minutesOfDay(call.readyAt) - minutesOfDay(call.callAt)).toBeCloseTo(call.minutes, -0.5);
  });

  test("totals count what is used up once per rigging, and a mic per person", () => {
    const { totals } = dayPlan(two(), 1);
    expect(totals.mics).toBe(1);
    expect(totals.colours).toEqual({ black: 0, white: 1, beige: 0 });
    expect(totals.supplies.find(({ supply }) => supply === "clip")).toEqual({ supply: "clip", amount: 1 });
    const changed = dayPlan(two({ outfit: { ...FIRST_OUTFIT, accessories: ["scarf"] } }), 1).totals;
    expect(changed.supplies.find(({ supply }) => supply === "clip")?.amount).toBe(2);
    expect(changed.minutes).toBeGreaterThan(totals.minutes);
  });

  test("a no plans for the outside only; what was agreed bounds a yes", () => {
    expect(consentedTo(NO)).toBe(0);
    expect(consentedTo({ ...YES, agreedTo: 1 })).toBe(1);
    const codes = (rig: Partial<RigBody>) => boardOf(bundle(rig))[0]!.risks.map((risk) => risk.says.code);
    const onSkin: Choice = { site: "breastbone", surface: "skin", layer: null, mount: "medical", port: "up" };
    expect(codes({ choice: onSkin, consent: { ...YES, agreedTo: 1 } })).toContain("board.beyondConsent");
  });
});
