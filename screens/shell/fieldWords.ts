import { RECORD_SCHEMAS, type RecordKind } from "@/core/records";

interface Schema {
  title?: string;
  unit?: string;
  properties?: Record<string, Schema>;
  items?: Schema;
  anyOf?: Schema[];
}

const inWords = (name: string): string =>
  name
    .replace(/([a-z])([A-Z])/g, "$1 $2")
    .toLowerCase()
    .trim();

const UUID = /^[0-9a-f-]{36}$/;

/** A field's name as its form has it; entries of lists by their own names, where those can be read. */
export function fieldName(kind: RecordKind, path: readonly string[]): string {
  let schema: Schema | undefined = RECORD_SCHEMAS[kind];
  const names: string[] = [];
  for (const name of path) {
    const branches: Schema[] = schema ? [schema, ...(schema.anyOf ?? [])] : [];
    const list = branches.find(({ items }) => items);
    const inner: Schema | undefined =
      list?.items ?? branches.find(({ properties }) => properties?.[name])?.properties?.[name];
    if (list) {
      if (!UUID.test(name)) names.push(name);
    } else names.push(inner?.title ?? inWords(name));
    schema = inner;
  }
  return names.filter((name) => name !== "model" && name !== "setup").join(", ") || "All of it";
}

/** A value as somebody would say it. */
export function valueWords(value: unknown): string {
  if (value === null || value === undefined || value === "") return "nothing";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "number" || typeof value === "string") return String(value);
  if (Array.isArray(value)) return value.length === 0 ? "nothing" : value.map(valueWords).join(", ");
  return Object.entries(value)
    .filter(([, each]) => each !== null && each !== "")
    .map(([name, each]) => `${inWords(name)}: ${valueWords(each)}`)
    .join("; ");
}
