/** What is to be joined, with what a recordist takes for it, and what does not hold of the program's answer. */
import { HELD_OUT, TUNED } from "./cables";

export { cableFaults } from "./cableFaults";
export const CABLES = [...TUNED, ...HELD_OUT];
