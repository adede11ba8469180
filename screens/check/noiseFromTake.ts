import { type ChannelMeasurement, voicesPeakDb } from "@/core/check";
import { LEVEL_UNCERTAINTY_DB } from "@/core/chain";
import type { Candidate } from "@/core/dress";
import type { MeasuredTone } from "@/core/noise";
import { mapOctaves, overallDb, powerToDb } from "@/core/sound";
import type { LevelSubject } from "@/core/planning";
import { clipText } from "@/core/schema";

/** Noise of a take must stand so far over that of the devices to say anything of the place, dB. Estimate. */
const OVER_DEVICES_DB = 4;

/**
 * The place's noise by what a worn microphone heard in the pauses; null where that was the devices' own noise or nothing.
 *
 * From the file back to the capsule by the planned gains, and through the covers. Calibrated only where the take's peaks were
 * as planned, within the plan's uncertainty: else a knob or a voice stood elsewhere and only the colour is known.
 */
export function noiseFromTake(
  file: string,
  seconds: number,
  channel: ChannelMeasurement,
  { plan, levels }: LevelSubject,
  candidate: Candidate,
): MeasuredTone | null {
  const { noiseOctavesDbfs } = channel;
  const peakDb = voicesPeakDb(channel.voicePeakDbfs, channel.samplePeakDbfs, channel.truePeakDbtp);
  if (!plan || !levels || !noiseOctavesDbfs || noiseOctavesDbfs.length < 7) return null;
  const devices = plan.noiseSources.filter(({ isPlace }) => !isPlace).map(({ dbfs }) => 10 ** (dbfs / 10));
  const devicesDbfs = powerToDb(devices.reduce((sum, power) => sum + power, 0));
  const noise = mapOctaves((band) => noiseOctavesDbfs[band]!);
  if (overallDb(noise) < devicesDbfs + OVER_DEVICES_DB) return null;
  const gainDb = plan.speechDbfs - overallDb(levels.sound.voicesDb[levels.sound.usual]);
  return {
    file: clipText(file, 200),
    octavesDb: [...mapOctaves((band) => Math.round(10 * (noise[band]! - gainDb - candidate.coverDb[band]!)) / 10)],
    isCalibrated: peakDb !== null && Math.abs(peakDb - plan.peakDbfs) <= LEVEL_UNCERTAINTY_DB,
    seconds: Math.round(seconds * 10) / 10,
    humHz: [],
    trendDbPerMin: 0,
  };
}
