import { largestLane, room, sumOfLanes } from "../block";
import { lnOf } from "../logarithm";
import { PowerSpectrum } from "../powerSpectrum";

/** Window of the spectrogram, low-rate samples. */
const SIZE: i32 = 512;
/** A peak is the highest of so many bins and rows to either side. */
const BINS_AROUND: i32 = 7;
const ROWS_AROUND: i32 = 7;
/** Rows that are kept; more than are looked at and come at once. */
const KEPT: i32 = 32;
/** Free places to either side of a row. */
const PAD: i32 = 8;
/** Above the slow course of its bin at least, in nepers of power. */
const ABOVE: f32 = 1.2;
/** A bin's slow course follows within so many rows. */
const SLOW_ROWS: i32 = 600;
/** Low-rate samples and peaks that find room at a time. */
const LINE: i32 = 1 << 15;
const MOST_PEAKS: i32 = 1 << 13;
const NOTHING: f32 = -1e30;

/** Finds the places of a spectrogram that stand out, in samples behind a low-pass. */
export class Landmarks {
  /** Taps of the low-pass, padded to whole vectors at the end. */
  taps: usize;
  /** For each bin of interest, the bin of the transform. */
  places: usize;
  /** Peaks found by the last push: row and bin each (u32). */
  peaks: usize = room((<usize>MOST_PEAKS) << 3);
  peakCount: i32 = 0;
  private input: usize;
  private filled: i32 = 0;
  private line: usize = room((<usize>(LINE + SIZE)) << 2);
  private lineFilled: i32 = 0;
  private spectrum: PowerSpectrum = new PowerSpectrum(SIZE);
  private rows: usize;
  private rowBytes: usize;
  private slow: usize;
  private row: i32 = 0;
  private lastPlace: i32 = 0;
  private most: v128 = f32x4.splat(0);

  constructor(
    private step: i32,
    private tapCount: i32,
    private hop: i32,
    private bins: i32,
    mostIn: i32,
  ) {
    this.taps = room((<usize>tapCount) << 2);
    this.places = room((<usize>bins) << 2);
    this.input = room((<usize>(mostIn + tapCount + step + 4)) << 2);
    this.rowBytes = (<usize>(bins + 2 * PAD)) << 2;
    this.rows = room(this.rowBytes * KEPT + 64);
    this.slow = room((<usize>bins) << 2);
    for (let at: usize = 0; at < this.rowBytes * KEPT; at += 4) store<f32>(this.rows + at, NOTHING);
  }

  /** Where the next samples are put before they are pushed. */
  nextAt(): usize {
    return this.input + ((<usize>this.filled) << 2);
  }

  private rowAt(row: i32): usize {
    return this.rows + <usize>(row & (KEPT - 1)) * this.rowBytes + ((<usize>PAD) << 2);
  }

  loudest(): f32 {
    return largestLane(this.most);
  }

  /** Notes the largest of the new samples; what is no number, or none that a recording holds, counts as silence. */
  private heed(count: i32): void {
    const limit = f32x4.splat(1e6);
    const from = this.nextAt();
    const end = from + ((<usize>count) << 2);
    let at = from;
    for (; at < end; at += 16) {
      const values = v128.load(at);
      const size = f32x4.abs(values);
      const isFit = f32x4.lt(size, limit);
      v128.store(at, v128.and(values, isFit));
      // Lanes behind the last sample are free, and zero or old.
      if (at + 16 <= end) this.most = f32x4.pmax(this.most, v128.and(size, isFit));
    }
  }

  push(count: i32): void {
    this.peakCount = 0;
    this.heed(count);
    this.filled += count;
    this.decimate();
    const wanted = 3 * this.hop + SIZE;
    let from: i32 = 0;
    for (; from + wanted <= this.lineFilled; from += 4 * this.hop) this.fourRows(this.line + ((<usize>from) << 2));
    memory.copy(this.line, this.line + ((<usize>from) << 2), (<usize>(this.lineFilled - from)) << 2);
    this.lineFilled -= from;
  }

  private decimate(): void {
    const bytes = (<usize>this.tapCount) << 2;
    let from: i32 = 0;
    for (; from + this.tapCount <= this.filled && this.lineFilled < LINE + SIZE; from += this.step) {
      let sum = f32x4.splat(0);
      const at = this.input + ((<usize>from) << 2);
      for (let tap: usize = 0; tap < bytes; tap += 16)
        sum = f32x4.add(sum, f32x4.mul(v128.load(at + tap), v128.load(this.taps + tap)));
      store<f32>(this.line + ((<usize>this.lineFilled) << 2), sumOfLanes(sum));
      this.lineFilled += 1;
    }
    memory.copy(this.input, this.input + ((<usize>from) << 2), (<usize>(this.filled - from)) << 2);
    this.filled -= from;
  }

  private fourRows(from: usize): void {
    if (this.lastPlace === 0) this.lastPlace = load<i32>(this.places + ((<usize>(this.bins - 1)) << 2));
    this.spectrum.push(from, (<usize>this.hop) << 2, this.lastPlace);
    const least = f32x4.splat(1e-14);
    const one = this.rowAt(this.row);
    const two = this.rowAt(this.row + 1);
    const three = this.rowAt(this.row + 2);
    const four = this.rowAt(this.row + 3);
    const share: f32 = <f32>1 / <f32>min(this.row + 1, SLOW_ROWS);
    for (let bin: usize = 0; bin < <usize>this.bins; bin += 1) {
      const place = load<i32>(this.places + (bin << 2));
      const levels = lnOf(f32x4.add(least, v128.load(this.spectrum.powers + ((<usize>place) << 4))));
      const at = bin << 2;
      let slow = load<f32>(this.slow + at);
      const a = f32x4.extract_lane(levels, 0);
      slow += share * (a - slow);
      store<f32>(one + at, a - slow);
      const b = f32x4.extract_lane(levels, 1);
      slow += share * (b - slow);
      store<f32>(two + at, b - slow);
      const c = f32x4.extract_lane(levels, 2);
      slow += share * (c - slow);
      store<f32>(three + at, c - slow);
      const d = f32x4.extract_lane(levels, 3);
      slow += share * (d - slow);
      store<f32>(four + at, d - slow);
      store<f32>(this.slow + at, slow);
    }
    this.row += 4;
    for (let row = this.row - 4 - ROWS_AROUND; row < this.row - ROWS_AROUND; row += 1)
      if (row >= ROWS_AROUND) this.peaksOf(row);
  }

  private peaksOf(row: i32): void {
    const own = this.rowAt(row);
    for (let bin: i32 = 1; bin < this.bins - 1; bin += 1) {
      const at = own + ((<usize>bin) << 2);
      const level = load<f32>(at);
      if (level < ABOVE || level < load<f32>(at - 4) || level < load<f32>(at + 4)) continue;
      if (this.peakCount < MOST_PEAKS && this.standsOut(row, bin, level)) {
        const to = this.peaks + ((<usize>this.peakCount) << 3);
        store<u32>(to, row);
        store<u32>(to, bin, 4);
        this.peakCount += 1;
      }
    }
  }

  /** Whether nothing around a place is higher; sixteen bins are looked at, the last of them once too often. */
  private standsOut(row: i32, bin: i32, level: f32): boolean {
    const limit = f32x4.splat(level);
    const offset = (<usize>(bin - BINS_AROUND)) << 2;
    for (let apart: i32 = 0; apart <= ROWS_AROUND; apart += 1) {
      const before = this.rowAt(row - apart) + offset;
      const after = this.rowAt(row + apart) + offset;
      let above = v128.or(f32x4.gt(v128.load(before), limit), f32x4.gt(v128.load(after), limit));
      above = v128.or(above, f32x4.gt(v128.load(before, 16), limit));
      above = v128.or(above, f32x4.gt(v128.load(after, 16), limit));
      above = v128.or(above, f32x4.gt(v128.load(before, 32), limit));
      above = v128.or(above, f32x4.gt(v128.load(after, 32), limit));
      above = v128.or(above, f32x4.gt(v128.load(before, 44), limit));
      above = v128.or(above, f32x4.gt(v128.load(after, 44), limit));
      if (v128.any_true(above)) return false;
    }
    return true;
  }
}
