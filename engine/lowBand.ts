import { room, sumOfLanes } from "./block";

/** Zero crossings of the filter on each side, in samples of the slow signal. */
const REACH: i32 = 3;
/** Where the filter cuts, share of the slow rate. */
const CUT: f64 = 0.4;

/** Slows a signal down to about 2 kHz behind a windowed sinc. */
export class LowBand {
  factor: i32;
  tapCount: i32;
  private taps: usize;

  constructor(rate: i32) {
    this.factor = max(1, <i32>Math.round(<f64>rate / 2000));
    const count = 2 * REACH * this.factor;
    this.tapCount = (count + 3) & ~3;
    this.taps = room((<usize>this.tapCount) << 2);
    let sum: f64 = 0;
    for (let index = 0; index < count; index += 1) {
      const distance = (<f64>index - <f64>(count - 1) / 2) / <f64>this.factor;
      const angle = 2 * Math.PI * CUT * distance;
      const window = 0.5 + 0.5 * Math.cos((Math.PI * distance) / <f64>REACH);
      const tap = (Math.abs(angle) < 1e-9 ? 1 : Math.sin(angle) / angle) * window;
      store<f32>(this.taps + ((<usize>index) << 2), <f32>tap);
      sum += tap;
    }
    for (let index = 0; index < count; index += 1) {
      const at = this.taps + ((<usize>index) << 2);
      store<f32>(at, <f32>(<f64>load<f32>(at) / sum));
    }
  }

  /** One slow sample whose taps begin at `from`. */
  at(from: usize): f32 {
    let sum = f32x4.splat(0);
    let tap = this.taps;
    const end = tap + ((<usize>this.tapCount) << 2);
    for (; tap < end; tap += 16, from += 16) sum = f32x4.add(sum, f32x4.mul(v128.load(tap), v128.load(from)));
    return sumOfLanes(sum);
  }
}
