import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { PlaceModel } from "../room";
import { Id, Name, strict } from "./fields";

export const PlaceBody = Type.Object({ shootId: Id, name: Name("Place"), model: PlaceModel }, strict);
export type PlaceBody = Static<typeof PlaceBody>;
