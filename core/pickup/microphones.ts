import { rowsById } from "../schema";
import { mapOctaves, type OctaveLevels, OCTAVES_HZ, whiteNoiseDb } from "../sound";
import { randomEnergyWithTube, type PatternId } from "./patterns";

/** What holds a microphone: decides what shakes it. */
export const HOLDERS = ["boom", "hand", "stand", "table", "camera", "phone", "body"] as const;
export type Holder = (typeof HOLDERS)[number];

interface Row {
  name: string;
  /** Patterns it can be set to; the first is its usual one. */
  patterns: readonly [PatternId, ...PatternId[]];
  /** Interference tube in front of the capsule, m; 0 without one. */
  tubeM: number;
  /** Spoken into at its end or at its side. */
  address: "end" | "side";
  /** Equivalent noise of its own, dBA. Typical of its kind, an estimate. */
  selfNoiseDba: number;
  /** What it gives at 94 dB SPL, and where it overloads. Typical of its kind, estimates. */
  sensitivityMvPerPa: number;
  maxSplDb: number;
  /** How it is plugged: an XLR mic on phantom power or on none, a lavalier's plug, or inside the device that records. */
  plugs: "phantom" | "none" | "lav" | "inside";
  holder: Holder;
}

/** Generic microphones. */
const ROWS = {
  shortHyper: {
    name: "short hypercardioid",
    patterns: ["hypercardioid"],
    tubeM: 0,
    address: "end",
    selfNoiseDba: 16,
    sensitivityMvPerPa: 25,
    maxSplDb: 130,
    plugs: "phantom",
    holder: "boom",
  },
  longGun: {
    name: "long gun",
    patterns: ["hypercardioid"],
    tubeM: 0.3,
    address: "end",
    selfNoiseDba: 14,
    sensitivityMvPerPa: 35,
    maxSplDb: 125,
    plugs: "phantom",
    holder: "boom",
  },
  handCardioid: {
    name: "hand mic",
    patterns: ["cardioid"],
    tubeM: 0,
    address: "end",
    selfNoiseDba: 24,
    sensitivityMvPerPa: 1.8,
    maxSplDb: 150,
    plugs: "none",
    holder: "hand",
  },
  handOmni: {
    name: "omnidirectional hand mic",
    patterns: ["omni"],
    tubeM: 0,
    address: "end",
    selfNoiseDba: 24,
    sensitivityMvPerPa: 1.5,
    maxSplDb: 150,
    plugs: "none",
    holder: "hand",
  },
  studio: {
    name: "large side-address mic",
    patterns: ["cardioid", "omni", "figureEight", "subcardioid", "hypercardioid"],
    tubeM: 0,
    address: "side",
    selfNoiseDba: 9,
    sensitivityMvPerPa: 20,
    maxSplDb: 140,
    plugs: "phantom",
    holder: "table",
  },
  standCardioid: {
    name: "small cardioid",
    patterns: ["cardioid"],
    tubeM: 0,
    address: "end",
    selfNoiseDba: 16,
    sensitivityMvPerPa: 14,
    maxSplDb: 135,
    plugs: "phantom",
    holder: "stand",
  },
  tableOmni: {
    name: "table omni",
    patterns: ["omni"],
    tubeM: 0,
    address: "end",
    selfNoiseDba: 20,
    sensitivityMvPerPa: 10,
    maxSplDb: 130,
    plugs: "phantom",
    holder: "table",
  },
  cameraMic: {
    name: "camera mic",
    patterns: ["supercardioid"],
    tubeM: 0.12,
    address: "end",
    selfNoiseDba: 20,
    sensitivityMvPerPa: 30,
    maxSplDb: 125,
    plugs: "phantom",
    holder: "camera",
  },
  phone: {
    name: "phone",
    patterns: ["omni"],
    tubeM: 0,
    address: "end",
    selfNoiseDba: 30,
    sensitivityMvPerPa: 6,
    maxSplDb: 118,
    plugs: "inside",
    holder: "phone",
  },
  recorderPair: {
    name: "recorder's own pair",
    patterns: ["cardioid"],
    tubeM: 0,
    address: "end",
    selfNoiseDba: 22,
    sensitivityMvPerPa: 12,
    maxSplDb: 125,
    plugs: "inside",
    holder: "table",
  },
  lav: {
    name: "lavalier",
    patterns: ["omni"],
    tubeM: 0,
    address: "end",
    selfNoiseDba: 26,
    sensitivityMvPerPa: 6,
    maxSplDb: 130,
    plugs: "lav",
    holder: "body",
  },
} satisfies Record<string, Row>;

export type MicrophoneId = keyof typeof ROWS;
export type MicrophoneRow = Row & { id: MicrophoneId };
export const MICROPHONES: Record<MicrophoneId, MicrophoneRow> = rowsById<MicrophoneId, Row>(ROWS);
export const MICROPHONE_IDS = Object.keys(ROWS) as MicrophoneId[];

/** A microphone's own noise as equivalent sound, dB SPL by octave 125…8k, taken as white. */
export const selfNoiseDb = (microphone: MicrophoneId): OctaveLevels =>
  whiteNoiseDb(MICROPHONES[microphone].selfNoiseDba);

const remembered = new Map<string, OctaveLevels>();

/** Random energy efficiency of a microphone's pattern by octave 125…8k, 0…1. */
export function randomEnergyOctaves(microphone: MicrophoneId, pattern: PatternId): OctaveLevels {
  const key = `${microphone} ${pattern}`;
  const known = remembered.get(key);
  if (known) return known;
  const { tubeM } = MICROPHONES[microphone];
  const energy = mapOctaves((band) => randomEnergyWithTube(pattern, tubeM, OCTAVES_HZ[band]!));
  remembered.set(key, energy);
  return energy;
}
