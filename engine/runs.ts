import { room } from "./block";

/** Two samples this close are one value. */
export const SAME: f32 = 0.0000002384185791015625;
/** Flat runs below this are no overload; a plateau is entered and left steeply. Share of full scale. */
const LOWEST_TOP: f32 = 0.03;
const CORNER: f32 = 0.0004;
const SHORTEST_TOP: i32 = 3;
/** Words of one record: first frame, frames, value, the value before, the value after. */
const RECORD_BYTES: usize = 20;

/** Stretches in which the signal stands still: flat tops, and gaps of at least 1 ms. */
export class Runs {
  records: usize;
  count: i32 = 0;
  /** Runs that found no room. */
  dropped: i32 = 0;
  private length: i32 = 0;
  private value: f32 = 0;
  private before: f32 = 0;
  private still: i32;
  private most: i32;
  private fullScale: f32;

  constructor(rate: i32, fullScale: f32, most: i32) {
    this.still = max(8, rate / 1000);
    this.most = most;
    this.fullScale = fullScale;
    this.records = room(<usize>most * RECORD_BYTES);
  }

  reset(): void {
    this.count = 0;
    this.dropped = 0;
    this.length = 0;
  }

  private close(end: i32, next: f32): void {
    const length = this.length;
    this.length = 0;
    const size = abs(this.value);
    let isTop = size >= LOWEST_TOP && length >= SHORTEST_TOP;
    if (isTop && size < this.fullScale) {
      const sign: f32 = this.value < 0 ? -1 : 1;
      isTop = (this.value - this.before) * sign >= CORNER && (this.value - next) * sign >= CORNER;
    }
    if (!isTop && length < this.still) return;
    if (this.count == this.most) {
      this.dropped += 1;
      return;
    }
    const at = this.records + <usize>this.count * RECORD_BYTES;
    store<i32>(at, end - length);
    store<i32>(at, length, 4);
    store<f32>(at, this.value, 8);
    store<f32>(at, this.before, 12);
    store<f32>(at, next, 16);
    this.count += 1;
  }

  /** Nothing stands still in a stretch that begins at an address with frame `frame`: what was under way ends. */
  pass(from: usize, frame: i32): void {
    if (this.length > 0) this.close(frame, load<f32>(from));
  }

  /** Samples from an address on, the first of them frame `frame`; three before it can be read. */
  push(from: usize, frames: i32, frame: i32): void {
    const limit = f32x4.splat(SAME);
    let index = 0;
    while (index < frames) {
      const at = from + ((<usize>index) << 2);
      if (this.length == 0 && index + 4 <= frames) {
        const step = f32x4.abs(f32x4.sub(v128.load(at), v128.load(at - 4)));
        if (!v128.any_true(f32x4.lt(step, limit))) {
          index += 4;
          continue;
        }
      }
      const value = load<f32>(at);
      const last = load<f32>(at - 4);
      if (abs(value - last) < SAME) {
        if (this.length == 0) {
          this.length = 1;
          this.value = last;
          this.before = load<f32>(at - 8);
        }
        this.length += 1;
      } else if (this.length > 0) this.close(frame + index, value);
      index += 1;
    }
  }

  finish(frame: i32): void {
    if (this.length > 0) this.close(frame, 0);
  }
}
