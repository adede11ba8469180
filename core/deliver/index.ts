/**
 * Delivering: tracks mixed or as they are, brought to a loudness, true peaks held. It knows samples and targets, no files.
 */
export { alignedTracks, tracksApart, type TrackApart } from "./apart";
export { channelsOf, deliverWav, type Delivered, type Mix, type MixTrack } from "./deliverWav";
export { limiterFor, type Limiter } from "./limiter";
export { apartMessage, deliveryMessage, type DeliverCatalogue, type DeliverMessage } from "./messages";
export { settledMix } from "./settle";
export {
  deliveryGain,
  LOUDNESS_TARGETS,
  type DeliveryGain,
  type LoudnessTarget,
  type LoudnessTargetId,
  type ProgrammeLevels,
} from "./targets";
