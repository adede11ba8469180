import { HALF_SHOULDER_SHARE, HEIGHT_SHARE, bodyScale, type Point } from "./landmarks";

/** Ways a lead takes to the pack at the back of the waist. */
export type CableRoute = "frontInside" | "overShoulder" | "frontToBack" | "headToBack";

/** Loop, slack and reserve that every lead needs, m. Common practice: a coin across; 3–5 cm at the capsule; 10 cm at the pack. */
const LOOP_DIAMETER_M = 0.02;
const CAPSULE_SLACK_M = 0.04;
const PACK_SLACK_M = 0.1;

export interface CablePlan {
  points: readonly Point[];
  pathM: number;
  /** Path, loop and slack together. */
  neededM: number;
  /** What is left of the lead: positive is coiled at the pack, negative is missing. */
  spareM: number;
}

/** The way from a site (with its side) along the body to the pack. Height 0.8…2.3 m. */
function routePoints(from: Point, route: CableRoute, heightM: number): Point[] {
  const scale = bodyScale(heightM);
  const side = from.xM < -0.01 ? -1 : 1;
  const half = HALF_SHOULDER_SHARE * heightM;
  const pack: Point = { xM: side * 0.09 * scale, yM: -0.1 * scale, zM: HEIGHT_SHARE.waist * heightM };
  const flank = (heightShare: number): Point => ({
    xM: side * half * 0.72,
    yM: 0,
    zM: heightShare * heightM,
  });
  const shoulder: Point = { xM: side * half * 0.5, yM: -0.01 * scale, zM: (HEIGHT_SHARE.shoulder + 0.008) * heightM };
  const nape: Point = { xM: 0, yM: -0.055 * scale, zM: 0.86 * heightM };
  const backHigh: Point = { xM: side * 0.06 * scale, yM: -0.11 * scale, zM: 0.76 * heightM };
  switch (route) {
    case "frontInside":
      return [
        from,
        { xM: from.xM + side * 0.05 * scale, yM: from.yM, zM: from.zM - 0.05 * scale },
        flank(0.68),
        flank(HEIGHT_SHARE.waist),
        pack,
      ];
    case "frontToBack":
      return [
        from,
        { xM: side * half * 0.55, yM: 0.06 * scale, zM: from.zM - 0.02 * scale },
        flank(0.71),
        { ...pack, xM: 0 },
      ];
    case "overShoulder":
      return [from, shoulder, backHigh, pack];
    case "headToBack":
      return [from, { xM: side * 0.075 * scale, yM: 0.01 * scale, zM: 0.94 * heightM }, nape, backHigh, pack];
  }
}

/**
 * Path and length of a lead from a site to the pack. Height 0.8…2.3 m, lead 0.3…5 m.
 * Straight lines between landmarks; cloth and posture add some centimetres, hence the slack. Common practice.
 */
export function planCable(from: Point, route: CableRoute, heightM: number, leadM: number): CablePlan {
  const points = routePoints(from, route, heightM);
  let pathM = 0;
  points.slice(1).forEach((point, index) => {
    const last = points[index]!;
    pathM += Math.hypot(point.xM - last.xM, point.yM - last.yM, point.zM - last.zM);
  });
  const neededM = pathM + Math.PI * LOOP_DIAMETER_M + CAPSULE_SLACK_M + PACK_SLACK_M;
  return { points, pathM, neededM, spareM: leadM - neededM };
}
