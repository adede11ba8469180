import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";

/** What a recording of a place without voices proved. */
export const MeasuredTone = Type.Object(
  {
    file: Type.String({ maxLength: 200 }),
    /** By octave 125…8k: dB SPL when calibrated, else dB re full scale. */
    octavesDb: Type.Array(Type.Number({ minimum: -200, maximum: 150 }), { minItems: 7, maxItems: 7 }),
    isCalibrated: Type.Boolean({ title: "Calibrated" }),
    seconds: Type.Number({ minimum: 0, maximum: 100000 }),
    /** Mains hum heard, Hz, with its harmonics that stand out. */
    humHz: Type.Array(Type.Number({ minimum: 40, maximum: 500 }), { maxItems: 8 }),
    /** How it changes over the recording, dB a minute. */
    trendDbPerMin: Type.Number({ minimum: -200, maximum: 200 }),
  },
  { additionalProperties: false },
);
export type MeasuredTone = Static<typeof MeasuredTone>;
