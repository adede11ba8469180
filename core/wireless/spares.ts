import { airProblem, freshBoard, stepMHz, type WantedLink } from "./airProblem";
import type { AirRules } from "./airRules";
import type { Tuned } from "./coordinate";
import { levelNear, type Scan } from "./scan";

export interface Spare {
  frequencyMHz: number;
  /** Strongest level near it by the scan, dBm; null where nothing was scanned. */
  airDbm: number | null;
}

/** How near a spare's air is looked at, kHz. Common practice. */
const AIR_KHZ = 150;

/**
 * Frequencies for links that have to leave their own: the quietest air first, then the farthest from its neighbours. At most
 * `count` for each link.
 *
 * All of them are compatible with every tuned link and with every other spare, so any number of links may move at once.
 * Everybody gets a first spare before anybody gets a second; those with the fewest places to go choose first.
 */
export function sparesFor(
  links: readonly WantedLink[],
  tuned: Tuned,
  rules: AirRules,
  scan: Scan | null,
  count: number,
): Map<string, Spare[]> {
  const placed = links.filter(({ id }) => tuned.has(id));
  const staying = placed.map((link): WantedLink => ({ ...link, lockedMHz: tuned.get(link.id)! }));
  const moving = placed.map((link): WantedLink => ({ ...link, id: `${link.id} spare`, lockedMHz: null }));
  const problem = airProblem([...staying, ...moving], rules);
  const board = freshBoard(problem);
  const used = [...tuned.values()].sort((one, other) => one - other);
  const candidates = problem.groups.flatMap((group) => {
    const free = [...group.steps]
      .filter((step) => board.isFree(board.placeAt(step), group.moments))
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
    return group.links.map(({ id }) => ({ id: id.replace(/ spare$/, ""), moments: group.moments, free, next: 0 }));
  });
  candidates.sort((one, other) => one.free.length - other.free.length);
  const spares = new Map<string, Spare[]>(links.map(({ id }) => [id, []]));
  for (let round = 0; round < count; round += 1)
    for (const each of candidates) {
      while (each.next < each.free.length && !board.isFree(board.placeAt(each.free[each.next]!.step), each.moments))
        each.next += 1;
      const found = each.free[each.next];
      if (!found) continue;
      board.add(found.step, each.moments);
      spares.get(each.id)!.push({ frequencyMHz: found.frequencyMHz, airDbm: found.airDbm });
    }
  return spares;
}
