import fc from "fast-check";
import { direction, type Talker } from "@/core/pickup";
import { curveRound, flatOf, frameOf, inPlane, mouthOf, project } from "./planSpace";

const TALKER: Talker = {
  id: "a",
  name: "A",
  wearerId: null,
  at: { xM: 4, yM: 3 },
  mouthM: 1.5,
  facesDeg: 90,
  turnsDeg: 0,
  effort: "normal",
  path: [],
  isInstrument: false,
};

const metres = fc.double({ min: -50, max: 50, noNaN: true });
const points = fc.array(fc.tuple(metres, metres, metres), { minLength: 1, maxLength: 12 });

test("from above north is up and east is right", () => {
  const flat = flatOf("above", TALKER);
  expect(project(flat, [1, 0, 9])).toEqual([1, -0]);
  expect(project(flat, [0, 1, 9])[1]).toBe(-1);
});

test("from the side the talker looks to the right, and up is up", () => {
  const flat = flatOf("side", TALKER);
  const [mouthX, mouthY] = project(flat, mouthOf(TALKER));
  expect([mouthX, mouthY]).toEqual([0, -1.5]);
  // One metre before a talker who looks east.
  expect(project(flat, [5, 3, 1.5])[0]).toBeCloseTo(1, 9);
  // What stands beside the line of sight does not move the drawing.
  expect(project(flat, [5, 8, 1.5])[0]).toBeCloseTo(1, 9);
  expect(flatOf("side", undefined)).toEqual(flatOf("above", undefined));
});

test("directions of a view lie in its plane and are one long", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 7, noNaN: true }),
      fc.constantFrom("above" as const, "side" as const),
      (turn, look) => {
        const flat = flatOf(look, { ...TALKER, facesDeg: 37 });
        const way = inPlane(flat, turn);
        expect(Math.hypot(...way)).toBeCloseTo(1, 9);
        const [x, y] = project({ ...flat, origin: [0, 0, 0] }, way);
        expect([x, y]).toEqual([expect.closeTo(Math.cos(turn), 9), expect.closeTo(-Math.sin(turn), 9)]);
      },
    ),
  );
});

test("a curve that reaches one metre all round is a circle, closed and without a gap", () => {
  const path = curveRound(flatOf("above", TALKER), [2, 2, 1], () => 1);
  expect(path.startsWith("M")).toBe(true);
  expect(path.endsWith("Z")).toBe(true);
  const corners = path
    .slice(1, -1)
    .split("L")
    .map((corner) => corner.split(" ").map(Number));
  for (const [x, y] of corners) expect(Math.hypot(x! - 2, y! + 2)).toBeCloseTo(1, 3);
});

test("a curve points where its direction points: a cardioid's front reaches farthest", () => {
  const front = direction(90);
  const flat = flatOf("above", TALKER);
  const path = curveRound(flat, [0, 0, 0], (way) => 0.5 + 0.5 * (way[0] * front[0] + way[1] * front[1]));
  const corners = path
    .slice(1, -1)
    .split("L")
    .map((corner) => corner.split(" ").map(Number));
  const farthest = corners.reduce((best, each) => (Math.hypot(...each) > Math.hypot(...best) ? each : best));
  expect(farthest[0]).toBeCloseTo(1, 3);
  expect(farthest[1]).toBeCloseTo(0, 3);
});

test("a frame is square, never too small, and holds everything with room round it (property)", () => {
  fc.assert(
    fc.property(points, fc.constantFrom("above" as const, "side" as const), (list, look) => {
      const flat = flatOf(look, TALKER);
      const frame = frameOf(flat, list);
      expect(frame.width).toBe(frame.height);
      expect(frame.width).toBeGreaterThanOrEqual(2.4);
      for (const point of list) {
        const [x, y] = project(flat, point);
        expect(x).toBeGreaterThan(frame.x);
        expect(x).toBeLessThan(frame.x + frame.width);
        expect(y).toBeGreaterThan(frame.y);
        expect(y).toBeLessThan(frame.y + frame.height);
      }
    }),
  );
});
