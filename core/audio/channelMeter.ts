import { amplitudeToDb, meanSquareToDbfs } from "../sound/decibel";
import { clippingMeter, type ClippingReport } from "./clipping";
import { growingSeries } from "./growingSeries";
import { kWeightedSteps } from "./kWeighting";
import { integratedLufs } from "./loudness";
import { noiseFloorMeter } from "./noiseFloor";
import { overviewBuilder, type Overview } from "./overview";
import { speechLevelMeter } from "./speechLevel";
import { truePeakMeter } from "./truePeak";

/** Overloads closer than this are one place to listen to, s. */
const CLIP_MERGE_S = 0.5;

/** What one channel measures; levels may be −∞. RMS-like figures are on the AES17 scale. */
export interface ChannelReading {
  samplePeak: number;
  samplePeakDbfs: number;
  truePeakDbtp: number;
  integratedLufs: number;
  rmsDbfs: number;
  speechLevelDbfs: number;
  speechActivity: number;
  noiseFloorDbfs: number;
  snrDb: number;
  /** Mean of all samples, share of full scale. */
  dcOffset: number;
  clipping: ClippingReport;
  overview: Overview;
  /** K-weighted mean squares of every 100 ms, for sums over channels. */
  loudnessSteps: Float64Array;
}

export interface ChannelMeter {
  push(samples: Float32Array, length: number): void;
  finish(): ChannelReading;
}

/** Everything measured on one channel, in one pass of any block sizes and fixed memory (8 bytes per 100 ms aside). */
export function channelMeter(sampleRateHz: number, fullScale: number): ChannelMeter {
  const stepFrames = Math.round(sampleRateHz / 10);
  const envelopeFrames = Math.max(1, Math.round(sampleRateHz / 1000));
  const envelopesPerWindow = 50;

  const truePeak = truePeakMeter(sampleRateHz);
  const clipping = clippingMeter(fullScale, sampleRateHz * CLIP_MERGE_S);
  const overview = overviewBuilder();
  const weighted = kWeightedSteps(sampleRateHz);
  const steps = growingSeries();
  const speech = speechLevelMeter(sampleRateHz / envelopeFrames);
  const noise = noiseFloorMeter();

  let samplePeak = 0;
  let frames = 0;
  let total = 0;
  let totalSquares = 0;
  let inStep = 0;
  let inEnvelope = 0;
  let envelopeAbsolute = 0;
  let envelopeSquares = 0;
  let windowSquares = 0;
  let inWindow = 0;

  function pushSteps(samples: Float32Array, length: number): void {
    for (let from = 0; from < length;) {
      const to = Math.min(length, from + stepFrames - inStep);
      weighted.push(samples, from, to);
      inStep += to - from;
      from = to;
      if (inStep === stepFrames) {
        steps.push(weighted.closeStep() / stepFrames);
        inStep = 0;
      }
    }
  }

  function closeEnvelope(): void {
    speech.push(envelopeAbsolute / envelopeFrames, envelopeSquares, envelopeFrames);
    totalSquares += envelopeSquares;
    windowSquares += envelopeSquares;
    inWindow += 1;
    if (inWindow === envelopesPerWindow) {
      noise.push(windowSquares / (envelopesPerWindow * envelopeFrames));
      windowSquares = 0;
      inWindow = 0;
    }
    inEnvelope = 0;
    envelopeAbsolute = 0;
    envelopeSquares = 0;
  }

  function pushEnvelopes(samples: Float32Array, length: number): void {
    for (let from = 0; from < length;) {
      const to = Math.min(length, from + envelopeFrames - inEnvelope);
      let absolute = 0;
      let squares = 0;
      let sum = 0;
      let largest = samplePeak;
      for (let index = from; index < to; index += 1) {
        const value = samples[index]!;
        const magnitude = value < 0 ? -value : value;
        if (magnitude > largest) largest = magnitude;
        absolute += magnitude;
        squares += value * value;
        sum += value;
      }
      samplePeak = largest;
      envelopeAbsolute += absolute;
      envelopeSquares += squares;
      total += sum;
      inEnvelope += to - from;
      from = to;
      if (inEnvelope === envelopeFrames) closeEnvelope();
    }
  }

  return {
    push(samples, length) {
      frames += length;
      pushEnvelopes(samples, length);
      pushSteps(samples, length);
      truePeak.push(samples, length);
      clipping.push(samples, length);
      overview.push(samples, length);
    },
    finish() {
      const meanSquare = frames === 0 ? 0 : (totalSquares + envelopeSquares) / frames;
      const spoken = speech.finish();
      const noiseFloorDbfs = noise.finish();
      const loudnessSteps = steps.values().slice();
      return {
        samplePeak,
        samplePeakDbfs: amplitudeToDb(samplePeak),
        truePeakDbtp: amplitudeToDb(truePeak.finish()),
        integratedLufs: integratedLufs(loudnessSteps),
        rmsDbfs: meanSquareToDbfs(meanSquare),
        speechLevelDbfs: spoken.levelDbfs,
        speechActivity: spoken.activity,
        noiseFloorDbfs,
        snrDb: spoken.levelDbfs - noiseFloorDbfs,
        dcOffset: frames === 0 ? 0 : total / frames,
        clipping: clipping.finish(),
        overview: overview.finish(),
        loudnessSteps,
      };
    },
  };
}
