import fc from "fast-check";
import { HEARD_RIPPLE_DB } from "./combing";
import { handCombing, handsOn } from "./hands";
import type { PlacedMic } from "./pickupSetup";
import type { Vec } from "./space";

const MIC: PlacedMic = {
  id: "m",
  microphone: "standCardioid",
  pattern: "omni",
  holder: "stand",
  at: { xM: 0, yM: 0 },
  heightM: 1,
  aimsDeg: 0,
  tiltDeg: 0,
  hasScreen: false,
  handsM: 0.1,
};
const AT: Vec = [0, 0, 1];
const FRONT: Vec = [0, 1, 0];
const MOUTH: Vec = [0, 0.4, 1];
const every = () => 1;
/** A cardioid that looks at the mouth. */
const cardioid = ([x, y, z]: Vec) => 0.5 + (0.5 * y) / Math.max(1e-9, Math.hypot(x, y, z - 1));

const hear = (change: Partial<PlacedMic> = {}, gainFrom: (point: Vec) => number = every) =>
  handCombing({ ...MIC, ...change }, AT, FRONT, MOUTH, gainFrom);

test("no hand, no colour; what is held has a hand on it", () => {
  expect(hear({ handsM: null })).toBeNull();
  expect([handsOn("stand"), handsOn("hand"), handsOn("phone")]).toEqual([null, 0.1, 0.03]);
});

test("a hand 10 cm beside an omni at 40 cm (worked by hand)", () => {
  // √(0.4² + 0.1²) + 0.1 − 0.4 = 0.1123 m later: first notch at 343.2/(2·0.1123) = 1528 Hz.
  const combing = hear()!;
  expect(combing.notchHz).toBeCloseTo(1528, -1);
  // a = 2·0.4123·0.1/0.5123 = 0.161 m: it reflects fully from 343.2·0.161/0.032 = 1726 Hz on.
  const share = ((1528 / 1726) * Math.SQRT1_2 * 0.4) / 0.5123;
  expect(combing.rippleDb).toBeCloseTo(20 * Math.log10((1 + share) / (1 - share)), 1);
});

test("a hand behind a cardioid colours little, behind an omni it does (common practice)", () => {
  const held: Partial<PlacedMic> = { holder: "hand" };
  expect(hear(held, cardioid)!.rippleDb).toBeLessThan(0.5);
  expect(hear(held)!.rippleDb).toBeGreaterThan(HEARD_RIPPLE_DB);
});

test("nearer hands move the notch up, and no distance gives anything but a finite ripple (property)", () => {
  const metres = fc.double({ min: 0.02, max: 0.5, noNaN: true });
  fc.assert(
    fc.property(metres, metres, (one, other) => {
      const [near, far] = [hear({ handsM: Math.min(one, other) })!, hear({ handsM: Math.max(one, other) })!];
      expect(near.notchHz).toBeGreaterThanOrEqual(far.notchHz);
      expect(Number.isFinite(near.rippleDb) && near.rippleDb >= 0).toBe(true);
    }),
  );
  expect(handCombing(MIC, AT, FRONT, AT, every)!.rippleDb).toBeGreaterThan(0);
});
