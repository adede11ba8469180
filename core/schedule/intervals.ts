/** A stretch of a day, minutes after midnight. */
export interface Interval {
  fromMin: number;
  toMin: number;
}

/** Overlapping and touching stretches put together, in order. */
export function mergeIntervals(intervals: readonly Interval[]): Interval[] {
  const merged: Interval[] = [];
  for (const { fromMin, toMin } of [...intervals].sort((one, other) => one.fromMin - other.fromMin)) {
    const last = merged.at(-1);
    if (last && fromMin <= last.toMin) last.toMin = Math.max(last.toMin, toMin);
    else if (toMin > fromMin) merged.push({ fromMin, toMin });
  }
  return merged;
}

/** What is left of a day between blocked stretches, in order. */
export function gapsBetween(blocked: readonly Interval[], { fromMin, toMin }: Interval): Interval[] {
  const gaps: Interval[] = [];
  let at = fromMin;
  for (const each of mergeIntervals(blocked)) {
    if (each.fromMin >= toMin) break;
    if (each.fromMin > at) gaps.push({ fromMin: at, toMin: each.fromMin });
    at = Math.max(at, each.toMin);
  }
  if (at < toMin) gaps.push({ fromMin: at, toMin });
  return gaps;
}

export const lengthOf = ({ fromMin, toMin }: Interval): number => toMin - fromMin;

export function overlaps(one: Interval, other: Interval): boolean {
  return one.fromMin < other.toMin && other.fromMin < one.toMin;
}
