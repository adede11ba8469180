/**
 * Time: clock times, when noises and scenes overlap, the best order of a day, Poisson arrivals.
 */
export {
  bestOrder,
  recordAt,
  type DayOrder,
  type PlacedScene,
  type ScheduleCatalogue,
  type SceneWish,
} from "./bestOrder";
export { ClockTime, MINUTES_A_DAY, isClockTime, minutesOfDay, timeOfDay } from "./clockTime";
export { interruptionsOf, type Interruptions } from "./interruptions";
export { gapsBetween, lengthOf, overlaps, type Interval } from "./intervals";
