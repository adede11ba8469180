import { FAULT_IDS, isFlaw, weightOf, withFaults, wrongLeads, type FaultId } from "./faults";
import { FLAW_IDS } from "./flaws";
import { factsOf, type CureMessage, type FaultMessage } from "./messages";
import { PROBE_IDS, probeOf, type ProbeId } from "./probes";
import type { Rehearsal } from "./rehearsal";
import type { SignalPath } from "./signalPath";
import { type Symptom } from "./symptomIds";
import { symptomsOf } from "./symptoms";

/** What is known of a link that is not right. */
export interface Story {
  symptom: Symptom;
  answers: Partial<Record<ProbeId, string>>;
  /** Probes that could not be done. */
  skipped: readonly ProbeId[];
  /** Causes that were looked at, and were not it. */
  ruledOut: readonly FaultId[];
}

export interface Diagnosis {
  /** What it can be, the likeliest first; two at once only where no single one fits. */
  causes: readonly (readonly FaultId[])[];
  /** What tells the most for its time; null when nothing tells more. */
  next: ProbeId | null;
}

interface Hypothesis {
  ids: readonly FaultId[];
  weight: number;
  symptoms: readonly Symptom[];
  answers: Partial<Record<ProbeId, string | null>>;
}

/** Two at once are rarer than one. Estimate. */
const PAIR_SHARE = 0.02;

function hypothesis(setup: SignalPath, ids: readonly FaultId[], world: Rehearsal): Hypothesis {
  return {
    ids,
    weight: ids.reduce((product, id) => product * weightOf(id), ids.length > 1 ? PAIR_SHARE : 1),
    symptoms: symptomsOf(setup, world),
    answers: Object.fromEntries(PROBE_IDS.map((id) => [id, probeOf(id).answer(setup, world)])),
  };
}

const known = new WeakMap<SignalPath, { single: Hypothesis[]; pairs: Hypothesis[] | null }>();

/** Each fault, put into the link as it is meant to be, with all that would be noticed and answered. */
function singles(setup: SignalPath): Hypothesis[] {
  const found = known.get(setup);
  if (found) return found.single;
  const single = [...FAULT_IDS, ...FLAW_IDS].flatMap((id) => {
    const world = withFaults(setup, [id]);
    return world ? [hypothesis(setup, [id], world)] : [];
  });
  known.set(setup, { single, pairs: null });
  return single;
}

function pairsOf(setup: SignalPath): Hypothesis[] {
  const single = singles(setup).filter(({ ids: [id] }) => !isFlaw(id!));
  const entry = known.get(setup)!;
  entry.pairs ??= single.flatMap(({ ids: [one] }, index) =>
    single.slice(index + 1).flatMap(({ ids: [other] }) => {
      const ids = [one!, other!];
      const world = withFaults(setup, ids);
      return world ? [hypothesis(setup, ids, world)] : [];
    }),
  );
  return entry.pairs;
}

const fitting = (all: readonly Hypothesis[], { symptom, answers, ruledOut }: Story): Hypothesis[] =>
  all.filter(
    (each) =>
      each.symptoms.includes(symptom) &&
      !each.ids.some((id) => ruledOut.includes(id)) &&
      (Object.entries(answers) as [ProbeId, string][]).every(([id, answer]) => each.answers[id] === answer),
  );

/** How much an answer is expected to tell, bits. */
function tells(remaining: readonly Hypothesis[], id: ProbeId): number {
  const weights = new Map<string, number>();
  let sum = 0;
  for (const { answers, weight } of remaining) {
    const answer = answers[id] ?? "";
    weights.set(answer, (weights.get(answer) ?? 0) + weight);
    sum += weight;
  }
  return [...weights.values()].reduce((bits, weight) => bits - (weight / sum) * Math.log2(weight / sum), 0);
}

/**
 * What a link's trouble can be, and what to try next.
 *
 * Every fault of the list is put into a simulated copy of this very link; those stay whose symptom and answers are the ones
 * that were seen. The next probe is the one that is expected to tell most for its time. Where no single fault fits, two at
 * once are tried. Source: diagnosis from a model, with entropy for the choice of tests (de Kleer and Williams 1987).
 */
export function diagnose(setup: SignalPath, story: Story): Diagnosis {
  const single = fitting(singles(setup), story);
  const remaining = single.length > 0 ? single : fitting(pairsOf(setup), story);
  const causes = [...remaining].sort((one, other) => other.weight - one.weight).map(({ ids }) => ids);
  let next: ProbeId | null = null;
  let best = 1e-6;
  for (const id of PROBE_IDS) {
    if (story.answers[id] !== undefined || story.skipped.includes(id)) continue;
    const worth = tells(remaining, id) / probeOf(id).costS;
    if (worth > best) [next, best] = [id, worth];
  }
  return { causes, next };
}

/** What can be noticed at all on a link when one thing is wrong with it. */
export function symptomsThatCanBe(setup: SignalPath): Symptom[] {
  return [...new Set(singles(setup).flatMap(({ symptoms }) => symptoms))];
}

/** Faults that are one cause of a trouble, each with its cure. */
export const causeMessages = (
  setup: SignalPath,
  ids: readonly FaultId[],
): { says: FaultMessage[]; cure: CureMessage[] } => ({
  says: ids.map((id) => faultMessage(setup, id)),
  cure: ids.map((id) => ({ code: `cure.${id}`, ...factsOf(setup) }) as CureMessage),
});

/** A fault on a link with its figures. */
export function faultMessage(setup: SignalPath, id: FaultId): FaultMessage {
  if (id !== "wrongAdapter") return { code: `fault.${id}`, ...factsOf(setup) } as FaultMessage;
  const wrong = wrongLeads(setup)?.find((part, index) => part.id !== setup.way[index]?.id);
  return { code: "fault.wrongAdapter", ...factsOf(setup), wrongCable: wrong?.name ?? null };
}
