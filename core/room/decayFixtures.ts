import { whiteNoise } from "../audio/testSignals";
import { ROOM_OCTAVES_HZ } from "./materials";

/** Decays made for tests and benches: nothing here is used by the program itself. */

// Looked up once: a test runner's sandbox makes every look-up of a global slow.
const { cos } = Math;

export const CLAP_RATE_HZ = 48000;

/** What is left of an amplitude after one sample. */
const fallOf = (timeS: number): number => 10 ** (-3 / (timeS * CLAP_RATE_HZ));

export interface MadeClap {
  timeS: number;
  /** Steady noise, RMS dB re full scale 1. */
  noiseDb: number;
  /** Silence before the clap and length after it, s. */
  beforeS?: number;
  afterS?: number;
  levelDb?: number;
  seed?: number;
}

/** Six tones at the octave centres falling together by 60 dB in `timeS`: a decay whose time is exactly known. */
export function toneClap({
  timeS,
  noiseDb,
  beforeS = 1,
  afterS = 1.2 * timeS + 0.7,
  levelDb = -12,
  seed = 3,
}: MadeClap) {
  const start = Math.round(beforeS * CLAP_RATE_HZ);
  const samples = whiteNoise(seed, noiseDb, start + Math.round(afterS * CLAP_RATE_HZ));
  const amplitude = 10 ** (levelDb / 20) / ROOM_OCTAVES_HZ.length;
  const turns = ROOM_OCTAVES_HZ.map((hz) => (2 * Math.PI * hz) / CLAP_RATE_HZ);
  const fall = fallOf(timeS);
  for (let at = start, left = amplitude; at < samples.length; at += 1, left *= fall) {
    let sum = 0;
    for (let tone = 0; tone < turns.length; tone += 1) sum += cos(turns[tone]! * (at - start) + tone);
    samples[at] = samples[at]! + left * sum;
  }
  return samples;
}

/** White noise falling by 60 dB in `timeS`: what a room does to a burst. */
export function noiseClap({
  timeS,
  noiseDb,
  beforeS = 1,
  afterS = 1.2 * timeS + 0.7,
  levelDb = -12,
  seed = 3,
}: MadeClap) {
  const start = Math.round(beforeS * CLAP_RATE_HZ);
  const samples = whiteNoise(seed, noiseDb, start + Math.round(afterS * CLAP_RATE_HZ));
  const burst = whiteNoise(seed + 1000, levelDb - 6, samples.length - start);
  const fall = fallOf(timeS);
  for (let at = start, left = 1; at < samples.length; at += 1, left *= fall)
    samples[at] = samples[at]! + burst[at - start]! * left;
  return samples;
}
