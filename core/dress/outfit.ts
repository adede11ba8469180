import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema/oneOf";
import { EFFORTS } from "../voice/speechSpectrum";
import { FABRIC_IDS } from "./fabrics";
import { GARMENT_IDS } from "./garments";

export const FITS = ["tight", "fitted", "loose"] as const;
export const OPENINGS = ["closed", "partlyOpen", "open"] as const;
export const PATTERNS = ["plain", "patterned"] as const;
export const ACCESSORIES = ["tie", "scarf", "necklace", "beard", "longHair", "hat", "hardHat", "spectacles"] as const;
export const FACINGS = ["camera", "left", "right", "round"] as const;
export const ACTIONS = ["sitting", "walking", "running"] as const;
export const SHOTS = ["close", "medium", "wide"] as const;

export type Fit = (typeof FITS)[number];
export type Opening = (typeof OPENINGS)[number];
export type Accessory = (typeof ACCESSORIES)[number];
export type Facing = (typeof FACINGS)[number];
export type Action = (typeof ACTIONS)[number];
export type Shot = (typeof SHOTS)[number];

/** One garment as it is worn. */
export const Layer = Type.Object(
  {
    garment: oneOf(GARMENT_IDS, "Garment"),
    fabric: oneOf(FABRIC_IDS, "Fabric"),
    fit: oneOf(FITS, "Fit"),
    opening: oneOf(OPENINGS, "Opening"),
    pattern: oneOf(PATTERNS, "Pattern"),
  },
  { additionalProperties: false },
);
export type Layer = Static<typeof Layer>;

/** What somebody wears, innermost layer first. */
export const Outfit = Type.Object(
  {
    layers: Type.Array(Layer, { minItems: 1, maxItems: 4, title: "Layers" }),
    accessories: Type.Array(oneOf(ACCESSORIES, "Accessory"), { maxItems: ACCESSORIES.length, uniqueItems: true }),
  },
  { additionalProperties: false },
);
export type Outfit = Static<typeof Outfit>;

/** Standing height, m: from a small child to the tallest. */
export const HeightM = Type.Number({ minimum: 0.8, maximum: 2.3, title: "Height" });

/** What somebody does in a scene, and how they are seen. */
export const Performance = Type.Object(
  {
    faces: oneOf(FACINGS, "Faces"),
    action: oneOf(ACTIONS, "Action"),
    shot: oneOf(SHOTS, "Shot"),
    mayBeSeen: Type.Boolean({ title: "Microphone may be seen" }),
    softest: oneOf(EFFORTS, "Softest line"),
    loudest: oneOf(EFFORTS, "Loudest line"),
  },
  { additionalProperties: false },
);
export type Performance = Static<typeof Performance>;

/** Everything the placement of one microphone depends on. */
export const DressInput = Type.Object(
  { heightM: HeightM, outfit: Outfit, performance: Performance, windMps: Type.Number({ minimum: 0, maximum: 30 }) },
  { additionalProperties: false },
);
export type DressInput = Static<typeof DressInput>;
