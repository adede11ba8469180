import { airProblem } from "./airProblem";
import type { AirPlan } from "./airPlan";
import { coordinator, type Tuned } from "./coordinate";
import { prepareAir, type RefusedLink } from "./judgeAir";
import type { OnAir } from "./moments";
import { conflictsOf, type Conflict } from "./products";
import { bindingRules, sparesFor, widestGuards, type Binding, type Spare } from "./remedy";

export interface CoordinatedAir {
  /** Link and frequency, MHz. */
  tuned: readonly (readonly [linkId: string, frequencyMHz: number])[];
  placed: number;
  wanted: number;
  /** No more is possible, proved. */
  isProved: boolean;
  /** Guards are kept this many times over; 1 as asked. */
  widening: number;
  /** All could be on at the same time, whatever the schedule says. */
  isAllAtOnce: boolean;
  spares: readonly (readonly [linkId: string, spares: readonly Spare[]])[];
  refused: readonly RefusedLink[];
  /** Locked links that do not live together: nothing can be built on them. */
  lockedConflicts: readonly Conflict[];
  binding: readonly Binding[];
}

export interface AirProgress {
  stage: "searching" | "widening" | "spares";
  placed: number;
  wanted: number;
}

const SLICE = 20;
const SPARES = 3;
/** Rounds in which frequencies for everybody at once must be found. */
const AT_ONCE_ROUNDS = 300;

/**
 * Coordinates a plan: as many links as possible, then the widest guards, then spares; says what holds it back.
 *
 * A generator: it yields after every slice of work, and is told with `next(true)` to come to an end with the best so far.
 */
export function* coordinateAir(
  plan: AirPlan,
  onAir: readonly OnAir[],
  seed: number,
  rounds: number,
): Generator<AirProgress, CoordinatedAir, boolean | undefined> {
  const prepared = prepareAir(plan, onAir);
  const { links, openLinks, refused } = prepared;
  const locked = links.filter(({ lockedMHz }) => lockedMHz !== null);
  const lockedCarriers = locked.map(({ id, name, moments, lockedMHz }) => ({
    id,
    name,
    moments,
    frequencyMHz: lockedMHz!,
  }));
  const lockedConflicts = conflictsOf(lockedCarriers, plan.rules).conflicts;
  const wanted = links.length;
  let isStopped = false;
  // Schedules change: frequencies that bear everybody at once are better, where there are enough of them.
  const atOnce = links.map((link) => ({ ...link, moments: 1 }));
  const easy = coordinator(airProblem(atOnce, plan.rules), seed);
  for (let done = 0; done < Math.min(rounds, AT_ONCE_ROUNDS) && !easy.isComplete() && !isStopped; done += SLICE) {
    easy.search(SLICE);
    isStopped = (yield { stage: "searching", placed: easy.placed(), wanted }) === true;
  }
  const isAllAtOnce = easy.placed() === wanted && lockedConflicts.length === 0;
  const search = isAllAtOnce ? easy : coordinator(airProblem(links, plan.rules), seed);
  for (let done = 0; done < rounds && !search.isComplete() && !isStopped; done += SLICE) {
    search.search(SLICE);
    isStopped = (yield { stage: "searching", placed: search.placed(), wanted }) === true;
  }
  // A search that was stopped early may have less than the first try.
  let tuned: Tuned = easy.placed() > search.placed() ? easy.best() : search.best();
  let widening = 1;
  if (tuned.size === wanted && !isStopped && lockedConflicts.length === 0) {
    isStopped = (yield { stage: "widening", placed: tuned.size, wanted }) === true;
    const wider = isStopped ? null : widestGuards(isAllAtOnce ? atOnce : links, plan.rules, seed);
    if (wider) ({ tuned, widening } = wider);
  }
  yield { stage: "spares", placed: tuned.size, wanted };
  return {
    tuned: [...tuned],
    placed: tuned.size,
    wanted,
    isProved: search.isProved(),
    widening,
    isAllAtOnce,
    spares: links.map(
      (link) => [link.id, sparesFor(isAllAtOnce ? atOnce : links, tuned, plan.rules, link, plan.scan, SPARES)] as const,
    ),
    refused,
    lockedConflicts,
    binding: tuned.size < wanted ? bindingRules(links, openLinks, plan.rules, tuned.size, seed) : [],
  };
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

/** What a coordination came to, in a sentence or two. */
export function coordinationWords(result: CoordinatedAir): string {
  const { placed, wanted, widening, isProved, binding, lockedConflicts } = result;
  if (lockedConflicts.length > 0)
    return "The links that must stay do not live together: let one of them move, or let them not be on together.";
  if (wanted === 0) return "There is nothing to coordinate.";
  if (placed === wanted) {
    const guards = widening > 1 ? `, with guards ${widening} times as wide as asked` : "";
    return `All ${wanted} have a frequency${guards}.${result.isAllAtOnce ? "" : " They rely on the schedule: not all may be on at once."}`;
  }
  const most = `${placed} of ${wanted} have a frequency${isProved ? "; more are not possible" : "; more were not found"}.`;
  const [first] = binding;
  return first ? `${most} What holds it back is ${first.rule}: without it ${first.wouldFit} would fit.` : most;
}
