import { minus } from "../sound";
import { hear } from "./hear";
import { leadsOf, targetOf, turnKnob, type Rehearsal } from "./rehearsal";
import type { Setup } from "./setup";

/** Something to try or to look at, whose answer tells causes apart. */
export interface Probe {
  asks: (setup: Setup) => string;
  answers: Record<string, string>;
  /** How long it takes, s. Estimate. */
  costS: number;
  /** What the devices would answer; null where the link has no such thing. */
  answer: (setup: Setup, rehearsal: Rehearsal) => string | null;
}

const target = (setup: Setup, rehearsal: Rehearsal) => rehearsal[targetOf(setup)] as Record<string, unknown>;
const louder = (one: number | null, other: number | null): boolean => (one ?? -Infinity) > (other ?? -Infinity) + 3;
const YES_NO = { yes: "Yes", no: "No" };
const yesNo = (is: boolean): string => (is ? "yes" : "no");
/** A switch of the target, where it has one. */
const switched = (setup: Setup, rehearsal: Rehearsal, key: string): string | null => {
  const value = target(setup, rehearsal)[key];
  return typeof value === "boolean" ? yesNo(value) : null;
};
/** How far the gain is turned down to see whether it still distorts, dB. */
const LESS_DB = 40;

export const PROBES = {
  taps: {
    asks: ({ input }) => `Tap the mic, then the ${input.name.split(",")[0]}: which is louder?`,
    answers: { mic: "The mic", device: "The device", neither: "Neither" },
    costS: 4,
    answer: (setup, rehearsal) => {
      if (setup.source.kind === "desk" || setup.source.kind === "speaker") return null;
      const [mic, device] = (["tapMic", "tapDevice"] as const).map((tap) => hear(setup, rehearsal, tap).leftDbfs);
      return louder(mic!, device!) ? "mic" : louder(device!, mic!) ? "device" : "neither";
    },
  },
  packLamp: {
    asks: () => "Is the pack's lamp lit?",
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => (rehearsal.pack ? yesNo(hear(setup, rehearsal, "silence").packLamp) : null),
  },
  muteShown: {
    asks: () => "Does the pack show that it is muted?",
    answers: YES_NO,
    costS: 8,
    answer: (_, { pack }) => (pack && pack.isOn && pack.batteryPercent > 0 ? yesNo(pack.isMuted) : pack ? "no" : null),
  },
  receiverLit: {
    asks: () => "Does the receiver's display light up?",
    answers: YES_NO,
    costS: 4,
    answer: (_, { receiver }) => (receiver ? yesNo(receiver.isOn && receiver.batteryPercent > 0) : null),
  },
  receiverLamp: {
    asks: () => "Is the receiver's RF lamp lit?",
    answers: YES_NO,
    costS: 4,
    answer: (setup, rehearsal) => (rehearsal.receiver ? yesNo(hear(setup, rehearsal, "silence").receiverLamp) : null),
  },
  lampWithoutPack: {
    asks: () => "Switch the pack off: is the receiver's RF lamp still lit?",
    answers: YES_NO,
    costS: 15,
    answer: (setup, rehearsal) => {
      if (!rehearsal.pack) return null;
      const without = { ...rehearsal, pack: { ...rehearsal.pack, isOn: false } };
      return yesNo(hear(setup, without, "silence").receiverLamp);
    },
  },
  frequencies: {
    asks: () => "Read the frequency on pack and receiver: the same?",
    answers: YES_NO,
    costS: 12,
    answer: ({ system }, { pack, receiver }) =>
      pack && receiver && system?.band === "uhf"
        ? yesNo(Math.abs(pack.frequencyMHz - receiver.frequencyMHz) < 0.001)
        : null,
  },
  receiverSound: {
    asks: () => "The loudest line: what does the receiver's own meter do?",
    answers: { still: "Stands still", moves: "Moves", over: "Hits the end" },
    costS: 8,
    answer: (setup, rehearsal) => (rehearsal.receiver ? hear(setup, rehearsal, "line").receiverSound : null),
  },
  sensitivity: {
    asks: ({ right }) => `Does the pack's sensitivity stand at ${minus(right.sensitivityDb)} dB?`,
    answers: YES_NO,
    costS: 14,
    answer: ({ right }, { pack }) => (pack ? yesNo(pack.sensitivityDb === right.sensitivityDb) : null),
  },
  output: {
    asks: ({ right }) => `Does the receiver's output stand at ${minus(right.outputDb)} dB?`,
    answers: YES_NO,
    costS: 8,
    answer: ({ right }, { receiver }) => (receiver ? yesNo(receiver.outputDb === right.outputDb) : null),
  },
  send: {
    asks: () => "Ask the desk: is your send open, and at 0 dB?",
    answers: { yes: "Yes", muted: "It is muted", down: "It is down" },
    costS: 40,
    answer: (_, { houseDesk }) =>
      houseDesk ? (houseDesk.isMuted ? "muted" : houseDesk.sendDb < -3 ? "down" : "yes") : null,
  },
  meter: {
    asks: ({ input }) => `The loudest line: does the meter of the ${input.name} move?`,
    answers: { both: "Yes", left: "On one side", no: "No" },
    costS: 6,
    answer: (setup, rehearsal) => {
      const { leftDbfs, rightDbfs } = hear(setup, rehearsal, "line");
      return leftDbfs === null && rightDbfs === null ? "no" : leftDbfs === null || rightDbfs === null ? "left" : "both";
    },
  },
  lit: {
    asks: () => "Does the recording device light up?",
    answers: YES_NO,
    costS: 3,
    answer: (setup, rehearsal) => {
      const state = target(setup, rehearsal);
      return yesNo(state["isOn"] === true && state["batteryPercent"] !== 0);
    },
  },
  time: {
    asks: () => "Does the time count?",
    answers: YES_NO,
    costS: 4,
    answer: (setup, rehearsal) => yesNo(hear(setup, rehearsal, "silence").isRolling),
  },
  storage: {
    asks: () => "Is there storage left?",
    answers: YES_NO,
    costS: 6,
    answer: (setup, rehearsal) => {
      const left = target(setup, rehearsal)["storageMb"];
      return typeof left === "number" ? yesNo(left > 0) : null;
    },
  },
  mode: {
    asks: () => "Does its display say that it is an audio interface?",
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => switched(setup, rehearsal, "isInterface"),
  },
  buttons: {
    asks: () => "Move any knob of the device: does it react?",
    answers: YES_NO,
    costS: 5,
    answer: (setup, rehearsal) => {
      if (!rehearsal.recorder) return null;
      const { isLowCutOn } = rehearsal.recorder;
      return yesNo(turnKnob(setup, rehearsal, "recorder", "isLowCutOn", !isLowCutOn).says === null);
    },
  },
  neighbour: {
    asks: () => "Turn this input's gain: does its neighbour's meter move too?",
    answers: YES_NO,
    costS: 10,
    answer: (setup, rehearsal) => (setup.input.canBeLinked ? yesNo(rehearsal.recorder?.isLinked === true) : null),
  },
  chosen: {
    asks: () => "What does its input menu say?",
    answers: { own: "Its own mic", external: "The socket" },
    costS: 15,
    answer: (setup, rehearsal) => {
      const { source } = target(setup, rehearsal);
      return typeof source === "string" ? source : null;
    },
  },
  seated: {
    asks: () => "Push the plug in: was it in until the click?",
    answers: YES_NO,
    costS: 8,
    answer: (_, { isPlugged }) => yesNo(isPlugged),
  },
  spareLead: {
    asks: () => "Take the spare lead: does it come now?",
    answers: YES_NO,
    costS: 25,
    answer: (setup, rehearsal) =>
      setup.way.length === 0
        ? null
        : yesNo(rehearsal.isLeadBroken && hear(setup, { ...rehearsal, isLeadBroken: false }, "line").leftDbfs !== null),
  },
  place: {
    asks: () => "Look at the mic: is it where it was put?",
    answers: YES_NO,
    costS: 20,
    answer: (setup, rehearsal) =>
      setup.source.kind === "desk" || setup.source.kind === "speaker" ? null : yesNo(!rehearsal.isSlipped),
  },
  pull: {
    asks: () => "Pull the plug at the device: does anything change?",
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => {
      const [with_, without] = [rehearsal, { ...rehearsal, isPlugged: false }].map((each) => hear(setup, each, "line"));
      return yesNo(
        with_!.from !== without!.from ||
          with_!.leftDbfs !== without!.leftDbfs ||
          with_!.isBuzzing !== without!.isBuzzing,
      );
    },
  },
  leads: {
    asks: ({ way }) =>
      way.length > 0
        ? `Look at the lead: is it the ${way.map(({ name }) => name).join(", then the ")}?`
        : "Is it plugged straight in?",
    answers: YES_NO,
    costS: 10,
    answer: (setup, rehearsal) => {
      const [is, meant] = [leadsOf(setup, rehearsal), setup.way].map((parts) => parts.map(({ id }) => id).join());
      return yesNo(is === meant);
    },
  },
  lessGain: {
    asks: () => `Turn the device's gain down: does it still distort?`,
    answers: YES_NO,
    costS: 10,
    answer: (setup, rehearsal) => {
      if (rehearsal.phone) return null;
      const lower = (state: object, key: string) =>
        key in state ? { ...state, [key]: (state as Record<string, number>)[key]! - LESS_DB } : state;
      const id = targetOf(setup);
      const turned = lower(lower(rehearsal[id]!, "gainDb"), "systemDb");
      return yesNo(hear(setup, { ...rehearsal, [id]: turned }, "line").isClipped);
    },
  },
  phantom: {
    asks: () => "Is phantom power on there?",
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) =>
      setup.input.phantom === "switched" ? switched(setup, rehearsal, "isPhantomOn") : null,
  },
  plugIn: {
    asks: () => "Is plug-in power on there?",
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => (setup.input.plugIn === "switched" ? switched(setup, rehearsal, "isPlugInOn") : null),
  },
  pad: {
    asks: () => "Is its pad on?",
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => switched(setup, rehearsal, "isPadOn"),
  },
  line: {
    asks: () => "Does the input stand at line?",
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => (setup.input.lineClipsDbu === null ? null : switched(setup, rehearsal, "isLine")),
  },
  channel: {
    asks: () => "Is the mixer's channel muted?",
    answers: YES_NO,
    costS: 5,
    answer: (_, { mixer }) => (mixer ? yesNo(mixer.isMuted) : null),
  },
  auto: {
    asks: () => "Is automatic level on?",
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => switched(setup, rehearsal, "isAutoLevelOn"),
  },
  gain: {
    asks: ({ right }) => `Does the gain stand near ${minus(right.gainDb)} dB?`,
    answers: { near: "Yes", low: "Lower", high: "Higher" },
    costS: 8,
    answer: (setup, rehearsal) => {
      const state = target(setup, rehearsal);
      if (!("gainDb" in state) && !("boostDb" in state)) return null;
      const stands =
        "gainDb" in state
          ? Number(state["gainDb"])
          : Number(state["boostDb"]) + Number(state["systemDb"]) + Number(state["trimDb"]);
      return stands < setup.right.gainDb - 6 ? "low" : stands > setup.right.gainDb + 6 ? "high" : "near";
    },
  },
} as const satisfies Record<string, Probe>;
export type ProbeId = keyof typeof PROBES;
export const PROBE_IDS = Object.keys(PROBES) as ProbeId[];

export const probeOf = (id: ProbeId): Probe => PROBES[id];
