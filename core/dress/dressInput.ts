import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { PACK_PLACE_IDS } from "../body";
import { PlaceModel } from "../room";
import { oneOf } from "../schema";
import { Aims } from "./aims";
import { Capsule, CarriedPack, INTRUSIONS, Outfit, Performance, Person } from "./outfit";

/** Everything the placement of one microphone depends on. */
export const DressInput = Type.Object(
  {
    person: Person,
    voiceOffsetDb: Type.Number({ minimum: -15, maximum: 15, title: "Voice" }),
    outfit: Outfit,
    performance: Performance,
    /** Null while nobody has scouted it: a living room is assumed. */
    place: Type.Union([PlaceModel, Type.Null()]),
    capsule: Capsule,
    /** Left out: a pack as usual. */
    pack: Type.Optional(CarriedPack),
    aims: Aims,
    agreedTo: oneOf(INTRUSIONS, "Agreed to"),
    /** Null leaves it to the program. */
    packPlace: Type.Union([oneOf(PACK_PLACE_IDS, "Pack"), Type.Null()]),
  },
  { additionalProperties: false },
);
export type DressInput = Static<typeof DressInput>;
