import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { ClockTime } from "../schedule";
import { oneOf } from "../schema";
import { BARRIER_IDS } from "./barriers";
import { OCCURRENCES, REMEDIES, SOURCE_KINDS, SOURCE_KIND_IDS, type SourceKindId } from "./sourceKinds";

const strict = { additionalProperties: false } as const;

/** When a noise is there, on every day of the shoot; an end before its start goes past midnight. */
export const NoiseTime = Type.Object(
  {
    from: ClockTime("From"),
    minutes: Type.Number({ title: "Lasts", unit: "min", minimum: 0.1, maximum: 1440 }),
  },
  strict,
);
export type NoiseTime = Static<typeof NoiseTime>;

/** One noise of a place, as somebody listening put it down. */
export const NoiseSource = Type.Object(
  {
    id: Type.String({ minLength: 1, maxLength: 40 }),
    kind: oneOf(SOURCE_KIND_IDS, "Noise"),
    name: Type.String({ title: "Name", maxLength: 80 }),
    /** Read from a meter where the voice will be; null: the kind's typical level at the distance is taken. */
    levelDba: Type.Union([Type.Number({ title: "Level", unit: "dBA", minimum: 0, maximum: 130 }), Type.Null()]),
    distanceM: Type.Number({ title: "Distance", unit: "m", minimum: 0.2, maximum: 20000 }),
    /** Where it comes from on the plan: 0 north, 90 east. */
    bearingDeg: Type.Number({ title: "Direction", unit: "°", minimum: 0, maximum: 359 }),
    barrier: oneOf(BARRIER_IDS, "Way in"),
    occurs: oneOf(OCCURRENCES, "Occurs"),
    perHour: Type.Number({ title: "Times an hour", minimum: 0, maximum: 600 }),
    lastsS: Type.Number({ title: "Lasts", unit: "s", minimum: 0, maximum: 3600 }),
    times: Type.Array(NoiseTime, { title: "Times", maxItems: 60 }),
    remedy: Type.Union([oneOf(REMEDIES, "What is done"), Type.Null()]),
    isDone: Type.Boolean({ title: "Done" }),
    owner: Type.String({ title: "Responsible", maxLength: 80 }),
  },
  strict,
);
export type NoiseSource = Static<typeof NoiseSource>;

export const MOST_SOURCES = 60;

/** A noise of a kind as it usually comes. */
export function usualSource(id: string, kind: SourceKindId, change: Partial<NoiseSource> = {}): NoiseSource {
  const { occurs, perHour, lastsS, atM } = SOURCE_KINDS[kind];
  return {
    id,
    kind,
    name: "",
    levelDba: null,
    distanceM: atM,
    bearingDeg: 0,
    barrier: "none",
    occurs,
    perHour,
    lastsS,
    times: [],
    remedy: null,
    isDone: false,
    owner: "",
    ...change,
  };
}
