import {
  type ActiveParts,
  type ChannelFigures,
  clippingOf,
  type ClippingReport,
  PARTS_PER_HOP,
  type PieceFigures,
} from "../audio";
import { courseOf } from "./course";
import { hear, type Heard } from "./heard";
import type { CoursePoint } from "./measurement";
import { phrasesOf, type Phrase } from "./phrases";
import type { Spot } from "./spot";
import { findSpots } from "./spots/findSpots";
import { sceneOf } from "./spots/scene";
import { coveredBy, touchedBy } from "./spots/touched";
import { traitsOf, type Traits } from "./traits";

/** What one channel of a piece comes to: small, free of the engine's memory, and added up piece by piece. */
export interface ChannelReport {
  frames: number;
  sum: number;
  squares: number;
  /** Largest absolute sample. */
  samplePeak: number;
  truePeak: number;
  /** K-weighted mean squares of every 100 ms. */
  loudnessSteps: Float32Array;
  /** Extremes hop by hop, for the overview. */
  lowest: Float32Array;
  highest: Float32Array;
  active: ActiveParts;
  /** Mean squares of 50 ms: all of them, and those in which nobody speaks. */
  levels: Float32Array;
  pauses: Float32Array;
  clipping: ClippingReport;
  traits: Traits;
  spots: readonly Spot[];
  course: readonly CoursePoint[];
  /** Where somebody speaks without a pause; one that goes on in the next piece ends with this one. */
  phrases: readonly Phrase[];
}

/** Overloads closer than this are one place to listen to, s. */
const CLIP_MERGE_S = 0.5;
const HOPS_PER_STEP = 10;
const HOPS_PER_LEVEL = 5;

/** A step that is not whole is left out: BS.1770-4 drops what does not fill a gating block. */
function loudnessSteps(figures: ChannelFigures, first: number, wholeHops: number, hopFrames: number): Float32Array {
  const steps = new Float32Array(Math.floor((wholeHops - first) / HOPS_PER_STEP));
  for (let step = 0; step < steps.length; step += 1) {
    let sum = 0;
    for (let hop = 0; hop < HOPS_PER_STEP; hop += 1) sum += figures.loudness[first + step * HOPS_PER_STEP + hop]!;
    steps[step] = sum / (HOPS_PER_STEP * hopFrames);
  }
  return steps;
}

/** Levels of 50 ms; a pause's counts where nobody speaks and nothing was found in any of it. */
function levelsOf(heard: Heard, wholeHops: number, isTouched: Uint8Array): Pick<ChannelReport, "levels" | "pauses"> {
  const levels = new Float32Array(Math.max(0, Math.floor((wholeHops - heard.first) / HOPS_PER_LEVEL)));
  const pauses = new Float32Array(levels.length);
  let pauseCount = 0;
  for (let index = 0; index < levels.length; index += 1) {
    const from = heard.first + index * HOPS_PER_LEVEL;
    let [sum, quiet] = [0, 0];
    for (let at = from; at < from + HOPS_PER_LEVEL; at += 1) {
      sum += heard.level[at]!;
      if (heard.isPause[at] && !isTouched[at]) quiet += 1;
    }
    levels[index] = sum / HOPS_PER_LEVEL;
    if (quiet === HOPS_PER_LEVEL) pauses[pauseCount++] = levels[index]!;
  }
  return { levels, pauses: pauses.slice(0, pauseCount) };
}

function sumsOf(
  figures: ChannelFigures,
  first: number,
  hops: number,
): Pick<ChannelReport, "sum" | "squares" | "samplePeak"> {
  let [sum, squares, samplePeak] = [0, 0, 0];
  for (let hop = first; hop < hops; hop += 1) {
    sum += figures.sums[hop]!;
    samplePeak = Math.max(samplePeak, figures.highest[hop]!, -figures.lowest[hop]!);
  }
  for (let part = first * PARTS_PER_HOP; part < hops * PARTS_PER_HOP; part += 1) squares += figures.squares[part]!;
  return { sum, squares, samplePeak };
}

/** Judges one channel of a metered piece that begins at frame `from` of the recording after `leadIn` frames of context. */
export function reportChannel(
  piece: PieceFigures,
  channel: number,
  place: { from: number; leadIn: number; fullScale: number },
): { report: ChannelReport; heard: Heard } {
  const figures = piece.channels[channel]!;
  const first = Math.round(place.leadIn / piece.hopFrames);
  const heard = hear(piece, channel, first);
  const startS = (place.from - place.leadIn) / piece.sampleRateHz;
  const scene = sceneOf(heard, startS);
  const spots = findSpots(scene);
  const isTouched = touchedBy(spots, scene);
  const isCovered = coveredBy(spots, scene);
  const offset = place.from - place.leadIn;
  const ownSpots = spots.filter((spot) => spot.startS * piece.sampleRateHz >= place.from - 1);
  const wholeHops = Math.floor(piece.frames / piece.hopFrames);
  const own = figures.runs.filter((run) => run.frame >= place.leadIn);
  return {
    heard,
    report: {
      frames: piece.frames - place.leadIn,
      ...sumsOf(figures, first, piece.hops),
      truePeak: figures.truePeak,
      loudnessSteps: loudnessSteps(figures, first, wholeHops, piece.hopFrames),
      lowest: figures.lowest.slice(first),
      highest: figures.highest.slice(first),
      active: figures.active.slice(),
      ...levelsOf(heard, wholeHops, isTouched),
      clipping: clippingOf(own, place.fullScale, offset, CLIP_MERGE_S * piece.sampleRateHz),
      traits: traitsOf(scene, { isTouched, isCovered }),
      spots: ownSpots,
      course: courseOf(heard, isTouched, ownSpots, place.from / piece.sampleRateHz),
      phrases: phrasesOf(heard, place.from / piece.sampleRateHz),
    },
  };
}
