import { newLiningEngine } from "./engine";
import { growingWords } from "./growingWords";

/**
 * What a recording can be recognised by: pairs of spectral peaks, as a number made of the two frequencies and of the time
 * between them, each with the time of the first. After Wang, "An industrial-strength audio search algorithm" (2003).
 */
export interface Landmarks {
  seconds: number;
  hashes: Uint32Array;
  /** When, in steps of {@link STEP_S}. */
  steps: Uint32Array;
  /** Whether there was nothing but digital silence. */
  isSilent: boolean;
}

/** Times of landmarks are told in such steps, s. */
export const STEP_S = 0.016;
/** So many different hashes there are. */
export const HASHES = 1 << 20;

/** The lowest rate that keeps what makes speech recognisable, Hz. */
const LOWEST_RATE_HZ = 8000;
/** Taps of the low-pass, for each step from sample to sample. */
const TAPS_PER_STEP = 6;
/** Length of a spectrum, low-rate samples. */
const SIZE = 512;
/** Bins as if the rate were 8 kHz, whatever it is: both sides are recognised by frequency. */
const BIN_HZ = LOWEST_RATE_HZ / SIZE;
const LOWEST_HZ = 240;
const HIGHEST_HZ = 3750;
const BINS = Math.floor((HIGHEST_HZ - LOWEST_HZ) / BIN_HZ);
const BLOCK = 4096;
/** Partners of a peak: at most so many, so far off. */
const PARTNERS = 7;
const MOST_STEPS = 63;
const MOST_BINS = 31;
/** Below this a recording says nothing, of full scale. */
const SILENCE = 1e-6;

const hashOf = (first: number, second: number, steps: number): number =>
  (((first << 6) | (second - first + MOST_BINS)) << 6) | steps;

/** A low-pass for every `step`-th sample: Hann-windowed sinc, 6 dB down at the new Nyquist frequency; zeros up to whole vectors. */
function lowPass(step: number): Float32Array {
  const length = step * TAPS_PER_STEP;
  const taps = new Float32Array(Math.ceil(length / 4) * 4);
  for (let at = 0; at < length; at += 1) {
    const from = (at - (length - 1) / 2) / step;
    const sinc = from === 0 ? 1 : Math.sin(Math.PI * from) / (Math.PI * from);
    taps[at] = (sinc * (0.5 + 0.5 * Math.cos((2 * Math.PI * from) / TAPS_PER_STEP))) / step;
  }
  return taps;
}

/** Finds landmarks in samples that come in portions of any length; `sampleRateHz` 8000…384 000, else RangeError. */
export function landmarkMaker(sampleRateHz: number): {
  push(samples: Float32Array, count: number): void;
  end(): Landmarks;
} {
  if (!(sampleRateHz >= LOWEST_RATE_HZ && sampleRateHz <= 384_000))
    throw new RangeError(`sampleRateHz ${sampleRateHz}: 8000…384 000`);
  const step = Math.floor(sampleRateHz / LOWEST_RATE_HZ);
  const rate = sampleRateHz / step;
  const hop = Math.round(STEP_S * rate);
  const taps = lowPass(step);
  const engine = newLiningEngine();
  engine.setUpLandmarks(step, taps.length, hop, BINS, BLOCK);
  const { buffer } = engine.memory;
  new Float32Array(buffer, engine.tapsAt(), taps.length).set(taps);
  const places = new Int32Array(buffer, engine.placesAt(), BINS);
  for (let bin = 0; bin < BINS; bin += 1) places[bin] = Math.round(((LOWEST_HZ + bin * BIN_HZ) * SIZE) / rate);

  const hashes = growingWords();
  const times = growingWords();
  /** Peaks that may still be partners, a row and a bin each. */
  const recent: number[] = [];
  let frames = 0;

  function addPeak(row: number, bin: number): void {
    while (recent.length > 0 && row - recent[0]! > MOST_STEPS) recent.splice(0, 2);
    let partners = 0;
    for (let at = recent.length - 2; at >= 0 && partners < PARTNERS; at -= 2) {
      const [first, other] = [recent[at]!, recent[at + 1]!];
      if (row === first || Math.abs(bin - other) > MOST_BINS) continue;
      hashes.add(hashOf(other, bin, row - first));
      times.add(Math.round((first * hop) / (rate * STEP_S)));
      partners += 1;
    }
    recent.push(row, bin);
  }

  return {
    push(samples, count) {
      frames += count;
      for (let from = 0; from < count; from += BLOCK) {
        const taken = Math.min(BLOCK, count - from);
        new Float32Array(engine.memory.buffer, engine.nextAt(), taken).set(samples.subarray(from, from + taken));
        const found = engine.push(taken);
        const peaks = new Uint32Array(engine.memory.buffer, engine.peaksAt(), 2 * found);
        for (let at = 0; at < 2 * found; at += 2) addPeak(peaks[at]!, peaks[at + 1]!);
      }
    },
    end: () => ({
      seconds: frames / sampleRateHz,
      hashes: hashes.all(),
      steps: times.all(),
      isSilent: engine.loudest() < SILENCE,
    }),
  };
}
