import { sumLevelsDb } from "./decibel";

/** Octave centres that the voice and the microphone are described in, Hz. */
export const OCTAVES_HZ = [125, 250, 500, 1000, 2000, 4000, 8000] as const;

/** One figure per octave of {@link OCTAVES_HZ}. */
export type OctaveLevels = readonly [number, number, number, number, number, number, number];

/** A-weighting at {@link OCTAVES_HZ}, dB. Source: IEC 61672-1, table of weightings, rounded to 0.1 dB. */
export const A_WEIGHTING_DB: OctaveLevels = [-16.1, -8.6, -3.2, 0, 1.2, 1.0, -1.1];

/** Combines octave figures one by one. */
export function mapOctaves(transform: (bandIndex: number) => number): OctaveLevels {
  return [transform(0), transform(1), transform(2), transform(3), transform(4), transform(5), transform(6)];
}

/** Sums octave tables band by band, dB. */
export function addOctaves(...tables: readonly OctaveLevels[]): OctaveLevels {
  return mapOctaves((band) => tables.reduce((sum, table) => sum + table[band]!, 0));
}

/** The same spectrum so many dB up. */
export const shiftOctaves = (levels: OctaveLevels, byDb: number): OctaveLevels =>
  mapOctaves((band) => levels[band]! + byDb);

/** Unweighted level of a spectrum given by octave, dB. */
export function overallDb(levels: OctaveLevels): number {
  return sumLevelsDb(levels);
}

/** A-weighted level of a spectrum given by octave, dBA. */
export function aWeightedDb(levels: OctaveLevels): number {
  return sumLevelsDb(addOctaves(levels, A_WEIGHTING_DB));
}

/** White noise, 3 dB more each octave, that reads 0 dBA. */
const WHITE_DB: OctaveLevels = (() => {
  const rising = mapOctaves((band) => 3.01 * band);
  const liftDb = aWeightedDb(rising);
  return mapOctaves((band) => rising[band]! - liftDb);
})();

/** White noise by octave from its A-weighted level: what electronics add is taken as white. */
export const whiteNoiseDb = (levelDba: number): OctaveLevels => shiftOctaves(WHITE_DB, levelDba);
