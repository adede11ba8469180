import type { Fit } from "@/core/dress";
import { halfWidthAt } from "./outline";

/** One thing that is drawn of a garment. */
export interface Piece {
  d: string;
  /** Filled cloth, a line on it, a stitched line, webbing, or a button. */
  kind: "cloth" | "line" | "seam" | "strap" | "button";
}

/** The lowest that is drawn: a little over the lower edge of the picture. */
export const LOWEST = 0.405;

const EASE: Record<Fit, number> = { tight: 1.02, fitted: 1.05, loose: 1.1 };
/** How straight it hangs from the chest, 0…1. */
const HANGS: Record<Fit, number> = { tight: 0, fitted: 0.35, loose: 0.8 };
/** How much a skirt widens for each part of height below the hip. */
const FLARES: Record<Fit, number> = { tight: 0.06, fitted: 0.2, loose: 0.4 };
const CHEST = 0.114;
const HIP_UP = 0.56;

/** Half the width of a garment at a height. Drawing only. */
export function clothWidth(up: number, fit: Fit, isSkirt: boolean): number {
  const body = halfWidthAt(Math.max(up, 0.5), 1);
  const hung = body + (Math.max(CHEST, body) - body) * HANGS[fit];
  return hung * EASE[fit] + (isSkirt ? Math.max(0, HIP_UP - up) * FLARES[fit] : 0);
}
