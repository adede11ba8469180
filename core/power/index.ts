/**
 * Batteries: hours from cells, temperature and load, and when they are changed.
 */
export { Battery, CHEMISTRIES, USUAL_BATTERIES, wattsFor, type Chemistry } from "./cells";
export { cellsForDay, planDayPower, type CellCount, type SwapPlan } from "./swaps";
export type { PowerCatalogue, PowerMessage } from "./messages";
