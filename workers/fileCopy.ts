import { createSHA256, createXXHash64 } from "hash-wasm";
import type { Hashed } from "../core/bag";

/** Something that goes into a bag. */
export interface Entry {
  /** Under the payload folder, with slashes. */
  path: string;
  blob: Blob;
  /** When it was changed last, ms: one that has changed is not the one that was copied. */
  changedMs: number;
}

export type Folder = FileSystemDirectoryHandle;

/** Read, hashed and written at a time: each piece costs a round trip, and a blob's own stream gives them too small. */
const PIECE_BYTES = 8 * 2 ** 20;
export const FULL = "QuotaExceededError";

/** What the browser calls an error, also one that came from another worker. */
export const nameOf = (error: unknown): string => (error instanceof Error ? error.name : "");

/** A file under a folder, its folders made where they are missing. */
export async function placeOf(root: Folder, path: string, create: boolean): Promise<FileSystemFileHandle> {
  const parts = path.split("/");
  let folder = root;
  for (const part of parts.slice(0, -1)) folder = await folder.getDirectoryHandle(part, { create });
  return folder.getFileHandle(parts.at(-1)!, { create });
}

/** Pieces of a blob; the next one is read while this one is worked on. Each piece costs a round trip: a blob's own stream gives them too small. */
async function* piecesOf(blob: Blob): AsyncGenerator<Uint8Array<ArrayBuffer>> {
  const read = (from: number) => {
    const reading = blob.slice(from, from + PIECE_BYTES).arrayBuffer();
    // It is awaited a piece later; until then nobody would have heard of its failure.
    reading.catch(() => undefined);
    return reading;
  };
  let next = read(0);
  for (let from = 0; from < blob.size; from += PIECE_BYTES) {
    const piece = await next;
    if (from + PIECE_BYTES < blob.size) next = read(from + PIECE_BYTES);
    yield new Uint8Array(piece);
  }
}

export async function sha256Of(blob: Blob, onBytes: (bytes: number) => void): Promise<string> {
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

/** Which of the targets hold something else under that path, by their place in the list. */
export async function differing(
  targets: readonly Folder[],
  path: string,
  wanted: string,
  onBytes: (bytes: number) => void,
): Promise<number[]> {
  const wrong: number[] = [];
  for (const [at, target] of targets.entries())
    if ((await quickHash(target, `data/${path}`, onBytes).catch(() => "")) !== wanted) wrong.push(at);
  return wrong;
}

/** What became of one file: its hashes, and the targets that gave back something else. */
export type Placed = { copied: Hashed; wrong: number[] } | "unreadable";

/** Copies one file to all targets and reads it back from each. */
export async function placeFile(
  entry: Entry,
  targets: readonly Folder[],
  onBytes: (bytes: number) => void,
): Promise<Placed> {
  const copied = await copyOne(entry, targets, onBytes);
  return copied === "unreadable"
    ? copied
    : { copied, wrong: await differing(targets, entry.path, copied.xxh64, onBytes) };
}
