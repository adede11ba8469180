import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { PickupSetup, PickupWishes } from "../pickup";
import { Id, strict } from "./fields";

/** Microphones of one scene that nobody wears: who talks where, what is placed where, what the picture allows. */
export const PickupBody = Type.Object({ shootId: Id, sceneId: Id, setup: PickupSetup, wishes: PickupWishes }, strict);
export type PickupBody = Static<typeof PickupBody>;
