import { findPath, type FoundPath } from "./findPath";
import { countOf, type Stock } from "./ownKit";
import type { Input, Part, Source } from "../devices";

/** Something that has to be connected, and when. */
export interface Wanted {
  id: string;
  /** Several where it is known only on arrival which it will be. */
  sources: readonly Source[];
  input: Input;
  /** Instants at which it is connected, by number; a lead may serve one link after another. */
  instants: ReadonlySet<number>;
}

export type Ways = readonly { source: Source; path: FoundPath | null }[];

export const partsOf = (ways: Ways): Part[] => [...new Set(ways.flatMap(({ path }) => path?.parts ?? []))];

/** A count of parts in use, by id and instant. */
type Used = Map<string, Map<number, number>>;

const mostOf = (used: Used, id: string, instants: ReadonlySet<number>): number =>
  Math.max(0, ...[...instants].map((instant) => used.get(id)?.get(instant) ?? 0));

function take(used: Used, id: string, instants: ReadonlySet<number>): void {
  const counts = used.get(id) ?? new Map<number, number>();
  for (const instant of instants) counts.set(instant, (counts.get(instant) ?? 0) + 1);
  used.set(id, counts);
}

/** As many orders are tried where leads are fewer than those who could use them. */
const MOST_ORDERS = 24;

/**
 * Ways for everything that has to be connected, from a bag that holds so many of each part.
 *
 * One after another takes the best way of what is left at its time, so that another owned lead is taken where one serves.
 * Where an owned part runs out, other orders are tried, each who goes without being put first; the one that misses fewest
 * parts stands.
 */
export function allocate(
  wanted: readonly Wanted[],
  parts: readonly Part[],
  stock: ReadonlyMap<string, Stock>,
): ReadonlyMap<string, Ways> {
  const known = new Map<string, FoundPath | null>();
  function pathFor(source: Source, input: Input, owned: ReadonlySet<string>): FoundPath | null {
    const key = JSON.stringify([source, input, [...owned]]);
    const found = known.get(key);
    if (found !== undefined) return found;
    const path = findPath(
      source,
      input,
      parts.map((part) => ({ ...part, isOwned: owned.has(part.id) })),
    );
    known.set(key, path);
    return path;
  }
  function inOrder(order: readonly Wanted[]) {
    const used: Used = new Map();
    const ways = new Map<string, Ways>();
    for (const { id, sources, input, instants } of order) {
      const owned = new Set(
        parts.filter((part) => countOf(stock, part.id) > mostOf(used, part.id, instants)).map((part) => part.id),
      );
      const found = sources.map((source) => ({ source, path: pathFor(source, input, owned) }));
      // What has to be got takes nothing from the bag: the owned one may still serve another at another time.
      for (const part of partsOf(found)) if (part.isOwned) take(used, part.id, instants);
      ways.set(id, found);
    }
    const without = order.filter(({ id }) => partsOf(ways.get(id)!).some(({ isOwned }) => !isOwned));
    const missing = without.reduce(
      (sum, { id }) => sum + partsOf(ways.get(id)!).filter(({ isOwned }) => !isOwned).length,
      0,
    );
    // Somebody goes without while something of the bag is all in use: another order may serve better.
    const isUsedUp = ([id, counts]: [string, Map<number, number>]) =>
      Math.max(...counts.values()) >= countOf(stock, id);
    const isContended = without.length > 0 && [...used].some(isUsedUp);
    return { ways, missing, without, isContended };
  }
  let best = inOrder(wanted);
  let orders: Wanted[][] = best.isContended
    ? best.without.map((each) => [each, ...wanted.filter((other) => other !== each)])
    : [];
  for (let tried = 0; tried < MOST_ORDERS && orders.length > 0 && best.missing > 0; tried += 1) {
    const [order, ...others] = orders;
    const found = inOrder(order!);
    orders = others;
    if (found.missing >= best.missing) continue;
    best = found;
    orders = found.without.map((each) => [each, ...order!.filter((other) => other !== each)]);
  }
  return best.ways;
}
