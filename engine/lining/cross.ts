import { room, sumOfLanes } from "../block";
import { Fourier4, POINT_BYTES } from "../fourier";

/** What two signals have in common at each frequency, summed over segments that overlap by half. */
export class Cross {
  /** For each bin: real and imaginary part of the cross spectrum, power of the first, power of the second (f32). */
  sums: usize;
  private fourier: Fourier4;
  private window: usize;

  constructor(private size: i32) {
    this.fourier = new Fourier4(size);
    this.window = room((<usize>size) << 2);
    this.sums = room((<usize>size) << 3);
    for (let at = 0; at < size; at += 1) {
      const sine = Math.sin((Math.PI * (<f64>at + 0.5)) / <f64>size);
      store<f32>(this.window + ((<usize>at) << 2), <f32>(sine * sine));
    }
  }

  private fill(one: usize, other: usize, start: i32, lane: usize): void {
    const offset = (<usize>start) << 2;
    for (let at = 0; at < this.size; at += 1) {
      const to = this.fourier.slot(at) + (lane << 2);
      const place = (<usize>at) << 2;
      const shape = load<f32>(this.window + place);
      store<f32>(to, load<f32>(one + offset + place) * shape);
      store<f32>(to, load<f32>(other + offset + place) * shape, 16);
    }
  }

  private add(at: usize, values: v128): void {
    store<f32>(at, load<f32>(at) + sumOfLanes(values));
  }

  /** Sums up to `lastBin` over all segments of two stretches of `length` samples; says how many there were. */
  run(one: usize, other: usize, length: i32, lastBin: i32): i32 {
    memory.fill(this.sums, 0, (<usize>this.size) << 3);
    const count = length < this.size ? 0 : (length - this.size) / (this.size / 2) + 1;
    const points = this.fourier.points;
    for (let segment = 0; segment < count; segment += 4) {
      for (let lane = 0; lane < 4; lane += 1) {
        const own: i32 = segment + lane < count ? segment + lane : segment;
        this.fill(one, other, own * (this.size / 2), <usize>lane);
      }
      // Lanes without a segment of their own count nothing.
      let weight = f32x4.splat(0);
      weight = f32x4.replace_lane(weight, 0, 1);
      if (segment + 1 < count) weight = f32x4.replace_lane(weight, 1, 1);
      if (segment + 2 < count) weight = f32x4.replace_lane(weight, 2, 1);
      if (segment + 3 < count) weight = f32x4.replace_lane(weight, 3, 1);
      weight = f32x4.mul(weight, f32x4.splat(0.25));
      this.fourier.transform();
      for (let bin = 1; bin <= lastBin; bin += 1) {
        const near = points + <usize>bin * POINT_BYTES;
        const far = points + <usize>(this.size - bin) * POINT_BYTES;
        // The two real signals' spectra out of one transform, each twice too large.
        const xr = f32x4.add(v128.load(near), v128.load(far));
        const xi = f32x4.sub(v128.load(near, 16), v128.load(far, 16));
        const yr = f32x4.add(v128.load(near, 16), v128.load(far, 16));
        const yi = f32x4.sub(v128.load(far), v128.load(near));
        const to = this.sums + ((<usize>bin) << 4);
        const re = f32x4.add(f32x4.mul(xr, yr), f32x4.mul(xi, yi));
        const im = f32x4.sub(f32x4.mul(xr, yi), f32x4.mul(xi, yr));
        this.add(to, f32x4.mul(re, weight));
        this.add(to + 4, f32x4.mul(im, weight));
        this.add(to + 8, f32x4.mul(f32x4.add(f32x4.mul(xr, xr), f32x4.mul(xi, xi)), weight));
        this.add(to + 12, f32x4.mul(f32x4.add(f32x4.mul(yr, yr), f32x4.mul(yi, yi)), weight));
      }
    }
    return count;
  }
}
