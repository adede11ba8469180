import { seenFromMouth, turnedMouth, turnWithHead } from "../body";
import { addOctaves, mapOctaves, type OctaveLevels, overallDb } from "../sound";
import { type Effort, mouthDirectivityDb, speechOctavesDb } from "../voice";
import { siteColourDb, sitePoint, type Site } from "./sites";

/** What a capsule at a site gets of the voice, with the head turned some way. */
export interface SiteGain {
  distanceM: number;
  offAxisDeg: number;
  /** Gain re the voice at 1 m in front, dB by octave 125…8k. */
  gainDb: OctaveLevels;
}

/**
 * What a closed hood adds, dB by octave 125…8k: the mouth's pressure has nowhere to go. From memory of the pressure a
 * small cavity builds up, so that a shout comes to some 10 to 14 dB more (common practice); an estimate.
 */
export const CLOSED_HOOD_DB: OctaveLevels = [14, 14, 13, 11, 9, 5, 3];

/** Where a site is and what stands round it. */
export interface Hearing {
  site: Site;
  /** Lowest point of the neckline it sits on, m below the notch at 1.75 m; of no use to other sites. */
  necklineDropM: number;
  isInHood: boolean;
}

/**
 * Gain from the voice at 1 m in front to the capsule at a site, dB by octave.
 *
 * Distance by 20·lg(1 m/r). The site's colour table holds with the head straight; what a turn changes is taken from the
 * mouth's directivity, so that direction is never counted twice. Height 0.8…2.3 m, turn ±75° (positive to the right).
 * Sources: landmarks Drillis & Contini 1966; colour and directivity from memory, estimates. Uncertainty about ±2 dB.
 */
export function siteGain(hearing: Hearing, heightM: number, turnDeg: number, coverDb: OctaveLevels): SiteGain {
  const { site, isInHood } = hearing;
  const rest = sitePoint(site, heightM, hearing.necklineDropM);
  const straight = seenFromMouth(turnedMouth(heightM, 0), rest);
  const seen = seenFromMouth(turnedMouth(heightM, turnDeg), site.ridesOnHead ? turnWithHead(rest, turnDeg) : rest);
  const spreadDb = 20 * Math.log10(1 / seen.distanceM);
  const colour = siteColourDb(site, hearing.necklineDropM);
  const facing = mouthDirectivityDb(seen.offAxisDeg);
  const facingStraight = mouthDirectivityDb(straight.offAxisDeg);
  return {
    distanceM: seen.distanceM,
    offAxisDeg: seen.offAxisDeg,
    gainDb: mapOctaves(
      (band) =>
        spreadDb +
        colour[band]! +
        coverDb[band]! +
        facing[band]! -
        facingStraight[band]! +
        (isInHood ? CLOSED_HOOD_DB[band]! : 0),
    ),
  };
}

/** Level of the voice at the capsule, dB SPL unweighted over 125…8k. */
export function levelAtSiteDb(gainDb: OctaveLevels, effort: Effort, voiceOffsetDb = 0): number {
  return overallDb(addOctaves(speechOctavesDb(effort, voiceOffsetDb), gainDb));
}
