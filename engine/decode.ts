export const UNSIGNED_8: i32 = 0;
export const SIGNED_16: i32 = 1;
export const SIGNED_24: i32 = 2;
export const SIGNED_32: i32 = 3;
export const FLOAT_32: i32 = 4;
export const FLOAT_64: i32 = 5;

/** Bytes of one sample of an encoding. */
export function bytesOf(encoding: i32): i32 {
  if (encoding == FLOAT_64) return 8;
  if (encoding == FLOAT_32 || encoding == SIGNED_32) return 4;
  return encoding + 1;
}

function decodeSigned24(from: usize, stride: usize, frames: i32, to: usize): void {
  const scale = <f32>(1.0 / 2147483648.0);
  const scale4 = f32x4.splat(scale);
  const mask = i32x4.splat(0xffffff00);
  let frame = 0;
  for (; frame + 4 <= frames; frame += 4) {
    // One byte before the sample is read along and cut off; the raw room begins with a spare word.
    let words = v128.load32_zero(from - 1);
    words = v128.load32_lane(from + stride - 1, words, 1);
    words = v128.load32_lane(from + 2 * stride - 1, words, 2);
    words = v128.load32_lane(from + (stride << 1) + stride - 1, words, 3);
    v128.store(to, f32x4.mul(f32x4.convert_i32x4_s(v128.and(words, mask)), scale4));
    from += 4 * stride;
    to += 16;
  }
  for (; frame < frames; frame += 1) {
    store<f32>(to, <f32>(load<i32>(from - 1) & 0xffffff00) * scale);
    from += stride;
    to += 4;
  }
}

/** Beyond +120 dBFS is no sound, and under −200 dBFS is none to be heard. */
const MOST: f32 = 1e6;
const LEAST: f32 = 1e-10;

function decodeFloat(from: usize, stride: usize, frames: i32, to: usize, isWide: bool): i32 {
  let broken = 0;
  for (let frame = 0; frame < frames; frame += 1) {
    const value = isWide ? <f32>load<f64>(from) : load<f32>(from);
    const size = abs(value);
    // No number is not in any range.
    const isLevel = size <= MOST;
    store<f32>(to, isLevel && size >= LEAST ? value : 0);
    if (!isLevel) broken += 1;
    from += stride;
    to += 4;
  }
  return broken;
}

/** Decodes one channel of interleaved frames into floats of ±1; says how many were no numbers, or beyond any level (they become 0). */
export function decodeChannel(encoding: i32, from: usize, stride: usize, frames: i32, to: usize): i32 {
  if (encoding == SIGNED_24) decodeSigned24(from, stride, frames, to);
  else if (encoding == SIGNED_16)
    for (let frame = 0; frame < frames; frame += 1, from += stride, to += 4)
      store<f32>(to, <f32>load<i16>(from) * <f32>(1.0 / 32768.0));
  else if (encoding == SIGNED_32)
    for (let frame = 0; frame < frames; frame += 1, from += stride, to += 4)
      store<f32>(to, <f32>load<i32>(from) * <f32>(1.0 / 2147483648.0));
  else if (encoding == UNSIGNED_8)
    for (let frame = 0; frame < frames; frame += 1, from += stride, to += 4)
      store<f32>(to, <f32>(<i32>load<u8>(from) - 128) * <f32>(1.0 / 128.0));
  else return decodeFloat(from, stride, frames, to, encoding == FLOAT_64);
  return 0;
}
