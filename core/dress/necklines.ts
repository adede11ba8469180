/** How deep a garment is cut at the front. Plain description of cut, no source needed. */
export const NECKLINE_IDS = ["high", "collar", "crew", "boat", "scoop", "v", "deepV", "strapless"] as const;
export type NecklineId = (typeof NECKLINE_IDS)[number];

export interface Neckline {
  name: string;
  /** Lowest point below the breastbone notch, m at 1.75 m of height. */
  dropM: number;
  /** Whether cloth lies over the throat, the upper chest and the shoulders. */
  overThroat: boolean;
  overUpperChest: boolean;
  overShoulders: boolean;
}

const closed = { overThroat: false, overUpperChest: true, overShoulders: true } as const;
const cutDown = { overThroat: false, overUpperChest: false, overShoulders: true } as const;

export const NECKLINES: Record<NecklineId, Neckline> = {
  high: { name: "high neck", dropM: -0.03, ...closed, overThroat: true },
  collar: { name: "collar", dropM: 0, ...closed, overThroat: true },
  crew: { name: "round neck", dropM: 0.02, ...closed },
  boat: { name: "boat neck", dropM: 0.01, ...closed },
  scoop: { name: "scoop", dropM: 0.07, ...cutDown },
  v: { name: "V", dropM: 0.1, ...cutDown },
  deepV: { name: "deep V", dropM: 0.2, ...cutDown },
  strapless: { name: "strapless", dropM: 0.12, ...cutDown, overShoulders: false },
};
