import { PARTS_PER_HOP } from "../../audio";
import { joinSpots, type Spot } from "../spot";
import { dbOver, meanIn, mostIn, percentile, runsOf, type Run, type Scene } from "./scene";

/** Parts over which the fine structure is averaged. */
const AVERAGED = 5;
/** One part in so many tells what is usual. */
const SAMPLED = 8;
/** In a mute there is no more than when nobody speaks, within so much, dB; it is at least so long, parts. */
const ABOUT_FLOOR_DB = 2;
const BRIEF_MUTE = 2;
/** And where there is clearly less, dB: so many parts at least, and for so long at most, s. */
const DEEP_DB = -9;
const SHORTEST_DEEP = 8;
const LONGEST_DEEP_S = 2;
const LONGEST_MUTE_S = 4;
/** A mute so long is a contact that was lost, s. */
const CONTACT_S = 0.5;
/** The voice beside a mute is at most so far under its mean, dB, within so many parts. */
const CUTS_UNDER_VOICE_DB = -20;
const CUT_WITHIN = 2;
const CLOSURE_PARTS = 14;
/** Holes nearer to each other than this are the voice's own, parts. */
const CREAK_WITHIN = 25;
/** And stands so far over what is left of the sound, dB. */
const LEAPS_DB = 20;
/** A contact that is lost for long is told by its beginning alone: that must be so many times louder. */
const CONTACT_LEAPS = 4;
const FEWEST_PAUSES = 20;
const DIGITAL_SILENCE = 1e-12;
const FEWEST_PAUSE_PARTS = 40;
const STEADY_DB = 9;
/** A burst of receiver noise is at most this far under the voice, dB. */
const UNDER_VOICE_DB = -24;
const OVER_NOISE_DB = 15;
const SHORTEST_BURST = 3;
/** Third-octaves from 2.5 kHz, over which a voice falls: white noise rises by 1 dB each, and speech never follows that so closely. */
const FIRST_BAND = 13;
const WHITE_WITHIN_DB = 3.2;
/** Of a burst that is weaker than this re the voice more is asked: an s comes near it, dB. */
const LOUD_UNDER_VOICE_DB = -13;
const WEAK_WHITE_WITHIN_DB = 2.4;
/** Noise of a receiver has its share under 2.5 kHz too, which an s has not: this far under what white noise would have there at most, dB. */
const LOWER_FROM = 9;
const LOWER_UNDER_WHITE_DB = 5;
/** What dies away is still so white so many hops later, and no further down, dB. */
const DYING_WITHIN_DB = 6;
const DIES_AFTER = 3;
const ENDS_BY_DB = 30;
/** A burst that is so much weaker at its end has died away within itself, dB. */
const FADES_DB = 12;

/** Runs of parts that lie under a limit. */
function runsUnder(values: Float32Array, limit: number): Run[] {
  const runs: Run[] = [];
  let from = -1;
  for (let part = AVERAGED; part <= values.length; part += 1) {
    const isUnder = part < values.length && values[part]! < limit;
    if (isUnder && from < 0) from = part;
    if (isUnder || from < 0) continue;
    runs.push({ from, to: part });
    from = -1;
  }
  return runs;
}

/** Level that the fine structure has where nobody speaks, without what a mute leaves of it, and whether it is steady. */
function floorOf({ fine, isPause }: Scene["heard"]): { floor: number; isSteady: boolean } {
  const inPauses: number[] = [];
  const all: number[] = [];
  let silent = 0;
  for (let part = 0; part < fine.length; part += SAMPLED) {
    const isInPause = isPause[Math.floor(part / PARTS_PER_HOP)];
    if (fine[part]! <= DIGITAL_SILENCE) {
      if (isInPause) silent += 1;
      continue;
    }
    all.push(fine[part]!);
    if (isInPause) inPauses.push(fine[part]!);
  }
  if (silent > FEWEST_PAUSE_PARTS && silent > inPauses.length) return { floor: percentile(all, 0.05), isSteady: false };
  if (inPauses.length < FEWEST_PAUSE_PARTS) return { floor: percentile(all, 0.05), isSteady: true };
  // Where there is no noise at all, what dies away of the voice is no floor.
  const isSteady = dbOver(percentile(inPauses, 0.6), percentile(inPauses, 0.25)) < STEADY_DB;
  return { floor: percentile(inPauses, 0.5), isSteady };
}

/** Mutes of a radio link and contacts lost: in the midst of the voice there is suddenly less than the place's own noise. */
function findMutes({ heard, startS, speech }: Scene): Spot[] {
  const { fine, figures } = heard;
  const { floor, isSteady } = floorOf(heard);
  const limit = floor * 10 ** (ABOUT_FLOOR_DB / 10);
  const partS = heard.hopS / PARTS_PER_HOP;
  const partFrames = heard.hopFrames / PARTS_PER_HOP;
  const pauses: number[] = [];
  for (let hop = 0; hop < heard.hops; hop += 1)
    if (heard.isPause[hop] && heard.level[hop]! > 0) pauses.push(heard.level[hop]!);
  // A vowel may have no highs at all, but it is never as weak as the place.
  const mostLeft =
    (pauses.length >= FEWEST_PAUSES ? percentile(pauses, 0.5) * 10 ** (ABOUT_FLOOR_DB / 10) : speech * 1e-4) *
    partFrames;
  const leastVoice = Math.max(speech * partFrames * 10 ** (CUTS_UNDER_VOICE_DB / 10), mostLeft * 10 ** (LEAPS_DB / 10));
  // A DC offset is no sound.
  const offset = figures.sums.reduce((sum, own) => sum + own, 0) / (heard.hops * heard.hopFrames);
  const powers = figures.squares.map((sum) => Math.max(0, sum - offset * offset * partFrames));
  /** A word ends over some ten milliseconds; what is cut is loud until then, or from then on. */
  const cutsIn = ({ from, to }: Run, least = leastVoice): [before: boolean, after: boolean] => [
    mostIn(powers, { from: from - AVERAGED - CUT_WITHIN, to: from - AVERAGED + CUT_WITHIN }) > least,
    mostIn(powers, { from: to - 1, to: to + CUT_WITHIN }) > least,
  ];
  /** What is left in a mute: by whole hops where there are any, as they are told without an offset. */
  const leftIn = ({ from, to }: Run): number => {
    const hops = { from: Math.ceil((from - 2) / PARTS_PER_HOP), to: Math.floor((to - 4) / PARTS_PER_HOP) };
    if (hops.to > hops.from) return meanIn(heard.level, hops) * partFrames;
    if (offset * offset * partFrames > mostLeft) return Infinity;
    return meanIn(powers, { from: from - 2, to: Math.max(from - 1, to - 4) });
  };
  const inBounds = ({ from, to }: Run) => to < fine.length - 20 && from > 20 && (to - from) * partS <= LONGEST_MUTE_S;
  // Less than the place's own noise is no lull of the voice, whatever is beside it.
  const deep = runsUnder(fine, floor * 10 ** (DEEP_DB / 10)).filter(
    (run) =>
      isSteady &&
      run.to - run.from >= SHORTEST_DEEP &&
      (run.to - run.from) * partS <= LONGEST_DEEP_S &&
      ((run.to - run.from) * partS < CONTACT_S || cutsIn(run)[0]),
  );
  // With an offset so large, single milliseconds do not tell where the voice stops.
  const isOff = offset * offset * partFrames > leastVoice / 10;
  const cut = (isOff ? [] : runsUnder(fine, limit)).filter((run) => {
    if (run.to - run.from < BRIEF_MUTE || leftIn(run) > mostLeft) return false;
    // A word may begin at once, out of silence, but it never ends so.
    if ((run.to - run.from) * partS >= CONTACT_S) return cutsIn(run, CONTACT_LEAPS * leastVoice)[0];
    // So long are the closures of consonants, too.
    const least = run.to - run.from > CLOSURE_PARTS ? CONTACT_LEAPS * leastVoice : leastVoice;
    return cutsIn(run, least).every((isCut) => isCut);
  });
  // A creaking voice falls silent between its pulses, again and again.
  const isCreak = (run: Run) =>
    cut.some((other) => other !== run && other.from - run.to < CREAK_WITHIN && run.from - other.to < CREAK_WITHIN);
  const isNew = (run: Run) => !deep.some((other) => other.from < run.to && other.to > run.from);
  return [...deep, ...cut.filter((run) => isNew(run) && !isCreak(run))]
    .filter((run) => inBounds(run) && mostIn(figures.steps, run) > 0)
    .sort((one, other) => one.from - other.from)
    .map(({ from, to }): Spot => ({
      kind: (to - from) * partS >= CONTACT_S ? "contactLost" : "dropout",
      startS: startS + (from - AVERAGED) * partS,
      endS: startS + to * partS,
      sizeDb: dbOver(limit, speech),
      confidence: Math.min(1, 0.7 + (to - from) / 200),
    }));
}

/** Bursts of white noise as a receiver makes them that has lost its transmitter. */
function findBursts({ heard, startS, speech }: Scene): Spot[] {
  const { bands } = heard.figures;
  let last = bands.length - 1;
  while (last > FIRST_BAND + 4 && bands[last]!.every((value) => value === 0)) last -= 1;
  // The highest band may be cut by the file's rate.
  const used = Array.from({ length: last - FIRST_BAND }, (_, index) => FIRST_BAND + index);
  const powers = heard.between("sound", FIRST_BAND, last - 1);
  const noise = heard.between("noise", FIRST_BAND, last - 1);
  const powerAt = (hop: number): number => powers[Math.min(hop, heard.hops - 1)]!;
  /** How far the bands of a hop stray from those of white noise, dB. */
  const straysDb = (hop: number): number => {
    const at = Math.min(hop, heard.hops - 1);
    let [sum, squares] = [0, 0];
    for (const band of used) {
      const db = 10 * Math.log10(bands[band]![at]! + 1e-18) - band;
      sum += db;
      squares += db * db;
    }
    const mean = sum / used.length;
    return Math.sqrt(Math.max(0, squares / used.length - mean * mean));
  };
  /** Whether 1 to 2 kHz holds what white noise of that strength has there; a voice under it only adds. */
  const reachesDown = (hop: number): boolean => {
    let [lower, upper] = [0, 0];
    for (let band = LOWER_FROM; band < FIRST_BAND; band += 1) lower += bands[band]![hop]!;
    for (const band of used) upper += bands[band]![hop]!;
    const white = (10 ** (FIRST_BAND / 10) - 10 ** (LOWER_FROM / 10)) / (10 ** (last / 10) - 10 ** (FIRST_BAND / 10));
    return dbOver(lower, upper * white) > -LOWER_UNDER_WHITE_DB;
  };
  /** A receiver falls silent at once; a clap or a slate dies away with the room, nearly as white as it began. */
  const diesAway = ({ from, to }: Run): boolean => {
    let loudest = 0;
    for (let hop = from; hop < to; hop += 1) loudest = Math.max(loudest, powerAt(hop));
    if (to - from >= 2 * DIES_AFTER && dbOver(loudest, powerAt(to - 2)) > FADES_DB) return true;
    return [DIES_AFTER, 2 * DIES_AFTER].every(
      (after) => straysDb(to + after) < DYING_WITHIN_DB && dbOver(loudest, powerAt(to + after)) < ENDS_BY_DB,
    );
  };
  const [overVoice, overNoise] = [10 ** (UNDER_VOICE_DB / 10) * speech, 10 ** (OVER_NOISE_DB / 10)];
  const loud = 10 ** (LOUD_UNDER_VOICE_DB / 10) * speech;
  const isWhite = (hop: number): boolean => {
    const power = powers[hop]!;
    if (power < overVoice || power < overNoise * noise[hop]!) return false;
    return straysDb(hop) < (power > loud ? WHITE_WITHIN_DB : WEAK_WHITE_WITHIN_DB) && reachesDown(hop);
  };
  return runsOf(heard.hops, isWhite, 2)
    .filter((run) => run.to - run.from >= SHORTEST_BURST && (run.to - run.from) * heard.hopS < 1 && !diesAway(run))
    .map(({ from, to }): Spot => ({
      kind: "radioNoise",
      startS: startS + from * heard.hopS,
      endS: startS + to * heard.hopS,
      sizeDb: dbOver(mostIn(heard.level, { from, to }), speech),
      confidence: 0.85,
    }));
}

/** What a radio link does when it fails for a moment. */
export function findRadioFaults(scene: Scene): Spot[] {
  return [...findMutes(scene), ...joinSpots(findBursts(scene), 0.1)];
}
