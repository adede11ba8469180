import type { Candidate, DressPlan } from "../dress";
import type { LevelPlan } from "../chain";
import { BANDS_HZ } from "../audio";
import { type OctaveLevels, OCTAVES_HZ } from "../sound";
import { SPEECH_SPECTRUM_DB, SPEECH_THIRDS_HZ, type Voice } from "../voice";

/** Who is on a track, as far as a voice can be told by. */
export interface TrackVoice {
  name: string;
  voice: Voice;
  /** Pitch of an earlier take that was found good, Hz. */
  pitchHz: number | null;
}

/** Where the microphone is worn. */
export interface DressedAt {
  plan: DressPlan;
  candidate: Candidate;
}

/** The room a take was made in; null figures in the open. */
export interface TakeRoom {
  name: string;
  reverberationS: number | null;
  criticalDistanceM: number | null;
  isProved: boolean;
}

/** What carries the voice to the file. */
export interface TakeWay {
  radio: "none" | "analogue" | "digital";
  /** What records: "recorder", "phone", "computer", "camera"… */
  recorderKind: string;
  /** A lead on the way is not balanced. */
  isUnbalanced: boolean;
  hasPhantomMic: boolean;
  /** What records falls back on a microphone of its own. */
  hasOwnMic: boolean;
}

/** What was planned for a take: everything Check compares with and names as a cause. */
export interface Expected {
  format: { sampleRateHz: number; bitsPerSample: number };
  plan: LevelPlan;
  dressed: DressedAt | null;
  room: TakeRoom | null;
  way: TakeWay | null;
  /** Voices by track of the file, in the scene's order; this wearer's own is `track`. */
  tracks: readonly TrackVoice[];
  track: number;
}

/** A voice nobody answers lets go of a phrase this fast, dB/s: the usual figure of clean labelled speech. No published source. */
export const OWN_FALL_DB_PER_S = 400;
/** Between which depths a fall is taken, dB: as the measurement does. */
const FROM_DB = 5;
const TO_DB = 17;

/** Direct over reverberant sound at a distance, dB. Source: diffuse-field theory, 20 lg of critical over own distance. */
export const directOverEchoDb = (distanceM: number, criticalDistanceM: number): number =>
  20 * Math.log10(criticalDistanceM / distanceM);

/**
 * How fast phrases are heard to die away, dB/s: at the voice's own pace until the echo is reached, then at that of the room.
 * `reverberationS` above 0. Source: two-slope decay from diffuse-field theory (60 dB in T).
 */
export function expectedFallDbPerS(reverberationS: number, overEchoDb: number): number {
  const room = 60 / reverberationS;
  if (room >= OWN_FALL_DB_PER_S) return OWN_FALL_DB_PER_S;
  const bend = Math.min(TO_DB, Math.max(FROM_DB, overEchoDb));
  return (TO_DB - FROM_DB) / ((bend - FROM_DB) / OWN_FALL_DB_PER_S + (TO_DB - bend) / room);
}

/** So near the room's own pace nothing but echo is heard, whatever the distance. Estimate. */
const ONLY_ECHO = 1.15;

/** The distance at which phrases die away as they do, m; Infinity beyond the reach of the model. */
export function distanceByFallM(fallDbPerS: number, reverberationS: number, criticalDistanceM: number): number {
  const room = 60 / reverberationS;
  if (fallDbPerS <= room * ONLY_ECHO) return Infinity;
  const timeS = (TO_DB - FROM_DB) / Math.min(fallDbPerS, OWN_FALL_DB_PER_S);
  const bend = (timeS + FROM_DB / OWN_FALL_DB_PER_S - TO_DB / room) / (1 / OWN_FALL_DB_PER_S - 1 / room);
  return criticalDistanceM / 10 ** (bend / 20);
}

/** A figure by octave at any frequency, between octaves on the logarithmic scale, dB. */
function octaveAt(levels: OctaveLevels, hz: number): number {
  const at = Math.min(OCTAVES_HZ.length - 1, Math.max(0, Math.log2(hz / OCTAVES_HZ[0])));
  const below = Math.min(OCTAVES_HZ.length - 2, Math.floor(at));
  return levels[below]! + (levels[below + 1]! - levels[below]!) * (at - below);
}

const BRIGHT_HZ = [2500, 6300] as const;
const MIDDLE_HZ = [400, 1600] as const;

function balance(bands: readonly (readonly [hz: number, db: number])[]): number {
  const power = ([from, to]: readonly [number, number]) =>
    bands.reduce((sum, [hz, db]) => (hz >= from && hz <= to ? sum + 10 ** (db / 10) : sum), 0);
  return 10 * Math.log10(power(BRIGHT_HZ) / power(MIDDLE_HZ));
}

/** Third-octave levels per hertz become levels of the band. */
const widened = (db: number, hz: number): number => db + 10 * Math.log10(hz);

/**
 * Speech of 2.5 to 6.3 kHz re its 400 Hz to 1.6 kHz after a place's colour, dB. Source: ANSI S3.5-1997, table 3, normal voice.
 */
export function expectedBrightDb(colourDb: OctaveLevels): number {
  return balance(
    SPEECH_THIRDS_HZ.map(
      (hz, index) => [hz, widened(SPEECH_SPECTRUM_DB.normal[index]!, hz) + octaveAt(colourDb, hz)] as const,
    ),
  );
}

/** The same of what was measured; null without speech. */
export function measuredBrightDb(colourDb: readonly number[] | undefined): number | null {
  if (!colourDb || colourDb.length < BANDS_HZ.length) return null;
  return balance(BANDS_HZ.map((hz, band) => [hz, colourDb[band]!] as const));
}
