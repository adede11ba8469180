import type { Static, TSchema } from "@sinclair/typebox";
import { schemaFaults } from "../core/schema";
import { Fault } from "./faults";

/** Takes a value from outside through the door of a schema, or refuses it with every field named. */
export function accept<Schema extends TSchema>(schema: Schema, value: unknown): Static<Schema> {
  const fields = schemaFaults(schema, value);
  if (fields.length > 0) throw new Fault("invalid", fields[0]!.says, { fields });
  return value;
}
