import { HALF_SHOULDER_SHARE, HEIGHT_SHARE, bodyScale, type Point } from "./landmarks";

/** The way a lead leaves its site. */
export type CableRoute = "frontInside" | "overShoulder" | "frontToBack" | "headToBack";

/** Where on the body a pack is carried. */
export const PACK_PLACE_IDS = [
  "waistBack",
  "smallOfBack",
  "backPocket",
  "innerPocket",
  "bibPocket",
  "upperArm",
  "thigh",
  "ankle",
  "waistSide",
  "wheelchair",
  "underHat",
] as const;
export type PackPlaceId = (typeof PACK_PLACE_IDS)[number];

/** Slack and reserve that every lead needs, m, and the loop's width. Common practice: 3–5 cm, 10 cm, a coin across. */
export const CAPSULE_SLACK_M = 0.04;
export const PACK_SLACK_M = 0.1;
export const LOOP_DIAMETER_M = 0.02;

export interface CablePlan {
  points: readonly Point[];
  pathM: number;
  /** Path, loop and slack together. */
  neededM: number;
  /** What is left of the lead: positive is coiled at the pack, negative is missing. */
  spareM: number;
}

/** Landmarks a lead passes on one side of a person. */
function landmarksOf(side: -1 | 1, heightM: number) {
  const scale = bodyScale(heightM);
  const half = HALF_SHOULDER_SHARE * heightM;
  const at = (xM: number, yM: number, heightShare: number): Point => ({
    xM,
    yM: yM * scale,
    zM: heightShare * heightM,
  });
  return {
    flank: at(side * half * 0.72, 0, 0.68),
    flankWaist: at(side * half * 0.7, 0, HEIGHT_SHARE.waist),
    hip: at(side * half * 0.78, 0, HEIGHT_SHARE.hip),
    shoulder: at(side * half * 0.5, -0.01, HEIGHT_SHARE.shoulder + 0.008),
    ear: at(side * 0.075 * scale, 0.01, 0.94),
    nape: at(0, -0.055, 0.86),
    backHigh: at(side * 0.06 * scale, -0.11, 0.76),
    arm: at(side * half * 1.12, 0, 0.74),
    pack: {
      waistBack: at(side * 0.09 * scale, -0.1, HEIGHT_SHARE.waist),
      smallOfBack: at(0, -0.1, 0.63),
      backPocket: at(side * half * 0.5, -0.11, HEIGHT_SHARE.hip),
      innerPocket: at(side * half * 0.55, 0.09, 0.7),
      bibPocket: at(0, 0.1, 0.68),
      upperArm: at(side * half * 1.12, 0, 0.72),
      thigh: at(side * half * 0.55, 0.04, 0.43),
      ankle: at(side * half * 0.5, 0, 0.07),
      waistSide: at(side * half * 0.72, 0.01, HEIGHT_SHARE.waist),
      wheelchair: at(side * half * 1.2, -0.15, 0.62),
      underHat: at(0, -0.02, 0.985),
    } satisfies Record<PackPlaceId, Point>,
  };
}

/** What lies between a site's way out and the pack. */
function wayBetween(route: CableRoute, pack: PackPlaceId, marks: ReturnType<typeof landmarksOf>): Point[] {
  const { shoulder, nape, ear, backHigh, flank, flankWaist, hip } = marks;
  const isLow = pack === "thigh" || pack === "ankle";
  const isFront = pack === "innerPocket" || pack === "bibPocket";
  const fromHead = [ear, nape];
  if (pack === "underHat") return route === "headToBack" ? [ear] : [shoulder, nape];
  if (pack === "upperArm") return route === "headToBack" ? [...fromHead, shoulder] : [shoulder];
  if (isFront) return route === "headToBack" ? [...fromHead, shoulder] : [];
  switch (route) {
    case "headToBack":
      return isLow ? [...fromHead, backHigh, flankWaist, hip] : [...fromHead, backHigh];
    case "overShoulder":
      return isLow ? [shoulder, backHigh, flankWaist, hip] : [shoulder, backHigh];
    case "frontToBack":
    case "frontInside":
      if (pack === "waistSide") return [flank];
      return isLow ? [flank, flankWaist, hip] : [flank, flankWaist];
  }
}

/**
 * Path and length of a lead from a site to the pack. Height 0.8…2.3 m, lead 0.3…5 m.
 * Straight lines between landmarks; cloth and posture add some centimetres, hence the slack. Common practice.
 */
export function planCable(
  from: Point,
  route: CableRoute,
  heightM: number,
  leadM: number,
  pack: PackPlaceId = "waistBack",
): CablePlan {
  const marks = landmarksOf(from.xM < -0.01 ? -1 : 1, heightM);
  const points = [from, ...wayBetween(route, pack, marks), marks.pack[pack]];
  let pathM = 0;
  points.slice(1).forEach((point, index) => {
    const last = points[index]!;
    pathM += Math.hypot(point.xM - last.xM, point.yM - last.yM, point.zM - last.zM);
  });
  const neededM = pathM + Math.PI * LOOP_DIAMETER_M + CAPSULE_SLACK_M + PACK_SLACK_M;
  return { points, pathM, neededM, spareM: leadM - neededM };
}
