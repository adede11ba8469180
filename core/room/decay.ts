import { powerToDb } from "../sound";

/** How far above the noise the lower end of a fit must lie, dB. Source: ISO 3382-2. */
const ABOVE_NOISE_DB = 10;
/** Fits begin this far below the start of the decay, dB. Source: ISO 3382-2. */
const FIT_FROM_DB = 5;
const FIT_SPANS_DB = { t20: 20, t30: 30 } as const;
export type Evaluation = keyof typeof FIT_SPANS_DB;

/** How far a sound must stand above the noise for an evaluation, dB: 35 for T20, 45 for T30. Source: ISO 3382-2. */
export function neededRangeDb(evaluation: Evaluation): number {
  return FIT_FROM_DB + FIT_SPANS_DB[evaluation] + ABOVE_NOISE_DB;
}

/** How far a decay must be followed down for an evaluation, dB: 25 for T20, 35 for T30. Source: ISO 3382-2. */
export const neededReachDb = (evaluation: Evaluation): number => FIT_FROM_DB + FIT_SPANS_DB[evaluation];

/** A straight line through a decay. */
export interface DecayFit {
  /** Reverberation time, s: the fall extrapolated to 60 dB. */
  timeS: number;
  /** Where the line starts and ends, s and dB re the start of the decay. */
  fromS: number;
  toS: number;
  fromDb: number;
  toDb: number;
  /** Permille of the variance that the line leaves; below 5 is straight, above 10 is not. Source: ISO 3382-2, annex B. */
  nonlinearity: number;
}

export interface Decay {
  /** Energy still to come, dB re the start, one figure per step. */
  curveDb: Float64Array;
  stepS: number;
  /** How far the start stands above the noise, dB. */
  rangeDb: number;
  /** How far the decay can be followed down before it meets the noise, dB: less than the range where the first sound stands far above what follows. */
  reachDb: number;
  fits: Record<Evaluation, DecayFit | null>;
}

/** Least squares through the part of the curve between two levels; null when there is none. */
function fitLine(curveDb: Float64Array, stepS: number, spanDb: number): DecayFit | null {
  const start = curveDb.findIndex((levelDb) => levelDb <= -FIT_FROM_DB);
  const end = curveDb.findIndex((levelDb) => levelDb <= -FIT_FROM_DB - spanDb);
  const count = end - start;
  if (start < 0 || end < 0 || count < 3) return null;
  const middle = (count - 1) / 2;
  let mean = 0;
  for (let at = start; at < end; at += 1) mean += curveDb[at]! / count;
  let [cross, square, variance] = [0, 0, 0];
  for (let at = start; at < end; at += 1) {
    const x = at - start - middle;
    const y = curveDb[at]! - mean;
    cross += x * y;
    square += x * x;
    variance += y * y;
  }
  const slope = cross / square;
  if (slope >= 0) return null;
  return {
    timeS: (-60 / slope) * stepS,
    fromS: start * stepS,
    toS: end * stepS,
    fromDb: mean - slope * middle,
    toDb: mean + slope * (middle + 1),
    nonlinearity: 1000 * (1 - (cross * cross) / (square * variance)),
  };
}

/** Mean energy of each step. */
function stepEnergies(energy: Float64Array, perStep: number): Float64Array {
  const steps = Math.floor(energy.length / perStep);
  const means = new Float64Array(steps);
  for (let step = 0; step < steps; step += 1) {
    let sum = 0;
    for (let at = step * perStep; at < (step + 1) * perStep; at += 1) sum += energy[at]!;
    means[step] = sum / perStep;
  }
  return means;
}

/** Share of the end of a recording that is taken for its noise. Common practice. */
const TAIL = 0.1;
/** The decay is cut where it comes this near to the noise, dB. */
const CUT_ABOVE_NOISE_DB = 5;
const ROUNDS = 4;

function meanOf(values: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let at = from; at < to; at += 1) sum += values[at]!;
  return sum / Math.max(1, to - from);
}

/** First step at which the energy, smoothed over some steps, has come down to a level. */
function stepBelow(means: Float64Array, level: number, width: number): number {
  let sum = 0;
  for (let at = 0; at < means.length; at += 1) {
    sum += means[at]!;
    if (at >= width) sum -= means[at - width]!;
    if (at >= width - 1 && sum <= level * width) return at - width + 1;
  }
  return means.length;
}

/** Energy still to come at each step up to `cut`, with what an exponential would add beyond it. */
function integrateBackwards(means: Float64Array, cut: number, noise: number, beyond: number): Float64Array {
  const energy = new Float64Array(cut);
  let sum = beyond;
  for (let at = cut - 1; at >= 0; at -= 1) {
    sum += Math.max(0, means[at]! - noise);
    energy[at] = sum;
  }
  const whole = energy[0]!;
  return energy.map((left) => powerToDb(left / whole));
}

/**
 * Decay of one band by backward integration, with the noise taken off and the part below it replaced by an exponential.
 *
 * `squares`: the band's samples squared, from the start of the sound on; `noise`: mean square of the noise where it is known
 * from before the sound, else the end of the recording is taken. Source: Schroeder 1965; truncation and compensation after
 * ISO 3382-1 (Lundeby 1995, simplified); fits after ISO 3382-2.
 */
export function decayOf(squares: Float64Array, sampleRateHz: number, noiseBefore: number | null): Decay {
  const perStep = Math.max(1, Math.round(sampleRateHz / 1000));
  const stepS = perStep / sampleRateHz;
  const means = stepEnergies(squares, perStep);
  const tail = meanOf(means, Math.floor(means.length * (1 - TAIL)), means.length);
  const noise = Math.max(tail, noiseBefore ?? 0);
  let cut = means.length;
  let beyond = 0;
  let curveDb: Float64Array = new Float64Array(0);
  let fits: Decay["fits"] = { t20: null, t30: null };
  let width = 20;
  for (let round = 0; round < ROUNDS; round += 1) {
    cut = Math.max(1, stepBelow(means, noise * 10 ** (CUT_ABOVE_NOISE_DB / 10), Math.min(width, means.length)));
    curveDb = integrateBackwards(means, cut, noiseBefore ?? (cut < means.length ? noise : 0), beyond);
    fits = {
      t20: fitLine(curveDb, stepS, FIT_SPANS_DB.t20),
      t30: fitLine(curveDb, stepS, FIT_SPANS_DB.t30),
    };
    const timeS = (fits.t20 ?? fitLine(curveDb, stepS, 10))?.timeS;
    if (!timeS) break;
    const fallPerStep = (6 * Math.LN10 * stepS) / timeS;
    const edge = Math.max(0, meanOf(means, Math.max(0, cut - 10), cut) - noise);
    beyond = edge / fallPerStep;
    width = Math.min(100, Math.max(5, Math.round((0.02 * timeS) / stepS)));
  }
  const peak = meanOf(means, 0, Math.min(means.length, 10));
  return { curveDb, stepS, rangeDb: powerToDb(peak / Math.max(noise, 1e-30)), reachDb: -(curveDb.at(-1) ?? 0), fits };
}
