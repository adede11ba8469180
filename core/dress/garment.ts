import type { FabricId } from "./fabrics";
import type { NecklineId } from "./necklines";

/** Parts of the upper body that a garment may lie over. */
export const ZONES = ["collar", "throat", "upperChest", "midChest", "lapels", "shoulders"] as const;
export type Zone = (typeof ZONES)[number];

/** What a garment offers to fix a microphone to; necklines and lapels follow from how it is cut. */
export type Feature = "collar" | "placket" | "bibEdge" | "straps" | "breastPocket" | "hood" | "bra" | "cord";

/** What closes a front. */
export const CLOSURES = ["buttons", "zip", "ties", "hooks", "buckles"] as const;
export type Closure = (typeof CLOSURES)[number];

/** How a garment is drawn. */
export type Shape = "top" | "tube" | "bib" | "harness" | "straps" | "wrap" | "none";

/** How something that is worn is cut, and what it offers. */
export interface Cut {
  name: string;
  /** Zones it lies over when its front is closed; neckline and opening take from these. */
  covers: readonly Zone[];
  features: readonly Feature[];
  neckline: NecklineId;
  hasLapels: boolean;
  sleeves: "none" | "short" | "long";
  /** Where it ends, as a share of height. */
  hemShare: number;
  /** Whether it can be opened at the front at all. */
  opens: boolean;
  closure: Closure;
  /** Hard parts, buckles and webbing that knock. */
  hasHardware: boolean;
  /** Clothes the whole body, so that no waistband is left for a pack. */
  isWhole: boolean;
  /** Keeps water out by having no hole: no cable may be led through it. */
  isWatertight: boolean;
  /** Saves lives: fixing to it is for its maker and the safety officer to allow. */
  isProtective: boolean;
  /** Nothing goes beneath it and nothing is fixed to it: armour, a life jacket. Common practice. */
  barsBelow: boolean;
  hasPocket: boolean;
  shape: Shape;
  usualFabric: FabricId;
}
