import type { Message } from "../message";

/** Why a value does not fit its schema: the field by its title, and what is allowed. */
export type FieldCatalogue = {
  "field.range": { field: string; minimum: number; maximum: number; unit: string | null };
  "field.least": { field: string; minimum: number; unit: string | null };
  "field.most": { field: string; maximum: number; unit: string | null };
  "field.oneOf": { field: string; values: readonly (string | number)[] };
  "field.missing": { field: string };
  "field.unknown": { field: string };
  "field.empty": { field: string };
  "field.date": { field: string };
  "field.time": { field: string };
  "field.id": { field: string };
  "field.type": { field: string; type: string };
  "field.tooLong": { field: string; most: number };
  "field.tooMany": { field: string; most: number };
  "field.tooFew": { field: string; least: number };
  "field.twice": { field: string };
  "field.unstorable": { field: string | null };
  "field.invalid": { field: string };
};
export type FieldMessage = Message<FieldCatalogue>;
