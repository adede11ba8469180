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
const LONGEST_MUTE_S = 2;
/** A burst of receiver noise is at most this far under the voice, dB. */
const UNDER_VOICE_DB = -13;
const OVER_NOISE_DB = 15;
/** Third-octaves from 2.5 kHz, over which a voice falls: white noise rises by 1 dB each, and speech never follows that so closely. */
const FIRST_BAND = 13;
const WHITE_WITHIN_DB = 3.2;
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

/** Mutes of a radio link: for a moment there is less than the place's own noise. */
function findMutes({ heard, startS, speech }: Scene): Spot[] {
  const { fine, figures } = heard;
  const sampled = new Float64Array(Math.ceil(fine.length / SAMPLED));
  let count = 0;
  for (let part = 0; part < fine.length; part += SAMPLED) if (fine[part]! > 1e-12) sampled[count++] = fine[part]!;
  const limit = percentile(sampled.subarray(0, count), 0.05) * 10 ** (UNDER_FLOOR_DB / 10);
  const partS = heard.hopS / PARTS_PER_HOP;
  return runsUnder(fine, limit)
    .filter(
      ({ from, to }) =>
        to - from >= SHORTEST_MUTE && (to - from) * partS <= LONGEST_MUTE_S && to < fine.length - 20 && from > 20,
    )
    .filter((run) => mostIn(figures.steps, run) > 0)
    .map(({ from, to }): Spot => ({
      kind: "dropout",
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
  const isWhite = (hop: number): boolean => {
    const power = powers[hop]!;
    return power > overVoice && power > overNoise * noise[hop]! && straysDb(hop) < WHITE_WITHIN_DB;
  };
  return runsOf(heard.hops, isWhite, 2)
    .filter((run) => run.to - run.from >= 2 && (run.to - run.from) * heard.hopS < 1 && !diesAway(run))
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
  return [...joinSpots(findMutes(scene), 0.05), ...joinSpots(findBursts(scene), 0.1)];
}
