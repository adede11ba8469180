import { begun, carriedOn, judgePath, PATH_VERDICTS, type Carried, type Judgement } from "./judgePath";
import { type Connector, type End, familyOf, type Input, mate, type Part, type Source } from "../devices";

export interface FoundPath extends Judgement {
  parts: readonly Part[];
  /** Parts that are not owned. */
  missing: readonly Part[];
}

/** Longer chains of leads are no answer on location. */
export const MOST_PARTS = 4;
/** More states than any bag has; a search ends there. */
const MOST_STATES = 20_000;

interface Step {
  end: End;
  carried: Carried;
  parts: readonly Part[];
  missing: number;
}

const keyOf = ({ end, carried }: Step): string =>
  `${end.connector} ${end.sex} ${carried.carriage} ${carried.lossDb} ${Number(carried.passesPlugIn)}${Number(carried.passesPhantom)}${Number(carried.isHeadsetLoad)}${Number(carried.feedsPhantom)}${Number(carried.makesPlugIn)}`;

/** A step is worse than another that stands in the same state with no more parts and no more missing. */
const cost = ({ missing, parts }: Step): number => 100 * missing + parts.length;

const lossOf = ({ parts }: FoundPath): number => parts.reduce((sum, { lossDb }) => sum + lossDb, 0);

/** What works, with or without something to set, comes first: a lead that is owned beats one that saves a setting. */
const tierOf = ({ verdict }: FoundPath): number => Math.max(1, PATH_VERDICTS.indexOf(verdict));

const better = (one: FoundPath, other: FoundPath): number =>
  tierOf(one) - tierOf(other) ||
  one.missing.length - other.missing.length ||
  one.parts.length - other.parts.length ||
  // A knob that is turned down costs less noise than a pad.
  lossOf(one) - lossOf(other) ||
  one.settings.length - other.settings.length;

/** Of parts that do the same one is enough: one that is owned, if any is. */
function distinct(parts: readonly Part[]): Part[] {
  const kinds = new Map<string, Part>();
  for (const part of parts) {
    const { from, to, turns, lossDb, clipsDbu, settings, passesPlugIn, passesPhantom } = part;
    const { isHeadsetLoad, feedsPhantom, makesPlugIn } = part;
    const does = [from, to, turns, lossDb, clipsDbu, settings, passesPlugIn, passesPhantom];
    const kind = JSON.stringify([...does, isHeadsetLoad, feedsPhantom, makesPlugIn]);
    const known = kinds.get(kind);
    if (!known || (!known.isOwned && part.isOwned)) kinds.set(kind, part);
  }
  return [...kinds.values()];
}

/**
 * The best way from a source to an input: what works before what fails silently, owned parts before others, few before many.
 *
 * Every chain of at most {@link MOST_PARTS} parts whose ends go into each other is looked at, each state of the signal once.
 * Null where nothing fits at all.
 */
export function findPath(source: Source, input: Input, parts: readonly Part[]): FoundPath | null {
  const families = new Map<string, Part[]>();
  const family = (connector: Connector, sex: End["sex"]) =>
    `${familyOf(connector)} ${sex === "plug" ? "socket" : "plug"}`;
  for (const part of distinct(parts)) {
    const key = `${familyOf(part.from.connector)} ${part.from.sex}`;
    families.set(key, [...(families.get(key) ?? []), part]);
  }
  const known = new Map<string, number>();
  let best: FoundPath | null = null;
  let steps: Step[] = [{ end: source.end, carried: begun(source), parts: [], missing: 0 }];
  let looked = 0;
  for (let length = 0; length <= MOST_PARTS && steps.length > 0; length += 1) {
    for (const step of steps) {
      if (!mate(step.end, input.end)) continue;
      const found: FoundPath = {
        ...judgePath(source, step.parts, step.carried, input),
        parts: step.parts,
        missing: step.parts.filter(({ isOwned }) => !isOwned),
      };
      if (!best || better(found, best) < 0) best = found;
    }
    if (length === MOST_PARTS) break;
    const next: Step[] = [];
    for (const step of steps)
      for (const part of families.get(family(step.end.connector, step.end.sex)) ?? []) {
        // There is one of each.
        if (step.parts.includes(part)) continue;
        const carried = carriedOn(step.carried, part);
        if (!carried || (looked += 1) > MOST_STATES) continue;
        const further: Step = {
          end: part.to,
          carried,
          parts: [...step.parts, part],
          missing: step.missing + (part.isOwned ? 0 : 1),
        };
        const key = keyOf(further);
        // Nothing dearer than what already works is of use.
        if (best && tierOf(best) === 1 && cost(further) > 100 * best.missing.length + best.parts.length) continue;
        const before = known.get(key);
        if (before !== undefined && before <= cost(further)) continue;
        known.set(key, cost(further));
        next.push(further);
      }
    steps = next;
  }
  return best;
}
