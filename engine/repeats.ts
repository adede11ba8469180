import { room } from "./block";

const TABLE: i32 = 1024;
/** One sample in 32 is remembered, by what it and the two before it look like: so many of 2^32 mixtures of two. */
const ANCHOR_SHARE: i32 = 1 << 27;
/** A shorter match is chance. */
const SHORTEST: i32 = 40;
/** Smallest swing of a block worth naming: below it the same few codes come again by chance. */
const SWING: f32 = 0.0005;
const RECORD_BYTES: usize = 12;

/** The next sample to remember, told by it and the one before it, or the end. Three samples beyond the end may be read. */
function nextAnchor(at: usize, end: usize): usize {
  const least = i32x4.splat(i32.MIN_VALUE + ANCHOR_SHARE);
  const mix = i32x4.splat(0x9e3779b1);
  for (; at < end; at += 16) {
    const mixed = i32x4.mul(i32x4.add(v128.load(at), i32x4.shl(v128.load(at - 4), 3)), mix);
    const chosen = i32x4.bitmask(i32x4.gt_s(least, mixed));
    if (chosen != 0) return min(end, at + ((<usize>ctz(chosen)) << 2));
  }
  return end;
}

/** What a sample and the two before it look like. */
function hashOf(at: usize): u32 {
  const mixed = load<u32>(at) * 0x9e3779b1 + load<u32>(at - 4) * 0x85ebca77 + load<u32>(at - 8) * 0xc2b2ae3d;
  return mixed ^ (mixed >> 15);
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
    let at = from;
    while (at < end) {
      if (this.distance > 0) {
        at = this.follow(at, end);
        if (at == end) return;
        this.close(frame + <i32>((at - from) >> 2));
      }
      at = nextAnchor(at, end);
      if (at >= end) return;
      const index = <i32>((at - from) >> 2);
      this.anchor(at, frame + index, spare + index);
      at += 4;
    }
  }

  /** Goes on for as long as samples are what they were; gives the address of the first that is not, or the end. */
  private follow(at: usize, end: usize): usize {
    const back = (<usize>this.distance) << 2;
    for (; at < end; at += 4) {
      const value = load<f32>(at);
      if (value != load<f32>(at - back)) break;
      this.lowest = min(this.lowest, value);
      this.highest = max(this.highest, value);
    }
    return at;
  }

  /** Looks up a sample whose neighbourhood is one that is remembered, and remembers it. */
  private anchor(at: usize, frame: i32, spare: i32): void {
    if (load<u32>(at) == load<u32>(at - 4)) return;
    const hash = hashOf(at);
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
