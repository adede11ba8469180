import { room } from "./block";
import { PowerSpectrum } from "./powerSpectrum";

/** Middles of the third-octave bands, Hz. Source: IEC 61260-1, nominal values. */
const MIDDLES: StaticArray<f64> = [
  125, 160, 200, 250, 315, 400, 500, 630, 800, 1000, 1250, 1600, 2000, 2500, 3150, 4000, 5000, 6300, 8000, 10000, 12500,
  16000,
];
export const BANDS: i32 = 22;

/** Length of the frames: a power of two of at most three hops. */
function framesOf(hopFrames: i32): i32 {
  let frames = 64;
  while (frames * 2 <= 3 * hopFrames) frames *= 2;
  return frames;
}

/**
 * Third-octave powers of Hann-windowed frames, four frames at a time, one in each lane.
 * A frame's power is scaled so that a band's figure is the mean square of what lies in it.
 */
export class Spectra {
  frames: i32;
  private half: i32;
  private spectrum: PowerSpectrum;
  /** Where each band's bins and their shares begin, and how much of each bin belongs to it. */
  private firstBins: StaticArray<i32> = new StaticArray<i32>(BANDS);
  private firstShares: StaticArray<i32> = new StaticArray<i32>(BANDS + 1);
  private shares: usize;
  private lastBin: i32 = 0;

  constructor(rate: i32, hopFrames: i32) {
    const frames = framesOf(hopFrames);
    this.spectrum = new PowerSpectrum(frames);
    this.frames = frames;
    this.half = frames / 2;
    this.shares = room((<usize>(this.half + 2 * BANDS)) << 2);
    this.shareOut(<f64>rate / <f64>this.frames);
  }

  /** Gives each band its bins: whole ones inside, shares of those that its edges cut. */
  private shareOut(binHz: f64): void {
    const sixth = Math.pow(2, 1.0 / 6);
    let share = 0;
    for (let band = 0; band < BANDS; band += 1) {
      this.firstShares[band] = share;
      const low = max(0.5, MIDDLES[band] / sixth / binHz);
      const high = min(<f64>this.half, (band + 1 < BANDS ? MIDDLES[band + 1] / sixth : MIDDLES[band] * sixth) / binHz);
      this.firstBins[band] = <i32>Math.floor(low + 0.5);
      for (let bin = this.firstBins[band]; <f64>bin - 0.5 < high; bin += 1) {
        const part = min(high, <f64>bin + 0.5) - max(low, <f64>bin - 0.5);
        store<f32>(this.shares + ((<usize>share) << 2), <f32>part);
        share += 1;
        this.lastBin = bin;
      }
    }
    this.firstShares[BANDS] = share;
  }

  /** Sum of a band's bins; those at its edges count by their share. */
  private power(band: i32): v128 {
    let at = this.spectrum.powers + ((<usize>this.firstBins[band]) << 4);
    let sum = f32x4.splat(0);
    let share = this.shares + ((<usize>this.firstShares[band]) << 2);
    const end = this.shares + ((<usize>this.firstShares[band + 1]) << 2);
    for (; share < end; share += 4, at += 16) sum = f32x4.add(sum, f32x4.mul(v128.load32_splat(share), v128.load(at)));
    return sum;
  }

  /** Four frames, a hop apart, the first beginning at `from`; band b of frame n goes to `to + b·stride + 4n` bytes. */
  push(from: usize, hopFrames: i32, to: usize, stride: usize): void {
    this.spectrum.push(from, (<usize>hopFrames) << 2, this.lastBin);
    for (let band = 0; band < BANDS; band += 1) v128.store(to + <usize>band * stride, this.power(band));
  }
}
