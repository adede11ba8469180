import * as Type from "@sinclair/typebox";
import { KNOB_IDS, LevelAdvice } from "../chain";
import { FINDING_KINDS, type FindingKind } from "../check";
import type { Message } from "../message";
import { oneOf } from "../schema";

const strict = { additionalProperties: false } as const;
const Db = Type.Number({ minimum: -400, maximum: 400 });
const Name = Type.String({ maxLength: 200 });
const Text = Type.String({ maxLength: 400 });

/** One knob to turn, dB: positive is up; and where it stands then. */
export const Turn = Type.Object(
  {
    knob: oneOf(KNOB_IDS, "Knob"),
    /** The device and its control by name. */
    device: Name,
    control: Type.String({ maxLength: 60 }),
    byDb: Db,
    to: Type.String({ maxLength: 60 }),
  },
  strict,
);
export type Turn = Type.Static<typeof Turn>;

/** Another place that would be better by the criterion a finding is about. */
export const Redress = Type.Object(
  {
    kind: oneOf(FINDING_KINDS, "Finding"),
    times: Type.Integer({ minimum: 0 }),
    durationS: Type.Number({ minimum: 0 }),
    from: Name,
    siteId: Type.String({ maxLength: 60 }),
    to: Name,
    rank: Type.Integer({ minimum: 1 }),
  },
  strict,
);
export type Redress = Type.Static<typeof Redress>;

/** What a verdict says: the worst that was found, what to turn, and where the microphone goes instead. */
export const Judged = Type.Object(
  {
    worst: Type.Union([oneOf(FINDING_KINDS, "Finding"), Type.Null()]),
    correction: Type.Object(
      {
        byDb: Type.Union([Db, Type.Null()]),
        isAtLeast: Type.Boolean(),
        turns: Type.Array(Turn, { maxItems: 12 }),
        /** What no knob cures. */
        advice: Type.Union([LevelAdvice, Type.Null()]),
      },
      strict,
    ),
    redress: Type.Union([Redress, Type.Null()]),
  },
  strict,
);
export type Judged = Type.Static<typeof Judged>;

/** What was said of a take by a release before. */
export const SaidBefore = Type.Object({ sentence: Text, correction: Text, redress: Text }, strict);
export type SaidBefore = Type.Static<typeof SaidBefore>;

export type ProofCatalogue = {
  "proof.verdict": { worst: FindingKind | null };
  "proof.correction": Judged["correction"];
  /** Only how far each control goes. */
  "proof.turns": { turns: Turn[] };
  "proof.redress": Redress;
  "proof.asWritten": { text: string };
  /** How a talent's sound went over a day. */
  "trend.voiceFell": { byDb: number };
  "trend.voiceRose": { byDb: number };
  "trend.noiseRose": { byDb: number };
  "trend.noiseFell": { byDb: number };
  "trend.rustleGrows": object;
  "trend.dropoutsGrow": object;
};
export type ProofMessage = Message<ProofCatalogue>;
