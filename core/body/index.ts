/**
 * A person as lengths and points: where places on the body are, how the head turns, how long a cable is between two of them.
 */
export {
  CAPSULE_SLACK_M,
  LOOP_DIAMETER_M,
  PACK_PLACE_IDS,
  PACK_SLACK_M,
  planCable,
  type CablePlan,
  type CableRoute,
  type PackPlaceId,
} from "./cableRoute";
export { HEAD_TURN_LIMIT_DEG, seenFromMouth, turnWithHead, turnedMouth } from "./headTurn";
export { HALF_SHOULDER_SHARE, HEIGHT_SHARE, bodyScale, type Point } from "./landmarks";
