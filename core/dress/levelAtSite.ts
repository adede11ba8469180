import { seenFromMouth, turnWithHead, turnedMouth } from "../body/headTurn";
import { addOctaves, mapOctaves, overallDb, type OctaveLevels } from "../sound/octaves";
import { mouthDirectivityDb } from "../voice/directivity";
import { speechOctavesDb, type Effort } from "../voice/speechSpectrum";
import { siteColourDb, sitePoint, type Site } from "./sites";

/** What a capsule at a site gets of the voice, with the head turned some way. */
export interface SiteGain {
  distanceM: number;
  offAxisDeg: number;
  /** Gain re the voice at 1 m in front, dB by octave 125…8k. */
  gainDb: OctaveLevels;
}

/**
 * Gain from the voice at 1 m in front to the capsule at a site, dB by octave.
 *
 * Distance by 20·lg(1 m/r). The site's colour table holds with the head straight; what a turn changes is taken from the
 * mouth's directivity, so that direction is never counted twice. Height 0.8…2.3 m, turn ±75° (positive to the right).
 * Sources: landmarks Drillis & Contini 1966; colour and directivity from memory, estimates. Uncertainty about ±2 dB.
 */
export function siteGain(site: Site, heightM: number, turnDeg: number, coverDb: OctaveLevels): SiteGain {
  const rest = sitePoint(site, heightM);
  const straight = seenFromMouth(turnedMouth(heightM, 0), rest);
  const seen = site.ridesOnHead
    ? seenFromMouth(turnedMouth(heightM, turnDeg), turnWithHead(rest, turnDeg))
    : seenFromMouth(turnedMouth(heightM, turnDeg), rest);
  const spreadDb = 20 * Math.log10(1 / seen.distanceM);
  const colour = siteColourDb(site);
  const facing = mouthDirectivityDb(seen.offAxisDeg);
  const facingStraight = mouthDirectivityDb(straight.offAxisDeg);
  return {
    distanceM: seen.distanceM,
    offAxisDeg: seen.offAxisDeg,
    gainDb: mapOctaves((band) => spreadDb + colour[band]! + coverDb[band]! + facing[band]! - facingStraight[band]!),
  };
}

/** Level of the voice at the capsule, dB SPL unweighted over 125…8k. */
export function levelAtSiteDb(gainDb: OctaveLevels, effort: Effort, voiceOffsetDb = 0): number {
  return overallDb(addOctaves(speechOctavesDb(effort, voiceOffsetDb), gainDb));
}
