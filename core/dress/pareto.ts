/** Differences smaller than this are no differences: costs run from 0 to 3. */
const ALIKE = 0.05;

/** Whether one set of costs is nowhere worse than the other and somewhere better. */
export function dominates(one: ArrayLike<number>, other: ArrayLike<number>): boolean {
  let isBetter = false;
  for (let index = 0; index < one.length; index += 1) {
    const difference = one[index]! - other[index]!;
    if (difference > ALIKE) return false;
    if (difference < -ALIKE) isBetter = true;
  }
  return isBetter;
}

/**
 * Which of many sets of costs are best in their own way: nothing else is at least as good in all and better in one.
 * `sums` orders the search only: a set can be dominated by one of smaller sum alone, but for differences that count as none.
 */
export function paretoFront(costs: readonly ArrayLike<number>[]): boolean[] {
  const sumOf = (set: ArrayLike<number>) => {
    let sum = 0;
    for (let index = 0; index < set.length; index += 1) sum += set[index]!;
    return sum;
  };
  const sums = costs.map(sumOf);
  const order = costs.map((_, index) => index).sort((a, b) => sums[a]! - sums[b]!);
  const front: number[] = [];
  const isOnFront = costs.map(() => false);
  for (const index of order) {
    if (front.some((member) => dominates(costs[member]!, costs[index]!))) continue;
    front.push(index);
    isOnFront[index] = true;
  }
  return isOnFront;
}
