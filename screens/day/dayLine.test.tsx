/** @jest-environment jsdom */
import { cleanup, render, screen } from "@testing-library/react";
import fc from "fast-check";
import { dayStrip, type StripMoment } from "@/core/planning";
import { SLACK_WATER } from "@/demo/slackWater";
import { bundleOf } from "@/fixtures/testStore";
import { sayIn } from "@/messages";
import { DayLine, namePlace, rowsOf } from "./DayLine";

afterEach(() => {
  cleanup();
  sayIn({ units: "metric", clock: "24" });
});

const within = { fromMin: 480, toMin: 1080 };
const strip = dayStrip(bundleOf(SLACK_WATER), 1)!;
const items = () => screen.getAllByRole("listitem").map(({ textContent }) => textContent);

test("marks never cover each other, and take as few rows as they need (property)", () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 480, max: 1080 }), { maxLength: 20 }), (times) => {
      const moments = times
        .toSorted((one, other) => one - other)
        .map((atMin): StripMoment => ({ kind: "card", atMin, card: 1 }));
      const placed = rowsOf(moments, within, 0.1);
      expect(placed).toHaveLength(moments.length);
      for (const one of placed)
        for (const other of placed)
          if (one !== other && one.row === other.row)
            expect(Math.abs(one.moment.atMin - other.moment.atMin)).toBeGreaterThanOrEqual(60 - 1e-6);
      // At no moment are there more rows than marks that reach over it.
      const most = Math.max(
        0,
        ...times.map((at) => times.filter((each) => each <= at && each > at - 60 - 1e-6).length),
      );
      expect(Math.max(0, ...placed.map(({ row }) => row + 1))).toBeLessThanOrEqual(most);
    }),
  );
});

test("a name stands in its scene, after a short one where there is room, and is cut where there is none", () => {
  const scene = (title: string, fromMin: number, minutes: number) => ({
    ...{ id: title, title, fromMin },
    toMin: fromMin + minutes,
  });
  const scenes = [
    scene("Long", 480, 120),
    scene("Interview in the yard", 620, 15),
    scene("Interview in the barn", 900, 15),
    scene("Interview at the weir", 930, 15),
  ];
  expect(scenes.map((_, index) => namePlace(scenes, index, within))).toEqual(["in", "after", "in", "after"]);
  expect(namePlace([scene("Interview at the weir", 1060, 15)], 0, within)).toBe("in");
});

test("what the strip shows is a list for who cannot see it", () => {
  render(<DayLine strip={strip} />);
  const said = items();
  expect(said).toContain("09:30 to 10:30: Interview with the miller");
  expect(said).toContain("09:15: call Tam, miller");
  expect(said.some((each) => /^Tide quay: .*ferry/.test(each))).toBe(true);
  expect(said.some((each) => /^\d\d:\d\d: change batteries: /.test(each))).toBe(true);
});

test("by a clock of twelve hours it says so", () => {
  sayIn({ units: "metric", clock: "12" });
  render(<DayLine strip={strip} />);
  expect(items()).toContain("9:30 am to 10:30 am: Interview with the miller");
});
