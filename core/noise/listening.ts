import type { SourceKindId } from "./sourceKinds";

export interface ListeningPrompt {
  /** When it is shown, s after the start. */
  atS: number;
  says: string;
  /** Kinds offered with it. */
  kinds: readonly SourceKindId[];
}

/** A guided minute: what people overlook, in the order in which ears get used to a place. Common practice. */
export const LISTENING_S = 60;
export const LISTENING: readonly ListeningPrompt[] = [
  { atS: 0, says: "Sit still where the voice will be. Eyes shut.", kinds: [] },
  {
    atS: 6,
    says: "Near by: what hums? Fridge, fan, lamp, computer.",
    kinds: ["fridge", "computerFan", "lampBallast", "clock"],
  },
  { atS: 15, says: "Above and below: air, steps, pipes.", kinds: ["airConditioning", "footsteps", "water", "rain"] },
  {
    atS: 24,
    says: "Outside: road, building work, wind in leaves.",
    kinds: ["roadHeavy", "roadLight", "building", "trees"],
  },
  { atS: 33, says: "Living things: dogs, birds, children, talk.", kinds: ["dog", "birds", "schoolBreak", "talkers"] },
  { atS: 42, says: "Far: aircraft, trains, ships, sea.", kinds: ["aircraft", "train", "shipEngine", "sea"] },
  {
    atS: 50,
    says: "What is silent now but will not stay so? Bells, pumps, horns, phones.",
    kinds: ["bell", "tidePump", "ferryHorn", "phone"],
  },
];

/** The prompt to show so many seconds in. */
export function promptAt(seconds: number): ListeningPrompt {
  return LISTENING.findLast(({ atS }) => atS <= seconds) ?? LISTENING[0]!;
}
