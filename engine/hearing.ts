import { PARTS_PER_HOP, room } from "./block";
import { LevelRoom } from "./levels";
import { lnOf } from "./logarithm";
import { Period } from "./period";
import { PowerSpectrum } from "./powerSpectrum";
import { BANDS } from "./spectra";

/** Hops to either side over which powers are averaged before they are judged. */
const SMOOTHED: i32 = 2;
/** Noise is the least smoothed power within so many hops to either side, in blocks. */
const BLOCK: i32 = 25;
const REACH_BLOCKS: i32 = 16;
/** Digital silence is no noise. */
const SILENCE: f32 = 1e-16;
/** The least of many means lies under the mean: by so much in the narrowest band, and less in wider ones. Measured with noise. */
const BIAS: StaticArray<f32> = [
  2.9, 2.7, 2.6, 2.3, 2.2, 2.1, 2.0, 1.9, 1.8, 1.75, 1.7, 1.65, 1.6, 1.55, 1.5, 1.47, 1.43, 1.4, 1.37, 1.35, 1.33, 1.3,
];
/** Bands that tell a voice, 250 Hz to 5 kHz, and the most that one of them tells. */
const FIRST_BAND: i32 = 3;
const LAST_BAND: i32 = 16;
const MOST_RATIO: f32 = 63;
const MOST_DB: f32 = 18;
/** Mean excess over the noise from which somebody may speak, and under which nobody does, dB. */
const SPEAKS_DB: f32 = 2.6;
const SILENT_DB: f32 = 1.3;
/** A period is looked for in one of so many hops. */
const EVERY: i32 = 4;
/** Hops to either side over which crackling is averaged, and the most that one change tells. */
const CRACKLE_REACH: i32 = 3;
const MOST_TURN: f32 = 3;
/** Corner under which there is hardly any voice, and one under which there are only its lows, Hz. */
const LOW_HZ: f64 = 55;
const LOWS_HZ: f64 = 220;
/** Hum and handling are periodic too: what the voice's period is looked for in has no lows, Hz. */
const CUT_HZ: f64 = 150;
/** Length of the windows in which lines are looked for, in slow samples: about a second. */
const LINE_SIZE: i32 = 2048;
export const LINES: i32 = 512;
const MOST_WINDOWS: i32 = 96;
/** A line that never goes away is there in all but so many windows. */
const ALWAYS: f64 = 0.15;
/** Sums of bands that are kept at a time. */
export const SUMS: i32 = 16;

/** A Butterworth section for two corners side by side. */
class Section {
  b: v128;
  a1: v128;
  a2: v128;

  constructor(q: f64, rate: f64) {
    const low = Math.tan((Math.PI * LOW_HZ) / rate);
    const lows = Math.tan((Math.PI * LOWS_HZ) / rate);
    const lowScale = 1 / (1 + low / q + low * low);
    const lowsScale = 1 / (1 + lows / q + lows * lows);
    this.b = both(low * low * lowScale, lows * lows * lowsScale);
    this.a1 = both(2 * (low * low - 1) * lowScale, 2 * (lows * lows - 1) * lowsScale);
    this.a2 = both((1 - low / q + low * low) * lowScale, (1 - lows / q + lows * lows) * lowsScale);
  }
}

function both(one: f64, other: f64): v128 {
  return f64x2.replace_lane(f64x2.splat(one), 1, other);
}

/** What is worked out of one channel's figures when a piece is judged; one room for all channels in turn. */
export class Hearing {
  /** By hop: mean square, power under 55 and 220 Hz, crackling; whether it is loud enough to be speech (bytes). */
  level: usize;
  low: usize;
  lows: usize;
  crackle: usize;
  loud: usize;
  /** How periodic it is and at which frequency, by hop, where it is loud. */
  voicing: usize;
  pitch: usize;
  /** Noise by band and hop, bands `mostHops` floats apart. */
  noise: usize;
  /** What never goes away, by line. */
  lines: usize;
  /** Mean of the squared steps over five parts, by part. */
  fine: usize;
  sums: usize;
  /** Two masks, a byte a hop, and their sums by band. */
  masks: usize;
  masked: usize;
  private mostHops: i32;
  private hopFrames: i32;
  private slowRate: f64;
  private perHop: f64;
  private padded: usize;
  private smoothed: usize;
  private product: usize;
  private least: usize;
  private cut: usize;
  private logs: usize;
  private windows: usize;
  /** The least powers of a line so far, in order; one more than the rank that is wanted of {@link MOST_WINDOWS}. */
  private smallest: usize = room(64);
  private first: Section;
  private second: Section;
  private period: Period;
  private spectrum: PowerSpectrum;

  constructor(rate: i32, frames: i32, hops: i32, slowFactor: i32) {
    const slow = <f64>rate / <f64>slowFactor;
    this.first = new Section(0.5412, slow);
    this.second = new Section(1.3066, slow);
    this.period = new Period(slow);
    this.spectrum = new PowerSpectrum(LINE_SIZE);
    this.mostHops = hops;
    this.hopFrames = frames;
    this.slowRate = slow;
    this.perHop = <f64>frames / <f64>slowFactor;
    const hopRoom = (<usize>hops) << 2;
    this.level = room(hopRoom);
    this.low = room(hopRoom);
    this.lows = room(hopRoom);
    this.crackle = room(hopRoom);
    this.loud = room(<usize>hops);
    this.voicing = room(hopRoom);
    this.pitch = room(hopRoom);
    this.noise = room(hopRoom * BANDS);
    this.lines = room((<usize>LINES) << 2);
    this.fine = room(hopRoom * PARTS_PER_HOP);
    this.sums = room(hopRoom * SUMS);
    this.masks = room((<usize>hops) << 1);
    this.masked = room((<usize>BANDS) << 4);
    this.padded = room(hopRoom + 64) + 16;
    this.smoothed = room(hopRoom);
    this.product = room(hopRoom);
    this.least = room((<usize>(hops / BLOCK + 2)) << 2);
    this.cut = room((<usize>(<f64>hops * this.perHop + 64)) << 2);
    this.logs = room(hopRoom * PARTS_PER_HOP);
    this.windows = room((<usize>(MOST_WINDOWS + 4) * LINES) << 2);
  }

  /** Works everything out for one channel. */
  listen(levels: LevelRoom, bands: usize, slow: usize, slowCount: i32, hops: i32, frames: i32): void {
    if (hops < 1) return;
    this.levelsOf(levels, hops, frames);
    this.finesOf(levels.steps, hops);
    this.lowsOf(slow, slowCount, hops);
    this.noiseOf(bands, hops);
    this.voiceOf(slowCount, hops);
    this.linesOf(slow, slowCount);
  }

  /** Mean squares without the piece's DC offset. */
  private levelsOf(levels: LevelRoom, hops: i32, frames: i32): void {
    let squares = levels.squares;
    const offset = levels.total / max(1.0, levels.count);
    for (let hop = 0; hop < hops; hop += 1) {
      let sum: f64 = 0;
      for (let part = 0; part < PARTS_PER_HOP; part += 1, squares += 4) sum += <f64>load<f32>(squares);
      const at = (<usize>hop) << 2;
      const count = <f64>min(this.hopFrames, frames - hop * this.hopFrames);
      sum += offset * (count * offset - 2 * <f64>load<f32>(levels.sums + at));
      store<f32>(this.level + at, <f32>(max(0.0, sum) / <f64>this.hopFrames));
    }
  }

  /** How uneven the fine structure is: mean change of the logarithm of the steps' power from 1 ms to the next. */
  private finesOf(steps: usize, hops: i32): void {
    const bytes = (<usize>(hops * PARTS_PER_HOP)) << 2;
    const least = f32x4.splat(SILENCE);
    for (let at: usize = 0; at < bytes; at += 16)
      v128.store(this.logs + at, lnOf(f32x4.add(v128.load(steps + at), least)));
    // Means over five parts; the first four have no five yet.
    for (let at: usize = 16; at < bytes; at += 4) {
      const sum = v128.load(steps + at - 16);
      const all = f32x4.extract_lane(sum, 0) + f32x4.extract_lane(sum, 1) + f32x4.extract_lane(sum, 2);
      store<f32>(this.fine + at, (all + f32x4.extract_lane(sum, 3) + load<f32>(steps + at)) / 5);
    }
    memory.fill(this.fine, 0, 16);
    let last = load<f32>(this.logs);
    let log = this.logs;
    for (let hop = 0; hop < hops; hop += 1) {
      let turns: f32 = 0;
      for (let part = 0; part < PARTS_PER_HOP; part += 1, log += 4) {
        const now = load<f32>(log);
        turns += min(MOST_TURN, abs(now - last));
        last = now;
      }
      store<f32>(this.product + ((<usize>hop) << 2), turns);
    }
    for (let hop = 0; hop < hops; hop += 1) {
      const from = max(0, hop - CRACKLE_REACH);
      const to = min(hops - 1, hop + CRACKLE_REACH);
      let sum: f32 = 0;
      for (let at = from; at <= to; at += 1) sum += load<f32>(this.product + ((<usize>at) << 2));
      store<f32>(this.crackle + ((<usize>hop) << 2), sum / <f32>((to - from + 1) * PARTS_PER_HOP));
    }
  }

  /** Powers under both corners by hop, and the slow signal less its lows (one pole and zero). */
  private lowsOf(slow: usize, slowCount: i32, hops: i32): void {
    const none = f64x2.splat(0);
    const b1 = this.first.b;
    const c1 = this.first.a1;
    const c2 = this.first.a2;
    const b2 = this.second.b;
    const d1 = this.second.a1;
    const d2 = this.second.a2;
    let s1 = none;
    let s2 = none;
    let t1 = none;
    let t2 = none;
    const pole = Math.exp((-2 * Math.PI * CUT_HZ) / this.slowRate);
    let before: f64 = 0;
    let cut: f64 = 0;
    for (let hop = 0; hop < hops; hop += 1) {
      const from = <i32>Math.floor(<f64>hop * this.perHop);
      const to = min(slowCount, <i32>Math.floor(<f64>(hop + 1) * this.perHop));
      let sum = none;
      for (let at = from; at < to; at += 1) {
        const offset = (<usize>at) << 2;
        const value = <f64>load<f32>(slow + offset);
        cut = pole * (cut + value - before);
        before = value;
        store<f32>(this.cut + offset, <f32>cut);
        const bx = f64x2.mul(b1, f64x2.splat(value));
        const y = f64x2.add(bx, s1);
        s1 = f64x2.add(f64x2.sub(f64x2.add(bx, bx), f64x2.mul(c1, y)), s2);
        s2 = f64x2.sub(bx, f64x2.mul(c2, y));
        const by = f64x2.mul(b2, y);
        const z = f64x2.add(by, t1);
        t1 = f64x2.add(f64x2.sub(f64x2.add(by, by), f64x2.mul(d1, z)), t2);
        t2 = f64x2.sub(by, f64x2.mul(d2, z));
        sum = f64x2.add(sum, f64x2.mul(z, z));
      }
      const low = f64x2.extract_lane(sum, 0);
      const lows = f64x2.extract_lane(sum, 1);
      // Denormal numbers after silence would slow the filters a hundredfold.
      if (lows < 1e-40) s1 = s2 = t1 = t2 = none;
      if (abs(cut) < 1e-30) cut = 0;
      const count = <f64>max(1, to - from);
      store<f32>(this.low + ((<usize>hop) << 2), <f32>(low / count));
      store<f32>(this.lows + ((<usize>hop) << 2), <f32>(lows / count));
    }
  }

  /** A band's powers averaged over five hops; beyond the ends stands what stands at them. */
  private smooth(band: usize, hops: i32): void {
    const padded = this.padded;
    memory.copy(padded, band, (<usize>hops) << 2);
    for (let off = 1; off <= SMOOTHED; off += 1) {
      store<f32>(padded - ((<usize>off) << 2), load<f32>(band));
      store<f32>(padded + ((<usize>(hops - 1 + off)) << 2), load<f32>(band + ((<usize>(hops - 1)) << 2)));
    }
    const fifth = f32x4.splat(0.2);
    const end = (<usize>hops) << 2;
    for (let at: usize = 0; at < end; at += 16) {
      const here = padded + at;
      const near = f32x4.add(v128.load(here - 4), v128.load(here + 4));
      const far = f32x4.add(v128.load(here - 8), v128.load(here + 8));
      v128.store(this.smoothed + at, f32x4.mul(fifth, f32x4.add(v128.load(here), f32x4.add(near, far))));
    }
  }

  /** Noise of a band by minimum statistics with a bias taken off. Method: Martin (2001), simplified to a fixed smoothing. */
  private floorsOf(to: usize, bias: f32, hops: i32): void {
    const blocks = (hops + BLOCK - 1) / BLOCK;
    for (let block = 0; block < blocks; block += 1) {
      let least: f32 = f32.MAX_VALUE;
      for (let hop = block * BLOCK; hop < min(hops, (block + 1) * BLOCK); hop += 1) {
        const power = load<f32>(this.smoothed + ((<usize>hop) << 2));
        if (power > SILENCE && power < least) least = power;
      }
      store<f32>(this.least + ((<usize>block) << 2), least);
    }
    for (let block = 0; block < blocks; block += 1) {
      let lowest: f32 = f32.MAX_VALUE;
      const last = min(blocks - 1, block + REACH_BLOCKS);
      for (let other = max(0, block - REACH_BLOCKS); other <= last; other += 1)
        lowest = min(lowest, load<f32>(this.least + ((<usize>other) << 2)));
      const floor = lowest < f32.MAX_VALUE ? lowest * bias : SILENCE;
      for (let hop = block * BLOCK; hop < min(hops, (block + 1) * BLOCK); hop += 1)
        store<f32>(to + ((<usize>hop) << 2), floor);
    }
  }

  /** Noise of all bands, and the product of what those of a voice rise over it. */
  private noiseOf(bands: usize, hops: i32): void {
    const end = (<usize>hops) << 2;
    const one = f32x4.splat(1);
    const most = f32x4.splat(MOST_RATIO);
    for (let at: usize = 0; at < end; at += 16) v128.store(this.product + at, one);
    for (let band = 0; band < BANDS; band += 1) {
      const offset = (<usize>(band * this.mostHops)) << 2;
      const noise = this.noise + offset;
      this.smooth(bands + offset, hops);
      this.floorsOf(noise, BIAS[band], hops);
      if (band < FIRST_BAND || band > LAST_BAND) continue;
      for (let at: usize = 0; at < end; at += 16) {
        const over = f32x4.div(v128.load(this.smoothed + at), v128.load(noise + at));
        const ratio = f32x4.pmin(most, f32x4.pmax(one, over));
        v128.store(this.product + at, f32x4.mul(v128.load(this.product + at), ratio));
      }
    }
    const perDb = f32x4.splat(<f32>(10.0 / Math.LN10 / <f64>(LAST_BAND - FIRST_BAND + 1)));
    for (let at: usize = 0; at < end; at += 16)
      v128.store(this.product + at, f32x4.mul(perDb, lnOf(v128.load(this.product + at))));
  }

  /** Where it is loud enough over the noise to be speech, and how periodic it is there. */
  private voiceOf(slowCount: i32, hops: i32): void {
    const period = this.period;
    let isOn = false;
    for (let hop = 0; hop < hops; hop += 1) {
      const at = (<usize>hop) << 2;
      const wasOn = isOn;
      isOn = min(MOST_DB, load<f32>(this.product + at)) > (isOn ? SILENT_DB : SPEAKS_DB);
      store<u8>(this.loud + <usize>hop, isOn ? 1 : 0);
      if (!isOn) {
        store<f32>(this.voicing + at, 0);
        store<f32>(this.pitch + at, 0);
        continue;
      }
      if (hop % EVERY == 0 || !wasOn) period.look(this.cut, (<f64>hop + 0.5) * this.perHop, slowCount);
      store<f32>(this.voicing + at, period.likeness);
      store<f32>(this.pitch + at, period.pitch);
    }
  }

  /** Power of each line that is there in nearly every second, by the 15th percentile over windows. */
  private linesOf(slow: usize, slowCount: i32): void {
    const count = min(MOST_WINDOWS, slowCount / LINE_SIZE);
    memory.fill(this.lines, 0, (<usize>LINES) << 2);
    if (count == 0) return;
    const spectrum = this.spectrum;
    const groupBytes = (<usize>LINES) << 4;
    // Lanes beyond the last window are worked out along and never read.
    for (let group = 0; 4 * group < count; group += 1) {
      spectrum.push(slow + ((<usize>(4 * group * LINE_SIZE)) << 2), (<usize>LINE_SIZE) << 2, LINES - 1);
      memory.copy(this.windows + <usize>group * groupBytes, spectrum.powers, groupBytes);
    }
    const rank = <i32>Math.floor(<f64>count * ALWAYS);
    for (let line = 1; line < LINES; line += 1) {
      const from = this.windows + ((<usize>line) << 4);
      let held = 0;
      for (let window = 0; window < count; window += 1) {
        const power = load<f32>(from + <usize>(window >> 2) * groupBytes + ((<usize>(window & 3)) << 2));
        // The least so far stand in order; what is more than all of them is none.
        let place = held;
        while (place > 0 && load<f32>(this.smallest + ((<usize>(place - 1)) << 2)) > power) {
          if (place <= rank)
            store<f32>(this.smallest + ((<usize>place) << 2), load<f32>(this.smallest + ((<usize>(place - 1)) << 2)));
          place -= 1;
        }
        if (place <= rank) store<f32>(this.smallest + ((<usize>place) << 2), power);
        if (held <= rank) held += 1;
      }
      store<f32>(this.lines + ((<usize>line) << 2), load<f32>(this.smallest + ((<usize>rank) << 2)));
    }
  }

  /** Adds up neighbouring bands by hop into one of the rooms for sums. */
  add(bands: usize, first: i32, last: i32, to: i32, hops: i32): usize {
    const stride = (<usize>this.mostHops) << 2;
    const target = this.sums + <usize>to * stride;
    const end = (<usize>hops) << 2;
    memory.copy(target, bands + <usize>first * stride, end);
    for (let band = first + 1; band <= last; band += 1) {
      const from = bands + <usize>band * stride;
      for (let at: usize = 0; at < end; at += 16)
        v128.store(target + at, f32x4.add(v128.load(target + at), v128.load(from + at)));
    }
    return target;
  }

  /** Sums of each band over the hops of both masks. */
  addMasked(bands: usize, from: i32, hops: i32): void {
    const other = this.masks + <usize>this.mostHops;
    for (let band = 0; band < BANDS; band += 1) {
      const powers = bands + ((<usize>(band * this.mostHops)) << 2);
      let one: f64 = 0;
      let two: f64 = 0;
      for (let hop = from; hop < hops; hop += 1) {
        const power = <f64>load<f32>(powers + ((<usize>hop) << 2));
        if (load<u8>(this.masks + <usize>hop)) one += power;
        if (load<u8>(other + <usize>hop)) two += power;
      }
      store<f64>(this.masked + ((<usize>band) << 4), one);
      store<f64>(this.masked + ((<usize>band) << 4), two, 8);
    }
  }
}
