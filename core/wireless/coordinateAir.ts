import { airProblem, type WantedLink } from "./airProblem";
import { BY_LEAD, type AirLink, type AirPlan } from "./airPlan";
import { coordinator, type Tuned } from "./coordinate";
import { momentsOf, type OnAir } from "./moments";
import { conflictsOf, type Carrier, type Conflict } from "./products";
import { whyForbidden } from "./region";
import { bindingRules, smallestCure, sparesFor, widestGuards, type Binding, type Cure, type Spare } from "./remedy";
import { takenParts, type Span } from "./scan";
import { canTune, choicesOf, countBanks, type BankCount, type RadioSystem } from "./systems";

/** A link that cannot be on as it stands, and what to do. */
export interface RefusedLink {
  linkId: string;
  says: string;
}

/** An air plan made ready: what each link may be tuned to, and when it is on. */
export interface PreparedAir {
  links: readonly WantedLink[];
  /** The same as if nothing were taken or forbidden. */
  openLinks: readonly WantedLink[];
  refused: readonly RefusedLink[];
  /** Banks of each system that has some, best first. */
  banks: ReadonlyMap<string, readonly BankCount[]>;
  taken: readonly Span[];
  moments: ReadonlyMap<string, number>;
}

export const systemOf = ({ systems }: AirPlan, { systemId }: AirLink): RadioSystem | undefined =>
  systems.find(({ id }) => id === systemId);

const ANYWHERE = { name: "anywhere", isExample: false, ranges: [] as never[] };

/** Free channels of each of a system's banks in a plan's region and scan, best first. */
export function bankCountsOf({ region, rules, scan }: AirPlan, system: RadioSystem): BankCount[] {
  const taken = scan ? takenParts(scan, rules.occupiedDbm, rules.scanMarginKHz) : [];
  return countBanks(system, region, taken, scan);
}

/** Looks up choices, banks and moments. Links at 2.4 GHz find their own way and are left out. */
export function prepareAir(plan: AirPlan, onAir: readonly OnAir[]): PreparedAir {
  const { region, rules, scan } = plan;
  const taken = scan ? takenParts(scan, rules.occupiedDbm, rules.scanMarginKHz) : [];
  const banks = new Map(
    plan.systems
      .filter((system) => system.banks.length > 0)
      .map((system) => [system.id, countBanks(system, region, taken, scan)] as const),
  );
  const choices = new Map(
    plan.systems.map((system) => [
      system.id,
      choicesOf(system, region, taken, banks.get(system.id)?.[0]?.bank ?? null),
    ]),
  );
  const open = new Map(
    plan.systems.map((system) => {
      const everything = { ...ANYWHERE, ranges: [anyRange(system)] };
      return [system.id, choicesOf(system, everything, [], system.banks[0] ?? null)] as const;
    }),
  );
  const moments = momentsOf(onAir);
  const refused: RefusedLink[] = [];
  const tuned = plan.links.flatMap((link) => {
    if (link.systemId === BY_LEAD) return [];
    const system = systemOf(plan, link);
    if (!system) {
      refused.push({ linkId: link.id, says: `${link.name}: its system is gone. Choose another.` });
      return [];
    }
    if (system.band === "ism24") return [];
    const lockedMHz = link.isLocked ? link.frequencyMHz : null;
    const says =
      lockedMHz === null
        ? null
        : (whyForbidden(region, lockedMHz, system.powerMw) ??
          (canTune(system, lockedMHz) ? null : `${system.name} cannot be tuned to ${lockedMHz.toFixed(3)} MHz.`));
    if (says !== null) {
      refused.push({ linkId: link.id, says: `${link.name}: ${says}` });
      return [];
    }
    return [{ link, system, lockedMHz }];
  });
  const wanted = (from: ReadonlyMap<string, number[]>) =>
    tuned.map(({ link, system, lockedMHz }): WantedLink => ({
      id: link.id,
      name: link.name,
      moments: moments.get(link.id) ?? 1,
      choicesMHz: from.get(system.id)!,
      lockedMHz,
    }));
  return { links: wanted(choices), openLinks: wanted(open), refused, banks, taken, moments };
}

const anyRange = ({ fromMHz, toMHz, powerMw }: RadioSystem) => ({ fromMHz, toMHz, stepKHz: null, powerMw, note: "" });

/** Everything wrong with the frequencies as they stand. */
export interface AirFaults {
  conflicts: readonly Conflict[];
  count: number;
  refused: readonly RefusedLink[];
  /** Links on what the scan shows as taken. */
  onTaken: readonly RefusedLink[];
  cure: Cure | null;
}

/** The tuned links of a plan as carriers. */
export function carriersOf(plan: AirPlan, { moments }: Pick<PreparedAir, "moments">): Carrier[] {
  return plan.links.flatMap((link) => {
    if (link.frequencyMHz === null || systemOf(plan, link)?.band !== "uhf") return [];
    return [{ id: link.id, name: link.name, frequencyMHz: link.frequencyMHz, moments: moments.get(link.id) ?? 1 }];
  });
}

/** Judges a plan's frequencies as they are; with `hasCure` also looks for the smallest move that mends it. */
export function judgeAir(plan: AirPlan, prepared: PreparedAir, hasCure = true): AirFaults {
  const carriers = carriersOf(plan, prepared);
  const { conflicts, count } = conflictsOf(carriers, plan.rules);
  const refused = plan.links.flatMap((link): RefusedLink[] => {
    const system = systemOf(plan, link);
    if (!system || system.band === "ism24" || link.frequencyMHz === null || link.isLocked) return [];
    const says = whyForbidden(plan.region, link.frequencyMHz, system.powerMw);
    return says ? [{ linkId: link.id, says: `${link.name}: ${says}` }] : [];
  });
  const onTaken = carriers
    .filter(({ frequencyMHz }) =>
      prepared.taken.some(({ fromMHz, toMHz }) => frequencyMHz >= fromMHz && frequencyMHz <= toMHz),
    )
    .map(({ id, name, frequencyMHz }) => ({
      linkId: id,
      says: `${name}: the scan shows somebody at ${frequencyMHz.toFixed(3)} MHz.`,
    }));
  const tuned = new Map(carriers.map(({ id, frequencyMHz }) => [id, frequencyMHz]));
  return {
    conflicts,
    count,
    refused: [...prepared.refused, ...refused],
    onTaken,
    cure: hasCure && count > 0 ? smallestCure(prepared.links, tuned, plan.rules) : null,
  };
}

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
