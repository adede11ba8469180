import { room, sumOfLanes } from "../block";

/** Band-limited interpolation between samples: two rows of taps around each place, and a straight line between them. */
export class Resampler {
  rows: usize;
  private tapBytes: usize;

  constructor(
    private phases: i32,
    private taps: i32,
  ) {
    this.tapBytes = (<usize>taps) << 2;
    this.rows = room(this.tapBytes * <usize>(phases + 1));
  }

  /**
   * Writes `count` samples, `step` apart, the first at `place` of the samples at `from`; all taps must find samples there: half
   * of them less one before the place, half of them behind it.
   */
  run(from: usize, place: f64, step: f64, count: i32, to: usize): void {
    const before: i32 = this.taps / 2 - 1;
    for (let at: i32 = 0; at < count; at += 1) {
      const exact = place + <f64>at * step;
      const whole = <i32>Math.floor(exact);
      const phase = (exact - <f64>whole) * <f64>this.phases;
      const row = <i32>phase;
      const near = this.rows + <usize>row * this.tapBytes;
      const far = near + this.tapBytes;
      const samples = from + ((<usize>(whole - before)) << 2);
      let one = f32x4.splat(0);
      let other = f32x4.splat(0);
      for (let tap: usize = 0; tap < this.tapBytes; tap += 16) {
        const values = v128.load(samples + tap);
        one = f32x4.add(one, f32x4.mul(values, v128.load(near + tap)));
        other = f32x4.add(other, f32x4.mul(values, v128.load(far + tap)));
      }
      const low = sumOfLanes(one);
      store<f32>(to + ((<usize>at) << 2), low + <f32>(phase - <f64>row) * (sumOfLanes(other) - low));
    }
  }
}
