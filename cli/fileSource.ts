import { constants } from "node:fs";
import { open, type FileHandle } from "node:fs/promises";
import { type ByteSource, RecordingRefusal } from "../core/audio";

/** Refusals that need no figure. */
type BareRefusal = "missing" | "noPermission" | "linkLoop" | "nameTooLong" | "manyOpen" | "pipe";
const OPENING: Record<string, `refused.${BareRefusal}`> = {
  ENOENT: "refused.missing",
  ENOTDIR: "refused.missing",
  EACCES: "refused.noPermission",
  EPERM: "refused.noPermission",
  ELOOP: "refused.linkLoop",
  ENAMETOOLONG: "refused.nameTooLong",
  EMFILE: "refused.manyOpen",
  ENFILE: "refused.manyOpen",
  // A socket.
  ENXIO: "refused.pipe",
};

/** What a system's error says of a file, as a refusal; other errors stay as they are. */
export function fileRefusal(error: unknown): unknown {
  const code = (error as NodeJS.ErrnoException | null)?.code;
  if (typeof code !== "string" || error instanceof RecordingRefusal) return error;
  return new RecordingRefusal(
    OPENING[code] ? { code: OPENING[code] } : { code: "refused.readBrokeOff", because: code },
  );
}

async function regularFile(path: string | Buffer): Promise<{ handle: FileHandle; size: number }> {
  let handle: FileHandle;
  try {
    // A pipe is not waited for.
    handle = await open(path, constants.O_RDONLY | constants.O_NONBLOCK);
  } catch (error) {
    throw fileRefusal(error);
  }
  const stats = await handle.stat();
  if (stats.isFile()) return { handle, size: stats.size };
  await handle.close();
  throw new RecordingRefusal({ code: stats.isDirectory() ? "refused.folder" : "refused.pipe" });
}

/**
 * A file as a byte source. Two buffers take turns, so one read may be under way while the last is used.
 * Errors: RecordingRefusal where it is no regular file, cannot be opened, or stops being readable.
 */
export async function openFileSource(path: string | Buffer): Promise<ByteSource & { close(): Promise<void> }> {
  const { handle, size } = await regularFile(path);
  const buffers: [Uint8Array, Uint8Array] = [new Uint8Array(0), new Uint8Array(0)];
  let turn: 0 | 1 = 0;
  return {
    sizeBytes: size,
    async read(offset, length) {
      turn = turn === 0 ? 1 : 0;
      if (buffers[turn].length < length) buffers[turn] = new Uint8Array(length);
      const buffer = buffers[turn];
      let filled = 0;
      try {
        while (filled < length) {
          const { bytesRead } = await handle.read(buffer, filled, length - filled, offset + filled);
          if (bytesRead === 0) break;
          filled += bytesRead;
        }
      } catch (error) {
        throw fileRefusal(error);
      }
      return buffer.subarray(0, filled);
    },
    close: () => handle.close().catch(() => undefined),
  };
}
