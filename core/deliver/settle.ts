import type { Mix } from "./deliverWav";
import { deliveryGain, type LoudnessTarget, type ProgrammeLevels } from "./targets";

/** A limiter takes loudness away with the peaks: so often more is given, until it is this near, LU. */
const ROUNDS = 3;
const NEAR_LU = 0.1;
/** More than this on top would squash a voice, dB. */
const MOST_MORE_DB = 3;

/**
 * The mix at a target's loudness, with a ceiling only where a peak would pass it; null for silence. `measure` plays a mix and says
 * how loud it is: once without, and once a round where peaks are held.
 */
export async function settledMix(
  mix: Mix,
  target: LoudnessTarget,
  measure: (mix: Mix) => Promise<ProgrammeLevels>,
): Promise<{ mix: Mix; before: ProgrammeLevels } | null> {
  const before = await measure({ ...mix, gainDb: 0, ceilingDbtp: null });
  const gain = deliveryGain(before, target);
  if (!gain) return null;
  if (gain.overDb === 0) return { before, mix: { ...mix, gainDb: gain.gainDb, ceilingDbtp: null } };
  let { gainDb } = gain;
  for (let round = 0; round < ROUNDS; round += 1) {
    const { integratedLufs } = await measure({ ...mix, gainDb, ceilingDbtp: target.truePeakDbtp });
    const missing = target.integratedLufs - (integratedLufs ?? target.integratedLufs);
    if (missing < NEAR_LU) break;
    gainDb = Math.min(gainDb + missing, gain.gainDb + MOST_MORE_DB);
  }
  return { before, mix: { ...mix, gainDb, ceilingDbtp: target.truePeakDbtp } };
}
