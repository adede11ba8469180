import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";

const strict = { additionalProperties: false } as const;
const Seconds = Type.Number({ minimum: 0, maximum: 90_000 });
/** From and to, seconds of the recording. */
const Places = Type.Array(Type.Tuple([Seconds, Seconds]), { maxItems: 2000 });

export const LowCut = Type.Object(
  { kind: Type.Literal("lowCut"), cornerHz: Type.Number({ minimum: 20, maximum: 200 }) },
  strict,
);
export const HumNotches = Type.Object(
  {
    kind: Type.Literal("hum"),
    /** Each with the width at which it is 3 dB down. */
    lines: Type.Array(
      Type.Object(
        {
          hz: Type.Number({ minimum: 10, maximum: 4000 }),
          widthHz: Type.Number({ minimum: 0.1, maximum: 20 }),
        },
        strict,
      ),
      { maxItems: 40 },
    ),
  },
  strict,
);
/** No bin is taken down further. */
export const Noise = Type.Object(
  { kind: Type.Literal("noise"), byDb: Type.Number({ minimum: 1, maximum: 24 }) },
  strict,
);
export const Pops = Type.Object({ kind: Type.Literal("pops"), places: Places }, strict);
export const Gaps = Type.Object({ kind: Type.Literal("gaps"), places: Places }, strict);
/** Drawn in from what is around: a guess. */
export const Clipping = Type.Object({ kind: Type.Literal("clipping"), places: Places }, strict);
/** Slow gain through the recording, straight between points. */
export const EvenOut = Type.Object(
  {
    kind: Type.Literal("evenOut"),
    points: Type.Array(Type.Tuple([Seconds, Type.Number({ minimum: -12, maximum: 12 })]), { maxItems: 20_000 }),
  },
  strict,
);

/** What is done to a channel, with its amounts. */
export const Treatment = Type.Union([LowCut, HumNotches, Noise, Pops, Gaps, Clipping, EvenOut]);
export type Treatment = Static<typeof Treatment>;
export type TreatmentKind = Treatment["kind"];

/** In the order in which they are done: what later ones measure is not spoilt by what earlier ones take away. */
export const TREATMENT_ORDER: readonly TreatmentKind[] = [
  "gaps",
  "clipping",
  "lowCut",
  "hum",
  "pops",
  "noise",
  "evenOut",
];

/** What is done to a recording, channel by channel. */
export const CleaningPlan = Type.Object(
  {
    channels: Type.Array(
      Type.Object(
        {
          channel: Type.Integer({ minimum: 0, maximum: 63 }),
          treatments: Type.Array(Treatment, { maxItems: 7 }),
        },
        strict,
      ),
      { maxItems: 64 },
    ),
  },
  strict,
);
export type CleaningPlan = Static<typeof CleaningPlan>;
