import * as Type from "@sinclair/typebox";
import { storedMessage, type Message, type StoredCatalogue } from "../message";

/** What makes the noise in a file. */
export const NOISE_ORIGINS = [
  "place",
  "capsule",
  "packInput",
  "radioLink",
  "converter",
  "recorderInput",
  "interfaceInput",
] as const;
export type NoiseOrigin = (typeof NOISE_ORIGINS)[number];

const Db = Type.Number({ minimum: -400, maximum: 400 });
const Name = Type.String({ maxLength: 200 });
const strict = { additionalProperties: false } as const;

/** What makes less arrive at a stage that clips: a knob before it, or another way in. */
const LessArrives = Type.Union([
  Type.Object({ turnDown: Name }, strict),
  Type.Object({ padDb: Type.Union([Db, Type.Null()]) }, strict),
]);
export type LessArrives = Type.Static<typeof LessArrives>;

/** What is said about levels on a way. Figures in dB, whole ones where something is too loud. */
const ADVICE = {
  "chain.lowerGain": { overDb: Db },
  /** Peaks pass the ceiling with everything at its lowest, or with nothing to turn. */
  "chain.stillTooHigh": { overDb: Db, hasKnob: Type.Boolean(), isFeed: Type.Boolean() },
  "chain.raiseGain": {},
  "chain.stillTooLow": { hasKnob: Type.Boolean(), isFeed: Type.Boolean() },
  "chain.capsuleOverloads": { overDb: Db },
  "chain.packOverloads": { overDb: Db },
  /** At its lowest sensitivity: how much less sensitive a capsule cures it. */
  "chain.packOverloadsAtLowest": { lessDb: Db },
  /** Behind it lies the system's level, which cures nothing. */
  "chain.computerClips": { overDb: Db, cure: Type.Union([Type.Literal("boostOff"), LessArrives]) },
  "chain.stageClips": { stage: Name, overDb: Db },
  "chain.tooLoudFor": { device: Name, overDb: Db, cure: LessArrives },
  "chain.noiseIsPlace": {},
  /** `origin`: one of ours, or a device by its name. */
  "chain.noiseIsFrom": { origin: Name },
} as const;

export const LevelAdvice = storedMessage(ADVICE);
export type LevelAdvice = Type.Static<typeof LevelAdvice>;

export type ChainCatalogue = StoredCatalogue<typeof ADVICE> & {
  "chain.overloadBelowNoise": { stage: string; device: string };
  "chain.littleRange": { stage: string; device: string; rangeDb: number };
  "chain.dynamicsIdle": object;
  "chain.dynamicsHold": { heldDb: number; noiseUpDb: number };
};
export type ChainMessage = Message<ChainCatalogue>;
