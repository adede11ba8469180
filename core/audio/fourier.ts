/** A discrete Fourier transform of one length, done in place. */
export interface Fourier {
  readonly size: number;
  /** Real and imaginary parts, each `size` long; sign −1 forward, +1 back (not divided by the size). */
  transform(re: Float64Array, im: Float64Array, sign?: 1 | -1): void;
}

const made = new Map<number, Fourier>();

/** Radix-2 transform after Cooley and Tukey (1965); `size` a power of two, else RangeError. Tables are made once a size. */
export function fourierOf(size: number): Fourier {
  const known = made.get(size);
  if (known) return known;
  if (size < 2 || (size & (size - 1)) !== 0) throw new RangeError(`size ${size}: a power of two from 2 on`);
  const cosines = Float64Array.from({ length: size / 2 }, (_, at) => Math.cos((2 * Math.PI * at) / size));
  const sines = Float64Array.from({ length: size / 2 }, (_, at) => Math.sin((2 * Math.PI * at) / size));
  const mirrored = new Uint32Array(size);
  for (let at = 1; at < size; at += 1) mirrored[at] = (mirrored[at >> 1]! >> 1) | (at & 1 ? size >> 1 : 0);
  const fourier: Fourier = {
    size,
    transform(re, im, sign = -1) {
      for (let at = 1; at < size; at += 1) {
        const other = mirrored[at]!;
        if (at >= other) continue;
        const [a, b] = [re[at]!, im[at]!];
        re[at] = re[other]!;
        im[at] = im[other]!;
        re[other] = a;
        im[other] = b;
      }
      // The first stage needs no turning.
      for (let near = 0; near < size; near += 2) {
        const [x, y] = [re[near + 1]!, im[near + 1]!];
        re[near + 1] = re[near]! - x;
        im[near + 1] = im[near]! - y;
        re[near] = re[near]! + x;
        im[near] = im[near]! + y;
      }
      for (let length = 4; length <= size; length *= 2) {
        const half = length / 2;
        const stride = size / length;
        for (let start = 0; start < size; start += length)
          for (let offset = 0; offset < half; offset += 1) {
            const near = start + offset;
            const far = near + half;
            const c = cosines[offset * stride]!;
            const s = sign * sines[offset * stride]!;
            const x = re[far]! * c - im[far]! * s;
            const y = re[far]! * s + im[far]! * c;
            re[far] = re[near]! - x;
            im[far] = im[near]! - y;
            re[near] = re[near]! + x;
            im[near] = im[near]! + y;
          }
      }
    },
  };
  made.set(size, fourier);
  return fourier;
}
