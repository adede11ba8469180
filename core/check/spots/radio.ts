import { PARTS_PER_HOP } from "../../audio";
import { joinSpots, type Spot } from "../spot";
import { dbOver, mostIn, percentile, runsOf, type Run, type Scene } from "./scene";

/** Parts over which the fine structure is averaged. */
const AVERAGED = 5;
/** One part in so many tells what is usual. */
const SAMPLED = 8;
/** A mute is this far under what is there when nobody speaks, dB, and at least so long, parts. */
const UNDER_FLOOR_DB = -9;
const SHORTEST_MUTE = 8;
const LONGEST_MUTE_S = 4;
/** A mute so long is a contact that was lost, s. */
const CONTACT_S = 0.5;
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

/** Mutes of a radio link and contacts lost: for a moment there is less than the place's own noise. */
function findMutes({ heard, startS, speech }: Scene): Spot[] {
  const { fine, figures } = heard;
  const { floor, isSteady } = floorOf(heard);
  if (!isSteady) return [];
  const limit = floor * 10 ** (UNDER_FLOOR_DB / 10);
  const partS = heard.hopS / PARTS_PER_HOP;
  return runsUnder(fine, limit)
    .filter(
      ({ from, to }) =>
        to - from >= SHORTEST_MUTE && (to - from) * partS <= LONGEST_MUTE_S && to < fine.length - 20 && from > 20,
    )
    .filter((run) => mostIn(figures.steps, run) > 0)
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
