import { RATE } from "./rate";

/** Second-order sections by the common cookbook formulas; for making sounds, not for measuring them. */
type Section = readonly [b0: number, b1: number, b2: number, a1: number, a2: number];

function section(kind: "low" | "high" | "peak" | "lowShelf" | "highShelf", hz: number, q: number, gainDb = 0): Section {
  const w = (2 * Math.PI * hz) / RATE;
  const [c, s] = [Math.cos(w), Math.sin(w)];
  const alpha = s / (2 * q);
  const a = 10 ** (gainDb / 40);
  const root = 2 * Math.sqrt(a) * alpha;
  const made: Record<typeof kind, readonly number[]> = {
    low: [(1 - c) / 2, 1 - c, (1 - c) / 2, 1 + alpha, -2 * c, 1 - alpha],
    high: [(1 + c) / 2, -1 - c, (1 + c) / 2, 1 + alpha, -2 * c, 1 - alpha],
    peak: [1 + alpha * a, -2 * c, 1 - alpha * a, 1 + alpha / a, -2 * c, 1 - alpha / a],
    lowShelf: [
      a * (a + 1 - (a - 1) * c + root),
      2 * a * (a - 1 - (a + 1) * c),
      a * (a + 1 - (a - 1) * c - root),
      a + 1 + (a - 1) * c + root,
      -2 * (a - 1 + (a + 1) * c),
      a + 1 + (a - 1) * c - root,
    ],
    highShelf: [
      a * (a + 1 + (a - 1) * c + root),
      -2 * a * (a - 1 + (a + 1) * c),
      a * (a + 1 + (a - 1) * c - root),
      a + 1 - (a - 1) * c + root,
      2 * (a - 1 - (a + 1) * c),
      a + 1 - (a - 1) * c - root,
    ],
  };
  const [b0, b1, b2, a0, a1, a2] = made[kind] as [number, number, number, number, number, number];
  return [b0 / a0, b1 / a0, b2 / a0, a1 / a0, a2 / a0];
}

/** Filters samples in place and gives them back. */
function run(samples: Float32Array, [b0, b1, b2, a1, a2]: Section): Float32Array {
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  for (let at = 0; at < samples.length; at += 1) {
    const x = samples[at]!;
    const y = b0 * x + b1 * x1 + b2 * x2 - a1 * y1 - a2 * y2;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    samples[at] = y;
  }
  return samples;
}

export const lowPass = (samples: Float32Array, hz: number, q = Math.SQRT1_2) => run(samples, section("low", hz, q));
export const highPass = (samples: Float32Array, hz: number, q = Math.SQRT1_2) => run(samples, section("high", hz, q));
export const peak = (samples: Float32Array, hz: number, q: number, gainDb: number) =>
  run(samples, section("peak", hz, q, gainDb));
export const lowShelf = (samples: Float32Array, hz: number, gainDb: number) =>
  run(samples, section("lowShelf", hz, Math.SQRT1_2, gainDb));
export const highShelf = (samples: Float32Array, hz: number, gainDb: number) =>
  run(samples, section("highShelf", hz, Math.SQRT1_2, gainDb));
