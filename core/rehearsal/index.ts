/**
 * Devices as pure state machines, what they show and give, the pairing walk, faults, and the finder of faults.
 */
export { FAULT_IDS, withFaults, type FaultId } from "./faults";
export { causeMessages, diagnose, faultMessage, symptomsThatCanBe, type Story } from "./finder";
export { genericSetup } from "./genericSetup";
export { hear, type Heard, type Stimulus } from "./heardOnPath";
export type { Knob, Machine, Setting } from "./machine";
export { heardMessage, hideFaults } from "./practice";
export { questionOf, type RehearsalCatalogue } from "./messages";
export { PROBE_IDS, probeOf, type Answer, type ProbeId } from "./probes";
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
export { gainMessages, setupOf, type RightSettings, type SignalPath } from "./signalPath";
export { STEP_IDS, signatureOf, stepsOf, type StepId } from "./steps";
export { SYMPTOM_IDS, type Symptom } from "./symptomIds";
export { symptomsOf } from "./symptoms";
export { devicesAt, doStep, missingAt, stepMessages } from "./walk";
