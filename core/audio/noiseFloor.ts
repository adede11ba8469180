import { meanSquareToDbfs } from "../sound/decibel";

const LOWEST_DBFS = -160;
const HIGHEST_DBFS = 40;
const BINS_PER_DB = 10;
/** The quietest tenth of the recording is taken for what is there when nobody speaks. */
const FLOOR_SHARE = 0.1;

export interface NoiseFloorMeter {
  /** Mean square of the next 50 ms. */
  push(meanSquare: number): void;
  /** Noise floor, dBFS (AES17); −∞ when there is nothing but digital silence. */
  finish(): number;
}

/**
 * Noise floor: the 10th percentile of the level of 50 ms windows, digital silence left out. Unweighted.
 * Common practice; over-reads when nobody ever pauses. Resolution 0.1 dB, fixed memory.
 */
export function noiseFloorMeter(): NoiseFloorMeter {
  const histogram = new Uint32Array((HIGHEST_DBFS - LOWEST_DBFS) * BINS_PER_DB);
  let windows = 0;
  return {
    push(meanSquare) {
      if (meanSquare <= 0) return;
      const bin = Math.floor((meanSquareToDbfs(meanSquare) - LOWEST_DBFS) * BINS_PER_DB);
      histogram[Math.min(histogram.length - 1, Math.max(0, bin))]! += 1;
      windows += 1;
    },
    finish() {
      if (windows === 0) return -Infinity;
      const wanted = Math.max(1, windows * FLOOR_SHARE);
      let seen = 0;
      for (let bin = 0; bin < histogram.length; bin += 1) {
        seen += histogram[bin]!;
        if (seen >= wanted) return LOWEST_DBFS + (bin + 0.5) / BINS_PER_DB;
      }
      return -Infinity;
    },
  };
}
