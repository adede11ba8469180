import type { RollMessage } from "./messages";

/** What a file's name may be made of. */
export const NAME_FIELDS = ["shoot", "day", "date", "scene", "slate", "take", "counter", "track"] as const;
export type NameField = (typeof NAME_FIELDS)[number];

/** What stands for the fields in one name. `date`: "YYYY-MM-DD". */
export interface NameFacts {
  shoot: string;
  day: number;
  date: string;
  scene: string;
  slate: string;
  take: number;
  counter: number;
  /** Null: the name is of a file with all tracks. */
  track: string | null;
}

interface Part {
  text: string;
  field: NameField | null;
  /** Least number of digits. */
  digits: number;
}

/** The scheme until somebody chooses another: slate, take and the recorder's counter. */
export const FIRST_SCHEME = "{slate}-T{take:2}";
export const LONGEST_SCHEME = 120;

const FIELD = /\{([a-z]+)(?::([1-9]))?\}/g;

function partsOf(scheme: string): Part[] {
  const parts: Part[] = [];
  let at = 0;
  for (const found of scheme.matchAll(FIELD)) {
    if (found.index > at) parts.push({ text: scheme.slice(at, found.index), field: null, digits: 0 });
    const field = (NAME_FIELDS as readonly string[]).includes(found[1]!) ? (found[1] as NameField) : null;
    parts.push({ text: found[0], field, digits: Number(found[2] ?? 1) });
    at = found.index + found[0].length;
  }
  if (at < scheme.length) parts.push({ text: scheme.slice(at), field: null, digits: 0 });
  return parts;
}

/** What is wrong with a scheme, or null: unknown fields, or nothing that tells two takes apart. */
export function schemeFault(scheme: string): RollMessage | null {
  const parts = partsOf(scheme);
  const unknown = parts.find(({ field, text }) => field === null && /[{}]/.test(text));
  if (unknown) return { code: "scheme.unknown", text: unknown.text };
  const tells = parts.some(({ field }) => field === "counter" || field === "take");
  return tells ? null : { code: "scheme.sameNames" };
}

/** Signs that file systems refuse. Source: the reserved characters of FAT, exFAT and NTFS. */
// oxlint-disable-next-line no-control-regex -- control characters are what is looked for
const REFUSED = /[\u0000-\u001f\u007f<>:"/\\|?*]+/g;

/** A text as it can stand in a file's name on any card: refused signs become a dash, and nothing ends in a dot or a blank. */
export const inFileName = (text: string): string =>
  text
    .replace(REFUSED, "-")
    .replace(/\s+/g, " ")
    .replace(/^[\s.]+|[\s.]+$/g, "");

/** A name by a scheme, without its ending. A field that is empty takes the dash or underscore before it along. */
export function nameBy(scheme: string, facts: NameFacts): string {
  let name = "";
  for (const { text, field, digits } of partsOf(scheme)) {
    const value = field === null ? null : facts[field];
    const says =
      field === null
        ? text.replace(REFUSED, "-")
        : typeof value === "number"
          ? String(value).padStart(digits, "0")
          : field === "date"
            ? facts.date.replaceAll("-", "").slice(2)
            : inFileName(value ?? "");
    name = field !== null && says === "" ? name.replace(/[-_ ]+$/, "") : name + says;
  }
  return inFileName(name).slice(0, 180);
}

/** Names that more than one take would get, each once. Cards do not tell capitals apart. */
export function sameNames(names: readonly string[]): string[] {
  const seen = new Map<string, number>();
  for (const name of names) {
    const key = name.toLowerCase();
    seen.set(key, (seen.get(key) ?? 0) + 1);
  }
  return [...new Set(names.filter((name) => name !== "" && seen.get(name.toLowerCase())! > 1))];
}

const stemOf = (name: string): string => name.replace(/^.*[\\/]/, "").replace(/\.[A-Za-z0-9]{1,5}$/, "");

/** A scheme as it follows from names of files, with the number that comes next. */
export interface LearnedScheme {
  scheme: string;
  counter: number;
}

/**
 * The scheme behind names of files in the order they were recorded: what stays is text, the last number that rises is the
 * counter, one that rises and begins again is the take. One name alone is taken to count with its last number. Null where the
 * names have no common shape or nothing in them counts.
 */
export function learnScheme(names: readonly string[]): LearnedScheme | null {
  const split = names.map((name) => stemOf(name).split(/(\d+)/));
  const [first] = split;
  if (!first) return null;
  const numbers = first.flatMap((_, at) => (at % 2 === 1 ? [at] : []));
  const isOneShape = split.every(
    (parts) => parts.length === first.length && parts.every((part, at) => at % 2 === 1 || part === first[at]),
  );
  if (!isOneShape || numbers.length === 0) return null;
  const rises = (at: number): number =>
    split.filter((parts, row) => row > 0 && Number(parts[at]) > Number(split[row - 1]![at])).length;
  const falls = (at: number): number =>
    split.filter((parts, row) => row > 0 && Number(parts[at]) < Number(split[row - 1]![at])).length;
  const counting = split.length === 1 ? numbers.at(-1) : numbers.findLast((at) => rises(at) > 0 && falls(at) === 0);
  const resets = numbers.find((at) => at !== counting && rises(at) > 0 && falls(at) > 0);
  if (counting === undefined && resets === undefined) return null;
  const scheme = first
    .map((part, at) => {
      const width = split.some((parts) => parts[at]!.length > 1 && parts[at]!.startsWith("0")) ? part.length : 1;
      const digits = width > 1 ? `:${Math.min(9, width)}` : "";
      if (at === counting) return `{counter${digits}}`;
      return at === resets ? `{take${digits}}` : part;
    })
    .join("");
  const last = split.at(-1)![counting ?? resets!]!;
  return { scheme, counter: Number(last) + 1 };
}
