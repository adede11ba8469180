import { mkdir, open, rm } from "node:fs/promises";
import { basename, join } from "node:path";
import { Command, CommanderError } from "commander";
import { RecordingRefusal } from "../core/audio";
import { monoFiles, monoSound, polyFile } from "../core/tags";
import { say } from "../messages";
import { openFileSource } from "./fileSource";
import { refuser } from "./output";

const refuse = refuser("hypophon tracks");

const stem = (path: string): string => basename(path).replace(/\.[^.]*$/, "");

/** Writes a new file; nothing that is there is written over, and nothing half written is left. */
async function writeNew(path: string, head: Uint8Array, sound: AsyncIterable<Uint8Array>): Promise<void> {
  const handle = await open(path, "wx");
  try {
    await handle.write(head);
    for await (const bytes of sound) await handle.write(bytes);
    await handle.sync();
    await handle.close();
  } catch (error) {
    await handle.close().catch(() => undefined);
    await rm(path, { force: true });
    throw error;
  }
}

async function split(path: string, folder: string): Promise<void> {
  const source = await openFileSource(path);
  try {
    const files = await monoFiles(source);
    await mkdir(folder, { recursive: true });
    for (const { channel, head } of files) {
      const to = join(folder, `${stem(path)}_${channel + 1}.wav`);
      await writeNew(to, head, monoSound(source, channel));
      process.stdout.write(`${to}\n`);
    }
  } finally {
    await source.close();
  }
}

async function joinAll(paths: readonly string[], to: string): Promise<void> {
  const sources: Awaited<ReturnType<typeof openFileSource>>[] = [];
  try {
    for (const path of paths) sources.push(await openFileSource(path));
    const { head, sound } = await polyFile(sources, paths.map(stem));
    await writeNew(to, head, sound());
    process.stdout.write(`${to}\n`);
  } finally {
    await Promise.all(sources.map((source) => source.close()));
  }
}

/** One poly file into a file for each track, or files of tracks into one: 0 done, 1 refused with a reason, 2 a bad call. */
export async function runTracks(args: readonly string[]): Promise<number> {
  const program = new Command("hypophon tracks")
    .argument("<files...>", "one poly file, or the files of one take in their order")
    .requiredOption("--to <path>", "a folder for the tracks of one file; a new file for the tracks of several")
    .exitOverride()
    .configureOutput({ writeErr: (text) => process.stderr.write(text.replace(/^error: /, "hypophon tracks: ")) })
    .action(async (files: string[], { to }: { to: string }) => {
      await (files.length === 1 ? split(files[0]!, to) : joinAll(files, to));
    });
  try {
    await program.parseAsync(["node", "hypophon", ...args]);
    return 0;
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : 2;
    if (error instanceof RecordingRefusal) {
      process.stderr.write(`hypophon tracks: ${say(error.says)}\n`);
      return 1;
    }
    const { code, path } = error as NodeJS.ErrnoException;
    if (code === "EEXIST") return refuse(`${path ?? "a file"} is there already; it was not written over`);
    return refuse(`the files could not be written: ${code ?? "unknown"}`);
  }
}
