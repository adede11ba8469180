/**
 * Microphones that nobody wears: talkers, places, patterns, distances, what the picture allows, and how ways compare.
 */
export { whatWouldBeat } from "./better";
export { type CandidateId, FIRST_WISHES, micsOf } from "./candidateMics";
export { judgeMics, rankPickups, type PickupCandidate } from "./candidates";
export { HEARD_RIPPLE_DB } from "./combing";
export { handsOn } from "./hands";
export { hearAll, type MicHeard, type TalkerHeard } from "./heardByMics";
export { LESSON_IDS, type LessonId, type RiskStep } from "./kinds";
export { lessonsFor, type Lesson } from "./lessons";
export { HOLDERS, MICROPHONES, MICROPHONE_IDS, selfNoiseDb, type Holder, type MicrophoneId } from "./microphones";
export {
  PATTERNS,
  PATTERN_IDS,
  acceptanceArcDeg,
  distanceFactor,
  nullDeg,
  patternDb,
  patternGain,
  proximityDb,
  randomEnergy,
  randomEnergyDb,
  tubeGain,
} from "./patterns";
export { placeSound, type PlaceSound } from "./placeSound";
export { BREATH_HALF_DEG, BREATH_REACH_M } from "./risks";
export {
  HELD,
  MOST_MICS,
  MOST_TALKERS,
  OVERHEAD_SCHOOLS,
  PickupSetup,
  PickupWishes,
  PlacedMic,
  SHOT_SIZES,
  Talker,
  type Held,
} from "./pickupSetup";
export { cosineBetween, degreesOf, direction, dot, subtract, type Vec } from "./space";
export type { PickupCatalogue } from "./messages";
export { COVER_FACTS, COVERS, type Cover } from "./wind";
