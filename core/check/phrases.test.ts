import { joinPhrases, type Phrase, phrasesTogether } from "./phrases";

const phrase = (startS: number, endS: number, levelDbfs = -20): Phrase => ({ startS, endS, levelDbfs });

test("a phrase that goes on in the next piece is one, at the mean of its power", () => {
  const all = [phrase(0, 1), phrase(9, 10, -20)];
  joinPhrases(all, [phrase(10, 12, -10), phrase(13, 14)]);
  expect(all.map(({ startS, endS }) => [startS, endS])).toEqual([
    [0, 1],
    [9, 12],
    [13, 14],
  ]);
  // One second at −20 and two at −10.
  expect(all[1]!.levelDbfs).toBeCloseTo(10 * Math.log10((0.01 + 2 * 0.1) / 3), 6);
});

test("phrases apart stay apart, and what was handed in is not changed", () => {
  const own = phrase(2, 3);
  const all: Phrase[] = [];
  joinPhrases(all, [own]);
  joinPhrases(all, [phrase(3.1, 4)]);
  expect(all).toHaveLength(2);
  all[0]!.endS = 99;
  expect(own.endS).toBe(3);
});

test("where anybody speaks, on whichever track, is one row; tracks stay as they were", () => {
  const tracks = [
    [phrase(0, 2), phrase(8, 9)],
    [phrase(1, 3), phrase(5, 6), phrase(8.2, 8.5)],
  ];
  expect(phrasesTogether(tracks).map(({ startS, endS }) => [startS, endS])).toEqual([
    [0, 3],
    [5, 6],
    [8, 9],
  ]);
  expect(tracks[0]![0]!.endS).toBe(2);
  expect(phrasesTogether([[], []])).toEqual([]);
});
