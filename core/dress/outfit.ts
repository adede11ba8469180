import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { type CapsuleColour, Lav, Pack } from "../devices";
import { oneOf } from "../schema";
import { EFFORTS, VOICES } from "../voice";
import { ACCESSORIES, COLOURED, SIDED } from "./accessories";
import { FABRIC_IDS } from "./fabrics";
import { GARMENT_IDS, GARMENTS, type GarmentId } from "./garments";
import { NECKLINE_IDS } from "./necklines";

export const FITS = ["tight", "fitted", "loose"] as const;
export const OPENINGS = ["closed", "partlyOpen", "open"] as const;
export const PATTERNS = ["plain", "patterned"] as const;
export const SHADES = ["white", "light", "skin", "bright", "dark", "black"] as const;
export const FACINGS = ["camera", "left", "right", "round"] as const;
export const ACTIONS = ["sitting", "walking", "running", "stunt", "lying", "wheelchair", "dancing", "riding"] as const;
export const SHOTS = ["close", "medium", "wide"] as const;
export const WATERS = ["dry", "rain", "wading", "near", "swimming"] as const;
export const ANSWERS = ["unknown", "no", "yes"] as const;
export const SIDES = ["left", "right"] as const;
export const HAIRS = ["unknown", "bald", "short", "loose", "tied", "wig"] as const;
export const LOWERS = ["trousers", "shorts", "skirt", "kilt", "tights", "trunks", "bare"] as const;

export type Fit = (typeof FITS)[number];
export type Opening = (typeof OPENINGS)[number];
export type Shade = (typeof SHADES)[number];
export type Facing = (typeof FACINGS)[number];
export type Action = (typeof ACTIONS)[number];
export type Shot = (typeof SHOTS)[number];
export type Water = (typeof WATERS)[number];
export type Answer = (typeof ANSWERS)[number];
export type Side = (typeof SIDES)[number];
export type Hair = (typeof HAIRS)[number];
export type Lower = (typeof LOWERS)[number];

const strict = { additionalProperties: false } as const;

/** One garment as it is worn. */
export const Layer = Type.Object(
  {
    garment: oneOf(GARMENT_IDS, "Garment"),
    fabric: oneOf(FABRIC_IDS, "Fabric"),
    fit: oneOf(FITS, "Fit"),
    opening: oneOf(OPENINGS, "Opening"),
    pattern: oneOf(PATTERNS, "Pattern"),
    shade: oneOf(SHADES, "Colour"),
    neckline: oneOf(NECKLINE_IDS, "Neckline"),
    hasLapels: Type.Boolean({ title: "Lapels" }),
  },
  strict,
);
export type Layer = Static<typeof Layer>;

export const MAX_LAYERS = 6;

/** A member for each of these names. */
const eachOf = <Name extends string, Member>(names: readonly Name[], member: () => Member) =>
  Object.fromEntries(names.map((name) => [name, member()])) as Record<Name, Member>;

/** What somebody wears, innermost layer first. */
export const Outfit = Type.Object(
  {
    layers: Type.Array(Layer, { minItems: 1, maxItems: MAX_LAYERS, title: "Layers" }),
    accessories: Type.Array(oneOf(ACCESSORIES, "Accessory"), { maxItems: ACCESSORIES.length, uniqueItems: true }),
    /** Below the waist; left out: trousers, or nothing where a garment clothes the whole body. */
    lower: Type.Optional(oneOf(LOWERS, "Below the waist")),
    /** On which side of the wearer something is worn; left out: not known, so both count. */
    sides: Type.Optional(Type.Partial(Type.Object(eachOf(SIDED, () => oneOf(SIDES, "Side"))), strict)),
    /** What colour something is; left out: dark. */
    colours: Type.Optional(Type.Partial(Type.Object(eachOf(COLOURED, () => oneOf(SHADES, "Colour"))), strict)),
  },
  strict,
);
export type Outfit = Static<typeof Outfit>;

/** A garment as it usually is: what is filled in when it is chosen. */
export function usualLayer(garment: GarmentId, worn: Partial<Layer> = {}): Layer {
  const { usualFabric, neckline, hasLapels } = GARMENTS[garment];
  return {
    garment,
    fabric: usualFabric,
    fit: "fitted",
    opening: "closed",
    pattern: "plain",
    shade: "dark",
    neckline,
    hasLapels,
    ...worn,
  };
}

/** Standing height, m: from a small child to the tallest. */
export const HeightM = Type.Number({ minimum: 0.8, maximum: 2.3, title: "Height" });

/** What about the person decides where a microphone may go; unknown is an answer. */
export const Person = Type.Object(
  {
    heightM: HeightM,
    voice: oneOf(VOICES, "Voice"),
    tapeAllergy: oneOf(ANSWERS, "Allergy to tape"),
    hairyChest: oneOf(ANSWERS, "Hair on the chest"),
    /** On the head; left out: not known. */
    hair: Type.Optional(oneOf(HAIRS, "Hair")),
    /** Under age: a guardian is asked and stays. */
    isChild: Type.Optional(Type.Boolean({ title: "A child" })),
  },
  strict,
);
export type Person = Static<typeof Person>;

/** What somebody does in a scene, and how they are seen. */
export const Performance = Type.Object(
  {
    faces: oneOf(FACINGS, "Faces"),
    action: oneOf(ACTIONS, "Action"),
    shot: oneOf(SHOTS, "Shot"),
    mayBeSeen: Type.Boolean({ title: "Microphone may be seen" }),
    softest: oneOf(EFFORTS, "Softest line"),
    loudest: oneOf(EFFORTS, "Loudest line"),
    hours: Type.Number({ minimum: 0.1, maximum: 24, title: "Hours worn" }),
    sweats: Type.Boolean({ title: "Sweats" }),
    handsOnChest: Type.Boolean({ title: "Hands on the chest" }),
    water: oneOf(WATERS, "Water"),
  },
  strict,
);
export type Performance = Static<typeof Performance>;

/** What a scene is like until somebody says otherwise: seated, to the camera, microphone may be seen. */
export const FIRST_PERFORMANCE: Performance = {
  faces: "camera",
  action: "sitting",
  shot: "medium",
  mayBeSeen: true,
  softest: "soft",
  loudest: "raised",
  hours: 2,
  sweats: false,
  handsOnChest: false,
  water: "dry",
};

/** How far into somebody's clothing one goes: 0 outside, 1 inside clothing, 2 skin or hair, 3 underwear. */
export const INTRUSIONS = [0, 1, 2, 3] as const;
export type Intrusion = (typeof INTRUSIONS)[number];
export const INTRUSION_NAMES = ["on the outside", "inside clothing", "on skin or in the hair", "at underwear"] as const;

/** The capsule that matches a colour next to it best. Common practice: match what is next to it, not the jacket. */
export const CAPSULE_FOR_SHADE: Record<Shade, CapsuleColour> = {
  white: "white",
  light: "white",
  skin: "beige",
  bright: "beige",
  dark: "black",
  black: "black",
};

/** What of the microphone decides where it can go: a part of its data sheet. */
export const Capsule = Type.Pick(Lav, ["leadM", "diameterMm", "maxSplDb", "colours"], strict);
export type Capsule = Static<typeof Capsule>;

/** What of the pack decides where it can be carried: a part of its data sheet. */
export const CarriedPack = Type.Pick(Pack, ["lengthMm", "massG", "antennaMm"], strict);
export type CarriedPack = Static<typeof CarriedPack>;

interface ActionRow {
  /** How much it pulls at a mount, and how much it shakes cloth and cable, steps. Common practice. */
  pulls: number;
  shakes: number;
  says: "why.walking" | "why.running" | "why.stunts" | "why.dancing" | "why.riding" | null;
  /** Leans on the back: nothing hard lies there. */
  leansBack: boolean;
  /** Sits on what is in a back pocket. */
  sitsOn: boolean;
}

const still = { pulls: 0.3, shakes: 0, says: null, leansBack: false, sitsOn: true } as const;

/** What each way of moving does. Common practice. */
export const ACTION_FACTS: Record<Action, ActionRow> = {
  sitting: still,
  walking: { ...still, pulls: 0.9, shakes: 0.5, says: "why.walking", sitsOn: false },
  running: { ...still, pulls: 1.9, shakes: 1.2, says: "why.running", sitsOn: false },
  stunt: { ...still, pulls: 2.8, shakes: 1.8, says: "why.stunts", sitsOn: false },
  lying: { ...still, leansBack: true },
  wheelchair: { ...still, pulls: 0.5, leansBack: true },
  dancing: { ...still, pulls: 2, shakes: 1.2, says: "why.dancing", sitsOn: false },
  riding: { ...still, pulls: 1.7, shakes: 1.2, says: "why.riding" },
};
