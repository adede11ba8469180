import { createHash, type Hash } from "node:crypto";
import { type FileHandle, mkdir, open, readdir, readFile, rename, stat, statfs, writeFile } from "node:fs/promises";
import { dirname, join, relative, resolve, sep } from "node:path";
import { createXXHash64 } from "hash-wasm";
import {
  BAG_DECLARATION,
  bagInfo,
  type CopiedFile,
  type Hashed,
  journalLine,
  manifestOf,
  readJournal,
  readManifest,
} from "../core/bag";

/** So much is read at once: large enough for any disk, small enough for any machine, bytes. */
const PIECE = 4 << 20;
/** What a copy leaves free on its target, bytes. */
const SPARE = 64 << 20;
const JOURNAL = "hypophon-copied.jsonl";
const PART = ".hypophon-part";

/** Why nothing is copied at all. */
export class CopyRefusal extends Error {
  override readonly name = "CopyRefusal";
}

/** How far a copy is. */
export interface CopyProgress {
  doneBytes: number;
  allBytes: number;
}

export interface CopyFault {
  path: string;
  why: "vanished" | "unreadable" | "changed" | "differs" | "unwritable";
  /** The target where that is one of several. */
  target?: string;
}

export interface CopyResult {
  files: Hashed[];
  faults: CopyFault[];
  /** Files that an earlier run had copied; they were read back again. */
  known: number;
}

interface SourceFile {
  path: string;
  bytes: number;
  changedMs: number;
}

/** Files of a folder, with what they are in it; other things, such as links, are left out. */
async function filesOf(folder: string): Promise<SourceFile[]> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true });
  const files: SourceFile[] = [];
  for (const entry of entries) {
    if (!entry.isFile()) continue;
    const whole = join(entry.parentPath, entry.name);
    const { size, mtimeMs } = await stat(whole);
    files.push({ path: relative(folder, whole).split(sep).join("/"), bytes: size, changedMs: Math.round(mtimeMs) });
  }
  return files.sort((one, other) => (one.path < other.path ? -1 : 1));
}

const hashes = async (): Promise<{ sha: Hash; xxh: Awaited<ReturnType<typeof createXXHash64>> }> => ({
  sha: createHash("sha256"),
  xxh: (await createXXHash64()).init(),
});

/** A file could not be read any further. */
class ReadFault extends Error {
  override readonly name = "ReadFault";
}

/** Pieces of a file, the next one being read while one is worked on. Throws ReadFault. */
async function* piecesOf(handle: FileHandle): AsyncGenerator<Uint8Array> {
  const buffers = [Buffer.allocUnsafe(PIECE), Buffer.allocUnsafe(PIECE)] as const;
  let turn = 0;
  const next = () =>
    handle.read(buffers[turn]!, 0, PIECE, null).catch((cause: unknown) => new ReadFault("read", { cause }));
  let reading = next();
  for (;;) {
    const read = await reading;
    if (read instanceof ReadFault) throw read;
    const { bytesRead } = read;
    if (bytesRead === 0) return;
    const piece = buffers[turn]!.subarray(0, bytesRead);
    turn = 1 - turn;
    reading = next();
    yield piece;
  }
}

/** SHA-256 and xxHash64 of a file. */
export async function hashFile(path: string): Promise<Omit<Hashed, "path">> {
  const handle = await open(path, "r");
  try {
    const { sha, xxh } = await hashes();
    let bytes = 0;
    for await (const piece of piecesOf(handle)) {
      sha.update(piece);
      xxh.update(piece);
      bytes += piece.length;
    }
    return { bytes, sha256: sha.digest("hex"), xxh64: xxh.digest("hex") };
  } finally {
    await handle.close();
  }
}

/** xxHash64 of a file: a quarter of the work of the other, and enough to find what was not meant. */
async function quickHash(path: string, onBytes: (bytes: number) => void): Promise<string> {
  const handle = await open(path, "r");
  try {
    const xxh = (await createXXHash64()).init();
    for await (const piece of piecesOf(handle)) {
      xxh.update(piece);
      onBytes(piece.length);
    }
    return xxh.digest("hex");
  } finally {
    await handle.close();
  }
}

const codeOf = (error: unknown): string => (error as NodeJS.ErrnoException).code ?? "";
/** What ends a copy: nothing that follows would be written either. */
const isTargetFull = (error: unknown): boolean => ["ENOSPC", "EDQUOT", "EROFS"].includes(codeOf(error));

/** Reads one file once, hashes it on the way, and writes it to all targets under a name of its own until it is whole. */
async function copyOne(
  from: string,
  file: SourceFile,
  targets: readonly string[],
  onBytes: (bytes: number) => void,
): Promise<Hashed | CopyFault> {
  const fault = (why: CopyFault["why"]): CopyFault => ({ path: file.path, why });
  let source: FileHandle;
  try {
    source = await open(from, "r");
  } catch (error) {
    return fault(codeOf(error) === "ENOENT" ? "vanished" : "unreadable");
  }
  const outputs: FileHandle[] = [];
  try {
    for (const target of targets) {
      await mkdir(dirname(target), { recursive: true });
      outputs.push(await open(target + PART, "w"));
    }
    const { sha, xxh } = await hashes();
    let bytes = 0;
    for await (const piece of piecesOf(source)) {
      const writing = outputs.map((output) => output.write(piece));
      sha.update(piece);
      xxh.update(piece);
      bytes += piece.length;
      for (const { bytesWritten } of await Promise.all(writing))
        if (bytesWritten !== piece.length) throw Object.assign(new Error("short write"), { code: "ENOSPC" });
      onBytes(piece.length);
    }
    if (bytes !== file.bytes) return fault("changed");
    for (const output of outputs) await output.sync();
    for (const target of targets) await rename(target + PART, target);
    return { path: file.path, bytes, sha256: sha.digest("hex"), xxh64: xxh.digest("hex") };
  } catch (error) {
    if (isTargetFull(error)) throw error;
    return fault(error instanceof ReadFault ? "unreadable" : "unwritable");
  } finally {
    await Promise.allSettled([source.close(), ...outputs.map((output) => output.close())]);
  }
}

const exists = (path: string): Promise<boolean> =>
  stat(path).then(
    () => true,
    () => false,
  );

/** Refuses what would write into the card, into itself, or over something else. */
async function checkPlaces(card: string, bags: readonly string[]): Promise<void> {
  if (
    !(await stat(card).then(
      (found) => found.isDirectory(),
      () => false,
    ))
  )
    throw new CopyRefusal(`${card} is no folder.`);
  const inside = (one: string, other: string) => one === other || `${one}${sep}`.startsWith(`${other}${sep}`);
  if (new Set(bags).size < bags.length) throw new CopyRefusal("The same folder is named twice.");
  for (const bag of bags) {
    if (inside(bag, card) || inside(card, bag)) throw new CopyRefusal(`${bag} and the card are in each other.`);
    const isNew = !(await exists(bag)) || (await readdir(bag)).length === 0;
    if (isNew || (await exists(join(bag, JOURNAL)))) continue;
    throw new CopyRefusal(
      (await exists(join(bag, "bagit.txt")))
        ? `${bag} is a finished copy: verify it, or copy to a new folder.`
        : `${bag} holds something else: copy to a new folder.`,
    );
  }
}

async function checkSpace(bags: readonly string[], needed: readonly number[]): Promise<void> {
  for (const [at, bag] of bags.entries()) {
    await mkdir(bag, { recursive: true });
    const { bavail, bsize } = await statfs(bag);
    const free = bavail * bsize;
    if (free < needed[at]! + SPARE)
      throw new CopyRefusal(
        `${bag} has ${(free / 1e9).toFixed(1)} GB free, and ${(needed[at]! / 1e9).toFixed(1)} GB are to be copied.`,
      );
  }
}

/**
 * Copies a card into bags, each file read once, hashed, written, read back and compared. Goes on where an earlier run ended.
 * Nothing is ever written at the source. Throws CopyRefusal where it cannot begin.
 */
export async function copyCard(
  from: string,
  to: readonly string[],
  own: { date: string; onProgress?: (progress: CopyProgress) => void },
): Promise<CopyResult> {
  const [card, bags] = [resolve(from), to.map((each) => resolve(each))];
  await checkPlaces(card, bags);
  const files = await filesOf(card);
  if (files.length === 0) throw new CopyRefusal(`${from} holds no file.`);
  const journals = await Promise.all(
    bags.map(async (bag) => readJournal(await readFile(join(bag, JOURNAL), "utf8").catch(() => ""))),
  );
  const isKnown = ({ path, bytes, changedMs }: SourceFile) =>
    journals.every((journal) => {
      const known = journal.get(path);
      return known?.bytes === bytes && known.changedMs === changedMs;
    });
  const left = files.filter((file) => !isKnown(file)).reduce((sum, { bytes }) => sum + bytes, 0);
  await checkSpace(
    bags,
    bags.map(() => left),
  );

  const allBytes = files.reduce((sum, { bytes }) => sum + bytes, 0) * (1 + bags.length);
  let doneBytes = 0;
  const onBytes = (bytes: number) => own.onProgress?.({ doneBytes: (doneBytes += bytes), allBytes });
  const result: CopyResult = { files: [], faults: [], known: 0 };

  /** Targets on which a file is not what it was when it was read from the card. */
  async function differing(targets: readonly string[], wanted: string): Promise<number[]> {
    const wrong: number[] = [];
    for (const [at, target] of targets.entries())
      if ((await quickHash(target, onBytes).catch(() => "")) !== wanted) wrong.push(at);
    return wrong;
  }

  for (const file of files) {
    const targets = bags.map((bag) => join(bag, "data", ...file.path.split("/")));
    const before = isKnown(file) ? journals[0]!.get(file.path)! : null;
    if (before && (await differing(targets, before.xxh64)).length === 0) {
      onBytes(file.bytes);
      result.known += 1;
      const { changedMs: _, ...hashed } = before;
      result.files.push(hashed);
      continue;
    }
    const copied = await copyOne(join(card, ...file.path.split("/")), file, targets, onBytes);
    if ("why" in copied) {
      result.faults.push(copied);
      continue;
    }
    const wrong = await differing(targets, copied.xxh64);
    result.faults.push(...wrong.map((at): CopyFault => ({ path: file.path, why: "differs", target: bags[at]! })));
    if (wrong.length > 0) continue;
    result.files.push(copied);
    const done: CopiedFile = { ...copied, changedMs: file.changedMs };
    for (const bag of bags) await writeFile(join(bag, JOURNAL), journalLine(done), { flag: "a" });
  }
  if (result.faults.length === 0)
    for (const bag of bags) await closeBag(bag, result.files, { date: own.date, about: `copy of ${from}` });
  return result;
}

/** Writes what makes a folder a bag, the declaration last: a bag that has one is whole. */
async function closeBag(bag: string, files: readonly Hashed[], own: { date: string; about: string }): Promise<void> {
  const tags: Record<string, string> = {
    "manifest-sha256.txt": manifestOf(files, "sha256"),
    "bag-info.txt": bagInfo(files, own),
    "bagit.txt": BAG_DECLARATION,
  };
  const hashed = Object.entries(tags).map(([path, text]): Hashed => {
    const sha256 = createHash("sha256").update(text).digest("hex");
    return { path, bytes: Buffer.byteLength(text), sha256, xxh64: "" };
  });
  await writeFile(join(bag, "tagmanifest-sha256.txt"), manifestOf(hashed, "sha256", ""));
  for (const [name, text] of Object.entries(tags)) await writeFile(join(bag, name), text);
  await rename(join(bag, JOURNAL), join(bag, "hypophon-hashes.jsonl"));
}

export interface BagCheck {
  files: number;
  faults: { path: string; why: "missing" | "differs" | "unlisted" | "unreadable" }[];
}

/** Verifies a bag against its manifests, and that nothing lies beside what is listed. Throws CopyRefusal where it is none. */
export async function checkBag(path: string, onBytes: (bytes: number) => void = () => undefined): Promise<BagCheck> {
  const bag = resolve(path);
  const declared = await readFile(join(bag, "bagit.txt"), "utf8").catch(() => "");
  if (!/^BagIt-Version: (1\.0|0\.97)\r?\n/.test(declared)) throw new CopyRefusal(`${path} is no finished copy.`);
  const read = async (name: string) => readManifest(await readFile(join(bag, name), "utf8").catch(() => "?"));
  const [payload, tags] = [await read("manifest-sha256.txt"), await read("tagmanifest-sha256.txt")];
  if (!payload || !tags) throw new CopyRefusal(`The list of ${path} cannot be read.`);
  const faults: BagCheck["faults"] = [];
  for (const { hash, path: name } of [...tags, ...payload]) {
    try {
      const hashed = await hashFile(join(bag, ...name.split("/")));
      onBytes(hashed.bytes);
      if (hashed.sha256 !== hash) faults.push({ path: name, why: "differs" });
    } catch (error) {
      faults.push({ path: name, why: codeOf(error) === "ENOENT" ? "missing" : "unreadable" });
    }
  }
  const listed = new Set(payload.map((line) => line.path));
  for (const { path: name } of await filesOf(join(bag, "data")).catch(() => []))
    if (!listed.has(`data/${name}`)) faults.push({ path: `data/${name}`, why: "unlisted" });
  return { files: payload.length, faults };
}
