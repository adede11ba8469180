import { room, sumOfLanes } from "./block";

/** Lowest and highest voice, Hz. */
const LOWEST_HZ: f64 = 75;
const HIGHEST_HZ: f64 = 420;
/** How much of the signal is compared, s. */
const WIDTH_S: f64 = 0.04;
/** A shorter lag nearly as good as the best is the period itself: the best may be twice or thrice it. */
const NEARLY: f32 = 0.9;
/** Lags beyond those of voices on either side, for the outermost of those to be peaks too. */
const BEYOND: i32 = 2;

let product: f32 = 0;
let energy: f32 = 0;

/** Sums of products of two stretches, and of the squares of the first. */
function compare(one: usize, other: usize, frames: i32): void {
  let products = f32x4.splat(0);
  let squares = f32x4.splat(0);
  const whole = one + ((<usize>frames & ~3) << 2);
  const end = one + ((<usize>frames) << 2);
  for (; one < whole; one += 16, other += 16) {
    const value = v128.load(one);
    products = f32x4.add(products, f32x4.mul(value, v128.load(other)));
    squares = f32x4.add(squares, f32x4.mul(value, value));
  }
  product = sumOfLanes(products);
  energy = sumOfLanes(squares);
  for (; one < end; one += 4, other += 4) {
    product += load<f32>(one) * load<f32>(other);
    energy += load<f32>(one) * load<f32>(one);
  }
}

/** The period of a voice: largest normalised autocorrelation over its lags. */
export class Period {
  /** How periodic, 0…1, and at which frequency, Hz, what was looked at last is; 0 where nothing could be. */
  likeness: f32 = 0;
  pitch: f32 = 0;
  private rate: f64;
  private width: i32;
  private shortest: i32;
  private longest: i32;
  private likenesses: usize;

  constructor(rate: f64) {
    this.rate = rate;
    this.width = <i32>Math.round(rate * WIDTH_S);
    this.shortest = <i32>Math.floor(rate / HIGHEST_HZ);
    this.longest = <i32>Math.ceil(rate / LOWEST_HZ);
    this.likenesses = room((<usize>(this.longest + BEYOND + 1)) << 2);
  }

  private at(lag: i32): f32 {
    return load<f32>(this.likenesses + ((<usize>lag) << 2));
  }

  /** Likeness half way between a lag and the next, by cubic interpolation. */
  private halfWay(lag: i32): f32 {
    return (9 * (this.at(lag) + this.at(lag + 1)) - this.at(lag - 1) - this.at(lag + 2)) / 16;
  }

  /** The shortest lag, in halves, at which the likeness peaks nearly as high as anywhere. */
  private shortestPeriod(best: f32): f64 {
    let before = this.halfWay(this.shortest - 1);
    let now = this.at(this.shortest);
    for (let half = 2 * this.shortest + 1; half <= 2 * this.longest + 1; half += 1) {
      const next = half % 2 == 1 ? this.halfWay(half >> 1) : this.at(half >> 1);
      if (now >= NEARLY * best && now >= before && now >= next) return <f64>(half - 1) / 2;
      before = now;
      now = next;
    }
    return <f64>this.longest;
  }

  /** Looks at 40 ms round a place of a signal of so many samples. */
  look(signal: usize, centre: f64, count: i32): void {
    this.likeness = 0;
    this.pitch = 0;
    const from = <i32>Math.floor(centre - <f64>this.width / 2 + 0.5);
    if (from - this.longest - BEYOND < 0 || from + this.width > count) return;
    const here = signal + ((<usize>from) << 2);
    compare(here, here, this.width);
    const own = energy;
    if (own <= 0) return;
    for (let lag = this.shortest - BEYOND; lag <= this.longest + BEYOND; lag += 1) {
      compare(here - ((<usize>lag) << 2), here, this.width);
      const likeness = product / Mathf.sqrt(own * energy + 1e-30);
      store<f32>(this.likenesses + ((<usize>lag) << 2), likeness);
      if (lag >= this.shortest && lag <= this.longest) this.likeness = max(this.likeness, likeness);
    }
    this.pitch = <f32>(this.rate / this.shortestPeriod(this.likeness));
  }
}
