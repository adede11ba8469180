import { room } from "./block";

const TABLE: i32 = 1024;
/** One sample in so many is remembered, by what the three before it look like. */
const ANCHOR_MASK: i32 = 31;
/** A shorter match is chance. */
const SHORTEST: i32 = 40;
/** Smallest swing of a block worth naming: below it the same few codes come again by chance. */
const SWING: f32 = 0.0005;
const RECORD_BYTES: usize = 12;

/** What each of four samples and the two before it look like; an address may read three samples on. */
function hash4(at: usize): v128 {
  const mixed = i32x4.add(
    i32x4.add(i32x4.mul(v128.load(at), i32x4.splat(0x9e3779b1)), i32x4.mul(v128.load(at - 4), i32x4.splat(0x85ebca77))),
    i32x4.mul(v128.load(at - 8), i32x4.splat(0xc2b2ae3d)),
  );
  return v128.xor(mixed, i32x4.shr_u(mixed, 15));
}

/** Stretches that are the same, sample for sample, as what was there shortly before. */
export class Repeats {
  /** First frame, frames, distance to the original. */
  records: usize;
  count: i32 = 0;
  private hashes: usize = room((<usize>TABLE) << 2);
  private places: usize = room((<usize>TABLE) << 2);
  private distance: i32 = 0;
  private first: i32 = 0;
  private lowest: f32 = 0;
  private highest: f32 = 0;
  private most: i32;
  private reach: i32;

  constructor(reach: i32, most: i32) {
    this.reach = reach;
    this.most = most;
    this.records = room(<usize>most * RECORD_BYTES);
  }

  reset(): void {
    this.count = 0;
    this.distance = 0;
    memory.fill(this.hashes, 0, (<usize>TABLE) << 2);
  }

  private close(end: i32): void {
    const length = end - this.first;
    if (length >= SHORTEST && this.highest - this.lowest > SWING && this.count < this.most) {
      const at = this.records + <usize>this.count * RECORD_BYTES;
      store<i32>(at, this.first);
      store<i32>(at, length, 4);
      store<i32>(at, this.distance, 8);
      this.count += 1;
    }
    this.distance = 0;
  }

  private begin(at: usize, frame: i32, distance: i32, spare: i32): void {
    const back = (<usize>distance) << 2;
    // How far back the match reaches, within what is still there.
    let begun = 0;
    const most = min(spare - distance, frame);
    while (begun < most && load<f32>(at - ((<usize>begun) << 2)) == load<f32>(at - ((<usize>begun) << 2) - back))
      begun += 1;
    this.distance = distance;
    this.first = frame - begun + 1;
    this.lowest = this.highest = load<f32>(at);
    for (let index = 1; index < begun; index += 1) {
      const value = load<f32>(at - ((<usize>index) << 2));
      this.lowest = min(this.lowest, value);
      this.highest = max(this.highest, value);
    }
  }

  /** Samples from an address on, the first of them frame `frame`, with `spare` frames readable before it. */
  push(from: usize, frames: i32, frame: i32, spare: i32): void {
    const end = from + ((<usize>frames) << 2);
    const mask = i32x4.splat(ANCHOR_MASK);
    const zero = i32x4.splat(0);
    let at = from;
    while (at < end) {
      const value = load<f32>(at);
      if (this.distance > 0) {
        if (value == load<f32>(at - ((<usize>this.distance) << 2))) {
          this.lowest = min(this.lowest, value);
          this.highest = max(this.highest, value);
          at += 4;
          continue;
        }
        this.close(frame + <i32>((at - from) >> 2));
      }
      if (at + 16 <= end) {
        const hashes = v128.and(hash4(at), mask);
        if (!v128.any_true(i32x4.eq(hashes, zero))) {
          at += 16;
          continue;
        }
      }
      const index = <i32>((at - from) >> 2);
      this.anchor(at, frame + index, spare + index);
      at += 4;
    }
  }

  /** Looks up a sample whose neighbourhood is one that is remembered, and remembers it. */
  private anchor(at: usize, frame: i32, spare: i32): void {
    const hash = <u32>i32x4.extract_lane(hash4(at), 0);
    if ((hash & ANCHOR_MASK) != 0 || load<u32>(at) == load<u32>(at - 4)) return;
    const slot = (<usize>((hash >> 5) & (TABLE - 1))) << 2;
    if (load<u32>(this.hashes + slot) == hash) {
      const distance = frame - load<i32>(this.places + slot);
      if (distance > 8 && distance < this.reach) this.begin(at, frame, distance, min(spare, this.reach * 2));
    }
    store<u32>(this.hashes + slot, hash);
    store<i32>(this.places + slot, frame);
  }

  finish(frame: i32): void {
    if (this.distance > 0) this.close(frame);
  }
}
