import type { DressReason } from "./reasons";

/** A judgement's four steps: what is no physics but trade knowledge. */
export type Step = 0 | 1 | 2 | 3;

/** What is judged in steps. */
export const JUDGED = ["rustle", "unseen", "weather", "holding"] as const;
export type Judged = (typeof JUDGED)[number];

/** Called by a rule that applies: steps it moves the judgement by, and why, made only when somebody asks. */
export type Fire = (steps: number, says: () => DressReason) => void;

/** A rule that fired, with what it moved the judgement by. */
export interface FiredRule {
  steps: number;
  says: DressReason;
}

export interface Judgement {
  /** 0 (nothing against it) … 3. */
  cost: number;
  step: Step;
  rules: readonly FiredRule[];
}

/** A sum of steps brought into 0…3. */
export function costOf(steps: number): number {
  return steps < 0 ? 0 : steps > 3 ? 3 : steps;
}

/** The named step nearest to a cost of 0…3. */
export function stepOf(cost: number): Step {
  return Math.round(costOf(cost)) as Step;
}

/** Sum of the steps of the rules that fire. */
export function sumSteps(rules: (fire: Fire) => void): number {
  let sum = 0;
  rules((steps) => {
    sum += steps;
  });
  return sum;
}

/** The rules that fire, each with its reason, and the step they lead to. */
export function judge(rules: (fire: Fire) => void): Judgement {
  const fired: FiredRule[] = [];
  rules((steps, says) => fired.push({ steps, says: says() }));
  const cost = costOf(fired.reduce((sum, rule) => sum + rule.steps, 0));
  return { cost, step: stepOf(cost), rules: fired };
}
