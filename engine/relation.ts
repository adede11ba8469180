import { room, sumOfLanes } from "./block";
import { Fourier4, POINT_BYTES } from "./fourier";

/** Length of the windows compared, in slow samples: about a second. */
const SIZE: i32 = 2048;
/** Windows whose starts can be handed over. */
export const MOST_STARTS: i32 = 128;

/** What two slow signals have in common. */
export class Relation {
  /** Where windows begin, in slow samples (i32). */
  starts: usize = room((<usize>(MOST_STARTS + 4)) << 2);
  /** Sums of squares of either and of their products (f64). */
  products: usize = room(32);
  /** Sums of the cross spectrum's phases, real then imaginary parts, a float a bin of the half spectrum. */
  phases: usize = room((<usize>SIZE) << 2);
  private fourier: Fourier4 = new Fourier4(SIZE);
  private shape: usize = room((<usize>SIZE) << 2);

  constructor() {
    for (let at = 0; at < SIZE; at += 1)
      store<f32>(this.shape + ((<usize>at) << 2), <f32>(0.5 - 0.5 * Math.cos((2 * Math.PI * <f64>at) / <f64>SIZE)));
  }

  multiply(one: usize, other: usize, from: i32, to: i32): void {
    let aa: f64 = 0;
    let bb: f64 = 0;
    let ab: f64 = 0;
    for (let at = (<usize>from) << 2; at < (<usize>to) << 2; at += 4) {
      const a = <f64>load<f32>(one + at);
      const b = <f64>load<f32>(other + at);
      aa += a * a;
      bb += b * b;
      ab += a * b;
    }
    store<f64>(this.products, aa);
    store<f64>(this.products, bb, 8);
    store<f64>(this.products, ab, 16);
  }

  /** The window of either signal that begins at a start, as real and imaginary part, into one lane. */
  private fill(one: usize, other: usize, lane: usize, start: i32): void {
    const offset = (<usize>start) << 2;
    for (let at = 0; at < SIZE; at += 1) {
      const to = this.fourier.slot(at) + lane * 4;
      const place = (<usize>at) << 2;
      const shape = load<f32>(this.shape + place);
      store<f32>(to, load<f32>(one + offset + place) * shape);
      store<f32>(to, load<f32>(other + offset + place) * shape, 16);
    }
  }

  /** Adds up the cross spectrum's phases of so many windows between two bins. */
  relate(one: usize, other: usize, count: i32, first: i32, last: i32): void {
    memory.fill(this.phases, 0, (<usize>SIZE) << 2);
    const points = this.fourier.points;
    const least = f32x4.splat(1e-30);
    const imaginary = (<usize>(SIZE / 2)) << 2;
    for (let window = 0; window < count; window += 4) {
      let weight = f32x4.splat(0);
      for (let lane = 0; lane < 4; lane += 1) {
        const place: i32 = window + lane < count ? window + lane : 0;
        this.fill(one, other, <usize>lane, load<i32>(this.starts + ((<usize>place) << 2)));
      }
      weight = f32x4.replace_lane(weight, 0, 1);
      if (window + 1 < count) weight = f32x4.replace_lane(weight, 1, 1);
      if (window + 2 < count) weight = f32x4.replace_lane(weight, 2, 1);
      if (window + 3 < count) weight = f32x4.replace_lane(weight, 3, 1);
      this.fourier.transform();
      for (let bin = first; bin < last; bin += 1) {
        const near = points + <usize>bin * POINT_BYTES;
        const far = points + <usize>(SIZE - bin) * POINT_BYTES;
        // The two real signals' spectra out of one transform.
        const xr = f32x4.add(v128.load(near), v128.load(far));
        const xi = f32x4.sub(v128.load(near, 16), v128.load(far, 16));
        const yr = f32x4.add(v128.load(near, 16), v128.load(far, 16));
        const yi = f32x4.sub(v128.load(far), v128.load(near));
        const re = f32x4.add(f32x4.mul(xr, yr), f32x4.mul(xi, yi));
        const im = f32x4.sub(f32x4.mul(xr, yi), f32x4.mul(xi, yr));
        const size = f32x4.sqrt(f32x4.add(f32x4.mul(re, re), f32x4.mul(im, im)));
        const share = f32x4.div(weight, f32x4.pmax(least, size));
        this.addTo(this.phases + ((<usize>bin) << 2), f32x4.mul(re, share));
        this.addTo(this.phases + imaginary + ((<usize>bin) << 2), f32x4.mul(im, share));
      }
    }
  }

  private addTo(at: usize, values: v128): void {
    store<f32>(at, load<f32>(at) + sumOfLanes(values));
  }
}
