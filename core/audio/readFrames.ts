import type { ByteSource } from "./byteSource";
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

/**
 * Hands on the bytes of a range block by block, whole blocks but for the last: one read in memory while the next is
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
  const framesPerRead = Math.max(1, Math.floor(READ_BYTES / bytesPerFrame / blockFrames)) * blockFrames;
  const end = Math.min(header.frames, range.from + range.frames);
  const readFrom = (frame: number) =>
    source.read(header.dataOffset + frame * bytesPerFrame, Math.min(framesPerRead, end - frame) * bytesPerFrame);

  let at = range.from;
  let pending = at < end ? readFrom(at) : null;
  while (pending) {
    const bytes = await pending;
    const frames = Math.floor(bytes.length / bytesPerFrame);
    if (frames === 0) break;
    const next = at + frames;
    const isWhole = frames === Math.min(framesPerRead, end - at);
    pending = isWhole && next < end ? readFrom(next) : null;
    for (let from = 0; from < frames; from += blockFrames) {
      const count = Math.min(blockFrames, frames - from);
      onBlock(bytes.subarray(from * bytesPerFrame, (from + count) * bytesPerFrame), count);
    }
    at = next;
    options.onProgress?.((at - range.from) / (end - range.from));
    const held = options.holdUp?.();
    if (held) await held;
    if (options.isCancelled?.()) {
      await pending?.catch(() => null);
      throw new MeasurementCancelled("Stopped.");
    }
  }
  return at - range.from;
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
