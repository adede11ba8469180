/** Steps are 100 ms; gating blocks are 4 of them (400 ms, 75 % overlap), short-term windows 30 (3 s). */
const STEPS_PER_BLOCK = 4;
const STEPS_PER_SHORT_TERM = 30;
const ABSOLUTE_GATE_LUFS = -70;
const RELATIVE_GATE_LU = -10;
const RANGE_GATE_LU = -20;

/** Loudness of a K-weighted mean square. Source: ITU-R BS.1770-4 eq. 2. */
function lufs(meanSquare: number): number {
  return -0.691 + 10 * Math.log10(meanSquare);
}

function meanSquareOf(loudness: number): number {
  return 10 ** ((loudness + 0.691) / 10);
}

/** Means over `width` neighbouring steps, one a step. */
function slidingMeans(steps: Float64Array, width: number): Float64Array {
  const count = Math.max(0, steps.length - width + 1);
  const means = new Float64Array(count);
  for (let start = 0; start < count; start += 1) {
    let sum = 0;
    for (let index = 0; index < width; index += 1) sum += steps[start + index]!;
    means[start] = sum / width;
  }
  return means;
}

function meanAbove(means: Float64Array, gate: number): number {
  let sum = 0;
  let count = 0;
  for (const mean of means)
    if (mean > gate) {
      sum += mean;
      count += 1;
    }
  return count === 0 ? 0 : sum / count;
}

/**
 * Integrated loudness, LUFS, from K-weighted mean squares of 100 ms steps summed over the channels.
 * −∞ when nothing passes the gate or the recording is shorter than 400 ms.
 * Source: ITU-R BS.1770-4, gating at −70 LUFS and −10 LU.
 */
export function integratedLufs(stepMeanSquares: Float64Array): number {
  const blocks = slidingMeans(stepMeanSquares, STEPS_PER_BLOCK);
  const ungated = meanAbove(blocks, meanSquareOf(ABSOLUTE_GATE_LUFS));
  if (ungated === 0) return -Infinity;
  const relativeGate = Math.max(meanSquareOf(ABSOLUTE_GATE_LUFS), ungated * 10 ** (RELATIVE_GATE_LU / 10));
  const gated = meanAbove(blocks, relativeGate);
  return gated === 0 ? -Infinity : lufs(gated);
}

/**
 * Loudness range, LU: spread of short-term loudness between its 10th and 95th percentile.
 * Null when the recording is shorter than 3 s or nothing passes the gate. Source: EBU Tech 3342.
 */
export function loudnessRangeLu(stepMeanSquares: Float64Array): number | null {
  const windows = slidingMeans(stepMeanSquares, STEPS_PER_SHORT_TERM);
  const absoluteGate = meanSquareOf(ABSOLUTE_GATE_LUFS);
  const ungated = meanAbove(windows, absoluteGate);
  if (ungated === 0) return null;
  const gate = Math.max(absoluteGate, ungated * 10 ** (RANGE_GATE_LU / 10));
  const kept = windows.filter((mean) => mean >= gate).sort();
  if (kept.length === 0) return null;
  const at = (share: number) => lufs(kept[Math.round((kept.length - 1) * share)]!);
  return at(0.95) - at(0.1);
}

const BINS_PER_LU = 20;
const LOUDEST_LUFS = 40;
const BINS = (LOUDEST_LUFS - ABSOLUTE_GATE_LUFS) * BINS_PER_LU;

/** Gathers steps as they come in fixed memory: windows by loudness in twentieths of a LU, with their power kept. */
export interface LoudnessCounter {
  push(stepMeanSquare: number): void;
  integratedLufs(): number;
  /** Null when nothing passes the gate. */
  rangeLu(): number | null;
}

interface Windows {
  push(stepMeanSquare: number): void;
  counts: Uint32Array;
  powers: Float64Array;
}

function windowsOf(width: number): Windows {
  const last = new Float64Array(width);
  const counts = new Uint32Array(BINS);
  const powers = new Float64Array(BINS);
  let steps = 0;
  return {
    counts,
    powers,
    push(stepMeanSquare) {
      last[steps % width] = stepMeanSquare;
      steps += 1;
      if (steps < width) return;
      let mean = 0;
      for (const step of last) mean += step / width;
      const loudness = lufs(mean);
      if (!(loudness > ABSOLUTE_GATE_LUFS)) return;
      const bin = Math.min(BINS - 1, Math.floor((loudness - ABSOLUTE_GATE_LUFS) * BINS_PER_LU));
      counts[bin]! += 1;
      powers[bin]! += mean;
    },
  };
}

/** Mean power of the windows from a bin on. */
function meanFrom({ counts, powers }: Windows, from: number): number {
  let [sum, count] = [0, 0];
  for (let bin = from; bin < BINS; bin += 1) {
    sum += powers[bin]!;
    count += counts[bin]!;
  }
  return count === 0 ? 0 : sum / count;
}

const binOf = (loudness: number): number =>
  Math.max(0, Math.min(BINS, Math.round((loudness - ABSOLUTE_GATE_LUFS) * BINS_PER_LU)));

/**
 * Integrated loudness and loudness range of any length in fixed memory (50 kB). The gates fall on twentieths of a LU;
 * between them powers are summed exactly. Sources: ITU-R BS.1770-4, EBU Tech 3342.
 */
export function loudnessCounter(): LoudnessCounter {
  const [blocks, shortTerms] = [windowsOf(STEPS_PER_BLOCK), windowsOf(STEPS_PER_SHORT_TERM)];
  return {
    push(step) {
      blocks.push(step);
      shortTerms.push(step);
    },
    integratedLufs() {
      const ungated = meanFrom(blocks, 0);
      if (ungated === 0) return -Infinity;
      const gated = meanFrom(blocks, binOf(lufs(ungated) + RELATIVE_GATE_LU));
      return gated === 0 ? -Infinity : lufs(gated);
    },
    rangeLu() {
      const ungated = meanFrom(shortTerms, 0);
      if (ungated === 0) return null;
      const kept = shortTerms.counts.slice();
      kept.fill(0, 0, binOf(lufs(ungated) + RANGE_GATE_LU));
      const count = kept.reduce((sum, each) => sum + each, 0);
      if (count === 0) return null;
      const at = (share: number) => {
        const wanted = Math.round((count - 1) * share);
        let seen = 0;
        for (let bin = 0; bin < BINS; bin += 1) {
          seen += kept[bin]!;
          if (seen > wanted) return lufs(shortTerms.powers[bin]! / shortTerms.counts[bin]!);
        }
        return LOUDEST_LUFS;
      };
      return at(0.95) - at(0.1);
    },
  };
}
