import { fourierOf, MOST_RELATED, type PieceHearing, RELATED_SIZE } from "../audio";
import type { Heard } from "./heard";

/** Two channels of a recording. */
export type Pair = readonly [a: number, b: number];

/** What two channels have in common; sums, so that pieces add up. */
export interface PairReport {
  pair: Pair;
  /** Sums of products of the slow signals. */
  aa: number;
  bb: number;
  ab: number;
  /** Correlation of phases by lag from −{@link LAGS} to +{@link LAGS} slow samples; positive: b comes later. */
  correlation: Float64Array;
  windows: number;
}

/** Farthest lag looked at: 64 ms, 22 m of air. */
export const LAGS = 128;
/** Two channels whose difference lies this far under them are one sound: there is nothing more to compare. */
const ONE_SOUND = 1e-6;
/** Band whose phases tell: voice without the lows that hum and handling fill, Hz. */
const FROM_HZ = 110;
const TO_HZ = 700;
/** With more channels than this only neighbours are compared. */
const ALL_PAIRS = 8;

/** The pairs that are compared: all of a few channels, neighbours of many. */
export function pairsOf(channels: number): Pair[] {
  const pairs: Pair[] = [];
  for (let a = 0; a < channels; a += 1)
    for (let b = a + 1; b < channels; b += 1) if (channels <= ALL_PAIRS || b === a + 1) pairs.push([a, b]);
  return pairs;
}

/** Adds another piece's report to one, in place. */
export function addPair(to: PairReport, other: PairReport): PairReport {
  to.aa += other.aa;
  to.bb += other.bb;
  to.ab += other.ab;
  to.windows += other.windows;
  other.correlation.forEach((value, index) => (to.correlation[index]! += value));
  return to;
}

/** Windows in which both channels may hear somebody, by their first slow sample. */
function spokenWindows(a: Heard, b: Heard): number[] {
  const starts: number[] = [];
  const perHop = a.hopS * a.slowRateHz;
  const length = Math.min(a.figures.slow.length, b.figures.slow.length);
  for (let from = Math.round(a.first * perHop); from + RELATED_SIZE <= length; from += RELATED_SIZE) {
    let spoken = 0;
    const [begin, end] = [Math.floor(from / perHop), Math.floor((from + RELATED_SIZE) / perHop)];
    for (let hop = begin; hop < end; hop += 1) spoken += a.isSpeech[hop]! | b.isSpeech[hop]!;
    if (spoken > (end - begin) / 4) starts.push(from);
  }
  return starts.slice(0, MOST_RELATED);
}

/**
 * Compares two channels of a piece: likeness of the signals, and generalised cross-correlation with phase transform
 * (Knapp and Carter 1976) over spoken windows of 1 s.
 */
export function comparePair(pair: Pair, a: Heard, b: Heard, hearing: PieceHearing): PairReport {
  const { aa, bb, ab } = hearing.multiply(pair[0], pair[1], Math.round(a.first * a.hopS * a.slowRateHz));
  const correlation = new Float64Array(2 * LAGS + 1);
  if (aa > 0 && bb > 0 && 1 - (ab * ab) / (aa * bb) < ONE_SOUND) return { pair, aa, bb, ab, correlation, windows: 1 };
  const starts = spokenWindows(a, b);
  if (starts.length === 0) return { pair, aa, bb, ab, correlation, windows: 0 };
  const [from, to] = [FROM_HZ, TO_HZ].map((hz) => Math.round((hz * RELATED_SIZE) / a.slowRateHz)) as [number, number];
  const phases = hearing.relate(pair[0], pair[1], starts, from, to);
  const [re, im] = [new Float64Array(RELATED_SIZE), new Float64Array(RELATED_SIZE)];
  re.set(phases.re);
  im.set(phases.im);
  fourierOf(RELATED_SIZE).transform(re, im, 1);
  for (let lag = -LAGS; lag <= LAGS; lag += 1)
    correlation[lag + LAGS] = (2 * re[(lag + RELATED_SIZE) % RELATED_SIZE]!) / (2 * (to - from));
  return { pair, aa, bb, ab, correlation, windows: starts.length };
}

/** What a pair comes to. */
export interface PairLikeness {
  /** How far the difference of the two lies under them, once set to one level, dB. */
  differenceDb: number;
  /** Level of b over a where they are alike, dB. */
  gainDb: number;
  /** b after a, ms. */
  delayMs: number;
  /** Peak of the phase correlation, −1…1; its sign is the polarity. */
  peak: number;
  /** The next highest peak elsewhere, as a share of the first. */
  second: number;
}

/** Sums up a pair. Null where nobody was heard. */
export function likenessOf(report: PairReport, slowRateHz: number): PairLikeness | null {
  const { aa, bb, ab, correlation, windows } = report;
  if (windows === 0 || aa <= 0 || bb <= 0) return null;
  let best = LAGS;
  for (let index = 1; index < correlation.length - 1; index += 1)
    if (Math.abs(correlation[index]!) > Math.abs(correlation[best]!)) best = index;
  const sign = Math.sign(correlation[best]!);
  const [left, middle, right] = [best - 1, best, best + 1].map((index) => sign * (correlation[index] ?? 0)) as [
    number,
    number,
    number,
  ];
  const bend = left - 2 * middle + right;
  const shift = bend < 0 ? (0.5 * (left - right)) / bend : 0;
  let second = 0;
  for (let index = 0; index < correlation.length; index += 1)
    if (Math.abs(index - best) > 5) second = Math.max(second, Math.abs(correlation[index]!));
  return {
    differenceDb: 10 * Math.log10(Math.max(1e-12, 1 - (ab * ab) / (aa * bb))),
    gainDb: 10 * Math.log10(bb / aa),
    delayMs: ((best - LAGS + shift) * 1000) / slowRateHz,
    peak: correlation[best]! / windows,
    second: second / Math.max(1e-12, Math.abs(correlation[best]!)),
  };
}
