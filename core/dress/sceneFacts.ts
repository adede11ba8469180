import { mapOctaves, type OctaveLevels } from "../sound/octaves";
import { dbToPower } from "../sound/decibel";
import { roomToVoiceOctaves } from "../room/clarity";
import { ncOctavesDb } from "../room/noiseCriteria";
import { TALKER_Q, forecastPlace, type PlaceModel } from "../room/place";
import { criticalDistanceM } from "../room/reverberation";
import { EFFORTS, speechOctavesDb, type Effort } from "../voice/speechSpectrum";
import type { Accessory } from "./accessories";
import { headDirections, sceneDirections } from "./headDirections";
import type { DressInput } from "./outfit";

/** The place that is assumed until somebody has scouted it: a furnished living room. Common practice. */
export const UNSCOUTED_PLACE: PlaceModel = {
  setting: "room",
  lengthM: 5,
  widthM: 4,
  heightM: 2.5,
  floor: "carpetOnConcrete",
  ceiling: "plaster",
  walls: "gypsum",
  otherWall: "mediumCurtain",
  otherWallM2: 10,
  noiseNc: 35,
  windMps: 0,
};

/** What is the same for every place on a person in one scene, worked out once. */
export interface SceneFacts {
  input: DressInput;
  isScouted: boolean;
  windMps: number;
  mainDeg: number;
  turnsDeg: readonly number[];
  has: (accessory: Accessory) => boolean;
  isInHood: boolean;
  /** The usual voice at 1 m in front, power by octave. */
  voicePower: OctaveLevels;
  voiceDb: OctaveLevels;
  loudestDb: OctaveLevels;
  noiseDb: OctaveLevels;
  reverberationS: OctaveLevels;
  /** Reverberant sound re the voice at 1 m in front, dB by octave; −∞ in the open. */
  reverberantDb: OctaveLevels;
}

/** The effort that "normal" stands for in a scene that may be all soft or all loud. */
export function usualEffort(softest: Effort, loudest: Effort): Effort {
  const at = (effort: Effort) => EFFORTS.indexOf(effort);
  if (at(softest) > at("normal")) return softest;
  return at(loudest) < at("normal") ? loudest : "normal";
}

/** Works out what all candidates share: head directions, voice, noise and echo of the place. */
export function sceneFacts(input: DressInput): SceneFacts {
  const place = input.place ?? UNSCOUTED_PLACE;
  const { softest, loudest, faces } = input.performance;
  const forecast = forecastPlace(place);
  const nc = ncOctavesDb(place.noiseNc);
  const voiceDb = speechOctavesDb(usualEffort(softest, loudest), input.voiceOffsetDb);
  const reverberationS = forecast.reverberationS ? roomToVoiceOctaves(forecast.reverberationS) : mapOctaves(() => 0);
  const worn = new Set(input.outfit.accessories);
  return {
    input,
    isScouted: input.place !== null,
    windMps: place.setting === "open" ? place.windMps : 0,
    mainDeg: headDirections(faces).mainDeg,
    turnsDeg: sceneDirections(faces),
    has: (accessory) => worn.has(accessory),
    isInHood: worn.has("sealedHood"),
    voicePower: mapOctaves((band) => dbToPower(voiceDb[band]!)),
    voiceDb,
    loudestDb: speechOctavesDb(loudest, input.voiceOffsetDb),
    noiseDb: mapOctaves((band) => nc[band + 1]!),
    reverberationS,
    reverberantDb: mapOctaves((band) =>
      forecast.volumeM3 === null
        ? -Infinity
        : -20 * Math.log10(criticalDistanceM(forecast.volumeM3, reverberationS[band]!, TALKER_Q)),
    ),
  };
}
