import { open } from "node:fs/promises";
import type { ByteSource } from "../core/audio/byteSource";

/** A file as a byte source. Two buffers take turns, so one read may be under way while the last is used. */
export async function openFileSource(path: string): Promise<ByteSource & { close(): Promise<void> }> {
  const handle = await open(path, "r");
  const { size } = await handle.stat();
  const buffers: [Uint8Array, Uint8Array] = [new Uint8Array(0), new Uint8Array(0)];
  let turn: 0 | 1 = 0;
  return {
    sizeBytes: size,
    async read(offset, length) {
      turn = turn === 0 ? 1 : 0;
      if (buffers[turn].length < length) buffers[turn] = new Uint8Array(length);
      const buffer = buffers[turn];
      let filled = 0;
      while (filled < length) {
        const { bytesRead } = await handle.read(buffer, filled, length - filled, offset + filled);
        if (bytesRead === 0) break;
        filled += bytesRead;
      }
      return buffer.subarray(0, filled);
    },
    close: () => handle.close(),
  };
}
