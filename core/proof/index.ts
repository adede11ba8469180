/**
 * A recording against its plan: whose it is, whether it serves, the likeliest cause of what is wrong, and what to change.
 */
export { findingsAgainstPlan } from "./againstPlan";
export { correctLevel } from "./correction";
export { dayTrend, type DayTrend, type TrendPoint } from "./dayTrend";
export {
  directOverEchoDb,
  distanceByFallM,
  expectedBrightDb,
  expectedFallDbPerS,
  type Expected,
  type TakeRoom,
  type TakeWay,
  type TrackVoice,
} from "./expected";
export { channelOfTake, judgeTake, type JudgedTake } from "./judgeTake";
export { Judged, SaidBefore, type ProofCatalogue, type ProofMessage } from "./messages";
export { correctionMessage, stepAfter, takeMessages } from "./takeMessages";
export { gradeOf, likelyChannel, worstOf, type Comparison, type Assessment, type VerdictGrade } from "./assessment";
