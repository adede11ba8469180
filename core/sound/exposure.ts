import type { Message } from "../message";
import { powerToDb, dbToPower } from "./decibel";

/** Hours a day at a level by NIOSH (98-126): 85 dBA for 8 h, half the time for every 3 dB more. Levels in dBA, 60…140. */
export const nioshHours = (levelDba: number): number => 8 / 2 ** ((levelDba - 85) / 3);

/** Hours a week at a level by WHO/ITU-T H.870: 80 dBA for 40 h, half the time for every 3 dB more. */
export const weeklyHours = (levelDba: number): number => 40 / 2 ** ((levelDba - 80) / 3);

/** So long at so loud, on headphones or by ear. */
export interface Listening {
  levelDba: number;
  hours: number;
}

/** What listening comes to: shares of what is allowed, 1 for all of it. */
export type ExposureCatalogue = {
  "exposure.tooMuch": { dayShare: number; downDb: number; allowedMin: number };
  "exposure.tooMuchInAll": { dayShare: number; downDb: number; toShare: number };
  "exposure.rest": { dayShare: number };
  "exposure.notEveryDay": { weekShare: number };
  "exposure.fine": { dayShare: number };
};
export type ExposureMessage = Message<ExposureCatalogue>;

export interface Exposure {
  /** Share of what one day allows (NIOSH), and of what a week allows (H.870); 1 is all of it. */
  dayShare: number;
  weekShare: number;
  /** The level of eight even hours with the same dose, dBA; null for nothing heard. */
  eightHourDba: number | null;
  grade: "good" | "usable" | "redo";
  says: ExposureMessage;
}

/** A day's dose from what was listened to, and what to do about it. Local rules decide; this is no medical advice. */
export function exposureOf(listened: readonly Listening[]): Exposure {
  const share = (allowed: (levelDba: number) => number) =>
    listened.reduce((sum, { levelDba, hours }) => sum + Math.max(0, hours) / allowed(levelDba), 0);
  const dayShare = share(nioshHours);
  const weekShare = share(weeklyHours);
  const energy = listened.reduce((sum, { levelDba, hours }) => sum + dbToPower(levelDba) * Math.max(0, hours), 0);
  const eightHourDba = energy > 0 ? powerToDb(energy / 8) : null;
  const grade = dayShare > 1 ? "redo" : dayShare > 0.5 || weekShare > 1 / 5 ? "usable" : "good";
  return { dayShare, weekShare, eightHourDba, grade, says: exposureMessage(listened, dayShare, weekShare) };
}

function exposureMessage(listened: readonly Listening[], dayShare: number, weekShare: number): ExposureMessage {
  if (dayShare > 1) {
    // 3 dB for each doubling; all of it together, for the dose is the whole day's.
    const downDb = Math.ceil(3 * Math.log2(dayShare) - 1e-9);
    const heard = listened.filter(({ hours }) => hours > 0);
    const allowedMin = Math.floor((60 * heard.reduce((sum, { hours }) => sum + hours, 0)) / dayShare + 1e-9);
    return heard.length === 1
      ? { code: "exposure.tooMuch", dayShare, downDb, allowedMin }
      : { code: "exposure.tooMuchInAll", dayShare, downDb, toShare: Math.floor(100 / dayShare) / 100 };
  }
  if (dayShare > 0.5) return { code: "exposure.rest", dayShare };
  return weekShare > 1 / 5 ? { code: "exposure.notEveryDay", weekShare } : { code: "exposure.fine", dayShare };
}
