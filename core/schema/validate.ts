import type { Static, TSchema } from "@sinclair/typebox";
import Ajv, { type ErrorObject, type ValidateFunction } from "ajv";
import addFormats from "ajv-formats";
import { isStorable } from "./cleanText";

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
  ["date"],
);
// As the database writes them, so that one id has one spelling.
ajv.addFormat("uuid", /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/);

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
  const schema = (error.parentSchema ?? {}) as { minimum?: number; maximum?: number; format?: string };
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
    case "format":
      return schema.format === "date"
        ? `${titleOf(error)}: a date, such as 2027-05-11.`
        : `${titleOf(error)}: this is no id.`;
    case "pattern": {
      const says: unknown = (error.parentSchema as { patternSays?: unknown } | undefined)?.patternSays;
      return typeof says === "string" ? `${titleOf(error)}: ${says}.` : `${titleOf(error)} must not be empty.`;
    }
    default:
      return `${titleOf(error)} ${error.message ?? "is not right"}.`;
  }
}

const MOST_FAULTS = 20;

/** Texts in a value that no database stores: with control characters, or half characters at a limit of length. */
function textFaults(value: unknown, path: readonly string[], faults: SchemaFault[], titles: unknown): void {
  if (faults.length >= MOST_FAULTS) return;
  // What may be anything is judged by a schema of its own.
  if (titles !== undefined && Object.keys(titles as object).length === 0) return;
  if (typeof value === "string") {
    if (isStorable(value)) return;
    const title = (titles as { title?: string } | undefined)?.title ?? path.at(-1) ?? "This";
    faults.push({ path: path.join("."), message: `${title}: it holds a character that cannot be stored.` });
  } else if (Array.isArray(value)) {
    const items = (titles as { items?: unknown } | undefined)?.items;
    value.forEach((each, index) => textFaults(each, [...path, String(index)], faults, items));
  } else if (typeof value === "object" && value !== null) {
    const properties = (titles as { properties?: Record<string, unknown> } | undefined)?.properties;
    for (const [key, each] of Object.entries(value)) {
      if (isStorable(key)) textFaults(each, [...path, key], faults, properties?.[key]);
      else faults.push({ path: path.join("."), message: "It holds a character that cannot be stored." });
    }
  }
}

/** Faults of a value against a schema; an empty list means it fits. */
export function schemaFaults(schema: TSchema, value: unknown): SchemaFault[] {
  let validate = compiled.get(schema);
  if (!validate) {
    validate = ajv.compile(schema);
    compiled.set(schema, validate);
  }
  if (validate(value)) {
    const faults: SchemaFault[] = [];
    textFaults(value, [], faults, schema);
    return faults;
  }
  return (validate.errors ?? [])
    .filter((error) => error.keyword !== "anyOf")
    .slice(0, MOST_FAULTS)
    .map((error) => ({
      path: error.instancePath.slice(1).replaceAll("/", "."),
      message: wordsFor(error),
    }));
}

/** Whether a value fits a schema. */
export function fits<Schema extends TSchema>(schema: Schema, value: unknown): value is Static<Schema> {
  return schemaFaults(schema, value).length === 0;
}
