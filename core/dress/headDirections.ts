import { HEAD_TURN_LIMIT_DEG } from "../body";
import type { Facing } from "./outfit";

/** Where a head points during a scene, degrees; positive is the wearer's right. */
export interface HeadDirections {
  mainDeg: number;
  fromDeg: number;
  toDeg: number;
}

/** Head directions by whom somebody faces. Common practice; the arcs are estimates. */
const HEAD_DIRECTIONS: Record<Facing, HeadDirections> = {
  camera: { mainDeg: 0, fromDeg: -20, toDeg: 20 },
  left: { mainDeg: -40, fromDeg: -60, toDeg: 5 },
  right: { mainDeg: 40, fromDeg: -5, toDeg: 60 },
  round: { mainDeg: 0, fromDeg: -HEAD_TURN_LIMIT_DEG, toDeg: HEAD_TURN_LIMIT_DEG },
};

/** Directions that a scene's arc is looked at in. */
export const DIRECTIONS = 13;

export function headDirections(faces: Facing): HeadDirections {
  return HEAD_DIRECTIONS[faces];
}

/** Evenly spaced directions of a range, ends included, degrees. */
export function directionsBetween(fromDeg: number, toDeg: number, count = DIRECTIONS): number[] {
  return Array.from({ length: count }, (_, index) => fromDeg + ((toDeg - fromDeg) * index) / (count - 1));
}

/** The directions a scene's levels are worked out for, degrees. */
export function sceneDirections(faces: Facing): number[] {
  const { fromDeg, toDeg } = HEAD_DIRECTIONS[faces];
  return directionsBetween(fromDeg, toDeg);
}
