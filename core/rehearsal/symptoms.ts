import { FLAWS } from "./flaws";
import { hear } from "./heardOnPath";
import type { Rehearsal } from "./rehearsal";
import type { SignalPath } from "./signalPath";
import { SYMPTOM_IDS, type Symptom } from "./symptomIds";

/** Peaks of the loudest line below this are called quiet, dBFS; less over the electronics' noise than this hisses, dB. Common practice. */
const QUIET_DBFS = -30;
const HISS_DB = 55;
/** A recorder's meter that stays below this shows no overload, dBFS. Common practice. */
const CLIPPED_DBFS = -1;

/** A line so much softer than the loudest is an ordinary one, dB. Common practice. */
const ORDINARY_DB = 15;
const softer = (setup: SignalPath): SignalPath => ({
  ...setup,
  modulationDb: setup.modulationDb - ORDINARY_DB,
  source: { ...setup.source, loudestDbu: setup.source.loudestDbu - (setup.system ? 0 : ORDINARY_DB) },
});

/** Everything that would be noticed on a link as it stands; empty when all is well. */
export function symptomsOf(setup: SignalPath, rehearsal: Rehearsal): Symptom[] {
  const heard = hear(setup, rehearsal, "line");
  const peak = Math.max(heard.leftDbfs ?? -Infinity, heard.rightDbfs ?? -Infinity);
  const isThere = peak > -Infinity;
  const found: Partial<Record<Symptom, boolean>> = {
    nothing: !isThere && !heard.isBuzzing,
    far: isThere && (heard.from === "device" || (heard.from === "mic" && rehearsal.isSlipped)),
    quiet: isThere && heard.from === "mic" && peak < QUIET_DBFS,
    distorted: heard.isClipped,
    hiss: isThere && heard.from === "mic" && heard.overNoiseDb < HISS_DB,
    strangers: heard.from === "strangers",
    oneSide: isThere && (heard.leftDbfs === null) !== (heard.rightDbfs === null),
    hollow: heard.isHollow,
    buzz: heard.isBuzzing,
    pumping: heard.isPumping,
    notKept: !heard.isRolling,
    dead: rehearsal.recorder?.isHold === true && rehearsal.recorder.isOn,
    follows: rehearsal.recorder?.isLinked === true,
    // Overloaded before the recorder: its own meter does not show it.
    distortedLow: heard.isClipped && peak < CLIPPED_DBFS,
    distortedAlways: heard.isClipped && hear(softer(setup), rehearsal, "line").isClipped,
    wrongMic: isThere && heard.from === "device",
    stops: !heard.isRolling,
  };
  const flawed = new Set<Symptom>((rehearsal.flaws ?? []).flatMap((id) => FLAWS[id].shows));
  return SYMPTOM_IDS.filter((id) => found[id] === true || flawed.has(id));
}
