import {
  activeLevel,
  type ActiveParts,
  type ClippingReport,
  countedIn,
  countLevel,
  joinClipping,
  KEPT_WINDOWS,
  levelHistogram,
  type LevelHistogram,
  loudnessCounter,
  type LoudnessCounter,
  type MixLoudness,
  NO_CLIPPING,
  type Overview,
  overviewBuilder,
  type OverviewBuilder,
  percentileOf,
} from "../audio";
import { amplitudeToDb, meanSquareToDbfs } from "../sound";
import type { ChannelReport } from "./channelReport";
import { joinCourse } from "./course";
import type { FindingKind } from "./kinds";
import type { CoursePoint } from "./measurement";
import { addPair, likenessOf, type Pair, type PairLikeness, type PairReport } from "./pairs";
import { joinPhrases, type Phrase } from "./phrases";
import type { PieceReport } from "./pieceReport";
import type { Spot } from "./spot";
import { addTraits, noTraits, type Traits } from "./traits";

/** Places of one kind that are listed; all are counted. */
const LISTED = 60;
/** Noise needs so many pauses of 50 ms, else the quietest tenth of everything is taken. */
const FEWEST_PAUSES = 12;
const FLOOR_SHARE = 0.1;

/** What one channel comes to over all pieces; levels may be −∞. RMS-like figures are on the AES17 scale. */
export interface ChannelTotals {
  samplePeak: number;
  samplePeakDbfs: number;
  truePeakDbtp: number;
  integratedLufs: number;
  rmsDbfs: number;
  speechLevelDbfs: number;
  speechActivity: number;
  noiseFloorDbfs: number;
  snrDb: number;
  /** Mean of all samples, share of full scale. */
  dcOffset: number;
  clipping: ClippingReport;
  traits: Traits;
  slowRateHz: number;
  spots: readonly Spot[];
  counts: Readonly<Partial<Record<FindingKind, number>>>;
  course: readonly CoursePoint[];
  /** Where somebody speaks without a pause. */
  phrases: readonly Phrase[];
  overview: Overview;
}

interface ChannelSum {
  frames: number;
  sum: number;
  squares: number;
  samplePeak: number;
  truePeak: number;
  loudness: LoudnessCounter;
  overview: OverviewBuilder;
  active: ActiveParts;
  levels: LevelHistogram;
  pauses: LevelHistogram;
  clipping: ClippingReport;
  traits: Traits;
  spots: Spot[];
  counts: Partial<Record<FindingKind, number>>;
  course: CoursePoint[];
  phrases: Phrase[];
}

const newSum = (hopFrames: number, columns: number, windows: number): ChannelSum => ({
  frames: 0,
  sum: 0,
  squares: 0,
  samplePeak: 0,
  truePeak: 0,
  loudness: loudnessCounter(windows),
  overview: overviewBuilder(hopFrames, columns),
  active: new Float64Array(22),
  levels: levelHistogram(),
  pauses: levelHistogram(),
  clipping: NO_CLIPPING,
  traits: noTraits(),
  spots: [],
  counts: {},
  course: [],
  phrases: [],
});

/** The noise where nobody speaks: the median of the pauses, or the quietest tenth of all where there are none. */
function noiseOf(pauses: LevelHistogram, levels: LevelHistogram): number {
  return countedIn(pauses) >= FEWEST_PAUSES ? percentileOf(pauses, 0.5) : percentileOf(levels, FLOOR_SHARE);
}

function addChannel(sum: ChannelSum, report: ChannelReport): void {
  sum.course = joinCourse(sum.course, report.course);
  joinPhrases(sum.phrases, report.phrases);
  sum.frames += report.frames;
  sum.sum += report.sum;
  sum.squares += report.squares;
  sum.samplePeak = Math.max(sum.samplePeak, report.samplePeak);
  sum.truePeak = Math.max(sum.truePeak, report.truePeak);
  for (const step of report.loudnessSteps) sum.loudness.push(step);
  sum.overview.push(report.lowest, report.highest);
  report.active.forEach((count, index) => (sum.active[index]! += count));
  for (const level of report.levels) countLevel(sum.levels, level);
  for (const level of report.pauses) countLevel(sum.pauses, level);
  sum.clipping = joinClipping(sum.clipping, report.clipping);
  addTraits(sum.traits, report.traits);
  for (const spot of report.spots) {
    const count = (sum.counts[spot.kind] ?? 0) + 1;
    sum.counts[spot.kind] = count;
    if (count <= LISTED) sum.spots.push(spot);
  }
}

function totalsOf(sum: ChannelSum, slowRateHz: number): ChannelTotals {
  const meanSquare = sum.squares / Math.max(1, sum.frames);
  const dcOffset = sum.sum / Math.max(1, sum.frames);
  // A DC offset is no speech.
  const speech = activeLevel(sum.active, Math.max(0, meanSquare - dcOffset ** 2));
  const noiseFloorDbfs = noiseOf(sum.pauses, sum.levels);
  return {
    samplePeak: sum.samplePeak,
    samplePeakDbfs: amplitudeToDb(sum.samplePeak),
    truePeakDbtp: amplitudeToDb(sum.truePeak),
    integratedLufs: sum.loudness.integratedLufs(),
    rmsDbfs: meanSquareToDbfs(meanSquare),
    speechLevelDbfs: speech.levelDbfs,
    speechActivity: speech.activity,
    noiseFloorDbfs,
    snrDb: speech.levelDbfs - noiseFloorDbfs,
    dcOffset,
    clipping: sum.clipping,
    traits: sum.traits,
    slowRateHz,
    spots: sum.spots,
    counts: sum.counts,
    course: sum.course,
    phrases: sum.phrases,
    overview: sum.overview.finish(),
  };
}

export interface RecordingTotals {
  channels: readonly ChannelTotals[];
  pairs: readonly { pair: Pair; likeness: PairLikeness }[];
  integratedLufs: number;
  loudnessRangeLu: number | null;
  /** The tracks that were asked for together; null where none were. */
  mix: MixLoudness | null;
  /** Loudness step by step of every track, to mix them later; null where that was not asked for, or takes too much room. */
  loudnessSteps: Float32Array[] | null;
  brokenSamples: number;
  frames: number;
}

export interface TotalsOptions {
  /** Tracks, from 0, whose loudness together is wanted. */
  mix?: readonly number[] | undefined;
  /** Keeps {@link RecordingTotals.loudnessSteps} of recordings of more than two tracks. */
  keepsSteps?: boolean | undefined;
}

export interface TotalsBuilder {
  /** Reports of the pieces, in order. */
  add(report: PieceReport): void;
  finish(): RecordingTotals;
}

/** Widest overview of one channel; many channels have narrower ones, so that memory stays bounded. */
const columnsFor = (channels: number): number => (channels > 8 ? 1 << 12 : channels > 2 ? 1 << 15 : 1 << 17);

/** Beyond so many tracks fewer windows of loudness are kept one by one, so that memory stays bounded. */
const MANY_CHANNELS = 16;
/** Most steps of loudness that are kept of all tracks together, 4 bytes each. */
const MOST_STEPS = 8_000_000;

/** Gathers every track's steps of loudness while there is room. */
function stepKeeper(channels: number): { add(report: PieceReport): void; finish(): Float32Array[] | null } {
  let pieces: Float32Array[][] | null = Array.from({ length: channels }, () => []);
  let count = 0;
  return {
    add(report) {
      count += channels * report.channels[0]!.loudnessSteps.length;
      if (count > MOST_STEPS) pieces = null;
      pieces?.forEach((own, index) => own.push(report.channels[index]!.loudnessSteps));
    },
    finish: () =>
      pieces?.map((own) => {
        const all = new Float32Array(own.reduce((sum, { length }) => sum + length, 0));
        let at = 0;
        for (const piece of own) {
          all.set(piece, at);
          at += piece.length;
        }
        return all;
      }) ?? null,
  };
}

/**
 * Adds up pieces of a recording in memory that does not grow with its length.
 * Overall loudness takes mono and stereo as BS.1770 programmes; more channels are loose tracks and have none (−∞).
 */
export function recordingTotals(sampleRateHz: number, channels: number, options: TotalsOptions = {}): TotalsBuilder {
  const hopFrames = Math.round(sampleRateHz / 100);
  const windows = channels > MANY_CHANNELS ? KEPT_WINDOWS / 10 : KEPT_WINDOWS;
  const sums = Array.from({ length: channels }, () => newSum(hopFrames, columnsFor(channels), windows));
  const programme = loudnessCounter();
  const { mix } = options;
  const mixed = loudnessCounter();
  const steps = options.keepsSteps && channels > 2 ? stepKeeper(channels) : null;
  const pairs: PairReport[] = [];
  let [brokenSamples, slowRateHz] = [0, 2000];
  return {
    add(report) {
      if (channels <= 2) {
        const [left, right] = [report.channels[0]!.loudnessSteps, report.channels[1]?.loudnessSteps];
        left.forEach((step, index) => programme.push(step + (right?.[index] ?? 0)));
      }
      if (mix)
        report.channels[mix[0]!]!.loudnessSteps.forEach((_, step) =>
          mixed.push(mix.reduce((sum, channel) => sum + report.channels[channel]!.loudnessSteps[step]!, 0)),
        );
      steps?.add(report);
      report.channels.forEach((channel, index) => addChannel(sums[index]!, channel));
      report.pairs.forEach((pair, index) => {
        if (pairs[index]) addPair(pairs[index], pair);
        else pairs[index] = pair;
      });
      brokenSamples += report.brokenSamples;
      slowRateHz = report.slowRateHz;
    },
    finish: () => ({
      channels: sums.map((sum) => totalsOf(sum, slowRateHz)),
      pairs: pairs.flatMap((report) => {
        const likeness = likenessOf(report, slowRateHz);
        return likeness ? [{ pair: report.pair, likeness }] : [];
      }),
      integratedLufs: programme.integratedLufs(),
      loudnessRangeLu: programme.rangeLu(),
      mix: mix ? { channels: mix, integratedLufs: mixed.integratedLufs(), loudnessRangeLu: mixed.rangeLu() } : null,
      loudnessSteps: steps?.finish() ?? null,
      brokenSamples,
      frames: sums[0]!.frames,
    }),
  };
}
