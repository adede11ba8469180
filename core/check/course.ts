import { meanSquareToDbfs } from "../sound";
import type { Heard } from "./heard";
import type { FindingKind } from "./kinds";
import type { CoursePoint } from "./measurement";
import type { Spot } from "./spot";

/** Length of a point, s; the last of a piece may be shorter. */
const POINT_S = 10;
/** Points that are kept; neighbours are joined beyond. */
const MOST_POINTS = 360;
/** Speech and pauses shorter than this tell no level, s. */
const LEAST_S = 0.4;

const orNull = (value: number): number | null => (Number.isFinite(value) ? value : null);

/** Level of the speech, noise of the pauses and events of each ten seconds of a piece that begins at `startS`. */
export function courseOf(heard: Heard, isTouched: Uint8Array, spots: readonly Spot[], startS: number): CoursePoint[] {
  const { hops, first, hopS, level } = heard;
  const perPoint = Math.round(POINT_S / hopS);
  const course: CoursePoint[] = [];
  for (let from = first; from < hops; from += perPoint) {
    const to = Math.min(hops, from + perPoint);
    const pauses: number[] = [];
    let [speech, spoken] = [0, 0];
    for (let hop = from; hop < to; hop += 1) {
      if (heard.isSpeech[hop]) {
        speech += level[hop]!;
        spoken += 1;
      } else if (heard.isPause[hop] && !isTouched[hop]) pauses.push(level[hop]!);
    }
    const beginsS = startS + (from - first) * hopS;
    const endsS = startS + (to - first) * hopS;
    const count = (kinds: readonly FindingKind[]) =>
      spots.filter((spot) => kinds.includes(spot.kind) && spot.startS >= beginsS && spot.startS < endsS).length;
    pauses.sort((one, other) => one - other);
    course.push({
      startS: beginsS,
      speechDbfs: spoken * hopS >= LEAST_S ? orNull(meanSquareToDbfs(speech / spoken)) : null,
      noiseDbfs: pauses.length * hopS >= LEAST_S ? orNull(meanSquareToDbfs(pauses[pauses.length >> 1]!)) : null,
      rustles: count(["rustle"]),
      dropouts: count(["dropout", "contactLost", "radioNoise"]),
    });
  }
  return course;
}

/** The louder of two levels, or the one there is. */
const louder = (one: number | null, other: number | null) =>
  one === null ? other : other === null ? one : Math.max(one, other);

/** A course with more points after it; every two neighbours become one where it would grow too long. */
export function joinCourse(course: readonly CoursePoint[], more: readonly CoursePoint[]): CoursePoint[] {
  const joined = [...course, ...more];
  if (joined.length <= MOST_POINTS) return joined;
  return joined
    .filter((_, index) => index % 2 === 0)
    .map((point, index) => {
      const next = joined[2 * index + 1];
      return next
        ? {
            startS: point.startS,
            speechDbfs: louder(point.speechDbfs, next.speechDbfs),
            noiseDbfs: louder(point.noiseDbfs, next.noiseDbfs),
            rustles: point.rustles + next.rustles,
            dropouts: point.dropouts + next.dropouts,
          }
        : point;
    });
}
