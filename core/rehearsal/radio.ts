import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import type { RadioSystem } from "../wireless";
import { OUTPUT_DB, SENSITIVITY_DB } from "./knobRanges";
import { drained, pusher, toggle, turner, type Knob, type Machine } from "./machine";

const strict = { additionalProperties: false } as const;
const Percent = Type.Number({ minimum: 0, maximum: 100 });
const Frequency = Type.Number({ unit: "MHz", minimum: 1, maximum: 7000 });
const PackName = Type.String({ maxLength: 80 });

/** A pack on the body. */
export const Transmitter = Type.Object(
  {
    isOn: Type.Boolean(),
    batteryPercent: Percent,
    frequencyMHz: Frequency,
    /** Its window is held to the receiver's. */
    isAtWindow: Type.Boolean(),
    isMuted: Type.Boolean(),
    /** As far as packs of the kit may go, not only generic ones. */
    sensitivityDb: Type.Number({ minimum: -60, maximum: 60 }),
    name: PackName,
    wasReset: Type.Boolean(),
  },
  strict,
);
export type Transmitter = Static<typeof Transmitter>;

/** Its receiver. */
export const Receiver = Type.Object(
  {
    isOn: Type.Boolean(),
    batteryPercent: Percent,
    frequencyMHz: Frequency,
    /** Sends its frequency to a pack at its window. */
    isSyncing: Type.Boolean(),
    outputDb: Type.Number({ minimum: -80, maximum: 0 }),
    /** The pack that answered. */
    pairedName: PackName,
    wasReset: Type.Boolean(),
  },
  strict,
);
export type Receiver = Static<typeof Receiver>;

/** A scan at the receiver. */
export const Scanner = Type.Object(
  {
    secondsLeft: Type.Union([Type.Number({ minimum: 0, maximum: 600 }), Type.Null()]),
    isDone: Type.Boolean(),
    /** Own transmitters were on while it ran. */
    heardOwn: Type.Boolean(),
  },
  strict,
);
export type Scanner = Static<typeof Scanner>;

/** A scan takes about a minute. Common practice. */
export const SCAN_S = 60;
/** A receiver's battery, hours. Common practice. */
const RECEIVER_H = 6;

/** Where a system stands after a reset: its lowest frequency, or the first channel of its first bank. */
export const firstMHz = ({ banks, fromMHz }: RadioSystem): number => banks[0]?.channelsMHz[0] ?? fromMHz;

/** Tuned in steps; or channel by channel of all banks. */
function tuning<State extends { frequencyMHz: number }>(system: RadioSystem): Knob<State> {
  if (system.banks.length === 0)
    return {
      kind: "turn",
      id: "frequencyMHz",
      name: "Frequency",
      minimum: system.fromMHz,
      maximum: system.toMHz,
      step: system.stepKHz / 1000,
      unit: "MHz",
      reads: ({ frequencyMHz }) => frequencyMHz,
      does: (state, value) => ({ ...state, frequencyMHz: value }),
    };
  return {
    kind: "choice",
    id: "frequencyMHz",
    name: "Bank and channel",
    options: system.banks.flatMap(({ name, channelsMHz }) =>
      channelsMHz.map((channel, index) => ({
        value: String(channel),
        name: `${name}·${index + 1}  ${channel.toFixed(3)}`,
      })),
    ),
    reads: ({ frequencyMHz }) => String(frequencyMHz),
    does: (state, value) => ({ ...state, frequencyMHz: Number(value) }),
  };
}

const powerStops =
  (device: string) =>
  ({ isOn, batteryPercent }: { isOn: boolean; batteryPercent: number }) => {
    const but = ["isOn", "batteries"];
    if (batteryPercent <= 0) return { says: { code: "device.flat" as const, device }, but };
    return isOn ? null : { says: { code: "device.off" as const, device }, but };
  };

export function transmitterOf(system: RadioSystem): Machine<Transmitter> {
  const factory: Transmitter = {
    isOn: true,
    batteryPercent: 100,
    frequencyMHz: firstMHz(system),
    isAtWindow: false,
    isMuted: false,
    sensitivityDb: 0,
    name: "",
    wasReset: true,
  };
  return {
    name: "Pack",
    factory,
    knobs: [
      toggle("isOn", "Power"),
      pusher("batteries", "Fresh batteries", (state) => ({ ...state, batteryPercent: 100 })),
      pusher("reset", "Factory reset", ({ batteryPercent }) => ({ ...factory, batteryPercent })),
      ...(system.band === "uhf" ? [tuning<Transmitter>(system)] : []),
      toggle("isAtWindow", "At the window"),
      toggle("isMuted", "Mute"),
      turner("sensitivityDb", "Sensitivity", SENSITIVITY_DB),
    ],
    stops: powerStops("pack"),
    passes: (state, seconds) =>
      state.isOn ? { ...state, batteryPercent: drained(state.batteryPercent, seconds, system.batteryH) } : state,
  };
}

export function receiverOf(system: RadioSystem): Machine<Receiver> {
  const factory: Receiver = {
    isOn: true,
    batteryPercent: 100,
    frequencyMHz: firstMHz(system),
    isSyncing: false,
    outputDb: 0,
    pairedName: "",
    wasReset: true,
  };
  return {
    name: "Receiver",
    factory,
    knobs: [
      toggle("isOn", "Power"),
      pusher("batteries", "Fresh batteries", (state) => ({ ...state, batteryPercent: 100 })),
      pusher("reset", "Factory reset", ({ batteryPercent }) => ({ ...factory, batteryPercent })),
      ...(system.band === "uhf" ? [tuning<Receiver>(system)] : []),
      toggle("isSyncing", "Sync"),
      turner("outputDb", "Output", OUTPUT_DB),
    ],
    stops: powerStops("receiver"),
    passes: (state, seconds) =>
      state.isOn ? { ...state, batteryPercent: drained(state.batteryPercent, seconds, RECEIVER_H) } : state,
  };
}

export const SCANNER: Machine<Scanner> = {
  name: "Scan at the receiver",
  factory: { secondsLeft: null, isDone: false, heardOwn: false },
  knobs: [
    pusher(
      "scan",
      "Scan",
      (): Scanner => ({ secondsLeft: SCAN_S, isDone: false, heardOwn: false }),
      ({ secondsLeft }) => (secondsLeft === null ? null : { code: "device.scanning" }),
    ),
    pusher(
      "skip",
      "Skip the wait",
      (state) => ({ ...state, secondsLeft: null, isDone: true }),
      ({ secondsLeft }) => (secondsLeft === null ? { code: "device.notScanning" } : null),
    ),
  ],
  stops: () => null,
  passes: (state, seconds) => {
    if (state.secondsLeft === null) return state;
    const secondsLeft = state.secondsLeft - seconds;
    return secondsLeft > 0 ? { ...state, secondsLeft } : { ...state, secondsLeft: null, isDone: true };
  },
};

/** A pack held at the window of a receiver that syncs takes its frequency; the receiver learns its name. Nothing else happens. */
export function synced(pack: Transmitter, receiver: Receiver): { pack: Transmitter; receiver: Receiver } {
  const isOn = (each: Transmitter | Receiver) => each.isOn && each.batteryPercent > 0;
  if (!isOn(pack) || !isOn(receiver) || !pack.isAtWindow || !receiver.isSyncing) return { pack, receiver };
  return {
    pack: { ...pack, frequencyMHz: receiver.frequencyMHz, isAtWindow: false },
    receiver: { ...receiver, isSyncing: false, pairedName: pack.name },
  };
}
