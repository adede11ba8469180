import { PARTS_PER_HOP } from "../../audio";
import { joinSpots, type Spot } from "../spot";
import type { Scene } from "./scene";

/** Bursts of a phone a second: a frame of eight slots takes 60/13 ms. Source: the public GSM 05.02 (3GPP TS 45.002). */
const BURSTS_HZ = 1000 / (60 / 13);
/** Fine structure looked at together, and from window to window, s. */
const WINDOW_S = 0.3;
const STEP_S = 0.1;
/** So much of how it wanders is bursts and their first overtone, and so many times as much as beside them. */
const LEAST_SHARE = 0.3;
const OVER_BESIDE = 5;
/** A voice passes through that pitch, and seldom stays there so exactly, s. */
const SHORTEST_S = 0.45;

/** Power of a series at a frequency as a share of all its power. */
function shareAt(series: Float64Array, hz: number, rateHz: number): number {
  let [re, im, all] = [0, 0, 0];
  for (let at = 0; at < series.length; at += 1) {
    const turn = (2 * Math.PI * hz * at) / rateHz;
    re += series[at]! * Math.cos(turn);
    im += series[at]! * Math.sin(turn);
    all += series[at]! ** 2;
  }
  return all > 0 ? (2 * (re * re + im * im)) / (series.length * all) : 0;
}

/** Bursts of a phone nearby, by the rhythm of the fine structure. */
export function findBuzz({ heard, startS, speech }: Scene): Spot[] {
  const { steps } = heard.figures;
  const rateHz = PARTS_PER_HOP / heard.hopS;
  const [window, step] = [Math.round(WINDOW_S * rateHz), Math.round(STEP_S * rateHz)];
  const spots: Spot[] = [];
  const series = new Float64Array(window);
  for (let from = 0; from + window <= steps.length; from += step) {
    let mean = 0;
    for (let at = 0; at < window; at += 1) mean += series[at] = Math.sqrt(steps[from + at]!);
    mean /= window;
    if (mean * mean < speech * 1e-7) continue;
    for (let at = 0; at < window; at += 1) series[at]! -= mean;
    const at = (hz: number) => shareAt(series, hz, rateHz);
    const own = at(BURSTS_HZ);
    if (own < LEAST_SHARE / 4) continue;
    const beside = Math.max(at(BURSTS_HZ - 9), at(BURSTS_HZ + 9), 1e-6);
    if (own + at(2 * BURSTS_HZ) < LEAST_SHARE || own < OVER_BESIDE * beside) continue;
    spots.push({
      kind: "buzz",
      startS: startS + from / rateHz,
      endS: startS + (from + window) / rateHz,
      sizeDb: 10 * Math.log10(own / beside),
      confidence: Math.min(1, 0.5 + own),
    });
  }
  return joinSpots(spots, 0.05).filter((spot) => spot.endS - spot.startS >= SHORTEST_S);
}
