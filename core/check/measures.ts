import { BANDS_HZ } from "../audio";
import { amplitudeToDb } from "../sound";
import { bandAt } from "./heard";
import type { ChannelTotals } from "./recordingTotals";
import {
  binAt,
  DECAY_STEP,
  FLAT_BINS,
  lineHz,
  LOWEST_PEAK_DB,
  LOWEST_PITCH_HZ,
  LOWEST_RISE_DB,
  PEAK_BINS_PER_DB,
  PITCHES_PER_OCTAVE,
  RISES_PER_DB,
} from "./traits";

/** Mains hum as it stands in a channel. */
export interface Hum {
  mainsHz: 50 | 60;
  /** How many of its lines stand out. */
  lines: number;
  /** The clearest line over what is beside it, and all lines together re the voice, dB. */
  overBesideDb: number;
  overVoiceDb: number;
}

/** Figures of a channel that traits are judged by; NaN where there was nothing to measure. */
export interface Measures {
  hum: Hum | null;
  hissDb: number;
  hissFallDb: number;
  decayDbPerS: number | null;
  /** Median pitch of the clear voice, Hz; null where there was too little of it. */
  pitchHz: number | null;
  /** The voice's own highest peak, dBFS; null where there was too little voice. Knocks and wind are none of it. */
  voicePeakDbfs: number | null;
  plateauShare: number;
  /** Share of the loud hops whose peaks lie within 2 dB of the highest. */
  atTopShare: number;
  /** How much flatter the tops of the highest half-waves are than those of weaker ones: −1…1. */
  flatterTops: number;
  /** Share of the loud peaks that crowd into 2 dB. */
  crowdShare: number;
  /** How much more of them crowds by chance than in a minute of speech, because there were few. */
  crowdByChance: number;
  sibilanceDb: number;
  /** Speech of 2.5 to 6.3 kHz, and of 125 to 250 Hz, re its 400 Hz to 1.6 kHz. */
  brightDb: number;
  bassDb: number;
  /** How far the clearest third-octave of the noise over 600 Hz stands over those two away, and how it stands to the voice, dB. */
  whineOverDb: number;
  whineUnderVoiceDb: number;
  whineHz: number;
  /** Where the voice ends as if cut off, Hz; null where it does not. */
  edgeHz: number | null;
  risesDb: number;
  lowsDb: number;
  /** Speech by third-octave without the noise, mean square. */
  speechBands: readonly number[];
  noiseBands: readonly number[];
}

const MAINS = [50, 60] as const;
const HARMONICS = 6;
const FEWEST_SPEECH_HOPS = 150;
const FEWEST_PAUSE_HOPS = 40;
const FEWEST_DECAYS = 3;
const FEWEST_RISES = 3;
const FEWEST_PITCHES = 60;
/** S sounds are few: of less speech than 6 s their share says nothing. */
const FEWEST_FOR_SIBILANCE = 600;

const powerDb = (power: number): number => 10 * Math.log10(power + 1e-20);

function between(bands: readonly number[], fromHz: number, toHz: number): number {
  let sum = 0;
  for (let band = bandAt(fromHz); band <= bandAt(toHz); band += 1) sum += bands[band]!;
  return sum;
}

function humOf(totals: ChannelTotals, speech: number): Hum | null {
  const { lines, pieces } = totals.traits;
  const hz = lineHz(totals.slowRateHz);
  const at = (frequency: number) => {
    const bin = Math.round(frequency / hz);
    let most = 0;
    for (let near = bin - 1; near <= bin + 1; near += 1) most = Math.max(most, lines[near] ?? 0);
    const beside: number[] = [];
    for (let off = 4; off <= 12; off += 1) beside.push(lines[bin - off] ?? 0, lines[bin + off] ?? 0);
    beside.sort((a, b) => a - b);
    return { power: most / Math.max(1, pieces), overDb: powerDb(most) - powerDb(beside[beside.length >> 1]!) };
  };
  const found = MAINS.map((mainsHz): Hum => {
    const all = Array.from({ length: HARMONICS }, (_, index) => at(mainsHz * (index + 1)));
    const clear = all.filter(({ overDb }) => overDb > 8);
    return {
      mainsHz,
      lines: clear.length,
      overBesideDb: all.reduce((most, { overDb }) => Math.max(most, overDb), 0),
      overVoiceDb: powerDb(clear.reduce((sum, { power }) => sum + power * 2, 0)) - powerDb(speech),
    };
  });
  const best = found[0]!.lines * 100 + found[0]!.overBesideDb >= found[1]!.lines * 100 + found[1]!.overBesideDb ? 0 : 1;
  return found[best]!.lines >= 2 || found[best]!.overBesideDb > 20 ? found[best]! : null;
}

/** Peaks this far under the loudest percent are loud, dB; and the width of a crowd among them. */
const LOUD_DB = 12;
const CROWD_DB = 2;
const FEWEST_SYLLABLES = 30;

/** Loud syllables of a minute, which the limit was set with; and how the fullest 2 dB of fewer stray, by 1 / √count. */
const USUAL_SYLLABLES = 160;
const CROWD_STRAYS = 2.6;

/** Share of the loud syllables whose peaks crowd into 2 dB near the top, where a limiter holds them. */
function crowdOf(totals: ChannelTotals): Pick<Measures, "crowdShare" | "crowdByChance"> {
  const { syllables: peaks, speechHops } = totals.traits;
  if (speechHops < FEWEST_SPEECH_HOPS) return { crowdShare: 0, crowdByChance: 0 };
  const top = Math.floor(binAt(peaks, 0.97));
  const within = (from: number, to: number) =>
    peaks.subarray(Math.max(0, from), to).reduce((sum, count) => sum + count, 0);
  const loud = within(top - LOUD_DB * PEAK_BINS_PER_DB, peaks.length);
  const width = CROWD_DB * PEAK_BINS_PER_DB;
  if (loud < FEWEST_SYLLABLES) return { crowdShare: 0, crowdByChance: 0 };
  let most = 0;
  for (let from = top - 2 * width; from <= top; from += 1) most = Math.max(most, within(from, from + width));
  return {
    crowdShare: most / loud,
    crowdByChance: CROWD_STRAYS * Math.max(0, 1 / Math.sqrt(loud) - 1 / Math.sqrt(USUAL_SYLLABLES)),
  };
}

/** A voice reaches its peak more than once: what stands alone is a click. */
const FEWEST_PEAKS = 2;

/** Top of the loudest bin of spoken peaks that is reached twice, but not above the file's own. */
function voicePeakDbfs({ traits: { peaks }, samplePeakDbfs }: ChannelTotals): number {
  let [top, seen] = [peaks.length, 0];
  while (top > 0 && seen < FEWEST_PEAKS) seen += peaks[(top -= 1)]!;
  return Math.min(samplePeakDbfs, (top + 1) / PEAK_BINS_PER_DB + LOWEST_PEAK_DB);
}

/** The voice's peak is the file's own within this, dB: true peaks are a little above samples. */
const BESIDE_PEAK_DB = 1.5;

/**
 * How high the voice reaches: the true peak where that is the voice's own, else the voice's sample peak, dBFS. What is louder than
 * the voice is a knock or the wind: it has a finding of its own, and no level cures it.
 */
export function voicesPeakDb<Level extends number | null>(
  voicePeakDbfs: number | null | undefined,
  samplePeakDbfs: number | null,
  truePeakDbtp: Level,
): Level | number {
  const isApart = (voicePeakDbfs ?? Infinity) < (samplePeakDbfs ?? -Infinity) - BESIDE_PEAK_DB;
  return isApart ? voicePeakDbfs! : truePeakDbtp;
}

/** Share of the spoken hops whose peaks lie within so many decibels of the loudest. */
function shareNearTop(totals: ChannelTotals, withinDb: number): number {
  const { peaks, speechHops } = totals.traits;
  if (speechHops < FEWEST_SPEECH_HOPS) return 0;
  const top = Math.floor((amplitudeToDb(totals.samplePeak) - LOWEST_PEAK_DB) * PEAK_BINS_PER_DB);
  let near = 0;
  for (let bin = Math.max(0, top - withinDb * PEAK_BINS_PER_DB + 1); bin < peaks.length; bin += 1) near += peaks[bin]!;
  return near / speechHops;
}

/** Loud hops that tell the top's shape, those that tell the usual one lie so far under it, dB. */
const TOP_HOPS = 30;
const FEWEST_TOPS = 60;
const USUAL_FROM_DB = 4;
const USUAL_TO_DB = 16;

/**
 * Whether the highest half-waves are flatter than others of the same voice. A stage that overloads flattens them, also
 * where a capacitor or a de-emphasis behind it has tilted the flats; a limiter turns the gain and leaves their shape.
 */
function topsOf({ traits: { tops } }: ChannelTotals): Pick<Measures, "atTopShare" | "flatterTops"> {
  const levels = tops.length / FLAT_BINS;
  const row = (level: number) => tops.subarray(level * FLAT_BINS, (level + 1) * FLAT_BINS);
  const count = (from: number, to: number) =>
    tops.subarray(Math.max(0, from) * FLAT_BINS, to * FLAT_BINS).reduce((sum, own) => sum + own, 0);
  let highest = levels;
  while (highest > 0 && count(highest - 1, levels) < 2) highest -= 1;
  const loud = count(highest - 12, levels);
  if (loud < FEWEST_TOPS) return { atTopShare: 0, flatterTops: 0 };
  const gathered = (from: number, to: number) => {
    const sum = new Uint32Array(FLAT_BINS);
    for (let level = Math.max(0, from); level < to; level += 1) row(level).forEach((own, bin) => (sum[bin]! += own));
    return sum;
  };
  let first = highest;
  while (first > 0 && count(first, levels) < TOP_HOPS) first -= 1;
  const usual = gathered(highest - USUAL_TO_DB, highest - USUAL_FROM_DB);
  return {
    atTopShare: count(highest - 2, levels) / loud,
    flatterTops: (binAt(gathered(first, levels), 0.5) - binAt(usual, 0.5)) / FLAT_BINS,
  };
}

function pitchOf({ traits: { pitches } }: ChannelTotals): number | null {
  if (pitches.reduce((sum, count) => sum + count, 0) < FEWEST_PITCHES) return null;
  return LOWEST_PITCH_HZ * 2 ** (binAt(pitches, 0.5) / PITCHES_PER_OCTAVE);
}

const WHINE_FROM_HZ = 630;

/** The third-octave of the pauses that stands alone. */
function whineOf(
  noise: readonly number[],
  speech: number,
): Pick<Measures, "whineOverDb" | "whineUnderVoiceDb" | "whineHz"> {
  let [overDb, best] = [-Infinity, 0];
  for (let band = bandAt(WHINE_FROM_HZ); band + 2 < noise.length; band += 1) {
    if (noise[band + 2]! <= 0) continue;
    const own = powerDb(noise[band]!) - (powerDb(noise[band - 2]!) + powerDb(noise[band + 2]!)) / 2;
    if (own > overDb) [overDb, best] = [own, band];
  }
  return {
    whineOverDb: overDb,
    whineUnderVoiceDb: powerDb(speech) - powerDb(noise[best] ?? 0),
    whineHz: BANDS_HZ[best]!,
  };
}

/** A voice never falls by so much over two third-octaves by itself, dB; a telephone's band ends between these, Hz. */
const EDGE_DB = 18;
const EDGE_FROM_HZ = 2000;
const EDGE_TO_HZ = 5000;

/** Where speech with its noise falls off a cliff, above which nothing comes again. */
function edgeOf(bands: readonly number[]): number | null {
  for (let band = bandAt(EDGE_FROM_HZ); band <= bandAt(EDGE_TO_HZ); band += 1) {
    const above = bands.slice(band + 2, bandAt(12_500) + 1);
    if (above.length > 0 && above.every((power) => powerDb(bands[band]!) - powerDb(power) > EDGE_DB))
      return BANDS_HZ[band]!;
  }
  return null;
}

/** Works out the figures that traits are judged by. */
export function measuresOf(totals: ChannelTotals): Measures {
  const { traits } = totals;
  const speaks = traits.speechHops >= FEWEST_SPEECH_HOPS;
  const pauses = traits.pauseHops >= FEWEST_PAUSE_HOPS;
  const noiseBands = Array.from(traits.pauseBands, (sum) => (pauses ? sum / traits.pauseHops : 0));
  const speechBands = Array.from(traits.speechBands, (sum, band) =>
    speaks ? Math.max(0, sum / traits.speechHops - noiseBands[band]!) : 0,
  );
  const speech = speechBands.reduce((sum, band) => sum + band, 0);
  const middle = between(speechBands, 400, 1600);
  const over = (power: number, reference: number) => (reference > 0 ? powerDb(power) - powerDb(reference) : NaN);
  const decays = traits.decays.reduce((sum, count) => sum + count, 0);
  const rises = traits.rises.reduce((sum, count) => sum + count, 0);
  return {
    hum: speaks ? humOf(totals, speech) : null,
    hissDb: speaks && pauses ? over(between(noiseBands, 2000, 8000), speech) : NaN,
    hissFallDb: pauses ? over(between(noiseBands, 6300, 8000), between(noiseBands, 1000, 1250)) : NaN,
    decayDbPerS: decays >= FEWEST_DECAYS ? binAt(traits.decays, 0.6) * DECAY_STEP : null,
    pitchHz: pitchOf(totals),
    voicePeakDbfs: speaks ? voicePeakDbfs(totals) : null,
    plateauShare: shareNearTop(totals, 0.5),
    ...topsOf(totals),
    ...crowdOf(totals),
    sibilanceDb: traits.speechHops >= FEWEST_FOR_SIBILANCE ? binAt(traits.sibilance, 0.95) / 2 - 60 : NaN,
    brightDb: speaks ? over(between(speechBands, 2500, 6300), middle) : NaN,
    bassDb: speaks ? over(between(speechBands, 125, 250), middle) : NaN,
    ...(speaks && pauses ? whineOf(noiseBands, speech) : { whineOverDb: NaN, whineUnderVoiceDb: NaN, whineHz: NaN }),
    edgeHz: speaks ? edgeOf(Array.from(traits.speechBands)) : null,
    risesDb: rises >= FEWEST_RISES ? binAt(traits.rises, 0.5) / RISES_PER_DB + LOWEST_RISE_DB : NaN,
    lowsDb: pauses ? over(traits.pauseLow / traits.pauseHops, between(noiseBands, 160, 250)) : NaN,
    speechBands,
    noiseBands,
  };
}

/** The speech's colour: third-octaves re its middle, dB; empty without speech. */
export function colourOf({ speechBands }: Measures): number[] {
  const middle = between(speechBands, 400, 1600);
  if (middle <= 0) return [];
  return speechBands.map((band) => Math.max(-90, powerDb(band) - powerDb(middle)));
}

/** Noise by octave from 125 Hz to 8 kHz in the pauses, mean squares; empty without pauses. */
export function noiseOctavesOf({ noiseBands }: Measures): number[] {
  if (noiseBands.every((band) => band === 0)) return [];
  return [125, 250, 500, 1000, 2000, 4000, 8000].map((middleHz) => {
    const middle = BANDS_HZ.indexOf(middleHz as (typeof BANDS_HZ)[number]);
    return (noiseBands[middle - 1] ?? 0) + noiseBands[middle]! + (noiseBands[middle + 1] ?? 0);
  });
}
