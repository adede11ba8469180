import { longestPieceS, type Overview, pieceMeter, stepFramesOf } from "../audio";
import { meanSquareToDbfs } from "../sound";
import { channelFindings, pairFindings } from "./findings";
import { colourOf, measuresOf, noiseOctavesOf } from "./measures";
import type { Finding, RecordingMeasurement } from "./measurement";
import type { Phrase } from "./phrases";
import { reportPiece } from "./pieceReport";
import { recordingTotals, type ChannelTotals, type RecordingTotals } from "./recordingTotals";

export interface RecordingForm {
  file: string;
  container: string;
  encoding: string;
  bitsPerSample: number | null;
  sampleRateHz: number;
  channels: number;
  /** Linear value from which a sample is at full scale. */
  fullScale: number;
  /** When the recording began, seconds after midnight by its own clock. */
  startedAtS?: number | null;
}

export interface MeasuredRecording {
  measurement: RecordingMeasurement;
  overviews: Overview[];
  /** Where somebody speaks without a pause, track by track. */
  phrases: readonly Phrase[][];
  /** K-weighted mean squares of 100 ms of every track of more than two; null where they were not kept. */
  loudnessSteps: Float32Array[] | null;
}

/** Findings that are kept of one recording. */
const MOST_FINDINGS = 2000;

/** −∞ has no place in JSON: it becomes null. */
function levelOrNull(levelDb: number): number | null {
  return Number.isFinite(levelDb) ? levelDb : null;
}

function channelMeasurement(
  totals: ChannelTotals,
  index: number,
  hops: number,
): RecordingMeasurement["channels"][number] {
  const measures = measuresOf(totals);
  return {
    index,
    samplePeakDbfs: levelOrNull(totals.samplePeakDbfs),
    truePeakDbtp: levelOrNull(totals.truePeakDbtp),
    integratedLufs: levelOrNull(totals.integratedLufs),
    rmsDbfs: levelOrNull(totals.rmsDbfs),
    speechLevelDbfs: levelOrNull(totals.speechLevelDbfs),
    noiseFloorDbfs: levelOrNull(totals.noiseFloorDbfs),
    snrDb: levelOrNull(totals.snrDb),
    dcOffset: totals.dcOffset,
    clippedRuns: totals.clipping.fullScaleRuns + totals.clipping.flatTopRuns,
    voicePeakDbfs: measures.voicePeakDbfs,
    speechShare: Math.min(1, (totals.traits.speechHops + totals.traits.coveredHops) / Math.max(1, hops)),
    decayDbPerS: measures.decayDbPerS,
    pitchHz: measures.pitchHz,
    colourDb: colourOf(measures),
    noiseOctavesDbfs: noiseOctavesOf(measures).map((power) => Math.max(-200, meanSquareToDbfs(power))),
    counts: { ...totals.counts },
    course: [...totals.course],
  };
}

/** Makes the measurement of a recording from its totals. */
export function measurementOf(
  form: RecordingForm,
  totals: RecordingTotals,
  fileFindings: readonly Finding[] = [],
): MeasuredRecording {
  const durationS = totals.frames / form.sampleRateHz;
  const context = { sampleRateHz: form.sampleRateHz, durationS, isFloat: form.encoding === "float" };
  const findings = totals.channels.flatMap((channel, index) => channelFindings(channel, index, context));
  return {
    measurement: {
      file: form.file,
      format: {
        container: form.container,
        sampleRateHz: form.sampleRateHz,
        bitsPerSample: form.bitsPerSample,
        encoding: form.encoding,
        channels: form.channels,
        durationS,
        startedAtS: form.startedAtS ?? null,
      },
      overall: {
        samplePeakDbfs: levelOrNull(Math.max(...totals.channels.map((channel) => channel.samplePeakDbfs))),
        truePeakDbtp: levelOrNull(Math.max(...totals.channels.map((channel) => channel.truePeakDbtp))),
        integratedLufs: levelOrNull(totals.integratedLufs),
        loudnessRangeLu: totals.loudnessRangeLu,
        ...(totals.mix
          ? {
              mix: {
                tracks: totals.mix.channels.map((channel) => channel + 1),
                integratedLufs: levelOrNull(totals.mix.integratedLufs),
                loudnessRangeLu: totals.mix.loudnessRangeLu,
              },
            }
          : {}),
      },
      channels: totals.channels.map((channel, index) =>
        channelMeasurement(channel, index, totals.frames / Math.round(form.sampleRateHz / 100)),
      ),
      findings: [...fileFindings, ...findings, ...pairFindings(totals, durationS)].slice(0, MOST_FINDINGS),
    },
    overviews: totals.channels.map((channel) => channel.overview),
    phrases: totals.channels.map((channel) => [...channel.phrases]),
    loudnessSteps: totals.loudnessSteps,
  };
}

export interface RecordingMeter {
  push(planes: readonly Float32Array[], frames: number): void;
  finish(fileFindings?: readonly Finding[]): MeasuredRecording;
}

/**
 * Measures planar samples pushed block by block, a length that is not known beforehand: cut into pieces as they come,
 * each with the end of the one before as context.
 */
export function recordingMeter(form: RecordingForm): RecordingMeter {
  const { sampleRateHz, channels, fullScale } = form;
  const meter = pieceMeter(
    { sampleRateHz, channels, fullScale, encoding: "float", bytesPerSample: 4 },
    longestPieceS(channels),
  );
  const totals = recordingTotals(sampleRateHz, channels, { keepsSteps: true });
  const leadFrames = 20 * stepFramesOf(sampleRateHz);
  // Whole blocks and whole steps of loudness.
  const unit = 5 * meter.blockFrames;
  const pieceFrames = Math.floor((longestPieceS(channels) * sampleRateHz - leadFrames) / unit) * unit;
  // The end of what came, for the next piece's context, and a block that is filling.
  const recent = Array.from({ length: channels }, () => new Float32Array(leadFrames));
  const block = Array.from({ length: channels }, () => new Float32Array(meter.blockFrames));
  let [inBlock, inPiece, leadIn, done, index] = [0, 0, 0, 0, 0];
  meter.begin(0);

  function close(): void {
    const figures = meter.finish();
    totals.add(reportPiece(figures, { index, from: done, frames: inPiece, leadIn }, fullScale, 0));
    done += inPiece;
    index += 1;
  }

  /** The last so many frames move up. */
  function remember(count: number): void {
    recent.forEach((plane, channel) => {
      plane.copyWithin(0, Math.min(count, plane.length));
      const from = Math.max(0, count - plane.length);
      plane.set(block[channel]!.subarray(from, count), Math.max(0, plane.length - count));
    });
  }

  function takeBlock(count: number): void {
    if (inPiece >= pieceFrames) {
      close();
      meter.begin(leadFrames);
      for (let from = 0; from < leadFrames; from += meter.blockFrames)
        meter.pushPlanes(recent, from, Math.min(meter.blockFrames, leadFrames - from));
      [inPiece, leadIn] = [0, leadFrames];
    }
    meter.pushPlanes(block, 0, count);
    remember(count);
    inPiece += count;
    inBlock = 0;
  }

  return {
    push(planes, frames) {
      for (let from = 0; from < frames;) {
        const count = Math.min(meter.blockFrames - inBlock, frames - from);
        block.forEach((plane, channel) => plane.set(planes[channel]!.subarray(from, from + count), inBlock));
        inBlock += count;
        from += count;
        if (inBlock === meter.blockFrames) takeBlock(inBlock);
      }
    },
    finish(fileFindings = []) {
      if (inBlock > 0) takeBlock(inBlock);
      close();
      return measurementOf(form, totals.finish(), fileFindings);
    },
  };
}
