import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { Cause } from "./causes";
import { FindingKind } from "./kinds";
import { FindingAdvice, FindingWhat } from "./messages";

const level = (title: string) => Type.Union([Type.Number({ minimum: -400, maximum: 1000 }), Type.Null()], { title });

export const Finding = Type.Object(
  {
    kind: FindingKind,
    /** Channel index from 0; null when it concerns the file. */
    channel: Type.Union([Type.Integer({ minimum: 0, maximum: 63 }), Type.Null()]),
    /** The other channel, where a finding is about two. */
    otherChannel: Type.Optional(Type.Integer({ minimum: 0, maximum: 63 })),
    startS: Type.Number({ minimum: 0 }),
    endS: Type.Number({ minimum: 0 }),
    severity: Type.Union([Type.Literal("note"), Type.Literal("warning"), Type.Literal("fault")]),
    /** How sure, 0…1. */
    confidence: Type.Number({ minimum: 0, maximum: 1 }),
    /** What it says beyond how its kind sounds. */
    what: Type.Optional(FindingWhat),
    /** What to do instead of what its kind asks for. */
    advice: Type.Optional(FindingAdvice),
    /** What is likeliest behind it in this talent's chain. */
    cause: Type.Optional(Cause),
  },
  { additionalProperties: false },
);
export type Finding = Static<typeof Finding>;

/** A stretch of a recording, for trends: what it was like and what happened in it. */
export const CoursePoint = Type.Object(
  {
    startS: Type.Number({ minimum: 0 }),
    speechDbfs: level("Speech, dBFS (AES17)"),
    noiseDbfs: level("Noise, dBFS (AES17)"),
    rustles: Type.Integer({ minimum: 0 }),
    dropouts: Type.Integer({ minimum: 0 }),
  },
  { additionalProperties: false },
);
export type CoursePoint = Static<typeof CoursePoint>;

export const ChannelMeasurement = Type.Object(
  {
    index: Type.Integer({ minimum: 0, maximum: 63 }),
    samplePeakDbfs: level("Sample peak, dBFS"),
    truePeakDbtp: level("True peak, dBTP"),
    integratedLufs: level("Integrated loudness, LUFS"),
    rmsDbfs: level("RMS, dBFS (AES17)"),
    speechLevelDbfs: level("Active speech level, dBFS (AES17)"),
    noiseFloorDbfs: level("Noise floor, dBFS (AES17)"),
    snrDb: level("Speech over noise, dB"),
    dcOffset: Type.Number({ title: "DC offset, share of full scale" }),
    clippedRuns: Type.Integer({ minimum: 0, title: "Clipped runs" }),
    /** The voice's own highest peak, within a quarter of a decibel; null where there was too little voice. */
    voicePeakDbfs: Type.Optional(level("Voice's peak, dBFS")),
    /** Share of the time in which somebody speaks. */
    speechShare: Type.Optional(Type.Number({ minimum: 0, maximum: 1 })),
    /** How fast phrases die away, dB/s; null where no phrase told. */
    decayDbPerS: Type.Optional(Type.Union([Type.Number(), Type.Null()])),
    /** Median pitch of the clear voice, Hz; null where there was too little of it. */
    pitchHz: Type.Optional(Type.Union([Type.Number({ minimum: 0 }), Type.Null()])),
    /** Speech spectrum by third-octave 125 Hz to 16 kHz re its own 400 Hz to 1.6 kHz, dB; empty without speech. */
    colourDb: Type.Optional(Type.Array(Type.Number(), { maxItems: 22 })),
    /** Noise by octave 125 Hz to 8 kHz in pauses, dBFS (AES17); empty without pauses. */
    noiseOctavesDbfs: Type.Optional(Type.Array(Type.Number(), { maxItems: 7 })),
    /** How many findings of places there are of each kind, listed or not. */
    counts: Type.Optional(Type.Record(Type.String(), Type.Integer({ minimum: 0 }))),
    /** Level, noise and events through the recording. */
    course: Type.Optional(Type.Array(CoursePoint, { maxItems: 400 })),
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
        channels: Type.Integer({ minimum: 1, maximum: 64 }),
        durationS: Type.Number({ minimum: 0 }),
        /** When the recording began, seconds after midnight by its own clock; null when the file does not say. */
        startedAtS: Type.Optional(Type.Union([Type.Number({ minimum: 0 }), Type.Null()])),
      },
      { additionalProperties: false },
    ),
    overall: Type.Object(
      {
        samplePeakDbfs: level("Sample peak, dBFS"),
        truePeakDbtp: level("True peak, dBTP"),
        integratedLufs: level("Integrated loudness, LUFS"),
        loudnessRangeLu: level("Loudness range, LU"),
        /** Chosen tracks as one programme. */
        mix: Type.Optional(
          Type.Object(
            {
              /** From 1, as tracks are numbered. */
              tracks: Type.Array(Type.Integer({ minimum: 1, maximum: 64 }), { minItems: 1, maxItems: 64 }),
              integratedLufs: level("Integrated loudness, LUFS"),
              loudnessRangeLu: level("Loudness range, LU"),
            },
            { additionalProperties: false },
          ),
        ),
      },
      { additionalProperties: false },
    ),
    channels: Type.Array(ChannelMeasurement, { minItems: 1, maxItems: 64 }),
    findings: Type.Array(Finding, { maxItems: 2000 }),
  },
  { additionalProperties: false },
);
export type RecordingMeasurement = Static<typeof RecordingMeasurement>;
