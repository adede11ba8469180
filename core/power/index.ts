/**
 * Batteries: hours from cells, temperature and load, and when they are changed.
 */
export { Battery, CHEMISTRIES, CHEMISTRY_NAMES, USUAL_BATTERIES, wattsFor } from "./cells";
export { cellsForDay, planDayPower, type SwapPlan } from "./swaps";
