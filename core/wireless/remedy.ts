import { airProblem, type WantedLink } from "./airProblem";
import type { AirRules } from "./airRules";
import { coordinator, type Tuned } from "./coordinate";
import type { BindingRule } from "./messages";

/** A rule that, taken away alone, lets more links on. */
export interface Binding {
  rule: BindingRule;
  /** So many had a frequency without it. */
  wouldFit: number;
}

/** Rounds between two looks at the clock. */
export const SLICE = 20;

/** Searches in slices, until all have a frequency, the rounds are used, or it is told to stop with `next(true)`. */
export function* searchInSlices(
  search: { search(rounds: number): void; isComplete(): boolean },
  rounds: number,
): Generator<void, boolean, boolean | undefined> {
  for (let done = 0; done < rounds && !search.isComplete(); done += SLICE) {
    search.search(Math.min(SLICE, rounds - done));
    if ((yield) === true) return true;
  }
  return false;
}

/**
 * Which single rule, left out, lets more links on than `reached`; the one that gives most first. Each is left out in turn and
 * searched anew for `rounds`: told to stop with `next(true)`, it gives what it has found so far.
 */
export function* bindingRules(
  links: readonly WantedLink[],
  openLinks: readonly WantedLink[],
  rules: AirRules,
  reached: number,
  seed: number,
  rounds: number,
): Generator<void, Binding[], boolean | undefined> {
  const trials: { rule: BindingRule; links: readonly WantedLink[]; rules: AirRules }[] = [
    { rule: "spacing", links, rules: { ...rules, spacingKHz: 0 } },
    { rule: "thirdOrder", links, rules: { ...rules, twoThirdKHz: 0, threeThirdKHz: 0 } },
    ...(rules.fifthKHz === null ? [] : [{ rule: "fifthOrder" as const, links, rules: { ...rules, fifthKHz: null } }]),
    ...(links.every(({ lockedMHz }) => lockedMHz === null)
      ? []
      : [{ rule: "lockedLinks" as const, links: links.map((link) => ({ ...link, lockedMHz: null })), rules }]),
    { rule: "occupiedOrForbidden", links: openLinks, rules },
  ];
  const found: Binding[] = [];
  for (const trial of trials) {
    const search = coordinator(airProblem(trial.links, trial.rules), seed);
    const isStopped = yield* searchInSlices(search, rounds);
    if (search.placed() > reached) found.push({ rule: trial.rule, wouldFit: search.placed() });
    if (isStopped) break;
  }
  return found.sort((one, other) => other.wouldFit - one.wouldFit);
}

/** Guards are tried this many times as wide, the widest first. */
export const WIDENINGS = [3, 2, 1.5, 1.25] as const;

/** Rounds in which frequencies for wider guards must be found. */
const WIDENED_ROUNDS = 60;

/** The widest guards that still give every link a frequency, and the frequencies; null where none of the wider ones does. */
export function* widestGuards(
  links: readonly WantedLink[],
  rules: AirRules,
  seed: number,
): Generator<void, { widening: number; tuned: Tuned } | null, boolean | undefined> {
  for (const widening of WIDENINGS) {
    const search = coordinator(airProblem(links, rules, widening), seed);
    const isStopped = yield* searchInSlices(search, WIDENED_ROUNDS);
    if (search.placed() === search.wanted) return { widening, tuned: search.best() };
    if (isStopped) return null;
  }
  return null;
}
