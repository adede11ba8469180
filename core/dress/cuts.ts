import type { Cut, Zone } from "./garment";

export const BODICE: readonly Zone[] = ["upperChest", "midChest", "shoulders"];
export const COATED: readonly Zone[] = ["upperChest", "midChest", "shoulders", "lapels", "throat"];

/** A plain top: what other cuts begin from. */
export const plain = {
  covers: BODICE,
  features: [],
  neckline: "crew",
  hasLapels: false,
  sleeves: "short",
  hemShare: 0.52,
  opens: false,
  closure: "buttons",
  hasHardware: false,
  isWhole: false,
  isWatertight: false,
  isProtective: false,
  barsBelow: false,
  hasPocket: false,
  shape: "top",
  usualFabric: "cotton",
} as const satisfies Partial<Cut>;
export const long = { sleeves: "long", hemShare: 0.5 } as const;
export const dress = { isWhole: true, hemShare: 0.28, usualFabric: "viscose" } as const;
