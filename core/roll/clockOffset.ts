import type { RollMessage } from "./messages";
import type { CardFileFacts, LogLine } from "./logLine";

/** How the recorder's clock lies to the log's. */
export interface Clock {
  isKnown: boolean;
  /** Recorder's clock less the log's at `fromS` of the recorder's, s. */
  offsetS: number;
  fromS: number;
  /** By how much it runs fast, parts of a million. */
  driftPpm: number;
}

export const NO_CLOCK: Clock = { isKnown: false, offsetS: 0, fromS: 0, driftPpm: 0 };

/** A time of the recorder on the log's clock. */
export const onLogClock = (startS: number | null, { isKnown, offsetS, fromS, driftPpm }: Clock): number | null =>
  startS === null || !isKnown ? null : startS - offsetS - ((startS - fromS) * driftPpm) / 1e6;

/** Lengths that are alike within this may be the same take, s. */
const ALIKE_S = 4;
/** Offsets within this are one, s. */
const BIN_S = 3;
/** So many offsets are tried. */
const MOST_OFFSETS = 4;
/** No clock in use drifts more. Estimate. */
const MOST_PPM = 400;

const median = (values: readonly number[]): number => {
  const sorted = values.toSorted((one, other) => one - other);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/** Differences of start of every line and file that may be the same take. */
function votes(
  lines: readonly LogLine[],
  files: readonly CardFileFacts[],
): { by: number; weight: number; fileS: number }[] {
  return lines.flatMap(({ startS, lengthS }) => {
    const alike = files.filter(
      (file) =>
        file.startS !== null && (lengthS === null || Math.abs(file.lengthS - lengthS) <= ALIKE_S + 0.01 * lengthS),
    );
    const weight = (lengthS === null ? 0.3 : 1) / Math.max(1, alike.length);
    return alike.map((file) => ({ by: file.startS! - startS, weight, fileS: file.startS! }));
  });
}

/** Offsets of the clocks worth trying, those that most pairs of like length agree on first; none known where no file says when it began. */
export function clockOffsets(lines: readonly LogLine[], files: readonly CardFileFacts[]): Clock[] {
  const all = votes(lines, files).toSorted((one, other) => one.by - other.by);
  if (all.length === 0) return [NO_CLOCK];
  const peaks: { by: number; weight: number; fileS: number }[] = [];
  let from = 0;
  let sum = 0;
  for (let to = 0; to < all.length; to += 1) {
    sum += all[to]!.weight;
    while (all[to]!.by - all[from]!.by > 2 * BIN_S) sum -= all[from++]!.weight;
    const within = all.slice(from, to + 1);
    peaks.push({
      by: median(within.map(({ by }) => by)),
      weight: sum,
      fileS: median(within.map(({ fileS }) => fileS)),
    });
  }
  const found: typeof peaks = [];
  for (const peak of peaks.toSorted((one, other) => other.weight - one.weight))
    if (found.length < MOST_OFFSETS && found.every(({ by }) => Math.abs(by - peak.by) > 2 * BIN_S)) found.push(peak);
  return [
    ...found.map(({ by, fileS }): Clock => ({ isKnown: true, offsetS: by, fromS: fileS, driftPpm: 0 })),
    NO_CLOCK,
  ];
}

/** The clock after pairs that are known to be one: the offset, and the drift by the median of all slopes (Theil 1950, Sen 1968). */
export function driftOf(pairs: readonly { lineS: number; fileS: number }[], rough: Clock): Clock {
  if (!rough.isKnown || pairs.length < 3) return rough;
  const points = pairs.map(({ lineS, fileS }) => ({ at: fileS, by: fileS - lineS }));
  const slopes: number[] = [];
  for (let one = 0; one < points.length; one += 1)
    for (let other = one + 1; other < points.length; other += 1) {
      const apart = points[other]!.at - points[one]!.at;
      if (Math.abs(apart) > 600) slopes.push((points[other]!.by - points[one]!.by) / apart);
    }
  const slope = slopes.length < 6 ? 0 : median(slopes);
  const ppm = Math.abs(slope * 1e6) > MOST_PPM ? 0 : slope * 1e6;
  const fromS = points[0]!.at;
  return {
    isKnown: true,
    fromS,
    driftPpm: ppm,
    offsetS: median(points.map(({ at, by }) => by - ((at - fromS) * ppm) / 1e6)),
  };
}

/** Clocks that are set to another zone are off by whole half hours, within this, s. */
const ZONE_S = 240;
/** A clock this near is right, s; a drift over this is worth a word, ppm. */
const RIGHT_S = 3;
const DRIFTS_PPM = 40;

/** What there is to say of a recorder's clock. */
export function clockWords({ isKnown, offsetS, driftPpm }: Clock): RollMessage[] {
  if (!isKnown) return [{ code: "clock.unknown" }];
  const halves = Math.round(offsetS / 1800);
  const isZone = halves !== 0 && Math.abs(offsetS - halves * 1800) <= ZONE_S;
  const offset: RollMessage = isZone
    ? { code: "clock.timeZone", hours: halves / 2 }
    : Math.abs(offsetS) <= RIGHT_S
      ? { code: "clock.agrees" }
      : { code: "clock.offset", offsetS };
  return Math.abs(driftPpm) > DRIFTS_PPM ? [offset, { code: "clock.drift", ppm: driftPpm }] : [offset];
}
