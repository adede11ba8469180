import { airProblem, freshBoard, stepMHz, type WantedLink } from "./airProblem";
import type { AirRules } from "./airRules";
import { coordinator, type Tuned } from "./coordinate";
import { levelNear, type Scan } from "./scan";

export interface Spare {
  frequencyMHz: number;
  /** Strongest level near it by the scan, dBm; null where nothing was scanned. */
  airDbm: number | null;
}

/** How near a spare's air is looked at, kHz. Common practice. */
const AIR_KHZ = 150;

/**
 * Frequencies that live with everybody and with each other, for a link that has to leave its own: the quietest air first,
 * then the farthest from its neighbours. At most `count`.
 */
export function sparesFor(
  links: readonly WantedLink[],
  tuned: Tuned,
  rules: AirRules,
  link: WantedLink,
  scan: Scan | null,
  count: number,
): Spare[] {
  const all: WantedLink[] = links.flatMap((each) => {
    const at = tuned.get(each.id);
    return at === undefined ? [] : [{ ...each, lockedMHz: at }];
  });
  const problem = airProblem([...all, { ...link, id: `${link.id} spare`, lockedMHz: null }], rules);
  const board = freshBoard(problem);
  const used = [...tuned.values()];
  const candidates = [...(problem.groups[0]?.steps ?? [])]
    .filter((step) => board.isFree(step, link.moments))
    .map((step) => {
      const frequencyMHz = stepMHz(problem, step);
      const nearest = used.reduce((least, each) => Math.min(least, Math.abs(each - frequencyMHz)), Infinity);
      return { step, frequencyMHz, nearest, airDbm: scan ? levelNear(scan, frequencyMHz, AIR_KHZ) : null };
    })
    // A difference of 3 dB in the air is chance.
    .sort(
      (one, other) =>
        Math.round((one.airDbm ?? -110) / 3) - Math.round((other.airDbm ?? -110) / 3) || other.nearest - one.nearest,
    );
  const spares: Spare[] = [];
  for (const { step, frequencyMHz, airDbm } of candidates) {
    if (spares.length === count) break;
    if (!board.isFree(step, link.moments)) continue;
    board.add(step, link.moments);
    spares.push({ frequencyMHz, airDbm });
  }
  return spares;
}

/** A rule that, taken away alone, lets more links on. */
export interface Binding {
  rule: "spacing" | "the guard of third order" | "fifth order" | "locked links" | "what is taken or not allowed";
  wouldFit: number;
}

/** Which single rule holds a coordination back, the worst first: each is left out in turn and the search is run anew. */
export function bindingRules(
  links: readonly WantedLink[],
  openLinks: readonly WantedLink[],
  rules: AirRules,
  reached: number,
  seed: number,
  rounds = 80,
): Binding[] {
  const fit = (wanted: readonly WantedLink[], changed: AirRules) => {
    const search = coordinator(airProblem(wanted, changed), seed);
    search.search(rounds);
    return search.placed();
  };
  const trials: Binding[] = [
    { rule: "spacing", wouldFit: fit(links, { ...rules, spacingKHz: 0 }) },
    { rule: "the guard of third order", wouldFit: fit(links, { ...rules, twoThirdKHz: 0, threeThirdKHz: 0 }) },
    { rule: "fifth order", wouldFit: rules.fifthKHz === null ? 0 : fit(links, { ...rules, fifthKHz: null }) },
    {
      rule: "locked links",
      wouldFit: links.some(({ lockedMHz }) => lockedMHz !== null)
        ? fit(
            links.map((link) => ({ ...link, lockedMHz: null })),
            rules,
          )
        : 0,
    },
    { rule: "what is taken or not allowed", wouldFit: fit(openLinks, rules) },
  ];
  return trials.filter(({ wouldFit }) => wouldFit > reached).sort((one, other) => other.wouldFit - one.wouldFit);
}

/** Guards are tried this many times as wide, the widest first. */
export const WIDENINGS = [3, 2, 1.5, 1.25] as const;

/** The widest guards that still give every link a frequency, and the frequencies; null where none of the wider ones does. */
export function widestGuards(
  links: readonly WantedLink[],
  rules: AirRules,
  seed: number,
  rounds = 60,
): { widening: number; tuned: Tuned } | null {
  for (const widening of WIDENINGS) {
    const search = coordinator(airProblem(links, rules, widening), seed);
    search.search(rounds);
    if (search.placed() === search.wanted) return { widening, tuned: search.best() };
  }
  return null;
}
