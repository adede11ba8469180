/**
 * Tools for schemas: one-of, bounds, clean text, validation with messages for each field.
 */
export { cleanText, clipText } from "./cleanText";
export { fitsInterpreted, interpretedFaults } from "./interpret";
export type { FieldCatalogue, FieldMessage } from "./messages";
export { oneOf } from "./oneOf";
export { rowsById } from "./rowsById";
export type { SchemaFault } from "./textFaults";
export { fits, schemaFaults } from "./validate";
