/** Taps on each side of a gap between samples; even. */
const REACH = 14;
const KAISER_BETA = 5.5;
/** Samples judged together when deciding whether an overshoot is possible at all; at least REACH. */
const SEGMENT = 16;
/** Samples taken in at a time. */
const INTAKE = 4096;

function besselI0(x: number): number {
  let term = 1;
  let sum = 1;
  for (let k = 1; term > 1e-12 * sum; k += 1) {
    term *= (x / (2 * k)) ** 2;
    sum += term;
  }
  return sum;
}

/** Interpolation kernel at `share` (0…1) of the gap between two samples: taps on the near side, then on the far side. */
function kernel(share: number): { near: number[]; far: number[] } {
  const tapAt = (distance: number) =>
    (Math.sin(Math.PI * distance) / (Math.PI * distance)) *
    (besselI0(KAISER_BETA * Math.sqrt(1 - (distance / (REACH + 1)) ** 2)) / besselI0(KAISER_BETA));
  const near = Array.from({ length: REACH }, (_, tap) => tapAt(tap + share));
  const far = Array.from({ length: REACH }, (_, tap) => tapAt(tap + 1 - share));
  const sum = [...near, ...far].reduce((total, tap) => total + tap, 0);
  return { near: near.map((tap) => tap / sum), far: far.map((tap) => tap / sum) };
}

const absoluteSum = (taps: readonly number[]) => taps.reduce((sum, tap) => sum + Math.abs(tap), 0);

/**
 * How far an interpolated value can lie outside its two neighbours, per unit of the largest second difference around:
 * with Σh = 1 a value is a mean of the two plus Σ w·d², where w gathers the kernel's outer taps.
 */
function bendWeight({ near, far }: { near: number[]; far: number[] }): number {
  const outer = (taps: readonly number[], from: number) =>
    Math.abs(taps.reduce((sum, tap, index) => (index > from ? sum + tap * (index - from) : sum), 0));
  let weight = 0;
  for (let from = 0; from < REACH - 1; from += 1) weight += outer(near, from) + outer(far, from);
  return weight;
}

/** The half phase, and the quarter phases as even and odd part; and by how much any of them can overshoot. */
const KERNELS = (() => {
  const quarter = kernel(0.25);
  const half = kernel(0.5);
  return {
    middle: Float64Array.from(half.near),
    even: Float64Array.from(quarter.near, (tap, index) => (tap + quarter.far[index]!) / 2),
    odd: Float64Array.from(quarter.near, (tap, index) => (tap - quarter.far[index]!) / 2),
    bend: Math.max(bendWeight(half), bendWeight(quarter)),
    gain: Math.max(absoluteSum([...half.near, ...half.far]), absoluteSum([...quarter.near, ...quarter.far])),
  };
})();

export interface TruePeakMeter {
  push(samples: Float32Array, length: number): void;
  /** Largest absolute value of the oversampled signal so far, linear. */
  finish(): number;
}

/**
 * True peak of one channel: 4 times oversampled below 96 kHz, twice below 192 kHz, else the samples themselves.
 *
 * Kaiser-windowed sinc, 28 taps a phase. The quarter phases mirror each other, so with their even part E and odd part O
 * the larger of the two is |E| + |O|. Parts that cannot overshoot the peak so far are passed over, by two bounds: their
 * largest sample times the kernel's sum of absolute taps, and their neighbours plus what their curvature allows. The
 * result is the same as without.
 * Source: ITU-R BS.1770-4 annex 2 (method; the kernel is longer than its example).
 */
export function truePeakMeter(sampleRateHz: number): TruePeakMeter {
  const hasHalf = sampleRateHz < 192_000;
  const hasQuarters = sampleRateHz < 96_000;
  const { middle, even, odd, gain, bend } = KERNELS;
  const line = new Float64Array(INTAKE + 4 * SEGMENT + 2 * REACH);
  const largestIn = new Float64Array(Math.ceil(line.length / SEGMENT) + 1);
  let peak = 0;
  let filled = SEGMENT;

  /** Largest second difference that any gap from `from` to `to` can see. */
  function largestBend(from: number, to: number): number {
    let largest = 0;
    for (let index = from - REACH + 1; index < to + REACH; index += 1) {
      const second = line[index - 1]! - 2 * line[index]! + line[index + 1]!;
      const magnitude = second < 0 ? -second : second;
      if (magnitude > largest) largest = magnitude;
    }
    return largest;
  }

  /** Largest value of the gaps from `from` to `to`, or `known` when none is larger. */
  function scanGaps(from: number, to: number, known: number): number {
    const slack = bend * largestBend(from, to);
    let largest = known;
    for (let index = from; index < to; index += 1) {
      const here = line[index]!;
      const next = line[index + 1]!;
      const ceiling = largest - slack;
      if (here <= ceiling && here >= -ceiling && next <= ceiling && next >= -ceiling) continue;
      let half = 0;
      let evenPart = 0;
      let oddPart = 0;
      for (let tap = 0; tap < REACH; tap += 2) {
        const before = line[index - tap]!;
        const after = line[index + 1 + tap]!;
        const before2 = line[index - tap - 1]!;
        const after2 = line[index + 2 + tap]!;
        const sum = before + after;
        const sum2 = before2 + after2;
        half += middle[tap]! * sum + middle[tap + 1]! * sum2;
        evenPart += even[tap]! * sum + even[tap + 1]! * sum2;
        oddPart += odd[tap]! * (before - after) + odd[tap + 1]! * (before2 - after2);
      }
      const atHalf = half < 0 ? -half : half;
      if (atHalf > largest) largest = atHalf;
      if (hasQuarters) {
        const atQuarter = (evenPart < 0 ? -evenPart : evenPart) + (oddPart < 0 ? -oddPart : oddPart);
        if (atQuarter > largest) largest = atQuarter;
      }
    }
    return largest;
  }

  /** Works through whole segments that have a whole segment after them; keeps the rest for the next intake. */
  function drain(): void {
    const segments = Math.floor(filled / SEGMENT);
    for (let segment = 0; segment < segments; segment += 1) {
      let largest = 0;
      for (let index = segment * SEGMENT; index < (segment + 1) * SEGMENT; index += 1) {
        const value = line[index]!;
        const magnitude = value < 0 ? -value : value;
        if (magnitude > largest) largest = magnitude;
      }
      largestIn[segment] = largest;
      if (largest > peak) peak = largest;
    }
    if (hasHalf)
      for (let segment = 1; segment < segments - 1; segment += 1) {
        const around = Math.max(largestIn[segment - 1]!, largestIn[segment]!, largestIn[segment + 1]!);
        if (around * gain > peak) peak = scanGaps(segment * SEGMENT, (segment + 1) * SEGMENT, peak);
      }
    if (segments < 3) return;
    const kept = (segments - 2) * SEGMENT;
    line.copyWithin(0, kept, filled);
    filled -= kept;
  }

  function push(samples: Float32Array, length: number): void {
    for (let from = 0; from < length; from += INTAKE) {
      const to = Math.min(length, from + INTAKE);
      for (let index = from, at = filled; index < to; index += 1, at += 1) line[at] = samples[index]!;
      filled += to - from;
      drain();
    }
  }

  return {
    push,
    finish() {
      push(new Float32Array(3 * SEGMENT), 3 * SEGMENT);
      return peak;
    },
  };
}

/** The same peak of a 4 times oversampled signal, every gap computed and none passed over: slow, for checking. */
export function unskippedPeak(samples: Float32Array): number {
  const kernels = [kernel(0.25), kernel(0.5), kernel(0.75)];
  const at = (index: number) => samples[index] ?? 0;
  let peak = 0;
  for (let gap = 0; gap < samples.length; gap += 1) {
    peak = Math.max(peak, Math.abs(at(gap)));
    for (const { near, far } of kernels) {
      let value = 0;
      for (let tap = 0; tap < REACH; tap += 1) value += near[tap]! * at(gap - tap) + far[tap]! * at(gap + 1 + tap);
      peak = Math.max(peak, Math.abs(value));
    }
  }
  return peak;
}
