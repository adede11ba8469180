import { toMHz, toUnits, unitRules, type AirRules, type UnitRules } from "./airRules";
import { blockBoard, type BlockBoard } from "./blockBoard";
import { greatestCommonDivisor } from "./sidonSets";

/** A transmitter that wants a frequency. */
export interface WantedLink {
  id: string;
  name: string;
  /** Bit i is set when it is on in moment i. */
  moments: number;
  systemId: string;
  /** What it may be tuned to, MHz, ascending. */
  choicesMHz: readonly number[];
  /** A frequency it must keep, MHz; null when it may move. */
  lockedMHz: number | null;
}

/** Links that may be tuned to the same frequencies and are on at the same times; each of them can have each place of the group. */
export interface Group {
  links: readonly WantedLink[];
  moments: number;
  /** Steps of the grid they may take, ascending. */
  steps: Int32Array;
}

/** A coordination on one grid that all choices lie on. */
export interface AirProblem {
  baseUnits: number;
  stepUnits: number;
  rules: UnitRules;
  allMoments: number;
  groups: readonly Group[];
  /** Links that must stay, with their steps. */
  locked: readonly { link: WantedLink; step: number }[];
}

/** Lays all choices on the coarsest grid that holds them. */
export function airProblem(links: readonly WantedLink[], rules: AirRules, widening = 1): AirProblem {
  const all = links.flatMap(({ choicesMHz, lockedMHz }) =>
    lockedMHz === null ? choicesMHz.map(toUnits) : [toUnits(lockedMHz)],
  );
  const baseUnits = all.reduce((least, each) => Math.min(least, each), Infinity);
  const stepUnits = Math.max(
    1,
    all.reduce((step, each) => greatestCommonDivisor(step, each - baseUnits), 0),
  );
  const step = (frequencyMHz: number) => Math.round((toUnits(frequencyMHz) - baseUnits) / stepUnits);
  const groups = new Map<string, WantedLink[]>();
  const keys = new Map<readonly number[], number>();
  for (const link of links.filter(({ lockedMHz }) => lockedMHz === null)) {
    const choices = keys.get(link.choicesMHz) ?? keys.size;
    keys.set(link.choicesMHz, choices);
    const key = `${choices} ${link.moments}`;
    groups.set(key, [...(groups.get(key) ?? []), link]);
  }
  return {
    baseUnits,
    stepUnits,
    rules: unitRules(rules, widening),
    allMoments: links.reduce((bits, { moments }) => bits | moments, 0),
    groups: [...groups.values()].map((members) => ({
      links: members,
      moments: members[0]!.moments,
      steps: Int32Array.from(members[0]!.choicesMHz, step),
    })),
    locked: links.flatMap((link) => (link.lockedMHz === null ? [] : [{ link, step: step(link.lockedMHz) }])),
  };
}

export const stepMHz = ({ baseUnits, stepUnits }: AirProblem, step: number): number =>
  toMHz(baseUnits + step * stepUnits);

/** A board with only the locked links on. */
export function freshBoard({ groups, stepUnits, rules, allMoments, locked }: AirProblem): BlockBoard {
  const places = Int32Array.from(new Set(groups.flatMap(({ steps }) => [...steps]))).sort();
  const board = blockBoard(places, stepUnits, rules, allMoments);
  for (const { link, step } of locked) board.add(step, link.moments);
  return board;
}
