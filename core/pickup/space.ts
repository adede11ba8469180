/** A point or direction in space: x east, y north, z up, m. */
export type Vec = readonly [x: number, y: number, z: number];

export const subtract = (to: Vec, from: Vec): Vec => [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
export const length = ([x, y, z]: Vec): number => Math.hypot(x, y, z);
export const dot = (one: Vec, other: Vec): number => one[0] * other[0] + one[1] * other[1] + one[2] * other[2];

const RADIANS = Math.PI / 180;

/** Unit direction of a bearing (0 north, 90 east) and a tilt (+ up), degrees. */
export function direction(bearingDeg: number, tiltDeg = 0): Vec {
  const flat = Math.cos(tiltDeg * RADIANS);
  return [Math.sin(bearingDeg * RADIANS) * flat, Math.cos(bearingDeg * RADIANS) * flat, Math.sin(tiltDeg * RADIANS)];
}

/** Bearing and tilt from one point to another, degrees. */
export function aimAt(from: Vec, to: Vec): { bearingDeg: number; tiltDeg: number } {
  const [x, y, z] = subtract(to, from);
  return {
    bearingDeg: Math.atan2(x, y) / RADIANS,
    tiltDeg: Math.atan2(z, Math.hypot(x, y)) / RADIANS,
  };
}

/** Cosine of the angle between two directions; 1 when either has no length. */
export function cosineBetween(one: Vec, other: Vec): number {
  const size = length(one) * length(other);
  return size < 1e-12 ? 1 : Math.max(-1, Math.min(1, dot(one, other) / size));
}

export const degreesOf = (cosine: number): number => Math.acos(cosine) / RADIANS;
