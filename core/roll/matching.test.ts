import fc from "fast-check";
import { madeDay, someTroubles } from "../../fixtures/madeDay";
import { runs } from "../../fixtures/runs";
import { alignments, type Costs } from "./alignment";
import { clockWords } from "./clockOffset";
import type { CardFileFacts, LogLine } from "./logLine";
import { matchCard } from "./matching";

const line = (id: string, startS: number, lengthS: number | null): LogLine => ({ id, startS, lengthS });
const file = (id: string, lengthS: number, startS: number | null = null): CardFileFacts => ({ id, lengthS, startS });
const pairs = (result: ReturnType<typeof matchCard>) =>
  result.matches.map(({ lineIds, fileIds }) => [lineIds.join("+"), fileIds.join("+")]);

describe("a log and a card", () => {
  test("of a plain morning belong together, whatever the recorder's clock says", () => {
    const lines = [line("a", 100, 60), line("b", 300, 95), line("c", 500, 40)];
    for (const offset of [0, 7, 3600, -7200, 86_400 * 365]) {
      const files = [file("1", 60.8, 100 + offset), file("2", 94.2, 300 + offset), file("3", 40.1, 501 + offset)];
      const result = matchCard(lines, files);
      expect(pairs(result)).toEqual([
        ["a", "1"],
        ["b", "2"],
        ["c", "3"],
      ]);
      expect(result.matches.every(({ isSure }) => isSure)).toBe(true);
      expect(result.clock.offsetS).toBeCloseTo(offset, -1);
    }
  });

  test("a take in several files, a false start, a file that nobody logged and a line without a file", () => {
    const lines = [line("a", 100, 60), line("long", 300, 900), line("lost", 1400, 80), line("d", 1600, 33)];
    const files = [
      file("false", 4, 80),
      file("1", 60, 100),
      file("2a", 400, 300),
      file("2b", 400, 700),
      file("2c", 100, 1100),
      file("extra", 50, 1300),
      file("4", 33, 1600),
    ];
    const result = matchCard(lines, files);
    expect(pairs(result)).toEqual([
      ["a", "1"],
      ["long", "2a+2b+2c"],
      ["d", "4"],
    ]);
    expect(result.linesLeft).toEqual(["lost"]);
    expect(result.filesLeft).toEqual([
      { id: "false", isFalseStart: true },
      { id: "extra", isFalseStart: false },
    ]);
  });

  test("two who log one take, and a recorder that ran through, are one file for several lines", () => {
    const lines = [line("a", 100, 60), line("b1", 300, 40), line("b2", 345, 50), line("c", 500, 70)];
    const files = [file("1", 60, 100), file("2", 95, 300), file("3", 70, 500)];
    expect(pairs(matchCard(lines, files))).toEqual([
      ["a", "1"],
      ["b1+b2", "2"],
      ["c", "3"],
    ]);
  });

  test("a phone that went off in the middle: the line has no end, its file is found by its start", () => {
    const lines = [line("a", 100, 60), line("b", 300, null), line("c", 900, 45)];
    const result = matchCard(lines, [file("1", 60, 110), file("2", 400, 310), file("3", 45, 910)]);
    expect(pairs(result)).toEqual([
      ["a", "1"],
      ["b", "2"],
      ["c", "3"],
    ]);
    expect(result.matches[1]!.longerByS).toBeNull();
  });

  test("without clocks, takes of like length are asked about, not told as sure", () => {
    const lines = [line("a", 100, 60), line("b", 300, 60)];
    const result = matchCard(lines, [file("1", 60)]);
    expect(result.matches).toHaveLength(1);
    expect(result.matches[0]!.isSure).toBe(false);
    expect(result.clock.isKnown).toBe(false);
    expect(clockWords(result.clock)).toEqual([{ code: "clock.unknown" }]);
  });

  test("a card of another day matches nothing for sure", () => {
    const lines = [line("a", 100, 61), line("b", 300, 117), line("c", 520, 45)];
    const files = [file("1", 230, 90_000), file("2", 14, 91_000), file("3", 700, 92_000)];
    expect(matchCard(lines, files).matches.filter(({ isSure }) => isSure)).toEqual([]);
  });

  test("one take that fits another day's file by chance is not sure; one whose clock is nearly right is", () => {
    expect(matchCard([line("a", 40_000, 24)], [file("1", 24, 35_000), file("2", 24, 36_000)]).matches[0]?.isSure).toBe(
      false,
    );
    expect(matchCard([line("a", 40_000, 24)], [file("1", 24.3, 40_047)]).matches[0]!.isSure).toBe(true);
  });

  test("nothing to match is no error", () => {
    expect(matchCard([], [])).toMatchObject({ matches: [], linesLeft: [], filesLeft: [] });
    expect(matchCard([line("a", 1, 5)], []).linesLeft).toEqual(["a"]);
    expect(matchCard([], [file("1", 3)]).filesLeft).toEqual([{ id: "1", isFalseStart: true }]);
  });
});

describe("a recorder's clock in words", () => {
  const clock = (offsetS: number, driftPpm = 0) => ({ isKnown: true, offsetS, fromS: 0, driftPpm });
  test("right, off, another zone, running fast", () => {
    expect(clockWords(clock(1.2))).toEqual([{ code: "clock.agrees" }]);
    expect(clockWords(clock(-47))).toEqual([{ code: "clock.offset", offsetS: -47 }]);
    expect(clockWords(clock(3611))).toEqual([{ code: "clock.timeZone", hours: 1 }]);
    expect(clockWords(clock(-16_230))).toEqual([{ code: "clock.timeZone", hours: -4.5 }]);
    expect(clockWords(clock(0, 120))[1]).toEqual({ code: "clock.drift", ppm: 120 });
  });
});

/** The cheapest of all ways, by trying every one. */
function cheapest(costs: Costs, mostLines: number, mostFiles: number, at = 0, from = 0): number {
  if (at === costs.lines && from === costs.files) return 0;
  const found: number[] = [];
  if (at < costs.lines) found.push(costs.lineLeft(at) + cheapest(costs, mostLines, mostFiles, at + 1, from));
  if (from < costs.files) found.push(costs.fileLeft(from) + cheapest(costs, mostLines, mostFiles, at, from + 1));
  for (let count = 1; count <= mostLines; count += 1)
    for (let some = 1; some <= mostFiles; some += 1)
      if ((count === 1 || some === 1) && at + count <= costs.lines && from + some <= costs.files)
        found.push(costs.line(at, count, from, some) + cheapest(costs, mostLines, mostFiles, at + count, from + some));
  return Math.min(...found);
}

test("the alignment is as cheap as an exhaustive search finds, and a margin is what it costs to do without (brute force)", () => {
  fc.assert(
    fc.property(
      fc.nat({ max: 4 }),
      fc.nat({ max: 4 }),
      fc.infiniteStream(fc.integer({ min: 0, max: 20 })),
      (lines, files, stream) => {
        const table = new Map<string, number>();
        const of = (key: string): number => {
          if (!table.has(key)) table.set(key, stream.next().value as number);
          return table.get(key)!;
        };
        const costs: Costs = {
          ...{ lines, files },
          line: (...where) => of(where.join(" ")),
          lineLeft: (at) => of(`line ${at}`),
          fileLeft: (at) => of(`file ${at}`),
          reach: () => [0, files],
        };
        const found = alignments(costs, 2, 3);
        expect(found.total).toBeCloseTo(cheapest(costs, 2, 3), 9);
        for (const group of found.groups) {
          const without: Costs = {
            ...costs,
            line: (at, count, from, some) => {
              const holds = at <= group.line && group.line < at + count;
              return holds && from === group.file && some === group.fileCount ? 1e6 : costs.line(at, count, from, some);
            },
          };
          expect(group.margin).toBeCloseTo(cheapest(without, 2, 3) - found.total, 6);
        }
      },
    ),
    { numRuns: runs(150, 2000) },
  );
});

test("days with clocks that are off and drift, splits, files and lines that are missing, and false starts: right in 99 of 100, never wrong for sure", () => {
  let [lines, right, sure] = [0, 0, 0];
  const wrongForSure: string[] = [];
  for (let seed = 1; seed <= runs(80, 1000); seed += 1) {
    const day = madeDay(seed, 10 + (seed % 40), someTroubles(seed));
    const result = matchCard(day.lines, day.files);
    const found = new Map(result.matches.flatMap((match) => match.lineIds.map((id) => [id, match] as const)));
    for (const { id } of day.lines) {
      const match = found.get(id);
      const isRight = (match?.fileIds.join() ?? "") === day.truth.get(id)!.join();
      lines += 1;
      right += Number(isRight);
      sure += Number(match?.isSure ?? false);
      if (match?.isSure && !isRight) wrongForSure.push(`day ${seed}: ${id}`);
    }
  }
  expect(wrongForSure).toEqual([]);
  expect(right / lines).toBeGreaterThanOrEqual(0.99);
  // Who is asked about everything would never be wrong either.
  expect(sure / lines).toBeGreaterThan(0.9);
});
