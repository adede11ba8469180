import { fullScaleOf, growingSeries, integratedLufs, kWeightedSteps } from "../audio";
import { amplitudeToDb, meanSquareToDbfs } from "../sound";

/** What a meter shows at one moment. Levels dBFS, −∞ when there is nothing; RMS on the AES17 scale. */
export interface MeterReading {
  seconds: number;
  /** Sample peak since the last reading, held for two seconds, and of all so far. */
  peakDbfs: number;
  heldDbfs: number;
  maxDbfs: number;
  /** Of the last 300 ms. */
  rmsDbfs: number;
  /** Loudness of 400 ms, of 3 s, and gated over all so far, LUFS. */
  momentaryLufs: number;
  shortTermLufs: number;
  integratedLufs: number;
  /** Runs at full scale so far. */
  clips: number;
}

export interface LiveMeter {
  push(samples: Float32Array): void;
  read(): MeterReading;
}

const HOLD_S = 2;
const RMS_S = 0.3;
/** Samples alike at full scale that count as one clip. */
const CLIP_RUN = 3;
/** Integrated loudness is worked out anew so often, s: it changes slowly, and the list grows. */
const INTEGRATE_EVERY_S = 1;

const lufs = (meanSquare: number): number => (meanSquare > 0 ? -0.691 + 10 * Math.log10(meanSquare) : -Infinity);

/** Loudness is gathered in parts of 10 ms, so that a window lies where a sound does; ten of them are a step of the gate. */
const PARTS_A_SECOND = 100;
const PARTS_A_STEP = 10;
const MOMENTARY_PARTS = 40;
const SHORT_TERM_PARTS = 300;

/**
 * A meter for one channel as it goes: sample peak with hold, RMS, loudness, clips.
 *
 * Full scale is the largest value of 16 bits, which is what most browsers are given. Sources: ITU-R BS.1770-4 for
 * loudness (momentary 400 ms, short-term 3 s as in EBU Tech 3341), AES17 for RMS. Memory: 8 bytes per 100 ms.
 */
export function liveMeter(sampleRateHz: number): LiveMeter {
  const loudFrames = Math.round(sampleRateHz / PARTS_A_SECOND);
  const rmsFrames = Math.round(sampleRateHz * RMS_S);
  const fullScale = fullScaleOf({ encoding: "pcm", bitsPerSample: 16 }) * (1 - 2 ** -20);
  const weighted = kWeightedSteps(sampleRateHz);
  const steps = growingSeries();
  // Squares of 10 ms parts, in a ring: the last 300 ms.
  const partFrames = Math.max(1, Math.round(rmsFrames / 30));
  const ring = new Float64Array(30);
  const loud = new Float64Array(SHORT_TERM_PARTS);
  let [inLoud, loudParts, stepSquares] = [0, 0, 0];
  let [inPart, partSquares, part] = [0, 0, 0];
  let [frames, peak, max, held, heldAt] = [0, 0, 0, 0, 0];
  let [run, clips] = [0, 0];
  let [integrated, integratedAt] = [-Infinity, -Infinity];

  function pushLevels(samples: Float32Array): void {
    for (const value of samples) {
      const magnitude = value < 0 ? -value : value;
      if (magnitude > peak) peak = magnitude;
      if (magnitude >= fullScale) {
        run += 1;
        if (run === CLIP_RUN) clips += 1;
      } else run = 0;
      partSquares += value * value;
      inPart += 1;
      if (inPart === partFrames) {
        ring[part] = partSquares;
        part = (part + 1) % ring.length;
        [partSquares, inPart] = [0, 0];
      }
    }
  }

  function closeLoud(): void {
    const squares = weighted.closeStep() / loudFrames;
    loud[loudParts % loud.length] = squares;
    loudParts += 1;
    inLoud = 0;
    stepSquares += squares;
    if (loudParts % PARTS_A_STEP > 0) return;
    steps.push(stepSquares / PARTS_A_STEP);
    stepSquares = 0;
  }

  function pushLoudness(samples: Float32Array): void {
    for (let from = 0; from < samples.length;) {
      const to = Math.min(samples.length, from + loudFrames - inLoud);
      weighted.push(samples, from, to);
      inLoud += to - from;
      from = to;
      if (inLoud === loudFrames) closeLoud();
    }
  }

  /** Loudness of the last so many parts; −∞ before there are so many. */
  function loudnessOfLast(count: number): number {
    if (loudParts < count) return -Infinity;
    let sum = 0;
    for (let back = 1; back <= count; back += 1) sum += loud[(loudParts - back) % loud.length]!;
    return lufs(sum / count);
  }

  return {
    push(samples) {
      pushLevels(samples);
      pushLoudness(samples);
      frames += samples.length;
    },
    read() {
      const seconds = frames / sampleRateHz;
      max = Math.max(max, peak);
      if (peak >= held || seconds - heldAt > HOLD_S) [held, heldAt] = [peak, seconds];
      const values = steps.values();
      if (seconds - integratedAt >= INTEGRATE_EVERY_S) [integrated, integratedAt] = [integratedLufs(values), seconds];
      const squares = ring.reduce((sum, each) => sum + each, 0);
      const reading = {
        seconds,
        peakDbfs: amplitudeToDb(peak),
        heldDbfs: amplitudeToDb(held),
        maxDbfs: amplitudeToDb(max),
        rmsDbfs: meanSquareToDbfs(squares / (ring.length * partFrames)),
        momentaryLufs: loudnessOfLast(MOMENTARY_PARTS),
        shortTermLufs: loudnessOfLast(SHORT_TERM_PARTS),
        integratedLufs: integrated,
        clips,
      };
      peak = 0;
      return reading;
    },
  };
}
