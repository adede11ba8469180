import type { RecordKind } from "./records";

/**
 * Lists in records whose entries have a name of their own: two people may change different entries, or add some, at once.
 * By path; `*` stands for any entry of the list before it. Other lists are changed as a whole.
 */
const KEYED_LISTS: Partial<Record<RecordKind, Readonly<Record<string, string>>>> = {
  place: { "model/sources": "id" },
  air: { links: "id", systems: "id" },
  levels: { lines: "subject", "lines/*/held": "stage", "lines/*/ticks": "device" },
  packing: { lines: "key" },
  connection: { steps: "step" },
  roll: { tracks: "id", files: "name" },
  pickup: { "setup/mics": "id", "setup/talkers": "id" },
};

/** The field that names the entries of a list, or null where the list is changed as a whole. `pattern`: its path, entries as `*`. */
export const listKey = (kind: RecordKind, pattern: string): string | null => KEYED_LISTS[kind]?.[pattern] ?? null;
