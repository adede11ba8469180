import { SINE_CREST_DB } from "../sound";

/** Activity thresholds: powers of two from 2^−16 to 2^4 of full scale, 6.02 dB apart, as the engine counts them. */
const LOWEST_EXPONENT = -16;
const THRESHOLDS = 21;
const MARGIN_DB = 15.9;

/** Counts of {@link ActiveParts}. */
export const ACTIVE_COUNTS = THRESHOLDS + 1;

/** How long a signal was active: parts counted by the highest threshold they reach; the last entry is none of them. */
export type ActiveParts = Float64Array;

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
