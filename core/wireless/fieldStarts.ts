import type { AirProblem, Group } from "./airProblem";
import { boseSet, cut, greatestCommonDivisor, isPrime, ruzsaSet, singerSet, type SidonSet } from "./sidonSets";

/** Steps between neighbouring places of a group's own raster. */
function rasterOf({ steps }: Group): number {
  return Math.max(
    1,
    steps.reduce((raster, step) => greatestCommonDivisor(raster, step - steps[0]!), 0),
  );
}

/** Sets with all differences different that a span of places has room for, the fullest first. */
function setsWithin(places: number, wanted: number): SidonSet[] {
  const sets: SidonSet[] = [];
  // A set modulo much more than the span has too few members in it; one modulo much less has too few at all.
  const least = Math.max(3, Math.floor(Math.sqrt(places / 2)));
  const most = Math.min(Math.ceil(Math.sqrt(2 * places)) + 2, 2 * wanted + 12);
  for (let q = least; q <= most; q += 1) if (isPrime(q)) sets.push(boseSet(q), singerSet(q), ruzsaSet(q));
  return sets.sort((one, other) => densityIn(other, places) - densityIn(one, places));
}

const densityIn = ({ modulus, members }: SidonSet, places: number): number =>
  members.length * Math.min(1, places / modulus);

/** Widest span for which sets are built, in places: their building costs its power 3/2. */
const MOST_SET_PLACES = 20_000;

/** Two carriers of a start nearer than the spacing: one of them will not stay. */
const CLOSE_COSTS = 0.8;
/** How many multiples of one set are looked at. */
const MOST_FACTORS = 400;

/**
 * Starts taken from finite fields for one group, the most promising first: steps to try in turn.
 *
 * Every set is stretched, begun at every member and cut to the span; what counts is how many members fall into it and how few
 * of them stand too close.
 */
export function fieldStarts(group: Group, { rules, stepUnits }: AirProblem, wanted: number): number[][] {
  const raster = rasterOf(group);
  const first = group.steps[0]!;
  const isIn = new Set(group.steps);
  const span = (group.steps.at(-1)! - first) / raster;
  const spacing = rules.spacing / stepUnits / raster;
  // On every k-th place alone products fall on every k-th place too: a guard below k places is kept by itself.
  const strides = Math.min(8, Math.ceil(rules.three / stepUnits / raster));
  const starts: { score: number; steps: number[] }[] = [];
  for (let stride = 1; stride <= strides; stride += 1) {
    const places = Math.floor(span / stride) + 1;
    if (places > MOST_SET_PLACES) continue;
    for (const set of setsWithin(places, group.links.length).slice(0, 8)) {
      for (const factor of unitsOf(set.modulus, MOST_FACTORS)) {
        const members = cut(set, factor, 0);
        const round = [...members, ...members.map((member) => member + set.modulus)];
        // How many neighbours stand too close, up to each.
        const close = [0];
        for (let at = 1; at < round.length; at += 1)
          close.push(close[at - 1]! + ((round[at]! - round[at - 1]!) * stride < spacing ? 1 : 0));
        for (let from = 0, to = 0; from < members.length; from += 1) {
          while (to < from + members.length && round[to]! - round[from]! < places) to += 1;
          const score = to - from - CLOSE_COSTS * (close[to - 1]! - close[from]!);
          if (starts.length >= wanted && score <= starts.at(-1)!.score) continue;
          const begun = round.slice(from, to).map((member) => member - round[from]!);
          const shift = Math.floor((places - 1 - begun.at(-1)!) / 2);
          const steps = begun.map((member) => first + raster * stride * (member + shift));
          starts.push({ score, steps: steps.filter((step) => isIn.has(step)) });
          starts.sort((one, other) => other.score - one.score);
          starts.length = Math.min(starts.length, wanted);
        }
      }
    }
  }
  return starts.map(({ steps }) => steps);
}

/** Some of the factors that share no divisor with a modulus, evenly spread; half of them are the other half mirrored. */
function unitsOf(modulus: number, most: number): number[] {
  const units: number[] = [];
  for (let factor = 1; 2 * factor <= modulus + 1; factor += 1)
    if (greatestCommonDivisor(factor, modulus) === 1) units.push(factor);
  const every = Math.max(1, units.length / most);
  return Array.from({ length: Math.min(most, units.length) }, (_, index) => units[Math.floor(index * every)]!);
}
