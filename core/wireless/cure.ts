import { airProblem, freshBoard, stepMHz, type WantedLink } from "./airProblem";
import type { AirRules } from "./airRules";
import type { Tuned } from "./coordinate";
import { conflictsOf, type Carrier } from "./products";

/** One link moved, after which nothing is broken. */
export interface Cure {
  link: WantedLink;
  fromMHz: number;
  toMHz: number;
}

const tunedCarriers = (links: readonly WantedLink[], tuned: Tuned): Carrier[] =>
  links.flatMap(({ id, name, moments }) => {
    const frequencyMHz = tuned.get(id);
    return frequencyMHz === undefined ? [] : [{ id, name, moments, frequencyMHz }];
  });

/** Where one link could go with all others staying, nearest to where it is first; MHz. */
export function freePlaces(
  links: readonly WantedLink[],
  tuned: Tuned,
  rules: AirRules,
  link: WantedLink,
  nearMHz: number,
): number[] {
  const stays = links.flatMap((each): WantedLink[] => {
    const at = tuned.get(each.id);
    return each.id === link.id || at === undefined ? [] : [{ ...each, lockedMHz: at }];
  });
  const problem = airProblem([...stays, { ...link, lockedMHz: null }], rules);
  const board = freshBoard(problem);
  return [...(problem.groups[0]?.steps ?? [])]
    .filter((step) => board.isFree(board.placeAt(step), link.moments))
    .map((step) => stepMHz(problem, step))
    .sort((one, other) => Math.abs(one - nearMHz) - Math.abs(other - nearMHz));
}

/** The smallest move of one link that mends everything; null where no single one does, or nothing is broken. */
export function smallestCure(links: readonly WantedLink[], tuned: Tuned, rules: AirRules): Cure | null {
  const carriers = tunedCarriers(links, tuned);
  const { conflicts, count } = conflictsOf(carriers, rules);
  if (count === 0) return null;
  const involved = new Set(conflicts.flatMap(({ makers, victim }) => [...makers, victim].map(({ id }) => id)));
  const cures: Cure[] = [];
  for (const link of links) {
    if (!involved.has(link.id) || link.lockedMHz !== null) continue;
    const rest = carriers.filter(({ id }) => id !== link.id);
    if (conflictsOf(rest, rules).count > 0) continue;
    const fromMHz = tuned.get(link.id)!;
    const [toMHz] = freePlaces(links, tuned, rules, link, fromMHz);
    if (toMHz !== undefined) cures.push({ link, fromMHz, toMHz });
  }
  const move = ({ fromMHz, toMHz }: Cure) => Math.abs(toMHz - fromMHz);
  return cures.sort((one, other) => move(one) - move(other))[0] ?? null;
}
