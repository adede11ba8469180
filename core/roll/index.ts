/**
 * The log of takes: what is rolled, how takes are numbered and named, what is still owed, and how a log and a card belong
 * together.
 */
export { checkCounter, secondsShown, type CounterCheck } from "./counter";
export { clockWords, type Clock } from "./clockOffset";
export { allKinds, isMarkKind, joinsPicture, KEYS, keyKinds, MARK_KINDS, type MarkKind, spoils } from "./markKinds";
export type { CardFileFacts, LogLine } from "./logLine";
export { FALSE_START_S, matchCard, type Match, type MatchResult } from "./matching";
export type { RollCatalogue, RollMessage } from "./messages";
export {
  FIRST_SCHEME,
  inFileName,
  learnScheme,
  LONGEST_SCHEME,
  NAME_FIELDS,
  nameBy,
  sameNames,
  schemeFault,
  type LearnedScheme,
  type NameFacts,
  type NameField,
} from "./naming";
export { LAST_TAKE, nextTake, renumbered, sameSlate, sharedNumbers, type Numbered } from "./numbering";
export { owedOf, type OwedScene, type OwedTake } from "./owed";
export { isCounted, RATINGS, type Rating, TAKE_TYPES, type TakeType } from "./takeTypes";
