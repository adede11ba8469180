/** Troubles as they are told, with what a recordist would think of first, and what does not hold of the program's answer. */
import { HELD_OUT, TUNED } from "./troubles";

export { troubleFaults } from "./troubleFaults";
export const TROUBLES = [...TUNED, ...HELD_OUT];
