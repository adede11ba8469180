import type { ByteSource } from "../core/audio/byteSource";

/** Pulls bytes out of a file where it is, piece by piece. */
export function blobSource(blob: Blob): ByteSource {
  return {
    sizeBytes: blob.size,
    read: async (offset, length) => new Uint8Array(await blob.slice(offset, offset + length).arrayBuffer()),
  };
}
