/** A judgement's four steps: what is no physics but trade knowledge. */
export type Step = 0 | 1 | 2 | 3;

/** Names of the steps, best first. */
export const STEP_NAMES = {
  rustle: ["quiet", "slight", "likely", "heavy"],
  visibility: ["hidden", "barely seen", "noticeable", "in plain sight"],
  wind: ["sheltered", "slight", "exposed", "open to it"],
  effort: ["seconds", "a minute", "some minutes", "needs time and care"],
} as const;

/** A rule that fired, in words, with what it moved the judgement by. */
export interface FiredRule {
  steps: number;
  says: string;
}

export interface Judgement {
  step: Step;
  rules: readonly FiredRule[];
}

/** Adds up fired rules from a starting step into the four-step scale. */
export function judge(rules: readonly FiredRule[]): Judgement {
  const sum = rules.reduce((total, rule) => total + rule.steps, 0);
  return { step: Math.min(3, Math.max(0, Math.round(sum))) as Step, rules };
}
