import fc from "fast-check";
import { gated, mixed, sine, whiteNoise } from "../../fixtures/testSignals";
import { bytesSource, readWavHeader, toWav } from "../audio";
import type { Phrase } from "../check";
import { type CutPlan, lengthOf, lookAtPauses, proposedCut, renderCut, type Segment, segmentsOf } from ".";

const RATE = 16_000;
const floatWav = (planes: readonly Float32Array[]) =>
  bytesSource(toWav(planes, { sampleRateHz: RATE, bits: 32, isFloat: true }));
const levelDb = (samples: Float32Array) =>
  10 * Math.log10(samples.reduce((sum, value) => sum + value * value, 0) / samples.length + 1e-20);

const SECONDS = 12;
const phrase = (startS: number, endS: number): Phrase => ({ startS, endS, levelDbfs: -20 });
const PHRASES = [phrase(1, 2), phrase(3.5, 5), phrase(5.4, 7), phrase(9, 10.5)];
const tone = (levelDbfs: number) => sine({ frequencyHz: 300, levelDbfs, seconds: SECONDS, sampleRateHz: RATE });
const spans = PHRASES.map(({ startS, endS }) => [startS, endS] as const);
/** Four phrases over a room; a breath before the second, a smack after the third. */
const RECORDING = mixed(
  whiteNoise(1, -66, SECONDS * RATE),
  gated(tone(-20), RATE, spans),
  gated(whiteNoise(2, -46, SECONDS * RATE), RATE, [[2.9, 3.3]]),
  gated(whiteNoise(3, -40, SECONDS * RATE), RATE, [[7.9, 7.925]]),
);
const source = floatWav([RECORDING]);
const FORM = { frames: SECONDS * RATE, sampleRateHz: RATE };
const pauses = async () => lookAtPauses(source, await readWavHeader(source), PHRASES);
const planOf = (own: Partial<CutPlan>, decisions: readonly CutPlan["phrases"][number]["decision"][] = []): CutPlan => {
  const proposed = proposedCut(PHRASES, []);
  const phrases = proposed.phrases.map((each, at) => ({ ...each, decision: decisions[at] ?? each.decision }));
  return { ...proposed, phrases, ...own };
};
const has = (segments: readonly Segment[], fromS: number, toS: number) =>
  segments.some(({ from, to, isTone }) => !isTone && from <= Math.round(fromS * RATE) && to >= Math.round(toS * RATE));

test("a breath and a smack are found in their pauses, and what is quiet holds neither", async () => {
  const found = await pauses();
  const events = found.flatMap(({ events }) => events);
  expect(events.map(({ kind }) => kind)).toEqual(["breath", "smack"]);
  expect(Math.abs(events[0]!.startS - 2.9)).toBeLessThan(0.02);
  expect(Math.abs(events[0]!.endS - 3.3)).toBeLessThan(0.02);
  expect(Math.abs(events[1]!.startS - 7.9)).toBeLessThan(0.02);
  for (const { quiet, startS, endS } of found)
    for (const [fromS, toS] of quiet) {
      expect([fromS >= startS, toS <= endS]).toEqual([true, true]);
      expect(levelDb(RECORDING.subarray(fromS * RATE, toS * RATE))).toBeLessThan(-63);
    }
});

test("with nothing dropped and pauses as they are, it is one stretch", async () => {
  const segments = segmentsOf(planOf({ longestPauseS: null, dropsSmacks: false }), await pauses(), FORM);
  expect(segments).toHaveLength(1);
  expect(has(segments, 1, 10.5)).toBe(true);
});

test("pauses are shortened, with the same take's room under them; what stays is whole and in order", async () => {
  const segments = segmentsOf(planOf({ longestPauseS: 0.5 }), await pauses(), FORM);
  for (const { startS, endS } of PHRASES) expect(has(segments, startS, endS)).toBe(true);
  // 1.5, 0.4 and 2 s of pause become 0.5, 0.4 and 0.5.
  const spoken = PHRASES.reduce((sum, { startS, endS }) => sum + endS - startS, 0);
  expect(lengthOf(segments, RATE)).toBeCloseTo(0.4 + spoken + 0.5 + 0.4 + 0.5 + 0.6, 1);
});

test("breaths go where they are unwanted, and stay where not", async () => {
  const inBreath = ({ from, to, isTone }: Segment) => !isTone && from < 3.2 * RATE && to > 3.0 * RATE;
  const without = segmentsOf(planOf({ dropsBreaths: true, longestPauseS: null }), await pauses(), FORM);
  expect(without.some(inBreath)).toBe(false);
  // The pause is as long as it was.
  expect(lengthOf(without, RATE)).toBeCloseTo(0.4 + 9.5 + 0.6, 1);
  const [withBreath] = segmentsOf(planOf({ longestPauseS: null, dropsSmacks: false }), await pauses(), FORM);
  expect(inBreath(withBreath!)).toBe(true);
});

test("whatever is dropped, what stays is there once and in order, and nothing else is heard (property)", async () => {
  const found = await pauses();
  const decision = fc.constantFrom("keep" as const, "drop" as const);
  fc.assert(
    fc.property(
      fc.array(decision, { minLength: 4, maxLength: 4 }),
      fc.option(fc.double({ min: 0.05, max: 3, noNaN: true }), { nil: null }),
      fc.boolean(),
      fc.boolean(),
      (decisions, longestPauseS, dropsBreaths, dropsSmacks) => {
        const segments = segmentsOf(planOf({ longestPauseS, dropsBreaths, dropsSmacks }, decisions), found, FORM);
        PHRASES.forEach(({ startS, endS }, at) => {
          const middle = ((startS + endS) / 2) * RATE;
          const heard = segments.filter(({ from, to }) => from <= middle && to > middle);
          expect(heard).toHaveLength(decisions[at] === "keep" ? 1 : 0);
          if (decisions[at] === "keep") expect(has(segments, startS, endS)).toBe(true);
        });
        const kept = segments.filter(({ isTone }) => !isTone);
        kept.slice(1).forEach(({ from }, at) => expect(from).toBeGreaterThanOrEqual(kept[at]!.to));
        for (const { from, to } of segments)
          expect([from >= 0, to <= FORM.frames, to > from]).toEqual([true, true, true]);
      },
    ),
    { numRuns: 200, seed: 5 },
  );
});

test("a sentence that is begun again is proposed to go, all others to stay", () => {
  const { phrases } = proposedCut(PHRASES, [1]);
  expect(phrases.map(({ decision, why }) => [decision, why])).toEqual([
    ["keep", null],
    ["drop", "falseStart"],
    ["keep", null],
    ["keep", null],
  ]);
});

describe("the sound of a cut", () => {
  const planes = [whiteNoise(8, -20, 5 * RATE), whiteNoise(9, -20, 5 * RATE)];
  const stereo = floatWav(planes);
  async function rendered(segments: readonly Segment[]): Promise<Float32Array[]> {
    const total = segments.reduce((sum, { from, to }) => sum + to - from, 0);
    const out = planes.map(() => new Float32Array(total));
    let at = 0;
    const frames = await renderCut(stereo, segments, (parts, count) => {
      parts.forEach((part, channel) => out[channel]!.set(part.subarray(0, count), at));
      at += count;
      return Promise.resolve();
    });
    expect([at, frames]).toEqual([total, total]);
    return out;
  }
  const HALF = Math.round(0.006 * RATE);

  test("is as long as its stretches, and the recording itself but where they meet (property)", async () => {
    const segment = fc
      .tuple(fc.integer({ min: 0, max: 4.5 * RATE }), fc.integer({ min: 4 * HALF, max: 0.5 * RATE }))
      .map(([from, length]): Segment => ({ from, to: from + length, isTone: false }));
    await fc.assert(
      fc.asyncProperty(fc.array(segment, { minLength: 1, maxLength: 6 }), async (segments) => {
        const out = await rendered(segments);
        let at = 0;
        segments.forEach(({ from, to }, index) => {
          const [skip, stop] = [index === 0 ? 0 : HALF, index === segments.length - 1 ? 0 : HALF];
          for (const channel of [0, 1]) {
            const own = out[channel]!.subarray(at + skip, at + to - from - stop);
            const wanted = planes[channel]!.subarray(from + skip, to - stop);
            expect(own.every((value, place) => value === wanted[place])).toBe(true);
          }
          at += to - from;
        });
      }),
      { numRuns: 40, seed: 2 },
    );
  });

  test("keeps its level where two stretches of noise meet", async () => {
    const segments = Array.from({ length: 60 }, (_, at) => {
      const from = 1000 + ((at * 7919) % 60_000);
      return { from, to: from + 6 * HALF, isTone: true };
    });
    const [out] = await rendered(segments);
    const joins = segments.slice(1).map((_, at) => (at + 1) * 6 * HALF);
    const around = Float32Array.from(joins.flatMap((place) => [...out!.subarray(place - HALF / 2, place + HALF / 2)]));
    expect(Math.abs(levelDb(around) - levelDb(planes[0]!))).toBeLessThan(0.5);
  });
});
