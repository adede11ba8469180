import { FormatRegistry, TypeRegistry, type Static, type TSchema } from "@sinclair/typebox";
import { Errors, ValueErrorType, type ValueError } from "@sinclair/typebox/errors";
import { isDate, UUID } from "./formats";
import type { FieldMessage } from "./messages";
import { MOST_FAULTS, textFaults, type SchemaFault } from "./textFaults";

const inEnum = ({ enum: values }: { enum?: readonly unknown[] }, value: unknown) => values?.includes(value) ?? true;

FormatRegistry.Set("uuid", (text) => UUID.test(text));
FormatRegistry.Set("date", isDate);
TypeRegistry.Set("Unsafe", inEnum);

type Bounds = TSchema & {
  unit?: unknown;
  minimum?: number;
  maximum?: number;
  patternCode?: unknown;
};

const pathOf = ({ path }: ValueError): string[] =>
  path
    .split("/")
    .slice(1)
    .map((part) => part.replaceAll("~1", "/").replaceAll("~0", "~"));

function boundsOf(field: string, schema: Bounds): FieldMessage {
  const { minimum, maximum } = schema;
  const unit = typeof schema.unit === "string" ? schema.unit : null;
  if (minimum === undefined) return { code: "field.most", field, maximum: maximum!, unit };
  if (maximum === undefined) return { code: "field.least", field, minimum, unit };
  return { code: "field.range", field, minimum, maximum, unit };
}

function messageOf(error: ValueError): FieldMessage {
  const schema = error.schema as Bounds;
  const own = pathOf(error).at(-1);
  const field = schema.title ?? own ?? "This";
  switch (error.type) {
    case ValueErrorType.IntegerMinimum:
    case ValueErrorType.IntegerMaximum:
    case ValueErrorType.NumberMinimum:
    case ValueErrorType.NumberMaximum:
      return boundsOf(field, schema);
    case ValueErrorType.Literal:
      return { code: "field.oneOf", field, values: [schema["const"] as string | number] };
    case ValueErrorType.Kind:
      return { code: "field.oneOf", field, values: schema["enum"] as (string | number)[] };
    case ValueErrorType.ObjectRequiredProperty:
      return { code: "field.missing", field: own ?? field };
    case ValueErrorType.ObjectAdditionalProperties:
      return { code: "field.unknown", field: own ?? field };
    case ValueErrorType.StringMinLength:
      return { code: "field.empty", field };
    case ValueErrorType.StringMaxLength:
      return { code: "field.tooLong", field, most: schema["maxLength"] as number };
    case ValueErrorType.ArrayMaxItems:
      return { code: "field.tooMany", field, most: schema["maxItems"] as number };
    case ValueErrorType.ArrayMinItems:
      return { code: "field.tooFew", field, least: schema["minItems"] as number };
    case ValueErrorType.ArrayUniqueItems:
      return { code: "field.twice", field };
    case ValueErrorType.StringFormat:
      return { code: schema["format"] === "date" ? "field.date" : "field.id", field };
    case ValueErrorType.StringPattern:
      return { code: schema.patternCode === "time" ? "field.time" : "field.empty", field };
    default:
      return typeof schema["type"] === "string"
        ? { code: "field.type", field, type: schema["type"] }
        : { code: "field.invalid", field };
  }
}

/** Faults that a person can mend: those of the kinds a value may be, in place of "none of them". */
function* single(errors: Iterable<ValueError>): Generator<ValueError> {
  for (const error of errors) {
    if (error.type === ValueErrorType.Union) {
      for (const kind of error.errors) yield* single(kind);
    } else yield error;
  }
}

/** Whose fault it is: what is missing or too much is the whole's. */
const isOfWhole = ({ type }: ValueError): boolean =>
  type === ValueErrorType.ObjectRequiredProperty || type === ValueErrorType.ObjectAdditionalProperties;

/** Lengths are counted in characters, not in halves of them. */
const isShortEnough = ({ type, schema, value }: ValueError): boolean =>
  type === ValueErrorType.StringMaxLength && [...(value as string)].length <= (schema["maxLength"] as number);

/**
 * Faults of a value against a schema, as `schemaFaults` finds them, without making code of the schema: a page forbids that.
 * Slower; for forms and files.
 */
export function interpretedFaults(schema: TSchema, value: unknown): SchemaFault[] {
  const faults: SchemaFault[] = [];
  const missing = new Set<string>();
  for (const error of single(Errors(schema, value))) {
    // A member that is missing is told once, not also as one of the wrong type.
    if (error.type !== ValueErrorType.ObjectRequiredProperty && missing.has(error.path)) continue;
    if (error.type === ValueErrorType.ObjectRequiredProperty) missing.add(error.path);
    if (isShortEnough(error)) continue;
    const path = pathOf(error);
    faults.push({ path: (isOfWhole(error) ? path.slice(0, -1) : path).join("."), says: messageOf(error) });
    if (faults.length >= MOST_FAULTS) break;
  }
  return faults.length > 0 ? faults : textFaults(schema, value);
}

/** Whether a value fits a schema, found without making code of it. */
export function fitsInterpreted<Schema extends TSchema>(schema: Schema, value: unknown): value is Static<Schema> {
  return interpretedFaults(schema, value).length === 0;
}
