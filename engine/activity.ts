import { PARTS_PER_HOP, room } from "./block";

/** Activity thresholds: powers of two from 2^−16 to 2^4 of full scale, 6.02 dB apart. */
const LOWEST_EXPONENT: i32 = -16;
export const THRESHOLDS: i32 = 21;
const TIME_CONSTANT_S: f64 = 0.03;
const HANGOVER_S: f64 = 0.2;

function thresholdOf(index: i32): f64 {
  return Math.pow(2, <f64>(LOWEST_EXPONENT + index));
}

/**
 * Counts for how long a signal was active, by the highest threshold it reached.
 * Two-stage envelope of 0.03 s, hangover 0.2 s. Source: ITU-T P.56, method B, which wants at least 694 values a second.
 */
export class Activity {
  /** Parts by threshold, the last count is of those that reached none (f64). */
  counts: usize = room((<usize>(THRESHOLDS + 1)) << 3);
  private lastReached: StaticArray<i32> = new StaticArray<i32>(THRESHOLDS);
  private smoothing: f64;
  private hangover: i32;
  private partFrames: f64;
  private first: f64 = 0;
  private envelope: f64 = 0;
  /** The threshold the envelope reaches now, the highest that still counts, and the bounds of the first. */
  private reached: i32 = -1;
  private active: i32 = -1;
  private floor: f64 = 0;
  private ceiling: f64 = 0;
  private part: i32 = 0;

  constructor(rate: i32, hopFrames: i32) {
    const partsPerSecond = <f64>(PARTS_PER_HOP * rate) / <f64>hopFrames;
    this.smoothing = Math.exp(-1 / (TIME_CONSTANT_S * partsPerSecond));
    this.hangover = <i32>Math.ceil(HANGOVER_S * partsPerSecond);
    this.partFrames = <f64>hopFrames / PARTS_PER_HOP;
    this.reset();
  }

  reset(): void {
    memory.fill(this.counts, 0, (<usize>(THRESHOLDS + 1)) << 3);
    for (let index = 0; index < THRESHOLDS; index += 1) this.lastReached[index] = -this.hangover - 1;
    this.first = this.envelope = 0;
    this.reached = this.active = -1;
    this.floor = 0;
    this.ceiling = thresholdOf(0);
    this.part = 0;
  }

  private reach(): void {
    while (this.reached >= 0 && this.envelope < thresholdOf(this.reached)) this.reached -= 1;
    while (this.reached < THRESHOLDS - 1 && this.envelope >= thresholdOf(this.reached + 1)) this.reached += 1;
    this.floor = this.reached < 0 ? 0 : thresholdOf(this.reached);
    this.ceiling = this.reached == THRESHOLDS - 1 ? f64.MAX_VALUE : thresholdOf(this.reached + 1);
  }

  /** A part's sum of absolute values; one that belongs to the lead-in only moves the envelope. */
  push(absolutes: f32, counts: bool): void {
    const smoothing = this.smoothing;
    this.first = smoothing * this.first + ((1 - smoothing) * <f64>absolutes) / this.partFrames;
    this.envelope = smoothing * this.envelope + (1 - smoothing) * this.first;
    if (this.envelope < this.floor || this.envelope >= this.ceiling) this.reach();
    if (this.reached >= 0) this.lastReached[this.reached] = this.part;
    if (this.reached > this.active) this.active = this.reached;
    while (this.active >= 0 && this.lastReached[this.active] < this.part - this.hangover) this.active -= 1;
    this.part += 1;
    if (!counts) return;
    const at = this.counts + ((<usize>(this.active < 0 ? THRESHOLDS : this.active)) << 3);
    store<f64>(at, load<f64>(at) + 1);
  }
}
