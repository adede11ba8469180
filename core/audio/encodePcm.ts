/** How samples are written. */
export interface PcmForm {
  bits: 16 | 24 | 32;
  isFloat: boolean;
}

/** Interleaved bytes of planar samples; valid until the next call. */
export type PcmEncoder = (planes: readonly Float32Array[], frames: number) => Uint8Array;

/**
 * Turns samples in ±1 into bytes: 32-bit float as they are, 16 and 24 bits with triangular dither of ±1 step. What is beyond full
 * scale is cut off in whole numbers. The same seed gives the same bytes. Source: Lipshitz, Wannamaker and Vanderkooy,
 * "Quantization and dither", JAES 40 (1992).
 */
export function pcmEncoder({ bits, isFloat }: PcmForm, seed: number): PcmEncoder {
  if (isFloat && bits !== 32) throw new RangeError(`float of ${bits} bits`);
  const width = bits / 8;
  const scale = 2 ** (bits - 1);
  // Marsaglia, "Xorshift RNGs" (2003).
  let random = seed | 0 || 0x9e3779b9;
  let bytes = new Uint8Array(0);
  let view = new DataView(bytes.buffer);

  function encodeFloat(plane: Float32Array, frames: number, at: number, stride: number): void {
    for (let frame = 0; frame < frames; frame += 1, at += stride) view.setFloat32(at, plane[frame]!, true);
  }
  function encodeWhole(plane: Float32Array, frames: number, at: number, stride: number): void {
    for (let frame = 0; frame < frames; frame += 1, at += stride) {
      random ^= random << 13;
      random ^= random >>> 17;
      random ^= random << 5;
      // Two even numbers make a triangular one, from −1 to 1; half a step more rounds.
      const dither = ((random & 0xffff) + (random >>> 16)) * 2 ** -16 - 0.5;
      const exact = Math.floor(plane[frame]! * scale + dither);
      const code = exact < -scale ? -scale : exact < scale ? exact : scale - 1;
      bytes[at] = code;
      bytes[at + 1] = code >> 8;
      if (width > 2) bytes[at + 2] = code >> 16;
      if (width > 3) bytes[at + 3] = code >> 24;
    }
  }

  return (planes, frames) => {
    const stride = planes.length * width;
    if (bytes.length < frames * stride) {
      bytes = new Uint8Array(frames * stride);
      view = new DataView(bytes.buffer);
    }
    planes.forEach((plane, channel) => (isFloat ? encodeFloat : encodeWhole)(plane, frames, channel * width, stride));
    return bytes.subarray(0, frames * stride);
  };
}
