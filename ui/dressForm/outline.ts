/** A point of a view in shares of the person's height: across (to the right of the picture), up. */
export type ViewPoint = readonly [across: number, up: number];

/** Half outline of the front, from the neck down; the other half mirrors it. Drawing only, no measurement. */
const HALF_FRONT: readonly ViewPoint[] = [
  [0.031, 0.876],
  [0.034, 0.853],
  [0.06, 0.836],
  [0.108, 0.822],
  [0.129, 0.8],
  [0.118, 0.765],
  [0.104, 0.73],
  [0.096, 0.68],
  [0.084, 0.625],
  [0.09, 0.58],
  [0.104, 0.53],
  [0.106, 0.5],
];

const SIDE: readonly ViewPoint[] = [
  [0.014, 0.876],
  [0.022, 0.848],
  [0.05, 0.79],
  [0.06, 0.745],
  [0.053, 0.69],
  [0.044, 0.625],
  [0.052, 0.57],
  [0.05, 0.5],
  [-0.055, 0.5],
  [-0.064, 0.54],
  [-0.05, 0.6],
  [-0.052, 0.66],
  [-0.064, 0.745],
  [-0.056, 0.8],
  [-0.034, 0.845],
  [-0.032, 0.876],
];

const mirrored = (half: readonly ViewPoint[]): ViewPoint[] => half.map(([across, up]) => [-across, up] as const);

/** The outer and the inner edge of an arm that hangs a little away from the body, from the shoulder to the wrist. Drawing only. */
const ARM_OUTER: readonly ViewPoint[] = [
  [0.122, 0.822],
  [0.144, 0.8],
  [0.153, 0.765],
  [0.157, 0.72],
  [0.166, 0.65],
  [0.177, 0.6],
  [0.191, 0.54],
  [0.2, 0.488],
];
const ARM_INNER: readonly ViewPoint[] = [
  [0.112, 0.752],
  [0.121, 0.72],
  [0.134, 0.66],
  [0.147, 0.61],
  [0.164, 0.55],
  [0.179, 0.492],
];

/** Where the wrist is. */
export const WRIST_UP = 0.49;

/** Across, at a height, along an edge that is given from its top to its foot. */
function acrossAt(edge: readonly ViewPoint[], up: number): number {
  for (let index = 1; index < edge.length; index += 1) {
    const [[above, upAbove], [below, upBelow]] = [edge[index - 1]!, edge[index]!];
    if (up <= upAbove && up >= upBelow) return above + ((below - above) * (upAbove - up)) / (upAbove - upBelow || 1);
  }
  return up > edge[0]![1] ? edge[0]![0] : edge.at(-1)![0];
}

/** Where an arm goes into the body, between its two edges: under what covers the shoulder. */
export const ARM_ROOT: ViewPoint = [0.099, 0.79];

/** The edges of the arm on the right of the picture, from the shoulder down to a height and back up to the armpit, widened by so much. */
export function armEdges(toUp: number, wider: (up: number) => number): { outer: ViewPoint[]; inner: ViewPoint[] } {
  const down = (edge: readonly ViewPoint[], sign: 1 | -1): ViewPoint[] => {
    const above = edge.filter(([, up]) => up > toUp + 0.004);
    return [...above, [acrossAt(edge, toUp), toUp] as const].map(([across, up]) => [across + sign * wider(up), up]);
  };
  return { outer: down(ARM_OUTER, 1), inner: down(ARM_INNER, -1).toReversed() };
}

export type ViewName = "front" | "back" | "side";

export function bodyOutline(view: ViewName): readonly ViewPoint[] {
  return view === "side" ? SIDE : [...HALF_FRONT, ...mirrored(HALF_FRONT).reverse()];
}

/** Half width of the torso at a height, widened by ease, for drawing garments over it. */
export function halfWidthAt(up: number, ease: number): number {
  for (let index = 1; index < HALF_FRONT.length; index += 1) {
    const [acrossAbove, upAbove] = HALF_FRONT[index - 1]!;
    const [acrossBelow, upBelow] = HALF_FRONT[index]!;
    if (up <= upAbove && up >= upBelow) {
      const share = (upAbove - up) / (upAbove - upBelow || 1);
      return (acrossAbove + (acrossBelow - acrossAbove) * share) * ease;
    }
  }
  return HALF_FRONT.at(-1)![0] * ease;
}

/** Root of a distance, which keeps close points from making loops (centripetal). */
const rootDistance = (from: ViewPoint, to: ViewPoint) =>
  Math.sqrt(Math.hypot(to[0] - from[0], to[1] - from[1])) || 1e-9;

/** Control point beside `here` on its way to `next`, of the closed centripetal Catmull–Rom curve. */
export function controlPoint(before: ViewPoint, here: ViewPoint, next: ViewPoint): ViewPoint {
  const back = rootDistance(before, here);
  const ahead = rootDistance(here, next);
  const own = 2 * back * back + 3 * back * ahead + ahead * ahead;
  const mix = (axis: 0 | 1) =>
    (back * back * next[axis] - ahead * ahead * before[axis] + own * here[axis]) / (3 * back * (back + ahead));
  return [mix(0), mix(1)];
}

export const inPicture = ([across, up]: ViewPoint) => `${(across * 1000).toFixed(2)},${(-up * 1000).toFixed(2)}`;

/**
 * A closed smooth path through points; units: thousandths of the height, y downwards from the floor's zero.
 * Centripetal Catmull–Rom by its usual Bézier form; a drawing library for this alone would double what the form loads.
 */
export function smoothPath(points: readonly ViewPoint[]): string {
  const at = (index: number) => points[(index + points.length) % points.length]!;
  const curves = points.map((here, index) => {
    const next = at(index + 1);
    const leave = controlPoint(at(index - 1), here, next);
    const arrive = controlPoint(at(index + 2), next, here);
    return `C${inPicture(leave)} ${inPicture(arrive)} ${inPicture(next)}`;
  });
  return `M${inPicture(at(0))}${curves.join("")}Z`;
}

/** A path of straight seams. */
export function seamPath(points: readonly ViewPoint[], isClosed = true): string {
  const steps = points.map(([across, up], index) => `${index === 0 ? "M" : "L"}${across * 1000} ${-up * 1000}`);
  return `${steps.join("")}${isClosed ? "Z" : ""}`;
}
