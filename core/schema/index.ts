/**
 * Tools for schemas: one-of, bounds, clean text, validation with messages for each field.
 */
export { clipText } from "./cleanText";
export type { FieldCatalogue, FieldMessage } from "./messages";
export { oneOf } from "./oneOf";
export { rowsById } from "./rowsById";
export { fits, schemaFaults, type SchemaFault } from "./validate";
