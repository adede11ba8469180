import { bandAt } from "../heard";
import { joinSpots, type Spot } from "../spot";
import { dbOver, meanIn, mostIn, runsOf, type Scene } from "./scene";

/** Cloth crackles: single milliseconds differ more than those of noise (0.3 to 0.8) do. */
const CRACKLES = 0.95;
/** Over the noise of the upper bands, and no further than this under the voice, dB. */
const OVER_NOISE_DB = 7;
const UNDER_VOICE_DB = -32;
/** A voice's pulses crackle too, but they have a pitch. */
const VOICED = 0.45;
const CRACKLES_OVER_VOICE = 1.4;
const SHORTEST_S = 0.1;
/** A creaking voice crackles too, but it has few highs: 5 to 10 kHz re 1 to 8 kHz, dB. */
const BRIGHT_DB = -17;

/** Noise of clothes: uneven noise of the upper bands without any pitch. */
export function findRustle(scene: Scene): Spot[] {
  const { heard, upper, high, crackle, speech, startS } = scene;
  const { hops, hopS, voicing } = heard;
  const noise = heard.between("noise", bandAt(1000), bandAt(8000));
  const runs = runsOf(
    hops,
    (hop) =>
      crackle[hop]! > CRACKLES &&
      (voicing[hop]! < VOICED || crackle[hop]! > CRACKLES_OVER_VOICE) &&
      dbOver(high[hop]!, upper[hop]!) > BRIGHT_DB &&
      dbOver(upper[hop]!, noise[hop]!) > OVER_NOISE_DB &&
      dbOver(upper[hop]!, speech) > UNDER_VOICE_DB,
    3,
  );
  const spots = runs
    .filter((run) => (run.to - run.from) * hopS >= SHORTEST_S)
    .map((run): Spot => ({
      kind: "rustle",
      startS: startS + run.from * hopS,
      endS: startS + run.to * hopS,
      sizeDb: dbOver(mostIn(upper, run), speech),
      confidence: Math.min(1, 0.3 + meanIn(crackle, run) / 2),
    }));
  return joinSpots(spots, 0.5);
}
