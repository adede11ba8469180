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
  /** Whether only the middle is reached (a pendant) or one side (a strap). */
  reach: "all" | "centre" | "sides";
  /** Zones it lies over, and what it takes from the highs. */
  over: readonly (Zone | "head")[];
  loss: ClothLoss;
  /** How it is taken out of the way, for "what would make that possible". */
  remedy: BareDress | null;
  /** Saves lives: not to be altered or hindered. */
  isProtective: boolean;
}

const worn = {
  touches: {},
  says: null,
  strikes: false,
  reach: "all",
  over: [],
  loss: "none",
  remedy: null,
  isProtective: false,
} as const;

/** What is worn beside clothes and what it touches. Common practice throughout. */
const ROWS = {
  tie: { ...worn, name: "tie", remedy: "help.tieOff" },
  bowTie: { ...worn, name: "bow tie", remedy: "help.bowTieOff" },
  scarf: {
    ...worn,
    name: "scarf",
    touches: { collar: 1, throat: 1, upperChest: 1, midChest: 0.3 },
    says: "why.scarf",
    over: ["collar", "throat", "upperChest"],
    loss: "knit",
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
    remedy: "help.broochOff",
  },
  spectacles: { ...worn, name: "spectacles" },
  hat: { ...worn, name: "hat with a brim", over: [], remedy: "help.hatOff" },
  beanie: {
    ...worn,
    name: "knitted cap",
    touches: { head: 0.6 },
    says: "why.cap",
    over: ["head"],
    loss: "knit",
    remedy: "help.capOff",
  },
  headscarf: {
    ...worn,
    name: "headscarf",
    touches: { head: 0.5, collar: 0.8, throat: 0.8, upperChest: 0.5 },
    says: "why.headscarf",
    over: ["head", "collar", "throat"],
    loss: "sheer",
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
    isProtective: true,
  },
  bagStrap: {
    ...worn,
    name: "bag strap",
    touches: { midChest: 0.9, lapels: 1.3, shoulders: 1.4 },
    says: "why.bagStrap",
    strikes: true,
    remedy: "help.bagOff",
  },
  toolBelt: { ...worn, name: "tool belt", remedy: "help.toolBeltOff" },
} as const satisfies Record<string, Row>;

export type Accessory = keyof typeof ROWS;
export const ACCESSORIES = Object.keys(ROWS) as [Accessory, ...Accessory[]];
export type AccessoryFacts = Row;

/** Every accessory by id. */
export const ACCESSORY_FACTS: Record<Accessory, AccessoryFacts> = ROWS;

/** Things on the head of which one is worn at a time. */
export const HEADGEAR: readonly Accessory[] = ["hat", "beanie", "hardHat", "openHelmet", "sealedHood"];
