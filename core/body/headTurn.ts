import { HEIGHT_SHARE, mouthForwardM, type Point } from "./landmarks";

/** How far people turn their heads in a scene without turning the chest, degrees. Common practice. */
export const HEAD_TURN_LIMIT_DEG = 75;

/** Lips and their axis with the head turned. */
export interface TurnedMouth {
  lips: Point;
  /** Unit vector out of the mouth. */
  axis: { x: number; y: number; z: number };
}

/** Lips with the head turned by `turnDeg` (positive to the wearer's right), on a circle round the neck. Height 0.8…2.3 m. */
export function turnedMouth(heightM: number, turnDeg: number): TurnedMouth {
  const turn = (turnDeg * Math.PI) / 180;
  const radius = mouthForwardM(heightM);
  const axis = { x: Math.sin(turn), y: Math.cos(turn), z: 0 };
  return {
    lips: { xM: radius * axis.x, yM: radius * axis.y, zM: HEIGHT_SHARE.mouth * heightM },
    axis,
  };
}

/** A point that rides on the head, after the turn. */
export function turnWithHead(point: Point, turnDeg: number): Point {
  const turn = (turnDeg * Math.PI) / 180;
  return {
    xM: point.xM * Math.cos(turn) + point.yM * Math.sin(turn),
    yM: point.yM * Math.cos(turn) - point.xM * Math.sin(turn),
    zM: point.zM,
  };
}

/** Distance (m) and angle off the mouth's axis (degrees, 0…180) of a point seen from the lips. */
export function seenFromMouth(mouth: TurnedMouth, point: Point): { distanceM: number; offAxisDeg: number } {
  const x = point.xM - mouth.lips.xM;
  const y = point.yM - mouth.lips.yM;
  const z = point.zM - mouth.lips.zM;
  const distanceM = Math.hypot(x, y, z);
  const along = (x * mouth.axis.x + y * mouth.axis.y + z * mouth.axis.z) / distanceM;
  return { distanceM, offAxisDeg: (Math.acos(Math.min(1, Math.max(-1, along))) * 180) / Math.PI };
}
