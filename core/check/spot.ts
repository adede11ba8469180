import type { FindingKind } from "./kinds";

/** A place in a channel where something was found; seconds of the recording. */
export interface Spot {
  kind: FindingKind;
  startS: number;
  endS: number;
  /** How strong, in the kind's own figure, dB. */
  sizeDb: number;
  /** How sure, 0…1. */
  confidence: number;
}

/** Joins spots of one kind that are closer than `apartS`. They must be in order. */
export function joinSpots(spots: readonly Spot[], apartS: number): Spot[] {
  const joined: Spot[] = [];
  for (const spot of spots) {
    const last = joined.at(-1);
    if (last && spot.startS - last.endS < apartS) {
      last.endS = Math.max(last.endS, spot.endS);
      last.sizeDb = Math.max(last.sizeDb, spot.sizeDb);
      last.confidence = Math.max(last.confidence, spot.confidence);
    } else joined.push({ ...spot });
  }
  return joined;
}
