/**
 * Lining up: which picture and sound files were made at the same time, at which offset and drift. It knows samples, not files or
 * stations; windows are read by whoever asks.
 */
export { alignPair, type Look, type Match, type ReadStretch, type Side, type Stretch } from "./alignPair";
export { findClaps, type Clap } from "./claps";
export { correctDrift, correctedFrames } from "./correctDrift";
export { driftEdits, stretchesOf, type DriftEdit } from "./driftEdits";
export { lagBetween, type Lag } from "./lag";
export { landmarkMaker, type Landmarks } from "./landmarks";
export type { Candidate } from "./candidates";
export {
  alignHere,
  lineUp,
  SHORTEST_S,
  type Align,
  type ClockOffset,
  type ClockPair,
  type LinedUp,
  type LineUpOptions,
  type Recorded,
  type Unmatched,
} from "./lineUp";
export type { SyncCatalogue, SyncMessage } from "./messages";
export { partsOf, reasonOf, type MatchFacts } from "./facts";
export { isWavName, openSound, type OpenSound } from "./soundFile";
export { resampling, type Resampling } from "./resample";
