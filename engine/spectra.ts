import { room } from "./block";

/** Middles of the third-octave bands, Hz. Source: IEC 61260-1, nominal values. */
const MIDDLES: StaticArray<f64> = [
  125, 160, 200, 250, 315, 400, 500, 630, 800, 1000, 1250, 1600, 2000, 2500, 3150, 4000, 5000, 6300, 8000, 10000, 12500,
  16000,
];
export const BANDS: i32 = 22;

/**
 * Third-octave powers of Hann-windowed frames, four frames at a time, one in each lane.
 * A frame's power is scaled so that a band's figure is the mean square of what lies in it.
 */
export class Spectra {
  frames: i32;
  private half: i32;
  private window: usize;
  private cosines: usize;
  private sines: usize;
  private order: usize;
  private re: usize;
  private im: usize;
  private powers: usize;
  /** Where each band's bins and their shares begin, and how much of each bin belongs to it. */
  private firstBins: StaticArray<i32> = new StaticArray<i32>(BANDS);
  private firstShares: StaticArray<i32> = new StaticArray<i32>(BANDS + 1);
  private shares: usize;
  private lastBin: i32 = 0;

  constructor(rate: i32, hopFrames: i32) {
    let frames = 64;
    while (frames * 2 <= 3 * hopFrames) frames *= 2;
    this.frames = frames;
    this.half = frames / 2;
    const half = this.half;
    this.window = room((<usize>frames) << 2);
    this.cosines = room((<usize>(half + 1)) << 2);
    this.sines = room((<usize>(half + 1)) << 2);
    this.order = room((<usize>half) << 2);
    this.re = room((<usize>half) << 4);
    this.im = room((<usize>half) << 4);
    this.powers = room((<usize>(half + 1)) << 4);
    // Mean square of a Hann window is 3/8; one side of the spectrum counts twice.
    const scale = Math.sqrt(2 / (<f64>frames * <f64>frames * 0.375));
    for (let index = 0; index < frames; index += 1)
      store<f32>(
        this.window + ((<usize>index) << 2),
        <f32>((0.5 - 0.5 * Math.cos((2 * Math.PI * <f64>index) / <f64>frames)) * scale),
      );
    for (let index = 0; index <= half; index += 1) {
      const angle = (-2 * Math.PI * <f64>index) / <f64>frames;
      store<f32>(this.cosines + ((<usize>index) << 2), <f32>Math.cos(angle));
      store<f32>(this.sines + ((<usize>index) << 2), <f32>Math.sin(angle));
    }
    let bits = 0;
    while (1 << bits < half) bits += 1;
    for (let index = 0; index < half; index += 1) {
      let mirrored = 0;
      for (let bit = 0; bit < bits; bit += 1) if (index & (1 << bit)) mirrored |= 1 << (bits - 1 - bit);
      store<i32>(this.order + ((<usize>index) << 2), mirrored);
    }
    this.shares = room((<usize>(half + 2 * BANDS)) << 2);
    this.shareOut(<f64>rate / <f64>frames);
  }

  /** Gives each band its bins: whole ones inside, shares of those that its edges cut. */
  private shareOut(binHz: f64): void {
    const sixth = Math.pow(2, 1.0 / 6);
    let share = 0;
    for (let band = 0; band < BANDS; band += 1) {
      this.firstShares[band] = share;
      const low = max(0.5, MIDDLES[band] / sixth / binHz);
      const high = min(<f64>this.half, (band + 1 < BANDS ? MIDDLES[band + 1] / sixth : MIDDLES[band] * sixth) / binHz);
      this.firstBins[band] = <i32>Math.floor(low + 0.5);
      for (let bin = this.firstBins[band]; <f64>bin - 0.5 < high; bin += 1) {
        const part = min(high, <f64>bin + 0.5) - max(low, <f64>bin - 0.5);
        store<f32>(this.shares + ((<usize>share) << 2), <f32>part);
        share += 1;
        this.lastBin = bin;
      }
    }
    this.firstShares[BANDS] = share;
  }

  /** Puts four frames into the lanes, even samples as real and odd ones as imaginary part, in mirrored order. */
  private fill(from: usize, hopFrames: i32): void {
    const hop = (<usize>hopFrames) << 2;
    for (let index = 0; index < this.half; index += 2) {
      const at = from + ((<usize>index) << 3);
      const taps = this.window + ((<usize>index) << 3);
      const a = f32x4.mul(v128.load(at), v128.load(taps));
      const b = f32x4.mul(v128.load(at + hop), v128.load(taps));
      const c = f32x4.mul(v128.load(at + 2 * hop), v128.load(taps));
      const d = f32x4.mul(v128.load(at + 3 * hop), v128.load(taps));
      // Four samples of four frames turn into the same sample of four frames, four times.
      const ab = v128.shuffle<f32>(a, b, 0, 4, 1, 5);
      const cd = v128.shuffle<f32>(c, d, 0, 4, 1, 5);
      const abLate = v128.shuffle<f32>(a, b, 2, 6, 3, 7);
      const cdLate = v128.shuffle<f32>(c, d, 2, 6, 3, 7);
      const to = (<usize>load<i32>(this.order + ((<usize>index) << 2))) << 4;
      const toLate = (<usize>load<i32>(this.order + ((<usize>(index + 1)) << 2))) << 4;
      v128.store(this.re + to, v128.shuffle<f32>(ab, cd, 0, 1, 4, 5));
      v128.store(this.im + to, v128.shuffle<f32>(ab, cd, 2, 3, 6, 7));
      v128.store(this.re + toLate, v128.shuffle<f32>(abLate, cdLate, 0, 1, 4, 5));
      v128.store(this.im + toLate, v128.shuffle<f32>(abLate, cdLate, 2, 3, 6, 7));
    }
  }

  /** The first two stages at once: they turn by nothing but quarters. */
  private firstStages(): void {
    const end = (<usize>this.half) << 4;
    for (let start: usize = 0; start < end; start += 64) {
      const re = this.re + start;
      const im = this.im + start;
      const aRe = f32x4.add(v128.load(re), v128.load(re, 16));
      const aIm = f32x4.add(v128.load(im), v128.load(im, 16));
      const bRe = f32x4.sub(v128.load(re), v128.load(re, 16));
      const bIm = f32x4.sub(v128.load(im), v128.load(im, 16));
      const cRe = f32x4.add(v128.load(re, 32), v128.load(re, 48));
      const cIm = f32x4.add(v128.load(im, 32), v128.load(im, 48));
      const dRe = f32x4.sub(v128.load(re, 32), v128.load(re, 48));
      const dIm = f32x4.sub(v128.load(im, 32), v128.load(im, 48));
      v128.store(re, f32x4.add(aRe, cRe));
      v128.store(im, f32x4.add(aIm, cIm));
      v128.store(re, f32x4.add(bRe, dIm), 16);
      v128.store(im, f32x4.sub(bIm, dRe), 16);
      v128.store(re, f32x4.sub(aRe, cRe), 32);
      v128.store(im, f32x4.sub(aIm, cIm), 32);
      v128.store(re, f32x4.sub(bRe, dIm), 48);
      v128.store(im, f32x4.add(bIm, dRe), 48);
    }
  }

  /** Two stages at once, of blocks of `size` and of twice that. */
  private twoStages(size: usize): void {
    const end = (<usize>this.half) << 4;
    const quarter = size << 3;
    const stride = (<usize>this.frames / size) << 2;
    for (let offset: usize = 0; offset < size >> 1; offset += 1) {
      const c1 = v128.load32_splat(this.cosines + offset * stride);
      const s1 = v128.load32_splat(this.sines + offset * stride);
      const c2 = v128.load32_splat(this.cosines + offset * (stride >> 1));
      const s2 = v128.load32_splat(this.sines + offset * (stride >> 1));
      for (let start = offset << 4; start < end; start += size << 5) {
        const re = this.re + start;
        const im = this.im + start;
        const re1 = re + quarter;
        const im1 = im + quarter;
        const re2 = re1 + quarter;
        const im2 = im1 + quarter;
        const re3 = re2 + quarter;
        const im3 = im2 + quarter;
        const bRe0 = v128.load(re1);
        const bIm0 = v128.load(im1);
        const dRe0 = v128.load(re3);
        const dIm0 = v128.load(im3);
        const bRe1 = f32x4.sub(f32x4.mul(bRe0, c1), f32x4.mul(bIm0, s1));
        const bIm1 = f32x4.add(f32x4.mul(bRe0, s1), f32x4.mul(bIm0, c1));
        const dRe1 = f32x4.sub(f32x4.mul(dRe0, c1), f32x4.mul(dIm0, s1));
        const dIm1 = f32x4.add(f32x4.mul(dRe0, s1), f32x4.mul(dIm0, c1));
        const aRe0 = v128.load(re);
        const aIm0 = v128.load(im);
        const cRe0 = v128.load(re2);
        const cIm0 = v128.load(im2);
        const aRe = f32x4.add(aRe0, bRe1);
        const aIm = f32x4.add(aIm0, bIm1);
        const bRe = f32x4.sub(aRe0, bRe1);
        const bIm = f32x4.sub(aIm0, bIm1);
        const cRe1 = f32x4.add(cRe0, dRe1);
        const cIm1 = f32x4.add(cIm0, dIm1);
        const dRe2 = f32x4.sub(cRe0, dRe1);
        const dIm2 = f32x4.sub(cIm0, dIm1);
        const cRe = f32x4.sub(f32x4.mul(cRe1, c2), f32x4.mul(cIm1, s2));
        const cIm = f32x4.add(f32x4.mul(cRe1, s2), f32x4.mul(cIm1, c2));
        // A quarter turn further on: times −j.
        const dRe = f32x4.add(f32x4.mul(dRe2, s2), f32x4.mul(dIm2, c2));
        const dIm = f32x4.sub(f32x4.mul(dIm2, s2), f32x4.mul(dRe2, c2));
        v128.store(re, f32x4.add(aRe, cRe));
        v128.store(im, f32x4.add(aIm, cIm));
        v128.store(re2, f32x4.sub(aRe, cRe));
        v128.store(im2, f32x4.sub(aIm, cIm));
        v128.store(re1, f32x4.add(bRe, dRe));
        v128.store(im1, f32x4.add(bIm, dIm));
        v128.store(re3, f32x4.sub(bRe, dRe));
        v128.store(im3, f32x4.sub(bIm, dIm));
      }
    }
  }

  /** The last stage, where the number of stages is odd. */
  private lastStage(): void {
    const reach = (<usize>(this.half / 2)) << 4;
    for (let offset = 0; offset < this.half / 2; offset += 1) {
      // The table is of the whole frame: twice as fine.
      const cosine = v128.load32_splat(this.cosines + ((<usize>offset) << 3));
      const sine = v128.load32_splat(this.sines + ((<usize>offset) << 3));
      const re = this.re + ((<usize>offset) << 4);
      const im = this.im + ((<usize>offset) << 4);
      const farRe = v128.load(re + reach);
      const farIm = v128.load(im + reach);
      const turnedRe = f32x4.sub(f32x4.mul(farRe, cosine), f32x4.mul(farIm, sine));
      const turnedIm = f32x4.add(f32x4.mul(farRe, sine), f32x4.mul(farIm, cosine));
      const nearRe = v128.load(re);
      const nearIm = v128.load(im);
      v128.store(re, f32x4.add(nearRe, turnedRe));
      v128.store(im, f32x4.add(nearIm, turnedIm));
      v128.store(re + reach, f32x4.sub(nearRe, turnedRe));
      v128.store(im + reach, f32x4.sub(nearIm, turnedIm));
    }
  }

  private transform(): void {
    this.firstStages();
    let size: usize = 8;
    for (; size << 1 <= <usize>this.half; size <<= 2) this.twoStages(size);
    if (size <= <usize>this.half) this.lastStage();
  }

  /** Powers of the real frames' bins from the packed transform. */
  private unpack(): void {
    const half = this.half;
    const quarter = f32x4.splat(0.5);
    for (let bin = 1; bin <= this.lastBin; bin += 1) {
      const near = (<usize>(bin == half ? 0 : bin)) << 4;
      const far = (<usize>(bin == half ? 0 : half - bin)) << 4;
      const nearRe = v128.load(this.re + near);
      const nearIm = v128.load(this.im + near);
      const farRe = v128.load(this.re + far);
      const farIm = v128.load(this.im + far);
      const evenRe = f32x4.mul(quarter, f32x4.add(nearRe, farRe));
      const evenIm = f32x4.mul(quarter, f32x4.sub(nearIm, farIm));
      const oddRe = f32x4.mul(quarter, f32x4.add(nearIm, farIm));
      const oddIm = f32x4.mul(quarter, f32x4.sub(farRe, nearRe));
      const cosine = v128.load32_splat(this.cosines + ((<usize>bin) << 2));
      const sine = v128.load32_splat(this.sines + ((<usize>bin) << 2));
      const re = f32x4.add(evenRe, f32x4.sub(f32x4.mul(oddRe, cosine), f32x4.mul(oddIm, sine)));
      const im = f32x4.add(evenIm, f32x4.add(f32x4.mul(oddRe, sine), f32x4.mul(oddIm, cosine)));
      v128.store(this.powers + ((<usize>bin) << 4), f32x4.add(f32x4.mul(re, re), f32x4.mul(im, im)));
    }
  }

  /** Sum of a band's bins; those at its edges count by their share. */
  private power(band: i32): v128 {
    let at = this.powers + ((<usize>this.firstBins[band]) << 4);
    let sum = f32x4.splat(0);
    let share = this.shares + ((<usize>this.firstShares[band]) << 2);
    const end = this.shares + ((<usize>this.firstShares[band + 1]) << 2);
    for (; share < end; share += 4, at += 16) sum = f32x4.add(sum, f32x4.mul(v128.load32_splat(share), v128.load(at)));
    return sum;
  }

  /** Four frames, a hop apart, the first beginning at `from`; band b of frame n goes to `to + b·stride + 4n` bytes. */
  push(from: usize, hopFrames: i32, to: usize, stride: usize): void {
    this.fill(from, hopFrames);
    this.transform();
    this.unpack();
    for (let band = 0; band < BANDS; band += 1) v128.store(to + <usize>band * stride, this.power(band));
  }
}
