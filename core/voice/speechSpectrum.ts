import { mapOctaves, type OctaveLevels, overallDb, sumLevelsDb } from "../sound";

/** How hard somebody speaks, softest first. */
export const EFFORTS = ["whisper", "soft", "normal", "raised", "loud", "shout"] as const;
export type Effort = (typeof EFFORTS)[number];

/** Third-octave centres of ANSI S3.5-1997, Hz. */
export const SPEECH_THIRDS_HZ = [
  160, 200, 250, 315, 400, 500, 630, 800, 1000, 1250, 1600, 2000, 2500, 3150, 4000, 5000, 6300, 8000,
] as const;

type StandardEffort = "normal" | "raised" | "loud" | "shout";

/** Spectrum level of speech, dB SPL per Hz at 1 m in front of the lips. Source: ANSI S3.5-1997, table 3. */
export const SPEECH_SPECTRUM_DB: Record<StandardEffort, readonly number[]> = {
  normal: [
    32.41, 34.48, 34.75, 33.98, 34.59, 34.27, 32.06, 28.3, 25.01, 23.0, 20.15, 17.32, 13.18, 11.55, 9.33, 5.31, 2.59,
    1.13,
  ],
  raised: [
    33.81, 33.92, 38.98, 38.57, 39.11, 40.15, 38.78, 36.37, 33.86, 31.89, 28.58, 25.32, 22.35, 20.15, 16.78, 11.47,
    7.67, 5.07,
  ],
  loud: [
    35.29, 37.76, 41.55, 43.78, 43.3, 44.85, 45.55, 44.05, 42.16, 40.53, 37.7, 34.39, 30.98, 28.21, 25.41, 18.35, 13.87,
    11.39,
  ],
  shout: [
    30.77, 36.65, 42.5, 46.51, 47.4, 49.24, 51.21, 51.44, 51.31, 49.63, 47.65, 44.32, 40.8, 38.13, 34.41, 28.24, 23.45,
    20.72,
  ],
};

/** Soft speech lies this far below normal, dB. From memory; an estimate. */
const SOFT_OFFSET_DB = -6;
/** Overall level of a whisper at 1 m, dB SPL. From memory; an estimate. */
const WHISPER_OVERALL_DB = 40;
/** What a whisper lacks of normal speech's shape by octave 125…8k, dB: no voicing, so the lows go. From memory. */
const WHISPER_SHAPE_DB: OctaveLevels = [-25, -22, -14, -6, 0, 0, 0];

/** Peak of close speech over its running RMS, dB. Common practice: 12–20. */
export const SPEECH_CREST_DB = 18;

/** Share of an octave's centre that a third octave is wide: 2^(1/6) − 2^(−1/6). */
const THIRD_OCTAVE_WIDTH = 2 ** (1 / 6) - 2 ** (-1 / 6);

function thirdOctaveLevelsDb(effort: StandardEffort): number[] {
  return SPEECH_SPECTRUM_DB[effort].map(
    (levelDb, index) => levelDb + 10 * Math.log10(SPEECH_THIRDS_HZ[index]! * THIRD_OCTAVE_WIDTH),
  );
}

/** The standard's third octaves gathered into octaves 125…8k; 125 and 8k are the parts the standard lists. */
function gatherOctavesDb(effort: StandardEffort): OctaveLevels {
  const thirds = thirdOctaveLevelsDb(effort);
  const membersOfOctave = [[0], [1, 2, 3], [4, 5, 6], [7, 8, 9], [10, 11, 12], [13, 14, 15], [16, 17]];
  return mapOctaves((band) => sumLevelsDb(membersOfOctave[band]!.map((index) => thirds[index]!)));
}

const STANDARD_OCTAVES_DB: Record<StandardEffort, OctaveLevels> = {
  normal: gatherOctavesDb("normal"),
  raised: gatherOctavesDb("raised"),
  loud: gatherOctavesDb("loud"),
  shout: gatherOctavesDb("shout"),
};

/**
 * Level of speech by octave 125…8k, dB SPL at 1 m in front of the lips, free field, long-term average while speaking.
 *
 * `voiceOffsetDb` is what this person differs from the standard's talker (−15…+15 dB).
 * Source: ANSI S3.5-1997 for normal to shout; soft and whisper are estimates from memory.
 */
export function speechOctavesDb(effort: Effort, voiceOffsetDb = 0): OctaveLevels {
  if (effort === "soft") {
    const normal = STANDARD_OCTAVES_DB.normal;
    return mapOctaves((band) => normal[band]! + SOFT_OFFSET_DB + voiceOffsetDb);
  }
  if (effort === "whisper") {
    const normal = STANDARD_OCTAVES_DB.normal;
    const shape = mapOctaves((band) => normal[band]! + WHISPER_SHAPE_DB[band]!);
    const liftDb = WHISPER_OVERALL_DB - overallDb(shape);
    return mapOctaves((band) => shape[band]! + liftDb + voiceOffsetDb);
  }
  const standard = STANDARD_OCTAVES_DB[effort];
  return mapOctaves((band) => standard[band]! + voiceOffsetDb);
}
