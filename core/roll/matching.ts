import type { CardFileFacts, LogLine } from "./logLine";
import { alignments, type Aligned, type Costs } from "./alignment";
import { clockOffsets, driftOf, type Clock, NO_CLOCK, onLogClock } from "./clockOffset";

export interface Match {
  lineIds: readonly string[];
  fileIds: readonly string[];
  /** Nothing else explains log and card nearly as well. */
  isSure: boolean;
  /** By how much everything else explains them worse. */
  margin: number;
  /** Sum of the files less what was logged, s; null where the log does not say how long it ran. */
  longerByS: number | null;
}

export interface MatchResult {
  matches: readonly Match[];
  /** Lines without a file, and files without a line: short ones are false starts. */
  linesLeft: readonly string[];
  filesLeft: readonly { id: string; isFalseStart: boolean }[];
  clock: Clock;
}

/** A match is sure where everything else is worse by this, in units of half a squared deviation: less than one chance in 400. */
const SURE_MARGIN = 6;
/** And where it fits by itself: no more than so much off. */
const SURE_COST = 7;
/** A file this short without a line was started by mistake, s. Common practice. */
export const FALSE_START_S = 12;

/** What a start at any moment of the day is less likely than one within 2.5 s of its line: ln of a day over that normal's width. */
const BY_CHANCE = Math.log(86_400 / (2.5 * Math.sqrt(2 * Math.PI)));
/** Where the clocks are known nobody logs a take further from its start than this, s. Estimate. */
const NEAR_S = 300;

const lengthOf = (files: readonly CardFileFacts[]): number => files.reduce((sum, { lengthS }) => sum + lengthS, 0);

/** Log lines and files side by side, both in order, at one offset of the clocks. */
function costsFor(lines: readonly LogLine[], files: readonly CardFileFacts[], clock: Clock): Costs {
  const startOf = files.map((file) => onLogClock(file.startS, clock));
  return {
    lines: lines.length,
    files: files.length,
    line(at, count, from, some) {
      const own = lines.slice(at, at + count);
      const ours = files.slice(from, from + some);
      const first = own[0]!;
      const last = own.at(-1)!;
      const logged = last.lengthS === null ? null : last.startS + last.lengthS - first.startS;
      const recorded = lengthOf(ours);
      // Both ends are pressed by a thumb; long takes add what is not seen.
      const spread = 1.6 + 0.004 * recorded;
      const byLength = logged === null ? 1 : ((logged - recorded) / spread) ** 2 / 2;
      const began = startOf[from] ?? null;
      // A file that says when it began fits by chance only once in a day: by so much is it less likely than by a clock.
      const byChance = ours[0]!.startS === null ? 0.6 : BY_CHANCE;
      const byStart = began === null ? byChance : ((began - first.startS) / 2.5) ** 2 / 2;
      let whole = 0;
      // A line that begins after the file has ended is not on it.
      for (const each of own.slice(1)) if (each.startS > first.startS + recorded + 3) whole += 10;
      // Parts of one take follow one another without a gap.
      for (let index = 1; index < some; index += 1) {
        // The recorder's own clock tells that, wherever it stands.
        const [before, next] = [ours[index - 1]!.startS, ours[index]!.startS];
        if (before !== null && next !== null)
          whole += Math.min(10, ((next - before - ours[index - 1]!.lengthS) / 1.5) ** 2 / 2);
        else whole += 1.5;
      }
      return Math.min(14, byLength) + Math.min(14, byStart) + whole + 2 * (some - 1) + 4 * (count - 1);
    },
    reach(at) {
      if (!clock.isKnown) return [0, files.length];
      const isNear = (startS: number | null) => startS === null || Math.abs(startS - lines[at]!.startS) <= NEAR_S;
      const from = startOf.findIndex(isNear);
      return from < 0 ? [0, 0] : [from, startOf.findLastIndex(isNear) + 1];
    },
    lineLeft: () => 8,
    fileLeft: (at) => (files[at]!.lengthS <= FALSE_START_S ? 2 : 8),
  };
}

/** Cost for each line and file of a day that went as it was logged. Estimate. */
const PLAIN_COST = 2.5;
const MOST_LINES = 3;
const MOST_FILES = 6;

/**
 * Matches a day's log with a card: both in order, files without a line and lines without a file, takes in several files, several
 * lines on one file, false starts. The clock of the recorder may be off by anything, and drift. Each match says whether it is
 * sure. Lines and files in the order of their starts. Method: order-preserving dynamic programming (as in sequence alignment) on
 * the squared deviations of length and start; the offset by a vote of all pairs of like length.
 */
export function matchCard(lines: readonly LogLine[], files: readonly CardFileFacts[]): MatchResult {
  let best: { clock: Clock; aligned: Aligned } | null = null;
  for (const offset of clockOffsets(lines, files)) {
    const rough = alignments(costsFor(lines, files, offset), MOST_LINES, MOST_FILES);
    const clock = driftOf(pairsOf(rough, lines, files), offset);
    const aligned = clock === offset ? rough : alignments(costsFor(lines, files, clock), MOST_LINES, MOST_FILES);
    const isBest = !best || aligned.total + penalty(clock) < best.aligned.total + penalty(best.clock);
    if (isBest) best = { clock, aligned };
    // So well explained that no other offset can be meant.
    if (best!.aligned.total < PLAIN_COST * Math.min(lines.length, files.length)) break;
  }
  const { aligned, clock } = best!;
  return { ...told(aligned, lines, files, clock), clock: clock.isKnown ? clock : NO_CLOCK };
}

/** Without a clock to go by, order and length alone must explain much better. */
const penalty = ({ isKnown }: Clock): number => (isKnown ? 0 : 1);

function pairsOf(aligned: Aligned, lines: readonly LogLine[], files: readonly CardFileFacts[]) {
  return aligned.groups
    .filter(({ cost, margin }) => cost <= SURE_COST && margin >= SURE_MARGIN / 2)
    .flatMap(({ line, file }) => {
      const startS = files[file]!.startS;
      return startS === null ? [] : [{ lineS: lines[line]!.startS, fileS: startS }];
    });
}

/** A clock that so many takes agree on is known; one that fewer agree on is believed only where it is nearly right, s. */
const BACKED_BY = 3;
const NEARLY_RIGHT_S = 120;

/** Whether an offset is more than what any one take would give by chance. */
function isBacked({ groups }: Aligned, files: readonly CardFileFacts[], { isKnown, offsetS }: Clock): boolean {
  if (!isKnown || Math.abs(offsetS) <= NEARLY_RIGHT_S) return true;
  return groups.filter(({ cost, file }) => cost <= SURE_COST && files[file]!.startS !== null).length >= BACKED_BY;
}

function told(
  aligned: Aligned,
  lines: readonly LogLine[],
  files: readonly CardFileFacts[],
  clock: Clock,
): Omit<MatchResult, "clock"> {
  const isClockBacked = isBacked(aligned, files, clock);
  const usedLines = new Set<number>();
  const usedFiles = new Set<number>();
  const matches = aligned.groups.map(({ line, lineCount, file, fileCount, cost, margin }): Match => {
    const own = lines.slice(line, line + lineCount);
    const ours = files.slice(file, file + fileCount);
    own.forEach((_, at) => usedLines.add(line + at));
    ours.forEach((_, at) => usedFiles.add(file + at));
    const last = own.at(-1)!;
    return {
      lineIds: own.map(({ id }) => id),
      fileIds: ours.map(({ id }) => id),
      isSure: isClockBacked && margin >= SURE_MARGIN && cost <= SURE_COST + 2 * (fileCount - 1) + 4 * (lineCount - 1),
      margin,
      longerByS: last.lengthS === null ? null : lengthOf(ours) - (last.startS + last.lengthS - own[0]!.startS),
    };
  });
  return {
    matches,
    linesLeft: lines.flatMap(({ id }, at) => (usedLines.has(at) ? [] : [id])),
    filesLeft: files.flatMap(({ id, lengthS }, at) =>
      usedFiles.has(at) ? [] : [{ id, isFalseStart: lengthS <= FALSE_START_S }],
    ),
  };
}
