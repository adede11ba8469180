import { RATE } from "./rate";

/** A repeatable stream of chance, 0…1 (xorshift32). */
export class Dice {
  private state: number;

  constructor(seed: number) {
    this.state = (seed * 2_654_435_761) % 4_294_967_296 || 1;
    for (let turn = 0; turn < 8; turn += 1) this.roll();
  }

  roll(): number {
    let x = this.state | 0;
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    this.state = x >>> 0;
    return this.state / 4_294_967_296;
  }

  within(from: number, to: number): number {
    return from + (to - from) * this.roll();
  }

  whole(from: number, to: number): number {
    return Math.floor(this.within(from, to + 1));
  }

  one<T>(of: readonly T[]): T {
    return of[Math.min(of.length - 1, Math.floor(this.roll() * of.length))]!;
  }

  /** Normal, by Box and Muller (1958). */
  normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.roll())) * Math.cos(2 * Math.PI * this.roll());
  }
}

export const dbToGain = (db: number): number => 10 ** (db / 20);
export const seconds = (time: number): number => Math.round(time * RATE);

export function rms(samples: Float32Array): number {
  let sum = 0;
  for (const value of samples) sum += value * value;
  return Math.sqrt(sum / Math.max(1, samples.length)) + 1e-12;
}

export function peakIn(samples: Float32Array): number {
  let most = 1e-12;
  for (const value of samples) most = Math.max(most, Math.abs(value));
  return most;
}

export type Shape = "low" | "high" | "band" | "peak" | "lowShelf" | "highShelf";

/** A second-order section, in place. Coefficients: Bristow-Johnson, "Cookbook formulae for audio EQ biquad filter coefficients". */
export function filtered(samples: Float32Array, shape: Shape, hz: number, q = Math.SQRT1_2, db = 0): Float32Array {
  const w = (2 * Math.PI * Math.min(hz, RATE * 0.49)) / RATE;
  const [cos, alpha] = [Math.cos(w), Math.sin(w) / (2 * q)];
  const a = 10 ** (db / 40);
  const root = 2 * Math.sqrt(a) * alpha;
  const coefficients: Record<Shape, readonly number[]> = {
    low: [(1 - cos) / 2, 1 - cos, (1 - cos) / 2, 1 + alpha, -2 * cos, 1 - alpha],
    high: [(1 + cos) / 2, -1 - cos, (1 + cos) / 2, 1 + alpha, -2 * cos, 1 - alpha],
    band: [alpha, 0, -alpha, 1 + alpha, -2 * cos, 1 - alpha],
    peak: [1 + alpha * a, -2 * cos, 1 - alpha * a, 1 + alpha / a, -2 * cos, 1 - alpha / a],
    lowShelf: [
      a * (a + 1 - (a - 1) * cos + root),
      2 * a * (a - 1 - (a + 1) * cos),
      a * (a + 1 - (a - 1) * cos - root),
      a + 1 + (a - 1) * cos + root,
      -2 * (a - 1 + (a + 1) * cos),
      a + 1 + (a - 1) * cos - root,
    ],
    highShelf: [
      a * (a + 1 + (a - 1) * cos + root),
      -2 * a * (a - 1 + (a + 1) * cos),
      a * (a + 1 + (a - 1) * cos - root),
      a + 1 - (a - 1) * cos + root,
      2 * (a - 1 - (a + 1) * cos),
      a + 1 - (a - 1) * cos - root,
    ],
  };
  const [b0, b1, b2, a0, a1, a2] = coefficients[shape].map((value, _, all) => value / all[3]!) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  void a0;
  let [s1, s2] = [0, 0];
  for (let at = 0; at < samples.length; at += 1) {
    const x = samples[at]!;
    const y = b0 * x + s1;
    s1 = b1 * x - a1 * y + s2;
    s2 = b2 * x - a2 * y + 1e-24;
    samples[at] = y;
  }
  return samples;
}

/** Gaussian noise, RMS 1. */
export function whiteNoise(dice: Dice, frames: number): Float32Array {
  return Float32Array.from({ length: frames }, () => dice.normal());
}

/** Noise that falls by 3 or 6 dB an octave, RMS 1; leaky sums of steps held for 1, 2, 4 … samples (Voss and McCartney). */
export function placeNoise(dice: Dice, frames: number, isBrown: boolean): Float32Array {
  const rows = new Float32Array(14);
  const samples = new Float32Array(frames);
  let sum = 0;
  for (let at = 0; at < frames; at += 1) {
    const row = Math.min(13, Math.clz32((at + 1) & -(at + 1)) ^ 31);
    const next = dice.roll() - 0.5;
    sum += next - rows[row]!;
    rows[row] = next;
    samples[at] = sum + dice.roll() - 0.5;
  }
  if (isBrown) filtered(filtered(samples, "low", 180, 0.5), "low", 900, 0.5);
  filtered(samples, "high", 25);
  const level = rms(samples);
  return samples.map((value) => value / level);
}

/** A place's echo: sparse first reflections, then noise that dies away over `timeS` (60 dB); convolved in the time domain, thinned to stay quick. */
export function echoed(dice: Dice, dry: Float32Array, timeS: number, wetDb: number): Float32Array {
  const length = seconds(timeS * 0.9);
  const taps: [at: number, gain: number][] = [];
  let power = 0;
  // Velvet noise, thinner towards its end: pulses of either sign at random places (Karjalainen and Järveläinen 2007).
  for (let from = seconds(0.004); from < length; from += 60 + Math.floor(from / 60)) {
    const at = from + dice.whole(0, 50);
    const gain = (dice.roll() < 0.5 ? -1 : 1) * 10 ** ((-3 * at) / (timeS * RATE)) * Math.sqrt(60 + from / 60);
    taps.push([at, gain]);
    power += gain * gain;
  }
  const scale = dbToGain(wetDb) / Math.sqrt(power);
  const wet = new Float32Array(dry.length);
  for (const [at, gain] of taps) {
    const own = gain * scale;
    for (let index = 0; index + at < dry.length; index += 1) wet[index + at]! += dry[index]! * own;
  }
  // Walls and air take the highs.
  filtered(wet, "low", 6000, 0.5);
  return wet.map((value, index) => value + dry[index]!);
}

export function addAt(to: Float32Array, sound: Float32Array, from: number, gain = 1): void {
  for (let at = Math.max(0, -from); at < sound.length && from + at < to.length; at += 1)
    to[from + at]! += sound[at]! * gain;
}

/** A rise and fall over a sound's ends, s. */
export function swelled(sound: Float32Array, riseS: number, fallS: number): Float32Array {
  const [rise, fall] = [Math.max(1, seconds(riseS)), Math.max(1, seconds(fallS))];
  for (let at = 0; at < sound.length; at += 1)
    sound[at]! *= Math.min(1, at / rise) * Math.min(1, (sound.length - 1 - at) / fall);
  return sound;
}
