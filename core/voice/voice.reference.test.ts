import { OCTAVES_HZ, overallDb } from "../sound";
import { mouthDirectivityDb } from "./directivity";
import { EFFORTS, speechOctavesDb } from "./speechSpectrum";

test.each([
  ["normal", 62.35],
  ["raised", 68.3],
  ["loud", 74.85],
  ["shout", 82.3],
] as const)("overall level of %s speech is %d dB SPL at 1 m (ANSI S3.5-1997)", (effort, levelDb) => {
  expect(Math.abs(overallDb(speechOctavesDb(effort)) - levelDb)).toBeLessThan(0.1);
});

test("soft is 6 dB below normal and a whisper about 40 dB with its lows missing (from memory)", () => {
  expect(overallDb(speechOctavesDb("normal")) - overallDb(speechOctavesDb("soft"))).toBeCloseTo(6, 6);
  const whisper = speechOctavesDb("whisper");
  expect(overallDb(whisper)).toBeCloseTo(40, 6);
  expect(whisper[0]).toBeLessThan(whisper[3] - 10);
});

test("each effort is louder than the one before (common practice)", () => {
  const levels = EFFORTS.map((effort) => overallDb(speechOctavesDb(effort)));
  expect([...levels].sort((a, b) => a - b)).toEqual(levels);
});

test("a person's own offset moves every band alike", () => {
  const own = speechOctavesDb("loud", 4);
  speechOctavesDb("loud").forEach((levelDb, band) => expect(own[band]! - levelDb).toBeCloseTo(4, 9));
});

test("the mouth radiates less to the back, the highs least (published directivity, from memory)", () => {
  expect(mouthDirectivityDb(0)).toEqual([0, 0, 0, 0, 0, 0, 0]);
  const back = mouthDirectivityDb(180);
  expect(back[6]).toBeLessThan(back[0] - 10);
  for (let angle = 5; angle <= 180; angle += 5)
    OCTAVES_HZ.forEach((_, band) =>
      expect(mouthDirectivityDb(angle)[band]!).toBeLessThanOrEqual(mouthDirectivityDb(angle - 5)[band]!),
    );
  expect(mouthDirectivityDb(75)[2]).toBeCloseTo(-1.75, 9);
});
