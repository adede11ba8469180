import type { InputId, SourceId } from "../../devices";
import type { FaultId } from "../faults";
import type { ProbeId } from "../probes";
import type { Symptom } from "../symptomIds";

/** A trouble as it is told, and what a recordist would think of first. Common practice throughout. */
export interface Trouble {
  name: string;
  why: string;
  on: { source: SourceId; input: InputId };
  symptom: Symptom;
  /** Causes that must be among the first three. */
  thinksOf?: readonly FaultId[];
  /** Causes that must be named at all. */
  names?: readonly FaultId[];
  /** Causes that must not be named. */
  never?: readonly FaultId[];
  /** What is tried first: one of these. */
  tries?: readonly ProbeId[];
  /** What was answered, and the one cause that is left. */
  then?: { answers: Partial<Record<ProbeId, string>>; is: FaultId };
}

const RADIO = { source: "receiver", input: "recorder35" } as const;
const XLR = { source: "micPhantom", input: "recorderXlr" } as const;
const PHONE = { source: "lavSelf", input: "phone" } as const;
const LAPTOP = { source: "lavSelf", input: "computerMic" } as const;
const HOUSE = { source: "deskXlr", input: "recorderSwitched" } as const;

/** The half that the causes were weighed with. */
export const TUNED: readonly Trouble[] = [
  {
    name: "distorted on loud lines, the recorder's meter is low",
    why: "the pack or the capsule overloads before the recorder",
    on: RADIO,
    symptom: "distortedLow",
    thinksOf: ["sensitivityHigh", "capsuleOverload"],
  },
  {
    name: "hum that grows with the charger in, a laptop",
    why: "the charger, or a loop over two mains plugs",
    on: LAPTOP,
    symptom: "chargerHum",
    thinksOf: ["charger", "earthLoop"],
    tries: ["tryCharger"],
    then: { answers: { tryCharger: "yes", tryEarthLoop: "no" }, is: "charger" },
  },
  {
    name: "crackle when they move",
    why: "cloth first, then the cable, then the plugs",
    on: RADIO,
    symptom: "crackleMoves",
    thinksOf: ["clothRubs", "cableWorn", "plugLoose"],
    tries: ["tryClothRubs"],
    then: { answers: { tryClothRubs: "yes" }, is: "clothRubs" },
  },
  {
    name: "drop-outs at a distance",
    why: "distance, a body between, antennas, the battery",
    on: RADIO,
    symptom: "dropFar",
    names: ["tooFar", "bodyBetween", "antennaBent", "receiverHidden", "batteryLow"],
  },
  {
    name: "drop-outs when they turn",
    why: "the body stands between",
    on: RADIO,
    symptom: "dropTurns",
    thinksOf: ["bodyBetween"],
    never: ["batteryLow"],
  },
  {
    name: "an echo in the headphones only",
    why: "monitoring delay; the recording is clean",
    on: LAPTOP,
    symptom: "echoPhones",
    thinksOf: ["monitorDelay"],
    never: ["feedReturned"],
  },
  {
    name: "an echo in the recording of a house feed",
    why: "what is recorded comes back",
    on: HOUSE,
    symptom: "echo",
    thinksOf: ["feedReturned"],
  },
  {
    name: "distant, an XLR mic",
    why: "a side-address mic is spoken into at its end, or it has slipped",
    on: XLR,
    symptom: "far",
    names: ["fromItsEnd", "slipped", "twoOpen"],
  },
  {
    name: "sound drifts away over a take",
    why: "two clocks",
    on: RADIO,
    symptom: "drifts",
    thinksOf: ["clocksApart"],
  },
  {
    name: "the noise rises in every pause, a phone",
    why: "automatic level or noise suppression",
    on: PHONE,
    symptom: "pumping",
    thinksOf: ["suppression"],
  },
  {
    name: "hum from a house desk",
    why: "two earths: an isolating transformer, never a lifted earth",
    on: HOUSE,
    symptom: "buzz",
    thinksOf: ["earthLoop"],
  },
  {
    name: "hiss, a wireless",
    why: "too little at the pack, made up for at the end",
    on: RADIO,
    symptom: "hiss",
    names: ["sensitivityLow"],
  },
  {
    name: "it stops by itself, a phone",
    why: "it falls asleep, or the storage is full",
    on: PHONE,
    symptom: "stops",
    names: ["fallsAsleep", "full"],
  },
];

/** Written at the same time, looked at afterwards. */
export const HELD_OUT: readonly Trouble[] = [
  {
    name: "buzz near a phone",
    why: "the phone, or a screen that is open",
    on: XLR,
    symptom: "phoneBuzz",
    thinksOf: ["phoneNear", "shieldOpen"],
    tries: ["tryPhoneNear"],
  },
  {
    name: "crackle all the time",
    why: "a plug or a cable; cloth is not always there",
    on: XLR,
    symptom: "crackle",
    thinksOf: ["cableWorn", "plugLoose"],
    never: ["clothRubs"],
  },
  {
    name: "boomy, a hidden lav",
    why: "under the chin, a covered port, no low cut",
    on: RADIO,
    symptom: "boomy",
    names: ["underChin", "portCovered", "lowCutOff"],
    never: ["tooClose"],
  },
  {
    name: "boomy, an XLR mic",
    why: "too close",
    on: XLR,
    symptom: "boomy",
    thinksOf: ["tooClose"],
    never: ["underChin"],
  },
  {
    name: "thin, two mics on one voice",
    why: "one is inverted",
    on: XLR,
    symptom: "thin",
    thinksOf: ["inverted"],
  },
  {
    name: "sound late against the picture",
    why: "a digital link or a mixer delays it",
    on: { source: "receiverUsb", input: "phoneData" },
    symptom: "late",
    names: ["soundDelayed", "pictureDelayed"],
  },
  {
    name: "the wrong mic is recorded, a phone",
    why: "its own mic: the adapter or the app's choice",
    on: PHONE,
    symptom: "wrongMic",
    names: ["wrongAdapter", "unplugged"],
  },
  {
    name: "it stops by itself, a recorder",
    why: "a slow card, a full one, a limit of size",
    on: RADIO,
    symptom: "stops",
    names: ["cardSlow", "full", "sizeLimit"],
    never: ["fallsAsleep"],
  },
  {
    name: "nothing at all, a wireless",
    why: "battery, mute, plug, frequency: what is quick to see first",
    on: RADIO,
    symptom: "nothing",
    thinksOf: ["flatPack", "muted", "unplugged"],
  },
  {
    name: "nothing at all, a condenser",
    why: "phantom power",
    on: { source: "micPhantom", input: "recorderSwitched" },
    symptom: "nothing",
    names: ["phantomOff", "unplugged"],
  },
  {
    name: "on one side only",
    why: "the wrong cable",
    on: RADIO,
    symptom: "oneSide",
    names: ["wrongAdapter"],
  },
  {
    name: "always distorted, a desk's line into a recorder",
    why: "a line into a mic input",
    on: HOUSE,
    symptom: "distortedAlways",
    names: ["micForLine"],
  },
];
