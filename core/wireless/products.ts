import type { ConflictMessage } from "./messages";
import { toMHz, toUnits, unitRules, UNITS_PER_KHZ, type AirRules } from "./airRules";

/** A transmitter on the air. */
export interface Carrier {
  id: string;
  name: string;
  frequencyMHz: number;
  /** Bit i is set when it is on in moment i: only what is on together has to live together. */
  moments: number;
}

/** What kind of rule two or more carriers break. */
export type ConflictKind = "spacing" | "twoThird" | "threeThird" | "fifth";

export interface Conflict {
  kind: ConflictKind;
  /** Who makes the product, in the order of its formula; for spacing the one other carrier. */
  makers: readonly Carrier[];
  victim: Carrier;
  /** Where the product lands, or the other carrier stands, MHz. */
  atMHz: number;
  /** How far from the victim, and how far it had to be, kHz. */
  offKHz: number;
  guardKHz: number;
}

/** The broken rule with its links by name. */
export function conflictMessage({ kind, makers, victim, offKHz, guardKHz }: Conflict): ConflictMessage {
  const names = makers.map(({ name }) => name);
  if (kind === "spacing") return { code: "conflict.spacing", one: names[0]!, other: victim.name, offKHz, guardKHz };
  return { code: `conflict.${kind}`, makers: names, victim: victim.name, offKHz };
}

/** A product that some carriers make, wherever it lands. */
export interface Product {
  kind: Exclude<ConflictKind, "spacing">;
  makers: readonly Carrier[];
  atMHz: number;
}

/** Calls back for every product of carriers that are on together: indexes of its makers and where it lands, in units. */
function eachProduct(
  units: Int32Array,
  moments: Int32Array,
  hasFifth: boolean,
  visit: (kind: Product["kind"], at: number, together: number, a: number, b: number, c: number) => void,
): void {
  const count = units.length;
  for (let a = 0; a < count; a += 1)
    for (let b = 0; b < count; b += 1) {
      const both = moments[a]! & moments[b]!;
      if (a === b || both === 0) continue;
      visit("twoThird", 2 * units[a]! - units[b]!, both, a, b, -1);
      if (hasFifth) visit("fifth", 3 * units[a]! - 2 * units[b]!, both, a, b, -1);
      if (b < a) continue;
      const sum = units[a]! + units[b]!;
      for (let c = 0; c < count; c += 1) {
        const together = both & moments[c]!;
        if (c !== a && c !== b && together !== 0) visit("threeThird", sum - units[c]!, together, a, b, c);
      }
    }
}

/** Most windows that victims are sorted into: memory and time go by the carriers, not by the span. */
const MOST_WINDOWS = 4096;

/** How many broken rules are named; beyond it they are only counted. */
export const MOST_NAMED = 500;

/**
 * Every broken rule of a set: spacing, and every third and fifth order product against every carrier that is on with it.
 *
 * Frequencies in MHz, to 100 Hz. `count` counts all; at most {@link MOST_NAMED} are named, the nearest of
 * the first two thousand found.
 */
export function conflictsOf(
  carriers: readonly Carrier[],
  rules: AirRules,
): { count: number; conflicts: readonly Conflict[] } {
  const units = Int32Array.from(carriers, ({ frequencyMHz }) => toUnits(frequencyMHz));
  const moments = Int32Array.from(carriers, (carrier) => carrier.moments);
  const { spacing, two, three, five } = unitRules(rules);
  const found: Conflict[] = [];
  let count = 0;
  const keep = (kind: ConflictKind, a: number, b: number, c: number, victim: number, at: number, guard: number) => {
    count += 1;
    if (found.length >= 4 * MOST_NAMED) return;
    found.push({
      kind,
      makers: [a, b, c].flatMap((each) => (each < 0 ? [] : [carriers[each]!])),
      victim: carriers[victim]!,
      atMHz: toMHz(at),
      offKHz: Math.abs(at - units[victim]!) / UNITS_PER_KHZ,
      guardKHz: kind === "spacing" ? rules.spacingKHz : guard / UNITS_PER_KHZ,
    });
  };
  for (let a = 0; a < units.length; a += 1)
    for (let b = a + 1; b < units.length; b += 1)
      if ((moments[a]! & moments[b]!) !== 0 && Math.abs(units[a]! - units[b]!) < spacing)
        keep("spacing", a, -1, -1, b, units[a]!, spacing);
  // Most products fall where nobody is: victims are kept by windows at least as wide as the widest guard.
  const low = units.reduce((least, each) => Math.min(least, each), Infinity);
  const high = units.reduce((most, each) => Math.max(most, each), 0);
  const widest = Math.max(two, three, five ?? 0, Math.ceil((high - low) / MOST_WINDOWS));
  const windowOf = (at: number) => Math.floor((at - low) / widest) + 1;
  const windows: number[][] = [];
  units.forEach((each, index) => (windows[windowOf(each)] ??= []).push(index));
  const near = Array.from({ length: windows.length + 1 }, (_, window) =>
    [-1, 0, 1].flatMap((by) => windows[window + by] ?? []),
  );
  const look = (kind: ConflictKind, at: number, guard: number, together: number, a: number, b: number, c: number) => {
    const window = windowOf(at);
    if (window < 0 || window >= near.length) return;
    const victims = near[window]!;
    for (const victim of victims) {
      if (Math.abs(at - units[victim]!) >= guard) continue;
      if (victim === a || victim === b || victim === c || (together & moments[victim]!) === 0) continue;
      keep(kind, a, b, c, victim, at, guard);
    }
  };
  for (let a = 0; a < units.length; a += 1)
    for (let b = 0; b < units.length; b += 1) {
      const both = moments[a]! & moments[b]!;
      if (a === b || both === 0) continue;
      look("twoThird", 2 * units[a]! - units[b]!, two, both, a, b, -1);
      if (five !== null) look("fifth", 3 * units[a]! - 2 * units[b]!, five, both, a, b, -1);
      if (b < a) continue;
      const sum = units[a]! + units[b]!;
      for (let c = 0; c < units.length; c += 1) {
        const together = both & moments[c]!;
        if (c !== a && c !== b && together !== 0) look("threeThird", sum - units[c]!, three, together, a, b, c);
      }
    }
  return { count, conflicts: found.sort((one, other) => one.offKHz - other.offKHz).slice(0, MOST_NAMED) };
}

/** Products that land within a part of the spectrum, MHz; of all carriers, or of those that one has a hand in. */
export function productsWithin(
  carriers: readonly Carrier[],
  fromMHz: number,
  toMHzLimit: number,
  hasFifth: boolean,
  ofId: string | null = null,
): Product[] {
  const units = Int32Array.from(carriers, ({ frequencyMHz }) => toUnits(frequencyMHz));
  const moments = Int32Array.from(carriers, (carrier) => carrier.moments);
  const one = ofId === null ? -1 : carriers.findIndex(({ id }) => id === ofId);
  const [low, high] = [toUnits(fromMHz), toUnits(toMHzLimit)];
  const products: Product[] = [];
  eachProduct(units, moments, hasFifth, (kind, at, _together, a, b, c) => {
    if (at < low || at > high || (ofId !== null && a !== one && b !== one && c !== one)) return;
    products.push({ kind, makers: (c < 0 ? [a, b] : [a, b, c]).map((each) => carriers[each]!), atMHz: toMHz(at) });
  });
  return products;
}
