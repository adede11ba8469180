import type { Static, TSchema } from "@sinclair/typebox";
import Ajv, { type ErrorObject, type ValidateFunction } from "ajv";
import addFormats from "ajv-formats";
import { isStorable } from "./cleanText";
import type { FieldMessage } from "./messages";

export interface SchemaFault {
  /** Where, as a dotted path; empty for the whole. */
  path: string;
  says: FieldMessage;
}

const ajv = addFormats(
  new Ajv({
    allErrors: true,
    strict: true,
    strictTypes: false,
    verbose: true,
    keywords: ["unit", "step", "patternCode"],
  }),
  ["date"],
);
// As the database writes them, so that one id has one spelling.
ajv.addFormat("uuid", /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/);

const compiled = new WeakMap<TSchema, ValidateFunction>();

type Parent = {
  title?: unknown;
  unit?: unknown;
  minimum?: number;
  maximum?: number;
  format?: string;
  patternCode?: unknown;
};

function titleOf(error: ErrorObject): string {
  const { title } = error.parentSchema as Parent;
  return typeof title === "string" ? title : (error.instancePath.split("/").filter(Boolean).at(-1) ?? "This");
}

/** One schema error, with what is allowed. */
function messageOf(error: ErrorObject): FieldMessage {
  const { minimum, maximum, format, patternCode, ...parent } = error.parentSchema as Parent;
  const unit = typeof parent.unit === "string" ? parent.unit : null;
  const params = error.params as Record<string, unknown>;
  const field = titleOf(error);
  switch (error.keyword) {
    case "minimum":
    case "maximum":
      if (minimum === undefined) return { code: "field.most", field, maximum: maximum!, unit };
      if (maximum === undefined) return { code: "field.least", field, minimum, unit };
      return { code: "field.range", field, minimum, maximum, unit };
    case "const":
      return { code: "field.oneOf", field, values: [params["allowedValue"] as string | number] };
    case "enum":
      return { code: "field.oneOf", field, values: params["allowedValues"] as (string | number)[] };
    case "required":
      return { code: "field.missing", field: params["missingProperty"] as string };
    case "additionalProperties":
      return { code: "field.unknown", field: params["additionalProperty"] as string };
    case "minLength":
      return { code: "field.empty", field };
    case "maxLength":
      return { code: "field.tooLong", field, most: params["limit"] as number };
    case "maxItems":
      return { code: "field.tooMany", field, most: params["limit"] as number };
    case "minItems":
      return { code: "field.tooFew", field, least: params["limit"] as number };
    case "uniqueItems":
      return { code: "field.twice", field };
    case "type":
      return { code: "field.type", field, type: String(params["type"]) };
    case "format":
      return { code: format === "date" ? "field.date" : "field.id", field };
    case "pattern":
      return { code: patternCode === "time" ? "field.time" : "field.empty", field };
    default:
      return { code: "field.invalid", field };
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
    const field = (titles as { title?: string } | undefined)?.title ?? path.at(-1) ?? "This";
    faults.push({ path: path.join("."), says: { code: "field.unstorable", field } });
  } else if (Array.isArray(value)) {
    const items = (titles as { items?: unknown } | undefined)?.items;
    value.forEach((each, index) => textFaults(each, [...path, String(index)], faults, items));
  } else if (typeof value === "object" && value !== null) {
    const properties = (titles as { properties?: Record<string, unknown> } | undefined)?.properties;
    for (const [key, each] of Object.entries(value)) {
      if (isStorable(key)) textFaults(each, [...path, key], faults, properties?.[key]);
      else faults.push({ path: path.join("."), says: { code: "field.unstorable", field: null } });
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
      says: messageOf(error),
    }));
}

/** Whether a value fits a schema. */
export function fits<Schema extends TSchema>(schema: Schema, value: unknown): value is Static<Schema> {
  return schemaFaults(schema, value).length === 0;
}
