import type { OctaveLevels } from "../sound";

/** How much a cloth takes from the highs when it lies over the capsule. From memory; estimates. */
export const CLOTH_LOSS_DB = {
  none: [0, 0, 0, 0, 0, 0, 0],
  sheer: [0, 0, 0, 0, 0, -1, -2],
  knit: [0, 0, 0, 0, -1, -2, -4],
  heavy: [0, 0, 0, -1, -2, -4, -7],
  coat: [0, 0, 0, -1, -3, -6, -10],
  sealed: [0, 0, 0, -3, -6, -10, -15],
} as const satisfies Record<string, OctaveLevels>;

export type ClothLoss = keyof typeof CLOTH_LOSS_DB;

interface Row {
  name: string;
  /** How loud it rubs, 0 quiet … 3 heavy. Common practice. */
  rub: 0 | 1 | 2 | 3;
  loss: ClothLoss;
  /** Weight, g/m²: typical of its kind, an estimate; what decides whether a mount shows through. */
  gramsPerM2: number;
  /** 0 stiff … 2 elastic: an elastic cloth pulls a mount against the body. */
  stretch: 0 | 1 | 2;
}

/** Rub: common practice ("silk and polyester are noisy, washed cotton and wool quiet"). Loss, weight: from memory. */
const ROWS = {
  cotton: { name: "washed cotton", rub: 0, loss: "sheer", gramsPerM2: 140, stretch: 0 },
  jersey: { name: "cotton jersey", rub: 0, loss: "sheer", gramsPerM2: 220, stretch: 1 },
  linen: { name: "linen", rub: 1, loss: "sheer", gramsPerM2: 160, stretch: 0 },
  viscose: { name: "viscose", rub: 1, loss: "sheer", gramsPerM2: 130, stretch: 0 },
  fineKnit: { name: "fine knit", rub: 0, loss: "knit", gramsPerM2: 240, stretch: 2 },
  wool: { name: "wool", rub: 0, loss: "knit", gramsPerM2: 280, stretch: 0 },
  coatWool: { name: "coat wool", rub: 1, loss: "coat", gramsPerM2: 520, stretch: 0 },
  knit: { name: "thick knit", rub: 0, loss: "heavy", gramsPerM2: 480, stretch: 2 },
  fleece: { name: "fleece", rub: 1, loss: "knit", gramsPerM2: 260, stretch: 1 },
  denim: { name: "denim", rub: 1, loss: "heavy", gramsPerM2: 400, stretch: 0 },
  canvas: { name: "canvas", rub: 1, loss: "heavy", gramsPerM2: 380, stretch: 0 },
  twill: { name: "work twill", rub: 1, loss: "heavy", gramsPerM2: 280, stretch: 0 },
  velvet: { name: "velvet", rub: 1, loss: "heavy", gramsPerM2: 320, stretch: 0 },
  brocade: { name: "brocade", rub: 2, loss: "heavy", gramsPerM2: 340, stretch: 0 },
  lace: { name: "lace", rub: 1, loss: "none", gramsPerM2: 90, stretch: 0 },
  chiffon: { name: "chiffon", rub: 2, loss: "none", gramsPerM2: 60, stretch: 0 },
  silk: { name: "silk or satin", rub: 2, loss: "sheer", gramsPerM2: 90, stretch: 0 },
  polyester: { name: "polyester", rub: 2, loss: "sheer", gramsPerM2: 120, stretch: 0 },
  elastane: { name: "stretch jersey", rub: 1, loss: "sheer", gramsPerM2: 200, stretch: 2 },
  starched: { name: "starched cotton", rub: 2, loss: "sheer", gramsPerM2: 140, stretch: 0 },
  nylon: { name: "nylon shell", rub: 3, loss: "heavy", gramsPerM2: 120, stretch: 0 },
  webbing: { name: "webbing", rub: 2, loss: "heavy", gramsPerM2: 900, stretch: 0 },
  sequins: { name: "sequins or beads", rub: 3, loss: "sheer", gramsPerM2: 350, stretch: 0 },
  neoprene: { name: "neoprene", rub: 2, loss: "sealed", gramsPerM2: 900, stretch: 2 },
  leather: { name: "leather", rub: 3, loss: "sealed", gramsPerM2: 800, stretch: 0 },
  mesh: { name: "sports mesh", rub: 1, loss: "none", gramsPerM2: 100, stretch: 1 },
  foamLatex: { name: "foam latex", rub: 2, loss: "sealed", gramsPerM2: 1200, stretch: 1 },
  reflective: { name: "reflective mesh", rub: 2, loss: "sheer", gramsPerM2: 130, stretch: 0 },
  waterproof: { name: "waterproof shell", rub: 3, loss: "sealed", gramsPerM2: 250, stretch: 0 },
} as const satisfies Record<string, Row>;

export type FabricId = keyof typeof ROWS;
export const FABRIC_IDS = Object.keys(ROWS) as [FabricId, ...FabricId[]];

export interface Fabric extends Row {
  id: FabricId;
  /** Thin enough for a mount to show through. Common practice. */
  isThin: boolean;
  /** See-through: what lies behind it is seen. Common practice. */
  isSheer: boolean;
  /** No tape holds on it and no needle may go through it. */
  isSealed: boolean;
}

/** Weight below which a plain cloth shows what is behind it, g/m². An estimate. */
const THIN_BELOW_G = 180;

const SHEER = ["lace", "chiffon", "mesh"];

/** Every fabric by id. */
export const FABRICS: Record<FabricId, Fabric> = Object.fromEntries(
  Object.entries(ROWS as Record<string, Row>).map(([id, row]) => [
    id,
    { id, ...row, isThin: row.gramsPerM2 < THIN_BELOW_G, isSheer: SHEER.includes(id), isSealed: row.loss === "sealed" },
  ]),
) as Record<FabricId, Fabric>;
