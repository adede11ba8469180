import type { Point } from "@/core/body";
import type { ViewName } from "./outline";

/** Where a point of the body lands in a view, in thousandths of the height. Front views face us: their right is our left. */
export function project(point: Point, heightM: number, view: ViewName): [number, number] {
  const across = view === "front" ? -point.xM : view === "back" ? point.xM : point.yM;
  return [(across / heightM) * 1000, (-point.zM / heightM) * 1000];
}

/** Whether a point is on the side of the body that a view shows. */
export function isInView(point: Point, view: ViewName): boolean {
  return view === "side" || (view === "front" ? point.yM > -0.03 : point.yM < 0.03);
}

/** The part of a lead that a view shows, as a path. */
export function cablePath(points: readonly Point[], heightM: number, view: ViewName): string {
  let path = "";
  points.slice(1).forEach((point, index) => {
    const last = points[index]!;
    if (!isInView(point, view) && !isInView(last, view)) return;
    if (view !== "side" && isInView(point, view) !== isInView(last, view) && Math.abs(point.yM) > 0.06) return;
    path += `M${project(last, heightM, view).join(" ")}L${project(point, heightM, view).join(" ")}`;
  });
  return path;
}
