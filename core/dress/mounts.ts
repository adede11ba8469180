import type { OctaveLevels } from "../sound";
import type { SupplyId } from "./supplies";
import { rowsById } from "../schema";

/** What a capsule is fixed to: skin, the inside or outside of something worn, hair, or something on the head. */
export const SURFACES = ["skin", "inside", "outside", "hair", "headwear"] as const;
export type Surface = (typeof SURFACES)[number];

/** Where the capsule's port points. */
export const PORTS = ["up", "side", "down"] as const;
export type Port = (typeof PORTS)[number];

interface Row {
  name: string;
  surfaces: readonly Surface[];
  /** Supplies it cannot be made without. */
  needs: readonly SupplyId[];
  /** Steps of rustle it keeps away, 0…1. Common practice. */
  isolation: number;
  /** What it adds round the capsule, mm: what shows. An estimate. */
  bulkMm: number;
  /** Felt and foam over the port take some highs, dB by octave. From memory; estimates. */
  lossDb: OctaveLevels;
  /** How well it holds against sweat and movement, 0 poor … 3 for anything. Common practice. */
  hold: 0 | 1 | 2 | 3;
  usesAdhesive: "none" | "cloth" | "skin";
  minutes: number;
  /** Sits deep in its cover, which exaggerates sibilance. Common practice. */
  isDeep: boolean;
}

const BARE: OctaveLevels = [0, 0, 0, 0, 0, 0, 0];
const FELTED: OctaveLevels = [0, 0, 0, 0, 0, -0.5, -1.5];

/** Ways of holding a capsule. Common practice; figures are estimates. */
const ROWS = {
  clip: {
    name: "clip with a broadcast loop",
    surfaces: ["outside"],
    needs: ["clip"],
    isolation: 0,
    bulkMm: 9,
    lossDb: BARE,
    hold: 1,
    usesAdhesive: "none",
    minutes: 0.5,
    isDeep: false,
  },
  triangles: {
    name: "tape triangle sandwich",
    surfaces: ["inside"],
    needs: ["clothTape"],
    isolation: 0.55,
    bulkMm: 3,
    lossDb: BARE,
    hold: 2,
    usesAdhesive: "cloth",
    minutes: 3,
    isDeep: false,
  },
  pad: {
    name: "ready-made pad",
    surfaces: ["inside"],
    needs: ["pad", "stretchTape"],
    isolation: 0.6,
    bulkMm: 5,
    lossDb: BARE,
    hold: 2,
    usesAdhesive: "cloth",
    minutes: 1.5,
    isDeep: true,
  },
  felt: {
    name: "soft felt tent",
    surfaces: ["inside", "skin"],
    needs: ["felt", "stretchTape"],
    isolation: 0.7,
    bulkMm: 6,
    lossDb: FELTED,
    hold: 1,
    usesAdhesive: "cloth",
    minutes: 3,
    isDeep: true,
  },
  pinned: {
    name: "triangle sandwich with a pin",
    surfaces: ["inside"],
    needs: ["clothTape", "pin"],
    isolation: 0.5,
    bulkMm: 4,
    lossDb: BARE,
    hold: 3,
    usesAdhesive: "cloth",
    minutes: 4,
    isDeep: false,
  },
  medical: {
    name: "medical tape on the skin",
    surfaces: ["skin"],
    needs: ["medicalTape", "stretchTape", "wipe"],
    isolation: 0.35,
    bulkMm: 2,
    lossDb: BARE,
    hold: 1,
    usesAdhesive: "skin",
    minutes: 4,
    isDeep: false,
  },
  wrap: {
    name: "chest strap of athletic wrap",
    surfaces: ["skin"],
    needs: ["wrap", "felt"],
    isolation: 0.45,
    bulkMm: 5,
    lossDb: FELTED,
    hold: 3,
    usesAdhesive: "none",
    minutes: 6,
    isDeep: false,
  },
  hairClip: {
    name: "hair clips",
    surfaces: ["hair"],
    needs: ["hairClip", "thread"],
    isolation: 0.3,
    bulkMm: 1,
    lossDb: BARE,
    hold: 2,
    usesAdhesive: "none",
    minutes: 8,
    isDeep: false,
  },
  headPad: {
    name: "pad under the edge",
    surfaces: ["headwear"],
    needs: ["felt", "stretchTape"],
    isolation: 0.5,
    bulkMm: 4,
    lossDb: BARE,
    hold: 2,
    usesAdhesive: "cloth",
    minutes: 5,
    isDeep: false,
  },
  tied: {
    name: "tied with thread",
    surfaces: ["headwear"],
    needs: ["thread"],
    isolation: 0.3,
    bulkMm: 1,
    lossDb: BARE,
    hold: 2,
    usesAdhesive: "none",
    minutes: 5,
    isDeep: false,
  },
} as const satisfies Record<string, Row>;

export type MountId = keyof typeof ROWS;
export const MOUNT_IDS = Object.keys(ROWS) as [MountId, ...MountId[]];
export interface Mount extends Row {
  id: MountId;
}

/** Every mount by id. */
export const MOUNTS: Record<MountId, Mount> = rowsById(ROWS);
