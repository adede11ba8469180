/** A file of the payload with its length, bytes, and its hashes in lower-case hexadecimal. */
export interface Hashed {
  /** Path under the payload folder, with slashes. */
  path: string;
  bytes: number;
  sha256: string;
  xxh64: string;
}

const tagLines = (tags: Readonly<Record<string, string>>): string =>
  // A line that goes on begins with a blank; there are no others.
  Object.entries(tags)
    .map(([name, value]) => `${name}: ${value.replace(/[\r\n]+/g, " ")}\n`)
    .join("");

/** What makes a folder a bag. Source: RFC 8493 §2.1.1. */
export const BAG_DECLARATION = tagLines({ "BagIt-Version": "1.0", "Tag-File-Character-Encoding": "UTF-8" });

/** A path as a manifest writes it: line ends and percent signs as percent codes. Source: RFC 8493 §2.1.3. */
export const encodedPath = (path: string): string =>
  path.replaceAll("%", "%25").replaceAll("\n", "%0A").replaceAll("\r", "%0D");

/** A path as it is, of one that a manifest writes. Other percent codes stay as they are written. */
export const decodedPath = (written: string): string =>
  written.replace(/%(0A|0D|25)/gi, (_, code: string) => String.fromCharCode(parseInt(code, 16)));

/** Lines of a manifest, in the order of their paths. */
export function manifestOf(files: readonly Hashed[], hash: "sha256" | "xxh64", folder = "data/"): string {
  return files
    .toSorted((one, other) => (one.path < other.path ? -1 : 1))
    .map((file) => `${file[hash]}  ${encodedPath(folder + file.path)}\n`)
    .join("");
}

export interface ManifestLine {
  hash: string;
  path: string;
}

/** Lines of a manifest; null where one of them is none, or leads out of the bag. */
export function readManifest(text: string): ManifestLine[] | null {
  const lines: ManifestLine[] = [];
  for (const line of text.split(/\r\n|\n|\r/)) {
    if (line === "") continue;
    const found = /^([0-9a-fA-F]+)[ \t]+\*?(.+)$/.exec(line);
    if (!found) return null;
    const path = decodedPath(found[2]!);
    if (path.startsWith("/") || path.includes("\\") || path.split("/").some((part) => part === ".." || part === ""))
      return null;
    lines.push({ hash: found[1]!.toLowerCase(), path });
  }
  return lines;
}

/** Bytes and number of files, "bytes.files". Source: RFC 8493 §2.2.2. */
export const payloadOxum = (files: readonly Pick<Hashed, "bytes">[]): string =>
  `${files.reduce((sum, { bytes }) => sum + bytes, 0)}.${files.length}`;

/** What is said of a bag. `date`: the day it was made, "2027-05-11"; `about`: what it holds, in words. Source: RFC 8493 §2.2.2. */
export const bagInfo = (files: readonly Hashed[], { date, about }: { date: string; about: string }): string =>
  tagLines({
    "Bagging-Date": date,
    "Payload-Oxum": payloadOxum(files),
    "External-Description": about,
    "Bag-Software-Agent": "Hypophon",
  });
