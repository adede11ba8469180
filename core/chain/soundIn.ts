import { roomNoiseDb } from "../room";
import {
  addOctaves,
  mapOctaves,
  type OctaveLevels,
  overallDb,
  shiftOctaves,
  SINE_CREST_DB,
  whiteNoiseDb,
} from "../sound";
import { type Effort, EFFORTS, SPEECH_CREST_DB, speechOctavesDb } from "../voice";

/** What reaches the first stage, in its unit, by octave: every voice there may be, and which of them are planned for. */
export interface SoundIn {
  voicesDb: Readonly<Record<Effort, OctaveLevels>>;
  softest: Effort;
  usual: Effort;
  loudest: Effort;
  noiseDb: OctaveLevels;
}

/** What speech peaks exceed a sine of the same RMS by, dB. */
export const PEAK_OVER_SINE_DB = SPEECH_CREST_DB - SINE_CREST_DB;

/** Peaks of the loudest planned voice at the first stage. */
export const peakOf = ({ voicesDb, loudest }: SoundIn): number => overallDb(voicesDb[loudest]) + PEAK_OVER_SINE_DB;

/** Voices at 1 m in front through some gain by octave: what a capsule there gets, dB SPL. */
export function voicesThrough(gainDb: OctaveLevels, voiceOffsetDb: number): Record<Effort, OctaveLevels> {
  return Object.fromEntries(
    EFFORTS.map((effort) => [effort, addOctaves(speechOctavesDb(effort, voiceOffsetDb), gainDb)]),
  ) as Record<Effort, OctaveLevels>;
}

/**
 * A voice at a distance in front of a microphone, in a noise from all round: by octave where that is known, else of the usual
 * shape of a room's noise.
 */
export function soundAt(voice: {
  distanceM: number;
  offsetDb: number;
  softest: Effort;
  usual: Effort;
  loudest: Effort;
  noiseDba: number;
  noiseOctavesDb?: OctaveLevels | undefined;
}): SoundIn {
  const { distanceM, offsetDb, softest, usual, loudest, noiseDba, noiseOctavesDb } = voice;
  const gainDb = mapOctaves(() => 20 * Math.log10(1 / distanceM));
  return {
    voicesDb: voicesThrough(gainDb, offsetDb),
    softest,
    usual,
    loudest,
    noiseDb: noiseOctavesDb ?? roomNoiseDb(noiseDba),
  };
}

/** A desk's noise lies this far under its loudest peaks, dBA. Estimate. */
const DESK_NOISE_DB = 80;

/** What a desk or another line source sends whose loudest peaks lie at a level, dBu: shaped as speech is. */
export function soundOfFeed(loudestDbu: number): SoundIn {
  const flat = voicesThrough([0, 0, 0, 0, 0, 0, 0], 0);
  const loudest: Effort = "loud";
  const liftDb = loudestDbu - (overallDb(flat[loudest]) + PEAK_OVER_SINE_DB);
  const lifted = (effort: Effort) => shiftOctaves(flat[effort], liftDb);
  return {
    voicesDb: Object.fromEntries(EFFORTS.map((effort) => [effort, lifted(effort)])) as Record<Effort, OctaveLevels>,
    softest: "soft",
    usual: "normal",
    loudest,
    noiseDb: whiteNoiseDb(loudestDbu - DESK_NOISE_DB),
  };
}
