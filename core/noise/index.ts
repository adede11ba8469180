/**
 * Noises of a place: sources with their spectra, how they come in, when they happen, what helps, room tone.
 */
export { BARRIERS, BARRIER_IDS, SHUT } from "./barriers";
export { LISTENING, LISTENING_S, promptAt } from "./listening";
export { MeasuredTone } from "./measuredTone";
export { MOST_SOURCES, NoiseSource, usualSource } from "./noiseSource";
export {
  SILENCE_DB,
  rankRemedies,
  sourceDb,
  sumSpectra,
  toUndo,
  treatedDb,
  type RemedyGain,
  type Reverberant,
} from "./placeNoise";
export { REMEDY_ROWS } from "./remedies";
export { analyseTone, type ToneResult } from "./roomTone";
export {
  OCCURRENCES,
  REMEDIES,
  SOURCE_KINDS,
  SOURCE_KIND_IDS,
  type Occurrence,
  type Remedy,
  type SourceKindId,
} from "./sourceKinds";
export { isSteady, sourceName } from "./sourceTraits";
export type { NoiseCatalogue, NoiseMessage } from "./messages";
