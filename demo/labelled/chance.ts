/** A stream of chance that is the same for the same seed (mulberry32). */
export interface Chance {
  /** 0 ≤ value < 1. */
  next(): number;
  between(low: number, high: number): number;
  pick<T>(from: readonly T[]): T;
  /** Normally distributed, mean 0, deviation 1. */
  normal(): number;
}

export function chanceOf(seed: number): Chance {
  let state = seed >>> 0;
  const { imul } = Math;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    between: (low, high) => low + (high - low) * next(),
    pick: (from) => from[Math.floor(next() * from.length)]!,
    normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
  };
}
