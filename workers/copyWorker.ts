import * as Comlink from "comlink";
import { createSHA256, createXXHash64 } from "hash-wasm";
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

/** Something that goes into a bag. */
export interface Entry {
  /** Under the payload folder, with slashes. */
  path: string;
  blob: Blob;
  /** When it was changed last, ms: one that has changed is not the one that was copied. */
  changedMs: number;
}

export interface BagFault {
  path: string;
  why: "unreadable" | "differs" | "unwritable" | "missing" | "unlisted";
  /** The target's name where there are several. */
  target: string | null;
}

export interface BagProgress {
  doneBytes: number;
  allBytes: number;
  name: string;
}

/** What a copy came to. `stopped`: why it could not go on; what was copied stays, and the next try goes on from there. */
export interface BagResult {
  files: Hashed[];
  faults: BagFault[];
  /** Files that an earlier run had copied; they were read back again. */
  known: number;
  /** SHA-256 of the list of hashes; null where the copy is not whole. */
  manifest: string | null;
  stopped: "full" | "unwritable" | "taken" | null;
}

const JOURNAL = "hypophon-copied.jsonl";
const PROGRESS_EVERY_MS = 200;
/** What is done is noted so often: no more than this is done again after a pulled cable. */
const NOTED_EVERY_MS = 1000;
/** Files that are copied at the same time. */
const AT_ONCE = 2;
const FULL = "QuotaExceededError";

type Folder = FileSystemDirectoryHandle;
const nameOf = (error: unknown): string => (error instanceof DOMException ? error.name : "");

/** A file under a folder, its folders made where they are missing. */
async function placeOf(root: Folder, path: string, create: boolean): Promise<FileSystemFileHandle> {
  const parts = path.split("/");
  let folder = root;
  for (const part of parts.slice(0, -1)) folder = await folder.getDirectoryHandle(part, { create });
  return folder.getFileHandle(parts.at(-1)!, { create });
}

async function textOf(root: Folder, path: string): Promise<string | null> {
  try {
    return await (await (await placeOf(root, path, false)).getFile()).text();
  } catch {
    return null;
  }
}

async function writeText(root: Folder, path: string, text: string): Promise<void> {
  const writable = await (await placeOf(root, path, true)).createWritable();
  await writable.write(text);
  await writable.close();
}

/** Pieces of a blob, as they come. */
async function* piecesOf(blob: Blob): AsyncGenerator<Uint8Array<ArrayBuffer>> {
  const reader = blob.stream().getReader();
  for (let part = await reader.read(); !part.done; part = await reader.read()) yield part.value;
}

async function sha256Of(blob: Blob, onBytes: (bytes: number) => void): Promise<string> {
  const sha = (await createSHA256()).init();
  for await (const piece of piecesOf(blob)) {
    sha.update(piece);
    onBytes(piece.length);
  }
  return sha.digest("hex");
}

/** The quick hash of what is on a target: enough to find what was not meant. */
async function quickHash(target: Folder, path: string, onBytes: (bytes: number) => void): Promise<string> {
  const file = await (await placeOf(target, path, false)).getFile();
  const xxh = (await createXXHash64()).init();
  for await (const piece of piecesOf(file)) {
    xxh.update(piece);
    onBytes(piece.length);
  }
  return xxh.digest("hex");
}

/** Reads one entry once, hashes it on the way and writes it to all targets; nothing half written stays under its name. */
async function copyOne(
  { path, blob }: Entry,
  targets: readonly Folder[],
  onBytes: (bytes: number) => void,
): Promise<Hashed | "unreadable"> {
  const outputs: FileSystemWritableFileStream[] = [];
  let isWriting = false;
  try {
    for (const target of targets) outputs.push(await (await placeOf(target, `data/${path}`, true)).createWritable());
    const [sha, xxh] = [(await createSHA256()).init(), (await createXXHash64()).init()];
    let bytes = 0;
    for await (const piece of piecesOf(blob)) {
      isWriting = true;
      const writing = outputs.map((output) => output.write(piece));
      sha.update(piece);
      xxh.update(piece);
      await Promise.all(writing);
      isWriting = false;
      bytes += piece.length;
      onBytes(piece.length);
    }
    isWriting = true;
    for (const output of outputs) await output.close();
    return { path, bytes, sha256: sha.digest("hex"), xxh64: xxh.digest("hex") };
  } catch (error) {
    for (const output of outputs) await output.abort().catch(() => undefined);
    // An empty file would stand there under its name.
    for (const target of targets) await removeEmpty(target, `data/${path}`).catch(() => undefined);
    // What cannot be written ends the copy; what cannot be read is one file.
    if (isWriting || nameOf(error) === FULL || nameOf(error) === "NoModificationAllowedError") throw error;
    return "unreadable";
  }
}

async function removeEmpty(root: Folder, path: string): Promise<void> {
  const file = await placeOf(root, path, false);
  if ((await file.getFile()).size > 0) return;
  const parts = path.split("/");
  let folder = root;
  for (const part of parts.slice(0, -1)) folder = await folder.getDirectoryHandle(part);
  await folder.removeEntry(parts.at(-1)!);
}

/** Whether a folder is free for a bag: empty, or one that was begun. */
async function isFree(folder: Folder): Promise<boolean> {
  if ((await textOf(folder, JOURNAL)) !== null) return true;
  for await (const _ of folder.keys()) return false;
  return true;
}

let isCancelled = false;

async function writeBag(
  entries: readonly Entry[],
  targets: readonly Folder[],
  own: { date: string; about: string },
  onProgress: (progress: BagProgress) => void,
): Promise<BagResult> {
  isCancelled = false;
  const result: BagResult = { files: [], faults: [], known: 0, manifest: null, stopped: null };
  for (const target of targets) if (!(await isFree(target))) return { ...result, stopped: "taken" };
  const journals = await Promise.all(targets.map(async (target) => readJournal((await textOf(target, JOURNAL)) ?? "")));
  const texts = await Promise.all(targets.map(async (target) => (await textOf(target, JOURNAL)) ?? ""));
  let notedAt = -NOTED_EVERY_MS;
  /** Notes what is done, now and then; a folder with such notes is one that a copy was begun in. */
  const note = async (isDue: boolean): Promise<void> => {
    if (!isDue && performance.now() - notedAt < NOTED_EVERY_MS) return;
    notedAt = performance.now();
    for (const [at, target] of targets.entries()) await writeText(target, JOURNAL, texts[at]!);
  };
  const allBytes = entries.reduce((sum, { blob }) => sum + blob.size, 0) * (1 + targets.length);
  let [doneBytes, told] = [0, 0];
  const counting = (name: string) => (bytes: number) => {
    doneBytes += bytes;
    const now = performance.now();
    if (now - told < PROGRESS_EVERY_MS) return;
    told = now;
    onProgress({ doneBytes, allBytes, name });
  };
  const isKnown = ({ path, blob, changedMs }: Entry) =>
    journals.every((journal) => {
      const known = journal.get(path);
      return known?.bytes === blob.size && known.changedMs === changedMs;
    });
  const differing = async (path: string, wanted: string, onBytes: (bytes: number) => void) => {
    const wrong: Folder[] = [];
    for (const target of targets)
      if ((await quickHash(target, `data/${path}`, onBytes).catch(() => "")) !== wanted) wrong.push(target);
    return wrong;
  };
  try {
    await note(true);
    const place = async (entry: Entry): Promise<void> => {
      const onBytes = counting(entry.path);
      const before = isKnown(entry) ? journals[0]!.get(entry.path)! : null;
      if (before && (await differing(entry.path, before.xxh64, onBytes)).length === 0) {
        onBytes(entry.blob.size);
        const { changedMs: _, ...hashed } = before;
        result.known += 1;
        result.files.push(hashed);
        return;
      }
      const copied = await copyOne(entry, targets, onBytes);
      if (copied === "unreadable") {
        result.faults.push({ path: entry.path, why: "unreadable", target: null });
        return;
      }
      const wrong = await differing(entry.path, copied.xxh64, onBytes);
      result.faults.push(
        ...wrong.map((target): BagFault => ({ path: entry.path, why: "differs", target: target.name })),
      );
      if (wrong.length > 0) return;
      result.files.push(copied);
      const done: CopiedFile = { ...copied, changedMs: entry.changedMs };
      for (const at of targets.keys()) texts[at] += journalLine(done);
      await note(false);
    };
    const waiting = [...entries];
    let isStopped = false;
    // One is hashed while the other waits for its disk.
    const runs = await Promise.allSettled(
      Array.from({ length: AT_ONCE }, async () => {
        for (let next = waiting.shift(); next && !isCancelled && !isStopped; next = waiting.shift())
          await place(next).catch((error: unknown) => {
            isStopped = true;
            throw error;
          });
      }),
    );
    for (const run of runs) if (run.status === "rejected") throw run.reason;
    const order = new Map(entries.map(({ path }, at) => [path, at]));
    result.files.sort((one, other) => order.get(one.path)! - order.get(other.path)!);
    await note(true);
    if (isCancelled || result.faults.length > 0) return result;
    const tags: Record<string, string> = {
      "manifest-sha256.txt": manifestOf(result.files, "sha256"),
      "bag-info.txt": bagInfo(result.files, own),
      "bagit.txt": BAG_DECLARATION,
    };
    const none = () => undefined;
    const hashed = await Promise.all(
      Object.entries(tags).map(async ([path, text]): Promise<Hashed> => {
        const blob = new Blob([text]);
        return { path, bytes: blob.size, sha256: await sha256Of(blob, none), xxh64: "" };
      }),
    );
    for (const target of targets) {
      await writeText(target, "tagmanifest-sha256.txt", manifestOf(hashed, "sha256", ""));
      for (const [name, text] of Object.entries(tags)) await writeText(target, name, text);
      await writeText(target, "hypophon-hashes.jsonl", (await textOf(target, JOURNAL)) ?? "");
      await target.removeEntry(JOURNAL);
    }
    return { ...result, manifest: hashed[0]!.sha256 };
  } catch (error) {
    await note(true).catch(() => undefined);
    return { ...result, stopped: nameOf(error) === FULL ? "full" : "unwritable" };
  }
}

/** Files under a folder, with their paths in it. */
async function pathsIn(folder: Folder, under = ""): Promise<string[]> {
  const found: string[] = [];
  for await (const [name, handle] of folder.entries())
    if (handle.kind === "directory") found.push(...(await pathsIn(handle, `${under}${name}/`)));
    else found.push(under + name);
  return found;
}

/** Verifies a bag against its lists; null where it is none, or not a finished one. */
async function checkBag(
  bag: Folder,
  onProgress: (progress: BagProgress) => void,
): Promise<{ files: number; faults: BagFault[] } | null> {
  isCancelled = false;
  const declared = (await textOf(bag, "bagit.txt")) ?? "";
  if (!/^BagIt-Version: (1\.0|0\.97)\r?\n/.test(declared)) return null;
  const lists = await Promise.all(
    ["manifest-sha256.txt", "tagmanifest-sha256.txt"].map(async (name) =>
      readManifest((await textOf(bag, name)) ?? "?"),
    ),
  );
  const [payload, tags] = lists;
  if (!payload || !tags) return null;
  const faults: BagFault[] = [];
  const target = bag.name;
  const lines = [...tags, ...payload];
  let [doneBytes, told] = [0, 0];
  for (const [at, { hash, path }] of lines.entries()) {
    if (isCancelled) return null;
    try {
      const file = await (await placeOf(bag, path, false)).getFile();
      const onBytes = (bytes: number) => {
        doneBytes += bytes;
        const now = performance.now();
        if (now - told < PROGRESS_EVERY_MS) return;
        told = now;
        // How many bytes there are in all is not known beforehand: files are counted.
        onProgress({ doneBytes: at, allBytes: lines.length, name: path });
      };
      if ((await sha256Of(file, onBytes)) !== hash) faults.push({ path, why: "differs", target });
    } catch (error) {
      faults.push({ path, why: nameOf(error) === "NotFoundError" ? "missing" : "unreadable", target });
    }
  }
  const listed = new Set(payload.map(({ path }) => path));
  const data = await bag.getDirectoryHandle("data").catch(() => null);
  for (const path of data ? await pathsIn(data, "data/") : [])
    if (!listed.has(path)) faults.push({ path, why: "unlisted", target });
  return { files: payload.length, faults };
}

const door = {
  writeBag,
  checkBag,
  /** Stops after the file that is under way; what is copied stays. */
  cancel(): void {
    isCancelled = true;
  },
};
export type CopyDoor = typeof door;

Comlink.expose(door);
