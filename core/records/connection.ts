import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { Rehearsal, STEP_IDS } from "../rehearsal";
import { oneOf } from "../schema";
import { RangeWish } from "../wireless";
import { Id, strict } from "./fields";

/** A step of the walk that is done: on the real devices, or rehearsed; and what it holds for. */
export const StepDone = Type.Object(
  {
    step: oneOf(STEP_IDS, "Step"),
    how: oneOf(["real", "rehearsed"], "How"),
    at: Type.String({ maxLength: 40 }),
    holdsFor: Type.String({ maxLength: 400 }),
  },
  strict,
);
export type StepDone = Static<typeof StepDone>;

/** How one link is connected and how far its pairing is. */
export const ConnectionBody = Type.Object(
  {
    shootId: Id,
    linkId: Type.String({ minLength: 1, maxLength: 40 }),
    /** A generic one, an own one of the kit, or a way of not knowing. */
    sourceId: Type.String({ title: "From", minLength: 1, maxLength: 60 }),
    inputId: Type.String({ title: "Into", minLength: 1, maxLength: 60 }),
    steps: Type.Array(StepDone, { maxItems: STEP_IDS.length }),
    rehearsal: Type.Union([Rehearsal, Type.Null()]),
    /** How far it has to reach; null: across its place. */
    range: Type.Union([RangeWish, Type.Null()]),
  },
  strict,
);
export type ConnectionBody = Static<typeof ConnectionBody>;
