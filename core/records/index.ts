/**
 * Schemas of everything that is stored, one file a record; commands and patches; lists of one shoot. It knows what a
 * record may hold, and computes nothing of it.
 */
export { AudioFile, audioFileOf, isSameFile, type FileContent } from "./audioFile";
export {
  CEILING_RANGE_DBFS,
  LENGTH_RANGE_MIN,
  TAKE_RANGE_MIN,
  TARGET_RANGE_DBFS,
  THREADS,
  VOICE_RANGE_DB,
} from "./bounds";
export { LISTED_KINDS, LISTS, bundleOf, type Listed } from "./bundle";
export { Command, Commands, type Change, type Changes, type FieldFault, type Outcome } from "./commands";
export { dependsOn, namedBy } from "./dependence";
export { inShapeNow } from "./earlierShapes";
export { answeredConsent } from "./consent";
export { emptyShoot } from "./emptyShoot";
export type { FaultMessage, RecordCatalogue } from "./messages";
export { newScene } from "./newScene";
export { fieldChanges, joined, overlaid, sameValue, withChanges, type FieldChange, type FieldConflict } from "./patch";
export {
  AirBody,
  BIT_DEPTHS,
  ConnectionBody,
  Consent,
  DELIVERY_FORMATS,
  DeliveryBody,
  FRAME_RATES,
  KitItemBody,
  LevelLine,
  LevelsBody,
  LONGEST_SLATE,
  MarkBody,
  MatchBody,
  SetTo,
  MeasurementBody,
  PackingBody,
  PickupBody,
  PlaceBody,
  ProvisionBody,
  RECORD_SCHEMAS,
  RigBody,
  RollBody,
  RollFile,
  RollSetupBody,
  RollTrack,
  SAMPLE_RATES_HZ,
  SceneBody,
  ShootBody,
  StepDone,
  TakeDetailBody,
  WearerBody,
  type RecordBodies,
  type RecordKind,
  type ShootBundle,
  type Stored,
} from "./records";
export { BELONGS, ONE_FOR, REFERENCES, belongings } from "./references";
export { rememberReads } from "./rememberReads";
export { asNewShoot, readShootFile, SHOOT_FILE, shootFileOf, type FiledRecord, type ShootFile } from "./shootFile";
export { rigsOfScene, rigsOfWearer, scenesInOrder } from "./sceneOrder";
