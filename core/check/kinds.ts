import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";

/** What a finding is about. */
export const FINDING_KINDS = [
  "clipped",
  "overloadedEarlier",
  "limited",
  "overFullScale",
  "tooHot",
  "tooLow",
  "noisy",
  "hum",
  "hiss",
  "roomy",
  "ownMicrophone",
  "plosive",
  "breath",
  "wind",
  "rustle",
  "knock",
  "sibilant",
  "muffled",
  "boomy",
  "dropout",
  "radioNoise",
  "gap",
  "repeated",
  "silent",
  "linked",
  "swapped",
  "inverted",
  "delayed",
  "pumping",
  "lowCut",
  "headTurn",
  "dcOffset",
  "wrongFormat",
  "brokenSamples",
  "cutShort",
] as const;
export const FindingKind = Type.Union(FINDING_KINDS.map((kind) => Type.Literal(kind)));
export type FindingKind = Static<typeof FindingKind>;
