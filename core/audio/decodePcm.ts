import type { Encoding } from "./wavHeader";

/** Decodes interleaved bytes into one plane a channel; returns how many samples were no numbers or beyond any level (set to 0). */
export type PcmDecoder = (bytes: Uint8Array, frames: number, planes: readonly Float32Array[]) => number;

export interface PcmLayout {
  encoding: Encoding;
  channels: number;
  bytesPerSample: number;
}

type ChannelReader = (bytes: Uint8Array, start: number, stride: number, frames: number, plane: Float32Array) => void;

const readUnsigned8: ChannelReader = (bytes, start, stride, frames, plane) => {
  for (let frame = 0, at = start; frame < frames; frame += 1, at += stride) plane[frame] = (bytes[at]! - 128) / 128;
};

const readSigned16: ChannelReader = (bytes, start, stride, frames, plane) => {
  for (let frame = 0, at = start; frame < frames; frame += 1, at += stride)
    plane[frame] = (((bytes[at]! << 16) | (bytes[at + 1]! << 24)) >> 16) * 2 ** -15;
};

const readSigned24: ChannelReader = (bytes, start, stride, frames, plane) => {
  for (let frame = 0, at = start; frame < frames; frame += 1, at += stride)
    plane[frame] = (((bytes[at]! << 8) | (bytes[at + 1]! << 16) | (bytes[at + 2]! << 24)) >> 8) * 2 ** -23;
};

const readSigned32: ChannelReader = (bytes, start, stride, frames, plane) => {
  for (let frame = 0, at = start; frame < frames; frame += 1, at += stride)
    plane[frame] = (bytes[at]! | (bytes[at + 1]! << 8) | (bytes[at + 2]! << 16) | (bytes[at + 3]! << 24)) * 2 ** -31;
};

/** Beyond +120 dBFS is no sound, and under −200 dBFS is none to be heard. */
const MOST = 1e6;
const LEAST = 1e-10;

function readFloat(width: 32 | 64): (...args: Parameters<ChannelReader>) => number {
  return (bytes, start, stride, frames, plane) => {
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    let broken = 0;
    for (let frame = 0, at = start; frame < frames; frame += 1, at += stride) {
      const value = Math.fround(width === 32 ? view.getFloat32(at, true) : view.getFloat64(at, true));
      const size = Math.abs(value);
      // No number is not in any range.
      const isLevel = size <= MOST;
      plane[frame] = isLevel && size >= LEAST ? value : 0;
      if (!isLevel) broken += 1;
    }
    return broken;
  };
}

const SIGNED_READERS: Record<number, ChannelReader> = {
  1: readUnsigned8,
  2: readSigned16,
  3: readSigned24,
  4: readSigned32,
};

/**
 * A decoder for one file's layout: PCM 8 (unsigned), 16, 24, 32 bit and float 32/64, little endian, to ±1.
 * Values beyond ±1 in float files are kept, up to +120 dBFS; what is beyond or no number becomes 0 and is counted.
 */
export function pcmDecoder(layout: PcmLayout): PcmDecoder {
  const { bytesPerSample, channels } = layout;
  const stride = bytesPerSample * channels;
  if (layout.encoding === "float") {
    const read = readFloat(bytesPerSample === 8 ? 64 : 32);
    return (bytes, frames, planes) =>
      planes.reduce(
        (broken, plane, channel) => broken + read(bytes, channel * bytesPerSample, stride, frames, plane),
        0,
      );
  }
  const read = SIGNED_READERS[bytesPerSample]!;
  return (bytes, frames, planes) => {
    for (let channel = 0; channel < channels; channel += 1)
      read(bytes, channel * bytesPerSample, stride, frames, planes[channel]!);
    return 0;
  };
}
