import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { PACK_PLACE_IDS } from "../body";
import { Aims, Choice, INTRUSIONS, Outfit, Performance } from "../dress";
import { oneOf } from "../schema";
import { CEILING_RANGE_DBFS, TARGET_RANGE_DBFS } from "./bounds";
import { Id, NullableId, strict } from "./fields";

export const CONSENTS = ["notAsked", "yes", "self", "no"] as const;

/** What a person was told and answered, for one scene. */
export const Consent = Type.Object(
  {
    answer: oneOf(CONSENTS, "Consent"),
    /** Told what will be touched, and that the microphone is live. */
    isExplained: Type.Boolean({ title: "Explained" }),
    agreedTo: oneOf(INTRUSIONS, "Agreed to"),
    askedBy: Type.String({ title: "Asked by", maxLength: 80 }),
    askedAt: Type.String({ title: "Asked at", maxLength: 40 }),
  },
  strict,
);
export type Consent = Static<typeof Consent>;

/** One wearer in one scene: how they perform, where the microphone goes, through which devices, to which target. */
export const RigBody = Type.Object(
  {
    shootId: Id,
    wearerId: Id,
    sceneId: Id,
    performance: Performance,
    /** What is worn in this scene where it differs from what the wearer usually wears; null: nothing differs. */
    outfit: Type.Union([Outfit, Type.Null()]),
    aims: Aims,
    choice: Type.Union([Choice, Type.Null()]),
    packPlace: Type.Union([oneOf(PACK_PLACE_IDS, "Pack"), Type.Null()]),
    isRigged: Type.Boolean(),
    consent: Consent,
    lavId: NullableId,
    packId: NullableId,
    receiverId: NullableId,
    inputId: NullableId,
    /** How much louder than usual they speak on this day, as measured; null: not measured. */
    voiceTodayDb: Type.Union([
      Type.Number({ title: "Voice today", unit: "dB", minimum: -40, maximum: 40 }),
      Type.Null(),
    ]),
    targetDbfs: Type.Number({ title: "Peaks at", ...TARGET_RANGE_DBFS }),
    ceilingDbfs: Type.Number({ title: "Never above", ...CEILING_RANGE_DBFS }),
  },
  strict,
);
export type RigBody = Static<typeof RigBody>;
