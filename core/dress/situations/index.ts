/** Outfits and scenes with what a recordist would say first, and what does not hold of the program's answer. */
import { MORE_HELD_OUT, MORE_TUNED } from "./moreOutfits";
import { HELD_OUT, TUNED } from "./outfits";

export { outfitFaults } from "./outfitFaults";
export const OUTFITS = [...TUNED, ...HELD_OUT, ...MORE_TUNED, ...MORE_HELD_OUT];
