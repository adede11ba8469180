import { open, rm } from "node:fs/promises";
import { type PcmForm, soundWriter, type TakePlanes } from "../core/audio";

export type SoundForm = PcmForm;

/** Dither is the same each time: the same call makes the same file. */
const SEED = 0x48797068;

/**
 * Writes a new sound file as it is rendered. Nothing that is there is written over, and nothing half written is left: what
 * rendering raises goes on, and a file that is there raises EEXIST.
 */
export async function writeSound(
  path: string,
  head: Uint8Array,
  form: SoundForm,
  render: (take: TakePlanes) => Promise<unknown>,
): Promise<void> {
  const handle = await open(path, "wx");
  try {
    await handle.write(head);
    const writer = soundWriter(form, SEED, (bytes) => handle.write(bytes));
    await render((planes, frames) => writer.take(planes, frames));
    await writer.end();
    await handle.sync();
    await handle.close();
  } catch (error) {
    await handle.close().catch(() => undefined);
    await rm(path, { force: true });
    throw error;
  }
}

const SYSTEM: Record<string, string> = {
  ENOSPC: "the disk is full",
  EDQUOT: "the disk quota is used up",
  EROFS: "the target can be read only",
  EACCES: "you have no permission to write there",
  EPERM: "you have no permission to write there",
  ENOENT: "the folder is not there",
  ENOTDIR: "the folder is not there",
  EISDIR: "that is a folder",
};

/** Why a file could not be written, in words; null where it is no fault of writing. */
export function writingFault(error: unknown): string | null {
  const { code, path } = (error ?? {}) as NodeJS.ErrnoException;
  if (typeof code !== "string") return null;
  if (code === "EEXIST") return `${path ?? "The file"} is there already; it was not written over.`;
  return `${path ?? "The file"} could not be written: ${SYSTEM[code] ?? code}. Nothing half written is left.`;
}
