import type { FabricId } from "./fabrics";
import type { NecklineId } from "./necklines";
import { rowsById } from "../schema";

/** Parts of the upper body that a garment may lie over. */
export const ZONES = ["collar", "throat", "upperChest", "midChest", "lapels", "shoulders"] as const;
export type Zone = (typeof ZONES)[number];

/** What a garment offers to fix a microphone to; necklines and lapels follow from how it is cut. */
export type Feature = "collar" | "placket" | "bibEdge" | "straps" | "breastPocket" | "hood" | "bra" | "cord";

/** How a garment is drawn. */
export type Shape = "top" | "tube" | "bib" | "harness" | "straps" | "wrap";

export interface Garment {
  id: GarmentId;
  name: string;
  /** Zones it lies over when its front is closed; neckline and opening take from these. */
  covers: readonly Zone[];
  features: readonly Feature[];
  neckline: NecklineId;
  hasLapels: boolean;
  sleeves: "none" | "short" | "long";
  /** Where it ends, as a share of height. */
  hemShare: number;
  /** Whether it can be opened at the front at all. */
  opens: boolean;
  /** Hard parts, buckles and webbing that knock. */
  hasHardware: boolean;
  /** Clothes the whole body, so that no waistband is left for a pack. */
  isWhole: boolean;
  /** Keeps water out by having no hole: no lead may be led through it. */
  isWatertight: boolean;
  /** Saves lives: fixing to it is for its maker and the safety officer to allow. */
  isProtective: boolean;
  hasPocket: boolean;
  shape: Shape;
  usualFabric: FabricId;
}

const BODICE: readonly Zone[] = ["upperChest", "midChest", "shoulders"];
const COATED: readonly Zone[] = ["upperChest", "midChest", "shoulders", "lapels", "throat"];

const plain = {
  covers: BODICE,
  features: [],
  neckline: "crew",
  hasLapels: false,
  sleeves: "short",
  hemShare: 0.52,
  opens: false,
  hasHardware: false,
  isWhole: false,
  isWatertight: false,
  isProtective: false,
  hasPocket: false,
  shape: "top",
  usualFabric: "cotton",
} as const satisfies Partial<Garment>;
const long = { sleeves: "long", hemShare: 0.5 } as const;
const dress = { isWhole: true, hemShare: 0.28, usualFabric: "viscose" } as const;

type Row = Omit<Garment, "id">;

/** Where garments lie: plain description of cut, no source needed. */
const ROWS = {
  tee: { ...plain, name: "T-shirt" },
  vneck: { ...plain, name: "V-neck top", neckline: "v" },
  undershirt: { ...plain, name: "vest top", neckline: "scoop", sleeves: "none", features: ["straps"] },
  bra: {
    ...plain,
    name: "bra",
    covers: ["midChest"],
    features: ["bra"],
    neckline: "strapless",
    sleeves: "none",
    hemShare: 0.7,
    shape: "tube",
  },
  shirt: { ...plain, ...long, name: "button shirt", features: ["collar", "placket"], neckline: "collar", opens: true },
  pocketShirt: {
    ...plain,
    ...long,
    name: "work shirt with pockets",
    features: ["collar", "placket", "breastPocket"],
    neckline: "collar",
    opens: true,
    usualFabric: "denim",
  },
  blouse: { ...plain, ...long, name: "blouse", features: ["placket"], neckline: "v", opens: true, usualFabric: "silk" },
  polo: { ...plain, name: "polo shirt", features: ["collar", "placket"], neckline: "collar", opens: true },
  rollneck: { ...plain, ...long, name: "roll-neck", neckline: "high", usualFabric: "fineKnit" },
  jumper: { ...plain, ...long, name: "jumper", usualFabric: "wool" },
  hoodie: {
    ...plain,
    ...long,
    name: "hoodie",
    features: ["hood", "cord", "placket"],
    opens: true,
    usualFabric: "jersey",
  },
  cardigan: {
    ...plain,
    ...long,
    name: "cardigan",
    covers: ["midChest", "shoulders", "lapels"],
    features: ["placket"],
    neckline: "deepV",
    opens: true,
    usualFabric: "wool",
  },
  fleece: {
    ...plain,
    ...long,
    name: "fleece",
    features: ["placket"],
    neckline: "high",
    opens: true,
    usualFabric: "fleece",
  },
  waistcoat: {
    ...plain,
    name: "waistcoat",
    covers: ["lapels"],
    features: ["placket"],
    neckline: "deepV",
    sleeves: "none",
    hemShare: 0.56,
    opens: true,
    hasPocket: true,
    usualFabric: "wool",
  },
  blazer: {
    ...plain,
    ...long,
    name: "jacket with lapels",
    covers: ["lapels", "shoulders"],
    features: ["breastPocket"],
    neckline: "deepV",
    hasLapels: true,
    hemShare: 0.47,
    opens: true,
    hasPocket: true,
    usualFabric: "wool",
  },
  tailcoat: {
    ...plain,
    ...long,
    name: "tailcoat",
    covers: ["lapels", "shoulders"],
    neckline: "deepV",
    hasLapels: true,
    opens: true,
    hasPocket: true,
    usualFabric: "wool",
  },
  uniform: {
    ...plain,
    ...long,
    name: "uniform tunic",
    covers: COATED,
    features: ["collar", "placket", "breastPocket"],
    neckline: "collar",
    opens: true,
    hasHardware: true,
    hasPocket: true,
    usualFabric: "wool",
  },
  coat: {
    ...plain,
    ...long,
    name: "coat",
    covers: [...COATED, "collar"],
    features: ["placket"],
    neckline: "collar",
    hemShare: 0.42,
    opens: true,
    hasPocket: true,
    usualFabric: "coatWool",
  },
  parka: {
    ...plain,
    ...long,
    name: "parka",
    covers: [...COATED, "collar"],
    features: ["placket", "hood", "cord"],
    neckline: "high",
    hemShare: 0.42,
    opens: true,
    hasHardware: true,
    hasPocket: true,
    usualFabric: "nylon",
  },
  bikerJacket: {
    ...plain,
    ...long,
    name: "leather jacket",
    covers: ["midChest", "lapels", "shoulders"],
    features: ["placket", "breastPocket"],
    neckline: "v",
    hasLapels: true,
    opens: true,
    hasHardware: true,
    hasPocket: true,
    usualFabric: "leather",
  },
  oilskin: {
    ...plain,
    ...long,
    name: "waterproof jacket",
    covers: [...COATED, "collar"],
    features: ["placket", "hood"],
    neckline: "high",
    hemShare: 0.44,
    opens: true,
    hasPocket: true,
    usualFabric: "waterproof",
  },
  drySuit: {
    ...plain,
    ...long,
    name: "dry suit",
    covers: [...COATED, "collar"],
    neckline: "high",
    hemShare: 0.05,
    hasHardware: true,
    isWhole: true,
    isWatertight: true,
    isProtective: true,
    usualFabric: "waterproof",
  },
  wetsuit: {
    ...plain,
    ...long,
    name: "wetsuit",
    neckline: "high",
    hemShare: 0.05,
    isWhole: true,
    usualFabric: "neoprene",
  },
  waders: {
    ...plain,
    name: "chest waders",
    covers: ["midChest"],
    features: ["straps", "bibEdge"],
    neckline: "strapless",
    sleeves: "none",
    hemShare: 0.05,
    hasHardware: true,
    isWhole: true,
    isWatertight: true,
    shape: "bib",
    usualFabric: "waterproof",
  },
  overall: {
    ...plain,
    ...long,
    name: "overall",
    covers: COATED,
    features: ["collar", "placket", "breastPocket"],
    neckline: "collar",
    hemShare: 0.05,
    opens: true,
    isWhole: true,
    hasPocket: true,
    usualFabric: "twill",
  },
  dungarees: {
    ...plain,
    name: "dungarees",
    covers: ["midChest"],
    features: ["straps", "bibEdge"],
    neckline: "strapless",
    sleeves: "none",
    hemShare: 0.05,
    hasHardware: true,
    hasPocket: true,
    shape: "bib",
    usualFabric: "denim",
  },
  apron: {
    ...plain,
    name: "apron with bib",
    covers: ["midChest"],
    features: ["bibEdge"],
    neckline: "strapless",
    sleeves: "none",
    hemShare: 0.32,
    hasPocket: true,
    shape: "bib",
    usualFabric: "canvas",
  },
  vest: {
    ...plain,
    name: "reflective vest",
    covers: ["midChest", "lapels", "shoulders"],
    features: ["placket"],
    neckline: "v",
    sleeves: "none",
    opens: true,
    usualFabric: "reflective",
  },
  harness: {
    ...plain,
    name: "safety harness",
    covers: ["lapels"],
    features: ["straps"],
    neckline: "strapless",
    sleeves: "none",
    hemShare: 0.5,
    hasHardware: true,
    isProtective: true,
    shape: "harness",
    usualFabric: "webbing",
  },
  lifeJacket: {
    ...plain,
    name: "life jacket",
    covers: ["midChest", "lapels", "shoulders"],
    features: ["straps"],
    neckline: "deepV",
    sleeves: "none",
    hemShare: 0.6,
    opens: true,
    hasHardware: true,
    isProtective: true,
    usualFabric: "nylon",
  },
  dress: { ...plain, ...dress, name: "dress", neckline: "scoop" },
  highDress: { ...plain, ...dress, ...{ sleeves: "long" }, name: "dress, high neck", neckline: "high" },
  vDress: { ...plain, ...dress, name: "dress, V neck", neckline: "v" },
  wrapDress: { ...plain, ...dress, name: "wrap dress", neckline: "deepV", shape: "wrap" },
  halterDress: { ...plain, ...dress, name: "halter dress", neckline: "v", sleeves: "none", usualFabric: "silk" },
  straplessDress: {
    ...plain,
    ...dress,
    name: "strapless dress",
    covers: ["midChest"],
    neckline: "strapless",
    sleeves: "none",
    hemShare: 0.1,
    shape: "tube",
    usualFabric: "silk",
  },
  robe: {
    ...plain,
    name: "robe or gown",
    covers: ["midChest", "shoulders", "lapels"],
    features: ["placket"],
    neckline: "deepV",
    sleeves: "long",
    hemShare: 0.15,
    opens: true,
    isWhole: true,
    usualFabric: "polyester",
  },
  leotard: {
    ...plain,
    name: "leotard",
    neckline: "scoop",
    sleeves: "none",
    hemShare: 0.5,
    isWhole: true,
    usualFabric: "elastane",
  },
  sari: {
    ...plain,
    name: "sari or wrapped cloth",
    covers: ["midChest", "shoulders"],
    neckline: "v",
    hemShare: 0.06,
    isWhole: true,
    shape: "wrap",
    usualFabric: "silk",
  },
  corset: {
    ...plain,
    name: "costume corset",
    covers: ["midChest"],
    neckline: "strapless",
    sleeves: "none",
    hemShare: 0.56,
    hasHardware: true,
    shape: "tube",
    usualFabric: "brocade",
  },
  swimwear: {
    ...plain,
    name: "swimwear",
    covers: ["midChest"],
    features: ["bra"],
    neckline: "strapless",
    sleeves: "none",
    hemShare: 0.5,
    isWhole: true,
    shape: "tube",
    usualFabric: "elastane",
  },
} as const satisfies Record<string, Row>;

export type GarmentId = keyof typeof ROWS;
export const GARMENT_IDS = Object.keys(ROWS) as [GarmentId, ...GarmentId[]];

/** Every garment by id. */
export const GARMENTS: Record<GarmentId, Garment> = rowsById(ROWS);
