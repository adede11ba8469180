import { rowsById } from "../schema";

/** Octave centres of the handbook tables of absorption, Hz. */
export const ROOM_OCTAVES_HZ = [125, 250, 500, 1000, 2000, 4000] as const;
export type RoomOctaves = readonly [number, number, number, number, number, number];

interface Row {
  name: string;
  /** Random-incidence absorption coefficient by octave 125…4k, 0…1. */
  absorption: RoomOctaves;
  source: string;
}

/** Widely reprinted; the figures were given with the design. */
const HANDBOOKS = "absorption coefficients of general building materials, as reprinted in acoustics handbooks";
/** Widely reprinted as well, but written down from memory. */
const RECALLED = "acoustics handbooks, recalled from memory";
const ESTIMATE = "from memory, an estimate";

const row = (name: string, absorption: RoomOctaves, source: string = HANDBOOKS): Row => ({ name, absorption, source });
const recalled = (name: string, absorption: RoomOctaves) => row(name, absorption, RECALLED);
const estimate = (name: string, absorption: RoomOctaves) => row(name, absorption, ESTIMATE);

const ROWS = {
  brick: row("brick, bare", [0.03, 0.03, 0.03, 0.04, 0.05, 0.07]),
  paintedBrick: recalled("brick, painted", [0.01, 0.01, 0.02, 0.02, 0.02, 0.03]),
  paintedBlock: row("concrete block, painted", [0.1, 0.05, 0.06, 0.07, 0.09, 0.08]),
  coarseBlock: recalled("concrete block, bare and coarse", [0.36, 0.44, 0.31, 0.29, 0.39, 0.25]),
  concrete: row("concrete or terrazzo", [0.01, 0.01, 0.015, 0.02, 0.02, 0.02]),
  stone: row(
    "rough stone",
    [0.02, 0.02, 0.03, 0.04, 0.05, 0.05],
    "between bare brick and concrete; from memory, an estimate",
  ),
  tile: row("marble or glazed tile", [0.01, 0.01, 0.01, 0.01, 0.02, 0.02]),
  plasterOnBrick: recalled("plaster on brick", [0.013, 0.015, 0.02, 0.03, 0.04, 0.05]),
  plaster: row("plaster on lath", [0.14, 0.1, 0.06, 0.05, 0.04, 0.03]),
  gypsum: row("plasterboard", [0.29, 0.1, 0.05, 0.04, 0.07, 0.09]),
  plywood: row("plywood panel", [0.28, 0.22, 0.17, 0.09, 0.1, 0.11]),
  woodPanelling: recalled("wood panelling over an air gap", [0.3, 0.25, 0.2, 0.17, 0.15, 0.1]),
  woodDoor: recalled("solid wooden door", [0.14, 0.1, 0.06, 0.08, 0.1, 0.1]),
  woodBoards: recalled("roof boards, beams", [0.24, 0.19, 0.14, 0.08, 0.13, 0.1]),
  woodFloor: row("wooden floor", [0.15, 0.11, 0.1, 0.07, 0.06, 0.07]),
  parquet: recalled("parquet on concrete", [0.04, 0.04, 0.07, 0.06, 0.06, 0.07]),
  linoleum: row("linoleum on concrete", [0.02, 0.03, 0.03, 0.03, 0.03, 0.02]),
  corkFloor: estimate("cork on concrete", [0.02, 0.03, 0.05, 0.1, 0.1, 0.1]),
  thinCarpet: recalled("thin felt carpet", [0.02, 0.02, 0.05, 0.15, 0.3, 0.4]),
  carpetOnConcrete: row("carpet on concrete", [0.02, 0.06, 0.14, 0.37, 0.6, 0.65]),
  carpetOnPad: row("carpet on pad", [0.08, 0.24, 0.57, 0.69, 0.71, 0.73]),
  windowGlass: row("window glass", [0.35, 0.25, 0.18, 0.12, 0.07, 0.04]),
  plateGlass: row("plate glass", [0.18, 0.06, 0.04, 0.03, 0.02, 0.02]),
  carGlass: estimate("vehicle glass", [0.15, 0.07, 0.04, 0.03, 0.02, 0.02]),
  sheetMetal: estimate("sheet metal", [0.05, 0.1, 0.1, 0.1, 0.07, 0.02]),
  plasticTrim: estimate("plastic trim", [0.1, 0.08, 0.06, 0.05, 0.05, 0.05]),
  headliner: estimate("vehicle roof lining", [0.1, 0.2, 0.4, 0.55, 0.6, 0.6]),
  lightCurtain: row("light curtain", [0.03, 0.04, 0.11, 0.17, 0.24, 0.35]),
  mediumCurtain: row("medium curtain, draped to half", [0.07, 0.31, 0.49, 0.75, 0.7, 0.6]),
  heavyCurtain: row("heavy curtain, draped to half", [0.14, 0.35, 0.55, 0.72, 0.7, 0.65]),
  blankets: row("blankets, hung", [0.07, 0.31, 0.49, 0.75, 0.7, 0.6], "taken as a medium curtain; common practice"),
  ceilingTile: recalled("hung ceiling of mineral tiles", [0.76, 0.93, 0.83, 0.99, 0.99, 0.94]),
  foam: estimate("acoustic foam, 5 cm", [0.15, 0.3, 0.75, 0.95, 0.95, 0.95]),
  mineralWool: estimate("mineral wool panel, 5 cm", [0.2, 0.6, 0.95, 0.98, 0.98, 0.95]),
  books: estimate("full bookshelves", [0.3, 0.4, 0.4, 0.35, 0.35, 0.3]),
  clothSeats: recalled("upholstered seats, empty", [0.49, 0.66, 0.8, 0.88, 0.82, 0.7]),
  leatherSeats: recalled("leather seats, empty", [0.44, 0.54, 0.6, 0.62, 0.58, 0.5]),
  audience: recalled("people in upholstered seats", [0.6, 0.74, 0.88, 0.96, 0.93, 0.85]),
  pews: recalled("people in wooden pews", [0.57, 0.61, 0.75, 0.86, 0.91, 0.86]),
  hay: estimate("hay or straw bales", [0.25, 0.45, 0.65, 0.75, 0.8, 0.8]),
  soil: recalled("earth floor, rough", [0.15, 0.25, 0.4, 0.55, 0.6, 0.6]),
  sand: recalled("dry sand", [0.15, 0.35, 0.4, 0.5, 0.55, 0.8]),
  gravel: recalled("gravel", [0.25, 0.6, 0.65, 0.7, 0.75, 0.8]),
  grass: recalled("grass", [0.11, 0.26, 0.6, 0.69, 0.92, 0.99]),
  snow: recalled("fresh snow", [0.45, 0.75, 0.9, 0.95, 0.95, 0.95]),
  water: row("water", [0.008, 0.008, 0.013, 0.015, 0.02, 0.025]),
  openAir: row("opening, or sky", [1, 1, 1, 1, 1, 1], "by definition"),
} satisfies Record<string, Row>;

export type MaterialId = keyof typeof ROWS;
export type Material = Row & { id: MaterialId };

/** What surfaces are made of. */
export const MATERIALS: Record<MaterialId, Material> = rowsById<MaterialId, Row>(ROWS);
export const MATERIAL_IDS = Object.keys(ROWS) as MaterialId[];

/** Whether a surface sends speech back: less than a fifth absorbed in the middle. Common practice. */
export function isHard(material: MaterialId): boolean {
  const { absorption } = MATERIALS[material];
  return (absorption[2] + absorption[3] + absorption[4]) / 3 < 0.2;
}
