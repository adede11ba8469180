import { HEAD_TURN_LIMIT_DEG } from "../body/headTurn";
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

const STEP_DEG = 5;

export function headDirections(faces: Facing): HeadDirections {
  return HEAD_DIRECTIONS[faces];
}

/** The directions of a range in steps of 5°, ends included. */
export function directionsBetween(fromDeg: number, toDeg: number): number[] {
  return Array.from({ length: Math.round((toDeg - fromDeg) / STEP_DEG) + 1 }, (_, index) => fromDeg + index * STEP_DEG);
}
