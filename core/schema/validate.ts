import type { Static, TSchema } from "@sinclair/typebox";
import Ajv, { type ErrorObject, type ValidateFunction } from "ajv";
import addFormats from "ajv-formats";

export interface SchemaFault {
  /** Where, as a dotted path; empty for the whole. */
  path: string;
  message: string;
}

const ajv = addFormats(
  new Ajv({
    allErrors: true,
    strict: true,
    strictTypes: false,
    verbose: true,
    keywords: ["unit", "step", "patternSays"],
  }),
  ["uuid", "date"],
);
const compiled = new WeakMap<TSchema, ValidateFunction>();

function titleOf(error: ErrorObject): string {
  const title: unknown = (error.parentSchema as { title?: unknown } | undefined)?.title;
  return typeof title === "string" ? title : (error.instancePath.split("/").filter(Boolean).at(-1) ?? "This");
}

function unitOf(error: ErrorObject): string {
  const unit: unknown = (error.parentSchema as { unit?: unknown } | undefined)?.unit;
  return typeof unit === "string" ? ` ${unit}` : "";
}

/** One schema error in plain words, with what is allowed. */
function wordsFor(error: ErrorObject): string {
  const schema = (error.parentSchema ?? {}) as { minimum?: number; maximum?: number };
  switch (error.keyword) {
    case "minimum":
    case "maximum":
      return schema.minimum !== undefined && schema.maximum !== undefined
        ? `${titleOf(error)}: ${schema.minimum} to ${schema.maximum}${unitOf(error)}.`
        : `${titleOf(error)} ${error.message ?? "is out of range"}.`;
    case "enum":
      return `${titleOf(error)}: one of ${(error.params as { allowedValues: unknown[] }).allowedValues.join(", ")}.`;
    case "required":
      return `${(error.params as { missingProperty: string }).missingProperty} is missing.`;
    case "additionalProperties":
      return `${(error.params as { additionalProperty: string }).additionalProperty} is not known here.`;
    case "minLength":
      return `${titleOf(error)} must not be empty.`;
    case "pattern": {
      const says: unknown = (error.parentSchema as { patternSays?: unknown } | undefined)?.patternSays;
      return typeof says === "string" ? `${titleOf(error)}: ${says}.` : `${titleOf(error)} must not be empty.`;
    }
    default:
      return `${titleOf(error)} ${error.message ?? "is not right"}.`;
  }
}

/** Faults of a value against a schema; an empty list means it fits. */
export function schemaFaults(schema: TSchema, value: unknown): SchemaFault[] {
  let validate = compiled.get(schema);
  if (!validate) {
    validate = ajv.compile(schema);
    compiled.set(schema, validate);
  }
  if (validate(value)) return [];
  return (validate.errors ?? [])
    .filter((error) => error.keyword !== "anyOf")
    .slice(0, 20)
    .map((error) => ({
      path: error.instancePath.slice(1).replaceAll("/", "."),
      message: wordsFor(error),
    }));
}

/** Whether a value fits a schema. */
export function fits<Schema extends TSchema>(schema: Schema, value: unknown): value is Static<Schema> {
  return schemaFaults(schema, value).length === 0;
}
