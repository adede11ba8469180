import type { Refusal } from "../audio";
import type { NoiseMessage } from "./messages";
import { filterOctave, octaveFits, octaveSections } from "../audio";
import { mapOctaves, meanSquareToDbfs, type OctaveLevels, OCTAVES_HZ, powerToDb } from "../sound";
import type { MeasuredTone } from "./measuredTone";

export type ToneResult =
  | ({ isMeasured: true } & Omit<MeasuredTone, "file">)
  | { isMeasured: false; says: NoiseMessage | Refusal };

const SHORTEST_S = 3;
/** Standing out this far over its neighbours, a line is called hum, dB. Common practice. */
const HUM_STANDS_OUT_DB = 10;
const MAINS_HZ = [50, 60] as const;
const HARMONICS = 5;
/** Window in which lines are looked for, s: 1 Hz apart. */
const LINE_WINDOW_S = 1;
const MOST_WINDOWS = 60;

/** Enough for the hum's harmonics, Hz. */
const LINE_RATE_HZ = 2400;

/** The lows alone at a lower rate: means over twice the new step, one every step. */
function slowed(samples: Float32Array, sampleRateHz: number): { low: Float64Array; rateHz: number } {
  const step = Math.max(1, Math.floor(sampleRateHz / LINE_RATE_HZ));
  const means = new Float64Array(Math.floor(samples.length / step));
  for (let index = 0; index < means.length; index += 1) {
    let sum = 0;
    for (let at = index * step; at < (index + 1) * step; at += 1) sum += samples[at]!;
    means[index] = sum / step;
  }
  const low = new Float64Array(means.length);
  for (let index = 1; index < means.length; index += 1) low[index] = (means[index]! + means[index - 1]!) / 2;
  return { low, rateHz: sampleRateHz / step };
}

/** Power of one frequency in windows of a second, averaged (Goertzel 1958, Hann window). */
function linePower(low: Float64Array, rateHz: number, hz: number): number {
  const size = Math.round(LINE_WINDOW_S * rateHz);
  const windows = Math.min(MOST_WINDOWS, Math.floor(low.length / size));
  const factor = 2 * Math.cos((2 * Math.PI * hz) / rateHz);
  const shape = Float64Array.from({ length: size }, (_, at) => 0.5 - 0.5 * Math.cos((2 * Math.PI * at) / size));
  let sum = 0;
  for (let window = 0; window < windows; window += 1) {
    let [before, beforeThat] = [0, 0];
    for (let at = 0; at < size; at += 1) {
      const now = low[window * size + at]! * shape[at]! + factor * before - beforeThat;
      beforeThat = before;
      before = now;
    }
    sum += before * before + beforeThat * beforeThat - factor * before * beforeThat;
  }
  return sum / Math.max(1, windows);
}

/** Mains frequency and harmonics that stand out from what is beside them, Hz. */
function humLines(samples: Float32Array, sampleRateHz: number): number[] {
  const { low, rateHz } = slowed(samples, sampleRateHz);
  const lines = MAINS_HZ.map((mains) =>
    Array.from({ length: HARMONICS }, (_, index) => mains * (index + 1)).filter((hz) => {
      const beside = [-7, -5, 5, 7].map((offHz) => linePower(low, rateHz, hz + offHz));
      const middle = beside.sort((a, b) => a - b)[1]!;
      return powerToDb(linePower(low, rateHz, hz) / (middle + 1e-20)) > HUM_STANDS_OUT_DB;
    }),
  );
  // 300 Hz belongs to both: what has more lines of its own is the mains here.
  return lines[0]!.length >= lines[1]!.length ? lines[0]! : lines[1]!;
}

/** Slope of the level over the seconds, dB a minute, least squares. */
function trend(secondsDb: readonly number[]): number {
  const middle = (secondsDb.length - 1) / 2;
  const mean = secondsDb.reduce((sum, levelDb) => sum + levelDb, 0) / secondsDb.length;
  let [cross, square] = [0, 0];
  secondsDb.forEach((levelDb, index) => {
    cross += (index - middle) * (levelDb - mean);
    square += (index - middle) ** 2;
  });
  return square === 0 ? 0 : (60 * cross) / square;
}

/**
 * Noise of a place from a recording without voices, by octave 125…8k.
 *
 * Mono samples in ±1, at least 3 s, sample rate from 16 kHz; octaves that the rate cannot hold read as the lowest measured
 * less 20 dB. `calibrationDb` is the SPL of 0 dBFS (a meter's reading less the recording's); null leaves dBFS (RMS, AES17).
 * Refused when silent or too short.
 */
export function analyseTone(samples: Float32Array, sampleRateHz: number, calibrationDb: number | null): ToneResult {
  const seconds = samples.length / sampleRateHz;
  if (seconds < SHORTEST_S)
    return {
      isMeasured: false,
      says: { code: "tone.tooShort", seconds, neededS: SHORTEST_S },
    };
  const perSecond = Math.round(sampleRateHz);
  const secondPowers: number[] = [];
  for (let from = 0; from + perSecond <= samples.length; from += perSecond) {
    let sum = 0;
    for (let at = from; at < from + perSecond; at += 1) sum += samples[at]! * samples[at]!;
    secondPowers.push(sum / perSecond);
  }
  if (!secondPowers.every(Number.isFinite)) return { isMeasured: false, says: { code: "tone.notSound" } };
  if (secondPowers.every((power) => power === 0)) return { isMeasured: false, says: { code: "tone.silent" } };
  const liftDb = calibrationDb ?? 0;
  const bands = OCTAVES_HZ.map((hz) => {
    if (!octaveFits(hz, sampleRateHz)) return null;
    const band = new Float64Array(samples);
    filterOctave(band, octaveSections(hz, sampleRateHz));
    let sum = 0;
    for (let at = 0; at < band.length; at += 1) sum += band[at]! * band[at]!;
    return meanSquareToDbfs(sum / band.length + 1e-20);
  });
  const lowest = Math.min(...bands.filter((levelDb) => levelDb !== null));
  const octavesDb: OctaveLevels = mapOctaves((band) => (bands[band] ?? lowest - 20) + liftDb);
  return {
    isMeasured: true,
    octavesDb: [...octavesDb],
    isCalibrated: calibrationDb !== null,
    seconds,
    humHz: humLines(samples, sampleRateHz),
    trendDbPerMin: trend(secondPowers.map((power) => powerToDb(power + 1e-12))),
  };
}
