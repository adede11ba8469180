import fc from "fast-check";
import { say, sayIn } from ".";
import { area, length, windSpeed } from "./en/units";

afterEach(() => sayIn("metric"));

test.each([
  [0.4, "40 cm", "16 in"],
  [0.995, "1.0 m", "3 ft 3 in"],
  [1.8288, "1.8 m", "6 ft"],
  [2.5, "2.5 m", "8 ft 2 in"],
  [142, "142 m", "466 ft"],
  [-0.05, "−5 cm", "−2 in"],
])("%s m is %s or %s", (metres, metric, imperial) => {
  expect(length(metres)).toBe(metric);
  sayIn("imperial");
  expect(length(metres)).toBe(imperial);
});

test("feet and inches never say twelve inches, and are right within half an inch (property)", () => {
  sayIn("imperial");
  fc.assert(
    fc.property(fc.double({ min: 0, max: 30, noNaN: true }), (metres) => {
      const [, feet, inches] = /^(?:(\d+) ft ?)?(?:(\d+) in)?$/.exec(length(metres))!;
      expect(Number(inches ?? 0)).toBeLessThan(feet === undefined ? 24 : 12);
      expect(Math.abs((12 * Number(feet ?? 0) + Number(inches ?? 0)) * 0.0254 - metres)).toBeLessThanOrEqual(0.0128);
    }),
  );
});

test("areas and wind", () => {
  expect([area(12.345), windSpeed(5)]).toEqual(["12.3 m²", "5 m/s"]);
  sayIn("imperial");
  expect([area(12.345), windSpeed(5)]).toEqual(["133 sq ft", "11 mph"]);
});

test("sentences follow the units", () => {
  const message = { code: "room.keepWithin", withinM: 0.4 } as const;
  expect(say(message)).toContain("within 40 cm");
  sayIn("imperial");
  expect(say(message)).toContain("within 16 in");
});
