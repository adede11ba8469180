import fc from "fast-check";
import Timecode from "smpte-timecode";
import { framesOf, isDropRate, timecodeAt, timecodeOf } from "./timecode";

const DROP = 30_000 / 1001;

test("an hour of dropped numbers is 107 892 frames, ten minutes 17 982 (SMPTE ST 12-1, worked values)", () => {
  expect(timecodeOf(107_892, DROP, true)).toBe("01:00:00;00");
  expect(timecodeOf(17_982, DROP, true)).toBe("00:10:00;00");
  expect(timecodeOf(1799, DROP, true)).toBe("00:00:59;29");
  // Two numbers are left out at the first minute.
  expect(timecodeOf(1800, DROP, true)).toBe("00:01:00;02");
  expect(framesOf("00:01:00;00", DROP)).toBeNull();
  expect(framesOf("01:00:00;00", DROP)).toBe(107_892);
});

test.each([24, 25, 30, 50, 60] as const)("at %d frames it is what an npm reference counts (smpte-timecode)", (rate) => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 24 * 3600 * rate - 1 }), (frame) => {
      expect(timecodeOf(frame, rate)).toBe(Timecode(frame, rate, false).toString());
      expect(framesOf(timecodeOf(frame, rate), rate)).toBe(frame);
    }),
  );
});

test.each([
  [29.97, 29.97],
  [59.94, 59.94],
] as const)("with dropped numbers at %d it is what the same reference counts", (rate, theirs) => {
  expect(isDropRate(rate)).toBe(true);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 2_589_407 }), (frame) => {
      const own = timecodeOf(frame, rate, true);
      expect(own).toBe(Timecode(frame, theirs, true).toString());
      expect(framesOf(own, rate)).toBe(frame);
    }),
  );
});

test("a moment of the day is its frame at the exact rate: 23.976 is 24000/1001 (SMPTE ST 12-1)", () => {
  expect(timecodeAt(3600, 25)).toBe("01:00:00:00");
  expect(timecodeAt(1001, 23.976)).toBe("00:16:40:00");
  expect(timecodeAt(0.5, 25)).toBe("00:00:00:12");
});

test("what is no timecode names no frame", () => {
  for (const text of ["", "1:2:3:4", "24:00:00:00", "00:60:00:00", "00:00:60:00", "00:00:00:25", "00:00:00"])
    expect(framesOf(text, 25)).toBeNull();
});
