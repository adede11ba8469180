import { SINE_CREST_DB } from "../sound/decibel";

/** Activity thresholds: powers of two from 2^−16 to 2^4 of full scale, 6.02 dB apart. */
const LOWEST_EXPONENT = -16;
const THRESHOLDS = 21;
const TIME_CONSTANT_S = 0.03;
const HANGOVER_S = 0.2;
const MARGIN_DB = 15.9;

export interface SpeechLevelMeter {
  /** Takes the next block's mean absolute value and its sum of squares over `samples` samples. */
  push(meanAbsolute: number, sumOfSquares: number, samples: number): void;
  /** Active speech level, dBFS (AES17), −∞ when nothing is active; and the share of time that is active. */
  finish(): { levelDbfs: number; activity: number };
}

/**
 * Active speech level after ITU-T P.56, method B: two-stage envelope of 0.03 s, thresholds 6 dB apart, hangover 0.2 s,
 * margin 15.9 dB, interpolated between thresholds.
 *
 * Fed with blocks of about 1 ms: the Recommendation wants at least 694 envelope values a second.
 */
export function speechLevelMeter(blocksPerSecond: number): SpeechLevelMeter {
  const smoothing = Math.exp(-1 / (TIME_CONSTANT_S * blocksPerSecond));
  const hangover = Math.ceil(HANGOVER_S * blocksPerSecond);
  const activeBlocks = new Float64Array(THRESHOLDS);
  const sinceActive = new Int32Array(THRESHOLDS).fill(hangover);
  const thresholds = Array.from({ length: THRESHOLDS }, (_, index) => 2 ** (LOWEST_EXPONENT + index));
  let first = 0;
  let envelope = 0;
  let energy = 0;
  let samplesSeen = 0;
  let blocks = 0;

  return {
    push(meanAbsolute, sumOfSquares, samples) {
      energy += sumOfSquares;
      samplesSeen += samples;
      blocks += 1;
      first = smoothing * first + (1 - smoothing) * meanAbsolute;
      envelope = smoothing * envelope + (1 - smoothing) * first;
      for (let index = 0; index < THRESHOLDS; index += 1) {
        if (envelope >= thresholds[index]!) {
          activeBlocks[index]! += 1;
          sinceActive[index] = 0;
        } else if (sinceActive[index]! < hangover) {
          activeBlocks[index]! += 1;
          sinceActive[index]! += 1;
        }
      }
    },
    finish() {
      if (energy === 0) return { levelDbfs: -Infinity, activity: 0 };
      const longTermDb = 10 * Math.log10(energy / samplesSeen);
      const activeDb = (index: number) => longTermDb - 10 * Math.log10(activeBlocks[index]! / blocks);
      const thresholdDb = (index: number) => 20 * Math.log10(thresholds[index]!);
      let levelDb = activeBlocks[0]! > 0 ? activeDb(0) : longTermDb;
      for (let index = 1; index < THRESHOLDS && activeBlocks[index]! > 0; index += 1) {
        const above = activeDb(index) - thresholdDb(index) - MARGIN_DB;
        if (above > 0) {
          levelDb = activeDb(index);
          continue;
        }
        const below = activeDb(index - 1) - thresholdDb(index - 1) - MARGIN_DB;
        const share = below <= 0 ? 0 : below / (below - above);
        levelDb = activeDb(index - 1) + (activeDb(index) - activeDb(index - 1)) * share;
        break;
      }
      return { levelDbfs: levelDb + SINE_CREST_DB, activity: 10 ** ((longTermDb - levelDb) / 10) };
    },
  };
}
