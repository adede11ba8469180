import type { AirPlan } from "./airPlan";
import { bankChoices, bankCoordinator, type BankCoordinator } from "./bankChoice";
import type { Tuned } from "./coordinate";
import { prepareAir, type RefusedLink } from "./judgeAir";
import type { OnAir } from "./moments";
import { conflictsOf, type Carrier, type Conflict } from "./products";
import { bindingRules, searchInSlices, SLICE, widestGuards, type Binding } from "./remedy";
import { sparesFor, type Spare } from "./spares";

export interface CoordinatedAir {
  /** Link and frequency, MHz. */
  tuned: readonly (readonly [linkId: string, frequencyMHz: number])[];
  placed: number;
  /** Those who want a frequency, refused ones among them. */
  wanted: number;
  /** No more is possible, proved. */
  isProved: boolean;
  /** It was told to stop before it had tried for all its rounds. */
  isCutShort: boolean;
  /** Guards are kept this many times over; 1 as asked. */
  widening: number;
  /** Between locked links the wider guards do not hold: what of them would be broken. */
  notWidened: readonly Conflict[];
  /** All could be on at the same time, whatever the schedule says. */
  isAllAtOnce: boolean;
  /** The bank of each system that has some. */
  banks: readonly (readonly [systemId: string, bank: string])[];
  spares: readonly (readonly [linkId: string, spares: readonly Spare[]])[];
  /** Links that get nothing, and why. */
  refused: readonly RefusedLink[];
  /** Locked links on what the scan shows as occupied. */
  onTaken: readonly RefusedLink[];
  /** Locked links that conflict with each other: nothing can be built on them. */
  lockedConflicts: readonly Conflict[];
}

export interface AirProgress {
  stage: "searching" | "widening" | "spares";
  placed: number;
  wanted: number;
}

const SPARES = 3;
/** Rounds in which frequencies for everybody at once must be found. */
const AT_ONCE_ROUNDS = 300;

/**
 * Coordinates a plan: as many links as possible, then the widest guards, then spares.
 *
 * A generator: it yields after every slice of work, and is told with `next(true)` to come to an end with the best so far.
 * `rounds` are those of one choice of banks.
 */
export function* coordinateAir(
  plan: AirPlan,
  onAir: readonly OnAir[],
  seed: number,
  rounds: number,
): Generator<AirProgress, CoordinatedAir, boolean | undefined> {
  const { links, refused, onTaken, banked } = prepareAir(plan, onAir);
  const locked = links.filter(({ lockedMHz }) => lockedMHz !== null);
  const lockedCarriers = locked.map(({ id, name, moments, lockedMHz }): Carrier => ({
    id,
    name,
    moments,
    frequencyMHz: lockedMHz!,
  }));
  const lockedConflicts = conflictsOf(lockedCarriers, plan.rules).conflicts;
  const wanted = links.length + refused.length;
  let isStopped = false;
  function* tryFor(search: BankCoordinator, most: number): Generator<AirProgress, void, boolean | undefined> {
    const slices = searchInSlices(search, most);
    for (let slice = slices.next(); !slice.done; slice = slices.next(isStopped))
      isStopped = (yield { stage: "searching", placed: search.placed(), wanted }) === true;
  }
  const { choices, isEvery } = bankChoices(links, banked);
  // Schedules change: frequencies that bear everybody at once are better, where there are enough of them.
  const atOnce = choices.map((choice) => ({
    ...choice,
    links: choice.links.map((link) => ({ ...link, moments: 1 })),
  }));
  const easy = bankCoordinator(atOnce, isEvery, plan.rules, seed);
  yield* tryFor(easy, Math.min(rounds, AT_ONCE_ROUNDS) + SLICE * (choices.length - 1));
  const isAllAtOnce = easy.placed() === links.length && lockedConflicts.length === 0;
  const search = isAllAtOnce ? easy : bankCoordinator(choices, isEvery, plan.rules, seed);
  if (!isAllAtOnce && !isStopped) yield* tryFor(search, rounds * choices.length);
  // A search that was stopped early may have less than the first try.
  const best = easy.placed() > search.placed() ? easy : search;
  const isCutShort = isStopped;
  let tuned: Tuned = best.best();
  const bestLinks = best.choice().links;
  let widening = 1;
  if (locked.length < links.length && tuned.size === links.length && !isStopped && lockedConflicts.length === 0) {
    const wider = widestGuards(bestLinks, plan.rules, seed);
    let step = wider.next();
    while (!step.done) {
      isStopped = (yield { stage: "widening", placed: tuned.size, wanted }) === true;
      step = wider.next(isStopped);
    }
    if (step.value) ({ tuned, widening } = step.value);
  }
  yield { stage: "spares", placed: tuned.size, wanted };
  const spares = lockedConflicts.length > 0 ? new Map() : sparesFor(bestLinks, tuned, plan.rules, plan.scan, SPARES);
  return {
    tuned: [...tuned],
    placed: tuned.size,
    wanted,
    isProved: search.isProved(),
    isCutShort,
    widening,
    notWidened: widening > 1 ? conflictsOf(lockedCarriers, widened(plan, widening)).conflicts : [],
    isAllAtOnce,
    banks: best.choice().banks,
    spares: [...spares],
    refused,
    onTaken,
    lockedConflicts,
  };
}

function widened({ rules }: AirPlan, by: number): AirPlan["rules"] {
  const { spacingKHz, twoThirdKHz, threeThirdKHz, fifthKHz } = rules;
  return {
    ...rules,
    spacingKHz: spacingKHz * by,
    twoThirdKHz: twoThirdKHz * by,
    threeThirdKHz: threeThirdKHz * by,
    fifthKHz: fifthKHz === null ? null : fifthKHz * by,
  };
}

/** Rounds that each rule is left out for. */
const BINDING_ROUNDS = 80;

/** What keeps a plan from more than `reached` links; searched only when somebody wants to know. Ends like the coordination. */
export function bindingOf(
  plan: AirPlan,
  onAir: readonly OnAir[],
  reached: number,
  seed: number,
): Generator<void, Binding[], boolean | undefined> {
  const { links, openLinks } = prepareAir(plan, onAir);
  return bindingRules(links, openLinks, plan.rules, reached, seed, BINDING_ROUNDS);
}

/** The same plan with what was found: frequencies, and the best spare of each. */
export function withTuned<Plan extends Pick<AirPlan, "links">>(plan: Plan, { tuned, spares }: CoordinatedAir): Plan {
  const found = new Map(tuned);
  const spare = new Map(spares);
  return {
    ...plan,
    links: plan.links.map((link) => {
      const frequencyMHz = found.get(link.id);
      return frequencyMHz === undefined
        ? link
        : { ...link, frequencyMHz, spareMHz: spare.get(link.id)?.[0]?.frequencyMHz ?? null };
    }),
  };
}
