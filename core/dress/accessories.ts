import type { BareDress } from "./messages";
import type { BareReason as AccessoryReason } from "./reasons";
import type { ClothLoss } from "./fabrics";
import type { Zone } from "./garment";

/** What something worn does at a part of the body: steps of rustle, 0…3. */
type Touch = Partial<Record<Zone | "head", number>>;

interface Row {
  name: string;
  /** Rustle it brings to each zone it reaches. Common practice. */
  touches: Touch;
  /** What is said when it does; null: nothing. */
  says: AccessoryReason | null;
  /** It strikes or presses: no mount eases that. Common practice. */
  strikes: boolean;
  /** What of a zone it reaches: all, the middle only (a pendant), or a side only (a strap). */
  reach: "all" | "centre" | "sides";
  /** Worn on one side or the other: on the free side it does nothing. */
  isSided: boolean;
  /** Nothing is put beneath it there: it lies on or presses all of it. Common practice. */
  bars: readonly Zone[];
  /** Zones it lies over, and what it takes from the highs. */
  over: readonly (Zone | "head")[];
  loss: ClothLoss;
  /** Whether its colour counts beside a capsule. */
  isColoured: boolean;
  /** How it is taken out of the way, for "what would make that possible". */
  remedy: BareDress | null;
  /** Saves lives: not to be altered or hindered. */
  isProtective: boolean;
  /** What is said wherever it is worn. */
  caution: BareDress | null;
  /** Something lies on the small of the back: no pack there. */
  isOnBack: boolean;
}

const worn = {
  touches: {},
  says: null,
  strikes: false,
  reach: "all",
  isSided: false,
  bars: [],
  over: [],
  loss: "none",
  isColoured: false,
  remedy: null,
  isProtective: false,
  caution: null,
  isOnBack: false,
} as const;

const straps = {
  touches: { lapels: 1.3, shoulders: 1.4 },
  says: "why.rucksack",
  strikes: true,
  reach: "sides",
  remedy: "help.rucksackOff",
  isOnBack: true,
} as const;

/** What is worn beside clothes and what it touches. Common practice throughout. */
const ROWS = {
  tie: { ...worn, name: "tie", isColoured: true, remedy: "help.tieOff" },
  bowTie: { ...worn, name: "bow tie", isColoured: true, remedy: "help.bowTieOff" },
  scarf: {
    ...worn,
    name: "scarf",
    touches: { collar: 1, throat: 1, upperChest: 1, midChest: 0.3 },
    says: "why.scarf",
    over: ["collar", "throat", "upperChest"],
    loss: "knit",
    isColoured: true,
    remedy: "help.scarfOff",
  },
  necklace: {
    ...worn,
    name: "necklace",
    touches: { collar: 0.3, throat: 0.8, upperChest: 1, midChest: 1 },
    says: "why.necklace",
    strikes: true,
    reach: "centre",
    remedy: "help.necklaceOff",
  },
  lanyard: {
    ...worn,
    name: "lanyard",
    touches: { upperChest: 0.7, midChest: 1.2, lapels: 0.6 },
    says: "why.lanyard",
    strikes: true,
    remedy: "help.lanyardOff",
  },
  brooch: {
    ...worn,
    name: "brooch",
    touches: { lapels: 0.3, upperChest: 0.3 },
    says: "why.brooch",
    reach: "sides",
    isSided: true,
    remedy: "help.broochOff",
  },
  spectacles: { ...worn, name: "spectacles" },
  hat: { ...worn, name: "hat with a brim", isColoured: true, over: [], remedy: "help.hatOff" },
  beanie: {
    ...worn,
    name: "knitted cap",
    touches: { head: 0.6 },
    says: "why.cap",
    over: ["head"],
    loss: "knit",
    isColoured: true,
    remedy: "help.capOff",
  },
  headscarf: {
    ...worn,
    name: "headscarf",
    touches: { head: 0.5, collar: 0.8, throat: 0.8, upperChest: 0.5 },
    says: "why.headscarf",
    over: ["head", "collar", "throat"],
    loss: "sheer",
    isColoured: true,
  },
  hardHat: { ...worn, name: "safety helmet", isProtective: true },
  openHelmet: { ...worn, name: "helmet, face open", isProtective: true },
  sealedHood: { ...worn, name: "closed hood or helmet", isProtective: true },
  earDefenders: {
    ...worn,
    name: "ear defenders",
    touches: { head: 0.5 },
    says: "why.headband",
    isProtective: true,
  },
  longHair: {
    ...worn,
    name: "long hair in front",
    touches: { collar: 0.8, throat: 0.8, upperChest: 0.8, lapels: 0.8 },
    says: "why.longHair",
    isSided: true,
    remedy: "help.hairOff",
  },
  beard: {
    ...worn,
    name: "beard",
    touches: { collar: 0.8, throat: 1, upperChest: 0.8 },
    says: "why.beard",
  },
  seatBelt: {
    ...worn,
    name: "seat belt",
    touches: { upperChest: 0.8, midChest: 1.2, lapels: 1.4, shoulders: 1.4 },
    says: "why.seatBelt",
    strikes: true,
    isSided: true,
    isProtective: true,
    isOnBack: true,
  },
  bagStrap: {
    ...worn,
    name: "bag strap",
    touches: { midChest: 0.9, lapels: 1.3, shoulders: 1.4 },
    says: "why.bagStrap",
    strikes: true,
    isSided: true,
    remedy: "help.bagOff",
  },
  toolBelt: { ...worn, name: "tool belt", remedy: "help.toolBeltOff" },
  rucksack: { ...worn, ...straps, name: "rucksack" },
  rucksackChest: {
    ...worn,
    ...straps,
    name: "rucksack with a chest strap",
    touches: { upperChest: 0.8, midChest: 1.2, lapels: 1.3, shoulders: 1.4 },
    reach: "all",
    remedy: "help.chestStrapOff",
  },
  babyCarrier: {
    ...worn,
    name: "baby carrier",
    touches: { lapels: 1.4, shoulders: 1.4 },
    says: "why.babyCarrier",
    strikes: true,
    bars: ["upperChest", "midChest", "lapels", "shoulders"],
    isProtective: true,
    isOnBack: true,
  },
  cravat: {
    ...worn,
    name: "cravat",
    touches: { throat: 0.8, upperChest: 0.5 },
    says: "why.cravat",
    over: ["throat", "upperChest"],
    loss: "sheer",
    isColoured: true,
    remedy: "help.cravatOff",
  },
  braces: { ...worn, name: "braces", touches: { lapels: 0.6 }, says: "why.braces" },
  medals: {
    ...worn,
    name: "medals",
    touches: { lapels: 1.2, midChest: 0.4 },
    says: "why.medals",
    strikes: true,
    reach: "sides",
    isSided: true,
  },
  stethoscope: {
    ...worn,
    name: "stethoscope",
    touches: { collar: 0.8, upperChest: 0.8, midChest: 1.2, lapels: 1.2 },
    says: "why.stethoscope",
    strikes: true,
    remedy: "help.stethoscopeOff",
  },
  bodyRadio: {
    ...worn,
    name: "body radio",
    touches: { lapels: 1.2, shoulders: 1 },
    says: "why.bodyRadio",
    strikes: true,
    reach: "sides",
    isSided: true,
    caution: "caution.bodyRadio",
  },
  earrings: {
    ...worn,
    name: "long earrings",
    touches: { collar: 0.7 },
    says: "why.earrings",
    remedy: "help.earringsOff",
  },
  crown: { ...worn, name: "crown" },
  turban: { ...worn, name: "turban", over: ["head"], loss: "sheer", isColoured: true },
  veil: {
    ...worn,
    name: "veil",
    touches: { head: 0.4, shoulders: 0.3 },
    says: "why.veil",
    over: ["head"],
    loss: "sheer",
    remedy: "help.veilBack",
  },
  faceMask: { ...worn, name: "face mask", caution: "caution.mask" },
  respirator: { ...worn, name: "respirator", isProtective: true, caution: "caution.mask" },
  hearingAid: { ...worn, name: "hearing aid or implant", isSided: true, caution: "caution.hearing" },
  earpiece: { ...worn, name: "earpiece", isSided: true },
  chairHarness: {
    ...worn,
    name: "wheelchair harness",
    touches: { upperChest: 0.6, midChest: 1.2, lapels: 1.4, shoulders: 1.4 },
    says: "why.chairHarness",
    strikes: true,
    isProtective: true,
    isOnBack: true,
  },
  sipStraw: {
    ...worn,
    name: "sip straw",
    touches: { collar: 0.6, throat: 0.4 },
    says: "why.sipStraw",
    isSided: true,
    isProtective: true,
  },
} as const satisfies Record<string, Row>;

export type Accessory = keyof typeof ROWS;
export const ACCESSORIES = Object.keys(ROWS) as [Accessory, ...Accessory[]];
export type AccessoryFacts = Row;

/** Every accessory by id. */
export const ACCESSORY_FACTS: Record<Accessory, AccessoryFacts> = ROWS;

type With<Flag extends keyof Row> = {
  [Id in Accessory]: (typeof ROWS)[Id][Flag] extends true ? Id : never;
}[Accessory];
const having = <Flag extends "isSided" | "isColoured">(flag: Flag) =>
  ACCESSORIES.filter((id): id is With<Flag> => ACCESSORY_FACTS[id][flag]);

/** Things that are worn on one side, and things whose colour counts. */
export const SIDED = having("isSided");
export const COLOURED = having("isColoured");

/** Things on the head of which one is worn at a time. */
export const HEADGEAR: readonly Accessory[] = [
  "hat",
  "beanie",
  "hardHat",
  "openHelmet",
  "sealedHood",
  "crown",
  "turban",
];
