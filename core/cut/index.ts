/**
 * Cutting down what was said: phrases, what happens in their pauses, sentences begun again, and the list of what stays. It knows
 * samples and phrases; nothing is destroyed.
 */
export { falseStarts, likenessOf } from "./falseStarts";
export { lookAtPauses, type Pause, type PauseEvent } from "./pauses";
export { CutPlan, lengthOf, proposedCut, segmentsOf, type Segment } from "./plan";
export { renderCut } from "./renderCut";
