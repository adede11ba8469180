import fc from "fast-check";
import { clockOffsets, driftOf, NO_CLOCK, onLogClock } from "./clockOffset";
import type { CardFileFacts, LogLine } from "./logLine";

const lines: LogLine[] = [100, 400, 900, 1500, 2300].map((startS, at) => ({
  id: `${at}`,
  startS,
  lengthS: 40 + 13 * at,
}));
const filesAt = (offsetS: number): CardFileFacts[] =>
  lines.map(({ id, startS, lengthS }) => ({ id, lengthS: lengthS! + 0.4, startS: startS + offsetS }));

test("the offset that most pairs of like length agree on comes first, whatever it is (property)", () => {
  fc.assert(
    fc.property(fc.integer({ min: -40_000, max: 40_000 }), (offset) => {
      expect(clockOffsets(lines, filesAt(offset))[0]!.offsetS).toBeCloseTo(offset, 0);
    }),
  );
});

test("where no file says when it began there is no clock to look for", () => {
  expect(
    clockOffsets(
      lines,
      filesAt(0).map((file) => ({ ...file, startS: null })),
    ),
  ).toEqual([NO_CLOCK]);
  expect(clockOffsets([], filesAt(0))).toEqual([NO_CLOCK]);
  expect(onLogClock(500, NO_CLOCK)).toBeNull();
  expect(onLogClock(null, { isKnown: true, offsetS: 3, fromS: 0, driftPpm: 0 })).toBeNull();
});

test("the way without a clock is always among those that are tried", () => {
  expect(clockOffsets(lines, filesAt(17)).at(-1)).toBe(NO_CLOCK);
});

test("a clock that runs fast is found by the median of slopes, and outliers do not bend it (Theil 1950, Sen 1968)", () => {
  const ppm = 80;
  const rough = { isKnown: true, offsetS: 5, fromS: 0, driftPpm: 0 };
  const pairs = Array.from({ length: 20 }, (_, at) => {
    const lineS = 3600 + at * 900;
    return { lineS, fileS: lineS + 5 + (lineS * ppm) / 1e6 + (at === 7 ? 4 : 0) };
  });
  const clock = driftOf(pairs, rough);
  expect(clock.driftPpm).toBeCloseTo(ppm, 0);
  for (const { lineS, fileS } of pairs.filter((_, at) => at !== 7))
    expect(onLogClock(fileS, clock)).toBeCloseTo(lineS, 1);
});

test("too few pairs, or a drift that no clock has, leave the offset alone", () => {
  const rough = { isKnown: true, offsetS: 5, fromS: 0, driftPpm: 0 };
  expect(driftOf([{ lineS: 0, fileS: 5 }], rough)).toBe(rough);
  const wild = Array.from({ length: 10 }, (_, at) => ({ lineS: at * 1000, fileS: at * 1001 }));
  expect(driftOf(wild, rough).driftPpm).toBe(0);
  expect(driftOf(wild, NO_CLOCK)).toBe(NO_CLOCK);
});
