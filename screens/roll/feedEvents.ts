import type { MarkKind } from "@/core/roll";

/** What of a reading of the meter is looked at. */
export interface FeedReading {
  seconds: number;
  peakDbfs: number;
  momentaryLufs: number;
  clips: number;
}

/** What was heard so far. */
export interface Heard {
  clips: number;
  /** Since when nothing comes, s; null: something comes. */
  silentFromS: number | null;
  isLost: boolean;
  /** Something was ever heard. */
  hasSignal: boolean;
  clippedAtS: number;
}

export const NOTHING_HEARD: Heard = {
  clips: 0,
  silentFromS: null,
  isLost: false,
  hasSignal: false,
  clippedAtS: -Infinity,
};

/** Below this nothing comes, dBFS: digital silence, or an open input. Common practice. */
const SILENT_DBFS = -84;
/** So long nothing is a lost signal, s; clips closer together are one. */
const LOST_S = 0.6;
const APART_S = 3;

/** What a reading adds: clips, and a signal that was there and is lost. */
export function feedEvents(before: Heard, reading: FeedReading): { state: Heard; kinds: MarkKind[] } {
  const kinds: MarkKind[] = [];
  const state = { ...before };
  if (reading.clips > before.clips) {
    if (reading.seconds - before.clippedAtS > APART_S) kinds.push("clipped");
    state.clippedAtS = reading.seconds;
  }
  state.clips = reading.clips;
  if (reading.peakDbfs > SILENT_DBFS) {
    state.hasSignal = true;
    state.silentFromS = null;
    state.isLost = false;
  } else if (before.hasSignal) {
    state.silentFromS ??= reading.seconds;
    if (!before.isLost && reading.seconds - state.silentFromS >= LOST_S) {
      kinds.push("dropOut");
      state.isLost = true;
    }
  }
  return { state, kinds };
}
