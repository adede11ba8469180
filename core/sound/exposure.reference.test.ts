import fc from "fast-check";
import { exposureOf, nioshHours, weeklyHours } from "./exposure";

test.each([
  [82, 16],
  [85, 8],
  [88, 4],
  [91, 2],
  [94, 1],
  [97, 0.5],
  [100, 0.25],
])("%d dBA for %d h a day (NIOSH 98-126, table 1-1)", (level, hours) => {
  expect(nioshHours(level)).toBeCloseTo(hours, 9);
});

test("80 dBA for 40 h a week, 3 dB more for half of it (WHO/ITU-T H.870, adults)", () => {
  expect(weeklyHours(80)).toBe(40);
  expect(weeklyHours(89)).toBeCloseTo(5, 9);
});

test("doses add up: four hours at 85 and two at 88 are one day; worked by hand", () => {
  const { dayShare, eightHourDba, grade, says } = exposureOf([
    { levelDba: 85, hours: 4 },
    { levelDba: 88, hours: 2 },
  ]);
  expect(dayShare).toBeCloseTo(1, 9);
  // A whole day's dose is eight hours at 85 dBA; 3 dB for a doubling is 3.01 as energy.
  expect(eightHourDba).toBeCloseTo(85, 1);
  expect(grade).toBe("usable");
  expect(says).toMatchObject({ code: "exposure.rest", dayShare: expect.closeTo(1, 9) as number });
});

test("too much says by how much to turn down, or how long is left; nothing heard is nothing", () => {
  const loud = exposureOf([{ levelDba: 94, hours: 4 }]);
  expect(loud).toMatchObject({ grade: "redo" });
  // Four days' worth: 6 dB, or one hour.
  expect(loud.says).toMatchObject({ code: "exposure.tooMuch", downDb: 6, allowedMin: 60 });
  expect(
    exposureOf([
      { levelDba: 88, hours: 6 },
      { levelDba: 100, hours: 0.1 },
    ]).says,
  ).toMatchObject({ code: "exposure.tooMuchInAll", downDb: 3, toShare: 0.52 });
  expect(exposureOf([])).toMatchObject({ dayShare: 0, eightHourDba: null, grade: "good" });
  expect(exposureOf([{ levelDba: 82, hours: 7 }]).says.code).toBe("exposure.notEveryDay");
  expect(exposureOf([{ levelDba: 70, hours: 8 }]).grade).toBe("good");
});

test("what it tells to do brings the whole day's dose to one day at most, and no less than is needed (property)", () => {
  const listening = fc.record({
    levelDba: fc.double({ min: 80, max: 110, noNaN: true }),
    hours: fc.double({ min: 0.1, max: 12, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(listening, { minLength: 1, maxLength: 5 }), (day) => {
      const { dayShare, says } = exposureOf(day);
      fc.pre(dayShare > 1);
      if (says.code !== "exposure.tooMuch" && says.code !== "exposure.tooMuchInAll") throw new Error(says.code);
      const down = says.downDb;
      const lowered = (by: number) =>
        exposureOf(day.map((each) => ({ ...each, levelDba: each.levelDba - by }))).dayShare;
      expect(lowered(down)).toBeLessThanOrEqual(1 + 1e-6);
      expect(lowered(down - 1)).toBeGreaterThan(1 - 1e-6);
      const share = says.code === "exposure.tooMuchInAll" ? says.toShare : says.allowedMin / (60 * day[0]!.hours);
      const shorter = exposureOf(day.map((each) => ({ ...each, hours: each.hours * share }))).dayShare;
      expect(shorter).toBeLessThanOrEqual(1 + 1e-6);
    }),
  );
});

test("longer and louder never make the dose smaller (property)", () => {
  const listening = fc.record({
    levelDba: fc.double({ min: 60, max: 110, noNaN: true }),
    hours: fc.double({ min: 0, max: 12, noNaN: true }),
  });
  fc.assert(
    fc.property(
      fc.array(listening, { maxLength: 6 }),
      listening,
      fc.double({ min: 0, max: 9, noNaN: true }),
      (day, last, more) => {
        const before = exposureOf([...day, last]).dayShare;
        expect(exposureOf([...day, { ...last, hours: last.hours + more }]).dayShare).toBeGreaterThanOrEqual(
          before - 1e-12,
        );
        expect(exposureOf([...day, { ...last, levelDba: last.levelDba + more }]).dayShare).toBeGreaterThanOrEqual(
          before - 1e-12,
        );
      },
    ),
  );
});
