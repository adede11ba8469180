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

/** Something smooth dragged over the capsule does not crackle: loud noise without any pitch for longer than a consonant lasts. */
const SMOOTH_VOICED = 0.38;
const SMOOTH_UNDER_VOICE_DB = -13;
const SMOOTH_OVER_NOISE_DB = 15;
const SMOOTH_SHORTEST_S = 0.36;
/** An s has more in its highs, dB. */
const SMOOTH_BRIGHT_DB = -0.5;

/** Between a voice's pulses it is nearly still, so its fine structure leaps; where it hardly does, something smooth fills them. */
const FILLED_VOICED = 0.6;
const FILLED_CRACKLE = 0.42;
const FILLED_UNDER_VOICE_DB = -12;
const FILLED_SHORTEST_S = 0.15;
const FILLED_BRIGHT_DB = -9;

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
  const drags = runsOf(
    hops,
    (hop) =>
      voicing[hop]! < SMOOTH_VOICED &&
      dbOver(upper[hop]!, speech) > SMOOTH_UNDER_VOICE_DB &&
      dbOver(upper[hop]!, noise[hop]!) > SMOOTH_OVER_NOISE_DB &&
      dbOver(high[hop]!, upper[hop]!) < SMOOTH_BRIGHT_DB,
    3,
  ).filter((run) => (run.to - run.from) * hopS >= SMOOTH_SHORTEST_S);
  const filled = runsOf(
    hops,
    (hop) =>
      voicing[hop]! > FILLED_VOICED &&
      crackle[hop]! < FILLED_CRACKLE &&
      dbOver(high[hop]!, upper[hop]!) > FILLED_BRIGHT_DB &&
      dbOver(upper[hop]!, speech) > FILLED_UNDER_VOICE_DB &&
      dbOver(upper[hop]!, noise[hop]!) > SMOOTH_OVER_NOISE_DB,
    2,
  ).filter((run) => (run.to - run.from) * hopS >= FILLED_SHORTEST_S);
  const spots = [...runs, ...drags, ...filled]
    .sort((one, other) => one.from - other.from)
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
