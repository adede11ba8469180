import { bandAt } from "../heard";
import type { Spot } from "../spot";
import { dbOver, meanIn, mostIn, percentile, runsOf, type Run, type Scene } from "./scene";

/** A breath is smooth noise of the middle bands before a phrase. */
const SMOOTH = 0.9;
/** Noise may look periodic for a moment: for one look, which is four hops. */
const VOICED = 0.4;
const HOLE = 4;
const OVER_NOISE_DB = 8;
const UNDER_VOICE_DB = -34;
const OVER_VOICE_DB = -8;
const SHORTEST_S = 0.16;
const LONGEST_S = 1;
const CONSONANT_S = 0.28;
/** An echo is loudest where it begins, and what it is the echo of was louder: within so many hops on both sides. */
const TAIL_HOPS = 5;
/** Share of the pauses' hops that are no louder than the usual noise. */
const USUAL_SHARE = 0.3;
/** Speech follows within, hops. */
const FOLLOWS = 60;

/** What dies away from its beginning after something louder: the room, or a word's end. */
function isTail(middle: ArrayLike<number>, run: Run): boolean {
  const begun = mostIn(middle, { from: run.from, to: run.from + TAIL_HOPS });
  return begun >= mostIn(middle, run) && mostIn(middle, { from: run.from - TAIL_HOPS, to: run.from }) > begun;
}

/** Breaths that are heard: long smooth noise without pitch just before somebody speaks. */
export function findBreaths(scene: Scene): Spot[] {
  const { heard, upper, high, middle, crackle, speech, startS } = scene;
  const { hops, hopS, voicing, isSpeech } = heard;
  const noise = heard.between("noise", bandAt(315), bandAt(3150));
  const overNoise = 10 ** (OVER_NOISE_DB / 10);
  // Dropouts pull the noise down to nothing: what pauses are like all through is noise too.
  const usual = percentile(
    middle.filter((_, hop) => !isSpeech[hop]),
    USUAL_SHARE,
  );
  const runs = runsOf(
    hops,
    (hop) =>
      voicing[hop]! < VOICED &&
      crackle[hop]! < SMOOTH &&
      middle[hop]! > overNoise * Math.max(noise[hop]!, usual) + 1e-17,
    HOLE,
  );
  return runs.flatMap((run): Spot[] => {
    const seconds = (run.to - run.from) * hopS;
    if (seconds < SHORTEST_S || seconds > LONGEST_S) return [];
    const sizeDb = dbOver(mostIn(middle, run), speech);
    if (sizeDb < UNDER_VOICE_DB || sizeDb > OVER_VOICE_DB) return [];
    if (meanIn(high, run) > meanIn(middle, run) || meanIn(upper, run) <= 0) return [];
    if (isTail(middle, run)) return [];
    // What is short and lies beside voiced sound is a consonant.
    if (seconds < CONSONANT_S && meanIn(isSpeech, run) > 0.8) return [];
    let speaks = false;
    for (let hop = run.to; hop < Math.min(hops, run.to + FOLLOWS); hop += 1) speaks ||= isSpeech[hop] === 1;
    if (!speaks) return [];
    return [
      { kind: "breath", startS: startS + run.from * hopS, endS: startS + run.to * hopS, sizeDb, confidence: 0.7 },
    ];
  });
}
