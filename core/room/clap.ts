import type { Refusal } from "../audio";
import type { ClapLack, ClapRemark, RoomMessage } from "./messages";
import { filterOctave, octaveFits, octaveSections } from "../audio";
import { amplitudeToDb, powerToDb } from "../sound";
import { decayOf, neededRangeDb, neededReachDb, type Decay, type DecayFit, type Evaluation } from "./decay";
import { ROOM_OCTAVES_HZ } from "./materials";

/** One octave of a measured decay. */
export interface ClapBand {
  hz: number;
  /** Which fit was possible; null when the clap does not stand far enough above the noise. */
  evaluation: Evaluation | null;
  fit: DecayFit | null;
  t20S: number | null;
  t30S: number | null;
  /** How far the clap stands above the noise, and how far down its decay can be followed, dB. */
  rangeDb: number;
  reachDb: number;
  /** What is missing for the shortest evaluation, dB; 0 where it was possible. */
  shortByDb: number;
  /** The decay for a drawing, dB re its start, one figure every stepS. */
  curveDb: number[];
  stepS: number;
}

export interface ClapAnalysis {
  bands: ClapBand[];
  /** Mean of 500 Hz and 1 kHz, s. */
  midS: number;
  /** Claps heard; the one that stands out furthest was measured. */
  claps: number;
  atS: number;
  /** What lowers trust in it. */
  remarks: ClapRemark[];
}

export type ClapResult = ({ isMeasured: true } & ClapAnalysis) | { isMeasured: false; says: RoomMessage | Refusal };

const refuse = (says: RoomMessage): ClapResult => ({ isMeasured: false, says });

/** Short-time steps in which claps are looked for, s. */
const STEP_S = 0.005;
/** A clap rises at least this far over what was before it, dB, within this many steps. Common practice. */
const RISE_DB = 15;
const BEFORE_STEPS = 20;
/** Claps are at least this far apart, s: what is nearer is the first one's echo. */
const APART_S = 0.25;
/** A clap less loud than this below the loudest one is no clap, dB. */
const AMONG_LOUDEST_DB = 20;
/** Peaks below this are not worth measuring, dBFS. */
const QUIETEST_PEAK_DBFS = -50;
const CLIPPED_FROM = 0.985;
const CLIPPED_RUN = 3;
/** Longest part after a clap that is looked at, s: T20 of 10 s ends within it. */
const LONGEST_S = 7;
const SHORTEST_S = 0.2;
const DRAWN_POINTS = 180;

interface Onset {
  /** First sample, and the peak power round it. */
  at: number;
  peakDb: number;
}

function stepPeaksDb(samples: Float32Array, perStep: number): Float64Array {
  const levels = new Float64Array(Math.floor(samples.length / perStep));
  for (let step = 0; step < levels.length; step += 1) {
    let sum = 0;
    for (let at = step * perStep; at < (step + 1) * perStep; at += 1) sum += samples[at]! * samples[at]!;
    levels[step] = powerToDb(sum / perStep + 1e-16);
  }
  return levels;
}

function findClaps(samples: Float32Array, sampleRateHz: number): Onset[] {
  const perStep = Math.round(STEP_S * sampleRateHz);
  const levels = stepPeaksDb(samples, perStep);
  const onsets: Onset[] = [];
  const apart = Math.round(APART_S / STEP_S);
  for (let step = 1; step < levels.length; step += 1) {
    const from = Math.max(0, step - BEFORE_STEPS);
    let before = -Infinity;
    for (let at = from; at < step; at += 1) before = Math.max(before, levels[at]!);
    if (levels[step]! - before < RISE_DB) continue;
    const last = onsets.at(-1);
    if (last && step * perStep - last.at < apart * perStep) continue;
    let peakDb = -Infinity;
    for (let at = step; at < Math.min(levels.length, step + 6); at += 1) peakDb = Math.max(peakDb, levels[at]!);
    onsets.push({ at: step * perStep, peakDb });
    step += 5;
  }
  const loudest = Math.max(...onsets.map(({ peakDb }) => peakDb));
  return onsets.filter(({ peakDb }) => peakDb > loudest - AMONG_LOUDEST_DB);
}

function isClipped(samples: Float32Array): boolean {
  let run = 0;
  for (const sample of samples) {
    run = Math.abs(sample) >= CLIPPED_FROM ? run + 1 : 0;
    if (run >= CLIPPED_RUN) return true;
  }
  return false;
}

/** Squares of one octave of a part of the samples, filtered backwards so that the filter's ringing is not in the decay. */
function squaresOf(samples: Float32Array, from: number, to: number, hz: number, sampleRateHz: number): Float64Array {
  const band = new Float64Array(samples.subarray(from, to));
  filterOctave(band, octaveSections(hz, sampleRateHz), -1);
  for (let at = 0; at < band.length; at += 1) band[at] = band[at]! * band[at]!;
  return band;
}

function mean(values: Float64Array): number {
  let sum = 0;
  for (const value of values) sum += value;
  return sum / values.length;
}

function drawn({ curveDb, stepS, rangeDb }: Decay) {
  const every = Math.max(1, Math.ceil(curveDb.length / DRAWN_POINTS));
  const lowest = -Math.min(90, rangeDb + 5);
  const points: number[] = [];
  for (let at = 0; at < curveDb.length && curveDb[at]! > lowest; at += every)
    points.push(Number(curveDb[at]!.toFixed(2)));
  return { curveDb: points, stepS: every * stepS };
}

function bandOf(hz: number, decay: Decay): ClapBand {
  const { rangeDb, reachDb, fits } = decay;
  const allowed = (evaluation: Evaluation) => (rangeDb >= neededRangeDb(evaluation) ? fits[evaluation] : null);
  const [t20, t30] = [allowed("t20"), allowed("t30")];
  return {
    hz,
    evaluation: t30 ? "t30" : t20 ? "t20" : null,
    fit: t30 ?? t20,
    t20S: t20?.timeS ?? null,
    t30S: t30?.timeS ?? null,
    rangeDb,
    reachDb,
    shortByDb: t20 ? 0 : Math.max(0, neededRangeDb("t20") - rangeDb, neededReachDb("t20") - reachDb),
    ...drawn(decay),
  };
}

/** Bent beyond this, permille, a decay is no straight line. Source: ISO 3382-2, annex B. */
const BENT_FROM = 10;

function remarksOn(bands: readonly ClapBand[], claps: number, atS: number): ClapRemark[] {
  const remarks: ClapRemark[] = [];
  if (claps > 1) remarks.push({ code: "clap.several", claps, atS });
  const bent = bands.filter(({ fit }) => fit && fit.nonlinearity > BENT_FROM);
  if (bent.length > 0) remarks.push({ code: "clap.bent", bandsHz: bent.map(({ hz }) => hz) });
  const missing = bands.filter(({ evaluation }) => evaluation === null);
  if (missing.length > 0)
    remarks.push({ code: "clap.notAt", bands: missing.map(({ hz, shortByDb }) => ({ hz, shortByDb })) });
  return remarks;
}

/** What a band lacks to be evaluated. */
function lackOf({ hz, rangeDb, reachDb }: ClapBand): ClapLack {
  const [range, reach] = [neededRangeDb("t20"), neededReachDb("t20")];
  if (rangeDb < range) return { lacks: "range", hz, hasDb: rangeDb, neededDb: range };
  if (reachDb < reach) return { lacks: "reach", hz, hasDb: reachDb, neededDb: reach };
  return { lacks: "evenness", hz, hasDb: 0, neededDb: 0 };
}

/**
 * Reverberation time by octave 125…4k from a recorded clap, balloon or slate.
 *
 * Mono samples in ±1 at 16 to 192 kHz, at least 0.2 s from the clap on. Refused with the reason when there is no clap, when it
 * is clipped, too quiet, cut off, or does not stand 35 dB above the noise at 500 Hz and 1 kHz.
 * Source: ISO 3382-2, integrated impulse response, T20 and T30.
 */
export function analyseClap(samples: Float32Array, sampleRateHz: number): ClapResult {
  let peak = 0;
  for (const sample of samples) {
    if (!Number.isFinite(sample)) return refuse({ code: "clap.notSound" });
    peak = Math.max(peak, Math.abs(sample));
  }
  if (peak === 0) return refuse({ code: "clap.silent" });
  const onsets = findClaps(samples, sampleRateHz);
  if (onsets.length === 0) return refuse({ code: "clap.none" });
  if (amplitudeToDb(peak) < QUIETEST_PEAK_DBFS) return refuse({ code: "clap.tooQuiet", peakDbfs: amplitudeToDb(peak) });
  const chosen = onsets.reduce((best, each) => (each.peakDb > best.peakDb ? each : best));
  const next = onsets.find(({ at }) => at > chosen.at);
  const end = Math.min(samples.length, chosen.at + Math.round(LONGEST_S * sampleRateHz), next?.at ?? Infinity);
  const start = Math.max(0, chosen.at - Math.round(STEP_S * sampleRateHz));
  if (isClipped(samples.subarray(start, end))) return refuse({ code: "clap.clipped" });
  if ((end - chosen.at) / sampleRateHz < SHORTEST_S)
    return refuse({ code: next ? "clap.nextAtOnce" : "clap.stopsAtOnce" });

  const quietFrom = Math.max(0, chosen.at - Math.round(0.6 * sampleRateHz));
  const quietTo = chosen.at - Math.round(0.1 * sampleRateHz);
  const isQuietKnown =
    quietTo - quietFrom > 0.2 * sampleRateHz &&
    !onsets.some(({ at }) => at < chosen.at && at > quietFrom - sampleRateHz);
  const bands = ROOM_OCTAVES_HZ.filter((hz) => octaveFits(hz, sampleRateHz)).map((hz) => {
    const squares = squaresOf(samples, start, end, hz, sampleRateHz);
    const noise = isQuietKnown ? mean(squaresOf(samples, quietFrom, quietTo, hz, sampleRateHz)) : null;
    return {
      band: bandOf(hz, decayOf(squares, sampleRateHz, noise)),
      noise,
      tail: mean(squares.subarray(Math.floor(0.9 * squares.length))),
    };
  });
  const middle = bands.filter(({ band }) => band.hz === 500 || band.hz === 1000);
  const missing = middle.filter(({ band }) => band.evaluation === null);
  if (missing.length > 0) {
    const worst = missing.reduce((most, each) => (each.band.shortByDb > most.band.shortByDb ? each : most));
    const isCut = next !== undefined || (worst.noise !== null && worst.tail > 4 * worst.noise);
    const endsBy = next ? "nextClap" : isCut ? "cut" : "noise";
    return refuse({ code: "clap.notEvaluated", endsBy, ...lackOf(worst.band) });
  }
  const atS = chosen.at / sampleRateHz;
  const plain = bands.map(({ band }) => band);
  return {
    isMeasured: true,
    bands: plain,
    midS: middle.reduce((sum, { band }) => sum + band.fit!.timeS / middle.length, 0),
    claps: onsets.length,
    atS,
    remarks: remarksOn(plain, onsets.length, atS),
  };
}
