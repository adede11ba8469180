import type { StationId } from "../../core/board";
import type { StepId } from "../../core/rehearsal";

/** What each station answers. */
export const STATION_QUESTIONS: Record<StationId, string> = {
  scout: "What will the place do to the voice?",
  pickup: "Which microphone, and where?",
  dress: "Where does the mic go?",
  link: "Which frequencies, which cable?",
  level: "What do I set?",
  roll: "What did we record?",
  check: "Is this take good?",
  handover: "How does it reach the edit?",
};

/** What each step of pairing is called. */
export const STEP_NAMES: Record<StepId, string> = {
  reset: "Reset",
  scan: "Scan",
  bank: "Tune",
  sync: "Sync",
  confirm: "Confirm",
  connect: "Connect",
  unlink: "Unlink",
  arm: "Arm",
  tap: "Tap",
  line: "Loudest line",
};
