import { room } from "../block";
import { Fourier4, POINT_BYTES } from "../fourier";
import { NoiseTracker } from "./noiseTracker";

/** Frames worked on at once: four in the real parts, four in the imaginary ones. */
const FRAMES: i32 = 8;
/** How much of what a bin was before counts; the least ratio of speech to noise. */
const BEFORE: f32 = 0.92;
const LEAST_RATIO: f32 = 0.00316;
const MOST_OVER: f32 = 1e5;

class Rows {
  /** One column of four rows of four. */
  @inline
  static column(a: v128, b: v128, c: v128, d: v128, at: i32): v128 {
    const isLow = at < 2;
    const ab = isLow ? v128.shuffle<f32>(a, b, 0, 4, 1, 5) : v128.shuffle<f32>(a, b, 2, 6, 3, 7);
    const cd = isLow ? v128.shuffle<f32>(c, d, 0, 4, 1, 5) : v128.shuffle<f32>(c, d, 2, 6, 3, 7);
    return (at & 1) === 0 ? v128.shuffle<f32>(ab, cd, 0, 1, 4, 5) : v128.shuffle<f32>(ab, cd, 2, 3, 6, 7);
  }
}

/**
 * Takes steady noise down by the gain of least mean-square error of the log spectrum, over frames that overlap by half (sine
 * windows, before and after). Source: Ephraim and Malah, IEEE Trans. ASSP-33 (1985), with their decision-directed ratio (1984).
 */
export class Denoiser {
  /** Eight hops of output, a hop behind the input. */
  out: usize;
  tracker: NoiseTracker;
  private hop: i32;
  private stride: usize;
  private line: usize;
  private window: usize;
  private powers: usize;
  private gains: usize;
  private before: usize;
  private there: Fourier4;
  private back: Fourier4;

  /** Frames of `size` samples, a power of two from 8. */
  constructor(
    private size: i32,
    sampleRateHz: f64,
  ) {
    this.there = new Fourier4(size);
    this.back = new Fourier4(size);
    this.tracker = new NoiseTracker(size / 2 + 4, <f64>(size / 2) / sampleRateHz);
    this.hop = size / 2;
    // Bins, and room for whole vectors.
    this.stride = (<usize>(this.hop + 4)) << 2;
    this.line = room((<usize>((FRAMES + 1) * this.hop)) << 2);
    this.out = room((<usize>((FRAMES + 1) * this.hop)) << 2);
    this.window = room((<usize>size) << 2);
    this.powers = room(this.stride * <usize>FRAMES);
    this.gains = room(this.stride * <usize>FRAMES);
    this.before = room(this.stride);
    for (let at = 0; at < size; at += 1)
      store<f32>(this.window + ((<usize>at) << 2), <f32>Math.sin((Math.PI * (<f64>at + 0.5)) / <f64>size));
  }

  /** Where the next eight hops are put. */
  nextAt(): usize {
    return this.line + ((<usize>this.hop) << 2);
  }

  /** Forgets the sound, not the noise. */
  startAgain(): void {
    memory.fill(this.line, 0, (<usize>((FRAMES + 1) * this.hop)) << 2);
    memory.fill(this.out, 0, (<usize>((FRAMES + 1) * this.hop)) << 2);
    memory.fill(this.before, 0, this.stride);
  }

  private fill(): void {
    const apart = (<usize>this.hop) << 2;
    for (let index = 0; index < this.size; index += 4) {
      const at = this.line + ((<usize>index) << 2);
      const taps = v128.load(this.window + ((<usize>index) << 2));
      for (let half: usize = 0; half < 2; half += 1) {
        const from = at + half * 4 * apart;
        const a = f32x4.mul(v128.load(from), taps);
        const b = f32x4.mul(v128.load(from + apart), taps);
        const c = f32x4.mul(v128.load(from + 2 * apart), taps);
        const d = f32x4.mul(v128.load(from + 3 * apart), taps);
        const offset = half << 4;
        v128.store(this.there.slot(index) + offset, Rows.column(a, b, c, d, 0));
        v128.store(this.there.slot(index + 1) + offset, Rows.column(a, b, c, d, 1));
        v128.store(this.there.slot(index + 2) + offset, Rows.column(a, b, c, d, 2));
        v128.store(this.there.slot(index + 3) + offset, Rows.column(a, b, c, d, 3));
      }
    }
  }

  /** Power of the frames in the real parts (`isLate` false) or the imaginary ones, of one bin. */
  @inline
  private powerOf(bin: i32, isLate: bool): v128 {
    const near = this.there.points + <usize>bin * POINT_BYTES;
    const far = this.there.points + <usize>((this.size - bin) & (this.size - 1)) * POINT_BYTES;
    const half = f32x4.splat(0.5);
    if (!isLate) {
      const re = f32x4.mul(half, f32x4.add(v128.load(near), v128.load(far)));
      const im = f32x4.mul(half, f32x4.sub(v128.load(near, 16), v128.load(far, 16)));
      return f32x4.add(f32x4.mul(re, re), f32x4.mul(im, im));
    }
    const re = f32x4.mul(half, f32x4.add(v128.load(near, 16), v128.load(far, 16)));
    const im = f32x4.mul(half, f32x4.sub(v128.load(far), v128.load(near)));
    return f32x4.add(f32x4.mul(re, re), f32x4.mul(im, im));
  }

  private measure(): void {
    for (let bin = 0; bin <= this.hop; bin += 4)
      for (let half = 0; half < 2; half += 1) {
        const isLate = half === 1;
        const a = this.powerOf(bin, isLate);
        const b = this.powerOf(bin + 1, isLate);
        const c = this.powerOf(bin + 2, isLate);
        const d = this.powerOf(bin + 3, isLate);
        const to = this.powers + <usize>(4 * half) * this.stride + ((<usize>bin) << 2);
        v128.store(to, Rows.column(a, b, c, d, 0));
        v128.store(to + this.stride, Rows.column(a, b, c, d, 1));
        v128.store(to + 2 * this.stride, Rows.column(a, b, c, d, 2));
        v128.store(to + 3 * this.stride, Rows.column(a, b, c, d, 3));
      }
  }

  /**
   * Gains of one frame. v·exp(E₁(v)) is v and a rest that a quotient of polynomials follows within 2·10⁻⁵ of the gain; fitted to
   * the exponential integral of scipy.
   */
  private judge(power: usize, gain: usize, floor: f32): void {
    const one = f32x4.splat(1);
    for (let at: usize = 0; at < this.stride; at += 16) {
      const over = f32x4.pmin(
        f32x4.div(v128.load(power + at), v128.load(this.tracker.noise + at)),
        f32x4.splat(MOST_OVER),
      );
      const news = f32x4.mul(f32x4.splat(1 - BEFORE), f32x4.pmax(f32x4.sub(over, one), f32x4.splat(0)));
      const known = f32x4.mul(f32x4.splat(BEFORE), v128.load(this.before + at));
      const ratio = f32x4.pmax(f32x4.add(known, news), f32x4.splat(LEAST_RATIO));
      const wiener = f32x4.div(ratio, f32x4.add(one, ratio));
      const v = f32x4.pmax(f32x4.mul(wiener, over), f32x4.splat(1e-7));
      let top = f32x4.add(f32x4.mul(f32x4.splat(0.006117724), v), f32x4.splat(-0.11761123));
      top = f32x4.add(f32x4.mul(top, v), f32x4.splat(0.56145852));
      let bottom = f32x4.add(f32x4.mul(f32x4.splat(0.012547283), v), f32x4.splat(0.039193583));
      bottom = f32x4.add(f32x4.mul(bottom, v), f32x4.splat(0.21114523));
      bottom = f32x4.add(f32x4.mul(bottom, v), f32x4.splat(0.57112671));
      bottom = f32x4.add(f32x4.mul(bottom, v), one);
      const rest = f32x4.div(top, f32x4.mul(bottom, v));
      const raw = f32x4.mul(wiener, f32x4.sqrt(f32x4.add(one, rest)));
      v128.store(this.before + at, f32x4.mul(f32x4.mul(raw, raw), over));
      v128.store(gain + at, f32x4.pmin(f32x4.pmax(raw, f32x4.splat(floor)), one));
    }
  }

  /** Applies the gains of the early four frames and of the late ones to one bin and its mirror. */
  @inline
  private turn(bin: i32, early: v128, late: v128): void {
    const other = (this.size - bin) & (this.size - 1);
    const near = this.there.points + <usize>bin * POINT_BYTES;
    const far = this.there.points + <usize>other * POINT_BYTES;
    const nr = v128.load(near);
    const ni = v128.load(near, 16);
    const fr = v128.load(far);
    const fi = v128.load(far, 16);
    const xr = f32x4.mul(early, f32x4.add(nr, fr));
    const xi = f32x4.mul(early, f32x4.sub(ni, fi));
    const yr = f32x4.mul(late, f32x4.add(ni, fi));
    const yi = f32x4.mul(late, f32x4.sub(fr, nr));
    const to = this.back.slot(bin);
    v128.store(to, f32x4.sub(xr, yi));
    // Turned over: the way back is a way there of what is turned over.
    v128.store(to, f32x4.neg(f32x4.add(xi, yr)), 16);
    if (other === bin) return;
    const mirrored = this.back.slot(other);
    v128.store(mirrored, f32x4.add(xr, yi));
    v128.store(mirrored, f32x4.sub(xi, yr), 16);
  }

  private apply(): void {
    const half = f32x4.splat(0.5);
    for (let bin = 0; bin <= this.hop; bin += 4) {
      const early = this.gains + ((<usize>bin) << 2);
      const late = early + 4 * this.stride;
      const a = f32x4.mul(half, v128.load(early));
      const b = f32x4.mul(half, v128.load(early + this.stride));
      const c = f32x4.mul(half, v128.load(early + 2 * this.stride));
      const d = f32x4.mul(half, v128.load(early + 3 * this.stride));
      const e = f32x4.mul(half, v128.load(late));
      const f = f32x4.mul(half, v128.load(late + this.stride));
      const g = f32x4.mul(half, v128.load(late + 2 * this.stride));
      const h = f32x4.mul(half, v128.load(late + 3 * this.stride));
      this.turn(bin, Rows.column(a, b, c, d, 0), Rows.column(e, f, g, h, 0));
      if (bin === this.hop) return;
      this.turn(bin + 1, Rows.column(a, b, c, d, 1), Rows.column(e, f, g, h, 1));
      this.turn(bin + 2, Rows.column(a, b, c, d, 2), Rows.column(e, f, g, h, 2));
      this.turn(bin + 3, Rows.column(a, b, c, d, 3), Rows.column(e, f, g, h, 3));
    }
  }

  private overlapAdd(): void {
    const apart = (<usize>this.hop) << 2;
    const scale: f32 = <f32>1 / <f32>this.size;
    memory.copy(this.out, this.out + apart * <usize>FRAMES, apart);
    memory.fill(this.out + apart, 0, apart * <usize>FRAMES);
    for (let index = 0; index < this.size; index += 4) {
      const taps = f32x4.mul(v128.load(this.window + ((<usize>index) << 2)), f32x4.splat(scale));
      const from = this.back.points + <usize>index * POINT_BYTES;
      for (let half: usize = 0; half < 2; half += 1) {
        const signed = half === 0 ? taps : f32x4.neg(taps);
        const at = from + (half << 4);
        const a = v128.load(at);
        const b = v128.load(at, 32);
        const c = v128.load(at, 64);
        const d = v128.load(at, 96);
        const to = this.out + ((<usize>index) << 2) + half * 4 * apart;
        v128.store(to, f32x4.add(v128.load(to), f32x4.mul(signed, Rows.column(a, b, c, d, 0))));
        const two = to + apart;
        v128.store(two, f32x4.add(v128.load(two), f32x4.mul(signed, Rows.column(a, b, c, d, 1))));
        const three = two + apart;
        v128.store(three, f32x4.add(v128.load(three), f32x4.mul(signed, Rows.column(a, b, c, d, 2))));
        const four = three + apart;
        v128.store(four, f32x4.add(v128.load(four), f32x4.mul(signed, Rows.column(a, b, c, d, 3))));
      }
    }
  }

  /** Works on eight hops; no gain goes below `floor`. What is only learned from is not worked on. */
  run(floor: f32, isLearning: bool): void {
    this.fill();
    this.there.transform();
    this.measure();
    for (let frame: usize = 0; frame < <usize>FRAMES; frame += 1) {
      const power = this.powers + frame * this.stride;
      this.tracker.push(power);
      if (!isLearning) this.judge(power, this.gains + frame * this.stride, floor);
    }
    const apart = (<usize>this.hop) << 2;
    if (!isLearning) {
      this.apply();
      this.back.transform();
      this.overlapAdd();
    }
    memory.copy(this.line, this.line + apart * <usize>FRAMES, apart);
  }
}
