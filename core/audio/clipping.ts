import type { FlatRun } from "./pieceMeter";

/** Fewest neighbouring samples at the same extreme that count as a clipped run. */
const FULL_SCALE_RUN = 3;
const FLAT_TOP_RUN = 4;
/** Flat tops quieter than this are no overload worth naming. */
const LOWEST_FLAT_TOP = 0.03;
/** Places that are kept for marks; all runs are counted. */
const KEPT_PLACES = 100;

/** Neighbouring runs, as one place to listen to; frames of the recording. */
export interface ClippedPlace {
  startFrame: number;
  endFrame: number;
  runs: number;
}

export interface ClippingReport {
  /** Runs at full scale: the converter or the file ran out. */
  fullScaleRuns: number;
  fullPlaces: readonly ClippedPlace[];
  /** Runs flat below full scale at the channel's own largest values: something earlier in the chain ran out. */
  flatTopRuns: number;
  flatPlaces: readonly ClippedPlace[];
  /** Absolute value of the flat tops below full scale, linear; 0 when there are none. */
  plateau: number;
}

export const NO_CLIPPING: ClippingReport = {
  fullScaleRuns: 0,
  fullPlaces: [],
  flatTopRuns: 0,
  flatPlaces: [],
  plateau: 0,
};

/** Largest code of a format, linear, from which samples are at full scale. Float: 1. */
export function fullScaleOf(format: { encoding: "pcm" | "float"; bitsPerSample: number }): number {
  return format.encoding === "float" ? 1 : Math.fround(1 - 2 ** (1 - Math.min(24, format.bitsPerSample)));
}

function placesOf(runs: readonly FlatRun[], offset: number, mergeFrames: number): ClippedPlace[] {
  const places: ClippedPlace[] = [];
  for (const { frame, frames } of runs) {
    const last = places.at(-1);
    if (last && frame + offset - last.endFrame < mergeFrames) {
      last.endFrame = frame + offset + frames;
      last.runs += 1;
    } else if (places.length < KEPT_PLACES)
      places.push({ startFrame: frame + offset, endFrame: frame + offset + frames, runs: 1 });
  }
  return places;
}

/**
 * Overloads among the flat runs of a piece: at least 3 samples alike at full scale, or at least 4 alike at the largest
 * values with steep flanks (the meter has seen to those). Runs closer than `mergeFrames` are one place; `offset` is
 * added to their frames.
 */
export function clippingOf(
  runs: readonly FlatRun[],
  fullScale: number,
  offset: number,
  mergeFrames: number,
): ClippingReport {
  const threshold = fullScale * (1 - 2 ** -20);
  const full = runs.filter(({ value, frames }) => Math.abs(value) >= threshold && frames >= FULL_SCALE_RUN);
  const below = runs.filter(
    ({ value, frames }) => Math.abs(value) < threshold && Math.abs(value) >= LOWEST_FLAT_TOP && frames >= FLAT_TOP_RUN,
  );
  const plateau = below.reduce((most, { value }) => Math.max(most, Math.abs(value)), 0);
  const tops = below.filter(({ value }) => Math.abs(value) >= plateau * 0.98);
  return {
    fullScaleRuns: full.length,
    fullPlaces: placesOf(full, offset, mergeFrames),
    flatTopRuns: tops.length,
    flatPlaces: placesOf(tops, offset, mergeFrames),
    plateau,
  };
}

/** Two pieces' overloads together, the first the earlier one; of flat tops the higher plateau counts. */
export function joinClipping(a: ClippingReport, b: ClippingReport): ClippingReport {
  const [isA, isB] = [a.plateau >= b.plateau * 0.98, b.plateau >= a.plateau * 0.98];
  return {
    fullScaleRuns: a.fullScaleRuns + b.fullScaleRuns,
    fullPlaces: [...a.fullPlaces, ...b.fullPlaces].slice(0, KEPT_PLACES),
    flatTopRuns: (isA ? a.flatTopRuns : 0) + (isB ? b.flatTopRuns : 0),
    flatPlaces: [...(isA ? a.flatPlaces : []), ...(isB ? b.flatPlaces : [])].slice(0, KEPT_PLACES),
    plateau: Math.max(a.plateau, b.plateau),
  };
}

/** Whether flat tops below full scale are the channel's true ceiling: several of them, at its sample peak. */
export function isOverloadedEarlier(report: ClippingReport, samplePeak: number): boolean {
  return report.fullScaleRuns === 0 && report.flatTopRuns >= 3 && report.plateau >= samplePeak * 0.97;
}
