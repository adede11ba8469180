import { room, sumOfLanes } from "./block";

/** Zero crossings of the filter on each side, in samples of the slow signal. */
const REACH: i32 = 3;
/** Where the filter cuts, share of the slow rate. */
const CUT: f64 = 0.4;

/** Slows a signal down to about 2 kHz behind a windowed sinc. */
export class LowBand {
  factor: i32;
  /** Taps, padded in front; and how many samples the filter looks ahead. */
  tapCount: i32;
  ahead: i32;
  private taps: usize;

  constructor(rate: i32) {
    this.factor = max(1, <i32>Math.round(<f64>rate / 2000));
    const count = 2 * REACH * this.factor;
    this.tapCount = (count + 15) & ~15;
    this.ahead = count / 2;
    this.taps = room((<usize>this.tapCount) << 2);
    let sum: f64 = 0;
    for (let index = 0; index < count; index += 1) {
      const distance = (<f64>index - <f64>(count - 1) / 2) / <f64>this.factor;
      const angle = 2 * Math.PI * CUT * distance;
      const window = 0.5 + 0.5 * Math.cos((Math.PI * distance) / <f64>REACH);
      const tap = (Math.abs(angle) < 1e-9 ? 1 : Math.sin(angle) / angle) * window;
      store<f32>(this.tapAt(index, count), <f32>tap);
      sum += tap;
    }
    for (let index = 0; index < count; index += 1) {
      const at = this.tapAt(index, count);
      store<f32>(at, <f32>(<f64>load<f32>(at) / sum));
    }
  }

  private tapAt(index: i32, count: i32): usize {
    return this.taps + ((<usize>(this.tapCount - count + index)) << 2);
  }

  /** One slow sample whose taps begin at `from`; four sums, for none to wait for the other. */
  at(from: usize): f32 {
    let a = f32x4.splat(0);
    let b = f32x4.splat(0);
    let c = f32x4.splat(0);
    let d = f32x4.splat(0);
    let tap = this.taps;
    const end = tap + ((<usize>this.tapCount) << 2);
    for (; tap < end; tap += 64, from += 64) {
      a = f32x4.add(a, f32x4.mul(v128.load(tap), v128.load(from)));
      b = f32x4.add(b, f32x4.mul(v128.load(tap, 16), v128.load(from, 16)));
      c = f32x4.add(c, f32x4.mul(v128.load(tap, 32), v128.load(from, 32)));
      d = f32x4.add(d, f32x4.mul(v128.load(tap, 48), v128.load(from, 48)));
    }
    return sumOfLanes(f32x4.add(f32x4.add(a, b), f32x4.add(c, d)));
  }
}
