import { readFileSync } from "node:fs";

/** Arguments of this process as the bytes they came in, by what they read as; null where the system does not tell. */
function rawArguments(): Buffer[] | null {
  try {
    const all = readFileSync("/proc/self/cmdline");
    const parts: Buffer[] = [];
    for (let from = 0, to = all.indexOf(0); to >= 0; from = to + 1, to = all.indexOf(0, from))
      parts.push(all.subarray(from, to));
    return parts;
  } catch {
    return null;
  }
}

/** What stands in a name for bytes that are no UTF-8. */
const UNREADABLE = "\uFFFD";

/** Paths as the file system knows them: names that are not UTF-8 keep their bytes. */
export function pathsOf(names: readonly string[]): (string | Buffer)[] {
  if (!names.some((name) => name.includes(UNREADABLE))) return [...names];
  const raw = rawArguments() ?? [];
  return names.map((name) => {
    const at = raw.findIndex((bytes) => bytes.toString("utf8") === name);
    return at < 0 ? name : raw.splice(at, 1)[0]!;
  });
}
