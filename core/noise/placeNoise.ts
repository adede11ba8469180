import { addOctaves, aWeightedDb, dbToPower, mapOctaves, type OctaveLevels, powerToDb } from "../sound";
import { BARRIERS, SHUT, type BarrierId } from "./barriers";
import type { NoiseSource } from "./noiseSource";
import { isSteady } from "./sourceTraits";
import { REMEDY_ROWS } from "./remedies";
import { SOURCE_KINDS, type Remedy } from "./sourceKinds";

/** No sound at all, for sums. */
export const SILENCE_DB: OctaveLevels = [-99, -99, -99, -99, -99, -99, -99];

/** Powers of several spectra together, dB by octave. */
export function sumSpectra(spectra: readonly OctaveLevels[]): OctaveLevels {
  return mapOctaves((band) => powerToDb(spectra.reduce((sum, levels) => sum + dbToPower(levels[band]!), 1e-12)));
}

/** What of a noise's direct sound comes back from the room, dB re its level at 1 m by octave; SILENCE_DB in the open. */
export type Reverberant = OctaveLevels;

const negate = (levels: OctaveLevels): OctaveLevels => mapOctaves((band) => -levels[band]!);

/** What is lost by a remedy, dB by octave, none of it negative. */
export function remedyLossDb(remedy: Remedy, barrier: BarrierId): OctaveLevels {
  if (remedy !== "shut") return REMEDY_ROWS[remedy].lossDb;
  const shut = SHUT[barrier];
  if (!shut) return mapOctaves(() => 0);
  return mapOctaves((band) => BARRIERS[shut].lossDb[band]! - BARRIERS[barrier].lossDb[band]!);
}

/**
 * Level of one noise where the voice is, dB SPL by octave 125…8k, before anything is done about it.
 *
 * Source in the place: direct sound falls 6 dB a doubling (a line 3 dB), the room adds its own. From outside: the level at
 * the wall less what the way in takes. A level read from a meter keeps the kind's colour. Spectra are estimates.
 */
export function sourceDb(source: NoiseSource, reverberant: Reverberant = SILENCE_DB): OctaveLevels {
  const { levelDb, atM, isLine } = SOURCE_KINDS[source.kind];
  const fallDb = (isLine ? 10 : 20) * Math.log10(Math.max(source.distanceM, 0.2) / atM);
  const direct = mapOctaves((band) => levelDb[band]! - fallDb);
  const at1m = mapOctaves((band) => levelDb[band]! + 20 * Math.log10(atM));
  const heard =
    source.barrier === "none"
      ? sumSpectra([direct, addOctaves(at1m, reverberant)])
      : addOctaves(direct, negate(BARRIERS[source.barrier].lossDb));
  if (source.levelDba === null) return heard;
  const liftDb = source.levelDba - aWeightedDb(heard);
  return mapOctaves((band) => heard[band]! + liftDb);
}

/** The same with its remedy, once that is done. */
export function treatedDb(source: NoiseSource, reverberant: Reverberant = SILENCE_DB): OctaveLevels {
  const levels = sourceDb(source, reverberant);
  if (!source.isDone || !source.remedy) return levels;
  return addOctaves(levels, negate(remedyLossDb(source.remedy, source.barrier)));
}

export interface RemedyGain {
  source: NoiseSource;
  remedy: Remedy;
  /** What the place's steady noise loses when it is done, dB; for what comes and goes: what that noise itself loses. */
  gainDb: number;
  dbaAfter: number;
}

/** Remedies that could still be taken, the most useful first. */
export function rankRemedies(
  base: OctaveLevels,
  sources: readonly NoiseSource[],
  reverberant: Reverberant = SILENCE_DB,
): RemedyGain[] {
  const steady = sources.filter(isSteady);
  const levelWith = (change: NoiseSource | null) =>
    aWeightedDb(
      sumSpectra([base, ...steady.map((each) => treatedDb(each.id === change?.id ? change : each, reverberant))]),
    );
  const now = levelWith(null);
  const gains = sources
    .filter(({ isDone }) => !isDone)
    .map((source): RemedyGain | null => {
      const tried = SOURCE_KINDS[source.kind].remedies
        .filter((remedy) => remedy !== "shut" || SHUT[source.barrier] !== null)
        .filter((remedy) => !isSteady(source) || remedy !== "wait")
        .map((remedy) => {
          const done = { ...source, remedy, isDone: true };
          const alone = aWeightedDb(sourceDb(source, reverberant)) - aWeightedDb(treatedDb(done, reverberant));
          const dbaAfter = isSteady(source) ? levelWith(done) : now;
          return { source, remedy, gainDb: isSteady(source) ? now - dbaAfter : alone, dbaAfter };
        });
      // The cheapest that does nearly as much as the best.
      const best = Math.max(...tried.map(({ gainDb }) => gainDb));
      return tried.find(({ gainDb }) => gainDb > best - 1) ?? null;
    });
  return gains
    .filter((gain): gain is RemedyGain => gain !== null)
    .sort((one, other) => Number(isSteady(other.source)) - Number(isSteady(one.source)) || other.gainDb - one.gainDb);
}

/** Noises whose remedy must be undone when the scene is over. */
export function toUndo(sources: readonly NoiseSource[]): { source: NoiseSource; remedy: Remedy }[] {
  return sources.flatMap((source) => {
    const { isDone, remedy } = source;
    return isDone && remedy && REMEDY_ROWS[remedy].isUndone ? [{ source, remedy }] : [];
  });
}
