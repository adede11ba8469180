import type { DeviceKind } from "./deviceKinds";
import type { DeviceFigures } from "./figures";

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
      lengthMm: 85,
      massG: 150,
      antennaMm: 120,
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

/** Whether figures are those of a generic device: typical of its kind, nobody's data sheet. */
export function isTypicalFigures<Kind extends DeviceKind>(kind: Kind, figures: DeviceFigures[Kind]): boolean {
  const same = (one: object, other: object) =>
    Object.entries(one).every(([key, value]) => String((other as Record<string, unknown>)[key]) === String(value));
  return GENERIC_DEVICES.some((device) => device.kind === kind && same(figures, device.figures));
}

/** Figures of the first generic device of a kind. */
export function genericFigures<Kind extends DeviceKind>(kind: Kind): DeviceFigures[Kind] {
  return GENERIC_DEVICES.find((device) => device.kind === kind)!.figures as DeviceFigures[Kind];
}
