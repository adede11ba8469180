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
