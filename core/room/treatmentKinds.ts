import { rowsById } from "../schema";
import type { FurnishingId } from "./furnishings";
import type { MaterialId } from "./materials";

interface Row {
  name: string;
  plural: string;
  /** What hangs or lies there, and how much one piece covers, m²; or what is put into the room. */
  covers: { on: "wall" | "floor"; material: MaterialId; areaM2: number } | null;
  brings: FurnishingId | null;
  /** What one costs to bring and put up, counted in blankets. Common practice. */
  carry: number;
}

/** What can be done to a room for a day. Sizes: common practice. */
const ROWS = {
  blanket: {
    name: "blanket",
    plural: "blankets",
    covers: { on: "wall", material: "blankets", areaM2: 3 },
    brings: null,
    carry: 1,
  },
  curtain: {
    name: "heavy curtain",
    plural: "heavy curtains",
    covers: { on: "wall", material: "heavyCurtain", areaM2: 5 },
    brings: null,
    carry: 3,
  },
  rug: {
    name: "thick rug",
    plural: "thick rugs",
    covers: { on: "floor", material: "carpetOnPad", areaM2: 4 },
    brings: null,
    carry: 2,
  },
  openWardrobe: {
    name: "full wardrobe opened",
    plural: "full wardrobes opened",
    covers: null,
    brings: "openWardrobe",
    carry: 0.5,
  },
  listeners: {
    name: "more person in the room",
    plural: "more people in the room",
    covers: null,
    brings: "personSeated",
    carry: 0.5,
  },
  sofa: { name: "sofa brought in", plural: "sofas brought in", covers: null, brings: "sofa", carry: 4 },
} satisfies Record<string, Row>;

export type TreatmentId = keyof typeof ROWS;
export const TREATMENTS = rowsById<TreatmentId, Row>(ROWS);
export const TREATMENT_IDS = Object.keys(ROWS) as TreatmentId[];
