/** People in places with what a recordist would put up first, and what does not hold of the program's answer. */
import { HELD_OUT, TUNED } from "./pickups";

export { pickupFaults } from "./pickupFaults";
export const PICKUPS = [...TUNED, ...HELD_OUT];
