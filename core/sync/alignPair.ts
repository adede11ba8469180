import type { Candidate } from "./candidates";
import { lagBetween } from "./lag";
import { resampling, type Resampling } from "./resample";

/** A stretch of a recording's sound, one channel. */
export interface Stretch {
  samples: Float32Array;
  sampleRateHz: number;
}

/** Reads a stretch; what lies outside of the file is left out at the end, and never asked for before its beginning. */
export type ReadStretch = (fromS: number, seconds: number) => Promise<Stretch>;

/** One side of a pair. */
export interface Side {
  seconds: number;
  read: ReadStretch;
}

/** One look at a pair: where, and how far the sound is from the picture there. */
export interface Look {
  /** In the picture, s. */
  atS: number;
  /** Time in the sound less time in the picture, s. */
  offsetS: number;
  sharpness: number;
  /** Whether it lies on the line of all. */
  agrees: boolean;
}

/** Two recordings of the same moment. */
export interface Match {
  picture: number;
  sound: number;
  /** Time in the sound file at the picture's first sample, s. */
  offsetS: number;
  /** By how much the sound's clock runs fast against the picture's, parts of a million; null where both ran too short to tell. */
  driftPpm: number | null;
  /** What both have in common, in the picture, s. */
  overlap: { fromS: number; toS: number };
  /** How sure, 0…1. */
  confidence: number;
  isInverted: boolean;
  looks: Look[];
}

/** Rate at which windows are compared, Hz: a hundredth of its sample is told. */
const RATE_HZ = 16_000;
/** Length of a window: a sixth of what both have in common, within these, s. */
const SHORTEST_WINDOW_S = 1.5;
const LONGEST_WINDOW_S = 4;
/** Shorter overlaps are no match. */
const LEAST_OVERLAP_S = 2;
/** Looks along a pair: at first, and around the line that these gave. */
const FIRST_LOOKS = 4;
const LEAST_FOR_DRIFT = 3;
const SECOND_LOOKS = 8;
/** Landmarks know the offset to this, s; a first line leaves this. */
const FIRST_REACH_S = 0.07;
const SECOND_REACH_S = 0.01;
/** Looks that agree lie within this of one line, s: at first clocks that drift blur them. */
const FIRST_AGREE_S = 0.0015;
const AGREE_S = 0.0005;
/** Two clocks in use do not drift apart more, parts of a million. */
const MOST_PPM = 300;
/** A look below says nothing. */
const LEAST_SHARPNESS = 1.15;

const overlapOf = (picture: Side, sound: Side, offsetS: number) => ({
  fromS: Math.max(0, -offsetS),
  toS: Math.min(picture.seconds, sound.seconds - offsetS),
});

/** An offset at a time of the picture, between what the votes say. */
function roughOffset(votes: Candidate["votes"], atS: number): number {
  const near = votes.toSorted((one, other) => Math.abs(one.atS - atS) - Math.abs(other.atS - atS))[0]!;
  return near.offsetS;
}

interface Line {
  offsetS: number;
  /** s a s. */
  slope: number;
}

const onLine = ({ offsetS, slope }: Line, atS: number): number => offsetS + slope * atS;

/** The line most looks lie on (every two looks propose one), then least squares over those. */
function lineThrough(looks: readonly Look[], agreeS: number): { line: Line; agrees: boolean[] } {
  let best = { count: 0, spread: Infinity, line: { offsetS: 0, slope: 0 } };
  const lines: Line[] = looks.map(({ offsetS }) => ({ offsetS, slope: 0 }));
  for (const [at, one] of looks.entries())
    for (const other of looks.slice(at + 1)) {
      const slope = (other.offsetS - one.offsetS) / (other.atS - one.atS);
      if (Math.abs(slope) <= MOST_PPM / 1e6) lines.push({ slope, offsetS: one.offsetS - slope * one.atS });
    }
  for (const line of lines) {
    const off = looks.map((look) => Math.abs(look.offsetS - onLine(line, look.atS))).filter((each) => each <= agreeS);
    const spread = off.reduce((sum, each) => sum + each, 0);
    if (off.length > best.count || (off.length === best.count && spread < best.spread))
      best = { count: off.length, spread, line };
  }
  const agrees = looks.map((look) => Math.abs(look.offsetS - onLine(best.line, look.atS)) <= agreeS);
  return {
    line: leastSquares(
      looks.filter((_, at) => agrees[at]),
      best.line,
    ),
    agrees,
  };
}

/** Least squares; too near together for a slope: the slope as it was. */
function leastSquares(looks: readonly Look[], before: Line): Line {
  const count = looks.length;
  if (count === 0) return before;
  const meanAt = looks.reduce((sum, { atS }) => sum + atS, 0) / count;
  const mean = looks.reduce((sum, { offsetS }) => sum + offsetS, 0) / count;
  let [up, along] = [0, 0];
  for (const { atS, offsetS } of looks) {
    up += (atS - meanAt) * (offsetS - mean);
    along += (atS - meanAt) ** 2;
  }
  const slope = count < LEAST_FOR_DRIFT || along === 0 ? 0 : up / along;
  return { slope, offsetS: mean - slope * meanAt };
}

/** Looks at both around one time of the picture, by a line that is known so far. */
async function lookAt(
  { picture, sound }: Record<"picture" | "sound", Side>,
  { atS, seconds }: { atS: number; seconds: number },
  line: Line,
  reachS: number,
) {
  const fromS = atS - seconds / 2;
  const soundFromS = fromS + onLine(line, fromS);
  const one = await windowOf(picture, fromS, seconds, 1);
  const other = await windowOf(sound, soundFromS, seconds, 1 + line.slope);
  if (!one || !other) return null;
  const lag = lagBetween(one, other, RATE_HZ, reachS);
  if (!lag || lag.sharpness < LEAST_SHARPNESS) return null;
  const look: Look = { atS, offsetS: onLine(line, atS) + lag.lagS, sharpness: lag.sharpness, agrees: false };
  return { look, isInverted: lag.isInverted };
}

/** Enough for what is compared below 6 kHz: flat to there. */
const CROSSINGS = 16;
/** The kernel's reach at the lowest rates, s. */
const AROUND_S = 0.02;

/** A window of a side at the common rate, stretched by `scale`; null where the file does not hold it. */
async function windowOf(side: Side, fromS: number, seconds: number, scale: number): Promise<Float32Array | null> {
  const beginS = Math.max(0, fromS - AROUND_S);
  const { samples, sampleRateHz } = await side.read(beginS, fromS - beginS + seconds * scale + AROUND_S);
  const step = (sampleRateHz * scale) / RATE_HZ;
  // A file begins at a whole sample, whatever was asked for.
  const place = (fromS - Math.round(beginS * sampleRateHz) / sampleRateHz) * sampleRateHz;
  const count = Math.floor(seconds * RATE_HZ);
  if (samples.length < place + (count - 1) * step - sampleRateHz * AROUND_S) return null;
  return interpolator(sampleRateHz).run(samples, place, step, count);
}

const interpolators = new Map<number, Resampling>();

function interpolator(sampleRateHz: number): Resampling {
  const known = interpolators.get(sampleRateHz) ?? resampling(sampleRateHz / RATE_HZ, CROSSINGS);
  interpolators.set(sampleRateHz, known);
  return known;
}

/** Windows over what both have in common, evenly, none over another: what is the same twice by chance counts once. */
function windowsOver({ fromS, toS }: { fromS: number; toS: number }, most: number): { atS: number; seconds: number }[] {
  const seconds = Math.max(SHORTEST_WINDOW_S, Math.min(LONGEST_WINDOW_S, (toS - fromS) / 6));
  const [first, last] = [fromS + seconds / 2 + 0.05, toS - seconds / 2 - 0.05];
  if (last <= first) return [{ atS: (fromS + toS) / 2, seconds: Math.min(seconds, toS - fromS) }];
  const count = Math.max(1, Math.min(most, Math.floor((last - first) / seconds) + 1));
  if (count === 1) return [{ atS: (first + last) / 2, seconds }];
  return Array.from({ length: count }, (_, at) => ({ atS: first + ((last - first) * at) / (count - 1), seconds }));
}

/**
 * Holds a candidate against the sound of both: windows along what they have in common, first around what the landmarks say, then
 * around the line through those. Null where the windows do not agree.
 */
export async function alignPair(candidate: Candidate, picture: Side, sound: Side): Promise<Match | null> {
  const roughS = candidate.votes.reduce((sum, { offsetS }) => sum + offsetS, 0) / candidate.votes.length;
  const rough = overlapOf(picture, sound, roughS);
  if (rough.toS - rough.fromS < LEAST_OVERLAP_S) return null;
  const sides = { picture, sound };
  const first = [];
  const firstWindows = windowsOver(rough, FIRST_LOOKS);
  for (const stretch of firstWindows) {
    const line = { offsetS: roughOffset(candidate.votes, stretch.atS), slope: 0 };
    const found = await lookAt(sides, stretch, line, FIRST_REACH_S);
    if (found) first.push(found);
  }
  const { line, agrees: firstAgree } = lineThrough(
    first.map(({ look }) => look),
    FIRST_AGREE_S,
  );
  // Where no two looks agree there is nothing to look at more closely.
  if (firstAgree.filter(Boolean).length < Math.min(2, firstWindows.length)) return null;
  const overlap = overlapOf(picture, sound, line.offsetS);
  const windows = windowsOver(overlap, SECOND_LOOKS);
  const second = [];
  for (const stretch of windows) {
    const found = await lookAt(sides, stretch, line, SECOND_REACH_S);
    if (found) second.push(found);
  }
  const { line: fine, agrees } = lineThrough(
    second.map(({ look }) => look),
    AGREE_S,
  );
  const looks = second.map(({ look }, at) => ({ ...look, agrees: agrees[at]! }));
  const good = second.filter((_, at) => agrees[at]);
  const confidence = sureness(candidate, looks, windows.length);
  if (confidence < LEAST_CONFIDENCE) return null;
  return {
    ...{ picture: candidate.picture, sound: candidate.sound, offsetS: fine.offsetS },
    driftPpm: good.length >= LEAST_FOR_DRIFT ? fine.slope * 1e6 : null,
    ...{ overlap: overlapOf(picture, sound, fine.offsetS), confidence, looks },
    isInverted: good.filter(({ isInverted }) => isInverted).length > good.length / 2,
  };
}

/** Below this a candidate is no match. */
const LEAST_CONFIDENCE = 0.5;

/** Thousands of pairs are tried, of which hardly one is true: so much stands against a match from the start, nepers. */
const AGAINST = 8;
/** A look at a true pair agrees this often (pauses say nothing). */
const TRUE_AGREES = 0.6;
/** A sharp look that does not agree speaks against a pair: in a true one it is seldom, and common in one that shares a word. */
const SHARP = 1.3;
const AGAINST_BY_SHARP = 2.5;
/** Fewer looks of all that agree are no match, however sharp they are. */
const LEAST_AGREEING = 0.4;
/** What one look's sharpness adds at most, and what a standard deviation of the votes does, nepers. */
const SHARPEST = Math.log(2);
const PER_SCORE = 0.35;
const MOST_SCORE = 10;
/** Beyond that, up to so many: words that a voice says twice alike reach some thirty. */
const PER_HIGH_SCORE = 0.08;
const HIGHEST_SCORE = 60;

/** How sure a match is: odds from looks that agree and that do not, and from how far landmarks stand above chance. */
function sureness({ score }: Candidate, looks: readonly Look[], asked: number): number {
  const good = looks.filter(({ agrees }) => agrees);
  const [first, second] = good;
  if (!first || good.length < LEAST_AGREEING * asked) return 0;
  const gain = (byChance: number) => Math.max(0, Math.log(TRUE_AGREES / Math.min(1, byChance)));
  // The first look proposes the offset; the second the drift, which is the freer the further it is away.
  const bySecond = second ? gain((AGREE_S + ((second.atS - first.atS) * MOST_PPM) / 1e6) / SECOND_REACH_S) : 0;
  const byOthers = Math.max(0, good.length - 2) * gain(AGREE_S / SECOND_REACH_S);
  const sharp = good.reduce((sum, { sharpness }) => sum + Math.min(SHARPEST, Math.log(sharpness)), 0);
  const opposed = looks.filter(({ agrees, sharpness }) => !agrees && sharpness >= SHARP).length;
  const evidence =
    bySecond +
    byOthers +
    sharp +
    PER_SCORE * Math.min(MOST_SCORE, score) +
    PER_HIGH_SCORE * Math.max(0, Math.min(HIGHEST_SCORE, score) - MOST_SCORE) -
    AGAINST_BY_SHARP * opposed +
    (asked - good.length - opposed) * Math.log((1 - TRUE_AGREES) / (1 - AGREE_S / SECOND_REACH_S));
  return 1 / (1 + Math.exp(AGAINST - evidence));
}
