/**
 * Decibels and what they refer to.
 *
 * Pressure levels are dB re 20 µPa; dBV re 1 V; dBu re 0.7746 V (√0.6 V, the voltage of 1 mW in 600 Ω);
 * dBFS: the peak of a full-scale sine is 0 dBFS. RMS figures in dBFS follow AES17: a full-scale sine reads 0 dBFS RMS.
 */

const DBU_REFERENCE_V = Math.sqrt(0.6);

/** How far a sine's RMS lies below its peak, dB (20·lg √2). */
export const SINE_CREST_DB = 20 * Math.log10(Math.SQRT2);

/** Sound pressure level of 1 Pa, dB re 20 µPa. */
export const PASCAL_SPL_DB = 20 * Math.log10(1 / 20e-6);

/** Amplitude ratio (≥ 0) to dB; 0 gives −∞. */
export function amplitudeToDb(ratio: number): number {
  return 20 * Math.log10(ratio);
}

/** dB to amplitude ratio. */
export function dbToAmplitude(levelDb: number): number {
  return 10 ** (levelDb / 20);
}

/** Power ratio (≥ 0) to dB; 0 gives −∞. */
export function powerToDb(ratio: number): number {
  return 10 * Math.log10(ratio);
}

/** dB to power ratio. */
export function dbToPower(levelDb: number): number {
  return 10 ** (levelDb / 10);
}

/** Level of incoherent sources together, dB; an empty list gives −∞. */
export function sumLevelsDb(levelsDb: readonly number[]): number {
  return powerToDb(levelsDb.reduce((sum, levelDb) => sum + dbToPower(levelDb), 0));
}

/** Volts (> 0, RMS) to dBu. */
export function voltsToDbu(volts: number): number {
  return amplitudeToDb(volts / DBU_REFERENCE_V);
}

/** dBu to volts RMS. */
export function dbuToVolts(levelDbu: number): number {
  return dbToAmplitude(levelDbu) * DBU_REFERENCE_V;
}

/** dBV to dBu: adds 2.218 dB. */
export function dbvToDbu(levelDbv: number): number {
  return levelDbv - amplitudeToDb(DBU_REFERENCE_V);
}

/** dBu to dBV. */
export function dbuToDbv(levelDbu: number): number {
  return levelDbu + amplitudeToDb(DBU_REFERENCE_V);
}

/**
 * RMS level on the AES17 scale (full-scale sine = 0 dBFS) from a mean square of samples in ±1.
 * A mean square of 0 gives −∞.
 */
export function meanSquareToDbfs(meanSquare: number): number {
  return powerToDb(meanSquare) + SINE_CREST_DB;
}

/** A figure as it is printed, with a true minus. */
export const minus = (value: number, digits = 0): string => value.toFixed(digits).replace("-", "−");
