const ROUNDS = 15;

/** Median of some rounds after one that warms up, ms. */
export function median(work: () => void): number {
  work();
  const times = Array.from({ length: ROUNDS }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  });
  return times.sort((one, other) => one - other)[ROUNDS >> 1]!;
}
