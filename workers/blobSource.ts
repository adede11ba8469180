import type { ByteRun, ByteSource } from "../core/audio";

/** The beginning of a file is fetched at once: each fetch costs a millisecond or two, and a header takes many small ones. */
const HEAD_BYTES = 1 << 16;

/**
 * A stretch as a stream: a third of the trips through the browser that pulls need, and it fills up ahead while what has
 * come is worked on.
 */
function streamed(stretch: Blob): ByteRun {
  const reader = stretch.stream().getReader();
  return {
    next: async () => (await reader.read()).value ?? null,
    // A stream that has ended in an error says so again here; who read it knows already.
    end: () => void reader.cancel().catch(() => undefined),
  };
}

/** Pulls bytes out of a file where it is, piece by piece. */
export function blobSource(blob: Blob): ByteSource {
  const fetched = async (offset: number, length: number) =>
    new Uint8Array(await blob.slice(offset, offset + length).arrayBuffer());
  let head: Promise<Uint8Array> | null = null;
  return {
    sizeBytes: blob.size,
    run: (offset, length) => streamed(blob.slice(offset, offset + length)),
    read: async (offset, length) => {
      if (Math.min(offset + length, blob.size) > HEAD_BYTES) return fetched(offset, length);
      head ??= fetched(0, HEAD_BYTES);
      // A copy, as from any other fetch: who asked may change or pass it on.
      return (await head).slice(offset, offset + length);
    },
  };
}
