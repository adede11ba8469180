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

/** Windows that are kept one by one: half an hour of them. Beyond, they are counted by hundredths of a LU. */
export const KEPT_WINDOWS = 18_000;
const BINS_PER_LU = 100;
const LOUDEST_LUFS = 40;
const BINS = (LOUDEST_LUFS - ABSOLUTE_GATE_LUFS) * BINS_PER_LU;

/** Gathers steps as they come in fixed memory. */
export interface LoudnessCounter {
  push(stepMeanSquare: number): void;
  integratedLufs(): number;
  /** Null when nothing passes the gate. */
  rangeLu(): number | null;
}

/** Mean squares of windows above the absolute gate. */
interface Windows {
  push(stepMeanSquare: number): void;
  /** Mean of those above a mean square; 0 where there are none. */
  meanAbove(gate: number): number;
  /** Mean squares that these shares of those above a mean square lie under, ascending; null where there are none. */
  percentilesAbove(gate: number, shares: readonly number[]): number[] | null;
}

/** Windows one by one, as long as there is room. */
interface KeptWindows {
  means: Float64Array;
  count: number;
}

interface CountedWindows {
  counts: Uint32Array;
  powers: Float64Array;
}

const binOf = (mean: number): number =>
  Math.max(0, Math.min(BINS - 1, Math.floor((lufs(mean) - ABSOLUTE_GATE_LUFS) * BINS_PER_LU)));

function countWindow({ counts, powers }: CountedWindows, mean: number): void {
  const bin = binOf(mean);
  counts[bin]! += 1;
  powers[bin]! += mean;
}

/** How much of a bin lies above a gate: all or nothing but for the one in which the gate falls. */
function shareAbove(bin: number, gate: number): number {
  const at = (lufs(gate) - ABSOLUTE_GATE_LUFS) * BINS_PER_LU;
  return Math.max(0, Math.min(1, bin + 1 - at));
}

function windowsOf(width: number, mostKept: number): Windows {
  const last = new Float64Array(width);
  const absoluteGate = meanSquareOf(ABSOLUTE_GATE_LUFS);
  let kept: KeptWindows | null = { means: new Float64Array(Math.min(256, mostKept)), count: 0 };
  let counted: CountedWindows | null = null;
  let steps = 0;

  function keep(mean: number): void {
    if (!kept) return countWindow(counted!, mean);
    if (kept.count === mostKept) {
      counted = { counts: new Uint32Array(BINS), powers: new Float64Array(BINS) };
      for (const each of kept.means.subarray(0, kept.count)) countWindow(counted, each);
      kept = null;
      return countWindow(counted, mean);
    }
    if (kept.count === kept.means.length) {
      const wider = new Float64Array(Math.min(mostKept, 2 * kept.count));
      wider.set(kept.means);
      kept.means = wider;
    }
    kept.means[kept.count++] = mean;
  }

  return {
    push(stepMeanSquare) {
      last[steps % width] = stepMeanSquare;
      steps += 1;
      if (steps < width) return;
      let mean = 0;
      for (const step of last) mean += step / width;
      if (mean > absoluteGate) keep(mean);
    },
    meanAbove(gate) {
      if (kept) return meanAbove(kept.means.subarray(0, kept.count), gate);
      const { counts, powers } = counted!;
      let [sum, count] = [0, 0];
      for (let bin = 0; bin < BINS; bin += 1) {
        const share = shareAbove(bin, gate);
        sum += share * powers[bin]!;
        count += share * counts[bin]!;
      }
      return count === 0 ? 0 : sum / count;
    },
    percentilesAbove(gate, shares) {
      if (kept) {
        const above = kept.means
          .subarray(0, kept.count)
          .filter((mean) => mean >= gate)
          .sort();
        return above.length === 0 ? null : shares.map((share) => above[Math.round((above.length - 1) * share)]!);
      }
      const { counts, powers } = counted!;
      const above = Float64Array.from(counts, (count, bin) => count * shareAbove(bin, gate));
      const count = above.reduce((sum, each) => sum + each, 0);
      if (count === 0) return null;
      return shares.map((share) => {
        let seen = 0;
        const bin = above.findIndex((each) => (seen += each) > (count - 1) * share);
        return powers[bin]! / counts[bin]!;
      });
    },
  };
}

/**
 * Integrated loudness and loudness range of any length in fixed memory. Exact up to `mostKept` windows of 100 ms, half an hour
 * as it is; beyond it the relative gate divides a bin of 0.01 LU evenly. Sources: ITU-R BS.1770-4, EBU Tech 3342.
 */
export function loudnessCounter(mostKept = KEPT_WINDOWS): LoudnessCounter {
  const [blocks, shortTerms] = [windowsOf(STEPS_PER_BLOCK, mostKept), windowsOf(STEPS_PER_SHORT_TERM, mostKept)];
  return {
    push(step) {
      blocks.push(step);
      shortTerms.push(step);
    },
    integratedLufs() {
      const ungated = blocks.meanAbove(0);
      if (ungated === 0) return -Infinity;
      const gated = blocks.meanAbove(ungated * 10 ** (RELATIVE_GATE_LU / 10));
      return gated === 0 ? -Infinity : lufs(gated);
    },
    rangeLu() {
      const ungated = shortTerms.meanAbove(0);
      if (ungated === 0) return null;
      const ends = shortTerms.percentilesAbove(ungated * 10 ** (RANGE_GATE_LU / 10), [0.1, 0.95]);
      return ends && lufs(ends[1]!) - lufs(ends[0]!);
    },
  };
}

export interface MixLoudness {
  /** Tracks of the mix, from 0. */
  channels: readonly number[];
  /** −∞ when nothing passes the gate. */
  integratedLufs: number;
  loudnessRangeLu: number | null;
}

/**
 * Loudness of some tracks as one programme, each a front loudspeaker of its own: their powers add up. Source: ITU-R BS.1770-4
 * eq. 2 with weights of 1. `steps`: K-weighted mean squares of 100 ms of every track.
 */
export function mixLoudness(steps: readonly Float32Array[], channels: readonly number[]): MixLoudness {
  const count = Math.min(...channels.map((channel) => steps[channel]!.length));
  const sums = new Float64Array(channels.length === 0 ? 0 : count);
  for (const channel of channels)
    for (let step = 0; step < sums.length; step += 1) sums[step]! += steps[channel]![step]!;
  return { channels, integratedLufs: integratedLufs(sums), loudnessRangeLu: loudnessRangeLu(sums) };
}
