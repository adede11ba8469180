import type { Finding, FindingKind } from "../check";
import { costAt, type Criterion } from "../dress";
import type { DressedAt } from "./expected";
import type { Redress } from "./messages";

/** Findings of where a microphone sits, and by which criterion another place would be better. */
const DRESSED_WRONG: Partial<Record<FindingKind, Criterion>> = {
  rustle: "rustle",
  knock: "holding",
  wind: "weather",
  plosive: "weather",
  headTurn: "steady",
  muffled: "tone",
  boomy: "tone",
  roomy: "clear",
};

/** What so many times a minute make of a place, in Dress's steps; what is found all through counts as the middle one. Estimate. */
const OFTEN: readonly (readonly [perMin: number, steps: number])[] = [
  [3, 3],
  [1, 2],
  [0, 1],
];
const ALL_THROUGH_STEPS = 2;
/** A place must be better by so much of a step to be worth the walk. Common practice. */
const BETTER_STEPS = 0.4;

/** What a place costs by what was heard there: never less than was planned. */
function provedCost(planned: number, count: number, durationS: number): number {
  const perMin = (60 * count) / Math.max(10, durationS);
  const heard = count > 1 ? OFTEN.find(([least]) => perMin >= least)![1] : ALL_THROUGH_STEPS;
  return Math.max(planned, heard);
}

/**
 * Where to put the microphone instead after what was found: the best-ranked other place that by the plan is no worse by the
 * criterion of the most frequent finding, and clearly better than what was heard here. Null where none is, or nothing was found
 * that a place could cure.
 */
export function redressFor(
  findings: readonly Finding[],
  counts: Readonly<Record<string, number>>,
  durationS: number,
  dressed: DressedAt | null,
): Redress | null {
  if (!dressed) return null;
  const { candidate, plan } = dressed;
  const asked = findings.filter(({ kind, severity }) => kind in DRESSED_WRONG && severity !== "note");
  const times = (kind: FindingKind) => counts[kind] ?? asked.filter((each) => each.kind === kind).length;
  const kinds = [...new Set(asked.map(({ kind }) => kind))].sort((one, other) => times(other) - times(one));
  for (const kind of kinds) {
    const criterion = DRESSED_WRONG[kind]!;
    const planned = costAt(candidate, criterion);
    const proved = provedCost(planned, times(kind), durationS);
    const better = plan.places.find(
      ({ site, best }) =>
        site.id !== candidate.site.id &&
        !best.isBeyondConsent &&
        costAt(best, criterion) <= planned &&
        costAt(best, criterion) < proved - BETTER_STEPS,
    );
    if (!better) continue;
    const rank = plan.places.indexOf(better) + 1;
    return {
      ...{ kind, times: times(kind), durationS, from: candidate.site.name },
      ...{ siteId: better.site.id, to: better.site.name, rank },
    };
  }
  return null;
}
