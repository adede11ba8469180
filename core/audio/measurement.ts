import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";

const level = (title: string) => Type.Union([Type.Number({ minimum: -400, maximum: 1000 }), Type.Null()], { title });

/** What a finding is about. */
export const FindingKind = Type.Union([
  Type.Literal("clipped"),
  Type.Literal("overloadedEarlier"),
  Type.Literal("overFullScale"),
  Type.Literal("tooHot"),
  Type.Literal("tooLow"),
  Type.Literal("noisy"),
  Type.Literal("silent"),
  Type.Literal("dcOffset"),
  Type.Literal("brokenSamples"),
  Type.Literal("cutShort"),
]);
export type FindingKind = Static<typeof FindingKind>;

export const Finding = Type.Object(
  {
    kind: FindingKind,
    /** Channel index from 0; null when it concerns the file. */
    channel: Type.Union([Type.Integer({ minimum: 0, maximum: 31 }), Type.Null()]),
    startS: Type.Number({ minimum: 0 }),
    endS: Type.Number({ minimum: 0 }),
    severity: Type.Union([Type.Literal("note"), Type.Literal("warning"), Type.Literal("fault")]),
    /** How sure, 0…1. */
    confidence: Type.Number({ minimum: 0, maximum: 1 }),
    message: Type.String({ maxLength: 400 }),
    advice: Type.String({ maxLength: 400 }),
  },
  { additionalProperties: false },
);
export type Finding = Static<typeof Finding>;

export const ChannelMeasurement = Type.Object(
  {
    index: Type.Integer({ minimum: 0, maximum: 31 }),
    samplePeakDbfs: level("Sample peak, dBFS"),
    truePeakDbtp: level("True peak, dBTP"),
    integratedLufs: level("Integrated loudness, LUFS"),
    rmsDbfs: level("RMS, dBFS (AES17)"),
    speechLevelDbfs: level("Active speech level, dBFS (AES17)"),
    noiseFloorDbfs: level("Noise floor, dBFS (AES17)"),
    snrDb: level("Speech over noise, dB"),
    dcOffset: Type.Number({ title: "DC offset, share of full scale" }),
    clippedRuns: Type.Integer({ minimum: 0, title: "Clipped runs" }),
  },
  { additionalProperties: false },
);
export type ChannelMeasurement = Static<typeof ChannelMeasurement>;

/** A measured recording, as printed, stored and sent. A level of −∞ is null. */
export const RecordingMeasurement = Type.Object(
  {
    file: Type.String({ maxLength: 1024 }),
    format: Type.Object(
      {
        container: Type.String({ maxLength: 40 }),
        sampleRateHz: Type.Number({ minimum: 1 }),
        bitsPerSample: Type.Union([Type.Integer({ minimum: 1, maximum: 64 }), Type.Null()]),
        encoding: Type.String({ maxLength: 40 }),
        channels: Type.Integer({ minimum: 1, maximum: 32 }),
        durationS: Type.Number({ minimum: 0 }),
      },
      { additionalProperties: false },
    ),
    overall: Type.Object(
      {
        samplePeakDbfs: level("Sample peak, dBFS"),
        truePeakDbtp: level("True peak, dBTP"),
        integratedLufs: level("Integrated loudness, LUFS"),
        loudnessRangeLu: level("Loudness range, LU"),
      },
      { additionalProperties: false },
    ),
    channels: Type.Array(ChannelMeasurement, { minItems: 1, maxItems: 32 }),
    findings: Type.Array(Finding, { maxItems: 2000 }),
  },
  { additionalProperties: false },
);
export type RecordingMeasurement = Static<typeof RecordingMeasurement>;
