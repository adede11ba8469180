import { rowsById } from "../schema";
import { amplitudeToDb, powerToDb, ROOM_AIR, speedOfSoundMps } from "../sound";

interface Row {
  name: string;
  /** p(θ) = a + b·cosθ, 1 on axis. */
  a: number;
  b: number;
}

/** First-order patterns. Source: microphone handbooks. */
const ROWS = {
  omni: { name: "omnidirectional", a: 1, b: 0 },
  subcardioid: { name: "subcardioid", a: 0.7, b: 0.3 },
  cardioid: { name: "cardioid", a: 0.5, b: 0.5 },
  supercardioid: { name: "supercardioid", a: 0.366, b: 0.634 },
  hypercardioid: { name: "hypercardioid", a: 0.25, b: 0.75 },
  figureEight: { name: "figure-eight", a: 0, b: 1 },
} satisfies Record<string, Row>;

export type PatternId = keyof typeof ROWS;
export const PATTERNS = rowsById<PatternId, Row>(ROWS);
export const PATTERN_IDS = Object.keys(ROWS) as PatternId[];

const SPEED_MPS = speedOfSoundMps(ROOM_AIR.temperatureC);

/** Sensitivity of a pattern re its axis, −1…1, for the cosine of the angle off axis. Plane waves. */
export function patternGain(pattern: PatternId, cosine: number): number {
  const { a, b } = PATTERNS[pattern];
  return a + b * cosine;
}

/** Random energy efficiency: what a pattern takes in from all round, re omnidirectional: a² + b²/3. Source: handbooks. */
export function randomEnergy(pattern: PatternId): number {
  const { a, b } = PATTERNS[pattern];
  return a * a + (b * b) / 3;
}

/** How much farther than an omnidirectional one a pattern may stand for the same share of room: REE^−½. */
export function distanceFactor(pattern: PatternId): number {
  return randomEnergy(pattern) ** -0.5;
}

/** Whole angle in which a pattern is at most so many dB (> 0) below its axis, degrees; 360 when it never falls so far. */
export function acceptanceArcDeg(pattern: PatternId, downDb: number): number {
  const { a, b } = PATTERNS[pattern];
  const cosine = b === 0 ? -1 : (10 ** (-downDb / 20) - a) / b;
  return cosine <= -1 ? 360 : (2 * Math.acos(cosine) * 180) / Math.PI;
}

/** Angle off axis at which a pattern is deaf, degrees; null when it is nowhere. */
export function nullDeg(pattern: PatternId): number | null {
  const { a, b } = PATTERNS[pattern];
  return b === 0 || a > b ? null : (Math.acos(-a / b) * 180) / Math.PI;
}

/**
 * Sensitivity to a point source `distanceM` away (≥ 0.01 m), re the same pattern's axis in a plane wave, ≥ 0: near by,
 * pressure gradients take in the lows more. Source: |a + b·cosθ·(1 + 1/(jkr))|, microphone handbooks.
 */
export function nearGain(pattern: PatternId, cosine: number, hz: number, distanceM: number): number {
  const { a, b } = PATTERNS[pattern];
  const kr = (2 * Math.PI * hz * Math.max(distanceM, 0.01)) / SPEED_MPS;
  return Math.hypot(a + b * cosine, (b * cosine) / kr);
}

/** Proximity lift on axis, dB re far away. */
export function proximityDb(pattern: PatternId, hz: number, distanceM: number): number {
  return amplitudeToDb(nearGain(pattern, 1, hz, distanceM) / patternGain(pattern, 1));
}

/** Level of a pattern at an angle off axis, dB re its axis; −∞ where it is deaf. */
export function patternDb(pattern: PatternId, angleDeg: number): number {
  const gain = Math.abs(patternGain(pattern, Math.cos((angleDeg * Math.PI) / 180)));
  return gain < 1e-9 ? -Infinity : amplitudeToDb(gain);
}

/** Frequency above which an interference tube narrows the pattern, Hz: c/(2·L). */
export function tubeCutoffHz(tubeM: number): number {
  return SPEED_MPS / (2 * tubeM);
}

/**
 * What an interference tube leaves of sound off axis, 0…1; 1 on axis and without a tube.
 * Source: line microphone, sin(x)/x with x = π·L/λ·(1 − cosθ) (Olson), simplified.
 */
export function tubeGain(tubeM: number, cosine: number, hz: number): number {
  const x = (Math.PI * tubeM * hz * (1 - cosine)) / SPEED_MPS;
  return Math.abs(x) < 1e-6 ? 1 : Math.abs(Math.sin(x) / x);
}

const SPHERE_STEPS = 180;

/** Random energy efficiency with a tube, by integration over the sphere; without one the closed form. */
export function randomEnergyWithTube(pattern: PatternId, tubeM: number, hz: number): number {
  if (tubeM === 0) return randomEnergy(pattern);
  let sum = 0;
  // Even steps of the cosine are even areas of the sphere.
  for (let step = 0; step < SPHERE_STEPS; step += 1) {
    const cosine = -1 + (2 * (step + 0.5)) / SPHERE_STEPS;
    sum += (patternGain(pattern, cosine) * tubeGain(tubeM, cosine, hz)) ** 2;
  }
  return sum / SPHERE_STEPS;
}

/** REE in dB, as handbooks list it. */
export function randomEnergyDb(pattern: PatternId): number {
  return powerToDb(randomEnergy(pattern));
}
