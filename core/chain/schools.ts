import { overallDb } from "../sound";
import type { Targets } from "./bestSettings";
import type { SoundIn } from "./soundIn";

/** Where practitioners want the voice: schools that disagree. Common practice. */
export const SCHOOLS = ["own", "minus12", "below6", "threeQuarters", "average20"] as const;
export type School = (typeof SCHOOLS)[number];

const CEILING_DBFS = -6;
/** "Just below": so much under the ceiling, dB. */
const BELOW_DB = 1;
/** Where the usual voice's peaks are held by those who record low. */
const AVERAGE_DBFS = -20;

/**
 * Target and ceiling of a school.
 *
 * `meterBottomDbfs` (−90…−20) is where the meter at hand begins: three quarters of it lie at a quarter of that. An average
 * is of the usual voice's peaks: those of the loudest line follow from how much louder it is. Common practice.
 */
export function targetsOf(school: School, own: Targets, meterBottomDbfs: number, sound: SoundIn | null): Targets {
  switch (school) {
    case "own":
      return own;
    case "minus12":
      return { targetDbfs: -12, ceilingDbfs: CEILING_DBFS };
    case "below6":
      return { targetDbfs: CEILING_DBFS - BELOW_DB, ceilingDbfs: CEILING_DBFS };
    case "threeQuarters":
      return { targetDbfs: Math.min(CEILING_DBFS, meterBottomDbfs / 4), ceilingDbfs: CEILING_DBFS };
    case "average20": {
      const { voicesDb, usual, loudest } = sound ?? {};
      const louderDb = voicesDb && usual && loudest ? overallDb(voicesDb[loudest]) - overallDb(voicesDb[usual]) : 0;
      return { targetDbfs: Math.min(CEILING_DBFS, AVERAGE_DBFS + louderDb), ceilingDbfs: CEILING_DBFS };
    }
  }
}
