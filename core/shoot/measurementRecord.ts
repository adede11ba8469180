import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { RecordingMeasurement } from "../check/measurement";
import { Review } from "../check/review";
import { oneOf } from "../schema/oneOf";

const strict = { additionalProperties: false } as const;
const Id = Type.String({ format: "uuid" });

/** A measured take of one rig, judged by its plan. */
export const MeasurementBody = Type.Object(
  {
    shootId: Id,
    rigId: Id,
    channel: Type.Integer({ minimum: 0, maximum: 63 }),
    recording: RecordingMeasurement,
    /** What was planned when it was measured, so that later changes do not rewrite history. */
    planned: Type.Object(
      { peakDbfs: Type.Number(), speechDbfs: Type.Number(), noiseDbfs: Type.Number(), snrDb: Type.Number() },
      strict,
    ),
    grade: oneOf(["good", "usable", "redo"], "Verdict"),
    sentence: Type.String({ maxLength: 400 }),
    correction: Type.String({ maxLength: 400 }),
    /** What those who listened say of its findings. */
    reviews: Type.Array(Review, { maxItems: 500 }),
    /** Another place for the microphone that what was found asks for; empty: none. */
    redress: Type.String({ maxLength: 400 }),
  },
  strict,
);
export type MeasurementBody = Static<typeof MeasurementBody>;
