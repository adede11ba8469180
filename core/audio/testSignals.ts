/** Signals and files made for tests and benches: nothing here is used by the program itself. */

import { joinBlocks } from "./joinBlocks";

// Looked up once: a test runner's sandbox makes every look-up of a global slow.
const { sin } = Math;

export interface Tone {
  frequencyHz: number;
  /** Peak level, dBFS. */
  levelDbfs: number;
  seconds: number;
  sampleRateHz: number;
  phaseDeg?: number;
}

/** A sine of a peak level. */
export function sine({ frequencyHz, levelDbfs, seconds, sampleRateHz, phaseDeg = 0 }: Tone): Float32Array {
  const amplitude = 10 ** (levelDbfs / 20);
  const phase = (phaseDeg * Math.PI) / 180;
  return Float32Array.from(
    { length: Math.round(seconds * sampleRateHz) },
    (_, index) => amplitude * sin((2 * Math.PI * frequencyHz * index) / sampleRateHz + phase),
  );
}

/** White noise of an RMS level re full scale 1, from a seed. */
export function whiteNoise(seed: number, rmsDb: number, samples: number): Float32Array {
  const { imul } = Math;
  let state = seed >>> 0 || 1;
  const next = () => {
    state = (imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
  // A uniform spread of ±√3 has an RMS of 1.
  const spread = 10 ** (rmsDb / 20) * Math.sqrt(3);
  return Float32Array.from({ length: samples }, () => spread * (2 * next() - 1));
}

/** Silences everything outside spans of seconds. */
export function gated(
  samples: Float32Array,
  sampleRateHz: number,
  spansS: readonly (readonly [number, number])[],
): Float32Array {
  return samples.map((value, index) =>
    spansS.some(([from, to]) => index >= from * sampleRateHz && index < to * sampleRateHz) ? value : 0,
  );
}

/** One after the other. */
export const joined = (...parts: readonly Float32Array[]): Float32Array => joinBlocks(parts);

/** Added sample by sample; as long as the first. */
export function mixed(first: Float32Array, ...others: readonly Float32Array[]): Float32Array {
  return first.map((value, index) => others.reduce((sum, other) => sum + (other[index] ?? 0), value));
}
