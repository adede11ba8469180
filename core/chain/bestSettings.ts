import { dbToPower } from "../sound";
import type { Chain, ChainStage, Position } from "./stage";

export interface Targets {
  /** Where the loudest voice's peaks should read, dBFS. Common practice: −12. */
  targetDbfs: number;
  /** Where they must never go, dBFS. Common practice: −6. */
  ceilingDbfs: number;
}

/** Position of every stage, by its number. */
export type Settings = readonly number[];

/** Nearer to the target than this nobody gains anything, dB. Common practice. */
const NEAR_DB = 1;
/** Knobs' steps are counted in these, so that sums of them meet exactly, dB. */
const GRAIN_DB = 0.01;

/** What settings cost on the way; all of it adds up from stage to stage. */
export interface WayCost {
  /** Headroom that earlier stages lack, thousandths of a dB. */
  overload: number;
  /** Noise that the electronics add, as power re the sound at the first stage. */
  noise: number;
  preference: number;
}

/** What a whole way costs: overload, then over the target, then under it, then noise, then habit. */
export interface Cost extends WayCost {
  over: number;
  under: number;
}

/** What one position adds, where the loudest peaks arrive at a level. `gainDb`: all that was added before this position. */
export function costOfPosition(
  stage: ChainStage,
  position: Position,
  gainDb: number,
  peakDb: number,
  isFile: boolean,
): WayCost {
  return {
    overload: isFile ? 0 : overloadOf(stage, position, peakDb + gainDb),
    noise: noiseOf(position) * dbToPower(-gainDb),
    preference: position.preference,
  };
}

/** Headroom that is lacking where peaks arrive at a level, thousandths of a dB. */
function overloadOf({ reserveDb }: ChainStage, { clip, addsDb }: Position, arrivesDb: number): number {
  return clip === null ? 0 : Math.round(1000 * Math.max(0, reserveDb - clip + arrivesDb + addsDb));
}

/** Noise of a position as power re what arrives, where that is at 0 dB. */
const noiseOf = ({ noiseBefore, noiseAfter, addsDb }: Position): number =>
  (noiseBefore === null ? 0 : dbToPower(noiseBefore)) + (noiseAfter === null ? 0 : dbToPower(noiseAfter - addsDb));

/** A whole way's cost from what it costs on the way and where its peaks end. */
export function costOfWay(way: WayCost, peakDbfs: number, { targetDbfs }: Targets): Cost {
  const missDb = peakDbfs - targetDbfs;
  return {
    ...way,
    over: Math.round(1000 * Math.max(0, missDb - 1e-6)),
    under: Math.max(0, Math.floor((-missDb + 1e-9) / NEAR_DB)),
  };
}

const ORDER = ["overload", "over", "under", "noise", "preference"] as const;

/** Below 0: the first is better. */
export function compareCosts(one: Cost, other: Cost): number {
  for (const key of ORDER) if (one[key] !== other[key]) return one[key] - other[key];
  return 0;
}

interface State extends WayCost {
  gainDb: number;
  before: State | null;
  position: number;
}

/**
 * The settings that put the loudest peaks at the target and keep every stage on the way under its clip, with the least
 * noise.
 *
 * Of all ways to the same gain only the best one can be part of the best whole, since what follows depends on the gain
 * alone: so the best is kept for each gain, stage by stage, and nothing is missed that trying every combination would find.
 * `peakDb`: peaks of the loudest voice at the first stage, in its unit, as the sine level that reaches as high. `held` names
 * positions that are not to be moved, by stage id.
 */
export function bestSettings(
  chain: Chain,
  peakDb: number,
  targets: Targets,
  held: ReadonlyMap<string, number> = new Map(),
): Settings {
  let states = new Map<number, State>([
    [0, { gainDb: 0, overload: 0, noise: 0, preference: 0, before: null, position: -1 }],
  ]);
  let fixedDb = 0;
  chain.forEach((stage, number) => {
    const isFile = number === chain.length - 1;
    fixedDb += stage.entersDb;
    const next = new Map<number, State>();
    const heldAt = held.get(stage.id);
    const noises = stage.positions.map(noiseOf);
    const steps = stage.positions.map(({ addsDb }) => Math.round(addsDb / GRAIN_DB));
    for (const [key, state] of states) {
      const gainDb = fixedDb + key * GRAIN_DB;
      const perNoise = dbToPower(-gainDb);
      for (let index = 0; index < noises.length; index += 1) {
        if (heldAt !== undefined && heldAt !== index) continue;
        const position = stage.positions[index]!;
        const overload = state.overload + (isFile ? 0 : overloadOf(stage, position, peakDb + gainDb));
        const noise = state.noise + noises[index]! * perNoise;
        const preference = state.preference + position.preference;
        const at = key + steps[index]!;
        const known = next.get(at);
        const isBetter =
          !known ||
          overload < known.overload ||
          (overload === known.overload &&
            (noise < known.noise || (noise === known.noise && preference < known.preference)));
        if (isBetter)
          next.set(at, {
            gainDb: gainDb + position.addsDb,
            overload,
            noise,
            preference,
            before: state,
            position: index,
          });
      }
    }
    states = next;
  });
  let best: State | null = null;
  let bestCost: Cost | null = null;
  for (const state of states.values()) {
    const cost = costOfWay(state, peakDb + state.gainDb, targets);
    if (bestCost === null || compareCosts(cost, bestCost) < 0) [best, bestCost] = [state, cost];
  }
  const positions: number[] = [];
  for (let state = best; state !== null && state.position >= 0; state = state.before) positions.unshift(state.position);
  return positions;
}
