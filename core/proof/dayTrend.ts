import type { RecordingMeasurement } from "../check";
import type { ProofMessage } from "./messages";

/** One stretch of a take on the day's time. */
export interface TrendPoint {
  /** Seconds after midnight; where the recorder's clock is not known, seconds of sound before it. */
  atS: number;
  take: string;
  speechDbfs: number | null;
  noiseDbfs: number | null;
  rustlesPerMin: number;
  dropoutsPerMin: number;
}

/** How a wearer's sound went over a day. */
export interface DayTrend {
  points: readonly TrendPoint[];
  /** By the clock; otherwise one take after the other. */
  isTimed: boolean;
  /** Whether there is enough of it to tell a drift. */
  isTold: boolean;
  /** What changed; empty: nothing that matters. */
  says: readonly ProofMessage[];
}

/** A take of the day and the wearer's channel in it. */
export interface TrendTake {
  recording: RecordingMeasurement;
  channel: number;
}

/** Longest stretch that one point stands for, s. */
const STRETCH_S = 120;
/** Changes over the day that matter, dB, and how steady they must be (Kendall's tau). Common practice and estimate. */
const LEVEL_MATTERS_DB = 4;
const NOISE_MATTERS_DB = 5;
const STEADY = 0.5;
const FEWEST = 4;
/** Rustle or dropouts a minute that matter, and how many times more there are late than early. Estimate. */
const OFTEN_PER_MIN = 1;
const MORE = 2.5;

function pointsOf({ recording, channel }: TrendTake, startsAtS: number): TrendPoint[] {
  const { file, format, channels } = recording;
  const own = channels.find(({ index }) => index === channel);
  const course = own?.course ?? [];
  const stretches: TrendPoint[] = [];
  for (let from = 0; from < course.length;) {
    const beginsS = course[from]!.startS;
    let to = from;
    while (to < course.length && course[to]!.startS < beginsS + STRETCH_S) to += 1;
    const part = course.slice(from, to);
    const minutes = Math.max(1 / 6, ((course[to]?.startS ?? format.durationS) - beginsS) / 60);
    const median = (levels: (number | null)[]) => medianOf(levels.filter((level): level is number => level !== null));
    stretches.push({
      atS: startsAtS + beginsS,
      take: file,
      speechDbfs: median(part.map(({ speechDbfs }) => speechDbfs)),
      noiseDbfs: median(part.map(({ noiseDbfs }) => noiseDbfs)),
      rustlesPerMin: part.reduce((sum, { rustles }) => sum + rustles, 0) / minutes,
      dropoutsPerMin: part.reduce((sum, { dropouts }) => sum + dropouts, 0) / minutes,
    });
    from = to;
  }
  return stretches;
}

function medianOf(values: readonly number[]): number | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((one, other) => one - other);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** How much a figure changed from first to last, and how steadily, −1…1. Method: Theil and Sen's slope, Kendall's tau. */
function changeOf(
  points: readonly TrendPoint[],
  figure: (point: TrendPoint) => number | null,
): { byDb: number; tau: number } | null {
  const known = points.flatMap((point) => {
    const value = figure(point);
    return value === null ? [] : [{ atS: point.atS, value }];
  });
  if (known.length < FEWEST) return null;
  const slopes: number[] = [];
  let [agree, pairs] = [0, 0];
  known.forEach((one, index) => {
    for (const other of known.slice(index + 1)) {
      if (other.atS <= one.atS) continue;
      slopes.push((other.value - one.value) / (other.atS - one.atS));
      agree += Math.sign(other.value - one.value);
      pairs += 1;
    }
  });
  const slope = medianOf(slopes);
  if (slope === null) return null;
  return { byDb: slope * (known.at(-1)!.atS - known[0]!.atS), tau: agree / pairs };
}

/** A figure in the last third beside the two before it, per minute. */
function lateAndEarly(points: readonly TrendPoint[], figure: (point: TrendPoint) => number): [number, number] {
  const cut = Math.floor((points.length * 2) / 3);
  const mean = (part: readonly TrendPoint[]) =>
    part.reduce((sum, point) => sum + figure(point), 0) / Math.max(1, part.length);
  return [mean(points.slice(cut)), mean(points.slice(0, cut))];
}

function changesOf(points: readonly TrendPoint[]): ProofMessage[] {
  const says: ProofMessage[] = [];
  const level = changeOf(points, ({ speechDbfs }) => speechDbfs);
  const noise = changeOf(points, ({ noiseDbfs }) => noiseDbfs);
  const isSteady = (change: { byDb: number; tau: number } | null, matters: number) =>
    change !== null && Math.abs(change.byDb) >= matters && Math.abs(change.tau) >= STEADY;
  if (isSteady(level, LEVEL_MATTERS_DB))
    says.push({ code: level!.byDb < 0 ? "trend.voiceFell" : "trend.voiceRose", byDb: Math.abs(level!.byDb) });
  if (isSteady(noise, NOISE_MATTERS_DB))
    says.push({ code: noise!.byDb > 0 ? "trend.noiseRose" : "trend.noiseFell", byDb: Math.abs(noise!.byDb) });
  if (points.length < FEWEST) return says;
  const [lateRustle, earlyRustle] = lateAndEarly(points, ({ rustlesPerMin }) => rustlesPerMin);
  if (lateRustle >= OFTEN_PER_MIN && lateRustle >= MORE * earlyRustle) says.push({ code: "trend.rustleGrows" });
  const [lateDrops, earlyDrops] = lateAndEarly(points, ({ dropoutsPerMin }) => dropoutsPerMin);
  if (lateDrops >= OFTEN_PER_MIN && lateDrops >= MORE * earlyDrops) says.push({ code: "trend.dropoutsGrow" });
  return says;
}

/** Level, noise, rustle and dropouts of one wearer's takes over a day: by the recorder's clock where takes have it. */
export function dayTrend(takes: readonly TrendTake[]): DayTrend {
  const startOf = ({ recording }: TrendTake) => recording.format.startedAtS ?? null;
  const timed = takes.filter((take) => startOf(take) !== null);
  const isTimed = timed.length > 1;
  const order = isTimed
    ? timed.sort((one, other) => startOf(one)! - startOf(other)!)
    : [...takes].sort((one, other) =>
        one.recording.file.localeCompare(other.recording.file, undefined, { numeric: true }),
      );
  const points: TrendPoint[] = [];
  let beforeS = 0;
  for (const take of order) {
    points.push(...pointsOf(take, isTimed ? startOf(take)! : beforeS));
    beforeS += take.recording.format.durationS;
  }
  return { points, isTimed, isTold: points.length >= FEWEST, says: changesOf(points) };
}
