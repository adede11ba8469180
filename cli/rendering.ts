import { open, rm } from "node:fs/promises";
import { pcmEncoder } from "../core/audio";
import { padding } from "../core/tags";

/** How the samples of a new file are written. */
export interface SoundForm {
  bits: 16 | 24 | 32;
  isFloat: boolean;
}

/** So many bytes are gathered before they are written. */
const PORTION = 1 << 20;
/** Dither is the same each time: the same call makes the same file. */
const SEED = 0x48797068;

/** Takes planes as they come; the same ones are used again when it is done. */
export type TakePlanes = (planes: readonly Float32Array[], frames: number) => Promise<void>;

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
  const encode = pcmEncoder(form, SEED);
  const portion = new Uint8Array(PORTION);
  let [filled, soundBytes] = [0, 0];
  const flush = async () => {
    await handle.write(portion, 0, filled);
    filled = 0;
  };
  try {
    await handle.write(head);
    await render(async (planes, frames) => {
      const step = Math.max(1, Math.floor(PORTION / 8 / planes.length / (form.bits / 8)));
      for (let from = 0; from < frames; from += step) {
        const count = Math.min(step, frames - from);
        const bytes = encode(
          planes.map((plane) => plane.subarray(from, from + count)),
          count,
        );
        if (filled + bytes.length > PORTION) await flush();
        portion.set(bytes, filled);
        filled += bytes.length;
        soundBytes += bytes.length;
      }
    });
    await flush();
    for (const byte of padding(soundBytes)) await handle.write(byte);
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
