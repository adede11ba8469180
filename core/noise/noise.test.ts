import { REMEDY_WORDS } from "../../messages";
import fc from "fast-check";
import { aWeightedDb, mapOctaves, type OctaveLevels, OCTAVES_HZ } from "../sound";
import { forecastPlace, LIVING_ROOM, type PlaceModel } from "../room";
import { fits } from "../schema";
import { sine, whiteNoise } from "../../fixtures/testSignals";
import { BARRIERS, BARRIER_IDS, SHUT } from "./barriers";
import { LISTENING, LISTENING_S, promptAt } from "./listening";
import { NoiseSource, usualSource } from "./noiseSource";
import { sourceName } from "./sourceTraits";
import { rankRemedies, remedyLossDb, SILENCE_DB, sourceDb, sumSpectra, toUndo, treatedDb } from "./placeNoise";
import { REMEDY_ROWS } from "./remedies";
import { analyseTone } from "./roomTone";
import { REMEDIES, SOURCE_KINDS, SOURCE_KIND_IDS } from "./sourceKinds";

const QUIET: OctaveLevels = [25, 22, 20, 18, 16, 14, 12];
const dbaOf = (source: NoiseSource) => aWeightedDb(sourceDb(source));

describe("sources", () => {
  test("every kind is a source that may be stored, with remedies that are known", () => {
    for (const kind of SOURCE_KIND_IDS) {
      expect(fits(NoiseSource, usualSource("a", kind))).toBe(true);
      expect(SOURCE_KINDS[kind].remedies.length).toBeGreaterThan(0);
    }
    expect(sourceName(usualSource("a", "fridge", { name: "  " }))).toBe("fridge");
    expect(sourceName(usualSource("a", "fridge", { name: "old fridge" }))).toBe("old fridge");
  });

  test("a point falls 6 dB a doubling, a road 3 dB (inverse square and line source)", () => {
    const at = (kind: "generator" | "roadHeavy", distanceM: number) => dbaOf(usualSource("a", kind, { distanceM }));
    expect(at("generator", 10) - at("generator", 20)).toBeCloseTo(6.02, 1);
    expect(at("roadHeavy", 10) - at("roadHeavy", 20)).toBeCloseTo(3.01, 1);
  });

  test("farther is never louder, and no way in makes it louder", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SOURCE_KIND_IDS),
        fc.double({ min: 0.2, max: 5000, noNaN: true }),
        fc.double({ min: 1, max: 10, noNaN: true }),
        fc.constantFrom(...BARRIER_IDS),
        (kind, distanceM, times, barrier) => {
          const near = usualSource("a", kind, { distanceM, barrier });
          expect(dbaOf({ ...near, distanceM: distanceM * times })).toBeLessThanOrEqual(dbaOf(near) + 1e-9);
          expect(dbaOf(near)).toBeLessThanOrEqual(dbaOf({ ...near, barrier: "none" }) + 1e-9);
        },
      ),
    );
  });

  test("a read level is taken as it is, with the kind's colour", () => {
    const read = usualSource("a", "fridge", { levelDba: 41, distanceM: 7 });
    expect(dbaOf(read)).toBeCloseTo(41, 9);
    const differences = sourceDb(read).map((levelDb, band) => levelDb - SOURCE_KINDS.fridge.levelDb[band]!);
    differences.forEach((each) => expect(each).toBeCloseTo(differences[0]!, 9));
  });

  test("in a room the sound that comes back keeps a far noise up", () => {
    const reverberant = mapOctaves(() => 0);
    const far = usualSource("a", "generator", { distanceM: 20 });
    expect(aWeightedDb(sourceDb(far, reverberant))).toBeGreaterThan(dbaOf(far) + 10);
    const outside = { ...far, barrier: "window" as const };
    expect(sourceDb(outside, reverberant)).toEqual(sourceDb(outside));
  });
});

describe("what can be done", () => {
  test("no remedy makes it louder; shutting is worth the difference of the two ways in", () => {
    for (const remedy of REMEDIES)
      for (const barrier of BARRIER_IDS)
        remedyLossDb(remedy, barrier).forEach((lossDb) => expect(lossDb).toBeGreaterThanOrEqual(0));
    expect(remedyLossDb("shut", "openWindow")[2]).toBe(BARRIERS.window.lossDb[2] - BARRIERS.openWindow.lossDb[2]);
    expect(SHUT.wall).toBeNull();
    expect(aWeightedDb(remedyLossDb("shut", "wall"))).toBe(aWeightedDb(mapOctaves(() => 0)));
  });

  test("the noise that hides all others is worth most; what only passes comes after what stays", () => {
    const fridge = usualSource("f", "fridge", { distanceM: 1 });
    const clock = usualSource("c", "clock", { distanceM: 3 });
    const dog = usualSource("d", "dog");
    const gains = rankRemedies(QUIET, [dog, clock, fridge]);
    expect(gains.map(({ source, remedy }) => [source.id, remedy])).toEqual([
      ["f", "switchOff"],
      ["c", "move"],
      ["d", "ask"],
    ]);
    expect(gains[0]!.gainDb).toBeGreaterThan(6);
    expect(rankRemedies(QUIET, [{ ...fridge, remedy: "switchOff", isDone: true }])).toEqual([]);
  });

  test("done remedies lower the place's noise and leave a list of what to undo", () => {
    const fridge = usualSource("f", "fridge", { distanceM: 1, remedy: "switchOff" as const });
    const done = { ...fridge, isDone: true };
    expect(aWeightedDb(treatedDb(fridge))).toBeGreaterThan(30);
    expect(aWeightedDb(treatedDb(done))).toBeLessThan(-30);
    expect(toUndo([fridge, done])).toEqual([{ source: done, remedy: "switchOff" }]);
    expect(toUndo([{ ...done, remedy: "wait" }])).toEqual([]);
    const place: PlaceModel = { ...LIVING_ROOM, noiseNc: 20 };
    const [with_, without] = [fridge, done].map((source) => forecastPlace({ ...place, sources: [source] }).noiseDba);
    expect(with_! - without!).toBeGreaterThan(5);
    expect(without).toBeCloseTo(forecastPlace(place).noiseDba, 1);
  });

  test("what is farther away than the room is long comes through an open window", () => {
    const heard = (source: NoiseSource) => forecastPlace({ ...LIVING_ROOM, noiseNc: 15, sources: [source] }).noiseDba;
    const road = usualSource("r", "roadHeavy", { distanceM: 50 });
    expect(heard(road)).toBe(heard({ ...road, barrier: "openWindow" }));
    expect(heard(road)).toBeGreaterThan(heard({ ...road, barrier: "window" }));
    expect(heard({ ...road, distanceM: 3 })).toBeGreaterThan(heard({ ...road, distanceM: 3, barrier: "openWindow" }));
  });

  test("what comes and goes is not in the steady noise, but in the verdict", () => {
    const dog = usualSource("d", "dog");
    const { noiseDba, verdict } = forecastPlace({ ...LIVING_ROOM, sources: [dog] });
    expect(noiseDba).toBe(forecastPlace(LIVING_ROOM).noiseDba);
    expect(verdict.advice).toContainEqual({ code: "room.passing", noises: 1 });
  });

  test("every remedy has words for doing it and for having done it", () => {
    for (const remedy of REMEDIES) expect(REMEDY_WORDS[remedy].undo !== "").toBe(REMEDY_ROWS[remedy].isUndone);
    expect(sumSpectra([])).toEqual(SILENCE_DB.map(() => -120));
  });
});

describe("the guided minute", () => {
  test("its prompts come in order within the minute and name kinds that exist", () => {
    const times = LISTENING.map(({ atS }) => atS);
    expect([...times].sort((one, other) => one - other)).toEqual(times);
    expect(times.at(-1)).toBeLessThan(LISTENING_S);
    for (const { kinds } of LISTENING) for (const kind of kinds) expect(SOURCE_KINDS[kind]).toBeDefined();
    expect(promptAt(0).code).toBe("listen.sitStill");
    expect(promptAt(59.9).kinds).toContain("bell");
    expect(promptAt(-1)).toBe(LISTENING[0]);
  });
});

describe("room tone", () => {
  const RATE = 48000;
  const measured = (samples: Float32Array, calibrationDb: number | null = null, rateHz = RATE) => {
    const result = analyseTone(samples, rateHz, calibrationDb);
    if (!result.isMeasured) throw new Error(result.says.code);
    return result;
  };

  test.each(OCTAVES_HZ)("a tone at %d Hz of −20 dBFS is found in its octave, 20 dB over the others", (frequencyHz) => {
    const { octavesDb } = measured(sine({ frequencyHz, levelDbfs: -20, seconds: 4, sampleRateHz: RATE }));
    const band = OCTAVES_HZ.indexOf(frequencyHz);
    expect(octavesDb[band]).toBeCloseTo(-20, 1);
    octavesDb.forEach((levelDb, index) => index !== band && expect(levelDb).toBeLessThan(-37));
  });

  test("white noise rises 3 dB an octave (definition), and a calibration shifts all by the same", () => {
    const noise = whiteNoise(5, -30, 6 * RATE);
    const { octavesDb } = measured(noise);
    for (let band = 1; band < 7; band += 1) expect(octavesDb[band]! - octavesDb[band - 1]!).toBeCloseTo(3, 0);
    const calibrated = measured(noise, 94);
    expect(calibrated.isCalibrated).toBe(true);
    expect(calibrated.octavesDb[3]! - octavesDb[3]!).toBeCloseTo(94, 9);
  });

  test.each([50, 60])("mains hum of %d Hz is found with its harmonics, and none where there is none", (mains) => {
    const noise = whiteNoise(9, -50, 5 * RATE);
    const tones = [1, 2, 3].map((each) =>
      sine({ frequencyHz: mains * each, levelDbfs: -55, seconds: 5, sampleRateHz: RATE }),
    );
    const hum = noise.map((sample, at) => sample + tones.reduce((sum, tone) => sum + tone[at]!, 0));
    expect(measured(hum).humHz).toEqual([mains, 2 * mains, 3 * mains]);
    expect(measured(noise).humHz).toEqual([]);
  });

  test("a noise that grows by 12 dB a minute says so", () => {
    const growing = whiteNoise(2, -50, 10 * RATE).map((sample, at) => sample * 10 ** ((12 * at) / RATE / 60 / 20));
    expect(measured(growing).trendDbPerMin).toBeCloseTo(12, 0);
  });

  test("what is short, silent or no sound is refused with what to do; a low rate still gives seven octaves", () => {
    expect(analyseTone(new Float32Array(RATE), RATE, null)).toMatchObject({
      isMeasured: false,
      says: { code: "tone.tooShort", seconds: 1, neededS: 3 },
    });
    expect(analyseTone(new Float32Array(4 * RATE), RATE, null)).toMatchObject({
      says: { code: "tone.silent" },
    });
    expect(analyseTone(new Float32Array(4 * RATE).fill(NaN), RATE, null)).toMatchObject({ isMeasured: false });
    const { octavesDb } = measured(whiteNoise(1, -30, 4 * 16000), null, 16000);
    expect(octavesDb).toHaveLength(7);
    expect(octavesDb.every(Number.isFinite)).toBe(true);
  });

  test("a calibrated tone is the place's noise; an uncalibrated one only colours the estimate", () => {
    const octavesDb = [40, 38, 36, 34, 32, 30, 28];
    const tone = { file: "tone.wav", octavesDb, isCalibrated: true, seconds: 30, humHz: [], trendDbPerMin: 0 };
    const sources = [usualSource("f", "fridge")];
    const proved = forecastPlace({ ...LIVING_ROOM, sources, tone });
    expect(proved.noiseOctavesDb).toEqual(octavesDb);
    expect(proved.isNoiseProved).toBe(true);
    const coloured = forecastPlace({ ...LIVING_ROOM, tone: { ...tone, isCalibrated: false } });
    expect(coloured.isNoiseProved).toBe(false);
    expect(coloured.noiseDba).toBeCloseTo(forecastPlace(LIVING_ROOM).noiseDba, 6);
    expect(coloured.noiseOctavesDb[0] - coloured.noiseOctavesDb[6]).toBeCloseTo(12, 6);
  });
});
