import type { TSchema } from "@sinclair/typebox";
import { isStorable } from "./cleanText";
import type { FieldMessage } from "./messages";

export interface SchemaFault {
  /** Where, as a dotted path; empty for the whole. */
  path: string;
  says: FieldMessage;
}

/** So many faults of one value are told. */
export const MOST_FAULTS = 20;

/** Texts in a value that no database stores: with control characters, or half characters at a limit of length. */
function addFaults(value: unknown, path: readonly string[], faults: SchemaFault[], titles: unknown): void {
  if (faults.length >= MOST_FAULTS) return;
  // What may be anything is judged by a schema of its own.
  if (titles !== undefined && Object.keys(titles as object).length === 0) return;
  if (typeof value === "string") {
    if (isStorable(value)) return;
    const field = (titles as { title?: string } | undefined)?.title ?? path.at(-1) ?? "This";
    faults.push({ path: path.join("."), says: { code: "field.unstorable", field } });
  } else if (Array.isArray(value)) {
    const items = (titles as { items?: unknown } | undefined)?.items;
    value.forEach((each, index) => addFaults(each, [...path, String(index)], faults, items));
  } else if (typeof value === "object" && value !== null) {
    const properties = (titles as { properties?: Record<string, unknown> } | undefined)?.properties;
    for (const [key, each] of Object.entries(value)) {
      if (isStorable(key)) addFaults(each, [...path, key], faults, properties?.[key]);
      else faults.push({ path: path.join("."), says: { code: "field.unstorable", field: null } });
    }
  }
}

/** Faults of the texts in a value that is else as its schema wants it. */
export function textFaults(schema: TSchema, value: unknown): SchemaFault[] {
  const faults: SchemaFault[] = [];
  addFaults(value, [], faults, schema);
  return faults;
}
