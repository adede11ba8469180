import type { Hashed } from "./bag";

/** A file that was copied to all folders, with when it was last changed at its source, ms. */
export interface CopiedFile extends Hashed {
  changedMs: number;
}

/** One line of what is done, for a copy that goes on later. */
export const journalLine = (file: CopiedFile): string => `${JSON.stringify(file)}\n`;

const isHash = (value: unknown, digits: number): value is string =>
  typeof value === "string" && new RegExp(`^[0-9a-f]{${digits}}$`).test(value);
const isCount = (value: unknown): value is number => typeof value === "number" && value >= 0 && Number.isFinite(value);

function copiedFile(line: string): CopiedFile | null {
  try {
    const { path, bytes, sha256, xxh64, changedMs } = JSON.parse(line) as Record<string, unknown>;
    if (typeof path !== "string" || !isCount(bytes) || !isCount(changedMs)) return null;
    if (!isHash(sha256, 64) || !isHash(xxh64, 16)) return null;
    return { path, bytes, sha256, xxh64, changedMs };
  } catch {
    return null;
  }
}

/** What was done, by path. The last line of a run that was killed may be half written: it is left out. */
export function readJournal(text: string): Map<string, CopiedFile> {
  const known = new Map<string, CopiedFile>();
  for (const line of text.split("\n")) {
    const file = copiedFile(line);
    if (file) known.set(file.path, file);
  }
  return known;
}
