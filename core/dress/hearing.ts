import { aWeightedDb, dbToPower, mapOctaves, type OctaveLevels, overallDb, powerToDb, SINE_CREST_DB } from "../sound";
import { speechTransmissionIndex } from "../room";
import { SPEECH_CREST_DB } from "../voice";
import { DIRECTIONS } from "./headDirections";
import { siteGain, type Hearing } from "./levelAtSite";
import type { SceneFacts } from "./sceneFacts";

const OCTAVES = 7;

/** What a bare capsule at one place hears over a scene: all that does not depend on how it is held and covered. */
export interface SiteSound {
  hearing: Hearing;
  /** From the lips, with the head in the scene's main direction and straight. */
  distanceM: number;
  offAxisDeg: number;
  straightDistanceM: number;
  /** Gain re the voice at 1 m in front, dB by octave, main direction. */
  gainDb: OctaveLevels;
  /** Power of the usual voice by direction and octave, one row of seven a direction; the last row is the main direction. */
  powers: Float64Array;
  /** A normal voice over the place's noise, A-weighted, dB. Cloth takes from both alike. */
  snrDb: number;
  /** Speech transmission index, 0…1. */
  sti: number;
}

const BARE: OctaveLevels = mapOctaves(() => 0);

/** Works out what a bare capsule at a place hears over a scene's head directions. */
export function hearSite(hearing: Hearing, facts: SceneFacts): SiteSound {
  const { heightM } = facts.input.person;
  const main = siteGain(hearing, heightM, facts.mainDeg, BARE);
  const powers = new Float64Array((DIRECTIONS + 1) * OCTAVES);
  const fill = (row: number, gainDb: OctaveLevels) =>
    gainDb.forEach((gain, band) => {
      powers[row * OCTAVES + band] = facts.voicePower[band]! * dbToPower(gain);
    });
  facts.turnsDeg.forEach((turnDeg, row) => fill(row, siteGain(hearing, heightM, turnDeg, BARE).gainDb));
  fill(DIRECTIONS, main.gainDb);
  const voiceAtCapsuleDb = mapOctaves((band) => facts.voiceDb[band]! + main.gainDb[band]!);
  const snrDb = mapOctaves((band) => voiceAtCapsuleDb[band]! - facts.noiseDb[band]!);
  return {
    hearing,
    distanceM: main.distanceM,
    offAxisDeg: main.offAxisDeg,
    straightDistanceM: siteGain(hearing, heightM, 0, BARE).distanceM,
    gainDb: main.gainDb,
    powers,
    snrDb: aWeightedDb(voiceAtCapsuleDb) - aWeightedDb(facts.noiseDb),
    sti: speechTransmissionIndex({
      reverberationS: facts.reverberationS,
      directOverReverberantDb: mapOctaves((band) => main.gainDb[band]! - facts.reverberantDb[band]!),
      snrDb,
    }),
  };
}

export interface CoveredSound {
  /** The usual voice at the capsule in the main direction, dB SPL. */
  levelDb: number;
  /** Range of that level over the scene's head directions, dB. */
  swingDb: number;
}

/** Level and swing under a cover that takes this much by octave, dB. */
export function underCover({ powers }: SiteSound, coverDb: OctaveLevels): CoveredSound {
  const cover = coverDb.map(dbToPower);
  const powerOf = (row: number) => {
    let sum = 0;
    for (let band = 0; band < OCTAVES; band += 1) sum += powers[row * OCTAVES + band]! * cover[band]!;
    return sum;
  };
  let least = Infinity;
  let most = 0;
  for (let row = 0; row < DIRECTIONS; row += 1) {
    const power = powerOf(row);
    if (power < least) least = power;
    if (power > most) most = power;
  }
  return { levelDb: powerToDb(powerOf(DIRECTIONS)), swingDb: powerToDb(most / least) };
}

/** Sine level, dB SPL, that reaches as high as the peaks of the loudest line at a place: what an overload figure is set against. */
export function loudestPeakDb({ gainDb }: SiteSound, coverDb: OctaveLevels, facts: SceneFacts): number {
  const loudest = overallDb(mapOctaves((band) => facts.loudestDb[band]! + gainDb[band]! + coverDb[band]!));
  return loudest + SPEECH_CREST_DB - SINE_CREST_DB;
}
