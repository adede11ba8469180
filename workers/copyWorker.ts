import * as Comlink from "comlink";
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
import { differing, type Entry, FULL, type Folder, nameOf, placeOf, sha256Of } from "./fileCopy";
import type { FileDoor } from "./fileWorker";

export type { Entry } from "./fileCopy";

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

/** Whether a folder is free for a bag: empty, or one that was begun. */
async function isFree(folder: Folder): Promise<boolean> {
  if ((await textOf(folder, JOURNAL)) !== null) return true;
  for await (const _ of folder.keys()) return false;
  return true;
}

/** A worker that copies one file at a time. */
function makeHand() {
  const worker = new Worker(new URL("./fileWorker.ts", import.meta.url), { type: "module" });
  const door = Comlink.wrap<FileDoor>(worker);
  // One that could not be loaded never answers.
  const failed = new Promise<never>((_, reject) => worker.addEventListener("error", () => reject(new Error())));
  failed.catch(() => undefined);
  return {
    worker,
    place: (...given: Parameters<FileDoor["place"]>) => Promise.race([door.place(...given), failed]),
  };
}

type Hand = ReturnType<typeof makeHand>;

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
  const hands = Array.from({ length: Math.min(AT_ONCE, entries.length) }, makeHand);
  try {
    await note(true);
    const place = async (entry: Entry, hand: Hand): Promise<void> => {
      const onBytes = counting(entry.path);
      const before = isKnown(entry) ? journals[0]!.get(entry.path)! : null;
      if (before && (await differing(targets, entry.path, before.xxh64, onBytes)).length === 0) {
        onBytes(entry.blob.size);
        const { changedMs: _, ...hashed } = before;
        result.known += 1;
        result.files.push(hashed);
        return;
      }
      const placed = await hand.place(entry, [...targets], Comlink.proxy(onBytes));
      if (placed === "unreadable") {
        result.faults.push({ path: entry.path, why: "unreadable", target: null });
        return;
      }
      const { copied, wrong } = placed;
      result.faults.push(
        ...wrong.map((at): BagFault => ({ path: entry.path, why: "differs", target: targets[at]!.name })),
      );
      if (wrong.length > 0) return;
      result.files.push(copied);
      const done: CopiedFile = { ...copied, changedMs: entry.changedMs };
      for (const at of targets.keys()) texts[at] += journalLine(done);
      await note(false);
    };
    const waiting = [...entries];
    let isStopped = false;
    // Hashing takes a core as a whole: each file has a worker to itself.
    const runs = await Promise.allSettled(
      hands.map(async (hand) => {
        for (let next = waiting.shift(); next && !isCancelled && !isStopped; next = waiting.shift())
          await place(next, hand).catch((error: unknown) => {
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
  } finally {
    for (const { worker } of hands) worker.terminate();
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
