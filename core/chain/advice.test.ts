import fc from "fast-check";
import { type InputId, INPUTS, PARTS, type SourceId, SOURCES } from "../devices";
import { findPath } from "../connect";
import { aWeightedDb, mapOctaves, overallDb } from "../sound";
import { NC_NUMBERS, ncOctavesDb, roomNoiseDb } from "../room";
import { EFFORTS } from "../voice";
import { followChain, planLevels } from "./followChain";
import { soundAt, soundOfFeed } from "./soundIn";
import { testSound, testWay } from "../../fixtures/testWays";
import { stagesOfWay } from "./wayStages";

const TARGETS = { targetDbfs: -12, ceilingDbfs: -6 };
const ways = (Object.keys(SOURCES) as SourceId[]).flatMap((source) =>
  (Object.keys(INPUTS) as InputId[])
    .filter((input) => findPath(SOURCES[source], INPUTS[input], PARTS) !== null)
    .map((input) => [source, input] as const),
);
const isFeed = (source: SourceId) => ["desk", "speaker", "timecode"].includes(SOURCES[source].kind);

describe("advice on levels", () => {
  test("names only knobs that can go there, and never sends a desk away (property)", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ways),
        fc.array(fc.nat(1000), { minLength: 12, maxLength: 12 }),
        fc.constantFrom(...EFFORTS),
        fc.double({ min: 0.02, max: 4, noNaN: true }),
        ([source, input], turned, loudest, distanceM) => {
          const chain = stagesOfWay(testWay(source, input));
          const settings = chain.map(({ positions }, index) => turned[index]! % positions.length);
          const sound = isFeed(source) ? soundOfFeed(SOURCES[source].loudestDbu) : testSound(distanceM, loudest);
          const { advice } = followChain(chain, settings, sound, TARGETS);
          const room = (sign: 1 | -1) =>
            chain.filter(({ positions }, index) =>
              positions.some(({ addsDb }) => sign * (addsDb - positions[settings[index]!]!.addsDb) > 0),
            );
          for (const each of advice) {
            if (isFeed(source)) expect(each.code).not.toMatch(/capsule|pack/i);
            if ("isFeed" in each) expect(each.isFeed).toBe(isFeed(source));
            const turnsDown = "cure" in each && (each.cure === "boostOff" || "turnDown" in each.cure);
            if (turnsDown || ["chain.lowerGain", "chain.packOverloads", "chain.stageClips"].includes(each.code))
              expect(room(-1).length).toBeGreaterThan(0);
            if (each.code === "chain.stillTooHigh") expect(room(-1)).toEqual([]);
            if (each.code === "chain.raiseGain") expect(room(1).length).toBeGreaterThan(0);
            if (each.code === "chain.stillTooLow") expect(room(1)).toEqual([]);
            const down = room(-1).map(({ id }) => id);
            if ("cure" in each && each.cure === "boostOff") expect(down).toContain("converter");
            if ("cure" in each && typeof each.cure === "object" && "turnDown" in each.cure)
              if (each.cure.turnDown === "receiver") expect(down).toContain("receiver");
          }
        },
      ),
      { numRuns: 600 },
    );
  });

  test("a desk too loud for a line input at its lowest gain: ask for less, or a pad of so many dB", () => {
    const chain = stagesOfWay(testWay("deskXlr", "recorderLine"));
    const lowest = chain.map(({ positions }) =>
      positions.reduce((least, { addsDb }, index) => (addsDb < positions[least]!.addsDb ? index : least), 0),
    );
    const { advice } = followChain(chain, lowest, soundOfFeed(60), TARGETS);
    expect(advice.at(-1)).toMatchObject({ code: "chain.stillTooHigh", hasKnob: true, isFeed: true });
  });
});

describe("what is planned and what the cables ask for", () => {
  test("level settings of a way are marked, so that a plan's own figures replace them", () => {
    const path = findPath(SOURCES.receiver, INPUTS.recorder35, PARTS)!;
    expect(path.settings.filter(({ isLevel }) => isLevel)).toMatchObject([
      { on: "source", setting: { code: "setting.turnDown", byDb: 6 } },
    ]);
    for (const [source, input] of ways) {
      const found = findPath(SOURCES[source], INPUTS[input], PARTS)!;
      for (const { setting, isLevel } of found.settings)
        expect([setting.code, isLevel]).toEqual([
          setting.code,
          ["setting.turnDown", "setting.line", "setting.levelOrder"].includes(setting.code),
        ]);
    }
  });
});

describe("noise of a room by its level", () => {
  test("has the shape of the NC curves, falling from octave to octave, at any level (Beranek 1957)", () => {
    for (const nc of NC_NUMBERS) {
      const curve = mapOctaves((band) => ncOctavesDb(nc)[band + 1]!);
      const shaped = roomNoiseDb(aWeightedDb(curve));
      shaped.forEach((level, band) => expect(level).toBeCloseTo(curve[band]!, 6));
    }
    for (let level = 5; level <= 90; level += 2.5) {
      const shaped = roomNoiseDb(level);
      expect(aWeightedDb(shaped)).toBeCloseTo(level, 9);
      for (let band = 1; band < 7; band += 1) expect(shaped[band]!).toBeLessThan(shaped[band - 1]!);
    }
  });

  test("a voice over it is told by octave: less over the lows, more over the highs than white noise would say", () => {
    const voice = {
      distanceM: 0.25,
      offsetDb: 0,
      softest: "soft",
      usual: "normal",
      loudest: "raised",
      noiseDba: 35,
    } as const;
    const sound = soundAt(voice);
    expect(aWeightedDb(sound.noiseDb)).toBeCloseTo(35, 9);
    // The lows of a room lie well over its dBA: NC-30 is 48 dB at 125 Hz.
    expect(overallDb(sound.noiseDb)).toBeGreaterThan(43);
    const { snrOctavesDb } = planLevels(stagesOfWay(testWay("receiver", "recorder35")), sound, TARGETS);
    expect(snrOctavesDb[6]).toBeGreaterThan(snrOctavesDb[0]);
    const own = mapOctaves(() => 20);
    expect(soundAt({ ...voice, noiseOctavesDb: own }).noiseDb).toEqual(own);
  });
});
