/** Sides of a place. North is the top of its plan; the inner walls are those of an L's notch. */
export const SURFACE_IDS = ["floor", "ceiling", "north", "east", "south", "west", "innerNorth", "innerEast"] as const;
export type SurfaceId = (typeof SURFACE_IDS)[number];

export const SURFACE_NAMES: Record<SurfaceId, string> = {
  floor: "floor",
  ceiling: "ceiling",
  north: "north wall",
  east: "east wall",
  south: "south wall",
  west: "west wall",
  innerNorth: "inner north wall",
  innerEast: "inner east wall",
};

/** Outer measures of a place, m; an L lacks its north-east corner of cutLengthM × cutWidthM. */
export interface Shape {
  setting: "box" | "lShape" | "open" | "vehicle";
  lengthM: number;
  widthM: number;
  heightM: number;
  cutLengthM: number;
  cutWidthM: number;
}

/** A corner on the plan: x from the west wall, y from the south wall, m. */
export type PlanPoint = readonly [xM: number, yM: number];

export interface Wall {
  surface: SurfaceId;
  from: PlanPoint;
  to: PlanPoint;
}

/** The walls round the plan, against the clock from the south-west corner. In the open they only bound the drawing. */
export function wallsOf({ setting, lengthM, widthM, cutLengthM, cutWidthM }: Shape): Wall[] {
  const [east, north] = [lengthM, widthM];
  if (setting !== "lShape")
    return [
      { surface: "south", from: [0, 0], to: [east, 0] },
      { surface: "east", from: [east, 0], to: [east, north] },
      { surface: "north", from: [east, north], to: [0, north] },
      { surface: "west", from: [0, north], to: [0, 0] },
    ];
  const innerX = lengthM - cutLengthM;
  const innerY = widthM - cutWidthM;
  return [
    { surface: "south", from: [0, 0], to: [east, 0] },
    { surface: "east", from: [east, 0], to: [east, innerY] },
    { surface: "innerNorth", from: [east, innerY], to: [innerX, innerY] },
    { surface: "innerEast", from: [innerX, innerY], to: [innerX, north] },
    { surface: "north", from: [innerX, north], to: [0, north] },
    { surface: "west", from: [0, north], to: [0, 0] },
  ];
}

export function surfacesOf(shape: Shape): SurfaceId[] {
  return ["floor", "ceiling", ...wallsOf(shape).map(({ surface }) => surface)];
}

/** Area of the plan, m². */
export function planAreaM2({ setting, lengthM, widthM, cutLengthM, cutWidthM }: Shape): number {
  return lengthM * widthM - (setting === "lShape" ? cutLengthM * cutWidthM : 0);
}

/** Volume, m³. */
export function volumeM3(shape: Shape): number {
  return planAreaM2(shape) * shape.heightM;
}

/** Area of one side, m²; 0 for a side that the shape has not. */
export function surfaceAreaM2(shape: Shape, surface: SurfaceId): number {
  if (surface === "floor" || surface === "ceiling") return planAreaM2(shape);
  const wall = wallsOf(shape).find((each) => each.surface === surface);
  if (!wall) return 0;
  return Math.hypot(wall.to[0] - wall.from[0], wall.to[1] - wall.from[1]) * shape.heightM;
}

/** Whether a point of the plan lies inside the place. */
export function isInside(shape: Shape, [xM, yM]: PlanPoint): boolean {
  const { setting, lengthM, widthM, cutLengthM, cutWidthM } = shape;
  if (xM < 0 || yM < 0 || xM > lengthM || yM > widthM) return false;
  return setting !== "lShape" || xM <= lengthM - cutLengthM || yM <= widthM - cutWidthM;
}
