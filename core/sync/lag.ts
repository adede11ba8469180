import { fourierOf } from "../audio";

/** How two windows lie to each other. */
export interface Lag {
  /** By how much the second is later than the first, s. */
  lagS: number;
  /** Height of the best peak over the second best, 1 and more. */
  sharpness: number;
  /** Whether the second is the first turned over. */
  isInverted: boolean;
}

/** The finest structure that is averaged, s: longer than the lags that are looked for. */
const SEGMENT_S = 0.25;
/** Speech and rooms are alike between different microphones here, Hz. */
const LOW_HZ = 150;
const HIGH_HZ = 6000;
/** A peak's neighbours within this are its own, s. */
const OWN_S = 0.0015;
/** The course is drawn finer than samples by so much, and its top looked at in so many steps more. */
const FINER = 2;
const FINEST = 4;

/**
 * The time between two windows of the same rate and length, by generalised cross-correlation: each frequency counts by how well
 * both agree on it (maximum likelihood, Knapp and Carter 1976), averaged over segments. Lags up to ± `mostS` (≤ 0.1 s) are looked
 * for. Null where either is silent.
 */
export function lagBetween(first: Float32Array, second: Float32Array, sampleRateHz: number, mostS: number): Lag | null {
  const size = 2 ** Math.round(Math.log2(SEGMENT_S * sampleRateHz));
  const length = Math.min(first.length, second.length);
  if (length < size) return null;
  const fourier = fourierOf(size);
  const hop = size / 2;
  const half = size / 2;
  const window = Float64Array.from({ length: size }, (_, at) => Math.sin((Math.PI * (at + 0.5)) / size) ** 2);
  const [re, im] = [new Float64Array(size), new Float64Array(size)];
  const [crossRe, crossIm] = [new Float64Array(half + 1), new Float64Array(half + 1)];
  const [powerOne, powerTwo] = [new Float64Array(half + 1), new Float64Array(half + 1)];
  for (let from = 0; from + size <= length; from += hop) {
    for (let at = 0; at < size; at += 1) {
      re[at] = first[from + at]! * window[at]!;
      im[at] = second[from + at]! * window[at]!;
    }
    fourier.transform(re, im);
    for (let bin = 1; bin < half; bin += 1) {
      const [a, b] = [re[bin]!, im[bin]!];
      const [c, d] = [re[size - bin]!, im[size - bin]!];
      // Two real signals in one transform.
      const [x, y] = [(a + c) / 2, (b - d) / 2];
      const [u, v] = [(b + d) / 2, (c - a) / 2];
      crossRe[bin]! += x * u + y * v;
      crossIm[bin]! += x * v - y * u;
      powerOne[bin]! += x * x + y * y;
      powerTwo[bin]! += u * u + v * v;
    }
  }
  const segments = Math.floor((length - size) / hop) + 1;
  const fine = fourierOf(size * FINER);
  const [outRe, outIm] = [new Float64Array(size * FINER), new Float64Array(size * FINER)];
  const binHz = sampleRateHz / size;
  const top = Math.min(half - 1, Math.floor(Math.min(HIGH_HZ, 0.45 * sampleRateHz) / binHz));
  let any = 0;
  for (let bin = Math.max(1, Math.ceil(LOW_HZ / binHz)); bin <= top; bin += 1) {
    const size2 = crossRe[bin]! ** 2 + crossIm[bin]! ** 2;
    const both = powerOne[bin]! * powerTwo[bin]!;
    if (!(both > 0) || !(size2 > 0)) continue;
    // What few segments agree on by chance is taken off (Carter 1987).
    const agree = Math.min(0.98, Math.max(0, (size2 / both - 1 / segments) / (1 - 1 / segments)));
    const weight = agree / (1 - agree) / Math.sqrt(size2);
    any += agree;
    outRe[bin] = crossRe[bin]! * weight;
    outIm[bin] = crossIm[bin]! * weight;
  }
  if (!(any > 0)) return null;
  const [bandRe, bandIm] = [outRe.slice(0, top + 1), outIm.slice(0, top + 1)];
  fine.transform(outRe, outIm, 1);
  return highest(outRe, { re: bandRe, im: bandIm, size: size * FINER }, sampleRateHz * FINER, mostS);
}

/** Frequencies of a course, from 0 on. */
interface Band {
  re: Float64Array;
  im: Float64Array;
  size: number;
}

/** A course between its points. */
function between({ re, im, size }: Band, place: number): number {
  const turn = (2 * Math.PI * place) / size;
  const [stepRe, stepIm] = [Math.cos(turn), Math.sin(turn)];
  let c = 1;
  let s = 0;
  let sum = 0;
  for (let bin = 0; bin < re.length; bin += 1) {
    sum += re[bin]! * c - im[bin]! * s;
    const next = c * stepRe - s * stepIm;
    s = c * stepIm + s * stepRe;
    c = next;
  }
  return sum;
}

/** The highest peak of either sign within ± `mostS` of a circular course, and how far it stands out. */
function highest(course: Float64Array, band: Band, rateHz: number, mostS: number): Lag {
  const { size } = band;
  const most = Math.min(Math.floor(mostS * rateHz), size / 2 - 2);
  const value = (at: number): number => course[at < 0 ? at + size : at]!;
  let best = 0;
  for (let at = -most; at <= most; at += 1) if (Math.abs(value(at)) > Math.abs(value(best))) best = at;
  const sign = Math.sign(value(best)) || 1;
  const own = OWN_S * rateHz;
  let second = 0;
  for (let at = -most; at <= most; at += 1)
    if (Math.abs(at - best) > own) second = Math.max(second, Math.abs(value(at)));
  const tops = Array.from({ length: 2 * FINEST + 1 }, (_, at) => sign * between(band, best + at / FINEST - 1));
  const top = tops.indexOf(Math.max(...tops));
  const [a, b, c] = [tops[top - 1] ?? -Infinity, tops[top]!, tops[top + 1] ?? -Infinity];
  const bend = a - 2 * b + c;
  const shift = bend < 0 && Number.isFinite(bend) ? (0.5 * (a - c)) / bend : 0;
  return {
    lagS: (best - 1 + (top + shift) / FINEST) / rateHz,
    sharpness: second > 0 ? (sign * value(best)) / second : Infinity,
    isInverted: sign < 0,
  };
}
