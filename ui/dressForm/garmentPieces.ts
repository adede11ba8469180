import { type Fit, GARMENTS, type Layer } from "@/core/dress";
import { bodyOutline, type ViewName, WRIST_UP } from "./outline";
import { overPieces } from "./overs";
import { type Node, penPath } from "./pen";
import { LOWEST, type Piece } from "./piece";
import { topBack, topFront, tube } from "./tops";

const SIDE_EASE: Record<Fit, number> = { tight: 1.03, fitted: 1.1, loose: 1.22 };

/** An arm seen from the side, down to a height; a sleeve is so much wider. */
export function sideArm(toUp: number, wider: number): Node[] {
  const at = (up: number): number => -0.006 + (0.8 - up) * 0.05;
  const half = (up: number): number => 0.034 - (0.8 - up) * 0.04 + wider;
  const ups = [0.77, 0.7, 0.63, 0.56].filter((up) => up > toUp + 0.02);
  return [
    [at(0.82), 0.824],
    ...ups.map((up): Node => [at(up) + half(up), up]),
    [at(toUp) + half(toUp), toUp, "corner"],
    [at(toUp) - half(toUp), toUp, "corner"],
    ...ups.toReversed().map((up): Node => [at(up) - half(up), up]),
  ];
}

function sideOf(layer: Layer): Piece[] {
  const { shape, sleeves, hemShare, features } = GARMENTS[layer.garment];
  const top = shape === "tube" || shape === "bib" ? 0.755 : layer.neckline === "high" ? 0.88 : 0.852;
  const hem = Math.max(LOWEST, hemShare);
  const ease = SIDE_EASE[layer.fit];
  const spread = Math.max(0, 0.5 - hem) * 0.12;
  const above = bodyOutline("side").filter(([, up]) => up <= top && up > Math.max(hem, 0.5));
  const front = above.filter(([across]) => across > 0).map(([across, up]): Node => [across * ease, up]);
  const back = above.filter(([across]) => across <= 0).map(([across, up]): Node => [across * ease, up]);
  const cloth: Node[] = [
    ...front,
    [0.052 * ease + spread, hem, "corner"],
    [-0.06 * ease - spread, hem, "corner"],
    ...back,
  ];
  const pieces: Piece[] = [{ d: penPath(cloth), kind: "cloth" }];
  if (features.includes("hood"))
    pieces.push({
      d: penPath([
        [-0.03, 0.872, "corner"],
        [-0.075, 0.85],
        [-0.09, 0.79],
        [-0.062, 0.765],
        [-0.05, 0.81],
      ]),
      kind: "cloth",
    });
  if (sleeves !== "none")
    pieces.push({ d: penPath(sideArm(sleeves === "long" ? WRIST_UP + 0.006 : 0.705, 0.006)), kind: "cloth" });
  return pieces;
}

/** The flat pieces of a garment as it is worn, seen from one side. Drawing only. */
export function garmentPieces(layer: Layer, view: ViewName): Piece[] {
  const { shape } = GARMENTS[layer.garment];
  if (shape === "none") return [];
  if (shape === "harness" || (shape === "bib" && view !== "side")) return overPieces(layer, view);
  if (view === "side") return sideOf(layer);
  if (shape === "tube") return tube(layer, view);
  return view === "back" ? topBack(layer) : topFront(layer);
}
