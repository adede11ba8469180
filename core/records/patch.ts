import type { RecordBodies, RecordKind } from "./records";
import { listKey } from "./keyedLists";

/**
 * One named field of a record that somebody changed: where it is, what it was when they saw it, and what it is to be.
 * A missing `from` or `to` is a field, or an entry of a keyed list, that was or is to be not there.
 */
export interface FieldChange {
  /** Names of fields from the body inwards; entries of keyed lists by their key. */
  path: readonly string[];
  from?: unknown;
  to?: unknown;
}

/** A field that is neither what the change was made from nor what it makes. */
export interface FieldConflict extends FieldChange {
  current?: unknown;
}

type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Whether two values of JSON are the same, in whatever order their fields stand; a missing field is as good as undefined. */
export function sameValue(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((each, index) => sameValue(each, other[index]));
  if (!isFields(one) || !isFields(other)) return false;
  return [...new Set([...Object.keys(one), ...Object.keys(other)])].every((key) => sameValue(one[key], other[key]));
}

/** Entries of a list by their key; null where they are not told apart by it. */
function entriesOf(list: readonly unknown[], key: string): Map<string, unknown> | null {
  const entries = new Map<string, unknown>();
  for (const entry of list) {
    const name = isFields(entry) ? entry[key] : undefined;
    if (typeof name !== "string" || entries.has(name)) return null;
    entries.set(name, entry);
  }
  return entries;
}

const present = (name: "from" | "to", value: unknown) => (value === undefined ? {} : { [name]: value });

/** What has to be changed in one body to make it another, field by field. */
export function fieldChanges<Kind extends RecordKind>(
  kind: Kind,
  before: RecordBodies[Kind],
  after: RecordBodies[Kind],
): FieldChange[] {
  const changes: FieldChange[] = [];
  function compare(from: unknown, to: unknown, path: readonly string[], pattern: string): void {
    if (sameValue(from, to)) return;
    const inner = (name: string) => (pattern === "" ? name : `${pattern}/${name}`);
    if (isFields(from) && isFields(to)) {
      for (const name of new Set([...Object.keys(from), ...Object.keys(to)]))
        compare(from[name], to[name], [...path, name], inner(name));
      return;
    }
    const key = Array.isArray(from) && Array.isArray(to) ? listKey(kind, pattern) : null;
    const [old, now] = key ? [entriesOf(from as unknown[], key), entriesOf(to as unknown[], key)] : [null, null];
    if (old && now) {
      for (const name of new Set([...old.keys(), ...now.keys()]))
        compare(old.get(name), now.get(name), [...path, name], inner("*"));
      return;
    }
    changes.push({ path, ...present("from", from), ...present("to", to) });
  }
  compare(before, after, [], "");
  return changes;
}

/** The value at a path; undefined where there is none. */
export function valueAt(kind: RecordKind, body: unknown, path: readonly string[]): unknown {
  let value = body;
  let pattern = "";
  for (const name of path) {
    const key = Array.isArray(value) ? listKey(kind, pattern) : null;
    pattern = pattern === "" ? name : `${pattern}/${key ? "*" : name}`;
    if (key) value = (value as unknown[]).find((entry) => isFields(entry) && entry[key] === name);
    else if (isFields(value) && Object.hasOwn(value, name)) value = value[name];
    else return undefined;
  }
  return value;
}

/** The same body with another value at a path, or without one; null where there is no such place. */
function withValue(
  kind: RecordKind,
  body: unknown,
  path: readonly string[],
  to: unknown,
  pattern = "",
): { value: unknown } | null {
  const [name, ...rest] = path;
  if (name === undefined) return { value: to };
  const key = Array.isArray(body) ? listKey(kind, pattern) : null;
  const inner = pattern === "" ? name : `${pattern}/${key ? "*" : name}`;
  if (key) {
    const list = body as readonly unknown[];
    const at = list.findIndex((entry) => isFields(entry) && entry[key] === name);
    if (rest.length > 0 && at < 0) return null;
    const changed = withValue(kind, list[at], rest, to, inner);
    if (!changed) return null;
    if (changed.value === undefined) return { value: list.filter((_, index) => index !== at) };
    return { value: at < 0 ? [...list, changed.value] : list.with(at, changed.value) };
  }
  // Names of a prototype are no fields.
  if (!isFields(body) || name === "__proto__") return null;
  const changed = withValue(kind, body[name], rest, to, inner);
  if (!changed) return null;
  const { [name]: _, ...others } = body;
  return { value: changed.value === undefined ? others : { ...body, [name]: changed.value } };
}

/**
 * A body with changes made by somebody who may have seen an older one. Fields that others changed meanwhile merge; a field that
 * is neither what the change was made from nor what it makes is left as it is, and told.
 */
export function withChanges<Kind extends RecordKind>(
  kind: Kind,
  body: RecordBodies[Kind],
  changes: readonly FieldChange[],
): { body: RecordBodies[Kind]; conflicts: FieldConflict[] } {
  let value: unknown = body;
  const conflicts: FieldConflict[] = [];
  for (const change of changes) {
    const current = valueAt(kind, value, change.path);
    if (sameValue(current, change.to)) continue;
    const changed = sameValue(current, change.from) ? withValue(kind, value, change.path, change.to) : null;
    if (changed) ({ value } = changed);
    else conflicts.push({ ...change, ...(current === undefined ? {} : { current }) });
  }
  return { body: value as RecordBodies[Kind], conflicts };
}

/** The same body with changes made whatever stood there: how it looks to who made them. */
export function overlaid<Kind extends RecordKind>(
  kind: Kind,
  body: RecordBodies[Kind],
  changes: readonly FieldChange[],
): RecordBodies[Kind] {
  return changes.reduce<unknown>(
    (value, { path, to }) => withValue(kind, value, path, to)?.value ?? value,
    body,
  ) as RecordBodies[Kind];
}

/**
 * Changes made one after the other on the same record as one: what they were made from at first, what they make in the end.
 * A change of a part after one of the whole goes into the whole.
 */
export function joined<Kind extends RecordKind>(
  kind: Kind,
  earlier: readonly FieldChange[],
  later: readonly FieldChange[],
): FieldChange[] {
  const result = earlier.map((change) => ({ ...change }));
  const startsWith = (path: readonly string[], start: readonly string[]) =>
    start.every((name, at) => path[at] === name);
  for (const change of later) {
    const whole = result.find(({ path }) => path.length <= change.path.length && startsWith(change.path, path));
    if (whole) {
      const inner = withinPattern(kind, whole, change);
      if (inner === undefined) delete whole.to;
      else whole.to = inner;
      continue;
    }
    // What was changed inside is part of what is changed now: it was made from what stood before any of it.
    const inside = result.filter(({ path }) => startsWith(path, change.path));
    let from = change.from;
    for (const each of inside.toReversed()) {
      from = setWithin(kind, change.path, from, each.path, each.from);
      result.splice(result.indexOf(each), 1);
    }
    result.push({ path: change.path, ...present("from", from), ...present("to", change.to) });
  }
  return result.filter(({ from, to }) => !sameValue(from, to));
}

/** A root of which only one path is filled, so that values deep inside keep the patterns of their lists. */
function setWithin(
  kind: RecordKind,
  start: readonly string[],
  value: unknown,
  path: readonly string[],
  to: unknown,
): unknown {
  const changed = withValue(kind, value, path.slice(start.length), to, patternOf(kind, start));
  return changed ? changed.value : value;
}

const withinPattern = (kind: RecordKind, whole: FieldChange, { path, to }: FieldChange): unknown =>
  setWithin(kind, whole.path, whole.to, path, to);

/** The pattern of a path: entries of keyed lists as `*`. */
function patternOf(kind: RecordKind, path: readonly string[]): string {
  let pattern = "";
  for (const name of path) {
    const isEntry = pattern !== "" && listKey(kind, pattern) !== null;
    pattern = pattern === "" ? name : `${pattern}/${isEntry ? "*" : name}`;
  }
  return pattern;
}
