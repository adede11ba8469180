/** Octave centres of the handbook tables of absorption, Hz. */
export const ROOM_OCTAVES_HZ = [125, 250, 500, 1000, 2000, 4000] as const;
export type RoomOctaves = readonly [number, number, number, number, number, number];

export interface Material {
  id: MaterialId;
  name: string;
  /** Random-incidence absorption coefficient by octave 125…4k, 0…1. */
  absorption: RoomOctaves;
  source: string;
}

export const MATERIAL_IDS = [
  "brick",
  "paintedBlock",
  "concrete",
  "stone",
  "tile",
  "linoleum",
  "woodFloor",
  "carpetOnConcrete",
  "carpetOnPad",
  "windowGlass",
  "plateGlass",
  "gypsum",
  "plaster",
  "plywood",
  "lightCurtain",
  "mediumCurtain",
  "heavyCurtain",
  "blankets",
  "water",
  "openAir",
] as const;
export type MaterialId = (typeof MATERIAL_IDS)[number];

const HANDBOOK = "absorption coefficients of general building materials, as reprinted in acoustics handbooks";

function row(id: MaterialId, name: string, absorption: RoomOctaves, source = HANDBOOK): Material {
  return { id, name, absorption, source };
}

export const MATERIALS: Record<MaterialId, Material> = {
  brick: row("brick", "brick, bare", [0.03, 0.03, 0.03, 0.04, 0.05, 0.07]),
  paintedBlock: row("paintedBlock", "concrete block, painted", [0.1, 0.05, 0.06, 0.07, 0.09, 0.08]),
  concrete: row("concrete", "concrete or terrazzo", [0.01, 0.01, 0.015, 0.02, 0.02, 0.02]),
  stone: row(
    "stone",
    "rough stone",
    [0.02, 0.02, 0.03, 0.04, 0.05, 0.05],
    "between bare brick and concrete; from memory, an estimate",
  ),
  tile: row("tile", "marble or glazed tile", [0.01, 0.01, 0.01, 0.01, 0.02, 0.02]),
  linoleum: row("linoleum", "linoleum on concrete", [0.02, 0.03, 0.03, 0.03, 0.03, 0.02]),
  woodFloor: row("woodFloor", "wooden floor", [0.15, 0.11, 0.1, 0.07, 0.06, 0.07]),
  carpetOnConcrete: row("carpetOnConcrete", "carpet on concrete", [0.02, 0.06, 0.14, 0.37, 0.6, 0.65]),
  carpetOnPad: row("carpetOnPad", "carpet on pad", [0.08, 0.24, 0.57, 0.69, 0.71, 0.73]),
  windowGlass: row("windowGlass", "window glass", [0.35, 0.25, 0.18, 0.12, 0.07, 0.04]),
  plateGlass: row("plateGlass", "plate glass", [0.18, 0.06, 0.04, 0.03, 0.02, 0.02]),
  gypsum: row("gypsum", "plasterboard", [0.29, 0.1, 0.05, 0.04, 0.07, 0.09]),
  plaster: row("plaster", "plaster on lath", [0.14, 0.1, 0.06, 0.05, 0.04, 0.03]),
  plywood: row("plywood", "plywood panel", [0.28, 0.22, 0.17, 0.09, 0.1, 0.11]),
  lightCurtain: row("lightCurtain", "light curtain", [0.03, 0.04, 0.11, 0.17, 0.24, 0.35]),
  mediumCurtain: row("mediumCurtain", "medium curtain, draped to half", [0.07, 0.31, 0.49, 0.75, 0.7, 0.6]),
  heavyCurtain: row("heavyCurtain", "heavy curtain, draped to half", [0.14, 0.35, 0.55, 0.72, 0.7, 0.65]),
  blankets: row(
    "blankets",
    "blankets, hung",
    [0.07, 0.31, 0.49, 0.75, 0.7, 0.6],
    "taken as a medium curtain; common practice",
  ),
  water: row("water", "water", [0.008, 0.008, 0.013, 0.015, 0.02, 0.025]),
  openAir: row("openAir", "open window or sky", [1, 1, 1, 1, 1, 1], "by definition"),
};
