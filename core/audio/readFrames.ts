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
}

/** Hands a file's frames on block by block, decoded into one plane a channel: one read in memory while the next is fetched. */
export async function readFrames(
  source: ByteSource,
  header: WavHeader,
  onBlock: (planes: readonly Float32Array[], count: number) => void,
  options: ReadOptions = {},
): Promise<{ framesRead: number; brokenSamples: number }> {
  const decode = pcmDecoder(header);
  const planes = Array.from({ length: header.channels }, () => new Float32Array(BLOCK_FRAMES));
  const framesPerRead = Math.max(1, Math.floor(READ_BYTES / header.bytesPerFrame));
  const readFrom = (frame: number) =>
    source.read(
      header.dataOffset + frame * header.bytesPerFrame,
      Math.min(framesPerRead, header.frames - frame) * header.bytesPerFrame,
    );

  let framesRead = 0;
  let brokenSamples = 0;
  let pending = readFrom(0);
  while (framesRead < header.frames) {
    const bytes = await pending;
    const frames = Math.floor(bytes.length / header.bytesPerFrame);
    if (frames === 0) break;
    const next = framesRead + frames;
    if (next < header.frames) pending = readFrom(next);
    for (let from = 0; from < frames; from += BLOCK_FRAMES) {
      const count = Math.min(BLOCK_FRAMES, frames - from);
      const block = bytes.subarray(from * header.bytesPerFrame, (from + count) * header.bytesPerFrame);
      brokenSamples += decode(block, count, planes);
      onBlock(planes, count);
    }
    framesRead = next;
    options.onProgress?.(framesRead / header.frames);
    if (options.isCancelled?.()) throw new MeasurementCancelled("Stopped.");
  }
  return { framesRead, brokenSamples };
}
