/**
 * Files, cards and tape: sizes, lengths, when a card is full, which format a delivery asks for.
 */
export { planCards, type CardPlan, type Rolling } from "./cardPlan";
export {
  bytesPerS,
  FILE_LIMITS,
  SPLITS_BYTES,
  SoundFormat,
  adviseFormat,
  channelMessage,
  compressionMessage,
  gigabytesPerH,
  minutesIn,
  minutesOnCard,
  splitOf,
  takeName,
  type FileLimit,
  type FileSplit,
  type FormatAdvice,
} from "./soundFormat";
export { REEL_FEET, TAPE_IPS, tapeMessage, type Reel, type TapeThickness } from "./tape";
export type { MediaCatalogue, MediaMessage } from "./messages";
