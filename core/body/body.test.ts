import fc from "fast-check";
import { planCable, type CableRoute } from "./cableRoute";
import { seenFromMouth, turnWithHead, turnedMouth } from "./headTurn";

const heights = fc.double({ min: 0.8, max: 2.3, noNaN: true });
const turns = fc.integer({ min: -75, max: 75 });

describe("head turn", () => {
  test("the lips stay on their circle and the axis stays of length one", () => {
    fc.assert(
      fc.property(heights, turns, (heightM, turnDeg) => {
        const { lips, axis } = turnedMouth(heightM, turnDeg);
        expect(Math.hypot(lips.xM, lips.yM)).toBeCloseTo(turnedMouth(heightM, 0).lips.yM, 9);
        expect(Math.hypot(axis.x, axis.y, axis.z)).toBeCloseTo(1, 9);
      }),
    );
  });

  test("a point on the head keeps its distance and angle whatever the turn", () => {
    fc.assert(
      fc.property(turns, (turnDeg) => {
        const point = { xM: 0.05, yM: 0.08, zM: 1.65 };
        const before = seenFromMouth(turnedMouth(1.7, 0), point);
        const after = seenFromMouth(turnedMouth(1.7, turnDeg), turnWithHead(point, turnDeg));
        expect(after.distanceM).toBeCloseTo(before.distanceM, 9);
        expect(after.offAxisDeg).toBeCloseTo(before.offAxisDeg, 6);
      }),
    );
  });

  test("turning right brings the right side nearer", () => {
    const rightLapel = { xM: 0.09, yM: 0.1, zM: 1.28 };
    const straight = seenFromMouth(turnedMouth(1.75, 0), rightLapel).distanceM;
    expect(seenFromMouth(turnedMouth(1.75, 45), rightLapel).distanceM).toBeLessThan(straight);
    expect(seenFromMouth(turnedMouth(1.75, -45), rightLapel).distanceM).toBeGreaterThan(straight);
  });
});

describe("cable", () => {
  const routes: CableRoute[] = ["frontInside", "overShoulder", "frontToBack", "headToBack"];

  test.each(routes)("%s: needs path, loop and slack, and the rest is spare", (route) => {
    fc.assert(
      fc.property(heights, fc.double({ min: 0.3, max: 5, noNaN: true }), (heightM, leadM) => {
        const plan = planCable({ xM: 0, yM: 0.1, zM: 0.73 * heightM }, route, heightM, leadM);
        expect(plan.neededM).toBeCloseTo(plan.pathM + Math.PI * 0.02 + 0.14, 9);
        expect(plan.spareM).toBeCloseTo(leadM - plan.neededM, 9);
        expect(plan.points.length).toBeGreaterThanOrEqual(4);
      }),
    );
  });

  test("a tall person needs more lead than a child", () => {
    const need = (heightM: number) =>
      planCable({ xM: 0, yM: 0.1, zM: 0.73 * heightM }, "overShoulder", heightM, 1.6).neededM;
    expect(need(1.9)).toBeGreaterThan(need(1.1) + 0.2);
  });
});
