/** Steps of a judgement: none, slight, likely, certain. */
export type RiskStep = 0 | 1 | 2 | 3;

/** Experiments with one microphone. */
export const LESSON_IDS = ["turnRound", "twiceAsFar", "besideBreath", "intoTheEnd", "onTheTable"] as const;
export type LessonId = (typeof LESSON_IDS)[number];
