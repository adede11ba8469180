import type { Stretch } from "@/ui/zoomScale";

/** What of a take is in sight, seconds. */
export interface View {
  fromS: number;
  spanS: number;
}

export const stretchOfView = ({ fromS, spanS }: View): Stretch => ({ from: fromS, to: fromS + spanS });
export const viewOfStretch = ({ from, to }: Stretch): View => ({ fromS: from, spanS: to - from });

/** So few samples are never spread over the whole width: closer one sees nothing more. */
export const FEWEST_SAMPLES = 40;

/** A view that lies within the take. */
export function clampView({ fromS, spanS }: View, durationS: number, sampleRateHz: number): View {
  const span = Math.min(durationS, Math.max(FEWEST_SAMPLES / sampleRateHz, spanS));
  return { fromS: Math.max(0, Math.min(durationS - span, fromS)), spanS: span };
}

const STEPS = [1, 2, 5] as const;
const CLOCK_STEPS = [10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600, 7200] as const;

/** Distance of marks on the time axis, s: round, and at most so many in sight. */
export function tickStepS(spanS: number, most: number): number {
  const least = spanS / most;
  if (least > 5) return CLOCK_STEPS.find((step) => step >= least) ?? 7200;
  const power = 10 ** Math.floor(Math.log10(least));
  return (STEPS.find((step) => step * power >= least) ?? 10) * power;
}

/** A moment as it stands on the axis: hours only where there are any, as many decimals as the step needs. */
export function tickLabel(atS: number, stepS: number): string {
  const decimals = stepS >= 1 ? 0 : Math.min(4, Math.ceil(-Math.log10(stepS) - 1e-9));
  const hours = Math.floor(atS / 3600);
  const minutes = Math.floor((atS % 3600) / 60);
  const seconds = (atS % 60).toFixed(decimals).padStart(decimals > 0 ? 3 + decimals : 2, "0");
  return hours > 0 ? `${hours}:${String(minutes).padStart(2, "0")}:${seconds}` : `${minutes}:${seconds}`;
}

/** Lowest and highest samples by column over a stretch. */
export interface Columns {
  from: number;
  frames: number;
  low: Float32Array;
  high: Float32Array;
}

/** Lowest and highest sample from one frame to another. */
export function extremesOf({ from, frames, low, high }: Columns, start: number, end: number): [number, number] {
  const perColumn = frames / low.length;
  const first = Math.max(0, Math.floor((start - from) / perColumn));
  const last = Math.min(low.length - 1, Math.max(first, Math.ceil((end - from) / perColumn) - 1));
  let [lowest, highest] = [Infinity, -Infinity];
  for (let column = first; column <= last; column += 1) {
    if (low[column]! < lowest) lowest = low[column]!;
    if (high[column]! > highest) highest = high[column]!;
  }
  return lowest > highest ? [0, 0] : [lowest, highest];
}
