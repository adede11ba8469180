import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";

const guard = (title: string) => Type.Number({ title, unit: "kHz", minimum: 0, maximum: 2000 });

/**
 * How far apart things must be on the air. A guard of 0 forbids exact hits only.
 * Products: 2f₁−f₂ and f₁+f₂−f₃ (third order), 3f₁−2f₂ (fifth order).
 */
export const AirRules = Type.Object(
  {
    spacingKHz: guard("Spacing"),
    twoThirdKHz: guard("Guard, third order of two"),
    threeThirdKHz: guard("Guard, third order of three"),
    /** Null: fifth order is not asked about. */
    fifthKHz: Type.Union([guard("Guard, fifth order of two"), Type.Null()]),
    /** Above this a frequency of the scan is taken, dBm. */
    occupiedDbm: Type.Number({ title: "Occupied above", unit: "dBm", minimum: -130, maximum: 0 }),
    /** Kept clear of what is taken, to either side. */
    scanMarginKHz: guard("Clear of what is taken by"),
  },
  { additionalProperties: false },
);
export type AirRules = Static<typeof AirRules>;

/** Common practice for analogue systems of good make; cheaper ones want wider guards. */
export const USUAL_RULES: AirRules = {
  spacingKHz: 350,
  twoThirdKHz: 100,
  threeThirdKHz: 50,
  fifthKHz: 50,
  occupiedDbm: -95,
  scanMarginKHz: 100,
};

/** Frequencies are reckoned in whole hundreds of hertz: exact for every raster in use down to 100 Hz. */
export const UNITS_PER_KHZ = 10;
const UNITS_PER_MHZ = 10_000;

export const toUnits = (frequencyMHz: number): number => Math.round(frequencyMHz * UNITS_PER_MHZ);
export const toMHz = (units: number): number => units / UNITS_PER_MHZ;

/** Guards in units; a guard reaches to what is nearer than it, and always to an exact hit. */
export interface UnitRules {
  spacing: number;
  two: number;
  three: number;
  /** Null: not asked about. */
  five: number | null;
}

export function unitRules(rules: AirRules, widening = 1): UnitRules {
  // A guard met exactly is kept, so a fraction of a unit needs the whole unit.
  const units = (kHz: number) => Math.max(1, Math.ceil(kHz * UNITS_PER_KHZ * widening - 1e-6));
  return {
    spacing: units(rules.spacingKHz),
    two: units(rules.twoThirdKHz),
    three: units(rules.threeThirdKHz),
    five: rules.fifthKHz === null ? null : units(rules.fifthKHz),
  };
}
