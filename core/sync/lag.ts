import { fourierOf } from "../audio";
import { newLiningEngine } from "./engine";

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

/** Cross spectra by the engine, for segments of one size. */
function makeCross(size: number) {
  const engine = newLiningEngine();
  engine.setUpCross(size);
  let room = { one: 0, other: 0, length: 0 };
  return {
    /** For each bin four figures: cross spectrum, real and imaginary, and both powers; and of how many segments. */
    run(first: Float32Array, second: Float32Array, length: number, lastBin: number) {
      if (room.length < length) room = { one: engine.roomFor(4 * length), other: engine.roomFor(4 * length), length };
      const { buffer } = engine.memory;
      new Float32Array(buffer, room.one, length).set(first.subarray(0, length));
      new Float32Array(buffer, room.other, length).set(second.subarray(0, length));
      const segments = engine.crossOf(room.one, room.other, length, lastBin);
      return { segments, sums: new Float32Array(buffer, engine.sumsAt(), 4 * (lastBin + 1)) };
    },
  };
}

const crosses = new Map<number, ReturnType<typeof makeCross>>();

function crossOver(size: number): ReturnType<typeof makeCross> {
  const known = crosses.get(size) ?? makeCross(size);
  crosses.set(size, known);
  return known;
}

/**
 * The time between two windows of the same rate and length, by generalised cross-correlation: each frequency counts by how well
 * both agree on it (maximum likelihood, Knapp and Carter 1976), averaged over segments. Lags up to ± `mostS` (≤ 0.1 s) are looked
 * for. Null where either is silent.
 */
export function lagBetween(first: Float32Array, second: Float32Array, sampleRateHz: number, mostS: number): Lag | null {
  const size = 2 ** Math.round(Math.log2(SEGMENT_S * sampleRateHz));
  const length = Math.min(first.length, second.length);
  if (length < size) return null;
  const half = size / 2;
  const binHz = sampleRateHz / size;
  const top = Math.min(half - 1, Math.floor(Math.min(HIGH_HZ, 0.45 * sampleRateHz) / binHz));
  const { sums, segments } = crossOver(size).run(first, second, length, top);
  // One segment always agrees with itself.
  if (segments < 2) return null;
  const fine = fourierOf(size * FINER);
  const [outRe, outIm] = [new Float64Array(size * FINER), new Float64Array(size * FINER)];
  let any = 0;
  for (let bin = Math.max(1, Math.ceil(LOW_HZ / binHz)); bin <= top; bin += 1) {
    const [re, im] = [sums[4 * bin]!, sums[4 * bin + 1]!];
    const size2 = re * re + im * im;
    const both = sums[4 * bin + 2]! * sums[4 * bin + 3]!;
    if (!(both > 0) || !(size2 > 0)) continue;
    // What few segments agree on by chance is taken off (Carter 1987).
    const agree = Math.min(0.98, Math.max(0, (size2 / both - 1 / segments) / (1 - 1 / segments)));
    const weight = agree / (1 - agree) / Math.sqrt(size2);
    any += agree;
    outRe[bin] = re * weight;
    outIm[bin] = im * weight;
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
