/**
 * Lists for the edit: which sound lies under which picture, as lines and as a document that editing programs open. It knows
 * names, times and frames, nothing of files or of how they were matched.
 */
export type { CutList, Mark, MatchedPicture, MatchedSound, SoundCut } from "./cutList";
export { cutEdlOf, edlOf } from "./edl";
export { cutOtioOf, otioOf } from "./otio";
