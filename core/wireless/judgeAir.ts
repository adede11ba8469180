import type { WantedLink } from "./airProblem";
import { BY_LEAD, type AirLink, type AirPlan } from "./airPlan";
import { smallestCure, type Cure } from "./cure";
import { momentsOf, type OnAir } from "./moments";
import { conflictsOf, type Carrier, type Conflict } from "./products";
import { whyForbidden } from "./region";
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
