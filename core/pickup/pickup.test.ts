import fc from "fast-check";
import { usualSource } from "../noise";
import { CAR, LIVING_ROOM, type PlaceModel } from "../room";
import { fits } from "../schema";
import { A_WEIGHTING_DB, overallDb } from "../sound";
import { whatWouldBeat } from "./better";
import { CANDIDATE_IDS, FIRST_WISHES, micsOf } from "./candidateMics";
import { judgeMics, rankPickups } from "./candidates";
import { strongestCombing } from "./combing";
import { hearAll, type TalkerHeard } from "./heardByMics";
import { MICROPHONES, MICROPHONE_IDS, selfNoiseDb } from "./microphones";
import { placeSound } from "./placeSound";
import { addressFault, plosiveStep } from "./risks";
import { PickupSetup, type PickupWishes, type PlacedMic, type Talker } from "./pickupSetup";
import { aimAt, cosineBetween, degreesOf, direction } from "./space";

const GRANARY: PlaceModel = {
  ...LIVING_ROOM,
  lengthM: 9,
  widthM: 6,
  heightM: 3.6,
  floor: "woodFloor",
  ceiling: "woodFloor",
  walls: "stone",
  patches: [],
  noiseNc: 20,
};
const FIELD: PlaceModel = {
  ...LIVING_ROOM,
  setting: "open",
  lengthM: 40,
  widthM: 40,
  floor: "grass",
  patches: [],
  noiseNc: 35,
};
const DRY: PlaceModel = {
  ...LIVING_ROOM,
  floor: "carpetOnPad",
  walls: "heavyCurtain",
  ceiling: "ceilingTile",
  noiseNc: 20,
};

const TALKER: Talker = {
  id: "a",
  name: "A",
  wearerId: null,
  at: { xM: 4, yM: 3 },
  mouthM: 1.2,
  facesDeg: 90,
  turnsDeg: 0,
  effort: "normal",
  path: [],
  isInstrument: false,
};

const mic = (change: Partial<PlacedMic> = {}): PlacedMic => ({
  id: "m",
  microphone: "standCardioid",
  pattern: "cardioid",
  holder: "stand",
  at: { xM: 5, yM: 3 },
  heightM: 1.2,
  aimsDeg: 270,
  tiltDeg: 0,
  hasScreen: false,
  handsM: null,
  ...change,
});

function heard(place: PlaceModel, change: Partial<PlacedMic> = {}, talker: Partial<Talker> = {}): TalkerHeard {
  return hearAll([mic(change)], [{ ...TALKER, ...talker }], placeSound(place))[0]!.talkers[0]!;
}

/** So far in front of the talker. */
const inFront = (metres: number): Partial<PlacedMic> => ({ at: { xM: 4 + metres, yM: 3 } });

describe("space", () => {
  test("bearings and tilts there and back", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -179, max: 179, noNaN: true }),
        fc.double({ min: -85, max: 85, noNaN: true }),
        (bearing, tilt) => {
          const aim = aimAt([0, 0, 0], direction(bearing, tilt));
          expect(aim.bearingDeg).toBeCloseTo(bearing, 6);
          expect(aim.tiltDeg).toBeCloseTo(tilt, 6);
        },
      ),
    );
    expect(degreesOf(cosineBetween(direction(0), direction(90)))).toBeCloseTo(90, 9);
  });
});

describe("what a microphone gets", () => {
  test("in the open every doubling of the distance loses 6 dB of the voice (inverse square)", () => {
    const levels = [0.5, 1, 2, 4].map(
      (metres) => heard(FIELD, { ...inFront(metres), microphone: "tableOmni", pattern: "omni" }).levelDb,
    );
    for (let index = 1; index < 4; index += 1) expect(levels[index - 1]! - levels[index]!).toBeCloseTo(6.02, 1);
  });

  test("in a room the direct sound falls and the room takes over (common practice)", () => {
    const ratios = [0.3, 0.6, 1.2, 2.4].map((metres) => heard(GRANARY, inFront(metres)).directOverRoomDb);
    for (let index = 1; index < 4; index += 1) expect(ratios[index - 1]! - ratios[index]!).toBeCloseTo(6.02, 0);
    const stis = [0.3, 0.6, 1.2, 2.4].map((metres) => heard(GRANARY, inFront(metres)).sti);
    expect([...stis].sort((one, other) => other - one)).toEqual(stis);
    expect(heard(FIELD).c50Db).toBe(Infinity);
  });

  test("a cardioid turned round gets the room instead of the voice, and says so (common practice)", () => {
    const [right, wrong] = [heard(GRANARY), heard(GRANARY, { aimsDeg: 90 })];
    expect(right.directOverRoomDb - wrong.directOverRoomDb).toBeGreaterThan(15);
    expect(wrong.sti).toBeLessThan(right.sti - 0.2);
    expect(right.addressFault).toBeNull();
    expect(wrong.addressFault).toMatchObject({ code: "address.pastMouth", offDeg: 180 });
  });

  test("the noise at a cardioid's back is rejected (common practice)", () => {
    const noisy: PlaceModel = {
      ...FIELD,
      noiseNc: 15,
      sources: [usualSource("g", "generator", { distanceM: 15, bearingDeg: 90 })],
    };
    // The talker looks east, the generator stands east: the microphone looks west, its back to it.
    const facing = heard(noisy, { aimsDeg: 270 });
    const beside = heard(noisy, { pattern: "omni" });
    expect(beside.noiseDb - facing.noiseDb).toBeGreaterThan(10);
  });

  test("60 cm is tolerable in a living room, a camera mic at 1.5 m in a granary is roomy (common practice)", () => {
    expect(heard(LIVING_ROOM, inFront(0.6)).sti).toBeGreaterThan(0.75);
    const camera = judgeMics(
      "camera",
      "camera",
      micsOf("camera", [TALKER], FIRST_WISHES),
      [TALKER],
      placeSound(GRANARY),
    );
    expect(camera.best[0]!.heard.directOverRoomDb).toBeLessThan(3);
    expect(camera.worstSti).toBeLessThan(0.7);
  });

  test("an omni hardly minds where it looks; a gun minds most at 4 kHz (common practice)", () => {
    const turnBy = (change: Partial<PlacedMic>, band: number) =>
      heard(FIELD, change).octavesDb[band]! - heard(FIELD, { ...change, aimsDeg: 180 }).octavesDb[band]!;
    expect(turnBy({ microphone: "tableOmni", pattern: "omni" }, 5)).toBeCloseTo(0, 6);
    const gun: Partial<PlacedMic> = { microphone: "longGun", pattern: "hypercardioid" };
    expect(turnBy(gun, 5)).toBeGreaterThan(turnBy(gun, 1) + 6);
  });

  test("a talker who walks or turns away swings; who stays does not", () => {
    expect(heard(FIELD).swingDb).toBe(0);
    expect(heard(FIELD, {}, { turnsDeg: 90 }).swingDb).toBeGreaterThan(2);
    expect(heard(FIELD, {}, { path: [{ xM: 3, yM: 3 }] }).swingDb).toBeCloseTo(6.02, 1);
  });

  test("absorption never makes it less clear, echo never clearer (property)", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.15, max: 3, noNaN: true }), fc.integer({ min: 1, max: 30 }), (metres, people) => {
        const bare = heard(GRANARY, inFront(metres));
        const full = heard({ ...GRANARY, furnishings: [{ kind: "personSeated", count: people }] }, inFront(metres));
        expect(full.sti).toBeGreaterThanOrEqual(bare.sti - 1e-9);
        expect(full.directOverRoomDb).toBeGreaterThan(bare.directOverRoomDb);
      }),
      { numRuns: 60 },
    );
  });

  test("two microphones at two talkers hear each other less the nearer they are", () => {
    const other: Talker = { ...TALKER, id: "b", at: { xM: 4, yM: 4.2 } };
    const separation = (metres: number) =>
      hearAll([mic(inFront(metres))], [TALKER, other], placeSound(DRY))[0]!.separationDb;
    expect(separation(0.2)).toBeGreaterThan(separation(0.8) + 6);
    expect(hearAll([mic()], [TALKER], placeSound(DRY))[0]!.separationDb).toBe(Infinity);
    expect(hearAll([mic()], [], placeSound(DRY))[0]).toMatchObject({ talkers: [], mainTalkerId: null });
  });

  test("a microphone's own noise sums to its figure", () => {
    for (const id of MICROPHONE_IDS) {
      const weighted = selfNoiseDb(id).map((levelDb, band) => levelDb + A_WEIGHTING_DB[band]!);
      expect(overallDb(weighted as never)).toBeCloseTo(MICROPHONES[id].selfNoiseDba, 6);
    }
  });

  test("a source on top of a microphone, or a mouth on the grille, gives finite figures", () => {
    const sources = [usualSource("f", "fridge", { distanceM: 0.2, bearingDeg: 0 })];
    const place = { ...GRANARY, sources };
    const onSource = heard(place, { at: { xM: 4.5, yM: 3.2 }, heightM: 1.2 });
    const onMouth = heard(place, { at: TALKER.at });
    for (const each of [onSource, onMouth])
      expect([each.levelDb, each.noiseDb, each.sti, each.proximityDb].every(Number.isFinite)).toBe(true);
  });
});

test("a noise on top of a microphone is said, with what to do", () => {
  const place = { ...GRANARY, sources: [usualSource("f", "fridge", { distanceM: 0.5, bearingDeg: 0 })] };
  const near = judgeMics("own", "own", [mic({ at: { xM: 4.5, yM: 3.4 }, aimsDeg: 230 })], [TALKER], placeSound(place));
  expect(near.deductions.map(({ says }) => says.code)).toContain("against.noiseNear");
  const far = judgeMics("own", "own", [mic({ at: { xM: 4.5, yM: 1 } })], [TALKER], placeSound(place));
  expect(far.deductions.some(({ says }) => says.code === "against.noiseNear")).toBe(false);
});

test("a microphone that can be set says which pattern would serve better", () => {
  const noisy: PlaceModel = { ...FIELD, sources: [usualSource("g", "generator", { distanceM: 10, bearingDeg: 90 })] };
  const omni = judgeMics("own", "own", [mic({ microphone: "studio", pattern: "omni" })], [TALKER], placeSound(noisy));
  const codes = whatWouldBeat(omni, [TALKER], noisy).map((each) => each.says.code);
  expect(codes).toContain("better.pattern");
  const fixed = judgeMics("own", "own", [mic()], [TALKER], placeSound(noisy));
  expect(whatWouldBeat(fixed, [TALKER], noisy).map((each) => each.says.code)).not.toContain("better.pattern");
});

describe("breath", () => {
  test("the jet misses what stands 45° beside, reaches what stands before it (common practice)", () => {
    const near = { pattern: "cardioid" as const, hasScreen: false };
    expect(plosiveStep(near, 0, 0.08)).toBe(3);
    expect(plosiveStep(near, 45, 0.08)).toBe(0);
    expect(plosiveStep(near, 0, 0.5)).toBe(0);
    expect(plosiveStep({ ...near, hasScreen: true }, 0, 0.15)).toBeLessThan(plosiveStep(near, 0, 0.15));
    expect(plosiveStep({ ...near, pattern: "omni" }, 0, 0.15)).toBeLessThan(plosiveStep(near, 0, 0.15));
  });

  test("nearer is never safer, and more aside never riskier (property)", () => {
    const angle = fc.double({ min: 0, max: 90, noNaN: true });
    const metres = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(angle, angle, metres, metres, (one, other, near, far) => {
        const at = (deg: number, distanceM: number) =>
          plosiveStep({ pattern: "cardioid", hasScreen: false }, deg, distanceM);
        expect(at(one, Math.min(near, far))).toBeGreaterThanOrEqual(at(one, Math.max(near, far)));
        expect(at(Math.max(one, other), near)).toBeLessThanOrEqual(at(Math.min(one, other), near));
      }),
    );
  });
});

describe("reflections", () => {
  const FLOOR = { name: "table", normal: [0, 0, 1] as const, offset: 0, sendsBack: 1 };

  test("a table's first notch is at half over the delay (image method, by hand)", () => {
    // Mouth and microphone 0.4 m up and 0.6 m apart: 1.0 m by way of the table, 0.4 m longer.
    const combing = strongestCombing([0, 0, 0.4], [0.6, 0, 0.4], [FLOOR], () => 1, 343.2)!;
    expect(combing.delayMs).toBeCloseTo((1000 * 0.4) / 343.2, 2);
    expect(combing.notchHz).toBeCloseTo(343.2 / 0.8, 0);
    expect(combing.relativeDb).toBeCloseTo(20 * Math.log10(0.6 / 1), 1);
    expect(combing.rippleDb).toBeCloseTo(20 * Math.log10(1.6 / 0.4), 1);
  });

  test("a reflection so soon that its first notch lies beyond hearing is no colour (16 kHz, common practice)", () => {
    for (let heightM = 0.001; heightM < 0.4; heightM += 0.003) {
      const combing = strongestCombing([0, 0, 0.4], [0.6, 0, heightM], [FLOOR], () => 1, 343.2);
      if (combing) expect(combing.notchHz).toBeLessThanOrEqual(16_000);
    }
    expect(strongestCombing([0, 0, 0.4], [0.6, 0, 0.001], [FLOOR], () => 1, 343.2)).toBeNull();
  });

  test("lying on the table moves the notch out of the voice; cloth on it takes the ripple away", () => {
    const near = strongestCombing([0, 0, 0.4], [0.6, 0, 0.01], [FLOOR], () => 1, 343.2)!;
    expect(near.notchHz).toBeGreaterThan(8000);
    const soft = strongestCombing([0, 0, 0.4], [0.6, 0, 0.4], [{ ...FLOOR, sendsBack: 0.1 }], () => 1, 343.2)!;
    expect(soft.rippleDb).toBeLessThan(4);
    expect(strongestCombing([0, 0, 0.4], [0.6, 0, 0.4], [], () => 1, 343.2)).toBeNull();
    expect(strongestCombing([0, 0, 40], [0.6, 0, 40], [FLOOR], () => 1, 343.2)).toBeNull();
  });

  test("a wall behind the talker colours more than one far away", () => {
    const ripple = (xM: number) =>
      heard(GRANARY, { at: { xM: xM + 1, yM: 3 }, pattern: "omni" }, { at: { xM, yM: 3 }, facesDeg: 90 }).combing!;
    expect(ripple(0.3).rippleDb).toBeGreaterThan(0);
    expect(ripple(0.3).notchHz).toBeGreaterThan(50);
  });
});

describe("candidates", () => {
  const rank = (place: PlaceModel, wishes: Partial<PickupWishes> = {}, talkers: Talker[] = [TALKER]) =>
    rankPickups(talkers, placeSound(place), { ...FIRST_WISHES, ...wishes });
  const points = (place: PlaceModel, id: string, wishes: Partial<PickupWishes> = {}) =>
    rank(place, wishes).find((each) => each.id === id)!.points;

  test("every candidate stands where the schema allows, aimed at the mouth", () => {
    const talkers = [
      TALKER,
      { ...TALKER, id: "b", at: { xM: 5, yM: 3 }, facesDeg: 270 },
      { ...TALKER, id: "i", isInstrument: true },
    ];
    for (const id of CANDIDATE_IDS) {
      const mics = micsOf(id, talkers, FIRST_WISHES);
      expect(mics.length).toBeGreaterThan(0);
      expect(fits(PickupSetup, { talkers, mics })).toBe(true);
      const [first] = hearAll(mics, talkers, placeSound(GRANARY));
      const aimedAt = Math.min(...first!.talkers.map(({ offMicDeg }) => offMicDeg));
      expect(aimedAt).toBeLessThan(1);
    }
  });

  test("indoors with echo the small hypercardioid beats the gun, in the open the gun wins (schools; decided by the figures)", () => {
    expect(points(GRANARY, "overheadHyper")).toBeGreaterThan(points(GRANARY, "overheadGun"));
    expect(points(FIELD, "overheadGun")).toBeGreaterThan(points(FIELD, "overheadHyper"));
    expect(rank(GRANARY, { overhead: "gun" }).find(({ id }) => id === "overheadHyper")!.ruledOut!.code).toBe(
      "out.schoolGun",
    );
  });

  test("near ones beat far ones, and the camera mic is never the best (common practice)", () => {
    for (const place of [GRANARY, LIVING_ROOM, FIELD, CAR]) {
      const order = rank(place, { mayBeSeen: true }).map(({ id }) => id);
      expect(order.indexOf("desk20")).toBeLessThan(order.indexOf("desk60"));
      expect(order[0]).not.toBe("camera");
    }
  });

  test("what may not be seen, has no table or no instrument is out with the reason, and last", () => {
    const hidden = rank(GRANARY);
    expect(hidden.find(({ id }) => id === "hand")!.ruledOut!.code).toBe("out.inPicture");
    expect(hidden[0]!.ruledOut).toBeNull();
    expect(hidden.at(-1)!.ruledOut).not.toBeNull();
    const standing = rank(GRANARY, { mayBeSeen: true, hasTable: false });
    expect(standing.find(({ id }) => id === "desk30")!.ruledOut!.code).toBe("out.noTable");
    expect(standing.find(({ id }) => id === "recorderPair")!.ruledOut!.code).toBe("out.noInstrument");
  });

  test("an omni in the middle serves three round a table, on one track; a closer shot lets the boom nearer", () => {
    const three = [0, 120, 240].map((bearing, index): Talker => {
      const [x, y] = direction(bearing);
      return { ...TALKER, id: String(index), at: { xM: 4 + x * 0.7, yM: 3 + y * 0.7 }, facesDeg: bearing + 180 };
    });
    const table = rank(DRY, { mayBeSeen: true }, three).find(({ id }) => id === "tableOmni")!;
    expect(table.ruledOut).toBeNull();
    const levels = table.heard[0]!.talkers.map(({ levelDb }) => levelDb);
    expect(Math.max(...levels) - Math.min(...levels)).toBeLessThan(0.5);
    expect(table.deductions.map(({ says }) => says.code)).toContain("against.oneTrack");
    expect(points(GRANARY, "overheadHyper", { shot: "close" })).toBeGreaterThan(
      points(GRANARY, "overheadHyper", { shot: "wide" }),
    );
  });

  test("points are the clarity of the worst served less what is held against it", () => {
    for (const each of rank(GRANARY, { mayBeSeen: true })) {
      const sum = each.deductions.reduce((total, { points: taken }) => total + taken, 0);
      expect(each.points).toBeCloseTo(100 * each.worstSti - sum, 9);
    }
  });

  test("nobody to record: nothing to judge", () => {
    expect(rank(GRANARY, {}, []).every(({ mics }) => mics.length === 0)).toBe(true);
  });
});

describe("what would beat it", () => {
  test("nearer, turned and a rug in a granary; nothing where it is as good as it gets", () => {
    const place = placeSound(GRANARY);
    const turnedAway = judgeMics("own", "own", [mic({ aimsDeg: 180 })], [TALKER], place);
    const codes = whatWouldBeat(turnedAway, [TALKER], GRANARY).map((each) => each.says.code);
    expect(codes).toEqual(expect.arrayContaining(["better.turned", "better.nearer", "better.treated"]));
    const close = judgeMics(
      "own",
      "own",
      [mic({ ...inFront(0.4), at: { xM: 4.3, yM: 3.25 }, aimsDeg: 230 })],
      [TALKER],
      placeSound(DRY),
    );
    expect(whatWouldBeat(close, [TALKER], DRY).every(({ pointsGain }) => pointsGain < 5)).toBe(true);
    expect(whatWouldBeat(judgeMics("own", "own", [], [], place), [], GRANARY)).toEqual([]);
  });

  test("a pop screen helps where the breath hits, and nowhere else", () => {
    const place = placeSound(DRY);
    const codes = (change: Partial<PlacedMic>) =>
      whatWouldBeat(judgeMics("own", "own", [mic(change)], [TALKER], place), [TALKER], DRY).map(
        (each) => each.says.code,
      );
    expect(codes(inFront(0.1))).toContain("better.popScreen");
    expect(codes(inFront(1))).not.toContain("better.popScreen");
  });
});

test("side-address microphones say which side is the front; a figure-eight has two (common practice)", () => {
  expect(addressFault({ microphone: "studio", pattern: "cardioid" }, 90)).toMatchObject({ code: "address.side" });
  expect(addressFault({ microphone: "studio", pattern: "figureEight" }, 175)).toBeNull();
  expect(addressFault({ microphone: "studio", pattern: "omni" }, 180)).toBeNull();
});
