import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema";
import { EFFORTS } from "../voice";
import { HOLDERS, MICROPHONE_IDS } from "./microphones";
import { PATTERN_IDS } from "./patterns";
import { COVERS } from "./wind";

const strict = { additionalProperties: false } as const;
const Id = Type.String({ minLength: 1, maxLength: 40 });
const At = (title: string) => Type.Number({ title, unit: "m", minimum: -100, maximum: 200 });
const Bearing = (title: string) => Type.Number({ title, unit: "°", minimum: -360, maximum: 360 });

/** A spot on the plan: x from the west wall, y from the south wall. */
export const Spot = Type.Object({ xM: At("From the west wall"), yM: At("From the south wall") }, strict);
export type Spot = Static<typeof Spot>;

export const HELD = ["nothing", "instrument", "wheel", "child", "tool"] as const;
export type Held = (typeof HELD)[number];

/** Somebody talking, or an instrument that sounds. */
export const Talker = Type.Object(
  {
    id: Id,
    name: Type.String({ title: "Name", minLength: 1, maxLength: 80 }),
    /** Whose hidden microphone counts for them; null: nobody's. */
    wearerId: Type.Union([Type.String({ format: "uuid" }), Type.Null()]),
    at: Spot,
    /** Mouth over the floor. */
    mouthM: Type.Number({ title: "Mouth height", unit: "m", minimum: 0.2, maximum: 2.3 }),
    /** Where they look: 0 north, 90 east. */
    facesDeg: Bearing("Faces"),
    /** How far the head turns to either side while talking. */
    turnsDeg: Type.Number({ title: "Head turns by", unit: "°", minimum: 0, maximum: 90 }),
    effort: oneOf(EFFORTS, "Voice"),
    /** What they walk along while talking, after where they stand; empty when they stay. */
    path: Type.Array(Spot, { title: "Way", maxItems: 50 }),
    isInstrument: Type.Boolean({ title: "An instrument" }),
    /** What their hands hold while they talk; left out: nothing. */
    holds: Type.Optional(oneOf(HELD, "Hands hold")),
  },
  strict,
);
export type Talker = Static<typeof Talker>;

/** A microphone where it stands. */
export const PlacedMic = Type.Object(
  {
    id: Id,
    microphone: oneOf(MICROPHONE_IDS, "Microphone"),
    pattern: oneOf(PATTERN_IDS, "Pattern"),
    holder: oneOf(HOLDERS, "Held by"),
    at: Spot,
    heightM: Type.Number({ title: "Height", unit: "m", minimum: 0, maximum: 10 }),
    /** Where its front looks on the plan, and up (+) or down (−). */
    aimsDeg: Bearing("Aims"),
    tiltDeg: Type.Number({ title: "Tilts", unit: "°", minimum: -90, maximum: 90 }),
    hasScreen: Type.Boolean({ title: "Pop screen" }),
    /** How near hands come: what holds it, or gestures beside it; null when none does. */
    handsM: Type.Union([Type.Number({ title: "Hands come to", unit: "m", minimum: 0.02, maximum: 0.5 }), Type.Null()]),
    /** Against wind; left out: what the wind asks for. */
    cover: Type.Optional(oneOf(COVERS, "Wind cover")),
  },
  strict,
);
export type PlacedMic = Static<typeof PlacedMic>;

export const MOST_TALKERS = 6;
export const MOST_MICS = 12;

export const PickupSetup = Type.Object(
  {
    talkers: Type.Array(Talker, { title: "Talkers", maxItems: MOST_TALKERS }),
    mics: Type.Array(PlacedMic, { title: "Microphones", maxItems: MOST_MICS }),
  },
  strict,
);
export type PickupSetup = Static<typeof PickupSetup>;

export const SHOT_SIZES = ["close", "medium", "wide"] as const;
export type ShotSize = (typeof SHOT_SIZES)[number];
export const OVERHEAD_SCHOOLS = ["byRoom", "gun", "hyper"] as const;

/** What the picture and the crew allow. */
export const PickupWishes = Type.Object(
  {
    shot: oneOf(SHOT_SIZES, "Shot"),
    /** A microphone may be in the picture. */
    mayBeSeen: Type.Boolean({ title: "May be seen" }),
    /** There is a table to stand on. */
    hasTable: Type.Boolean({ title: "A table" }),
    /** Which school is followed overhead; byRoom leaves it to the figures. */
    overhead: oneOf(OVERHEAD_SCHOOLS, "Overhead"),
  },
  strict,
);
export type PickupWishes = Static<typeof PickupWishes>;
