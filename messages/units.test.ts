import fc from "fast-check";
import { clockWords, say, sayIn, timeWords } from ".";
import { area, length, windSpeed } from "./en/units";

afterEach(() => sayIn({ units: "metric", clock: "24" }));

test.each([
  [0.4, "40 cm", "16 in"],
  [0.995, "1.0 m", "3 ft 3 in"],
  [1.8288, "1.8 m", "6 ft"],
  [2.5, "2.5 m", "8 ft 2 in"],
  [142, "142 m", "466 ft"],
  [-0.05, "−5 cm", "−2 in"],
])("%s m is %s or %s", (metres, metric, imperial) => {
  expect(length(metres)).toBe(metric);
  sayIn({ units: "imperial", clock: "24" });
  expect(length(metres)).toBe(imperial);
});

test("feet and inches never say twelve inches, and are right within half an inch (property)", () => {
  sayIn({ units: "imperial", clock: "24" });
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
  sayIn({ units: "imperial", clock: "24" });
  expect([area(12.345), windSpeed(5)]).toEqual(["133 sq ft", "11 mph"]);
});

test("times of day by a clock of 24 hours, and of 12 with noon and midnight as they are said", () => {
  const times = ["00:00", "00:05", "09:30", "12:00", "12:59", "23:01"];
  expect(times.map(timeWords)).toEqual(times);
  sayIn({ units: "metric", clock: "12" });
  expect(times.map(timeWords)).toEqual(["12:00 am", "12:05 am", "9:30 am", "12:00 pm", "12:59 pm", "11:01 pm"]);
  expect([clockWords(-30), clockWords(1440 + 75.4)]).toEqual(["11:30 pm", "1:15 am"]);
  // What is no time, such as one that is being typed, is not made into one.
  expect(timeWords("soon")).toBe("soon");
  expect(say({ code: "quiet.order", finishMin: 14 * 60 + 5 })).toBe("Done by 2:05 pm in this order.");
});

test("sentences follow the units", () => {
  const message = { code: "room.keepWithin", withinM: 0.4 } as const;
  expect(say(message)).toContain("within 40 cm");
  sayIn({ units: "imperial", clock: "24" });
  expect(say(message)).toContain("within 16 in");
});
