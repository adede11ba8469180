import type { WantedLink } from "./airProblem";
import { BY_LEAD, type AirLink, type AirPlan } from "./airPlan";
import { smallestCure, type Cure } from "./cure";
import type { ForbiddenMessage, RefusedLinkMessage } from "./messages";
import { momentsOf, type OnAir } from "./moments";
import { conflictsOf, type Carrier, type Conflict } from "./products";
import { whyForbidden } from "./region";
import type { BankedSystem } from "./bankChoice";
import { isTaken, takenParts, type Span } from "./scan";
import { isInBank, canTune, choicesOf, countBanks, whyNoChannel, type BankCount, type RadioSystem } from "./systems";

/** A link that cannot be on as it stands, and what to do. */
export interface RefusedLink {
  linkId: string;
  says: RefusedLinkMessage;
}

/** An air plan made ready: what each link may be tuned to, and when it is on. */
export interface PreparedAir {
  links: readonly WantedLink[];
  /** The same as if nothing were taken or forbidden. */
  openLinks: readonly WantedLink[];
  refused: readonly RefusedLink[];
  /** Links that must stay where the scan shows somebody else. */
  onTaken: readonly RefusedLink[];
  /** Banks of each system that has some, most free channels first. */
  banks: ReadonlyMap<string, readonly BankCount[]>;
  /** The bank most links of a system with banks are tuned to; where none is tuned yet the one with most free channels. */
  bankInUse: ReadonlyMap<string, string>;
  /** What a coordination may choose between. */
  banked: readonly BankedSystem[];
  taken: readonly Span[];
  moments: ReadonlyMap<string, number>;
}

export const systemOf = ({ systems }: AirPlan, { systemId }: AirLink): RadioSystem | undefined =>
  systems.find(({ id }) => id === systemId);

const ANYWHERE = { name: "anywhere", isExample: false, ranges: [] as never[] };

/** Looks up choices, banks and moments. Links at 2.4 GHz find their own way and are left out. */
export function prepareAir(plan: AirPlan, onAir: readonly OnAir[]): PreparedAir {
  const { region, rules, scan } = plan;
  const taken = scan ? takenParts(scan, rules.occupiedDbm, rules.scanMarginKHz) : [];
  const banks = new Map(
    plan.systems
      .filter((system) => system.banks.length > 0)
      .map((system) => [system.id, countBanks(system, region, taken, scan)] as const),
  );
  const tunedSystems = plan.systems.filter(
    ({ id, band }) => band === "uhf" && plan.links.some(({ systemId }) => systemId === id),
  );
  const bankInUse = new Map(
    [...banks].map(([systemId, counts]) => {
      const own = plan.links.filter((link) => link.systemId === systemId);
      return [systemId, bankTunedTo(counts, own) ?? counts[0]!.bank.name] as const;
    }),
  );
  const choices = new Map<string, readonly number[]>();
  const open = new Map<string, readonly number[]>();
  const whyNone = new Map<string, ForbiddenMessage | null>();
  for (const system of tunedSystems) {
    const bank = system.banks.find(({ name }) => name === bankInUse.get(system.id)) ?? null;
    choices.set(system.id, choicesOf(system, region, taken, bank));
    open.set(system.id, choicesOf(system, { ...ANYWHERE, ranges: [anyRange(system)] }, [], bank));
    whyNone.set(system.id, whyNoChannel(system, region, taken));
  }
  const banked = tunedSystems
    .filter(({ id }) => banks.has(id))
    .map((system): BankedSystem => {
      const own = plan.links.filter(({ systemId }) => systemId === system.id);
      const locked = own.flatMap(({ isLocked, frequencyMHz }) =>
        isLocked && frequencyMHz !== null ? [frequencyMHz] : [],
      );
      const wanted = own.length - locked.length;
      const options = banks.get(system.id)!.filter(({ free }) => free > 0);
      const hasLocked = ({ bank }: BankCount) => locked.some((frequencyMHz) => isInBank(bank, frequencyMHz));
      // Enough free channels first, then the bank in which some must stay, then most free ones and quietest.
      options.sort(
        (one, other) =>
          Math.min(wanted, other.free) - Math.min(wanted, one.free) ||
          Number(hasLocked(other)) - Number(hasLocked(one)),
      );
      return {
        systemId: system.id,
        options: options.map(({ bank }) => ({
          bank: bank.name,
          choicesMHz: choicesOf(system, region, taken, bank),
        })),
      };
    });
  const moments = momentsOf(onAir);
  const refused: RefusedLink[] = [];
  const tuned = plan.links.flatMap((link) => {
    if (link.systemId === BY_LEAD) return [];
    const system = systemOf(plan, link);
    if (!system) {
      refused.push(refusedLink(link, { code: "forbidden.systemGone" }));
      return [];
    }
    if (system.band === "ism24") return [];
    const lockedMHz = link.isLocked ? link.frequencyMHz : null;
    const because =
      lockedMHz === null
        ? whyNone.get(system.id)!
        : (whyForbidden(region, lockedMHz, system.powerMw) ??
          (canTune(system, lockedMHz)
            ? null
            : { code: "forbidden.tuning", system: system.name, frequencyMHz: lockedMHz }));
    if (because !== null) {
      refused.push(refusedLink(link, because));
      return [];
    }
    return [{ link, system, lockedMHz }];
  });
  const onTaken = tuned.flatMap(({ link, lockedMHz }) =>
    lockedMHz !== null && isTaken(taken, lockedMHz) ? [occupied(link, lockedMHz, true)] : [],
  );
  const wanted = (from: ReadonlyMap<string, readonly number[]>) =>
    tuned.map(({ link, system, lockedMHz }): WantedLink => ({
      id: link.id,
      name: link.name,
      systemId: system.id,
      moments: moments.get(link.id) ?? 1,
      choicesMHz: from.get(system.id)!,
      lockedMHz,
    }));
  return {
    links: wanted(choices),
    openLinks: wanted(open),
    refused,
    onTaken,
    banks,
    bankInUse,
    banked,
    taken,
    moments,
  };
}

/** The bank that most links are tuned to, those that must stay before the rest; null where none is tuned to a preset. */
function bankTunedTo(counts: readonly BankCount[], links: readonly AirLink[]): string | null {
  const uses = counts.map(({ bank }) => {
    const here = links.filter(({ frequencyMHz }) => frequencyMHz !== null && isInBank(bank, frequencyMHz));
    return { name: bank.name, locked: here.filter(({ isLocked }) => isLocked).length, tuned: here.length };
  });
  const [first] = uses.sort((one, other) => other.locked - one.locked || other.tuned - one.tuned);
  return first && first.tuned > 0 ? first.name : null;
}

const refusedLink = ({ id, name }: Pick<AirLink, "id" | "name">, because: ForbiddenMessage): RefusedLink => ({
  linkId: id,
  says: { code: "air.refusedLink", link: name, because },
});

const occupied = (link: Pick<AirLink, "id" | "name">, frequencyMHz: number, isLocked: boolean): RefusedLink =>
  refusedLink(link, { code: "forbidden.occupied", frequencyMHz, isLocked });

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
    if (prepared.refused.some(({ linkId }) => linkId === link.id)) return [];
    const because = whyForbidden(plan.region, link.frequencyMHz, system.powerMw);
    return because ? [refusedLink(link, because)] : [];
  });
  const onTaken = carriers
    .filter(({ frequencyMHz }) => isTaken(prepared.taken, frequencyMHz))
    .map((carrier) => occupied(carrier, carrier.frequencyMHz, false));
  const tuned = new Map(carriers.map(({ id, frequencyMHz }) => [id, frequencyMHz]));
  return {
    conflicts,
    count,
    refused: [...prepared.refused, ...refused],
    onTaken,
    cure: hasCure && count > 0 ? smallestCure(prepared.links, tuned, plan.rules) : null,
  };
}
