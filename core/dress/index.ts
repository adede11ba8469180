/**
 * Where on a dressed person a lavalier goes and how: candidates, the rules of the trade with their weights, sound at the
 * place, rustle, what shows, recipe and pack.
 */
export { ACCESSORIES, ACCESSORY_FACTS, COLOURED, SIDED, type Accessory } from "./accessories";
export {
  Aims,
  CRITERIA,
  CRITERION_NAMES,
  FIRST_AIMS,
  PRESETS,
  PRESET_IDS,
  SCHOOL_OPTIONS,
  type Criterion,
  type PresetId,
  type SchoolAnswer,
  type SchoolQuestion,
} from "./aims";
export { certaintyOf, certaintyWord, unknownsOf } from "./certainty";
export { Choice, choiceOf, sameChoice } from "./choice";
export { contradictionsOf } from "./contradictions";
export { DressInput } from "./dressInput";
export { EXAMPLE_QUAY, exampleInput, type ExampleChange } from "./exampleInput";
export { explain, schoolReasons, whyNotNext, worseThan, type CriterionReason } from "./explain";
export { FABRICS, FABRIC_IDS } from "./fabrics";
export { GARMENTS, GARMENT_IDS } from "./garments";
export type { Closure, Shape } from "./garment";
export { DIRECTIONS, directionsBetween, headDirections } from "./headDirections";
export { type Judged, type Step, stepOf } from "./judgement";
export { NECKLINES, NECKLINE_IDS } from "./necklines";
export { cautionsOf, type Option } from "./options";
export {
  FIRST_PERFORMANCE,
  FITS,
  HAIRS,
  HeightM,
  INTRUSIONS,
  INTRUSION_NAMES,
  Layer,
  LOWERS,
  MAX_LAYERS,
  OPENINGS,
  Outfit,
  Performance,
  Person,
  usualLayer,
  type Action,
  type Answer,
  type Facing,
  type Fit,
  type Hair,
  type Intrusion,
  type Lower,
  type Opening,
  type Shade,
  type Shot,
  type Side,
  type Water,
  type CarriedPack,
} from "./outfit";
export { EXTENSION_M, LOWER_FACTS, lowerOf, PACK_PLACES, packRefusal, type PackPlan } from "./packPlaces";
export {
  SCHOOL_POINTS,
  candidateOf,
  costAt,
  levelAtTurn,
  bestAt,
  planDress,
  ranksUnder,
  reweigh,
  suggestionOf,
  type Candidate,
  type DressPlan,
  type RankedPlace,
  type RuledOut,
} from "./planDress";
export type { AntennaCode, BareDress, DressCatalogue, DressMessage, Spot } from "./messages";
export { DressReason, type ReasonCatalogue } from "./reasons";
export { recipeFor, type Recipe } from "./recipe";
export { usualEffort } from "./sceneFacts";
export { selfPlacementSteps } from "./selfPlacement";
export { sitePoint, type Site, type SiteId } from "./sites";
export { SUPPLIES, SUPPLY_IDS, type SupplyId } from "./supplies";
export { whatWouldHelp, type Possibility } from "./whatIf";
export { WIND_COVERS } from "./windCover";
