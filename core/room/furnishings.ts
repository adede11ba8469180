import { rowsById } from "../schema";
import type { RoomOctaves } from "./materials";

interface Row {
  /** One of it, and several. */
  name: string;
  plural: string;
  /** Absorption area of one piece, m² by octave 125…4k. */
  areaM2: RoomOctaves;
  source: string;
}

const RECALLED = "absorption of persons and chairs in acoustics handbooks, recalled from memory";
const ESTIMATE = "from memory, an estimate";

/** What stands in a room and takes sound: persons, furniture. */
const ROWS = {
  personStanding: {
    name: "person standing",
    plural: "people standing",
    areaM2: [0.12, 0.24, 0.59, 0.98, 1.13, 1.12],
    source: RECALLED,
  },
  personSeated: {
    name: "person seated",
    plural: "people seated",
    areaM2: [0.17, 0.36, 0.47, 0.52, 0.5, 0.46],
    source: RECALLED,
  },
  woodenChair: {
    name: "wooden chair",
    plural: "wooden chairs",
    areaM2: [0.02, 0.02, 0.03, 0.04, 0.04, 0.04],
    source: RECALLED,
  },
  armchair: {
    name: "upholstered armchair",
    plural: "upholstered armchairs",
    areaM2: [0.2, 0.3, 0.45, 0.5, 0.45, 0.4],
    source: ESTIMATE,
  },
  sofa: { name: "sofa", plural: "sofas", areaM2: [0.5, 0.9, 1.3, 1.5, 1.4, 1.3], source: ESTIMATE },
  bed: {
    name: "bed with bedding",
    plural: "beds with bedding",
    areaM2: [0.7, 1.3, 1.9, 2.1, 2.1, 2],
    source: ESTIMATE,
  },
  bookcase: {
    name: "full bookcase",
    plural: "full bookcases",
    areaM2: [0.6, 0.8, 0.8, 0.7, 0.7, 0.6],
    source: ESTIMATE,
  },
  openWardrobe: {
    name: "full wardrobe, open",
    plural: "full wardrobes, open",
    areaM2: [0.5, 0.9, 1.3, 1.5, 1.5, 1.5],
    source: ESTIMATE,
  },
  vehicleSeat: {
    name: "vehicle seat, cloth",
    plural: "vehicle seats, cloth",
    areaM2: [0.15, 0.25, 0.4, 0.45, 0.4, 0.35],
    source: ESTIMATE,
  },
} satisfies Record<string, Row>;

export type FurnishingId = keyof typeof ROWS;
export const FURNISHINGS = rowsById<FurnishingId, Row>(ROWS);
export const FURNISHING_IDS = Object.keys(ROWS) as FurnishingId[];

/** "3 people seated". */
export function furnishingWords(kind: FurnishingId, count: number): string {
  const { name, plural } = FURNISHINGS[kind];
  return count === 1 ? `1 ${name}` : `${count} ${plural}`;
}
