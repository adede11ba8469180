/**
 * The live meter, trial and tap test: readings from blocks of samples as they come.
 */
export { liveMeter, type LiveMeter, type MeterReading } from "./liveMeter";
export { feedWatch, type FeedWatch, type HeardEvent } from "./feedWatch";
export { findTaps, judgeTaps, type Taps } from "./tapTest";
export { TRIAL_STEPS, adviseTrial, stepOf, type TrialStep } from "./trial";
export type { MeterCatalogue, MeterMessage } from "./messages";
