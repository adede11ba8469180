import type { UnitRules } from "./airRules";

/**
 * For every place a carrier may take, how many rules it would break there with the carriers that are already on.
 *
 * Places and carriers are whole steps of a tuning grid. Memory goes by the number of places, however far apart they lie;
 * carriers come and go at the cost of the square of how many are on. One row a moment: what is not on together does not block.
 */
export interface BlockBoard {
  /** A carrier anywhere, on a place or not. */
  add(step: number, moments: number): void;
  remove(step: number, moments: number): void;
  /** Which of the places a step is. */
  placeAt(step: number): number;
  isFree(place: number, moments: number): boolean;
  /** How many rules would be broken at a place. */
  broken(place: number, moments: number): number;
  clear(): void;
}

interface Row {
  counts: Int32Array;
  members: number[];
}

/** Up to so many counts every step of the grid has one, place or not: that is quicker. */
const MOST_DENSE = 1 << 21;
/** Entries of the table that finds places among steps; where places lie far apart one entry stands for several steps. */
const MOST_ENTRIES = 1 << 16;

/** Finds the first of some ascending places at or above a step. */
function placeFinder(places: Int32Array): (step: number) => number {
  const [first, last] = [places[0] ?? 0, places.at(-1) ?? 0];
  const shift = Math.max(0, Math.ceil(Math.log2((last - first + 1) / MOST_ENTRIES)));
  const entries = new Int32Array(((last - first) >> shift) + 1);
  for (let entry = 0, place = 0; entry < entries.length; entry += 1) {
    while (places[place]! < first + entry * 2 ** shift) place += 1;
    entries[entry] = place;
  }
  return (step) => {
    if (step <= first) return 0;
    if (step > last) return places.length;
    let place = entries[(step - first) >> shift]!;
    while (places[place]! < step) place += 1;
    return place;
  };
}

/** A board for ascending `places` on a grid of `stepUnits`, in as many moments as the bits of `allMoments`. */
export function blockBoard(places: Int32Array, stepUnits: number, rules: UnitRules, allMoments: number): BlockBoard {
  const bits = Array.from({ length: 31 }, (_, bit) => 1 << bit).filter((bit) => (allMoments & bit) !== 0);
  const [first, last] = [places[0] ?? 0, places.at(-1) ?? -1];
  const span = last - first + 1;
  const isDense = span * bits.length <= MOST_DENSE;
  const rows: Row[] = bits.map(() => ({ counts: new Int32Array(isDense ? span : places.length), members: [] }));
  const placeAt = isDense ? (step: number) => step - first : placeFinder(places);
  // Nearer than a guard is a conflict: so many steps to either side are blocked.
  const reach = (guard: number) => Math.ceil(guard / stepUnits) - 1;
  const [spacing, two, three] = [reach(rules.spacing), reach(rules.two), reach(rules.three)];
  const five = rules.five === null ? null : reach(rules.five);

  function mark(counts: Int32Array, from: number, to: number, by: number): void {
    if (to < first || from > last) return;
    const begin = from > first ? from : first;
    const end = to < last ? to : last;
    if (isDense) for (let place = begin - first; place <= end - first; place += 1) counts[place]! += by;
    else for (let place = placeAt(begin), past = placeAt(end + 1); place < past; place += 1) counts[place]! += by;
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
    placeAt,
    isFree(place, moments) {
      for (let index = 0; index < bits.length; index += 1)
        if ((moments & bits[index]!) !== 0 && rows[index]!.counts[place] !== 0) return false;
      return true;
    },
    broken(place, moments) {
      let sum = 0;
      for (let index = 0; index < bits.length; index += 1)
        if ((moments & bits[index]!) !== 0) sum += rows[index]!.counts[place]!;
      return sum;
    },
    clear: () =>
      rows.forEach((row) => {
        row.counts.fill(0);
        row.members.length = 0;
      }),
  };
}
