/** Fewest neighbouring samples at the same extreme that count as a clipped run. */
const FULL_SCALE_RUN = 3;
const FLAT_TOP_RUN = 4;
/** A plateau is entered and left steeply; the rounded top of a slow wave is not. Share of full scale. */
const CORNER = 4e-4;
/** Two samples this close are one value. */
const SAME = 2 ** -22;
/** Flat tops quieter than this are no overload worth naming. */
const LOWEST_FLAT_TOP = 0.03;
/** Places that are kept for marks; all are counted. */
const KEPT_RUNS = 500;

export interface ClippedRun {
  startFrame: number;
  frames: number;
  /** Absolute value of the plateau, linear. */
  plateau: number;
}

export interface ClippingReport {
  /** Runs at full scale: the converter or the file ran out. */
  fullScaleRuns: number;
  /** Runs flat below full scale at the channel's own largest values: something earlier in the chain ran out. */
  flatTopRuns: number;
  runs: readonly ClippedRun[];
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
 * values with steep flanks. Values beyond full scale in float files are flat only when they are alike.
 */
export function clippingMeter(fullScale: number): ClippingMeter {
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
  const fullRuns: ClippedRun[] = [];
  let flatRuns: ClippedRun[] = [];

  function closeRun(endFrame: number, frames: number, next: number): void {
    const magnitude = Math.abs(runValue);
    const isFull = magnitude >= threshold;
    if (frames < (isFull ? FULL_SCALE_RUN : FLAT_TOP_RUN)) return;
    const run = { startFrame: endFrame - frames, frames, plateau: magnitude };
    if (isFull) {
      fullScaleRuns += 1;
      if (fullRuns.length < KEPT_RUNS) fullRuns.push(run);
      return;
    }
    if (magnitude < LOWEST_FLAT_TOP) return;
    const sign = Math.sign(runValue);
    if ((runValue - beforeRun) * sign < CORNER || (runValue - next) * sign < CORNER) return;
    if (magnitude > plateau * 1.01) {
      flatTopRuns = 0;
      flatRuns = [];
    }
    if (magnitude > plateau) plateau = magnitude;
    if (magnitude < plateau * 0.98) return;
    flatTopRuns += 1;
    if (flatRuns.length < KEPT_RUNS) flatRuns.push(run);
  }

  return {
    push(samples, length) {
      let last = previous;
      let alike = runFrames;
      const start = frame;
      for (let index = 0; index < length; index += 1) {
        const value = samples[index]!;
        const step = value - last;
        if (step < SAME && step > -SAME) {
          if (alike === 0) {
            alike = 1;
            runValue = last;
            beforeRun = index > 1 ? samples[index - 2]! : index === 1 ? previous : beforePrevious;
          }
          alike += 1;
        } else if (alike > 0) {
          if (alike > 2) closeRun(start + index, alike, value);
          alike = 0;
        }
        last = value;
      }
      if (length > 0) beforePrevious = length > 1 ? samples[length - 2]! : previous;
      previous = last;
      runFrames = alike;
      frame = start + length;
    },
    finish() {
      if (runFrames > 2) closeRun(frame, runFrames, 0);
      return { fullScaleRuns, flatTopRuns, runs: fullScaleRuns > 0 ? fullRuns : flatRuns };
    },
  };
}

/** Whether flat tops below full scale are the channel's true ceiling: several of them, at its sample peak. */
export function isOverloadedEarlier(report: ClippingReport, samplePeak: number): boolean {
  const top = report.runs[0]?.plateau ?? 0;
  return report.fullScaleRuns === 0 && report.flatTopRuns >= 3 && top >= samplePeak * 0.97;
}
