import { direction, dot, type PlacedMic, subtract, type Talker, type Vec } from "@/core/pickup";

/** From above, or from the side of a talker. */
export type Look = "above" | "side";

/** How a view lays space flat: u to the right, v upwards, m. */
export interface Flat {
  u: Vec;
  v: Vec;
  origin: Vec;
}

export const mouthOf = ({ at, mouthM }: Talker): Vec => [at.xM, at.yM, mouthM];
export const capsuleOf = ({ at, heightM }: PlacedMic): Vec => [at.xM, at.yM, heightM];

/** From above north is up; from the side the first talker looks to the right. */
export function flatOf(look: Look, talker: Talker | undefined): Flat {
  if (look === "above" || !talker) return { u: [1, 0, 0], v: [0, 1, 0], origin: [0, 0, 0] };
  return { u: direction(talker.facesDeg), v: [0, 0, 1], origin: [talker.at.xM, talker.at.yM, 0] };
}

/** A point on the drawing, y downwards. */
export function project({ u, v, origin }: Flat, point: Vec): [x: number, y: number] {
  const from = subtract(point, origin);
  return [dot(u, from), -dot(v, from)];
}

/** A direction in the plane of the drawing, by its angle from u towards v. */
export function inPlane({ u, v }: Flat, angle: number): Vec {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return [c * u[0] + s * v[0], c * u[1] + s * v[1], c * u[2] + s * v[2]];
}

/** A closed curve round a point: how far it reaches in each direction of the plane. */
export function curveRound(flat: Flat, point: Vec, reach: (way: Vec) => number): string {
  const [x, y] = project(flat, point);
  const steps = 90;
  const points = Array.from({ length: steps }, (_, index) => {
    const angle = (2 * Math.PI * index) / steps;
    const far = reach(inPlane(flat, angle));
    return `${(x + far * Math.cos(angle)).toFixed(4)} ${(y - far * Math.sin(angle)).toFixed(4)}`;
  });
  return `M${points.join("L")}Z`;
}

export interface Frame {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Smallest view, m, and what is left round what is in it. */
const SMALLEST_M = 2.4;
const MARGIN_M = 0.7;

/** The part of the drawing that holds these points, with room round them. */
export function frameOf(flat: Flat, points: readonly Vec[]): Frame {
  const flatPoints = points.map((point) => project(flat, point));
  const xs = flatPoints.map(([x]) => x);
  const ys = flatPoints.map(([, y]) => y);
  const size = Math.max(
    SMALLEST_M,
    Math.max(...xs) - Math.min(...xs) + 2 * MARGIN_M,
    Math.max(...ys) - Math.min(...ys) + 2 * MARGIN_M,
  );
  const [x, y] = [(Math.max(...xs) + Math.min(...xs)) / 2, (Math.max(...ys) + Math.min(...ys)) / 2];
  return { x: x - size / 2, y: y - size / 2, width: size, height: size };
}
