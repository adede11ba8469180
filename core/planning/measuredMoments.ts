import type { FindingKind } from "../check";
import type { RollBody, Stored, TakeDetailBody } from "../records";

/** Something measured at a moment of a take. */
export interface MeasuredMoment {
  /** From the take's start, s. */
  atS: number;
  kind: FindingKind;
  isFault: boolean;
  times: number;
}

export interface MeasuredTake {
  moments: readonly MeasuredMoment[];
  /** By how much the noise was up where something was noted, dB, by the mark. */
  noiseUpDb: ReadonlyMap<string, number>;
}

/** The same kind again within this is one moment, s. */
const JOINED_S = 2;
/** What takes more of a file than this is so all through, and has no moment. */
const THROUGH_SHARE = 0.5;
/** A rise below this is within what pauses differ by, dB. Common practice. */
const LEAST_RISE_DB = 3;

const medianOf = (values: readonly number[]): number =>
  values.toSorted((one, other) => one - other)[values.length >> 1]!;

/** How far the noise of a stretch is above the median of the others; null where either is not known. */
function riseAt(detail: TakeDetailBody, atS: number): number | null {
  const rises = detail.channels.flatMap(({ course = [] }) => {
    const at = course.findLastIndex(({ startS }) => startS <= atS);
    const own = course[at]?.noiseDbfs ?? null;
    const others = course.flatMap(({ noiseDbfs }, index) => (index === at || noiseDbfs === null ? [] : [noiseDbfs]));
    return own === null || others.length === 0 ? [] : [own - medianOf(others)];
  });
  return rises.length > 0 ? Math.max(...rises) : null;
}

/**
 * What was measured of a take, at its moments, beside what was noted.
 *
 * `files`: of the take, one after the other as the recorder split them. `details`: what was measured, by the file's name without
 * its folder; a file that was not measured leaves a gap. Times from the take's start, s.
 */
export function measuredMoments(
  files: RollBody["files"],
  details: ReadonlyMap<string, TakeDetailBody>,
  marks: readonly Stored<"mark">[],
): MeasuredTake {
  const moments: MeasuredMoment[] = [];
  const noiseUpDb = new Map<string, number>();
  let fromS = 0;
  for (const { name, lengthS } of files) {
    const detail = details.get(name);
    if (detail) {
      const findings = detail.findings
        .filter(({ severity, startS, endS }) => severity !== "note" && endS - startS < THROUGH_SHARE * lengthS)
        .toSorted((one, other) => one.startS - other.startS);
      for (const { kind, startS, severity } of findings) {
        const before = moments.findLast((moment) => moment.kind === kind);
        const atS = fromS + startS;
        if (before && atS - before.atS <= JOINED_S) {
          before.times += 1;
          before.isFault ||= severity === "fault";
        } else moments.push({ atS, kind, isFault: severity === "fault", times: 1 });
      }
      for (const { id, body } of marks) {
        if (body.atS < fromS || body.atS >= fromS + lengthS) continue;
        const rise = riseAt(detail, body.atS - fromS);
        if (rise !== null && rise >= LEAST_RISE_DB) noiseUpDb.set(id, rise);
      }
    }
    fromS += lengthS;
  }
  return { moments: moments.toSorted((one, other) => one.atS - other.atS), noiseUpDb };
}
