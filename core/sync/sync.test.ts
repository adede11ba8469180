import fc from "fast-check";
import { whiteNoise } from "@/fixtures/testSignals";
import {
  alignHere,
  landmarkMaker,
  lagBetween,
  lineUp as lineUpWith,
  type LineUpOptions,
  resampling,
  type Recorded,
} from ".";

const lineUp = (pictures: readonly Recorded[], sounds: readonly Recorded[], options: Partial<LineUpOptions> = {}) =>
  lineUpWith(pictures, sounds, { aligners: [alignHere(pictures, sounds)], ...options });

const RATE = 16_000;

/** Something that nobody says twice: bursts of filtered noise, a syllable or so each. */
function babble(seed: number, seconds: number): Float32Array {
  const out = new Float32Array(Math.floor(seconds * RATE));
  const noise = whiteNoise(seed, -20, out.length);
  const chance = whiteNoise(seed + 1000, 0, Math.ceil(seconds * 6) + 8);
  let [re, im] = [0, 0];
  for (let at = 0; at < out.length; at += 1) {
    const syllable = Math.floor((at / RATE) * 6);
    const hertz = 500 + 2500 * Math.abs(Math.sin(3.1 * chance[syllable]!));
    const turn = (2 * Math.PI * hertz) / RATE;
    // A resonance that moves from syllable to syllable.
    const [c, s] = [0.985 * Math.cos(turn), 0.985 * Math.sin(turn)];
    const next = c * re - s * im + noise[at]!;
    im = s * re + c * im;
    re = next;
    const within = ((at / RATE) * 6) % 1;
    out[at] = re * Math.sin(Math.PI * within) * (chance[syllable]! > -0.8 ? 1 : 0.02) * 0.2;
  }
  return out;
}

function recorded(samples: Float32Array, startS: number | null = null, device = "A"): Recorded {
  const maker = landmarkMaker(RATE);
  for (let from = 0; from < samples.length; from += 1000)
    maker.push(samples.subarray(from, from + 1000), Math.min(1000, samples.length - from));
  return {
    ...{ startS, device, seconds: samples.length / RATE, landmarks: maker.end() },
    read: (fromS, seconds) =>
      Promise.resolve({
        samples: samples.subarray(Math.round(fromS * RATE), Math.round((fromS + seconds) * RATE)),
        sampleRateHz: RATE,
      }),
  };
}

const withNoise = (samples: Float32Array, seed: number, db: number): Float32Array => {
  const noise = whiteNoise(seed, db, samples.length);
  return samples.map((value, at) => value + noise[at]!);
};
const part = (samples: Float32Array, fromS: number, toS: number) =>
  samples.slice(Math.round(fromS * RATE), Math.round(toS * RATE));

describe("a day of two cameras and a recorder", () => {
  const day = babble(7, 150);
  const sounds = [
    recorded(withNoise(part(day, 0, 60), 1, -60), 1000),
    recorded(withNoise(part(day, 70, 140), 2, -60), 1070),
  ];
  const pictures = [
    recorded(withNoise(part(day, 12.5, 40), 3, -38), 10_012.5),
    // It holds the end of one sound file and the beginning of the next.
    recorded(withNoise(part(day, 45, 90), 4, -38), 10_045),
    recorded(babble(99, 30), 10_400),
    recorded(new Float32Array(20 * RATE), 10_110),
    { ...recorded(new Float32Array(0)), seconds: 15, landmarks: null },
    recorded(part(day, 80, 82), 10_080),
  ];

  test("pairs what belongs together, several to one, and says why nothing belongs to the rest", async () => {
    const { matches, pictures: why, sounds: whySounds } = await lineUp(pictures, sounds);
    const pairs = matches
      .map(({ picture, sound, offsetS }) => [picture, sound, Math.round(offsetS * 1000) / 1000])
      .toSorted((one, other) => one[0]! - other[0]! || one[1]! - other[1]!);
    expect(pairs).toEqual([
      [0, 0, 12.5],
      [1, 0, 45],
      [1, 1, -25],
    ]);
    expect(why).toEqual([null, null, "nothingAlike", "silent", "noSound", "tooShort"]);
    expect(whySounds).toEqual([null, null]);
  });

  test("offsets are within a fifth of a sample, overlaps are what both have, and nothing drifts", async () => {
    const { matches } = await lineUp(pictures, sounds);
    for (const match of matches) {
      const exact = match.sound === 0 ? (match.picture === 0 ? 12.5 : 45) : -25;
      expect(Math.abs(match.offsetS - exact)).toBeLessThan(0.2 / RATE);
      expect(Math.abs(match.driftPpm ?? 0)).toBeLessThan(1);
      expect(match.confidence).toBeGreaterThan(0.99);
      expect(match.isInverted).toBe(false);
    }
    const split = matches.find(({ picture, sound }) => picture === 1 && sound === 1)!;
    expect([split.overlap.fromS, split.overlap.toS].map((each) => Math.round(each * 100) / 100)).toEqual([25, 45]);
  });

  test("what cannot be heard is paired by the clocks that the matches have compared", async () => {
    const other = { ...pictures[3]!, device: "B" };
    const { clocks, byClock } = await lineUp([...pictures, other], sounds);
    expect(clocks).toMatchObject([{ camera: "A", recorder: "A" }]);
    expect(clocks[0]!.offsetS).toBeCloseTo(-9000, 2);
    expect(byClock.map(({ picture, sound, offsetS }) => [picture, sound, Math.round(offsetS)])).toEqual([
      [3, 1, 40],
      [5, 1, 10],
    ]);
  });

  test("clocks that were set in between say nothing", async () => {
    const set = pictures.map((each, at) => ({
      ...each,
      startS: each.startS === null ? null : each.startS + at * 1000,
    }));
    expect(await lineUp(set, sounds)).toMatchObject({ clocks: [], byClock: [] });
  });

  test("it stops when it is told to, with what is found", async () => {
    let asked = 0;
    const { matches } = await lineUp(pictures, sounds, { isCancelled: () => (asked += 1) > 1 });
    expect(matches).toHaveLength(1);
  });

  test("nothing is paired with nothing", async () => {
    expect(await lineUp([], [])).toMatchObject({ matches: [], byClock: [], clocks: [] });
    expect((await lineUp([pictures[0]!], [])).pictures).toEqual(["nothingAlike"]);
  });
});

test("a recorder whose clock runs fast, and whose lead is turned over, is told so", async () => {
  const day = babble(21, 90);
  const fast = resampling(1).run(day, 0, 1 / (1 + 60e-6), day.length);
  const turned = fast.map((value) => -value);
  const { matches } = await lineUp([recorded(withNoise(part(day, 10, 80), 5, -45))], [recorded(turned)]);
  expect(matches).toHaveLength(1);
  expect(matches[0]!.driftPpm).toBeCloseTo(60, 0);
  expect(Math.abs(matches[0]!.offsetS - 10 * (1 + 60e-6))).toBeLessThan(0.00005);
  expect(matches[0]!.isInverted).toBe(true);
});

test("any delay of any sound is found to a tenth of a sample", () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 500 }), fc.double({ min: -90, max: 90, noNaN: true }), (seed, delay) => {
      const sound = babble(seed, 6);
      const later = resampling(1).run(sound, -delay, 1, sound.length);
      const lag = lagBetween(sound, later, RATE, 0.01)!;
      expect(Math.abs(lag.lagS * RATE - delay)).toBeLessThan(0.1);
      expect(lag.isInverted).toBe(false);
    }),
    { numRuns: 25, seed: 4 },
  );
});

test("silence has no lag, and neither has what is shorter than one segment", () => {
  expect(lagBetween(new Float32Array(RATE), new Float32Array(RATE), RATE, 0.01)).toBeNull();
  expect(lagBetween(babble(1, 0.1), babble(1, 0.1), RATE, 0.01)).toBeNull();
});

test("what is no number counts as silence", () => {
  const maker = landmarkMaker(RATE);
  maker.push(new Float32Array(RATE).fill(NaN), RATE);
  maker.push(new Float32Array(RATE).fill(1e30), RATE);
  expect(maker.end()).toMatchObject({ isSilent: true, seconds: 2 });
});

test("landmarks do not depend on the portions they come in", () => {
  const sound = babble(3, 8);
  const inPortions = (length: number) => {
    const maker = landmarkMaker(RATE);
    for (let from = 0; from < sound.length; from += length)
      maker.push(sound.subarray(from), Math.min(length, sound.length - from));
    return maker.end();
  };
  const whole = inPortions(sound.length);
  expect(whole.hashes.length).toBeGreaterThan(100);
  for (const length of [7, 333, 4097]) expect(inPortions(length)).toEqual(whole);
});

test("rates that no recorder has are refused", () => {
  expect(() => landmarkMaker(4000)).toThrow(RangeError);
  expect(() => landmarkMaker(NaN)).toThrow(RangeError);
  expect(() => resampling(20)).toThrow(RangeError);
});
