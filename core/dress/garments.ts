/** Parts of the upper body that a garment may lie over. */
export const ZONES = ["collar", "throat", "upperChest", "midChest", "lapels", "shoulders"] as const;
export type Zone = (typeof ZONES)[number];

/** What a garment offers to fix a microphone to. */
export type Feature = "collar" | "lapels" | "placket" | "neckline" | "bibEdge" | "straps" | "dressTop";

export interface Garment {
  id: GarmentId;
  name: string;
  /** Zones it lies over when closed, partly open and open. */
  covers: { closed: readonly Zone[]; partlyOpen: readonly Zone[]; open: readonly Zone[] };
  features: readonly Feature[];
  /** Neckline's lowest point below the breastbone notch, m, for drawing and for sites at the neckline. */
  necklineDropM: number;
  sleeves: "none" | "short" | "long";
  /** Where it ends, as a share of height. */
  hemShare: number;
  /** Whether it can be opened at the front at all. */
  opens: boolean;
  /** Hard parts, buckles and webbing that knock. */
  hasHardware: boolean;
}

export const GARMENT_IDS = [
  "tee",
  "vneck",
  "shirt",
  "jumper",
  "waistcoat",
  "blazer",
  "coat",
  "apron",
  "vest",
  "harness",
  "straplessDress",
  "dress",
] as const;
export type GarmentId = (typeof GARMENT_IDS)[number];

const CHEST: readonly Zone[] = ["upperChest", "midChest", "shoulders"];

/** Where garments lie: plain description of cut, no source needed. */
export const GARMENTS: Record<GarmentId, Garment> = {
  tee: {
    id: "tee",
    name: "T-shirt",
    covers: { closed: CHEST, partlyOpen: CHEST, open: CHEST },
    features: ["neckline"],
    necklineDropM: 0.02,
    sleeves: "short",
    hemShare: 0.52,
    opens: false,
    hasHardware: false,
  },
  vneck: {
    id: "vneck",
    name: "V-neck top",
    covers: {
      closed: ["midChest", "shoulders"],
      partlyOpen: ["midChest", "shoulders"],
      open: ["midChest", "shoulders"],
    },
    features: ["neckline"],
    necklineDropM: 0.1,
    sleeves: "short",
    hemShare: 0.52,
    opens: false,
    hasHardware: false,
  },
  shirt: {
    id: "shirt",
    name: "button shirt",
    covers: { closed: [...CHEST, "throat"], partlyOpen: ["midChest", "shoulders"], open: ["shoulders"] },
    features: ["collar", "placket"],
    necklineDropM: 0.0,
    sleeves: "long",
    hemShare: 0.5,
    opens: true,
    hasHardware: false,
  },
  jumper: {
    id: "jumper",
    name: "jumper",
    covers: { closed: CHEST, partlyOpen: CHEST, open: CHEST },
    features: ["neckline"],
    necklineDropM: 0.015,
    sleeves: "long",
    hemShare: 0.51,
    opens: false,
    hasHardware: false,
  },
  waistcoat: {
    id: "waistcoat",
    name: "waistcoat",
    covers: { closed: ["lapels"], partlyOpen: ["lapels"], open: ["lapels"] },
    features: ["neckline"],
    necklineDropM: 0.2,
    sleeves: "none",
    hemShare: 0.56,
    opens: true,
    hasHardware: false,
  },
  blazer: {
    id: "blazer",
    name: "jacket with lapels",
    covers: { closed: ["lapels", "shoulders"], partlyOpen: ["lapels", "shoulders"], open: ["lapels", "shoulders"] },
    features: ["lapels"],
    necklineDropM: 0.25,
    sleeves: "long",
    hemShare: 0.47,
    opens: true,
    hasHardware: false,
  },
  coat: {
    id: "coat",
    name: "coat or parka",
    covers: {
      closed: [...CHEST, "lapels", "collar", "throat"],
      partlyOpen: ["midChest", "lapels", "shoulders"],
      open: ["lapels", "shoulders"],
    },
    features: ["placket"],
    necklineDropM: 0.0,
    sleeves: "long",
    hemShare: 0.42,
    opens: true,
    hasHardware: true,
  },
  apron: {
    id: "apron",
    name: "apron with bib",
    covers: { closed: ["midChest"], partlyOpen: ["midChest"], open: ["midChest"] },
    features: ["bibEdge"],
    necklineDropM: 0.1,
    sleeves: "none",
    hemShare: 0.32,
    opens: false,
    hasHardware: false,
  },
  vest: {
    id: "vest",
    name: "reflective vest",
    covers: {
      closed: [...CHEST, "lapels"],
      partlyOpen: ["midChest", "lapels", "shoulders"],
      open: ["lapels", "shoulders"],
    },
    features: ["placket"],
    necklineDropM: 0.06,
    sleeves: "none",
    hemShare: 0.52,
    opens: true,
    hasHardware: false,
  },
  harness: {
    id: "harness",
    name: "safety harness",
    covers: { closed: ["lapels"], partlyOpen: ["lapels"], open: ["lapels"] },
    features: ["straps"],
    necklineDropM: 0.12,
    sleeves: "none",
    hemShare: 0.5,
    opens: false,
    hasHardware: true,
  },
  straplessDress: {
    id: "straplessDress",
    name: "strapless dress",
    covers: { closed: ["midChest"], partlyOpen: ["midChest"], open: ["midChest"] },
    features: ["dressTop"],
    necklineDropM: 0.12,
    sleeves: "none",
    hemShare: 0.1,
    opens: false,
    hasHardware: false,
  },
  dress: {
    id: "dress",
    name: "dress with neckline",
    covers: {
      closed: ["midChest", "shoulders"],
      partlyOpen: ["midChest", "shoulders"],
      open: ["midChest", "shoulders"],
    },
    features: ["dressTop", "neckline"],
    necklineDropM: 0.08,
    sleeves: "short",
    hemShare: 0.28,
    opens: false,
    hasHardware: false,
  },
};
