import type { Finding, FindingKind } from "../check/measurement";
import type { Criterion } from "../dress/aims";
import { costAt } from "../dress/planDress";
import { heldAgainst } from "./causes";
import type { DressedAt } from "./expected";

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

const FOUND_WORDS: Partial<Record<FindingKind, string>> = {
  rustle: "Rustle",
  knock: "Knocks",
  wind: "Wind",
  plosive: "Pops",
  headTurn: "The voice turned away,",
  muffled: "Dullness",
  boomy: "Boom",
  roomy: "Too much room,",
};

function spanWords(durationS: number): string {
  return durationS < 90 ? `${Math.round(durationS)} s` : `${Math.round(durationS / 60)} min`;
}

/** Another place that would be better by the criterion a finding is about. */
export interface Redress {
  kind: FindingKind;
  siteId: string;
  says: string;
}

/** A place must be better by so much of a step to be worth the walk. Common practice. */
const BETTER_STEPS = 0.4;

/**
 * Where to put the microphone instead after what was found: the best-ranked other place that is clearly better by the criterion
 * of the weightiest finding. Null where none is, or nothing was found that a place could cure.
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
    const better = plan.places.find(
      ({ site, best }) =>
        site.id !== candidate.site.id &&
        !best.isBeyondConsent &&
        costAt(best, criterion) < costAt(candidate, criterion) - BETTER_STEPS,
    );
    if (!better) continue;
    const rank = plan.places.indexOf(better) + 1;
    const often = times(kind) > 1 ? `${times(kind)} times in ${spanWords(durationS)}` : "found";
    const because = heldAgainst(dressed, criterion) ?? candidate.site.name;
    return {
      kind,
      siteId: better.site.id,
      says: `${FOUND_WORDS[kind] ?? kind} ${often}. ${because.replace(/\.$/, "")}. Go to ${better.site.name.toLowerCase()}, number ${rank} of the plan.`,
    };
  }
  return null;
}
