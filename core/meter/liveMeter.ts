import { fullScaleOf } from "../audio/clipping";
import { growingSeries } from "../audio/growingSeries";
import { kWeightedSteps } from "../audio/kWeighting";
import { integratedLufs } from "../audio/loudness";
import { amplitudeToDb, meanSquareToDbfs } from "../sound/decibel";

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

/** Mean of the last so many figures. */
function meanOfLast(values: Float64Array, count: number): number {
  if (values.length < count) return 0;
  let sum = 0;
  for (let index = values.length - count; index < values.length; index += 1) sum += values[index]!;
  return sum / count;
}

/**
 * A meter for one channel as it goes: sample peak with hold, RMS, loudness, clips.
 *
 * Full scale is the largest value of 16 bits, which is what most browsers are given. Sources: ITU-R BS.1770-4 for
 * loudness (momentary 400 ms, short-term 3 s as in EBU Tech 3341), AES17 for RMS. Memory: 8 bytes per 100 ms.
 */
export function liveMeter(sampleRateHz: number): LiveMeter {
  const stepFrames = Math.round(sampleRateHz / 10);
  const rmsFrames = Math.round(sampleRateHz * RMS_S);
  const fullScale = fullScaleOf({ encoding: "pcm", bitsPerSample: 16 }) * (1 - 2 ** -20);
  const weighted = kWeightedSteps(sampleRateHz);
  const steps = growingSeries();
  // Squares of 10 ms parts, in a ring: the last 300 ms.
  const partFrames = Math.max(1, Math.round(rmsFrames / 30));
  const ring = new Float64Array(30);
  let [inStep, inPart, partSquares, part] = [0, 0, 0, 0];
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

  function pushSteps(samples: Float32Array): void {
    for (let from = 0; from < samples.length;) {
      const to = Math.min(samples.length, from + stepFrames - inStep);
      weighted.push(samples, from, to);
      inStep += to - from;
      from = to;
      if (inStep === stepFrames) {
        steps.push(weighted.closeStep() / stepFrames);
        inStep = 0;
      }
    }
  }

  return {
    push(samples) {
      pushLevels(samples);
      pushSteps(samples);
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
        momentaryLufs: lufs(meanOfLast(values, 4)),
        shortTermLufs: lufs(meanOfLast(values, 30)),
        integratedLufs: integrated,
        clips,
      };
      peak = 0;
      return reading;
    },
  };
}
