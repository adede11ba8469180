import * as Type from "@sinclair/typebox";
import type { Static, TSchema } from "@sinclair/typebox";
import { oneOf } from "../schema/oneOf";

const figure = (title: string, unit: string, minimum: number, maximum: number, step = 0.1) =>
  Type.Number({ title, unit, minimum, maximum, step });

/** Colours that small capsules are made in. Common practice. */
export const CAPSULE_COLOURS = ["black", "white", "beige"] as const;
export type CapsuleColour = (typeof CAPSULE_COLOURS)[number];

/** A lavalier capsule. */
export const Lav = Type.Object(
  {
    sensitivityMvPerPa: figure("Sensitivity", "mV/Pa", 0.1, 100),
    selfNoiseDba: figure("Self-noise", "dBA", 5, 60),
    maxSplDb: figure("Overload", "dB SPL", 90, 180),
    leadM: figure("Lead", "m", 0.3, 5),
    diameterMm: figure("Width", "mm", 1, 20),
    colours: Type.Array(oneOf(CAPSULE_COLOURS, "Colour"), { title: "Colours", uniqueItems: true, maxItems: 3 }),
  },
  { additionalProperties: false },
);
export type Lav = Static<typeof Lav>;

/** A pack (body-worn transmitter). */
export const Pack = Type.Object(
  {
    fullInputDbv: figure("Full modulation at 0 dB sensitivity", "dBV", -80, 20),
    sensitivityMinDb: figure("Lowest sensitivity", "dB", -60, 40),
    sensitivityMaxDb: figure("Highest sensitivity", "dB", -60, 60),
    sensitivityStepDb: figure("Sensitivity step", "dB", 0.5, 20),
    inputNoiseDbv: figure("Input noise, A-weighted", "dBV", -140, -60),
  },
  { additionalProperties: false },
);
export type Pack = Static<typeof Pack>;

/** A receiver with its analogue output. */
export const Receiver = Type.Object(
  {
    linkSnrDb: figure("Link, signal over noise", "dBA", 40, 130),
    fullOutputDbu: figure("Output at full modulation, volume full", "dBu", -50, 24),
    outputMinDb: figure("Lowest volume", "dB", -80, 0),
    outputStepDb: figure("Volume step", "dB", 0.5, 20),
  },
  { additionalProperties: false },
);
export type Receiver = Static<typeof Receiver>;

/** One input of a recorder. */
export const RecorderInput = Type.Object(
  {
    maxInputDbu: figure("Overload of the socket", "dBu", -60, 30),
    fullScaleDbu: figure("Full scale at lowest gain", "dBu", -60, 30),
    gainMaxDb: figure("Gain range", "dB", 0, 90),
    gainStepDb: figure("Gain step", "dB", 0.5, 10),
    einDbu: figure("Input noise, A-weighted", "dBu", -140, -60),
    converterRangeDb: figure("Converter range, A-weighted", "dB", 70, 150),
    leadLossDb: figure("Lead, balanced to unbalanced loss", "dB", 0, 20),
  },
  { additionalProperties: false },
);
export type RecorderInput = Static<typeof RecorderInput>;

export const DEVICE_KINDS = ["lav", "pack", "receiver", "input"] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

/** Schema of a device's figures by kind; type, validator and form come from here. */
export const DEVICE_SCHEMAS = {
  lav: Lav,
  pack: Pack,
  receiver: Receiver,
  input: RecorderInput,
} as const satisfies Record<DeviceKind, TSchema>;

export interface DeviceFigures {
  lav: Lav;
  pack: Pack;
  receiver: Receiver;
  input: RecorderInput;
}

export type Device<Kind extends DeviceKind> = { kind: Kind; id: string; name: string; figures: DeviceFigures[Kind] };
export type AnyDevice = { [Kind in DeviceKind]: Device<Kind> }[DeviceKind];

/** Generic devices with typical figures: common practice, to be replaced by the owner's data sheets. */
export const GENERIC_DEVICES: readonly AnyDevice[] = [
  {
    kind: "lav",
    id: "lav-standard",
    name: "omni lav, 6 mV/Pa",
    figures: {
      sensitivityMvPerPa: 6,
      selfNoiseDba: 28,
      maxSplDb: 130,
      leadM: 1.6,
      diameterMm: 5,
      colours: ["black", "white", "beige"],
    },
  },
  {
    kind: "lav",
    id: "lav-low",
    name: "omni lav, low sensitivity, 1.5 mV/Pa",
    figures: {
      sensitivityMvPerPa: 1.5,
      selfNoiseDba: 38,
      maxSplDb: 142,
      leadM: 1.6,
      diameterMm: 5,
      colours: ["black", "beige"],
    },
  },
  {
    kind: "pack",
    id: "pack-analogue",
    name: "analogue UHF pack",
    figures: {
      fullInputDbv: -40,
      sensitivityMinDb: -30,
      sensitivityMaxDb: 0,
      sensitivityStepDb: 3,
      inputNoiseDbv: -118,
    },
  },
  {
    kind: "receiver",
    id: "receiver-analogue",
    name: "camera-top receiver, 3.5 mm",
    figures: { linkSnrDb: 102, fullOutputDbu: -4, outputMinDb: -36, outputStepDb: 3 },
  },
  {
    kind: "input",
    id: "input-minijack",
    name: "pocket recorder, 3.5 mm mic",
    figures: {
      maxInputDbu: -8,
      fullScaleDbu: -10,
      gainMaxDb: 40,
      gainStepDb: 1,
      einDbu: -112,
      converterRangeDb: 102,
      leadLossDb: 0,
    },
  },
  {
    kind: "input",
    id: "input-xlr",
    name: "pocket recorder, XLR mic",
    figures: {
      maxInputDbu: 4,
      fullScaleDbu: 4,
      gainMaxDb: 56,
      gainStepDb: 1,
      einDbu: -121,
      converterRangeDb: 108,
      leadLossDb: 0,
    },
  },
];

/** Figures of a device of some kind; which one must fit is checked against {@link DEVICE_SCHEMAS}. */
export const AnyFigures = Type.Union([Lav, Pack, Receiver, RecorderInput]);

/** Whether figures are those of a generic device: typical of its kind, nobody's data sheet. */
export function isTypicalFigures<Kind extends DeviceKind>(kind: Kind, figures: DeviceFigures[Kind]): boolean {
  const same = (one: object, other: object) =>
    Object.entries(one).every(([key, value]) => String((other as Record<string, unknown>)[key]) === String(value));
  return GENERIC_DEVICES.some((device) => device.kind === kind && same(device.figures, figures));
}

/** Figures of the first generic device of a kind. */
export function genericFigures<Kind extends DeviceKind>(kind: Kind): DeviceFigures[Kind] {
  return GENERIC_DEVICES.find((device) => device.kind === kind)!.figures as DeviceFigures[Kind];
}
