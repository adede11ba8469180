/**
 * Sound as figures: decibels, octaves, weighting, distance, exposure.
 */
export { ROOM_AIR, airEnergyLossPerM, speedOfSoundMps, type Air } from "./air";
export {
  PASCAL_SPL_DB,
  SINE_CREST_DB,
  amplitudeToDb,
  dbToPower,
  dbuToVolts,
  dbvToDbu,
  meanSquareToDbfs,
  minus,
  powerToDb,
  sumLevelsDb,
} from "./decibel";
export { exposureOf, type Exposure, type ExposureCatalogue, type ExposureMessage } from "./exposure";
export {
  A_WEIGHTING_DB,
  OCTAVES_HZ,
  aWeightedDb,
  addOctaves,
  mapOctaves,
  overallDb,
  shiftOctaves,
  whiteNoiseDb,
  type OctaveLevels,
} from "./octaves";
