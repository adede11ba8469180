import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema";

/** Kinds of cells and batteries. */
export const CHEMISTRIES = ["alkaline", "nimh", "lithium", "liIon"] as const;
export type Chemistry = (typeof CHEMISTRIES)[number];

/** A battery: so many cells of one kind. */
export const Battery = Type.Object(
  {
    chemistry: oneOf(CHEMISTRIES, "Cells"),
    cells: Type.Integer({ title: "Number", minimum: 1, maximum: 16 }),
    volts: Type.Number({ title: "Volts a cell", unit: "V", minimum: 0.8, maximum: 20 }),
    milliampereHours: Type.Number({ title: "Capacity", unit: "mAh", minimum: 10, maximum: 100_000 }),
    /** Of what it held when new, 0.2…1. */
    ageShare: Type.Number({ title: "Battery health", minimum: 0.2, maximum: 1 }),
  },
  { additionalProperties: false },
);
export type Battery = Static<typeof Battery>;

/** Usual cells. Common practice; to be replaced by what is printed on them. */
export const USUAL_BATTERIES = {
  twoAlkaline: { chemistry: "alkaline", cells: 2, volts: 1.5, milliampereHours: 2500, ageShare: 1 },
  twoNimh: { chemistry: "nimh", cells: 2, volts: 1.2, milliampereHours: 2000, ageShare: 1 },
  twoLithium: { chemistry: "lithium", cells: 2, volts: 1.5, milliampereHours: 3000, ageShare: 1 },
  block9V: { chemistry: "alkaline", cells: 1, volts: 9, milliampereHours: 500, ageShare: 1 },
  builtIn: { chemistry: "liIon", cells: 1, volts: 3.7, milliampereHours: 3000, ageShare: 1 },
} as const satisfies Record<string, Battery>;

/** Left at 0 °C of what there is at 20 °C; straight lines through both, not below a fifth. From memory. */
const AT_ZERO: Record<Chemistry, number> = { alkaline: 0.7, nimh: 0.85, lithium: 0.85, liIon: 0.85 };
const LEAST_SHARE = 0.2;
/** Alkaline cells give less to heavy loads: none lost up to 100 mA, four tenths at 500 mA. From memory. */
const EASY_MA = 100;
const HEAVY_MA = 500;
const HEAVY_SHARE = 0.6;

/** Share of the capacity at a temperature, −20…50 °C: 1 at 20 °C and above. */
export function coldShare(chemistry: Chemistry, temperatureC: number): number {
  const lostPerDegree = (1 - AT_ZERO[chemistry]) / 20;
  return Math.max(LEAST_SHARE, Math.min(1, 1 - lostPerDegree * (20 - temperatureC)));
}

/** Share of the capacity under a load, mA. */
export function loadShare(chemistry: Chemistry, milliamperes: number): number {
  if (chemistry !== "alkaline") return 1;
  const share = 1 - ((1 - HEAVY_SHARE) * (milliamperes - EASY_MA)) / (HEAVY_MA - EASY_MA);
  return Math.max(0.4, Math.min(1, share));
}

/** Watt-hours as printed: cells in a row. */
export const wattHours = ({ cells, volts, milliampereHours }: Battery): number =>
  (cells * volts * milliampereHours) / 1000;

/** Hours that a battery runs something that draws so many watts, by temperature, age and load. Watts above 0. */
export function runHours(battery: Battery, watts: number, temperatureC: number): number {
  const { chemistry, cells, volts, ageShare } = battery;
  const milliamperes = (1000 * watts) / (cells * volts);
  const share = coldShare(chemistry, temperatureC) * loadShare(chemistry, milliamperes) * ageShare;
  return (wattHours(battery) * share) / watts;
}

/** Watts at which a battery lasts so many hours at 20 °C: what a device draws that is known by its hours. Hours above 0. */
export function wattsFor(battery: Battery, hours: number): number {
  let [low, high] = [0, wattHours(battery) / hours];
  for (let halved = 0; halved < 40; halved += 1) {
    const watts = (low + high) / 2;
    if (runHours(battery, watts, 20) > hours) low = watts;
    else high = watts;
  }
  return low;
}

/** What is lost between a power bank's cells and what it feeds. Common practice. */
const BANK_SHARE = 0.85;

/** Hours that a power bank of so many watt-hours feeds something. */
export const bankHours = (bankWh: number, watts: number): number => (bankWh * BANK_SHARE) / watts;
