/**
 * Levels from a voice to a file: stages with gains, clips and noise; the settings that serve best, what happens at them,
 * and what cures what is wrong.
 */
export { bestSettings, compareCosts, type Targets } from "./bestSettings";
export { deviceFaults } from "./deviceFaults";
export { Dynamics, SAFETY_OFFSETS_DB, USUAL_DYNAMICS, settledDbfs, squeeze } from "./dynamics";
export { combinationsOf, costOfSettings, leastCost } from "./everyCombination";
export { LEVEL_UNCERTAINTY_DB, NOISE_UNCERTAINTY_DB, followChain, planLevels } from "./followChain";
export { LevelAdvice, NOISE_ORIGINS, type ChainCatalogue, type ChainMessage, type NoiseOrigin } from "./messages";
export { whole } from "./levelAdvice";
export type { LevelPlan, StageLevels } from "./levelPlan";
export { SCHOOLS, targetsOf, type School } from "./schools";
export { PEAK_OVER_SINE_DB, peakOf, soundAt, soundOfFeed, voicesThrough, type SoundIn } from "./soundIn";
export { KNOB_IDS, plainStage, stepsBetween, withKnob, type Chain, type ChainStage, type KnobId } from "./stage";
export { stagesOfWay, type MicLevels, type RadioLevels, type Way } from "./wayStages";
