import {
  compareCosts,
  costOfPosition,
  costOfWay,
  type Cost,
  type Settings,
  type Targets,
  type WayCost,
} from "./bestSettings";
import type { Chain } from "./stage";

/** For tests and benches: what the search must come to, by plain counting. Nothing here is used by the program itself. */

const NOTHING: WayCost = { overload: 0, noise: 0, preference: 0 };

const added = (one: WayCost, other: WayCost): WayCost => ({
  overload: one.overload + other.overload,
  noise: one.noise + other.noise,
  preference: one.preference + other.preference,
});

/** How many settings a chain has. */
export const combinationsOf = (chain: Chain): number =>
  chain.reduce((count, { positions }) => count * positions.length, 1);

/** What given settings cost. */
export function costOfSettings(chain: Chain, settings: Settings, peakDb: number, targets: Targets): Cost {
  let [fixed, grains, way] = [0, 0, NOTHING];
  chain.forEach((stage, number) => {
    fixed += stage.entersDb;
    const position = stage.positions[settings[number]!]!;
    way = added(way, costOfPosition(stage, position, fixed + grains / 100, peakDb, number === chain.length - 1));
    grains += Math.round(100 * position.addsDb);
  });
  return costOfWay(way, peakDb + fixed + grains / 100, targets);
}

/** The least that any combination of all knobs costs: every one is tried. */
export function leastCost(chain: Chain, peakDb: number, targets: Targets): Cost {
  let best: Cost | null = null;
  const tryFrom = (number: number, fixedDb: number, grains: number, way: WayCost): void => {
    const stage = chain[number];
    if (!stage) {
      const cost = costOfWay(way, peakDb + fixedDb + grains / 100, targets);
      if (!best || compareCosts(cost, best) < 0) best = cost;
      return;
    }
    const fixed = fixedDb + stage.entersDb;
    for (const position of stage.positions) {
      const add = costOfPosition(stage, position, fixed + grains / 100, peakDb, number === chain.length - 1);
      tryFrom(number + 1, fixed, grains + Math.round(100 * position.addsDb), added(way, add));
    }
  };
  tryFrom(0, 0, 0, NOTHING);
  return best!;
}
