import { channelMeter, type ChannelReading } from "./channelMeter";
import { channelFindings } from "./findings";
import { integratedLufs, loudnessRangeLu } from "./loudness";
import type { Finding, RecordingMeasurement } from "./measurement";
import type { Overview } from "./overview";

export interface RecordingForm {
  file: string;
  container: string;
  encoding: string;
  bitsPerSample: number | null;
  sampleRateHz: number;
  channels: number;
  /** Linear value from which a sample is at full scale. */
  fullScale: number;
}

export interface MeasuredRecording {
  measurement: RecordingMeasurement;
  overviews: Overview[];
}

export interface RecordingMeter {
  push(planes: readonly Float32Array[], frames: number): void;
  finish(fileFindings?: readonly Finding[]): MeasuredRecording;
}

/** −∞ has no place in JSON: it becomes null. */
function levelOrNull(levelDb: number): number | null {
  return Number.isFinite(levelDb) ? levelDb : null;
}

function overallLoudness(readings: readonly ChannelReading[]): { integrated: number | null; range: number | null } {
  if (readings.length > 2) return { integrated: null, range: null };
  const steps = readings[0]!.loudnessSteps.map((value, index) => value + (readings[1]?.loudnessSteps[index] ?? 0));
  return { integrated: levelOrNull(integratedLufs(steps)), range: loudnessRangeLu(steps) };
}

/**
 * Measures planar samples pushed block by block.
 * Overall loudness takes mono and stereo as BS.1770 programmes; more channels are loose tracks and have none.
 */
export function recordingMeter(form: RecordingForm): RecordingMeter {
  const meters = Array.from({ length: form.channels }, () => channelMeter(form.sampleRateHz, form.fullScale));
  let frames = 0;
  return {
    push(planes, count) {
      frames += count;
      meters.forEach((meter, channel) => meter.push(planes[channel]!, count));
    },
    finish(fileFindings = []) {
      const readings = meters.map((meter) => meter.finish());
      const durationS = frames / form.sampleRateHz;
      const loudness = overallLoudness(readings);
      const findings = readings.flatMap((reading, channel) =>
        channelFindings(reading, channel, {
          sampleRateHz: form.sampleRateHz,
          durationS,
          isFloat: form.encoding === "float",
        }),
      );
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
          },
          overall: {
            samplePeakDbfs: levelOrNull(Math.max(...readings.map((reading) => reading.samplePeakDbfs))),
            truePeakDbtp: levelOrNull(Math.max(...readings.map((reading) => reading.truePeakDbtp))),
            integratedLufs: loudness.integrated,
            loudnessRangeLu: loudness.range,
          },
          channels: readings.map((reading, index) => ({
            index,
            samplePeakDbfs: levelOrNull(reading.samplePeakDbfs),
            truePeakDbtp: levelOrNull(reading.truePeakDbtp),
            integratedLufs: levelOrNull(reading.integratedLufs),
            rmsDbfs: levelOrNull(reading.rmsDbfs),
            speechLevelDbfs: levelOrNull(reading.speechLevelDbfs),
            noiseFloorDbfs: levelOrNull(reading.noiseFloorDbfs),
            snrDb: levelOrNull(reading.snrDb),
            dcOffset: reading.dcOffset,
            clippedRuns: reading.clipping.fullScaleRuns + reading.clipping.flatTopRuns,
          })),
          findings: [...fileFindings, ...findings].slice(0, 2000),
        },
        overviews: readings.map((reading) => reading.overview),
      };
    },
  };
}
