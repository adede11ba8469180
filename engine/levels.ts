import { Activity } from "./activity";
import { largestLane, PARTS_PER_HOP, smallestLane, sumOfLanes } from "./block";
import { Runs, SAME } from "./runs";
import { Tops } from "./tops";

/** Where a channel's figures go: one float a hop each, and one a part each; and what is told from every part. */
export class LevelRoom {
  activity: Activity;
  runs: Runs;
  shapes: Tops = new Tops();
  sums: usize = 0;
  tops: usize = 0;
  lowest: usize = 0;
  highest: usize = 0;
  /** Sums of squares and of squared steps from sample to sample, one a part. */
  squares: usize = 0;
  steps: usize = 0;
  /** Largest absolute sample since it was set. */
  peak: f32 = 0;
  /** Sum and number of the piece's samples so far: their mean is the DC offset that activity is told without. */
  total: f64 = 0;
  count: f64 = 0;

  constructor(activity: Activity, runs: Runs) {
    this.activity = activity;
    this.runs = runs;
  }
}

let lowest: f32 = 0;
let highest: f32 = 0;
let sum: f32 = 0;
/** Smallest step from sample to sample in the last part. */
let nearest: f32 = 0;

/** Levels of one part; gives the sum of its absolute values without an offset. */
function part(from: usize, frames: i32, offset: f32, to: LevelRoom, at: usize): f32 {
  const offset4 = f32x4.splat(offset);
  let squares4 = f32x4.splat(0);
  let absolutes4 = f32x4.splat(0);
  let steps4 = f32x4.splat(0);
  let sum4 = f32x4.splat(0);
  let low4 = f32x4.splat(lowest);
  let high4 = f32x4.splat(highest);
  let near4 = f32x4.splat(1);
  const end = from + ((<usize>frames) << 2);
  const whole = from + ((<usize>frames & ~3) << 2);
  for (; from < whole; from += 16) {
    const value = v128.load(from);
    const step = f32x4.sub(value, v128.load(from - 4));
    squares4 = f32x4.add(squares4, f32x4.mul(value, value));
    steps4 = f32x4.add(steps4, f32x4.mul(step, step));
    absolutes4 = f32x4.add(absolutes4, f32x4.abs(f32x4.sub(value, offset4)));
    near4 = f32x4.pmin(near4, f32x4.abs(step));
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
  nearest = smallestLane(near4);
  for (; from < end; from += 4) {
    const value = load<f32>(from);
    const step = value - load<f32>(from - 4);
    squares += value * value;
    steps += step * step;
    absolutes += abs(value - offset);
    nearest = min(nearest, abs(step));
    sum += value;
    lowest = min(lowest, value);
    highest = max(highest, value);
  }
  store<f32>(to.squares + at, squares);
  store<f32>(to.steps + at, steps);
  return absolutes;
}

/** Levels of one hop whose samples lie from `from` on, the first of them frame `frame`; a recording's last may be shorter. */
export function levelHop(
  from: usize,
  frames: i32,
  hopFrames: i32,
  to: LevelRoom,
  hop: i32,
  frame: i32,
  isLeadIn: bool,
): void {
  sum = 0;
  lowest = frames > 0 ? load<f32>(from) : 0;
  highest = lowest;
  const offset = to.count > 0 ? <f32>(to.total / to.count) : 0;
  for (let index = 0; index < PARTS_PER_HOP; index += 1) {
    const begin = min(frames, (index * hopFrames) / PARTS_PER_HOP);
    const end = min(frames, ((index + 1) * hopFrames) / PARTS_PER_HOP);
    const here = from + ((<usize>begin) << 2);
    const at = (<usize>(hop * PARTS_PER_HOP + index)) << 2;
    to.activity.push(part(here, end - begin, offset, to, at), !isLeadIn);
    if (end == begin) continue;
    if (nearest < SAME) to.runs.push(here, end - begin, frame + begin);
    else to.runs.pass(here, frame + begin);
  }
  const at = (<usize>hop) << 2;
  store<f32>(to.sums + at, sum);
  store<f32>(to.lowest + at, lowest);
  store<f32>(to.highest + at, highest);
  store<f32>(to.tops + at, to.shapes.of(from, frames, lowest, highest));
  to.peak = max(to.peak, max(highest, -lowest));
  to.total += <f64>sum;
  to.count += <f64>frames;
}
