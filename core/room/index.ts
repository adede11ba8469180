/**
 * A place as shape, materials and furniture: reverberation, critical distance, forecast and clap, treatment.
 */
export { analyseClap, type ClapResult } from "./clap";
export { clarityC50Db, octaveTransferIndex, speechTransmissionIndex } from "./clarity";
export { FURNISHINGS, FURNISHING_IDS, furnishingWords, type FurnishingId } from "./furnishings";
export { MATERIALS, MATERIAL_IDS, ROOM_OCTAVES_HZ, isHard, type MaterialId } from "./materials";
export { MeasuredDecay, MeasuredEcho, echoFrom } from "./measuredEcho";
export { NC_NUMBERS, type NcNumber, ncOctavesDb, roomNoiseDb } from "./noiseCriteria";
export {
  TALKER_Q,
  baseNoiseDb,
  forecastPlace,
  midOf,
  noiseReverberance,
  noisesOf,
  partsOf,
  plannedEcho,
  reverberantDb,
  type PlaceForecast,
} from "./place";
export { Patch, PlaceModel, SETTINGS, Treatment, airOf, fitted, placeFaults } from "./placeModel";
export { SURFACE_NAMES, isInside, surfaceAreaM2, surfacesOf, wallsOf, type Shape, type SurfaceId } from "./shape";
export { piecesOf, planTreatments, rankTreatments, withTreatment, type TreatmentGain } from "./treat";
export { CAR, LIVING_ROOM } from "./usualPlaces";
export { ECHO_LIMITS_S } from "./roomVerdict";
export type { Grade } from "./roomVerdict";
export { ClapRemark, type Pieces, type RoomCatalogue, type RoomMessage } from "./messages";
