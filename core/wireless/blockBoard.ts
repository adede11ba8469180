import type { UnitRules } from "./airRules";

/**
 * For every step of a tuning grid, how many rules a carrier put there would break with the carriers that are already on.
 *
 * Steps are 0…`size`−1 of the grid; guards count in steps as fractions allow. Carriers come and go at the cost of the square
 * of how many are on. One row a moment: what is not on together does not block.
 */
export interface BlockBoard {
  add(step: number, moments: number): void;
  remove(step: number, moments: number): void;
  isFree(step: number, moments: number): boolean;
  /** How many rules would be broken there. */
  broken(step: number, moments: number): number;
  clear(): void;
}

interface Row {
  counts: Int32Array;
  members: number[];
}

/** A board for a grid of `size` steps of `stepUnits` each, in as many moments as the bits of `allMoments`. */
export function blockBoard(size: number, stepUnits: number, rules: UnitRules, allMoments: number): BlockBoard {
  const bits = Array.from({ length: 31 }, (_, bit) => 1 << bit).filter((bit) => (allMoments & bit) !== 0);
  const rows: Row[] = bits.map(() => ({ counts: new Int32Array(size), members: [] }));
  // Nearer than a guard is a conflict: so many steps to either side are blocked.
  const reach = (guard: number) => Math.ceil(guard / stepUnits) - 1;
  const [spacing, two, three] = [reach(rules.spacing), reach(rules.two), reach(rules.three)];
  const five = rules.five === null ? null : reach(rules.five);

  function mark(counts: Int32Array, from: number, to: number, by: number): void {
    if (to < 0 || from >= size) return;
    const end = to < size ? to : size - 1;
    for (let step = from > 0 ? from : 0; step <= end; step += 1) counts[step]! += by;
  }

  /** Where `times`·c comes within `guard` steps of a sum. */
  function markShare(counts: Int32Array, sum: number, times: number, guard: number, by: number): void {
    mark(counts, Math.ceil((sum - guard) / times), Math.floor((sum + guard) / times), by);
  }

  function change({ counts, members }: Row, x: number, by: number): void {
    mark(counts, x - spacing, x + spacing, by);
    const count = members.length;
    for (let i = 0; i < count; i += 1) {
      const a = members[i]!;
      mark(counts, 2 * x - a - two, 2 * x - a + two, by);
      mark(counts, 2 * a - x - two, 2 * a - x + two, by);
      markShare(counts, a + x, 2, two, by);
      if (five !== null) {
        mark(counts, 3 * x - 2 * a - five, 3 * x - 2 * a + five, by);
        mark(counts, 3 * a - 2 * x - five, 3 * a - 2 * x + five, by);
        markShare(counts, a + 2 * x, 3, five, by);
        markShare(counts, 2 * a + x, 3, five, by);
        markShare(counts, 3 * a - x, 2, five, by);
        markShare(counts, 3 * x - a, 2, five, by);
      }
      for (let j = i + 1; j < count; j += 1) {
        const b = members[j]!;
        mark(counts, a + x - b - three, a + x - b + three, by);
        mark(counts, b + x - a - three, b + x - a + three, by);
        mark(counts, a + b - x - three, a + b - x + three, by);
      }
    }
  }

  const eachRow = (moments: number, act: (row: Row) => void) =>
    bits.forEach((bit, index) => (moments & bit) !== 0 && act(rows[index]!));

  return {
    add: (step, moments) =>
      eachRow(moments, (row) => {
        change(row, step, 1);
        row.members.push(step);
      }),
    remove: (step, moments) =>
      eachRow(moments, (row) => {
        row.members.splice(row.members.indexOf(step), 1);
        change(row, step, -1);
      }),
    isFree(step, moments) {
      for (let index = 0; index < bits.length; index += 1)
        if ((moments & bits[index]!) !== 0 && rows[index]!.counts[step] !== 0) return false;
      return true;
    },
    broken(step, moments) {
      let sum = 0;
      for (let index = 0; index < bits.length; index += 1)
        if ((moments & bits[index]!) !== 0) sum += rows[index]!.counts[step]!;
      return sum;
    },
    clear: () =>
      rows.forEach((row) => {
        row.counts.fill(0);
        row.members.length = 0;
      }),
  };
}
