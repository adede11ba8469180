import type { OctaveLevels } from "../sound/octaves";
import type { Step } from "./judgement";

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

export interface Fabric {
  id: FabricId;
  name: string;
  /** How loud it rubs, 0 quiet … 3 heavy. Common practice. */
  rub: Step;
  loss: ClothLoss;
  isThin: boolean;
}

export const FABRIC_IDS = [
  "cotton",
  "wool",
  "knit",
  "linen",
  "denim",
  "silk",
  "polyester",
  "starched",
  "leather",
  "waterproof",
] as const;
export type FabricId = (typeof FABRIC_IDS)[number];

/** Rub: common practice ("silk and polyester are noisy, washed cotton and wool quiet"). Loss class: from memory. */
export const FABRICS: Record<FabricId, Fabric> = {
  cotton: { id: "cotton", name: "washed cotton", rub: 0, loss: "sheer", isThin: true },
  wool: { id: "wool", name: "wool", rub: 0, loss: "knit", isThin: false },
  knit: { id: "knit", name: "thick knit", rub: 0, loss: "heavy", isThin: false },
  linen: { id: "linen", name: "linen", rub: 1, loss: "sheer", isThin: true },
  denim: { id: "denim", name: "denim or canvas", rub: 1, loss: "heavy", isThin: false },
  silk: { id: "silk", name: "silk or satin", rub: 2, loss: "sheer", isThin: true },
  polyester: { id: "polyester", name: "polyester", rub: 2, loss: "sheer", isThin: true },
  starched: { id: "starched", name: "starched cotton", rub: 2, loss: "sheer", isThin: true },
  leather: { id: "leather", name: "leather", rub: 3, loss: "sealed", isThin: false },
  waterproof: { id: "waterproof", name: "waterproof or reflective", rub: 3, loss: "sealed", isThin: false },
};
