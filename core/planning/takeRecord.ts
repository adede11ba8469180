import type { RecordingMeasurement, Review } from "../check";
import type { LevelPlan } from "../chain";
import type { JudgedTake } from "../proof";
import {
  type AudioFile,
  audioFileOf,
  type FileContent,
  isSameFile,
  type MeasurementBody,
  type ShootBundle,
  type Stored,
  type TakeDetailBody,
} from "../records";

/** Findings that are kept of one take; the counts know of all. */
const MOST_KEPT = 600;

/** A judged take as it is kept: what everybody reads of it, and what is read when it is looked at. */
export interface TakeRecord {
  summary: MeasurementBody;
  detail: Omit<TakeDetailBody, "measurementId">;
}

/**
 * A judged take as it is kept: figures as measured, findings as the plan has them, and what was said of them. Of other channels
 * only the figures: their course and colour are theirs to keep.
 */
export function takeRecord(
  ids: Pick<MeasurementBody, "shootId" | "rigId">,
  measurement: RecordingMeasurement,
  content: FileContent,
  { peakDbfs, speechDbfs, noiseDbfs, snrDb }: LevelPlan,
  { verdict, findings, redress }: JudgedTake,
  reviews: readonly Review[],
): TakeRecord {
  const others = measurement.findings.filter(({ channel }) => channel !== null && channel !== verdict.channel);
  const { byDb, isAtLeast, turns, advice } = verdict.correction;
  const own = measurement.channels.find(({ index }) => index === verdict.channel);
  return {
    summary: {
      ...ids,
      file: audioFileOf(measurement, content),
      channel: verdict.channel,
      measured: {
        peakDbfs: own?.voicePeakDbfs ?? own?.samplePeakDbfs ?? null,
        speechDbfs: own?.speechLevelDbfs ?? null,
        noiseDbfs: own?.noiseFloorDbfs ?? null,
        snrDb: own?.snrDb ?? null,
        pitchHz: own?.pitchHz ?? null,
      },
      planned: { peakDbfs, speechDbfs, noiseDbfs, snrDb },
      grade: verdict.grade,
      said: { worst: verdict.worst, correction: { byDb, isAtLeast, turns: [...turns], advice }, redress },
    },
    detail: {
      shootId: ids.shootId,
      overall: measurement.overall,
      channels: measurement.channels.map((channel) =>
        channel.index === verdict.channel ? channel : { ...channel, course: [], colourDb: [] },
      ),
      findings: [...findings, ...others].slice(0, MOST_KEPT),
      reviews: reviews.slice(-500),
    },
  };
}

/** A stored take as it was measured. */
export const measurementOf = (
  { file }: MeasurementBody,
  { overall, channels, findings }: Omit<TakeDetailBody, "measurementId">,
): RecordingMeasurement => ({ file: file.name, format: file.format, overall, channels, findings });

/** The proof a rig has of the same file already. */
export function keptTake({ measurements }: ShootBundle, rigId: string, file: AudioFile): Stored<"measurement"> | null {
  return measurements.find(({ body }) => body.rigId === rigId && isSameFile(body.file, file)) ?? null;
}
