import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema";
import { SUPPLY_IDS } from "./supplies";

/** What a place is judged by; each is a cost from 0 (nothing against it) to 3. */
export const CRITERIA = ["tone", "steady", "clear", "rustle", "unseen", "weather", "holding", "ease"] as const;
export type Criterion = (typeof CRITERIA)[number];

export const CRITERION_NAMES: Record<Criterion, string> = {
  tone: "Natural tone",
  steady: "Steady as the head turns",
  clear: "Voice above noise",
  rustle: "No rustle",
  unseen: "Unseen",
  weather: "Breath and weather",
  holding: "Holds all day",
  ease: "Quick and discreet",
};

export type Weights = Record<Criterion, number>;

export const PRESET_IDS = ["interview", "hiddenDrama", "runAndGun", "stage", "action", "presenter"] as const;
export type PresetId = (typeof PRESET_IDS)[number];

interface Preset {
  name: string;
  weights: Weights;
}

const weights = (...values: readonly number[]): Weights =>
  Object.fromEntries(CRITERIA.map((criterion, index) => [criterion, values[index]!])) as Weights;

/** What matters for a kind of work, 0 not at all … 10 above all. Common practice put into figures. */
export const PRESETS: Record<PresetId, Preset> = {
  interview: { name: "Sit-down interview", weights: weights(8, 8, 5, 8, 6, 4, 3, 5) },
  hiddenDrama: { name: "Hidden drama", weights: weights(6, 6, 4, 8, 10, 4, 5, 1) },
  runAndGun: { name: "Run and gun", weights: weights(5, 5, 6, 7, 3, 7, 6, 8) },
  stage: { name: "Stage or ceremony", weights: weights(6, 7, 5, 6, 7, 3, 8, 3) },
  action: { name: "Action", weights: weights(4, 4, 5, 8, 7, 7, 10, 1) },
  presenter: { name: "Live presenter", weights: weights(7, 8, 6, 7, 4, 5, 5, 5) },
};

/** Questions on which practitioners differ; "auto" follows the facts. Common practice. */
export const SCHOOL_OPTIONS = {
  distance: ["auto", "near", "chest"],
  stickTo: ["auto", "skin", "garment"],
  port: ["auto", "down", "mouth"],
  collar: ["auto", "welcome", "avoid"],
  mount: ["auto", "pads", "triangles"],
} as const;
export type SchoolQuestion = keyof typeof SCHOOL_OPTIONS;
export type SchoolAnswer<Question extends SchoolQuestion> = (typeof SCHOOL_OPTIONS)[Question][number];

const Weight = (criterion: Criterion) => Type.Number({ minimum: 0, maximum: 10, title: CRITERION_NAMES[criterion] });
const strict = { additionalProperties: false } as const;

export const Schools = Type.Object(
  {
    distance: oneOf(SCHOOL_OPTIONS.distance, "Distance"),
    stickTo: oneOf(SCHOOL_OPTIONS.stickTo, "Stick to"),
    port: oneOf(SCHOOL_OPTIONS.port, "Capsule points"),
    collar: oneOf(SCHOOL_OPTIONS.collar, "Shirt collar"),
    mount: oneOf(SCHOOL_OPTIONS.mount, "Mount"),
  },
  strict,
);
export type Schools = Static<typeof Schools>;

/** What matters here, whose school is followed, and what is in the bag. */
export const Aims = Type.Object(
  {
    preset: oneOf(PRESET_IDS, "Kind of work"),
    weights: Type.Object(
      {
        tone: Weight("tone"),
        steady: Weight("steady"),
        clear: Weight("clear"),
        rustle: Weight("rustle"),
        unseen: Weight("unseen"),
        weather: Weight("weather"),
        holding: Weight("holding"),
        ease: Weight("ease"),
      },
      strict,
    ),
    schools: Schools,
    supplies: Type.Array(oneOf(SUPPLY_IDS, "In the bag"), { uniqueItems: true, maxItems: SUPPLY_IDS.length }),
  },
  strict,
);
export type Aims = Static<typeof Aims>;

export const FIRST_AIMS: Aims = {
  preset: "interview",
  weights: PRESETS.interview.weights,
  schools: { distance: "auto", stickTo: "auto", port: "auto", collar: "auto", mount: "auto" },
  supplies: [...SUPPLY_IDS],
};
