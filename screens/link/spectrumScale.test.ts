import fc from "fast-check";
import { FIRST_AIR_PLAN } from "@/core/wireless";
import { newLink } from "@/core/planning";
import {
  lawfulChoices,
  marks,
  nearestChoice,
  nextChoice,
  scanPath,
  wholeView,
  xOf,
  yOf,
  zoomed,
} from "./spectrumScale";

const WHOLE = { fromMHz: 500, toMHz: 560 };

test("the whole view holds the systems in use; without any, all of UHF", () => {
  const links = [newLink({ id: "a", name: "A" })];
  const view = wholeView({ ...FIRST_AIR_PLAN, links });
  expect(view.fromMHz).toBeLessThan(518);
  expect(view.toMHz).toBeGreaterThan(554);
  expect(view.toMHz).toBeLessThan(560);
  expect(wholeView({ ...FIRST_AIR_PLAN, systems: [] })).toEqual({ fromMHz: 470, toMHz: 694 });
});

test("going nearer keeps the frequency in view, and never leaves the whole (property)", () => {
  const mhz = fc.double({ min: 500, max: 560, noNaN: true });
  fc.assert(
    fc.property(mhz, fc.constantFrom(0.5, 2), fc.integer({ min: 1, max: 8 }), (around, factor, times) => {
      let view = WHOLE;
      for (let time = 0; time < times; time += 1) view = zoomed(view, WHOLE, around, factor);
      expect(view.fromMHz).toBeGreaterThanOrEqual(500 - 1e-9);
      expect(view.toMHz).toBeLessThanOrEqual(560 + 1e-9);
      expect(xOf(view, around)).toBeGreaterThanOrEqual(-1e-9);
      expect(xOf(view, around)).toBeLessThanOrEqual(1 + 1e-9);
      expect(marks(view).length).toBeLessThanOrEqual(10);
      expect(marks(view).length).toBeGreaterThanOrEqual(2);
    }),
  );
});

test("levels are drawn from the top down and stay in the box; a column takes its strongest", () => {
  expect([yOf(-30), yOf(-115), yOf(20), yOf(-200)]).toEqual([0, 1, 0, 1]);
  const scan = { name: "x", fromMHz: 500, stepKHz: 1000, levelsDbm: [-100, -40, -100, -90], isSimulated: false };
  const path = scanPath(scan, { fromMHz: 500, toMHz: 504 }, 2);
  expect(path).toBe(`M0 ${(100 * yOf(-40)).toFixed(1)}L1 ${(100 * yOf(-90)).toFixed(1)}`);
  expect(scanPath(null, WHOLE, 10)).toBe("");
});

test("a drag lands on the nearest lawful step, a key on the next one, and none beyond the ends", () => {
  const choices = lawfulChoices(FIRST_AIR_PLAN.systems[0]!, FIRST_AIR_PLAN);
  expect(nearestChoice(choices, 520.013)).toBe(520.025);
  expect(nextChoice(choices, 520.025, 1)).toBe(520.05);
  expect(nextChoice(choices, 520.025, -10)).toBe(519.775);
  expect(nextChoice(choices, 554, 10)).toBe(554);
  expect(nextChoice(choices, 518, -1)).toBe(518);
  expect(nearestChoice([], 520)).toBeNull();
  const banked = lawfulChoices(FIRST_AIR_PLAN.systems[2]!, FIRST_AIR_PLAN);
  expect(banked).toEqual([...new Set(banked)].sort((one, other) => one - other));
});
