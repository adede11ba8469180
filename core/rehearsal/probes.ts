import { isFeed } from "../devices";
import { FLAW_IDS, FLAWS, tryOf, type FlawProbeId } from "./flaws";
import { hear } from "./heardOnPath";
import { leadsOf, targetOf, turnKnob, type Rehearsal } from "./rehearsal";
import type { SignalPath } from "./signalPath";

/** Answers that probes have. */
export const ANSWERS = [
  "yes",
  "no",
  "mic",
  "device",
  "neither",
  "still",
  "moves",
  "over",
  "muted",
  "down",
  "both",
  "left",
  "own",
  "external",
  "near",
  "low",
  "high",
] as const;
export type Answer = (typeof ANSWERS)[number];

/** Something to try or to look at, whose answer tells causes apart. */
export interface Probe {
  answers: readonly Answer[];
  /** How long it takes, s. Estimate. */
  costS: number;
  /** What the devices would answer; null where the link has no such thing. */
  answer: (setup: SignalPath, rehearsal: Rehearsal) => Answer | null;
}

const target = (setup: SignalPath, rehearsal: Rehearsal) => rehearsal[targetOf(setup)] as Record<string, unknown>;
const louder = (one: number | null, other: number | null): boolean => (one ?? -Infinity) > (other ?? -Infinity) + 3;
const YES_NO = ["yes", "no"] as const;
const yesNo = (is: boolean): Answer => (is ? "yes" : "no");
/** A switch of the target, where it has one. */
const switched = (setup: SignalPath, rehearsal: Rehearsal, key: string): Answer | null => {
  const value = target(setup, rehearsal)[key];
  return typeof value === "boolean" ? yesNo(value) : null;
};
/** How far the gain is turned down to see whether it still distorts, dB. */
const LESS_DB = 40;

export const PROBES = {
  taps: {
    answers: ["mic", "device", "neither"],
    costS: 4,
    answer: (setup, rehearsal) => {
      if (isFeed(setup.source)) return null;
      const [mic, device] = (["tapMic", "tapDevice"] as const).map((tap) => hear(setup, rehearsal, tap).leftDbfs);
      return louder(mic!, device!) ? "mic" : louder(device!, mic!) ? "device" : "neither";
    },
  },
  packLamp: {
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => (rehearsal.pack ? yesNo(hear(setup, rehearsal, "silence").packLamp) : null),
  },
  muteShown: {
    answers: YES_NO,
    costS: 8,
    answer: (_, { pack }) => (pack && pack.isOn && pack.batteryPercent > 0 ? yesNo(pack.isMuted) : pack ? "no" : null),
  },
  receiverLit: {
    answers: YES_NO,
    costS: 4,
    answer: (_, { receiver }) => (receiver ? yesNo(receiver.isOn && receiver.batteryPercent > 0) : null),
  },
  receiverLamp: {
    answers: YES_NO,
    costS: 4,
    answer: (setup, rehearsal) => (rehearsal.receiver ? yesNo(hear(setup, rehearsal, "silence").receiverLamp) : null),
  },
  lampWithoutPack: {
    answers: YES_NO,
    costS: 15,
    answer: (setup, rehearsal) => {
      if (!rehearsal.pack) return null;
      const without = { ...rehearsal, pack: { ...rehearsal.pack, isOn: false } };
      return yesNo(hear(setup, without, "silence").receiverLamp);
    },
  },
  frequencies: {
    answers: YES_NO,
    costS: 12,
    answer: ({ system }, { pack, receiver }) =>
      pack && receiver && system?.band === "uhf"
        ? yesNo(Math.abs(pack.frequencyMHz - receiver.frequencyMHz) < 0.001)
        : null,
  },
  receiverSound: {
    answers: ["still", "moves", "over"],
    costS: 8,
    answer: (setup, rehearsal) => (rehearsal.receiver ? hear(setup, rehearsal, "line").receiverSound : null),
  },
  sensitivity: {
    answers: YES_NO,
    costS: 14,
    answer: ({ right }, { pack }) => (pack ? yesNo(pack.sensitivityDb === right.sensitivityDb) : null),
  },
  output: {
    answers: YES_NO,
    costS: 8,
    answer: ({ right }, { receiver }) => (receiver ? yesNo(receiver.outputDb === right.outputDb) : null),
  },
  send: {
    answers: ["yes", "muted", "down"],
    costS: 40,
    answer: (_, { houseDesk }) =>
      houseDesk ? (houseDesk.isMuted ? "muted" : houseDesk.sendDb < -3 ? "down" : "yes") : null,
  },
  meter: {
    answers: ["both", "left", "no"],
    costS: 6,
    answer: (setup, rehearsal) => {
      const { leftDbfs, rightDbfs } = hear(setup, rehearsal, "line");
      return leftDbfs === null && rightDbfs === null ? "no" : leftDbfs === null || rightDbfs === null ? "left" : "both";
    },
  },
  lit: {
    answers: YES_NO,
    costS: 3,
    answer: (setup, rehearsal) => {
      const state = target(setup, rehearsal);
      return yesNo(state["isOn"] === true && state["batteryPercent"] !== 0);
    },
  },
  time: {
    answers: YES_NO,
    costS: 4,
    answer: (setup, rehearsal) => yesNo(hear(setup, rehearsal, "silence").isRolling),
  },
  storage: {
    answers: YES_NO,
    costS: 6,
    answer: (setup, rehearsal) => {
      const left = target(setup, rehearsal)["storageMb"];
      return typeof left === "number" ? yesNo(left > 0) : null;
    },
  },
  mode: {
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => switched(setup, rehearsal, "isInterface"),
  },
  buttons: {
    answers: YES_NO,
    costS: 5,
    answer: (setup, rehearsal) => {
      if (!rehearsal.recorder) return null;
      const { isLowCutOn } = rehearsal.recorder;
      return yesNo(turnKnob(setup, rehearsal, "recorder", "isLowCutOn", !isLowCutOn).says === null);
    },
  },
  neighbour: {
    answers: YES_NO,
    costS: 10,
    answer: (setup, rehearsal) => (setup.input.canBeLinked ? yesNo(rehearsal.recorder?.isLinked === true) : null),
  },
  chosen: {
    answers: ["own", "external"],
    costS: 15,
    answer: (setup, rehearsal) => {
      const { source } = target(setup, rehearsal);
      return source === "own" || source === "external" ? source : null;
    },
  },
  seated: {
    answers: YES_NO,
    costS: 8,
    answer: (_, { isPlugged }) => yesNo(isPlugged),
  },
  spareLead: {
    answers: YES_NO,
    costS: 25,
    answer: (setup, rehearsal) =>
      setup.way.length === 0
        ? null
        : yesNo(rehearsal.isLeadBroken && hear(setup, { ...rehearsal, isLeadBroken: false }, "line").leftDbfs !== null),
  },
  place: {
    answers: YES_NO,
    costS: 20,
    answer: (setup, rehearsal) => (isFeed(setup.source) ? null : yesNo(!rehearsal.isSlipped)),
  },
  pull: {
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
    answers: YES_NO,
    costS: 10,
    answer: (setup, rehearsal) => {
      const [is, meant] = [leadsOf(setup, rehearsal), setup.way].map((parts) => parts.map(({ id }) => id).join());
      return yesNo(is === meant);
    },
  },
  lessGain: {
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
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) =>
      setup.input.phantom === "switched" ? switched(setup, rehearsal, "isPhantomOn") : null,
  },
  plugIn: {
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => (setup.input.plugIn === "switched" ? switched(setup, rehearsal, "isPlugInOn") : null),
  },
  pad: {
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => switched(setup, rehearsal, "isPadOn"),
  },
  line: {
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => (setup.input.lineClipsDbu === null ? null : switched(setup, rehearsal, "isLine")),
  },
  channel: {
    answers: YES_NO,
    costS: 5,
    answer: (_, { mixer }) => (mixer ? yesNo(mixer.isMuted) : null),
  },
  auto: {
    answers: YES_NO,
    costS: 8,
    answer: (setup, rehearsal) => switched(setup, rehearsal, "isAutoLevelOn"),
  },
  gain: {
    answers: ["near", "low", "high"],
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
export type ProbeId = keyof typeof PROBES | FlawProbeId;

/** What is tried to tell each flaw: only it answers as it does. */
const FLAW_PROBES = Object.fromEntries(
  FLAW_IDS.map((id): [FlawProbeId, Probe] => {
    const { tells, costS, where } = FLAWS[id];
    return [
      tryOf(id),
      {
        answers: YES_NO,
        costS,
        answer: (setup, { flaws = [] }) => (where(setup) ? yesNo(flaws.includes(id) === (tells === "yes")) : null),
      },
    ];
  }),
) as Record<FlawProbeId, Probe>;
const ALL: Record<ProbeId, Probe> = { ...PROBES, ...FLAW_PROBES };
export const PROBE_IDS = Object.keys(ALL) as ProbeId[];

export const probeOf = (id: ProbeId): Probe => ALL[id];
