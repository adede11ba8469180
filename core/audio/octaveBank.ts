/** Two poles and the zeros 1 and −1: y = g·(x − x₋₂) − a₁·y₋₁ − a₂·y₋₂. */
interface Section {
  gain: number;
  a1: number;
  a2: number;
}

type Complex = readonly [re: number, im: number];

const multiply = ([a, b]: Complex, [c, d]: Complex): Complex => [a * c - b * d, a * d + b * c];
const divide = ([a, b]: Complex, [c, d]: Complex): Complex => {
  const size = c * c + d * d;
  return [(a * c + b * d) / size, (b * c - a * d) / size];
};

function squareRoot([re, im]: Complex): Complex {
  const size = Math.hypot(re, im);
  const root = Math.sqrt((size + re) / 2);
  return [root, Math.sign(im || 1) * Math.sqrt((size - re) / 2)];
}

/** Order of the low-pass prototype: slopes of 18 dB an octave on either side. */
const ORDER = 3;

/** Whether an octave fits under half the sample rate with room for its upper slope. */
export function octaveFits(centreHz: number, sampleRateHz: number): boolean {
  return centreHz * Math.SQRT2 < 0.47 * sampleRateHz;
}

/**
 * Band-pass of one octave: Butterworth of order 3 on either side, unity at the centre.
 *
 * Centre ≥ 20 Hz and its upper edge under 0.47 of the sample rate, else RangeError. Source: IEC 61260-1 names such bands by
 * their centre, with edges at centre·2^±½; filter by the bilinear transform with the edges prewarped.
 */
export function octaveSections(centreHz: number, sampleRateHz: number): Section[] {
  if (!octaveFits(centreHz, sampleRateHz))
    throw new RangeError(`centreHz ${centreHz}: too high for ${sampleRateHz} Hz`);
  const warp = (hz: number) => 2 * sampleRateHz * Math.tan((Math.PI * hz) / sampleRateHz);
  const [low, high] = [warp(centreHz / Math.SQRT2), warp(centreHz * Math.SQRT2)];
  const bandwidth = high - low;
  const squaredCentre = low * high;
  const poles: Complex[] = [];
  for (let index = 0; index < ORDER; index += 1) {
    const angle = (Math.PI * (2 * index + 1 + ORDER)) / (2 * ORDER);
    const half: Complex = [(Math.cos(angle) * bandwidth) / 2, (Math.sin(angle) * bandwidth) / 2];
    const [re, im] = multiply(half, half);
    const root = squareRoot([re - squaredCentre, im]);
    poles.push([half[0] + root[0], half[1] + root[1]], [half[0] - root[0], half[1] - root[1]]);
  }
  const rate: number = 2 * sampleRateHz;
  const upper = poles
    .map((pole): Complex => divide([rate + pole[0], pole[1]], [rate - pole[0], -pole[1]]))
    .filter(([, im]) => im > 0);
  const turn = (2 * Math.PI * centreHz) / sampleRateHz;
  return upper.map(([re, im]) => {
    const [a1, a2] = [-2 * re, re * re + im * im];
    const numerator: Complex = [1 - Math.cos(2 * turn), Math.sin(2 * turn)];
    const denominator: Complex = [
      1 + a1 * Math.cos(turn) + a2 * Math.cos(2 * turn),
      -a1 * Math.sin(turn) - a2 * Math.sin(2 * turn),
    ];
    const [gainRe, gainIm] = divide(numerator, denominator);
    return { gain: 1 / Math.hypot(gainRe, gainIm), a1, a2 };
  });
}

/**
 * Runs samples through an octave's three sections in place, in one pass. Reading backwards gives the same band with the
 * ringing before the sound.
 */
export function filterOctave(samples: Float64Array, sections: readonly Section[], direction: 1 | -1 = 1): void {
  const [first, second, third] = sections as [Section, Section, Section];
  const gain = first.gain * second.gain * third.gain;
  const { a1: p1, a2: p2 } = first;
  const { a1: q1, a2: q2 } = second;
  const { a1: r1, a2: r2 } = third;
  // Two samples back at the input and after each section.
  let [x1, x2, u1, u2, v1, v2, w1, w2] = [0, 0, 0, 0, 0, 0, 0, 0];
  const count = samples.length;
  for (let index = 0; index < count; index += 1) {
    const at = direction === 1 ? index : count - 1 - index;
    const x = gain * samples[at]!;
    const u = x - x2 - p1 * u1 - p2 * u2;
    const v = u - u2 - q1 * v1 - q2 * v2;
    const w = v - v2 - r1 * w1 - r2 * w2;
    x2 = x1;
    x1 = x;
    u2 = u1;
    u1 = u;
    v2 = v1;
    v1 = v;
    w2 = w1;
    w1 = w;
    samples[at] = w;
  }
}
