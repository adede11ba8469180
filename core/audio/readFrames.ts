import type { ByteRun, ByteSource } from "./byteSource";
import { pcmDecoder } from "./decodePcm";
import { MeasurementCancelled } from "./refusal";
import type { WavHeader } from "./wavHeader";

/** Bytes pulled at a time; memory does not grow with the file. */
const READ_BYTES = 1 << 20;
/** Frames decoded at a time: a channel's block stays in the processor's cache. */
const BLOCK_FRAMES = 4096;

export interface ReadOptions {
  /** Called after every read with the share done, 0…1. */
  onProgress?: (share: number) => void;
  /** Asked after every read; true stops with {@link MeasurementCancelled}. */
  isCancelled?: () => boolean;
  /** Asked after every read; a promise holds reading up until it is kept. */
  holdUp?: () => Promise<void> | null;
}

/** Frames of a file: where to begin and how many. */
export interface FrameRange {
  from: number;
  frames: number;
}

/** A stretch pulled piece by piece, in lengths that are whole blocks. */
function pulled(source: ByteSource, offset: number, length: number, blockBytes: number): ByteRun {
  const most = Math.max(1, Math.floor(READ_BYTES / blockBytes)) * blockBytes;
  let at = offset;
  return {
    next: async () => {
      const wanted = Math.min(most, offset + length - at);
      if (wanted <= 0) return null;
      at += wanted;
      const bytes = await source.read(at - wanted, wanted);
      // What a file that has shrunk no longer holds is not asked for again.
      if (bytes.length < wanted) at = offset + length;
      return bytes;
    },
    end: () => undefined,
  };
}

/** Cuts bytes that come in any lengths into blocks; what is short of one waits for the next bytes. */
function blockCutter(blockBytes: number, onBlock: (bytes: Uint8Array) => void) {
  const begun = new Uint8Array(blockBytes);
  let filled = 0;
  return {
    push(bytes: Uint8Array): void {
      let from = 0;
      if (filled > 0) {
        from = Math.min(blockBytes - filled, bytes.length);
        begun.set(bytes.subarray(0, from), filled);
        filled += from;
        if (filled < blockBytes) return;
        onBlock(begun);
        filled = 0;
      }
      for (; from + blockBytes <= bytes.length; from += blockBytes) onBlock(bytes.subarray(from, from + blockBytes));
      begun.set(bytes.subarray(from));
      filled = bytes.length - from;
    },
    /** The last bytes, fewer than a block. */
    rest: () => begun.subarray(0, filled),
  };
}

/**
 * Hands on the bytes of a range block by block, whole blocks but for the last: one portion in memory while the next is
 * fetched. Says how many frames there were; fewer than asked where the file ends or shrinks while it is read.
 */
export async function readBlocks(
  source: ByteSource,
  header: WavHeader,
  range: FrameRange,
  blockFrames: number,
  onBlock: (bytes: Uint8Array, frames: number) => void,
  options: ReadOptions = {},
): Promise<number> {
  const { bytesPerFrame } = header;
  const blockBytes = blockFrames * bytesPerFrame;
  const offset = header.dataOffset + range.from * bytesPerFrame;
  const length = Math.max(0, Math.min(header.frames - range.from, range.frames)) * bytesPerFrame;
  const run = source.run?.(offset, length) ?? pulled(source, offset, length, blockBytes);
  const blocks = blockCutter(blockBytes, (bytes) => onBlock(bytes, blockFrames));
  let seen = 0;
  try {
    for (let pending = run.next(); ;) {
      const bytes = await pending;
      if (!bytes?.length) break;
      pending = run.next();
      // Whether it comes is found out in the next turn; nobody may be there any more to hear of it.
      pending.catch(() => null);
      blocks.push(bytes);
      seen += bytes.length;
      options.onProgress?.(seen / length);
      const held = options.holdUp?.();
      if (held) await held;
      if (options.isCancelled?.()) {
        await pending.catch(() => null);
        throw new MeasurementCancelled("Stopped.");
      }
    }
  } finally {
    run.end();
  }
  const last = Math.floor(blocks.rest().length / bytesPerFrame);
  if (last > 0) onBlock(blocks.rest().subarray(0, last * bytesPerFrame), last);
  return Math.floor(seen / bytesPerFrame);
}

/** Hands a file's frames on block by block, decoded into one plane a channel. */
export async function readFrames(
  source: ByteSource,
  header: WavHeader,
  onBlock: (planes: readonly Float32Array[], count: number) => void,
  options: ReadOptions & Partial<FrameRange> = {},
): Promise<{ framesRead: number; brokenSamples: number }> {
  const decode = pcmDecoder(header);
  const planes = Array.from({ length: header.channels }, () => new Float32Array(BLOCK_FRAMES));
  const range = { from: options.from ?? 0, frames: options.frames ?? header.frames };
  let brokenSamples = 0;
  const framesRead = await readBlocks(
    source,
    header,
    range,
    BLOCK_FRAMES,
    (bytes, count) => {
      brokenSamples += decode(bytes, count, planes);
      onBlock(planes, count);
    },
    options,
  );
  return { framesRead, brokenSamples };
}
