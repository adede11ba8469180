import type { DeviceMessage } from "./deviceMessages";
import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import type { Input } from "../devices";
import { oneOf } from "../schema";
import { GAIN_DB } from "./knobRanges";
import { chooser, drained, pusher, toggle, turner, type Knob, type Machine } from "./machine";

const strict = { additionalProperties: false } as const;
const Percent = Type.Number({ minimum: 0, maximum: 100 });
const StorageMb = Type.Number({ unit: "MB", minimum: 0, maximum: 4_000_000 });
const Db = (minimum: number, maximum: number) => Type.Number({ unit: "dB", minimum, maximum });
const Seconds = Type.Number({ unit: "s", minimum: 0, maximum: 1e7 });

export const TRANSPORTS = ["stopped", "armed", "recording"] as const;

/** A recorder, or a camera's sound side. */
export const Recorder = Type.Object(
  {
    isOn: Type.Boolean(),
    batteryPercent: Percent,
    storageMb: StorageMb,
    source: oneOf(["own", "external"], "Input"),
    isLinked: Type.Boolean(),
    gainDb: Db(0, 90),
    isPadOn: Type.Boolean(),
    isLine: Type.Boolean(),
    isPhantomOn: Type.Boolean(),
    isPlugInOn: Type.Boolean(),
    isLowCutOn: Type.Boolean(),
    isAutoLevelOn: Type.Boolean(),
    sampleRateHz: Type.Integer({ minimum: 8000, maximum: 192_000 }),
    bits: Type.Integer({ minimum: 8, maximum: 32 }),
    transport: oneOf(TRANSPORTS, "Transport"),
    isHold: Type.Boolean(),
    isInterface: Type.Boolean(),
    recordedS: Seconds,
  },
  strict,
);
export type Recorder = Static<typeof Recorder>;

/** A phone with its recording program. */
export const Phone = Type.Object(
  {
    isOn: Type.Boolean(),
    batteryPercent: Percent,
    storageMb: StorageMb,
    isAutoLevelOn: Type.Boolean(),
    isFlightMode: Type.Boolean(),
    transport: oneOf(TRANSPORTS, "Transport"),
    recordedS: Seconds,
  },
  strict,
);
export type Phone = Static<typeof Phone>;

/** A computer with its recording or streaming program. */
export const Computer = Type.Object(
  {
    isOn: Type.Boolean(),
    batteryPercent: Percent,
    storageMb: StorageMb,
    source: oneOf(["own", "external"], "Input"),
    boostDb: Db(0, 30),
    systemDb: Db(-30, 0),
    trimDb: Db(-20, 20),
    /** Echo cancelling, noise suppression, automatic gain. */
    isAutoLevelOn: Type.Boolean(),
    transport: oneOf(TRANSPORTS, "Transport"),
    recordedS: Seconds,
  },
  strict,
);
export type Computer = Static<typeof Computer>;

/** One channel of a desk: of the house, whose send is taken; or a streaming mixer, whose input is used. */
export const Desk = Type.Object(
  {
    isOn: Type.Boolean(),
    isMuted: Type.Boolean(),
    isPhantomOn: Type.Boolean(),
    gainDb: Db(0, 60),
    sendDb: Db(-60, 10),
  },
  strict,
);
export type Desk = Static<typeof Desk>;

/** Batteries, hours of use. Common practice. */
const RECORDER_H = 8;
const PHONE_H = 6;
const COMPUTER_H = 5;
/** Most that is kept of a take's time, s. */
const MOST_S = 1e6;

/** Megabytes a second of one track. */
const megabytesPerS = (sampleRateHz: number, bits: number): number => (sampleRateHz * bits) / 8e6;

const wakes = (device: string, isOn: boolean, batteryPercent: number) => {
  const but = ["isOn", "batteries"];
  if (batteryPercent <= 0) return { says: { code: "device.flat" as const, device }, but };
  return isOn ? null : { says: { code: "device.off" as const, device }, but };
};

interface Rolling {
  isOn: boolean;
  batteryPercent: number;
  storageMb: number;
  transport: (typeof TRANSPORTS)[number];
  recordedS: number;
}

/** Battery and storage after some seconds; recording stops where either is used up. */
function rolls<State extends Rolling>(state: State, seconds: number, hours: number, mbPerS: number): State {
  if (!state.isOn || state.batteryPercent <= 0) return state;
  const batteryPercent = drained(state.batteryPercent, seconds, hours);
  if (state.transport !== "recording") return { ...state, batteryPercent };
  const storageMb = Math.max(0, state.storageMb - seconds * mbPerS);
  const isOver = storageMb <= 0 || batteryPercent <= 0;
  return {
    ...state,
    batteryPercent,
    storageMb,
    recordedS: Math.min(MOST_S, state.recordedS + seconds),
    transport: isOver ? "stopped" : "recording",
  };
}

/** Arm, record, stop; none of it with full storage. */
function transportKnobs<State extends Rolling>(
  refuses: (state: State) => DeviceMessage | null = () => null,
): Knob<State>[] {
  const full = (state: State) => refuses(state) ?? (state.storageMb <= 0 ? { code: "device.full" as const } : null);
  return [
    pusher("arm", "Arm", (state) => ({ ...state, transport: "armed" }), full),
    pusher("record", "Record", (state) => ({ ...state, transport: "recording", recordedS: 0 }), full),
    pusher("stop", "Stop", (state) => ({ ...state, transport: "stopped" })),
  ];
}

const fresh = { isOn: true, batteryPercent: 100, storageMb: 32_000, transport: "stopped", recordedS: 0 } as const;
const freshBatteries = <State extends { batteryPercent: number }>(name: string): Knob<State> =>
  pusher("batteries", name, (state) => ({ ...state, batteryPercent: 100 }));
const emptyCard = <State extends { storageMb: number }>(name: string): Knob<State> =>
  pusher("empty", name, (state) => ({ ...state, storageMb: 32_000 }));

const whileRolling = (knob: Knob<Recorder>): Knob<Recorder> => ({
  ...knob,
  refuses: ({ transport }) => (transport === "recording" ? { code: "device.rolling" } : null),
});

/** A recorder with the controls that its input has. */
export function recorderOf(input: Input): Machine<Recorder> {
  const knobs: Knob<Recorder>[] = [
    toggle("isOn", "Power"),
    freshBatteries("Fresh batteries"),
    emptyCard("Empty card"),
    toggle("isHold", "Hold"),
    toggle("isInterface", "Audio interface"),
    ...(input.hasOwnMic
      ? [
          chooser<Recorder>("source", "Input", [
            ["own", "built-in mics"],
            ["external", "the socket"],
          ]),
        ]
      : []),
    ...(input.lineClipsDbu === null ? [] : [toggle<Recorder>("isLine", "Line")]),
    ...(input.canBeLinked ? [toggle<Recorder>("isLinked", "Linked with its neighbour")] : []),
    turner("gainDb", "Gain", GAIN_DB),
    toggle("isPadOn", "Pad, 20 dB"),
    ...(input.phantom === "switched" ? [toggle<Recorder>("isPhantomOn", "Phantom power")] : []),
    ...(input.plugIn === "switched" ? [toggle<Recorder>("isPlugInOn", "Plug-in power")] : []),
    toggle("isLowCutOn", "Low cut, 80 Hz"),
    toggle("isAutoLevelOn", "Automatic level"),
    whileRolling(
      chooser(
        "sampleRateHz",
        "Rate",
        [44_100, 48_000, 88_200, 96_000].map((rate) => [String(rate), `${rate / 1000} kHz`]),
        true,
      ),
    ),
    whileRolling(
      chooser(
        "bits",
        "Bits",
        [16, 24, 32].map((bits) => [String(bits), `${bits} bit`]),
        true,
      ),
    ),
    ...transportKnobs<Recorder>(({ isInterface }) => (isInterface ? { code: "device.interface" } : null)),
  ];
  return {
    name: input.kind === "camera" ? "Camera" : "Recorder",
    factory: {
      ...fresh,
      source: input.hasOwnMic ? "own" : "external",
      isLinked: input.canBeLinked,
      gainDb: 20,
      isPadOn: false,
      isLine: false,
      isPhantomOn: false,
      isPlugInOn: false,
      isLowCutOn: false,
      isAutoLevelOn: true,
      sampleRateHz: 44_100,
      bits: 16,
      isHold: false,
      isInterface: false,
    },
    knobs,
    stops: ({ isOn, batteryPercent, isHold }) =>
      wakes("recorder", isOn, batteryPercent) ??
      (isHold ? { says: { code: "device.hold" }, but: ["isHold", "batteries"] } : null),
    passes: (state, seconds) => rolls(state, seconds, RECORDER_H, megabytesPerS(state.sampleRateHz, state.bits)),
  };
}

export const PHONE: Machine<Phone> = {
  name: "Phone",
  factory: { ...fresh, isAutoLevelOn: true, isFlightMode: false },
  knobs: [
    toggle("isOn", "Power"),
    freshBatteries("Charge"),
    emptyCard("Make room"),
    toggle("isFlightMode", "Flight mode"),
    toggle("isAutoLevelOn", "Automatic level"),
    ...transportKnobs<Phone>(),
  ],
  stops: ({ isOn, batteryPercent }) => wakes("phone", isOn, batteryPercent),
  passes: (state, seconds) => rolls(state, seconds, PHONE_H, megabytesPerS(48_000, 16)),
};

export const COMPUTER: Machine<Computer> = {
  name: "Computer",
  factory: { ...fresh, source: "own", boostDb: 20, systemDb: -10, trimDb: 0, isAutoLevelOn: true },
  knobs: [
    toggle("isOn", "Power"),
    freshBatteries("Charge"),
    emptyCard("Make room"),
    chooser("source", "Input", [
      ["own", "built-in mic"],
      ["external", "the socket"],
    ]),
    turner("boostDb", "Boost", [0, 30, 10]),
    turner("systemDb", "System's level", [-30, 0, 1]),
    turner("trimDb", "Program's trim", [-20, 20, 1]),
    toggle("isAutoLevelOn", "Automatic level, noise suppression"),
    ...transportKnobs<Computer>(),
  ],
  stops: ({ isOn, batteryPercent }) => wakes("computer", isOn, batteryPercent),
  passes: (state, seconds) => rolls(state, seconds, COMPUTER_H, megabytesPerS(48_000, 24)),
};

const DESK_OFF = ({ isOn }: Desk) =>
  isOn ? null : { says: { code: "device.off" as const, device: "desk" }, but: ["isOn"] };
const DESK_FACTORY: Desk = { isOn: true, isMuted: true, isPhantomOn: false, gainDb: 20, sendDb: -60 };

/** A house desk: what it sends to the recordist. */
export const HOUSE_DESK: Machine<Desk> = {
  name: "House desk",
  factory: DESK_FACTORY,
  knobs: [toggle("isOn", "Power"), toggle("isMuted", "Send muted"), turner("sendDb", "Send", [-60, 10, 1])],
  stops: DESK_OFF,
  passes: (state) => state,
};

/** A streaming mixer: what comes in. */
export const MIXER: Machine<Desk> = {
  name: "Streaming mixer",
  factory: { ...DESK_FACTORY, sendDb: 0 },
  knobs: [
    toggle("isOn", "Power"),
    toggle("isMuted", "Channel muted"),
    toggle("isPhantomOn", "Phantom power"),
    turner("gainDb", "Gain", [0, 60, 1]),
  ],
  stops: DESK_OFF,
  passes: (state) => state,
};
