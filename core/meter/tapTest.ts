import { amplitudeToDb } from "../sound";
import type { MeterMessage } from "./messages";

/** Taps that were heard: how many, and how loud their peaks are in the middle, dBFS. */
export interface Taps {
  count: number;
  peakDbfs: number;
}

export type LiveMic = "wanted" | "device" | "neither" | "unclear";

export interface TapVerdict {
  live: LiveMic;
  /** How much louder the wanted microphone's taps are, dB; null where one of them was not heard. */
  byDb: number | null;
  says: MeterMessage;
}

const WINDOW_S = 0.002;
/** A tap stands out of what is usual by so much, and above this, and is over before the next. Estimates. */
const OVER_USUAL = 8;
const LEAST = 10 ** (-50 / 20);
const APART_S = 0.15;
/** Two taps are no accident. */
const ENOUGH = 2;
/** A tap on the live microphone is at least so much louder than one on the other. Common practice. */
const CLEARLY_DB = 6;

/** Peaks of short windows. */
function envelopeOf(samples: Float32Array, frames: number): Float32Array {
  const envelope = new Float32Array(Math.floor(samples.length / frames));
  for (let part = 0; part < envelope.length; part += 1) {
    let largest = 0;
    for (let index = part * frames; index < (part + 1) * frames; index += 1)
      largest = Math.max(largest, Math.abs(samples[index]!));
    envelope[part] = largest;
  }
  return envelope;
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** Taps in some seconds of sound: short peaks that stand 18 dB out of the rest. */
export function findTaps(samples: Float32Array, sampleRateHz: number): Taps {
  const frames = Math.max(1, Math.round(WINDOW_S * sampleRateHz));
  const envelope = envelopeOf(samples, frames);
  const usual = middle(Array.from(envelope));
  const gate = Math.max(LEAST, OVER_USUAL * usual);
  const apart = Math.round(APART_S / WINDOW_S);
  const peaks: number[] = [];
  let last = -Infinity;
  envelope.forEach((value, part) => {
    if (value < gate) return;
    if (part - last > apart) peaks.push(value);
    else peaks[peaks.length - 1] = Math.max(peaks.at(-1)!, value);
    last = part;
  });
  return { count: peaks.length, peakDbfs: amplitudeToDb(middle(peaks)) };
}

/** Which microphone is live: by taps on the wanted one against taps on the device. Common practice; limits are estimates. */
export function judgeTaps(onWanted: Taps, onDevice: Taps): TapVerdict {
  const [hasWanted, hasDevice] = [onWanted.count >= ENOUGH, onDevice.count >= ENOUGH];
  if (!hasWanted && !hasDevice)
    return {
      live: "neither",
      byDb: null,
      says: { code: "taps.none" },
    };
  if (hasWanted !== hasDevice)
    return hasWanted
      ? { live: "wanted", byDb: null, says: { code: "taps.wantedOnly" } }
      : {
          live: "device",
          byDb: null,
          says: { code: "taps.deviceOnly" },
        };
  const byDb = onWanted.peakDbfs - onDevice.peakDbfs;
  if (Math.abs(byDb) < CLEARLY_DB) return { live: "unclear", byDb, says: { code: "taps.alike" } };
  return byDb > 0
    ? {
        live: "wanted",
        byDb,
        says: { code: "taps.wantedLouder", byDb },
      }
    : {
        live: "device",
        byDb,
        says: { code: "taps.deviceLouder", byDb: -byDb },
      };
}
