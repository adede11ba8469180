import { newDeliveringEngine } from "./engine";

/** How long before a peak the gain goes down, and how fast it comes back, s. */
const AHEAD_S = 0.005;
const RELEASE_S = 0.08;
/** Peaks are held so much under the ceiling: gain that moves lifts what is between samples a little, dB. */
const UNDER_DB = 0.04;
/** Samples that are looked at around a gap. */
const AROUND = 16;

/** A limiter of a programme; what comes out is as long as what went in, {@link lateFrames} later. */
export interface Limiter {
  lateFrames: number;
  /** Takes planes in, hands out as many; the first {@link lateFrames} are silence. Valid until the next call. */
  push(planes: readonly Float32Array[], frames: number): readonly Float32Array[];
  /** The most that was taken away so far, dB. */
  mostDb(): number;
  /** Share of the time in which something was taken away. */
  workingShare(): number;
}

/**
 * Holds true peaks under a ceiling (dBTP), all channels alike. The least gain that is wanted in the next 5 ms, which comes back
 * slowly, is averaged over 5 ms: so it is there in full when the peak comes, and never jumps. Peaks are oversampled four times
 * below 96 kHz, twice below 192 kHz. Source of the peaks: ITU-R BS.1770-4 annex 2; of the form: common practice.
 */
export function limiterFor(sampleRateHz: number, channels: number, ceilingDbtp: number, mostFrames: number): Limiter {
  const engine = newDeliveringEngine();
  const ceiling = 10 ** ((ceilingDbtp - UNDER_DB) / 20);
  const ahead = Math.max(4, Math.round(AHEAD_S * sampleRateHz));
  const lateFrames = ahead + AROUND - 1;
  const release = 1 - Math.exp(-1 / (RELEASE_S * sampleRateHz));
  // What is still to come out, what comes in, and what is looked at behind it.
  const room = lateFrames + AROUND + mostFrames + 2 * AROUND;
  const lines = Array.from({ length: channels }, () => engine.roomFor(4 * room));
  const peaksAt = engine.roomFor(4 * (mostFrames + 16));
  const lineOf = (channel: number) => new Float32Array(engine.memory.buffer, lines[channel], room);
  const before = lateFrames + AROUND;
  const out = Array.from({ length: channels }, () => new Float32Array(mostFrames));
  /** Wanted gains of the last `ahead` samples, as rising places of falling values; see Lemire, "Streaming maximum-minimum filter" (2006). */
  const wanted = new Float32Array(ahead);
  const queue = new Float64Array(ahead + 1);
  let [first, last, place] = [0, 0, 0];
  let lastPeak = 0;
  let held = 1;
  const recent = new Float32Array(ahead).fill(1);
  let sum: number = ahead;
  let [least, worked, all] = [1, 0, 0];
  /** So long after the last gain under 1 nothing is to be worked out. */
  let idle = 2 * ahead;

  function gainFor(peak: number): number {
    const own = Math.max(peak, lastPeak);
    lastPeak = peak;
    const gain = own > ceiling ? ceiling / own : 1;
    if (gain === 1 && held === 1 && idle >= 2 * ahead) {
      place += 1;
      first = last = 0;
      sum = ahead;
      return 1;
    }
    idle = gain < 1 ? 0 : idle + 1;
    // The least of the last `ahead` wishes: wishes come `ahead` before they are needed.
    wanted[place % ahead] = gain;
    while (last > first && queue[first % queue.length]! <= place - ahead) first += 1;
    while (last > first && wanted[queue[(last - 1) % queue.length]! % ahead]! >= gain) last -= 1;
    queue[last % queue.length] = place;
    last += 1;
    place += 1;
    const lowest = wanted[queue[first % queue.length]! % ahead]!;
    held = Math.min(lowest, held + (1 - held) * release);
    if (held > 0.99999) held = 1;
    if (held < 1) idle = 0;
    const slot = place % ahead;
    sum += held - recent[slot]!;
    recent[slot] = held;
    return Math.min(1, sum / ahead);
  }

  return {
    lateFrames,
    push(planes, frames) {
      const peaks = new Float32Array(engine.memory.buffer, peaksAt, mostFrames + 16);
      peaks.fill(0);
      planes.forEach((plane, channel) => {
        lineOf(channel).set(plane.subarray(0, frames), before);
        // The newest have not all their neighbours yet.
        const at = lines[channel]! + 4 * (before - AROUND);
        engine.peaksBetween(at, frames, sampleRateHz, ceiling, peaksAt);
      });
      for (let frame = 0; frame < frames; frame += 1) {
        const gain = gainFor(peaks[frame]!);
        all += 1;
        if (gain < 0.9999) worked += 1;
        if (gain < least) least = gain;
        for (let channel = 0; channel < channels; channel += 1) out[channel]![frame] = gain;
      }
      for (let channel = 0; channel < channels; channel += 1) {
        const [line, own] = [lineOf(channel), out[channel]!];
        // What comes out now is what all the wishes that were taken in have been about.
        for (let frame = 0; frame < frames; frame += 1) own[frame]! *= line[before - lateFrames + frame]!;
        line.copyWithin(0, frames, before + frames);
      }
      return out.map((own) => own.subarray(0, frames));
    },
    mostDb: () => (least < 1 ? -20 * Math.log10(least) : 0),
    workingShare: () => worked / Math.max(1, all),
  };
}
