import type { ReadStretch } from "./alignPair";

/** A sharp sound: hands, slate sticks, or something like them. */
export interface Clap {
  /** To a millisecond. */
  atS: number;
  /** How far it stands over what was before it, dB. */
  riseDb: number;
}

/** Steps of the course, s; what is before one is looked at so long; a clap is over so soon. */
const STEP_S = 0.001;
const BEFORE_S = 0.05;
const GAP_S = 0.003;
const OVER_S = 0.12;
/** It rises by so much within two steps, and falls by so much before it is over, dB. */
const LEAST_RISE_DB = 16;
const LEAST_FALL_DB = 9;
/** Two claps are so far apart. */
const APART_S = 0.15;
const READ_S = 30;

/** Power of the differences from sample to sample, step by step: what is sharp, without what rumbles. */
function sharpness(samples: Float32Array, sampleRateHz: number): Float32Array {
  const step = Math.max(1, Math.round(STEP_S * sampleRateHz));
  const course = new Float32Array(Math.floor(samples.length / step));
  for (let index = 0; index < course.length; index += 1) {
    let sum = 0;
    for (let at = Math.max(1, index * step); at < (index + 1) * step; at += 1)
      sum += (samples[at]! - samples[at - 1]!) ** 2;
    course[index] = sum / step + 1e-12;
  }
  return course;
}

/** Claps in a stretch that begins at `fromS`. */
function clapsOf(samples: Float32Array, sampleRateHz: number, fromS: number): Clap[] {
  const course = sharpness(samples, sampleRateHz);
  const steps = (seconds: number) => Math.round(seconds / STEP_S);
  const [before, gap, over] = [steps(BEFORE_S), steps(GAP_S), steps(OVER_S)];
  const mean = (from: number, to: number) => {
    let sum = 0;
    for (let at = from; at < to; at += 1) sum += course[at]!;
    return sum / (to - from);
  };
  const claps: Clap[] = [];
  for (let at = before + gap; at + over < course.length; at += 1) {
    const rise = 10 * Math.log10(course[at]! / mean(at - gap - before, at - gap));
    if (rise < LEAST_RISE_DB) continue;
    const peak = Math.max(course[at]!, course[at + 1]!, course[at + 2]!, course[at + 3]!);
    if (10 * Math.log10(peak / mean(at + over - gap, at + over)) < LEAST_FALL_DB) continue;
    const atS = fromS + at * STEP_S;
    const last = claps.at(-1);
    if (last && atS - last.atS < APART_S) continue;
    claps.push({ atS, riseDb: 10 * Math.log10(peak / mean(at - gap - before, at - gap)) });
  }
  return claps;
}

/**
 * The sharpest claps of a recording of so many seconds, at most `most` of them, in their order. A shout or a step that begins as
 * sharply is among them: somebody chooses. Source: common practice. Errors: what reading raises.
 */
export async function findClaps(read: ReadStretch, seconds: number, most: number): Promise<Clap[]> {
  const claps: Clap[] = [];
  // A stretch overlaps the next by what a clap needs before and after it.
  for (let fromS = 0; fromS < seconds; fromS += READ_S) {
    const begin = Math.max(0, fromS - BEFORE_S - 2 * GAP_S);
    const { samples, sampleRateHz } = await read(begin, READ_S + OVER_S + BEFORE_S + 4 * GAP_S);
    for (const clap of clapsOf(samples, sampleRateHz, begin)) {
      const isKnown = claps.some((each) => Math.abs(each.atS - clap.atS) < APART_S);
      if (!isKnown) claps.push(clap);
    }
  }
  return claps
    .toSorted((one, other) => other.riseDb - one.riseDb)
    .slice(0, most)
    .toSorted((one, other) => one.atS - other.atS);
}
