import { room, sumOfLanes } from "../block";

/** Sub-windows of the search for the least power, and how long all of them are, s. */
const SUB_WINDOWS: i32 = 8;
const SEARCH_S: f64 = 1.536;
/** Longest smoothing; how fast its correction and its spread follow; the least smoothing in speech, s. */
const SMOOTH_S: f64 = 0.392;
const CORRECT_S: f64 = 0.0449;
const SPREAD_S: f64 = 0.0717;
const FALL_S: f64 = 0.064;
const LEAST_SMOOTH: f32 = 0.3;
const LEAST_CORRECTION: f32 = 0.7;
/** Degrees of freedom of the smoothed power lie between these. */
const FEWEST_FREE: f32 = 2;
const MOST_FREE: f32 = 14;
/** Variance of the spread counts so much towards the bias. */
const SPREAD_BIAS: f32 = 2.12;
/** What counts as nothing, power of a bin. */
const LEAST: f32 = 1e-12;
const HUGE: f32 = 1e30;

/** Mean of the least of so many values, as Martin tabulates it. */
const LENGTHS: StaticArray<f64> = [1, 2, 5, 8, 10, 15, 20, 30, 40, 60, 80, 120, 140, 160];
const MEANS: StaticArray<f64> = [0, 0.26, 0.48, 0.58, 0.61, 0.668, 0.705, 0.762, 0.8, 0.841, 0.865, 0.89, 0.9, 0.91];

function meanOfLeast(length: f64): f32 {
  const last = LENGTHS.length - 1;
  if (length >= LENGTHS[last]) return <f32>MEANS[last];
  let at = 1;
  while (LENGTHS[at] < length) at += 1;
  const share =
    (Math.sqrt(length) - Math.sqrt(LENGTHS[at - 1])) / (Math.sqrt(LENGTHS[at]) - Math.sqrt(LENGTHS[at - 1]));
  return <f32>(MEANS[at - 1] + share * (MEANS[at] - MEANS[at - 1]));
}

/**
 * Noise power of each bin under speech, by minimum statistics. Source: Martin, "Noise power spectral density estimation based
 * on optimal smoothing and minimum statistics", IEEE Trans. Speech Audio Proc. 9 (2001); its table is from memory.
 */
export class NoiseTracker {
  /** The noise, a power a bin (f32). */
  noise: usize;
  private bytes: usize;
  private smooth: usize;
  private mean: usize;
  private meanSquare: usize;
  private least: usize;
  private leastSub: usize;
  private leastAll: usize;
  private mayRise: usize;
  private fresh: usize;
  private freedom: usize;
  private kept: usize;
  private oldest: i32 = 0;
  private inSub: i32 = 0;
  private subFrames: i32;
  private correction: f32 = 1;
  private isFirst: bool = true;
  private longest: f32;
  private follow: f32;
  private spread: f32;
  private fall: f64;
  private meanAll: f32;
  private meanSub: f32;
  private frames: f32;
  private rises: StaticArray<f32> = new StaticArray<f32>(4);

  /** `bins` is a multiple of four; frames are `hopS` apart. */
  constructor(
    private bins: i32,
    hopS: f64,
  ) {
    this.bytes = (<usize>bins) << 2;
    this.noise = room(this.bytes);
    this.smooth = room(this.bytes);
    this.mean = room(this.bytes);
    this.meanSquare = room(this.bytes);
    this.least = room(this.bytes);
    this.leastSub = room(this.bytes);
    this.leastAll = room(this.bytes);
    this.mayRise = room(this.bytes);
    this.fresh = room(this.bytes);
    this.freedom = room(this.bytes);
    this.kept = room(this.bytes * <usize>SUB_WINDOWS);
    this.subFrames = max(2, <i32>Math.round(SEARCH_S / hopS / <f64>SUB_WINDOWS));
    this.frames = <f32>(this.subFrames * SUB_WINDOWS);
    this.meanAll = meanOfLeast(<f64>this.frames);
    this.meanSub = meanOfLeast(<f64>this.subFrames);
    this.longest = <f32>Math.exp(-hopS / SMOOTH_S);
    this.follow = <f32>Math.exp(-hopS / CORRECT_S);
    this.spread = <f32>Math.exp(-hopS / SPREAD_S);
    this.fall = -hopS / FALL_S;
    const subS = <f64>this.subFrames * hopS;
    // How fast noise may be found to rise, 47 to 4.1 dB/s, by how steady it is.
    this.rises[0] = <f32>Math.pow(10, 4.7 * subS);
    this.rises[1] = <f32>Math.pow(10, 3.14 * subS);
    this.rises[2] = <f32>Math.pow(10, 1.57 * subS);
    this.rises[3] = <f32>Math.pow(10, 0.41 * subS);
  }

  private begin(power: usize): void {
    for (let at: usize = 0; at < this.bytes; at += 16) {
      const value = f32x4.pmax(v128.load(power + at), f32x4.splat(LEAST));
      v128.store(this.noise + at, value);
      v128.store(this.smooth + at, value);
      v128.store(this.mean + at, value);
      v128.store(this.meanSquare + at, f32x4.mul(value, value));
      v128.store(this.least + at, f32x4.splat(HUGE));
      v128.store(this.leastSub + at, f32x4.splat(HUGE));
      v128.store(this.leastAll + at, f32x4.splat(HUGE));
      v128.store(this.mayRise + at, f32x4.splat(0));
      for (let sub = 0; sub < SUB_WINDOWS; sub += 1)
        v128.store(this.kept + this.bytes * <usize>sub + at, f32x4.splat(HUGE));
    }
    this.isFirst = false;
  }

  /** Smooths towards the power of a frame; says how far the power's spread is from what is expected. */
  private smoothen(power: usize): f32 {
    const least = f32x4.splat(LEAST);
    let before = least;
    let now = least;
    let noises = least;
    for (let at: usize = 0; at < this.bytes; at += 16) {
      before = f32x4.add(before, v128.load(this.smooth + at));
      now = f32x4.add(now, v128.load(power + at));
      noises = f32x4.add(noises, v128.load(this.noise + at));
    }
    const all = sumOfLanes(before);
    const off = all / sumOfLanes(now) - 1;
    const wanted = max(<f32>1 / (1 + off * off), LEAST_CORRECTION);
    this.correction = this.follow * this.correction + (1 - this.follow) * wanted;
    const shortest = min(LEAST_SMOOTH, <f32>Math.pow(<f64>(all / sumOfLanes(noises)), this.fall));
    const one = f32x4.splat(1);
    const most = f32x4.splat(this.longest * this.correction);
    const floor = f32x4.splat(shortest);
    const spread = f32x4.splat(this.spread);
    let sum = f32x4.splat(0);
    for (let at: usize = 0; at < this.bytes; at += 16) {
      const noise = v128.load(this.noise + at);
      const old = v128.load(this.smooth + at);
      const apart = f32x4.sub(f32x4.div(old, noise), one);
      const share = f32x4.pmax(f32x4.div(most, f32x4.add(one, f32x4.mul(apart, apart))), floor);
      const value = f32x4.pmax(v128.load(power + at), least);
      const smooth = f32x4.add(value, f32x4.mul(share, f32x4.sub(old, value)));
      v128.store(this.smooth + at, smooth);
      const slow = f32x4.pmin(f32x4.mul(share, share), spread);
      const square = f32x4.mul(smooth, smooth);
      const mean = f32x4.add(smooth, f32x4.mul(slow, f32x4.sub(v128.load(this.mean + at), smooth)));
      const meanSquare = f32x4.add(square, f32x4.mul(slow, f32x4.sub(v128.load(this.meanSquare + at), square)));
      v128.store(this.mean + at, mean);
      v128.store(this.meanSquare + at, meanSquare);
      const variance = f32x4.sub(meanSquare, f32x4.mul(mean, mean));
      const raw = f32x4.div(variance, f32x4.mul(f32x4.splat(2), f32x4.mul(noise, noise)));
      const freedom = f32x4.pmin(f32x4.pmax(raw, f32x4.splat(1 / MOST_FREE)), f32x4.splat(1 / FEWEST_FREE));
      v128.store(this.freedom + at, freedom);
      sum = f32x4.add(sum, freedom);
    }
    return sumOfLanes(sum) / <f32>this.bins;
  }

  /** 1 + 2 (D − 1)(1 − M) / (Q − 2 M): by how much the least of so many values lies below their mean. */
  @inline
  private bias(frames: f32, mean: f32, inverse: v128): v128 {
    const over = f32x4.sub(f32x4.div(f32x4.splat(1), inverse), f32x4.splat(2 * mean));
    return f32x4.add(f32x4.splat(1), f32x4.div(f32x4.splat(2 * (frames - 1) * (1 - mean)), over));
  }

  /** Takes in the power of the next frame. */
  push(power: usize): void {
    if (this.isFirst) this.begin(power);
    const steadiness = this.smoothen(power);
    const spreadBias = f32x4.splat(<f32>1 + SPREAD_BIAS * <f32>Math.sqrt(<f64>steadiness));
    this.inSub += 1;
    const isEnd = this.inSub >= this.subFrames;
    const isInside = this.inSub > 1 && !isEnd;
    for (let at: usize = 0; at < this.bytes; at += 16) {
      const inverse = v128.load(this.freedom + at);
      const corrected = f32x4.mul(v128.load(this.smooth + at), spreadBias);
      const whole = f32x4.mul(corrected, this.bias(this.frames, this.meanAll, inverse));
      const old = v128.load(this.least + at);
      const isLess = f32x4.lt(whole, old);
      v128.store(this.least + at, v128.bitselect(whole, old, isLess));
      const part = f32x4.mul(corrected, this.bias(<f32>this.subFrames, this.meanSub, inverse));
      const leastSub = v128.bitselect(part, v128.load(this.leastSub + at), isLess);
      v128.store(this.leastSub + at, leastSub);
      v128.store(this.fresh + at, isLess);
      if (!isInside) continue;
      v128.store(this.mayRise + at, v128.or(v128.load(this.mayRise + at), isLess));
      const all = f32x4.pmin(v128.load(this.leastAll + at), leastSub);
      v128.store(this.leastAll + at, all);
      v128.store(this.noise + at, f32x4.pmax(all, f32x4.splat(LEAST)));
    }
    if (isEnd) this.endSub(steadiness);
  }

  /** Of the last sub-windows the least counts, unless the noise has risen no faster than noise does. */
  private endSub(steadiness: f32): void {
    const rise = f32x4.splat(this.rises[steadiness < 0.03 ? 0 : steadiness < 0.05 ? 1 : steadiness < 0.06 ? 2 : 3]);
    const own = this.kept + this.bytes * <usize>this.oldest;
    for (let at: usize = 0; at < this.bytes; at += 16) {
      v128.store(own + at, v128.load(this.least + at));
      let all = v128.load(this.kept + at);
      for (let sub: usize = 1; sub < <usize>SUB_WINDOWS; sub += 1)
        all = f32x4.pmin(all, v128.load(this.kept + this.bytes * sub + at));
      const leastSub = v128.load(this.leastSub + at);
      let isRisen = v128.andnot(v128.load(this.mayRise + at), v128.load(this.fresh + at));
      isRisen = v128.and(isRisen, f32x4.lt(leastSub, f32x4.mul(all, rise)));
      isRisen = v128.and(isRisen, f32x4.gt(leastSub, all));
      if (v128.any_true(isRisen)) {
        all = v128.bitselect(leastSub, all, isRisen);
        for (let sub: usize = 0; sub < <usize>SUB_WINDOWS; sub += 1) {
          const place = this.kept + this.bytes * sub + at;
          v128.store(place, v128.bitselect(all, v128.load(place), isRisen));
        }
      }
      v128.store(this.leastAll + at, all);
      v128.store(this.noise + at, f32x4.pmax(all, f32x4.splat(LEAST)));
      v128.store(this.mayRise + at, f32x4.splat(0));
      v128.store(this.least + at, f32x4.splat(HUGE));
      v128.store(this.leastSub + at, f32x4.splat(HUGE));
    }
    this.oldest = (this.oldest + 1) % SUB_WINDOWS;
    this.inSub = 0;
  }
}
