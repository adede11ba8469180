/** Something that bytes can be pulled from, piece by piece: a file, a blob, an array. */
export interface ByteSource {
  readonly sizeBytes: number;
  /** Up to `length` bytes from `offset`; fewer at the end. Valid until the next call but one. */
  read(offset: number, length: number): Promise<Uint8Array>;
  /** A stretch from its beginning, where that is quicker than pull by pull. */
  run?(offset: number, length: number): ByteRun;
}

/** A stretch of bytes on its way, in portions of any length. */
export interface ByteRun {
  /** The next portion, null at the end. Valid until the next call but one. */
  next(): Promise<Uint8Array | null>;
  /** No more is wanted. */
  end(): void;
}

/** A source over bytes in memory. */
export function bytesSource(bytes: Uint8Array): ByteSource {
  return {
    sizeBytes: bytes.length,
    read: (offset, length) => Promise.resolve(bytes.subarray(offset, offset + length)),
  };
}
