import { aWeightedDb, mapOctaves, type OctaveLevels, shiftOctaves, sumLevelsDb } from "../sound";

/** Octave centres of the NC curves, Hz. */
export const NC_OCTAVES_HZ = [63, 125, 250, 500, 1000, 2000, 4000, 8000] as const;
export const NC_NUMBERS = [15, 20, 25, 30, 35, 40, 45, 50] as const;
export type NcNumber = (typeof NC_NUMBERS)[number];

/** NC curves, dB SPL by octave 63…8k. Source: Beranek 1957, as reprinted. */
const NC_CURVES_DB: Record<NcNumber, readonly number[]> = {
  15: [47, 36, 29, 22, 17, 14, 12, 11],
  20: [51, 40, 33, 26, 22, 19, 17, 16],
  25: [54, 44, 37, 31, 27, 24, 22, 21],
  30: [57, 48, 41, 35, 31, 29, 28, 27],
  35: [60, 52, 45, 40, 36, 34, 33, 32],
  40: [64, 56, 50, 45, 41, 39, 38, 37],
  45: [67, 60, 54, 49, 46, 44, 43, 42],
  50: [71, 64, 58, 54, 51, 49, 48, 47],
};

const A_WEIGHTING_DB = [-26.2, -16.1, -8.6, -3.2, 0, 1.2, 1.0, -1.1];

/** Noise of an NC curve, dB SPL by octave 63…8k. */
export function ncOctavesDb(nc: NcNumber): readonly number[] {
  return NC_CURVES_DB[nc];
}

/** Unweighted level of an NC curve over 125…8k, dB SPL: the band in which the voice lives. */
export function ncVoiceBandDb(nc: NcNumber): number {
  return sumLevelsDb(NC_CURVES_DB[nc].slice(1));
}

/** A-weighted level of an NC curve, dBA. A-weighting: IEC 61672-1. */
export function ncAWeightedDb(nc: NcNumber): number {
  return sumLevelsDb(NC_CURVES_DB[nc].map((levelDb, band) => levelDb + A_WEIGHTING_DB[band]!));
}

const VOICE_BAND_CURVES = NC_NUMBERS.map((nc): OctaveLevels => {
  const curve = NC_CURVES_DB[nc];
  return mapOctaves((band) => curve[band + 1]!);
});

/**
 * Noise of a room by octave 125…8k, dB SPL, from its A-weighted level: shaped as the NC curves are, between them where the
 * level lies between two. Any level; below NC-15 and above NC-50 the outermost curve is shifted. Source: Beranek 1957.
 */
export function roomNoiseDb(levelDba: number): OctaveLevels {
  const levels = VOICE_BAND_CURVES.map(aWeightedDb);
  const above = levels.findIndex((level) => level > levelDba);
  const upper = above < 0 ? levels.length - 1 : Math.max(1, above);
  const share = Math.max(0, Math.min(1, (levelDba - levels[upper - 1]!) / (levels[upper]! - levels[upper - 1]!)));
  const [low, high] = [VOICE_BAND_CURVES[upper - 1]!, VOICE_BAND_CURVES[upper]!];
  const shape = mapOctaves((band) => low[band]! + share * (high[band]! - low[band]!));
  return shiftOctaves(shape, levelDba - aWeightedDb(shape));
}
