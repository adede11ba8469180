import { PARTS_PER_HOP } from "../../audio/pieceMeter";
import { bandAt, type Heard } from "../heard";
import { lowPowers } from "./lows";

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

const CRACKLE_REACH = 3;
/** Corner under which there is hardly any voice, and one under which there are only its lows, Hz. */
const LOW_HZ = 55;
const LOWS_HZ = 220;

export function percentile(values: ArrayLike<number>, share: number): number {
  const sorted = Float64Array.from(values).sort();
  return sorted.length === 0 ? 0 : sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!;
}

function crackleOf(steps: Float32Array, hops: number): Float32Array {
  const turns = new Float64Array(hops);
  let last = Math.log(steps[0]! + 1e-16);
  for (let part = 1; part < hops * PARTS_PER_HOP; part += 1) {
    const now = Math.log(steps[part]! + 1e-16);
    turns[(part / PARTS_PER_HOP) | 0]! += Math.min(3, Math.abs(now - last));
    last = now;
  }
  const crackle = new Float32Array(hops);
  for (let hop = 0; hop < hops; hop += 1) {
    let [sum, count] = [0, 0];
    for (let at = Math.max(0, hop - CRACKLE_REACH); at <= Math.min(hops - 1, hop + CRACKLE_REACH); at += 1) {
      sum += turns[at]!;
      count += PARTS_PER_HOP;
    }
    crackle[hop] = sum / count;
  }
  return crackle;
}

export function sceneOf(heard: Heard, startS: number): Scene {
  const { hops, figures } = heard;
  const between = (fromHz: number, toHz: number) => {
    const [from, to] = [bandAt(fromHz), bandAt(toHz)];
    const sums = figures.bands[from]!.slice();
    for (let band = from + 1; band <= to; band += 1) {
      const powers = figures.bands[band]!;
      for (let hop = 0; hop < hops; hop += 1) sums[hop]! += powers[hop]!;
    }
    return sums;
  };
  let [speech, count] = [0, 0];
  for (let hop = 0; hop < hops; hop += 1)
    if (heard.isSpeech[hop]) {
      speech += heard.level[hop]!;
      count += 1;
    }
  const low = lowPowers(heard, LOW_HZ);
  const lows = lowPowers(heard, LOWS_HZ);
  return {
    heard,
    startS,
    speech: count === 0 ? 0 : speech / count,
    low,
    lows,
    middle: between(315, 3150),
    upper: between(1000, 8000),
    high: between(5000, 10000),
    lowFloor: percentile(low, 0.3),
    crackle: crackleOf(figures.steps, hops),
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
