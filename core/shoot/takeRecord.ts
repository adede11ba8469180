import type { RecordingMeasurement } from "../check/measurement";
import type { Review } from "../check/review";
import type { LevelPlan } from "../chain/levelPlan";
import type { JudgedTake } from "../proof/judgeTake";
import type { MeasurementBody, ShootBundle, Stored } from "./records";
import { clipText } from "../schema/cleanText";

/** Findings that are kept of one take; the counts know of all. */
const MOST_KEPT = 600;

/**
 * A judged take as it is kept: figures as measured, findings as the plan has them, and what was said of them. Of other channels
 * only the figures: their course and colour are theirs to keep.
 */
export function takeRecord(
  ids: Pick<MeasurementBody, "shootId" | "rigId">,
  measurement: RecordingMeasurement,
  { peakDbfs, speechDbfs, noiseDbfs, snrDb }: LevelPlan,
  { verdict, findings, redress }: JudgedTake,
  reviews: readonly Review[],
): MeasurementBody {
  const others = measurement.findings.filter(({ channel }) => channel !== null && channel !== verdict.channel);
  return {
    ...ids,
    channel: verdict.channel,
    recording: {
      ...measurement,
      channels: measurement.channels.map((channel) =>
        channel.index === verdict.channel ? channel : { ...channel, course: [], colourDb: [] },
      ),
      findings: [...findings, ...others].slice(0, MOST_KEPT),
    },
    planned: { peakDbfs, speechDbfs, noiseDbfs, snrDb },
    grade: verdict.grade,
    sentence: verdict.sentence,
    correction: clipText(verdict.correctionSays, 400),
    reviews: reviews.slice(-500),
    redress: clipText(redress?.says ?? "", 400),
  };
}

/** The proof a rig has of the same take already: same name, same length. */
export function keptTake(
  { measurements }: ShootBundle,
  rigId: string,
  { file, format }: RecordingMeasurement,
): Stored<"measurement"> | null {
  const isSame = ({ body }: Stored<"measurement">) =>
    body.rigId === rigId && body.recording.file === file && body.recording.format.durationS === format.durationS;
  return measurements.find(isSame) ?? null;
}
