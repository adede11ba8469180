import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { Id, strict } from "./fields";

/** What has gone into the bag, and what has come back; one for a shoot. */
export const PackingBody = Type.Object(
  {
    shootId: Id,
    lines: Type.Array(
      Type.Object(
        {
          key: Type.String({ minLength: 1, maxLength: 80 }),
          packed: Type.Integer({ title: "Packed", minimum: 0, maximum: 999 }),
          isBack: Type.Boolean({ title: "Back" }),
        },
        strict,
      ),
      { maxItems: 400 },
    ),
  },
  strict,
);
export type PackingBody = Static<typeof PackingBody>;
