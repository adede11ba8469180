import { dbToPower, mapOctaves, type OctaveLevels } from "../sound";
import { forecastPlace, LIVING_ROOM, reverberantDb, TALKER_Q } from "../room";
import { type Effort, EFFORTS, speechOctavesDb } from "../voice";
import type { Accessory } from "./accessories";
import { headDirections, sceneDirections } from "./headDirections";
import type { DressInput } from "./dressInput";

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
  // Until somebody has scouted it, a place is taken for a furnished living room. Common practice.
  const place = input.place ?? LIVING_ROOM;
  const { softest, loudest, faces } = input.performance;
  const forecast = forecastPlace(place);
  const voiceDb = speechOctavesDb(usualEffort(softest, loudest), input.voiceOffsetDb);
  const reverberationS = forecast.octavesS ?? mapOctaves(() => 0);
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
    noiseDb: forecast.noiseOctavesDb,
    reverberationS,
    reverberantDb: reverberantDb(forecast.volumeM3, reverberationS, TALKER_Q),
  };
}
