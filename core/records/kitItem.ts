import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { AnyKitFigures, KIT_KINDS } from "../devices";
import { oneOf } from "../schema";
import { Name, NullableId, strict } from "./fields";

export const KitItemBody = Type.Object(
  {
    /** Null: the crew's own, for every shoot; otherwise hired for this one. */
    shootId: NullableId,
    kind: oneOf(KIT_KINDS, "Kind"),
    name: Name("Device"),
    figures: AnyKitFigures,
  },
  strict,
);
export type KitItemBody = Static<typeof KitItemBody>;
