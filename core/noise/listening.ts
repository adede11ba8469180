import type { NoiseMessage } from "./messages";
import type { SourceKindId } from "./sourceKinds";

export interface ListeningPrompt {
  /** When it is shown, s after the start. */
  atS: number;
  code: NoiseMessage["code"] & `listen.${string}`;
  /** Kinds offered with it. */
  kinds: readonly SourceKindId[];
}

/** A guided minute: what people overlook, in the order in which ears get used to a place. Common practice. */
export const LISTENING_S = 60;
export const LISTENING: readonly ListeningPrompt[] = [
  { atS: 0, code: "listen.sitStill", kinds: [] },
  {
    atS: 6,
    code: "listen.nearBy",
    kinds: ["fridge", "computerFan", "lampBallast", "clock"],
  },
  { atS: 15, code: "listen.aboveAndBelow", kinds: ["airConditioning", "footsteps", "water", "rain"] },
  {
    atS: 24,
    code: "listen.outside",
    kinds: ["roadHeavy", "roadLight", "building", "trees"],
  },
  { atS: 33, code: "listen.living", kinds: ["dog", "birds", "schoolBreak", "talkers"] },
  { atS: 42, code: "listen.far", kinds: ["aircraft", "train", "shipEngine", "sea"] },
  {
    atS: 50,
    code: "listen.silentNow",
    kinds: ["bell", "tidePump", "ferryHorn", "phone"],
  },
];

/** The prompt to show so many seconds in. */
export function promptAt(seconds: number): ListeningPrompt {
  return LISTENING.findLast(({ atS }) => atS <= seconds) ?? LISTENING[0]!;
}
