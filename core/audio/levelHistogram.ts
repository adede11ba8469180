import { meanSquareToDbfs } from "../sound";

const LOWEST_DBFS = -160;
const HIGHEST_DBFS = 40;
const BINS_PER_DB = 10;

/** How often each level came, in steps of 0.1 dB: fixed memory however long the recording. */
export type LevelHistogram = Uint32Array;

export function levelHistogram(): LevelHistogram {
  return new Uint32Array((HIGHEST_DBFS - LOWEST_DBFS) * BINS_PER_DB);
}

/** Counts a mean square; digital silence (0) is left out. */
export function countLevel(histogram: LevelHistogram, meanSquare: number): void {
  if (meanSquare <= 0) return;
  const bin = Math.floor((meanSquareToDbfs(meanSquare) - LOWEST_DBFS) * BINS_PER_DB);
  histogram[Math.min(histogram.length - 1, Math.max(0, bin))]! += 1;
}

/** How many levels were counted. */
export function countedIn(histogram: LevelHistogram): number {
  return histogram.reduce((sum, count) => sum + count, 0);
}

/** The level that a share (0…1) of those counted lies under, dBFS (AES17); −∞ when there are none. */
export function percentileOf(histogram: LevelHistogram, share: number): number {
  const counted = countedIn(histogram);
  const wanted = Math.max(1, counted * share);
  let seen = 0;
  for (let bin = 0; bin < histogram.length; bin += 1) {
    seen += histogram[bin]!;
    if (counted > 0 && seen >= wanted) return LOWEST_DBFS + (bin + 0.5) / BINS_PER_DB;
  }
  return -Infinity;
}
