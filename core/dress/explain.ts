import { CRITERIA, CRITERION_NAMES, type Criterion } from "./aims";
import { judge, JUDGED, type Step, stepOf, type FiredRule, type Judged } from "./judgement";
import { minutesOf, rulesOf, type Candidate, type DressPlan } from "./planDress";
import type { DressMessage } from "./messages";
import { INTRUSION_NAMES } from "./outfit";
import { PACK_PLACES } from "./packPlaces";

/** Why a candidate costs what it does by one criterion. */
export interface CriterionReason {
  criterion: Criterion;
  name: string;
  /** 0 (nothing against it) … 3. */
  cost: number;
  /** Cost × weight: what it adds to the ranking. */
  points: number;
  /** Where the criterion is judged in steps. */
  judged: { of: Judged; step: Step } | null;
  rules: readonly FiredRule[];
}

const isJudged = (criterion: Criterion): criterion is Criterion & Judged =>
  (JUDGED as readonly Criterion[]).includes(criterion);

function computedRules(criterion: Criterion, candidate: Candidate): FiredRule[] {
  const { sound, swingDb, site, mount, intrusion, pack } = candidate;
  switch (criterion) {
    case "steady":
      return [{ steps: swingDb / 2, says: { code: "why.swing", swingDb } }];
    case "clear":
      return [
        {
          steps: (30 - sound.snrDb) / 10,
          says: { code: "why.overNoise", snrDb: sound.snrDb },
        },
        { steps: (0.9 - sound.sti) * 5, says: { code: "why.clarity", sti: sound.sti } },
      ];
    case "ease": {
      const minutes = minutesOf(site, mount, 0);
      const rules: FiredRule[] = [{ steps: minutes / 4, says: { code: "why.minutesToRig", minutes } }];
      if (intrusion > 0)
        rules.push({ steps: intrusion * 0.5, says: { code: "why.intrusion", where: INTRUSION_NAMES[intrusion] } });
      if (!pack) rules.push({ steps: 1.5, says: { code: "why.noPackPlace" } });
      else if (!pack.isInReach) rules.push({ steps: 1.5, says: { code: "why.packOutOfReach" } });
      else if (pack.needsExtension)
        rules.push({ steps: 0.4, says: { code: "why.needsExtension", place: PACK_PLACES[pack.place].name } });
      return rules;
    }
    default:
      return [];
  }
}

/** Every criterion's cost of a candidate with the rules behind it, heaviest first. */
export function explain(candidate: Candidate, plan: DressPlan): CriterionReason[] {
  const { facts } = plan;
  const rules = rulesOf({ ...candidate, facts });
  return CRITERIA.map((criterion, index): CriterionReason => {
    const cost = candidate.costs[index]!;
    const fired =
      criterion === "steady" || criterion === "clear" || criterion === "ease"
        ? computedRules(criterion, candidate)
        : [...judge(rules[criterion]).rules];
    if (criterion === "holding" && candidate.overloadDb > -3)
      fired.push({
        steps: (candidate.overloadDb + 3) / 6,
        says: { code: "why.capsuleRange", overDb: candidate.overloadDb },
      });
    return {
      criterion,
      name: CRITERION_NAMES[criterion],
      cost,
      points: cost * facts.input.aims.weights[criterion],
      judged: isJudged(criterion) ? { of: criterion, step: stepOf(cost) } : null,
      rules: fired,
    };
  }).sort((one, other) => other.points - one.points);
}

/** What the chosen schools say about a candidate. */
export function schoolReasons(candidate: Candidate, plan: DressPlan): readonly FiredRule[] {
  return judge(rulesOf({ ...candidate, facts: plan.facts }).school).rules.filter((rule) => Math.abs(rule.steps) >= 0.1);
}

/** Where one candidate is worse than another, heaviest first: "why not that". */
export function worseThan(candidate: Candidate, other: Candidate, plan: DressPlan): CriterionReason[] {
  const costOfOther = (criterion: Criterion) => other.costs[CRITERIA.indexOf(criterion)]!;
  const lost = (reason: CriterionReason) =>
    (reason.cost - costOfOther(reason.criterion)) * plan.facts.input.aims.weights[reason.criterion];
  return explain(candidate, plan)
    .filter((reason) => lost(reason) > 0.5)
    .sort((one, another) => lost(another) - lost(one));
}

/** Why the second place is not the first, in one sentence; null where there is no second. */
export function whyNotNext(plan: DressPlan): DressMessage | null {
  const [first, second] = plan.places;
  if (!first || !second) return null;
  const { best } = second;
  const site = best.site.name;
  if (best.isBeyondConsent) return { code: "next.beyondConsent", site };
  if (best.isLastResort && !first.best.isLastResort) return { code: "next.lastResort", site };
  if (best.isStruck && !first.best.isStruck) return { code: "next.struck", site };
  const [lost] = worseThan(best, first.best, plan);
  const rules = [...(lost?.rules ?? [])].sort((one, other) => other.steps - one.steps);
  return { code: "next.because", site, because: rules[0]?.says ?? null };
}
