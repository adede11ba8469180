import fc from "fast-check";
import { FIRST_AIR_PLAN } from "@/core/wireless";
import { newLink } from "@/core/planning";
import { lawfulChoices, marks, nearestChoice, nextChoice, scanPath, wholeView, xOf, yOf } from "./spectrumScale";

const WHOLE = { from: 500, to: 560 };

test("the whole view holds the systems in use; without any, all of UHF", () => {
  const links = [newLink({ id: "a", name: "A" })];
  const view = wholeView({ ...FIRST_AIR_PLAN, links });
  expect(view.from).toBeLessThan(518);
  expect(view.to).toBeGreaterThan(554);
  expect(view.to).toBeLessThan(560);
  expect(wholeView({ ...FIRST_AIR_PLAN, systems: [] })).toEqual({ from: 470, to: 694 });
});

test("a view of any width has two to ten round figures, all of them in it (property)", () => {
  const views = fc.tuple(fc.double({ min: 470, max: 690, noNaN: true }), fc.double({ min: 1, max: 224, noNaN: true }));
  fc.assert(
    fc.property(views, ([from, width]) => {
      const view = { from, to: from + width };
      const round = marks(view);
      expect(round.length).toBeGreaterThanOrEqual(2);
      expect(round.length).toBeLessThanOrEqual(12);
      for (const mark of round) {
        expect(xOf(view, mark)).toBeGreaterThanOrEqual(-1e-9);
        expect(xOf(view, mark)).toBeLessThanOrEqual(1 + 1e-9);
        // As it is written on the axis: no figure of many digits.
        expect(String(mark).length).toBeLessThanOrEqual(6);
      }
    }),
  );
});

test("levels are drawn from the top down and stay in the box; a column takes its strongest", () => {
  expect([yOf(-30), yOf(-115), yOf(20), yOf(-200)]).toEqual([0, 1, 0, 1]);
  const scan = { name: "x", fromMHz: 500, stepKHz: 1000, levelsDbm: [-100, -40, -100, -90], isSimulated: false };
  const path = scanPath(scan, { from: 500, to: 504 }, 2);
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
