import { SINE_CREST_DB } from "../sound/decibel";

/** Activity thresholds: powers of two from 2^−16 to 2^4 of full scale, 6.02 dB apart. */
const LOWEST_EXPONENT = -16;
const THRESHOLDS = 21;
const TIME_CONSTANT_S = 0.03;
const HANGOVER_S = 0.2;
const MARGIN_DB = 15.9;

/** How long a signal was active: parts counted by the highest threshold they reach; the last entry is none of them. */
export type ActiveParts = Float64Array;

/**
 * Counts activity from mean absolute values of parts of about 1 ms; the first `skipped` parts only set the state.
 * Two-stage envelope of 0.03 s, hangover 0.2 s. Source: ITU-T P.56, method B, which wants at least 694 values a second.
 */
export function countActivity(
  absolutes: Float32Array,
  partFrames: number,
  partsPerSecond: number,
  skipped: number,
): ActiveParts {
  const smoothing = Math.exp(-1 / (TIME_CONSTANT_S * partsPerSecond));
  const hangover = Math.ceil(HANGOVER_S * partsPerSecond);
  const counts = new Float64Array(THRESHOLDS + 1);
  // A threshold is active while the largest envelope of the last 0.2 s reaches it; candidates fall from head to tail.
  const places = new Int32Array(hangover + 2);
  const heights = new Float64Array(hangover + 2);
  const room = places.length;
  let [head, held, first, envelope] = [0, 0, 0, 0];
  let [height, bin] = [-1, THRESHOLDS];
  for (let part = 0; part < absolutes.length; part += 1) {
    first = smoothing * first + ((1 - smoothing) * absolutes[part]!) / partFrames;
    envelope = smoothing * envelope + (1 - smoothing) * first;
    while (held > 0 && heights[(head + held - 1) % room]! <= envelope) held -= 1;
    if (held > 0 && places[head]! < part - hangover) {
      head = (head + 1) % room;
      held -= 1;
    }
    const at = (head + held) % room;
    [places[at], heights[at]] = [part, envelope];
    held += 1;
    if (heights[head]! !== height) {
      height = heights[head]!;
      const reached = Math.floor(Math.log2(height)) - LOWEST_EXPONENT;
      bin = reached < 0 ? THRESHOLDS : Math.min(THRESHOLDS - 1, reached);
    }
    if (part >= skipped) counts[bin]! += 1;
  }
  return counts;
}

/**
 * Active speech level, dBFS (AES17), and the share of time that is active; −∞ when nothing is.
 * Thresholds 6 dB apart, margin 15.9 dB, interpolated between thresholds. Source: ITU-T P.56, method B.
 */
export function activeLevel(counts: ActiveParts, meanSquare: number): { levelDbfs: number; activity: number } {
  if (meanSquare === 0) return { levelDbfs: -Infinity, activity: 0 };
  const parts = counts.reduce((sum, count) => sum + count, 0);
  const active = new Float64Array(THRESHOLDS);
  for (let index = THRESHOLDS - 1, sum = 0; index >= 0; index -= 1) active[index] = sum += counts[index]!;
  const longTermDb = 10 * Math.log10(meanSquare);
  const activeDb = (index: number) => longTermDb - 10 * Math.log10(active[index]! / parts);
  const thresholdDb = (index: number) => 20 * Math.log10(2 ** (LOWEST_EXPONENT + index));
  let levelDb = active[0]! > 0 ? activeDb(0) : longTermDb;
  for (let index = 1; index < THRESHOLDS && active[index]! > 0; index += 1) {
    const above = activeDb(index) - thresholdDb(index) - MARGIN_DB;
    if (above > 0) {
      levelDb = activeDb(index);
      continue;
    }
    const below = activeDb(index - 1) - thresholdDb(index - 1) - MARGIN_DB;
    const share = below <= 0 ? 0 : below / (below - above);
    levelDb = activeDb(index - 1) + (activeDb(index) - activeDb(index - 1)) * share;
    break;
  }
  return { levelDbfs: levelDb + SINE_CREST_DB, activity: 10 ** ((longTermDb - levelDb) / 10) };
}
