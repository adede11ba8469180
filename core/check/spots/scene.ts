import { bandAt, type Heard } from "../heard";

/** What all detectors of places look at, worked out once a channel and piece. Powers are mean squares. */
export interface Scene {
  heard: Heard;
  /** Seconds of the recording at hop 0. */
  startS: number;
  /** Mean power of the spoken hops; 0 where nobody speaks. */
  speech: number;
  /** Power by hop: under 55 Hz, under 220 Hz, 300 Hz to 3 kHz, 1 to 8 kHz, 5 to 10 kHz. */
  low: Float32Array;
  lows: Float32Array;
  middle: Float32Array;
  upper: Float32Array;
  high: Float32Array;
  /** What the low and upper powers are when nothing happens. */
  lowFloor: number;
  /** How uneven the fine structure round a hop is: mean change of the logarithm of the steps' power from 1 ms to the next. */
  crackle: Float32Array;
}

export function percentile(values: ArrayLike<number>, share: number): number {
  const sorted = new Float64Array(values).sort();
  return sorted.length === 0 ? 0 : sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!;
}

export function sceneOf(heard: Heard, startS: number): Scene {
  const { hops } = heard;
  const between = (fromHz: number, toHz: number) => heard.between("sound", bandAt(fromHz), bandAt(toHz));
  let [speech, count] = [0, 0];
  for (let hop = 0; hop < hops; hop += 1)
    if (heard.isSpeech[hop]) {
      speech += heard.level[hop]!;
      count += 1;
    }
  return {
    heard,
    startS,
    speech: count === 0 ? 0 : speech / count,
    low: heard.low,
    lows: heard.lows,
    middle: between(315, 3150),
    upper: between(1000, 8000),
    high: between(5000, 10000),
    lowFloor: percentile(heard.low, 0.3),
    crackle: heard.crackle,
  };
}

export interface Run {
  from: number;
  /** First hop after it. */
  to: number;
}

/** Runs of hops for which something holds; holes of up to `hole` hops are filled. */
export function runsOf(hops: number, holds: (hop: number) => boolean, hole: number): Run[] {
  const runs: Run[] = [];
  for (let hop = 0; hop < hops; hop += 1) {
    if (!holds(hop)) continue;
    const last = runs.at(-1);
    if (last && hop - last.to <= hole) last.to = hop + 1;
    else runs.push({ from: hop, to: hop + 1 });
  }
  return runs;
}

/** Largest figure of a run. */
export function mostIn(values: ArrayLike<number>, { from, to }: Run): number {
  let most = -Infinity;
  for (let at = Math.max(0, from); at < Math.min(values.length, to); at += 1) most = Math.max(most, values[at]!);
  return most;
}

export function meanIn(values: ArrayLike<number>, { from, to }: Run): number {
  let sum = 0;
  const [begin, end] = [Math.max(0, from), Math.min(values.length, to)];
  for (let at = begin; at < end; at += 1) sum += values[at]!;
  return end > begin ? sum / (end - begin) : 0;
}

export const dbOver = (power: number, reference: number): number =>
  10 * Math.log10((power + 1e-18) / (reference + 1e-18));
