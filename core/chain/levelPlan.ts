import type { OctaveLevels } from "../sound";
import type { Effort } from "../voice";
import type { Settings, Targets } from "./bestSettings";
import type { LevelAdvice } from "./messages";
import type { KnobId, LevelUnit } from "./stage";

/** One stage with the levels on it, in its unit. */
export interface StageLevels {
  id: string;
  name: string;
  device: string;
  unit: LevelUnit;
  /** Long-term level of every voice, and of the noise so far, unweighted. */
  voices: Readonly<Record<Effort, number>>;
  noise: number;
  softest: number;
  loudest: number;
  /** Peaks of the loudest planned voice as the sine level that reaches as high. */
  peak: number;
  /** Null for a stage that has no limit of its own here. */
  clip: number | null;
  headroomDb: number | null;
  reserveDb: number;
  isTypical: boolean;
}

/** One knob as it should stand. */
export interface KnobSetting {
  id: KnobId;
  stageId: string;
  name: string;
  device: string;
  deviceId: string;
  valueDb: number;
  says: string;
  /** Where a figure is missing: between which settings it lies. Both are `valueDb` where everything is known. */
  lowDb: number;
  highDb: number;
  isHeld: boolean;
  /** Whether it can be turned at all. */
  choices: readonly { valueDb: number; says: string }[];
}

export interface LevelPlan {
  settings: Settings;
  knobs: readonly KnobSetting[];
  stages: readonly StageLevels[];
  targets: Targets;
  loudest: Effort;
  /** The stage with the least headroom, the level at the first stage at which it clips, and the softest voice that does it. */
  firstToClip: { id: string; name: string; headroomDb: number; atDb: number; atEffort: Effort | null };
  /** Sample peaks of the loudest voice, dBFS. */
  peakDbfs: number;
  /** Long-term level of the softest, the usual and the loudest voice, dBFS (AES17). */
  softestDbfs: number;
  speechDbfs: number;
  loudestDbfs: number;
  noiseDbfs: number;
  /** The usual voice over the noise, dB: unweighted, A-weighted, by octave 125…8k. */
  snrDb: number;
  snrDba: number;
  snrOctavesDb: OctaveLevels;
  /** What makes the noise, loudest first: each by its origin. */
  noiseSources: readonly { origin: string; dbfs: number; isPlace: boolean }[];
  advice: readonly LevelAdvice[];
  /** Whether every stage stays clean and the peaks stay under the ceiling. */
  isClean: boolean;
}
