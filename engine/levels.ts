import { largestLane, PARTS_PER_HOP, smallestLane, sumOfLanes } from "./block";

/** Where a channel's figures go: one float a hop each, and one a part each. */
export class LevelRoom {
  sums: usize = 0;
  lowest: usize = 0;
  highest: usize = 0;
  /** Sums of squares, of absolute values and of squared steps from sample to sample, one a part. */
  squares: usize = 0;
  absolutes: usize = 0;
  steps: usize = 0;
}

let lowest: f32 = 0;
let highest: f32 = 0;
let sum: f32 = 0;

function part(from: usize, frames: i32, to: LevelRoom, at: usize): void {
  let squares4 = f32x4.splat(0);
  let absolutes4 = f32x4.splat(0);
  let steps4 = f32x4.splat(0);
  let sum4 = f32x4.splat(0);
  let low4 = f32x4.splat(lowest);
  let high4 = f32x4.splat(highest);
  const end = from + ((<usize>frames) << 2);
  const whole = from + (((<usize>frames) & ~3) << 2);
  for (; from < whole; from += 16) {
    const value = v128.load(from);
    const step = f32x4.sub(value, v128.load(from - 4));
    squares4 = f32x4.add(squares4, f32x4.mul(value, value));
    steps4 = f32x4.add(steps4, f32x4.mul(step, step));
    absolutes4 = f32x4.add(absolutes4, f32x4.abs(value));
    sum4 = f32x4.add(sum4, value);
    low4 = f32x4.pmin(low4, value);
    high4 = f32x4.pmax(high4, value);
  }
  let squares = sumOfLanes(squares4);
  let absolutes = sumOfLanes(absolutes4);
  let steps = sumOfLanes(steps4);
  sum += sumOfLanes(sum4);
  lowest = smallestLane(low4);
  highest = largestLane(high4);
  for (; from < end; from += 4) {
    const value = load<f32>(from);
    const step = value - load<f32>(from - 4);
    squares += value * value;
    steps += step * step;
    absolutes += abs(value);
    sum += value;
    lowest = min(lowest, value);
    highest = max(highest, value);
  }
  store<f32>(to.squares + at, squares);
  store<f32>(to.absolutes + at, absolutes);
  store<f32>(to.steps + at, steps);
}

/** Levels of one hop whose samples lie from `from` on; the last hop of a recording may be shorter. */
export function levelHop(from: usize, frames: i32, hopFrames: i32, to: LevelRoom, hop: i32): void {
  sum = 0;
  lowest = frames > 0 ? load<f32>(from) : 0;
  highest = lowest;
  for (let index = 0; index < PARTS_PER_HOP; index += 1) {
    const begin = min(frames, (index * hopFrames) / PARTS_PER_HOP);
    const end = min(frames, ((index + 1) * hopFrames) / PARTS_PER_HOP);
    part(from + ((<usize>begin) << 2), end - begin, to, (<usize>(hop * PARTS_PER_HOP + index)) << 2);
  }
  const at = (<usize>hop) << 2;
  store<f32>(to.sums + at, sum);
  store<f32>(to.lowest + at, lowest);
  store<f32>(to.highest + at, highest);
}
