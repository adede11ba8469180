import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { Id, strict } from "./fields";

/** A day's sound as it was handed over: copied, read back and compared; the files themselves are where they were put. */
export const DeliveryBody = Type.Object(
  {
    shootId: Id,
    day: Type.Integer({ title: "Day", minimum: 1, maximum: 365 }),
    /** When it was finished, ISO 8601 in UTC. */
    at: Type.String({ maxLength: 24, pattern: "^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}\\.\\d{3}Z$" }),
    /** What the folder is called. */
    folder: Type.String({ title: "Folder", maxLength: 255 }),
    takes: Type.Integer({ title: "Takes", minimum: 0, maximum: 100_000 }),
    files: Type.Integer({ title: "Files", minimum: 0, maximum: 1_000_000 }),
    bytes: Type.Integer({ title: "Bytes", minimum: 0, maximum: Number.MAX_SAFE_INTEGER }),
    /** Files that are not what was read; none is what makes it a delivery. */
    faults: Type.Integer({ title: "Faults", minimum: 0, maximum: 1_000_000 }),
    /** Hash of the list of hashes: tells this copy from any other. */
    manifest: Type.String({ maxLength: 64, pattern: "^[0-9a-f]{64}$" }),
  },
  strict,
);
export type DeliveryBody = Static<typeof DeliveryBody>;
