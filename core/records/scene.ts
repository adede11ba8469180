import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { ClockTime } from "../schedule";
import { LENGTH_RANGE_MIN, TAKE_RANGE_MIN } from "./bounds";
import { Id, Name, NullableId, strict } from "./fields";

export const SceneBody = Type.Object(
  {
    shootId: Id,
    title: Name("Scene"),
    placeId: NullableId,
    /** Day of the shoot, from 1. */
    day: Type.Integer({ title: "Day", minimum: 1, maximum: 365 }),
    /** When the camera rolls, 24 hours, "HH:MM". */
    startsAt: ClockTime("Starts at"),
    /** Sound that is wanted clean, and the longest take of it, min. */
    lengthMin: Type.Number({ title: "Length", unit: "min", ...LENGTH_RANGE_MIN }),
    takeMin: Type.Number({ title: "Longest take", unit: "min", ...TAKE_RANGE_MIN }),
  },
  strict,
);
export type SceneBody = Static<typeof SceneBody>;
