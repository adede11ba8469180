import { BANDS_HZ, LINE_COUNT, LINE_SIZE } from "../audio";
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
  /** Spoken hops by peak, in steps of 1 dB from −60 dBFS, and by how flat their top is, in {@link FLAT_BINS} steps. */
  tops: Uint32Array;
  /** Power of 5 to 10 kHz of spoken hops re the piece's speech, in half decibels from −60 dB. */
  sibilance: Uint32Array;
  /** How fast phrases die away, in steps of 10 dB/s. */
  decays: Uint32Array;
  /** Rise of the noise during pauses, in quarters of a decibel from −10. */
  rises: Uint32Array;
  /** Pitch of clearly voiced hops, in half semitones from {@link LOWEST_PITCH_HZ}. */
  pitches: Uint32Array;
}

export const PEAK_BINS_PER_DB = 4;
const PEAK_BINS = 66 * PEAK_BINS_PER_DB;
export const LOWEST_PEAK_DB = -60;
/** Steps of flatness from 0 to 1. */
export const FLAT_BINS = 24;
const TOP_DB = 66;
/** A syllable's loudest hop is the loudest within so many to either side. */
const SYLLABLE = 9;
const SIBILANCE_BINS = 160;
export const DECAY_STEP = 10;
const DECAY_BINS = 100;
export const LOWEST_RISE_DB = -10;
export const RISES_PER_DB = 4;
const RISE_BINS = 41 * RISES_PER_DB;
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
    tops: new Uint32Array(TOP_DB * FLAT_BINS),
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

/** A pause's noise is read in blocks of so many hops, up to so many hops before the next word; so many at least make a pause. */
const RISE_BLOCK = 10;
const BEFORE_WORD = 4;
const FEWEST_BLOCKS = 4;
/** The echo has died away by this share of a pause. */
const ECHO_SHARE = 0.6;
/** What rises by more from one block to the next begins anew: a breath, a step; a gain never goes up so fast, dB. */
const LEAP_DB = 6;
/** Bands of the noise's lows. */
const LOWS_FROM = bandAt(125);
const LOWS_TO = bandAt(250);

/** Levels of neighbouring blocks of hops, dB. */
function blockLevels(powers: Float32Array, from: number, to: number): number[] {
  return Array.from({ length: Math.floor((to - from) / RISE_BLOCK) }, (_, block) => {
    const begin = from + block * RISE_BLOCK;
    let sum = 0;
    for (let hop = begin; hop < begin + RISE_BLOCK; hop += 1) sum += powers[hop]!;
    return 10 * Math.log10(sum / RISE_BLOCK + 1e-18);
  });
}

/** How far a straight line through levels rises from the first to the last, dB (least squares). */
function lineRise(levels: readonly number[]): number {
  const middle = (levels.length - 1) / 2;
  let [products, squares] = [0, 0];
  levels.forEach((level, index) => {
    products += level * (index - middle);
    squares += (index - middle) ** 2;
  });
  return (products / squares) * (levels.length - 1);
}

/** How far the quiet quarter of the later half lies over the first, twice: that is how far what rises steadily has come. */
function quietRise(levels: readonly number[]): number {
  const later = levels.slice(levels.length >> 1).sort((one, other) => one - other);
  return 2 * (later[later.length >> 2]! - levels[0]!);
}

/**
 * Rise of the noise during each pause from where the echo has died away, dB. A gain lifts all of the noise alike, a
 * breath has few lows and ends again: the least of three rises counts, of the whole, of the lows, and of what is quiet.
 */
function risesOf(heard: Heard): number[] {
  const { isSpeech, hops, level, first } = heard;
  const lows = heard.between("sound", LOWS_FROM, LOWS_TO);
  const rises: number[] = [];
  let from = -1;
  for (let hop = first; hop <= hops; hop += 1) {
    if (hop < hops && !isSpeech[hop]) {
      if (from < 0) from = hop;
      continue;
    }
    // What comes before the first word follows no speech.
    if (from > first) {
      const levels = blockLevels(level, from, hop - BEFORE_WORD);
      const settled = levels.slice(0, Math.ceil(levels.length * ECHO_SHARE));
      const begin = settled.indexOf(Math.min(...settled));
      const leap = levels.findIndex((after, block) => block > begin && after - levels[block - 1]! > LEAP_DB);
      const end = leap < 0 ? levels.length : leap;
      if (end - begin >= FEWEST_BLOCKS)
        rises.push(
          Math.min(
            lineRise(levels.slice(begin, end)),
            quietRise(levels.slice(begin, end)),
            lineRise(blockLevels(lows, from, hop - BEFORE_WORD).slice(begin, end)),
          ),
        );
    }
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
    const flatness = figures.tops[hop]!;
    if (flatness > 0) {
      const level = binned(20 * Math.log10(peak + 1e-9) - LOWEST_PEAK_DB, TOP_DB);
      traits.tops[level * FLAT_BINS + binned(flatness * FLAT_BINS, FLAT_BINS)]! += 1;
    }
    let isTop = peak > 0;
    for (let near = hop - SYLLABLE; near <= hop + SYLLABLE && isTop; near += 1)
      isTop = near < 0 || near >= hops || hopPeak(near) <= peak;
    if (isTop)
      traits.syllables[binned((20 * Math.log10(peak + 1e-9) - LOWEST_PEAK_DB) * PEAK_BINS_PER_DB, PEAK_BINS)]! += 1;
    traits.peaks[binned((20 * Math.log10(peak + 1e-9) - LOWEST_PEAK_DB) * PEAK_BINS_PER_DB, PEAK_BINS)]! += 1;
  }
  for (const slope of decaysOf(heard)) traits.decays[binned(slope / DECAY_STEP, DECAY_BINS)]! += 1;
  for (const rise of risesOf(heard)) traits.rises[binned((rise - LOWEST_RISE_DB) * RISES_PER_DB, RISE_BINS)]! += 1;
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
