import * as Type from "@sinclair/typebox";
import type { Static, TSchema } from "@sinclair/typebox";
import { oneOf } from "../schema";
import { CAPSULE_COLOURS, type DeviceKind } from "./deviceKinds";

const figure = (title: string, unit: string, minimum: number, maximum: number, step = 0.1) =>
  Type.Number({ title, unit, minimum, maximum, step });

/** A lavalier capsule. */
export const Lav = Type.Object(
  {
    sensitivityMvPerPa: figure("Sensitivity", "mV/Pa", 0.1, 100),
    selfNoiseDba: figure("Self-noise", "dBA", 5, 60),
    maxSplDb: figure("Overload", "dB SPL", 90, 180),
    leadM: figure("Cable", "m", 0.3, 5),
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
    /** What it is to carry; left out: as usual. */
    lengthMm: Type.Optional(figure("Length", "mm", 15, 250, 1)),
    massG: Type.Optional(figure("Weight with batteries", "g", 5, 1000, 1)),
    antennaMm: Type.Optional(figure("Antenna", "mm", 0, 500, 1)),
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
    leadLossDb: figure("Cable, balanced to unbalanced loss", "dB", 0, 20),
  },
  { additionalProperties: false },
);
export type RecorderInput = Static<typeof RecorderInput>;

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

/** Figures of a device of some kind; which one must fit is checked against {@link DEVICE_SCHEMAS}. */
export const AnyFigures = Type.Union([Lav, Pack, Receiver, RecorderInput]);
