/** A picture file with the sound that belongs to it. */
export interface MatchedPicture {
  /** The file's name. */
  name: string;
  seconds: number;
  /** When it began, of the day by its own clock, s; null where that is not known. */
  startS: number | null;
  sounds: readonly MatchedSound[];
  /** What was marked while it was recorded, from its beginning, s. */
  marks?: readonly Mark[];
}

export interface Mark {
  atS: number;
  label: string;
}

/** A cut of one recording: its stretches one after the other, in samples of the file. */
export interface SoundCut {
  title: string;
  frameRate: number;
  isDrop: boolean;
  /** The file's name, when it began of the day, and what it is like. */
  name: string;
  startS: number | null;
  sampleRateHz: number;
  frames: number;
  segments: readonly { from: number; to: number; isTone: boolean }[];
}

export interface MatchedSound {
  name: string;
  seconds: number;
  sampleRateHz: number;
  startS: number | null;
  /** Time in the sound file at the picture's first frame, s; negative where the sound began later. */
  offsetS: number;
  driftPpm: number | null;
}

/** A day in its order, for the edit. */
export interface CutList {
  title: string;
  /** Frames a second of the edit: 24, 25, 29.97 and so on. */
  frameRate: number;
  /** Whether timecode drops numbers, where the rate has such. */
  isDrop: boolean;
  pictures: readonly MatchedPicture[];
}

/** Where a sound lies under its picture, s from the picture's beginning and from its own. */
export function underPicture(picture: MatchedPicture, { offsetS, seconds }: MatchedSound) {
  const fromS = Math.max(0, -offsetS);
  const toS = Math.min(picture.seconds, seconds - offsetS);
  return { fromS, toS: Math.max(fromS, toS), soundFromS: fromS + offsetS };
}
