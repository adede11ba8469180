/**
 * Reads the records of a shoot and asks the subjects: a rig from outfit to file, the air, the cables, the levels of every
 * way, media and batteries, the day. Every plan crosses subjects, so it stands above them.
 */
export { consumablesOf, type Consumable } from "./consumables";
export { copyShoot, startFrom } from "./copyShoot";
export { airBodyOf, airPlanOf, airSceneOf, airStateOf, newLink, onAirOf, storedAir, type AirScene } from "./airScene";
export type { CarryOver } from "./carryOver";
export {
  EARS,
  HOUSE,
  NO_INPUT,
  choicesOf,
  connectionBodyOf,
  connectionsOf,
  levelInputOf,
  pairingOf,
  storedConnection,
  usualRangeOf,
  type Connection,
  type ConnectionPlan,
} from "./connections";
export { capsuleCures } from "./cures";
export { FIRST_PROVISION, dayMediaOf, provisionBodyOf, type DayMedia } from "./dayMedia";
export { PACK_LAVS, usualChain, type UsualChain, withSystem, WORK_CHAINS, WORK_IDS, type WorkId } from "./usualChain";
export { measuredMoments, type MeasuredMoment, type MeasuredTake } from "./measuredMoments";
export { dayStrip, type DayStripPlan, type StripMoment, type StripPlace, type StripScene } from "./dayStrip";
export { dayPlan, daysOf, type DayTotals, type DressCall, type SceneCalls } from "./dayPlan";
export { expectedTake } from "./expectedTake";
export type { SettingsCard } from "./levelCards";
export { USUAL_TARGETS, levelsBodyOf, lineOf, withLine } from "./levelLines";
export { levelsOf, levelsOfRig, settingOf, type LevelSubject } from "./levels";
export {
  HABIT_IDS,
  type CardCatalogue,
  type CardMessage,
  type CarryCatalogue,
  type CarryMessage,
  type Habit,
  type PlanCatalogue,
  type PlanMessage,
} from "./messages";
export { FIRST_OUTFIT, newRig } from "./newRig";
export {
  NEED_GROUPS,
  needsOf,
  packingBodyOf,
  packingState,
  toGet,
  withPacked,
  type Need,
  type NeedGroup,
} from "./packing";
export { outfitOf, placeOfRig, planRig, type RigPlan } from "./planRig";
export {
  USUAL_DAY,
  type NoisyTime,
  noisyTimes,
  quietDay,
  type QuietDay,
  type QuietDayWishes,
  type QuietScene,
} from "./quietDay";
export { carryFromBefore } from "./rigHistory";
export { storedPickup } from "./storedPickup";
export { keptTake, measurementOf, takeRecord, type TakeRecord } from "./takeRecord";
export { takeTags, type TakeWords } from "./takeTags";
export { withVoiceToday } from "./voiceToday";
export {
  disagreementsOf,
  filesInOrder,
  logLinesOf,
  isDelivered,
  reportOf,
  reportRows,
  type FoundFile,
  type Report,
  type ReportRow,
  type ReportTotals,
} from "./rollReport";
export {
  bytesOf,
  cardLeftMin,
  isJoined,
  leftOf,
  loggedTwice,
  marksByRoll,
  nameFacts,
  newRoll,
  numbered,
  owedOfScene,
  rollSetupOf,
  rollsInOrder,
  slateOf,
  tracksOf,
  wallDate,
  wallSeconds,
  type RollWish,
} from "./rolling";
