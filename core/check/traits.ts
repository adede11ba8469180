import { LINE_COUNT, LINE_SIZE } from "../audio/pieceHearing";
import { BANDS_HZ } from "../audio/pieceMeter";
import { bandAt, type Heard } from "./heard";
import type { Scene } from "./spots/scene";

/** What a channel is like all through; sums and counts, so that pieces add up. */
export interface Traits {
  /** Spoken hops in which nothing else happens; those of all others in `coveredHops`. */
  speechHops: number;
  coveredHops: number;
  pauseHops: number;
  /** Sums of mean squares by third-octave over spoken hops, and over pauses in which nothing happens. */
  speechBands: Float64Array;
  pauseBands: Float64Array;
  /** Sum of the power under 55 Hz over those pauses. */
  pauseLow: number;
  /** What never goes away under 500 Hz: power by {@link LINE_HZ} and how many pieces were added. */
  lines: Float64Array;
  pieces: number;
  /** Peaks of spoken hops, in quarters of a decibel from −60 dBFS. */
  peaks: Uint32Array;
  /** The same of the loudest hop of each syllable. */
  syllables: Uint32Array;
  /** Power of 5 to 10 kHz of spoken hops re the piece's speech, in half decibels from −60 dB. */
  sibilance: Uint32Array;
  /** How fast phrases die away, in steps of 10 dB/s. */
  decays: Uint32Array;
  /** Rise of the noise during pauses, in decibels from −10. */
  rises: Uint32Array;
  /** Pitch of clearly voiced hops, in half semitones from {@link LOWEST_PITCH_HZ}. */
  pitches: Uint32Array;
}

export const PEAK_BINS_PER_DB = 4;
const PEAK_BINS = 66 * PEAK_BINS_PER_DB;
export const LOWEST_PEAK_DB = -60;
/** A syllable's loudest hop is the loudest within so many to either side. */
const SYLLABLE = 9;
const SIBILANCE_BINS = 160;
export const DECAY_STEP = 10;
const DECAY_BINS = 100;
export const LOWEST_RISE_DB = -10;
const RISE_BINS = 41;
export const LOWEST_PITCH_HZ = 70;
export const PITCHES_PER_OCTAVE = 24;
const PITCH_BINS = 64;
/** A voice's peak is at most so many times its hop's power: 16 dB. Estimate. */
const MOST_CREST = 40;
/** So periodic is a clear voice. */
const CLEAR = 0.75;

const binned = (value: number, bins: number): number => Math.max(0, Math.min(bins - 1, Math.floor(value)));

/** Traits of nothing, to add to. */
export function noTraits(): Traits {
  return {
    speechHops: 0,
    coveredHops: 0,
    pauseHops: 0,
    speechBands: new Float64Array(BANDS_HZ.length),
    pauseBands: new Float64Array(BANDS_HZ.length),
    pauseLow: 0,
    lines: new Float64Array(LINE_COUNT),
    pieces: 0,
    peaks: new Uint32Array(PEAK_BINS),
    syllables: new Uint32Array(PEAK_BINS),
    sibilance: new Uint32Array(SIBILANCE_BINS),
    decays: new Uint32Array(DECAY_BINS),
    rises: new Uint32Array(RISE_BINS),
    pitches: new Uint32Array(PITCH_BINS),
  };
}

/** Adds one piece's traits to others, in place, and gives them back. */
export function addTraits(to: Traits, other: Traits): Traits {
  for (const key of Object.keys(to) as (keyof Traits)[]) {
    const [sum, part] = [to[key], other[key]];
    if (typeof sum === "number") (to[key] as number) = sum + (part as number);
    else (part as Float64Array | Uint32Array).forEach((value, index) => (sum[index]! += value));
  }
  return to;
}

/** A fall counts when it is so deep, and ends where the level rises again by so much, dB. */
const DEEP_DB = 17;
const RISES_DB = 3;
/** The first of a fall is the voice itself; the slope is taken between these, dB under its beginning. */
const SLOPE_FROM_DB = 5;
const SLOPE_TO_DB = 17;

/** How fast the middle bands fall wherever the voice lets go, dB/s. In a strong room nothing falls faster than its echo. */
function decaysOf(heard: Heard): number[] {
  const { hops, hopS, first } = heard;
  const level = heard.between("sound", bandAt(500), bandAt(2000));
  const db = (hop: number) => 10 * Math.log10((level[hop - 1]! + level[hop]! + level[hop + 1]!) / 3 + 1e-18);
  const noise = heard.between("noise", bandAt(500), bandAt(2000));
  const floor = (hop: number) => 10 * Math.log10(noise[hop]! + 1e-18) + 5;
  const slopes: number[] = [];
  let hop = Math.max(first, 1);
  while (hop < hops - 2) {
    const top = db(hop);
    if (!heard.isSpeech[hop] || top - floor(hop) < DEEP_DB) {
      hop += 1;
      continue;
    }
    let [at, lowest, begins, ends] = [hop + 1, top, 0, 0];
    for (; at < hops - 2; at += 1) {
      const now = db(at);
      if (now > top || now > lowest + RISES_DB) break;
      lowest = Math.min(lowest, now);
      if (begins === 0 && now < top - SLOPE_FROM_DB) begins = at;
      if (now < top - SLOPE_TO_DB) {
        ends = at;
        break;
      }
    }
    if (ends > 0) slopes.push((SLOPE_TO_DB - SLOPE_FROM_DB) / Math.max(hopS, (ends - begins) * hopS));
    hop = ends > 0 ? ends : db(at) > top ? at : hop + 1;
  }
  return slopes;
}

/** Where a pause's first and later noise is read, hops after speech; and how long it must at least be. */
const AFTER = 10;
const FIRST_HOPS = 10;
const SHORTEST_PAUSE = 40;
/** Bands of the noise's lows. */
const LOWS_FROM = bandAt(125);
const LOWS_TO = bandAt(250);

/**
 * Rise of the noise during each pause, dB: the quiet quarter of its later half over what was there just after speech. A gain lifts
 * all of the noise alike, a breath has no lows: the lesser rise of the whole and of the lows counts.
 */
function risesOf(heard: Heard): number[] {
  const { isSpeech, hops, level, first } = heard;
  const lows = heard.between("sound", LOWS_FROM, LOWS_TO);
  const middleOf = (powers: Float32Array, from: number, to: number, share: number) => {
    const sorted = powers.slice(from, to).sort();
    return 10 * Math.log10(sorted[Math.floor(sorted.length * share)]! + 1e-18);
  };
  const riseOf = (powers: Float32Array, begin: number, end: number) =>
    middleOf(powers, (begin + end) >> 1, end - 4, 0.25) - middleOf(powers, begin, begin + FIRST_HOPS, 0.5);
  const rises: number[] = [];
  let from = -1;
  for (let hop = first; hop <= hops; hop += 1) {
    if (hop < hops && !isSpeech[hop]) {
      if (from < 0) from = hop;
      continue;
    }
    const begin = from + AFTER;
    // What comes before the first word follows no speech.
    if (from > first && hop - begin >= SHORTEST_PAUSE)
      rises.push(Math.min(riseOf(level, begin, hop), riseOf(lows, begin, hop)));
    from = -1;
  }
  return rises;
}

/** Hops in which something was found, and those of them in which it covers all of the voice. */
export interface Touched {
  isTouched: Uint8Array;
  isCovered: Uint8Array;
}

/** What one channel of a piece is like all through; hops where something was found are left out. */
export function traitsOf({ heard, low, high }: Scene, { isTouched, isCovered }: Touched): Traits {
  const traits = noTraits();
  const { figures, hops, first } = heard;
  const hopPeak = (hop: number) => Math.max(figures.highest[hop]!, -figures.lowest[hop]!);
  const [isVoice, isQuiet] = [new Uint8Array(hops), new Uint8Array(hops)];
  let speech = 0;
  for (let hop = first; hop < hops; hop += 1) {
    if (heard.isSpeech[hop] && isCovered[hop]) traits.coveredHops += 1;
    if (heard.isSpeech[hop] && !isCovered[hop]) {
      isVoice[hop] = 1;
      traits.speechHops += 1;
      speech += heard.level[hop]!;
    } else if (heard.isPause[hop] && !isTouched[hop]) {
      isQuiet[hop] = 1;
      traits.pauseHops += 1;
      traits.pauseLow += low[hop]!;
    }
  }
  [traits.speechBands, traits.pauseBands] = heard.sumsWhere(isVoice, isQuiet, first);
  speech /= Math.max(1, traits.speechHops);
  for (let hop = first; hop < hops; hop += 1) {
    if (!isVoice[hop]) continue;
    if (heard.voicing[hop]! > CLEAR)
      traits.pitches[binned(PITCHES_PER_OCTAVE * Math.log2(heard.pitchHz[hop]! / LOWEST_PITCH_HZ), PITCH_BINS)]! += 1;
    const over = 10 * Math.log10((high[hop]! + 1e-18) / (speech + 1e-18));
    traits.sibilance[binned((over + 60) * 2, SIBILANCE_BINS)]! += 1;
    const peak = hopPeak(hop);
    // A click in it is none of the voice.
    if (isTouched[hop] || peak * peak > MOST_CREST * heard.level[hop]!) continue;
    let isTop = peak > 0;
    for (let near = hop - SYLLABLE; near <= hop + SYLLABLE && isTop; near += 1)
      isTop = near < 0 || near >= hops || hopPeak(near) <= peak;
    if (isTop)
      traits.syllables[binned((20 * Math.log10(peak + 1e-9) - LOWEST_PEAK_DB) * PEAK_BINS_PER_DB, PEAK_BINS)]! += 1;
    traits.peaks[binned((20 * Math.log10(peak + 1e-9) - LOWEST_PEAK_DB) * PEAK_BINS_PER_DB, PEAK_BINS)]! += 1;
  }
  for (const slope of decaysOf(heard)) traits.decays[binned(slope / DECAY_STEP, DECAY_BINS)]! += 1;
  for (const rise of risesOf(heard)) traits.rises[binned(rise - LOWEST_RISE_DB, RISE_BINS)]! += 1;
  traits.lines = Float64Array.from(heard.lines);
  traits.pieces = 1;
  return traits;
}

/** Distance of the lines, Hz. */
export const lineHz = (slowRateHz: number): number => slowRateHz / LINE_SIZE;

/** The level of a share (0…1) of what was counted in bins, in bins; NaN when nothing was. */
export function binAt(counts: Uint32Array, share: number): number {
  const total = counts.reduce((sum, count) => sum + count, 0);
  let seen = 0;
  for (let bin = 0; bin < counts.length; bin += 1) {
    seen += counts[bin]!;
    if (total > 0 && seen >= Math.max(1, total * share)) return bin + 0.5;
  }
  return NaN;
}
