import type { TaggedCopy } from "@/core/tags";

/** A tagged copy as a blob of pieces of its file: nothing of the sound is read into memory. */
export function copyBlob(file: File, { keepBytes, patches, tail }: TaggedCopy): Blob {
  const parts: BlobPart[] = [];
  let at = 0;
  for (const { offset, bytes } of patches) {
    parts.push(file.slice(at, offset), bytes);
    at = offset + bytes.length;
  }
  return new Blob([...parts, file.slice(at, keepBytes), tail], { type: "audio/wav" });
}
