import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { Outfit, Person } from "../dress";
import { THREADS, VOICE_RANGE_DB } from "./bounds";
import { Id, Name, strict } from "./fields";

export const WearerBody = Type.Object(
  {
    shootId: Id,
    name: Name("Name"),
    ...Person.properties,
    voiceOffsetDb: Type.Number({ title: "Voice", ...VOICE_RANGE_DB }),
    thread: Type.Integer({ minimum: 0, maximum: THREADS - 1 }),
    outfit: Outfit,
  },
  strict,
);
export type WearerBody = Static<typeof WearerBody>;
