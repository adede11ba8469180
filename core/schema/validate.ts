import type { Static, TSchema } from "@sinclair/typebox";
import Ajv, { type ErrorObject, type ValidateFunction } from "ajv";
import addFormats from "ajv-formats";
import { UUID } from "./formats";
import type { FieldMessage } from "./messages";
import { MOST_FAULTS, textFaults, type SchemaFault } from "./textFaults";

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
ajv.addFormat("uuid", UUID);

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

/** Faults of a value against a schema; an empty list means it fits. */
export function schemaFaults(schema: TSchema, value: unknown): SchemaFault[] {
  let validate = compiled.get(schema);
  if (!validate) {
    validate = ajv.compile(schema);
    compiled.set(schema, validate);
  }
  if (validate(value)) return textFaults(schema, value);
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
