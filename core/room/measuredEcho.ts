import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import type { ClapAnalysis, ClapBand } from "./clap";
import { clipText } from "../schema";
import { ClapRemark } from "./messages";

const strict = { additionalProperties: false } as const;
const MAX_POINTS = 120;

/** One octave of a measured decay as it is kept: the time, the line through it, and the curve for its drawing. */
export const MeasuredDecay = Type.Object(
  {
    hz: Type.Number({ minimum: 100, maximum: 5000 }),
    timeS: Type.Number({ minimum: 0.02, maximum: 30 }),
    evaluation: Type.Union([Type.Literal("t20"), Type.Literal("t30")]),
    fromS: Type.Number({ minimum: 0, maximum: 30 }),
    toS: Type.Number({ minimum: 0, maximum: 30 }),
    fromDb: Type.Number({ minimum: -120, maximum: 20 }),
    toDb: Type.Number({ minimum: -120, maximum: 20 }),
    stepS: Type.Number({ minimum: 0, maximum: 1 }),
    curveDb: Type.Array(Type.Number({ minimum: -200, maximum: 20 }), { maxItems: MAX_POINTS }),
  },
  strict,
);
export type MeasuredDecay = Static<typeof MeasuredDecay>;

/** What a clap proved of a place. */
export const MeasuredEcho = Type.Object(
  {
    file: Type.String({ maxLength: 200 }),
    decays: Type.Array(MeasuredDecay, { minItems: 1, maxItems: 6 }),
    remarks: Type.Array(ClapRemark, { maxItems: 8 }),
  },
  strict,
);
export type MeasuredEcho = Static<typeof MeasuredEcho>;

/** Every how-manieth point is kept, so that a curve stays small. */
function thinned({ curveDb, stepS }: ClapBand): Pick<MeasuredDecay, "curveDb" | "stepS"> {
  const every = Math.ceil(curveDb.length / MAX_POINTS);
  return { curveDb: curveDb.filter((_, index) => index % every === 0), stepS: stepS * every };
}

/** What is kept of a clap's analysis. */
export function echoFrom(file: string, { bands, remarks }: ClapAnalysis): MeasuredEcho {
  const decays = bands.flatMap((band): MeasuredDecay[] => {
    const { fit, evaluation, hz } = band;
    if (!fit || !evaluation) return [];
    const { timeS, fromS, toS, fromDb, toDb } = fit;
    return [{ hz, timeS, evaluation, fromS, toS, fromDb, toDb, ...thinned(band) }];
  });
  return { file: clipText(file, 200), decays, remarks: remarks.slice(0, 8) };
}
