/** Fewest neighbouring samples at the same extreme that count as a clipped run. */
const FULL_SCALE_RUN = 3;
const FLAT_TOP_RUN = 4;
/** A plateau is entered and left steeply; the rounded top of a slow wave is not. Share of full scale. */
const CORNER = 4e-4;
/** Two samples this close are one value. */
const SAME = 2 ** -22;
/** Flat tops quieter than this are no overload worth naming. */
const LOWEST_FLAT_TOP = 0.03;
/** Places that are kept for marks; all runs are counted. */
const KEPT_PLACES = 100;

/** Neighbouring runs, as one place to listen to. */
export interface ClippedPlace {
  startFrame: number;
  endFrame: number;
  runs: number;
}

export interface ClippingReport {
  /** Runs at full scale: the converter or the file ran out. */
  fullScaleRuns: number;
  /** Runs flat below full scale at the channel's own largest values: something earlier in the chain ran out. */
  flatTopRuns: number;
  /** Absolute value of the flat tops below full scale, linear; 0 when there are none. */
  plateau: number;
  places: readonly ClippedPlace[];
}

export interface ClippingMeter {
  push(samples: Float32Array, length: number): void;
  finish(): ClippingReport;
}

/** Largest code of a format, linear, from which samples are at full scale. Float: 1. */
export function fullScaleOf(format: { encoding: "pcm" | "float"; bitsPerSample: number }): number {
  return format.encoding === "float" ? 1 : Math.fround(1 - 2 ** (1 - Math.min(24, format.bitsPerSample)));
}

/**
 * Finds flat runs in one channel: at least 3 samples alike at full scale, or at least 4 alike at the channel's largest
 * values with steep flanks. Runs closer than `mergeFrames` are one place. Values beyond full scale in float files are flat only when they are alike.
 */
export function clippingMeter(fullScale: number, mergeFrames: number): ClippingMeter {
  const threshold = fullScale * (1 - 2 ** -20);
  let frame = 0;
  let previous = 0;
  let runValue = 0;
  let runFrames = 0;
  let beforeRun = 0;
  let beforePrevious = 0;
  let fullScaleRuns = 0;
  let flatTopRuns = 0;
  let plateau = 0;
  const fullPlaces: ClippedPlace[] = [];
  let flatPlaces: ClippedPlace[] = [];

  function note(places: ClippedPlace[], startFrame: number, endFrame: number): void {
    const last = places.at(-1);
    if (last && startFrame - last.endFrame < mergeFrames) {
      last.endFrame = endFrame;
      last.runs += 1;
    } else if (places.length < KEPT_PLACES) places.push({ startFrame, endFrame, runs: 1 });
  }

  function closeRun(endFrame: number, frames: number, next: number): void {
    const magnitude = Math.abs(runValue);
    const isFull = magnitude >= threshold;
    if (frames < (isFull ? FULL_SCALE_RUN : FLAT_TOP_RUN)) return;
    if (isFull) {
      fullScaleRuns += 1;
      note(fullPlaces, endFrame - frames, endFrame);
      return;
    }
    if (magnitude < LOWEST_FLAT_TOP) return;
    const sign = Math.sign(runValue);
    if ((runValue - beforeRun) * sign < CORNER || (runValue - next) * sign < CORNER) return;
    if (magnitude > plateau * 1.01) {
      flatTopRuns = 0;
      flatPlaces = [];
    }
    if (magnitude > plateau) plateau = magnitude;
    if (magnitude < plateau * 0.98) return;
    flatTopRuns += 1;
    note(flatPlaces, endFrame - frames, endFrame);
  }

  return {
    push(samples, length) {
      let last = previous;
      let alike = runFrames;
      let alikeValue = runValue;
      let alikeFrom = beforeRun;
      const start = frame;
      for (let index = 0; index < length; index += 1) {
        const value = samples[index]!;
        const step = value - last;
        if (step < SAME && step > -SAME) {
          if (alike === 0) {
            alike = 1;
            alikeValue = last;
            alikeFrom = index > 1 ? samples[index - 2]! : index === 1 ? previous : beforePrevious;
          }
          alike += 1;
        } else if (alike > 0) {
          if (alike > 2) {
            runValue = alikeValue;
            beforeRun = alikeFrom;
            closeRun(start + index, alike, value);
          }
          alike = 0;
        }
        last = value;
      }
      if (length > 0) beforePrevious = length > 1 ? samples[length - 2]! : previous;
      previous = last;
      runFrames = alike;
      runValue = alikeValue;
      beforeRun = alikeFrom;
      frame = start + length;
    },
    finish() {
      if (runFrames > 2) closeRun(frame, runFrames, 0);
      return { fullScaleRuns, flatTopRuns, plateau, places: fullScaleRuns > 0 ? fullPlaces : flatPlaces };
    },
  };
}

/** Whether flat tops below full scale are the channel's true ceiling: several of them, at its sample peak. */
export function isOverloadedEarlier(report: ClippingReport, samplePeak: number): boolean {
  return report.fullScaleRuns === 0 && report.flatTopRuns >= 3 && report.plateau >= samplePeak * 0.97;
}
