/**
 * Devices as pure state machines, what they show and give, the pairing walk, faults, and the finder of faults.
 */
export { FAULTS, FAULT_IDS, withFaults } from "./faults";
export { causeWords, diagnose, symptomsThatCanBe, type Story } from "./finder";
export { genericSetup } from "./genericSetup";
export { hear, type Heard, type Stimulus } from "./hear";
export type { Knob, Machine, Setting } from "./machine";
export { heardWords, hideFaults } from "./practice";
export { PROBE_IDS, probeOf, type ProbeId } from "./probes";
export { recorderOf } from "./recordingDevices";
export {
  Rehearsal,
  allRight,
  devicesOf,
  fromTheBag,
  later,
  machineOf,
  targetOf,
  turnKnob,
  type DeviceId,
} from "./rehearsal";
export { gainWords, setupOf, type RightSettings, type Setup } from "./setup";
export { STEP_IDS, signatureOf, stepsOf, type StepId } from "./steps";
export { SYMPTOMS, SYMPTOM_IDS, symptomsOf, type Symptom } from "./symptoms";
export { devicesAt, doStep, missingAt, stepWords } from "./walk";
