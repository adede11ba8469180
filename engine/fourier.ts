import { room } from "./block";

/** Bytes of one point: the real parts of four signals, then their imaginary parts. */
export const POINT_BYTES: usize = 32;

/**
 * Forward Fourier transform of four complex signals at once, one in each lane; the size is a power of two from 8.
 * Method: Cooley and Tukey (1965), two stages in one pass.
 */
export class Fourier4 {
  size: i32;
  /** Points: put in where {@link slot} says, read out in their order. */
  points: usize;
  private cosines: usize;
  private sines: usize;
  private order: usize;

  constructor(size: i32) {
    this.size = size;
    this.points = room(<usize>size * POINT_BYTES);
    this.cosines = room((<usize>(size / 2)) << 2);
    this.sines = room((<usize>(size / 2)) << 2);
    this.order = room((<usize>size) << 2);
    let bits = 0;
    while (1 << bits < size) bits += 1;
    for (let index = 0; index < size; index += 1) {
      let mirrored = 0;
      for (let bit = 0; bit < bits; bit += 1) if (index & (1 << bit)) mirrored |= 1 << (bits - 1 - bit);
      store<u32>(this.order + ((<usize>index) << 2), <u32>(this.points + <usize>mirrored * POINT_BYTES));
      if (index >= size / 2) continue;
      const angle = (-2 * Math.PI * <f64>index) / <f64>size;
      store<f32>(this.cosines + ((<usize>index) << 2), <f32>Math.cos(angle));
      store<f32>(this.sines + ((<usize>index) << 2), <f32>Math.sin(angle));
    }
  }

  /** Where a point goes before the transform. */
  @inline
  slot(index: i32): usize {
    return <usize>load<u32>(this.order + ((<usize>index) << 2));
  }

  /** The first two stages at once: they turn by nothing but quarters. */
  private firstStages(): void {
    const end = this.points + <usize>this.size * POINT_BYTES;
    for (let at = this.points; at < end; at += 128) {
      const re0 = v128.load(at);
      const im0 = v128.load(at, 16);
      const re1 = v128.load(at, 32);
      const im1 = v128.load(at, 48);
      const re2 = v128.load(at, 64);
      const im2 = v128.load(at, 80);
      const re3 = v128.load(at, 96);
      const im3 = v128.load(at, 112);
      const aRe = f32x4.add(re0, re1);
      const aIm = f32x4.add(im0, im1);
      const bRe = f32x4.sub(re0, re1);
      const bIm = f32x4.sub(im0, im1);
      const cRe = f32x4.add(re2, re3);
      const cIm = f32x4.add(im2, im3);
      const dRe = f32x4.sub(re2, re3);
      const dIm = f32x4.sub(im2, im3);
      v128.store(at, f32x4.add(aRe, cRe));
      v128.store(at, f32x4.add(aIm, cIm), 16);
      v128.store(at, f32x4.add(bRe, dIm), 32);
      v128.store(at, f32x4.sub(bIm, dRe), 48);
      v128.store(at, f32x4.sub(aRe, cRe), 64);
      v128.store(at, f32x4.sub(aIm, cIm), 80);
      v128.store(at, f32x4.sub(bRe, dIm), 96);
      v128.store(at, f32x4.add(bIm, dRe), 112);
    }
  }

  /** Two stages at once, of blocks of `size` and of twice that. */
  private twoStages(size: usize): void {
    const end = this.points + <usize>this.size * POINT_BYTES;
    const quarter = size << 4;
    const stride = (<usize>this.size / size) << 2;
    for (let offset: usize = 0; offset < size >> 1; offset += 1) {
      const c1 = v128.load32_splat(this.cosines + offset * stride);
      const s1 = v128.load32_splat(this.sines + offset * stride);
      const c2 = v128.load32_splat(this.cosines + offset * (stride >> 1));
      const s2 = v128.load32_splat(this.sines + offset * (stride >> 1));
      for (let at = this.points + offset * POINT_BYTES; at < end; at += size << 6) {
        const at1 = at + quarter;
        const at2 = at1 + quarter;
        const at3 = at2 + quarter;
        const bRe0 = v128.load(at1);
        const bIm0 = v128.load(at1, 16);
        const dRe0 = v128.load(at3);
        const dIm0 = v128.load(at3, 16);
        const bRe1 = f32x4.sub(f32x4.mul(bRe0, c1), f32x4.mul(bIm0, s1));
        const bIm1 = f32x4.add(f32x4.mul(bRe0, s1), f32x4.mul(bIm0, c1));
        const dRe1 = f32x4.sub(f32x4.mul(dRe0, c1), f32x4.mul(dIm0, s1));
        const dIm1 = f32x4.add(f32x4.mul(dRe0, s1), f32x4.mul(dIm0, c1));
        const cRe0 = v128.load(at2);
        const cIm0 = v128.load(at2, 16);
        const cRe1 = f32x4.add(cRe0, dRe1);
        const cIm1 = f32x4.add(cIm0, dIm1);
        const dRe2 = f32x4.sub(cRe0, dRe1);
        const dIm2 = f32x4.sub(cIm0, dIm1);
        const cRe = f32x4.sub(f32x4.mul(cRe1, c2), f32x4.mul(cIm1, s2));
        const cIm = f32x4.add(f32x4.mul(cRe1, s2), f32x4.mul(cIm1, c2));
        // A quarter turn further on: times −j.
        const dRe = f32x4.add(f32x4.mul(dRe2, s2), f32x4.mul(dIm2, c2));
        const dIm = f32x4.sub(f32x4.mul(dIm2, s2), f32x4.mul(dRe2, c2));
        const aRe0 = v128.load(at);
        const aIm0 = v128.load(at, 16);
        const aRe = f32x4.add(aRe0, bRe1);
        const aIm = f32x4.add(aIm0, bIm1);
        const bRe = f32x4.sub(aRe0, bRe1);
        const bIm = f32x4.sub(aIm0, bIm1);
        v128.store(at, f32x4.add(aRe, cRe));
        v128.store(at, f32x4.add(aIm, cIm), 16);
        v128.store(at2, f32x4.sub(aRe, cRe));
        v128.store(at2, f32x4.sub(aIm, cIm), 16);
        v128.store(at1, f32x4.add(bRe, dRe));
        v128.store(at1, f32x4.add(bIm, dIm), 16);
        v128.store(at3, f32x4.sub(bRe, dRe));
        v128.store(at3, f32x4.sub(bIm, dIm), 16);
      }
    }
  }

  /** The last stage, where the number of stages is odd. */
  private lastStage(): void {
    const half = this.size / 2;
    const reach = <usize>half * POINT_BYTES;
    for (let offset = 0; offset < half; offset += 1) {
      const cosine = v128.load32_splat(this.cosines + ((<usize>offset) << 2));
      const sine = v128.load32_splat(this.sines + ((<usize>offset) << 2));
      const near = this.points + <usize>offset * POINT_BYTES;
      const far = near + reach;
      const farRe = v128.load(far);
      const farIm = v128.load(far, 16);
      const turnedRe = f32x4.sub(f32x4.mul(farRe, cosine), f32x4.mul(farIm, sine));
      const turnedIm = f32x4.add(f32x4.mul(farRe, sine), f32x4.mul(farIm, cosine));
      const nearRe = v128.load(near);
      const nearIm = v128.load(near, 16);
      v128.store(near, f32x4.add(nearRe, turnedRe));
      v128.store(near, f32x4.add(nearIm, turnedIm), 16);
      v128.store(far, f32x4.sub(nearRe, turnedRe));
      v128.store(far, f32x4.sub(nearIm, turnedIm), 16);
    }
  }

  transform(): void {
    this.firstStages();
    let size: usize = 8;
    for (; size << 1 <= <usize>this.size; size <<= 2) this.twoStages(size);
    if (size <= <usize>this.size) this.lastStage();
  }
}
