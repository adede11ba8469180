import { largestLane, room } from "./block";

/** Taps on each side of a gap between samples; even. */
const REACH: i32 = 14;
const BETA: f64 = 5.5;
/** Gaps judged together; at least the reach. */
export const SEGMENT: i32 = 16;

function besselI0(x: f64): f64 {
  let term: f64 = 1;
  let sum: f64 = 1;
  for (let k: f64 = 1; term > 1e-12 * sum; k += 1) {
    term *= (x / (2 * k)) * (x / (2 * k));
    sum += term;
  }
  return sum;
}

/** Kaiser-windowed sinc at a distance from a sample. */
function tapAt(distance: f64): f64 {
  const inside = distance / <f64>(REACH + 1);
  return (
    ((Math.sin(Math.PI * distance) / (Math.PI * distance)) * besselI0(BETA * Math.sqrt(1 - inside * inside))) /
    besselI0(BETA)
  );
}

/** Taps of the half phase, and the even and odd parts of the quarter phases: they mirror each other. */
const middle = room((<usize>REACH) << 2);
const even = room((<usize>REACH) << 2);
const odd = room((<usize>REACH) << 2);
/** Sum of absolute taps, and how far a value can lie beyond its neighbours for the largest bend around. */
let gain: f64 = 0;
let bend: f64 = 0;

function tap(index: i32, share: f64): f64 {
  return tapAt(<f64>index + share);
}

function reachOf(share: f64): void {
  let sum: f64 = 0;
  let absolute: f64 = 0;
  for (let index = 0; index < REACH; index += 1) {
    sum += tap(index, share) + tap(index, 1 - share);
    absolute += Math.abs(tap(index, share)) + Math.abs(tap(index, 1 - share));
  }
  let weight: f64 = 0;
  for (let from = 0; from < REACH - 1; from += 1) {
    let near: f64 = 0;
    let far: f64 = 0;
    for (let index = from + 1; index < REACH; index += 1) {
      near += tap(index, share) * <f64>(index - from);
      far += tap(index, 1 - share) * <f64>(index - from);
    }
    weight += Math.abs(near / sum) + Math.abs(far / sum);
  }
  gain = max(gain, absolute / sum);
  bend = max(bend, weight);
  for (let index = 0; index < REACH; index += 1) {
    const at = (<usize>index) << 2;
    const near = tap(index, share) / sum;
    const far = tap(index, 1 - share) / sum;
    if (share == 0.5) store<f32>(middle + at, <f32>near);
    else {
      store<f32>(even + at, <f32>((near + far) / 2));
      store<f32>(odd + at, <f32>((near - far) / 2));
    }
  }
}
reachOf(0.25);
reachOf(0.5);

/** Largest absolute value of so many samples from an address on; up to three more may be looked at. */
export function largestOf(from: usize, frames: i32): f32 {
  let largest = f32x4.splat(0);
  const end = from + ((<usize>frames) << 2);
  for (; from < end; from += 16) largest = f32x4.pmax(largest, f32x4.abs(v128.load(from)));
  return largestLane(largest);
}

function largestBend(from: usize, end: usize): f32 {
  let largest = f32x4.splat(0);
  const two = f32x4.splat(2);
  for (; from < end; from += 16) {
    const second = f32x4.sub(f32x4.add(v128.load(from - 4), v128.load(from + 4)), f32x4.mul(two, v128.load(from)));
    largest = f32x4.pmax(largest, f32x4.abs(second));
  }
  return largestLane(largest);
}

/** The peak of a segment's gaps, four at a time; a group whose samples and bend cannot pass the known peak is left out. */
function scanGaps(from: usize, end: usize, hasQuarters: bool, known: f32): f32 {
  const slack = <f32>bend * largestBend(from - ((<usize>(REACH - 1)) << 2), end + ((<usize>REACH) << 2));
  let largest = f32x4.splat(known);
  for (let at = from; at < end; at += 16) {
    const here = f32x4.abs(v128.load(at));
    const next = f32x4.abs(v128.load(at + 4));
    const ceiling = f32x4.splat(largestLane(largest) - slack);
    if (!v128.any_true(f32x4.gt(f32x4.pmax(here, next), ceiling))) continue;
    let half = f32x4.splat(0);
    let evenPart = f32x4.splat(0);
    let oddPart = f32x4.splat(0);
    for (let index = 0; index < REACH; index += 1) {
      const offset = (<usize>index) << 2;
      const before = v128.load(at - offset);
      const after = v128.load(at + 4 + offset);
      const sum = f32x4.add(before, after);
      half = f32x4.add(half, f32x4.mul(v128.load32_splat(middle + offset), sum));
      if (hasQuarters) {
        evenPart = f32x4.add(evenPart, f32x4.mul(v128.load32_splat(even + offset), sum));
        oddPart = f32x4.add(oddPart, f32x4.mul(v128.load32_splat(odd + offset), f32x4.sub(before, after)));
      }
    }
    largest = f32x4.pmax(largest, f32x4.abs(half));
    // The larger of the two quarter phases is |E| + |O|.
    largest = f32x4.pmax(largest, f32x4.add(f32x4.abs(evenPart), f32x4.abs(oddPart)));
  }
  return largestLane(largest);
}

/**
 * True peak of so many gaps from an address on, or the known peak when none passes it; `newest` is the largest absolute
 * sample from two segments after the address on.
 * Four times oversampled below 96 kHz, twice below 192 kHz, else the samples themselves. Source: ITU-R BS.1770-4
 * annex 2 (method; the kernel is longer than its example). Parts that cannot pass the known peak are left out by two
 * bounds: the largest sample around times the kernel's absolute sum, and the neighbours plus what the bend allows.
 */
export function truePeakOf(from: usize, frames: i32, rate: i32, known: f32, newest: f32): f32 {
  const around = (<usize>SEGMENT) << 2;
  const oldest = largestOf(from - around, 3 * SEGMENT);
  let peak = max(known, max(oldest, newest));
  if (rate >= 192000 || max(oldest, newest) * <f32>gain <= peak) return peak;
  const end = from + ((<usize>frames) << 2);
  let before = largestOf(from - around, SEGMENT);
  let here = largestOf(from, SEGMENT);
  for (; from < end; from += around) {
    const after = largestOf(from + around, SEGMENT);
    if (max(before, max(here, after)) * <f32>gain > peak) peak = scanGaps(from, from + around, rate < 96000, peak);
    before = here;
    here = after;
  }
  return peak;
}

/** The highest of each of so many gaps, or what stands at `to` where that is higher; exact where it may pass `least`. */
export function highestOfGaps(from: usize, frames: i32, rate: i32, least: f32, to: usize): void {
  const end = from + ((<usize>frames) << 2);
  const reach = (<usize>REACH) << 2;
  for (let at = from; at < end; at += 16, to += 16) {
    let largest = f32x4.pmax(v128.load(to), f32x4.pmax(f32x4.abs(v128.load(at)), f32x4.abs(v128.load(at + 4))));
    let around = largest;
    for (let near = at - reach; near < at + reach + 16; near += 16)
      around = f32x4.pmax(around, f32x4.abs(v128.load(near)));
    if (rate < 192000 && largestLane(around) * <f32>gain > least) {
      let half = f32x4.splat(0);
      let evenPart = f32x4.splat(0);
      let oddPart = f32x4.splat(0);
      for (let index = 0; index < REACH; index += 1) {
        const offset = (<usize>index) << 2;
        const before = v128.load(at - offset);
        const after = v128.load(at + 4 + offset);
        const sum = f32x4.add(before, after);
        half = f32x4.add(half, f32x4.mul(v128.load32_splat(middle + offset), sum));
        evenPart = f32x4.add(evenPart, f32x4.mul(v128.load32_splat(even + offset), sum));
        oddPart = f32x4.add(oddPart, f32x4.mul(v128.load32_splat(odd + offset), f32x4.sub(before, after)));
      }
      largest = f32x4.pmax(largest, f32x4.abs(half));
      if (rate < 96000) largest = f32x4.pmax(largest, f32x4.add(f32x4.abs(evenPart), f32x4.abs(oddPart)));
    }
    v128.store(to, largest);
  }
}
