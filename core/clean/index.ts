/**
 * Cleaning: what findings ask for and no more, each with its amount from what was measured; the recording stays as it is, what
 * comes out is a new one. It knows samples and findings, no files and no stations.
 */
export { evenOutFor, guessesFor, lookCloser, planCleaning, treatmentsFor, type CloserLook } from "./asked";
export { cleanWav, type OnPlanes } from "./cleanWav";
export { fillIn } from "./fillIn";
export { mainsHumIn, type MainsHum } from "./mains";
export { treatmentMessage, type CleanCatalogue, type CleanMessage } from "./messages";
export { CleaningPlan, Treatment, TREATMENT_ORDER, type TreatmentKind } from "./treatments";
