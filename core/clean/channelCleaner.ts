import { newCleaningEngine } from "./engine";
import { type Filter, filterOf, highPass, notch } from "./filters";
import { drawPeaks, fillGaps, popTamer, type Stretch } from "./repairs";
import type { Treatment, TreatmentKind } from "./treatments";

/** Order of the low cut, there and back: 24 dB an octave. */
const LOW_CUT_ORDER = 2;
/** What the noise is learned from at first, s. */
const LEARNED_S = 3;
/** Hops that the engine takes at a time. */
const HOPS = 8;

/** Frames of about 21 ms, in which speech stays the same. */
export const denoiserSize = (sampleRateHz: number): number => 2 ** Math.round(Math.log2(sampleRateHz / 46.9));

type Of<Kind extends TreatmentKind> = Extract<Treatment, { kind: Kind }>;

/** Cleans one channel stretch by stretch. */
export interface ChannelCleaner {
  /**
   * Works on a stretch that overlaps its neighbours by a margin; returns what of `own` is finished: as much as goes in, later by
   * {@link lateFrames}. Valid until the next call. `own` is a whole number of {@link unitFrames}.
   */
  push(stretch: Stretch, own: { from: number; frames: number }): Float32Array;
  lateFrames: number;
}

/** Stretches that a cleaner is given are multiples of this long, samples. */
export const unitFrames = (sampleRateHz: number): number => (HOPS * denoiserSize(sampleRateHz)) / 2;

/** A cleaner for one channel; `mostFrames` is the longest stretch with its margins. */
export function channelCleaner(
  treatments: readonly Treatment[],
  sampleRateHz: number,
  mostFrames: number,
): ChannelCleaner {
  const engine = newCleaningEngine();
  const of = <Kind extends TreatmentKind>(kind: Kind) =>
    treatments.find((treatment): treatment is Of<Kind> => treatment.kind === kind);
  const line = engine.roomFor(4 * mostFrames);
  const lowCut = of("lowCut");
  const lows: Filter | null = lowCut ? filterOf(engine, highPass(LOW_CUT_ORDER, lowCut.cornerHz, sampleRateHz)) : null;
  const hum = of("hum")?.lines.filter(({ hz }) => hz < 0.4 * sampleRateHz) ?? [];
  const notches =
    hum.length > 0
      ? filterOf(
          engine,
          hum.map(({ hz, widthHz }) => notch(hz, widthHz, sampleRateHz)),
        )
      : null;
  const pops = of("pops");
  const tame = pops ? popTamer(engine, sampleRateHz) : null;
  const noise = of("noise");
  const size = denoiserSize(sampleRateHz);
  if (noise) engine.setUpDenoiser(size, sampleRateHz);
  const floor = noise ? 10 ** (-noise.byDb / 20) : 1;
  const points = of("evenOut")?.points ?? [];
  const unit = (HOPS * size) / 2;
  let isLearned = false;
  let out = new Float32Array(0);

  function learn(samples: Float32Array): void {
    const count = Math.floor(Math.min(samples.length, LEARNED_S * sampleRateHz) / unit) * unit;
    // Backwards: what is known at the end is what the beginning needs.
    const turned = samples.slice(0, count).reverse();
    for (let at = 0; at < count; at += unit) {
      new Float32Array(engine.memory.buffer, engine.noisyAt(), unit).set(turned.subarray(at, at + unit));
      engine.denoise(floor, 1);
    }
    engine.startAgain();
    isLearned = true;
  }

  function quieten(samples: Float32Array): void {
    if (!isLearned) learn(samples);
    for (let at = 0; at < samples.length; at += unit) {
      const part = samples.subarray(at, at + unit);
      new Float32Array(engine.memory.buffer, engine.noisyAt(), unit).set(part);
      engine.denoise(floor, 0);
      part.set(new Float32Array(engine.memory.buffer, engine.cleanAt(), unit));
    }
  }

  /** Gain in dB at a time, straight between points. */
  let nextPoint = 0;
  function gainAt(second: number): number {
    if (points.length === 0) return 0;
    while (nextPoint < points.length && points[nextPoint]![0] <= second) nextPoint += 1;
    while (nextPoint > 0 && points[nextPoint - 1]![0] > second) nextPoint -= 1;
    const [before, after] = [points[nextPoint - 1], points[nextPoint]];
    if (!before || !after) return (before ?? after)![1];
    return before[1] + ((after[1] - before[1]) * (second - before[0])) / (after[0] - before[0]);
  }

  /** Changed in steps so short that none is heard. */
  function evenOut(samples: Float32Array, beginsAt: number): void {
    const step = Math.max(1, Math.round(sampleRateHz / 1000));
    for (let from = 0; from < samples.length; from += step) {
      const gain = 10 ** (gainAt((beginsAt + from) / sampleRateHz) / 20);
      for (let at = from; at < Math.min(from + step, samples.length); at += 1) samples[at]! *= gain;
    }
  }

  const lateFrames = noise ? size / 2 : 0;
  return {
    lateFrames,
    push({ samples: given, beginsAt }, own) {
      const samples = given.slice();
      const stretch = { samples, beginsAt, sampleRateHz };
      const gaps = of("gaps");
      if (gaps) fillGaps(stretch, within(gaps.places, stretch));
      const clipping = of("clipping");
      if (clipping) drawPeaks(stretch, within(clipping.places, stretch));
      if (pops && tame) tame(stretch, within(pops.places, stretch));
      const room = () => new Float32Array(engine.memory.buffer, line, samples.length);
      if (lows || notches) {
        room().set(samples);
        lows?.bothWays(line, samples.length);
        notches?.run(line + 4 * own.from, own.frames);
        samples.set(room());
      }
      if (out.length !== own.frames) out = new Float32Array(own.frames);
      out.set(samples.subarray(own.from, own.from + own.frames));
      if (noise) quieten(out);
      if (points.length > 0) evenOut(out, beginsAt + own.from - lateFrames);
      return out;
    },
  };
}

/** Places of which a stretch holds all that is needed to mend them. */
function within(
  places: readonly (readonly [number, number])[],
  { beginsAt, samples, sampleRateHz }: Stretch,
): (readonly [number, number])[] {
  const [fromS, toS] = [beginsAt / sampleRateHz, (beginsAt + samples.length) / sampleRateHz];
  return places.filter(([begin, end]) => end > fromS && begin < toS);
}
