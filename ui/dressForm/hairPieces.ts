import type { Hair } from "@/core/dress";
import type { ViewName } from "./outline";
import { type Node } from "./pen";
import { type Piece } from "./piece";
import { closed, cloth } from "./shapes";

/** Hair on a head seen from the side, down to a height at the nape. */
const sideHair = (nape: number): string =>
  closed(
    [0.052, 0.982, "corner"],
    [0.02, 1.01],
    [-0.03, 0.998],
    [-0.054, 0.945],
    [-0.05, nape + 0.02],
    [-0.036, nape, "corner"],
    [-0.016, nape + 0.02],
    [-0.012, 0.952],
    [0.026, 0.968],
  );

/** The same from the front or the back, with its foot at a height. */
const faceHair = (foot: number, width: number, isBack: boolean): string =>
  closed(
    [-width, foot, "corner"],
    [-width, 0.965],
    [0, 1.012],
    [width, 0.965],
    [width, foot, "corner"],
    ...(isBack
      ? ([[0, foot - 0.012]] as Node[])
      : ([
          [width * 0.76, 0.962],
          [0, 0.982],
          [-width * 0.76, 0.962],
        ] as Node[])),
  );

/** Hair on the head. Drawing only. */
export function hairPieces(hair: Hair, view: ViewName): Piece[] {
  const isBack = view === "back";
  const tail =
    view === "side"
      ? closed([-0.048, 0.955, "corner"], [-0.085, 0.93], [-0.088, 0.87], [-0.074, 0.84, "corner"], [-0.062, 0.89])
      : closed([-0.01, 0.95, "corner"], [-0.022, 0.9], [-0.006, 0.84, "corner"], [0.02, 0.9], [0.012, 0.95, "corner"]);
  switch (hair) {
    case "short":
      return [cloth(view === "side" ? sideHair(0.905) : faceHair(0.935, 0.05, isBack))];
    case "wig":
      return [cloth(view === "side" ? sideHair(0.87) : faceHair(0.895, 0.058, isBack))];
    case "tied":
      return [
        cloth(view === "side" ? sideHair(0.92) : faceHair(0.94, 0.05, isBack)),
        ...(view === "front" ? [] : [cloth(tail)]),
      ];
    case "loose":
      return [cloth(view === "side" ? sideHair(0.84) : faceHair(0.85, 0.058, isBack))];
    case "bald":
    case "unknown":
      return [];
  }
}
