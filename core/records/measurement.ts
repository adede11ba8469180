import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { RecordingMeasurement, Review } from "../check";
import { Judged, SaidBefore } from "../proof";
import { oneOf } from "../schema";
import { AudioFile } from "./audioFile";

const strict = { additionalProperties: false } as const;
const Id = Type.String({ format: "uuid" });
const level = (title: string) => Type.Union([Type.Number({ minimum: -400, maximum: 1000 }), Type.Null()], { title });

/** A measured take of one rig, judged by its plan: what lists and plans need of it. */
export const MeasurementBody = Type.Object(
  {
    shootId: Id,
    rigId: Id,
    file: AudioFile,
    channel: Type.Integer({ minimum: 0, maximum: 63 }),
    /** What was measured on that channel. */
    measured: Type.Object(
      {
        peakDbfs: level("Peak, dBFS"),
        speechDbfs: level("Speech, dBFS (AES17)"),
        noiseDbfs: level("Noise, dBFS (AES17)"),
        snrDb: level("Speech over noise, dB"),
        pitchHz: Type.Union([Type.Number({ minimum: 0, maximum: 2000 }), Type.Null()]),
      },
      strict,
    ),
    /** What was planned when it was measured, so that later changes do not rewrite history. */
    planned: Type.Object(
      { peakDbfs: Type.Number(), speechDbfs: Type.Number(), noiseDbfs: Type.Number(), snrDb: Type.Number() },
      strict,
    ),
    grade: oneOf(["good", "usable", "redo"], "Verdict"),
    /** What the verdict says; of takes that a release before has judged, as it was said then. */
    said: Type.Union([Judged, SaidBefore]),
  },
  strict,
);
export type MeasurementBody = Static<typeof MeasurementBody>;

/** All that was measured of a take, and what was said of it: loaded when that take is looked at. */
export const TakeDetailBody = Type.Object(
  {
    shootId: Id,
    measurementId: Id,
    overall: RecordingMeasurement.properties.overall,
    channels: RecordingMeasurement.properties.channels,
    findings: RecordingMeasurement.properties.findings,
    /** What those who listened say of its findings. */
    reviews: Type.Array(Review, { maxItems: 500 }),
  },
  strict,
);
export type TakeDetailBody = Static<typeof TakeDetailBody>;
