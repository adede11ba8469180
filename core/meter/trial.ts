import type { ChannelMeasurement, FindingKind, MeasuredRecording } from "../check";
import type { Targets } from "../chain";
import type { MeterMessage } from "./messages";

/** Steps of a trial: nobody speaks; the noise that will be there; the loudest line. Common practice. */
export const TRIAL_STEPS = ["quiet", "noise", "loudest"] as const;
export type TrialStep = (typeof TRIAL_STEPS)[number];

export type Heard = Readonly<Partial<Record<TrialStep, ChannelMeasurement>>>;

/** What a trial comes to. */
export interface TrialAdvice {
  isGood: boolean;
  /** Worst first. */
  says: readonly MeterMessage[];
  /** What the level should change by, dB; null: it is right, or nothing was heard. */
  byDb: number | null;
  /** The loudest line over the noise that will be there, dB. */
  overNoiseDb: number | null;
}

/** A voice less than this over its noise is heard in it, dB; a trial closer than that to the target is right. Common practice. */
const CLEAR_DB = 20;
const CLOSE_DB = 2;
/** Noise that rises by more than this when things are on is worth a word, dB. Estimate. */
const RISES_DB = 6;
/** The loudest line must stand out of the quiet step by this, or nobody spoke into it, dB. Estimate. */
const HEARD_DB = 10;
/** What a clipped voice is lowered beyond the target, dB. Common practice. */
const CLIPPED_EXTRA_DB = 6;

/** What was measured of one step, and what was found. */
export function stepOf({ measurement }: MeasuredRecording): { channel: ChannelMeasurement; kinds: Set<FindingKind> } {
  return { channel: measurement.channels[0]!, kinds: new Set(measurement.findings.map(({ kind }) => kind)) };
}

/**
 * Advice after the three steps: level, noise, and whether the right microphone was heard at all.
 *
 * Peaks are true peaks, dBTP; noise is the RMS of its step, dBFS (AES17). `kinds`: what was found on the loudest line.
 */
export function adviseTrial(
  heard: Heard,
  kinds: ReadonlySet<FindingKind>,
  { targetDbfs, ceilingDbfs }: Targets,
): TrialAdvice {
  const { quiet, noise, loudest } = heard;
  const nothing = { isGood: false, byDb: null, overNoiseDb: null };
  const peak = loudest?.truePeakDbtp ?? null;
  if (peak === null || !loudest) return { ...nothing, says: [{ code: "trial.nothingHeard" }] };
  const quietDb = quiet?.rmsDbfs ?? null;
  const noiseDb = noise?.rmsDbfs ?? quietDb;
  const voiceDb = loudest.speechLevelDbfs ?? loudest.rmsDbfs;
  if (quietDb !== null && voiceDb !== null && voiceDb < quietDb + HEARD_DB)
    return {
      ...nothing,
      says: [{ code: "trial.wrongMicrophone", overQuietDb: Math.max(0, voiceDb - quietDb) }],
    };
  const overNoiseDb = noiseDb === null || voiceDb === null ? null : voiceDb - noiseDb;
  const isClipped = kinds.has("clipped") || kinds.has("overloadedEarlier");
  const toTargetDb = targetDbfs - peak;
  const byDb = isClipped
    ? Math.min(0, toTargetDb) - CLIPPED_EXTRA_DB
    : Math.abs(toTargetDb) <= CLOSE_DB && peak <= ceilingDbfs
      ? null
      : toTargetDb;
  const says: MeterMessage[] = [];
  if (kinds.has("clipped")) says.push({ code: "trial.clips", downDb: Math.abs(byDb!) });
  else if (kinds.has("overloadedEarlier")) says.push({ code: "trial.overloadsEarlier" });
  else says.push({ code: "trial.peaks", peakDbfs: peak, byDb });
  if (overNoiseDb !== null && overNoiseDb < CLEAR_DB) says.push({ code: "trial.littleOverNoise", overNoiseDb });
  if (quietDb !== null && typeof noise?.rmsDbfs === "number" && noise.rmsDbfs - quietDb > RISES_DB)
    says.push({ code: "trial.noiseRises", byDb: noise.rmsDbfs - quietDb });
  return { isGood: byDb === null && (overNoiseDb === null || overNoiseDb >= CLEAR_DB), says, byDb, overNoiseDb };
}
