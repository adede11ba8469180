import { type ByteSource, readFrames, readWavHeader, type ReadOptions } from "../audio";
import { channelCleaner, unitFrames } from "./channelCleaner";
import type { CleaningPlan } from "./treatments";

/** What a stretch overlaps its neighbours by: filters have settled, and a pop has all that is around it, s. */
const MARGIN_S = 1.5;
/** Length of a stretch of one or two channels, s; of many less, so that memory stays bounded. */
const STRETCH_S = 8;

/** Cleaned planes come block by block; valid until the promise is kept. */
export type OnPlanes = (planes: readonly Float32Array[], frames: number) => Promise<void> | void;

/** How long stretches are, in units that the cleaners take. */
function stretchFrames(sampleRateHz: number, channels: number): number {
  const unit = unitFrames(sampleRateHz);
  const seconds = channels > 4 ? Math.max(1, (4 * STRETCH_S) / channels) : STRETCH_S;
  return Math.max(1, Math.round((seconds * sampleRateHz) / unit)) * unit;
}

/**
 * Cleans a WAV by a plan and hands on as many frames as it has, in their order: memory does not grow with its length, and nothing
 * is written at the source. Channels without a treatment come out as they went in.
 * Errors: RecordingRefusal where it is no readable recording; MeasurementCancelled when stopped.
 */
export async function cleanWav(
  source: ByteSource,
  plan: CleaningPlan,
  onPlanes: OnPlanes,
  options: ReadOptions = {},
): Promise<number> {
  const header = await readWavHeader(source);
  const { sampleRateHz, channels } = header;
  const step = stretchFrames(sampleRateHz, channels);
  const margin = Math.ceil(MARGIN_S * sampleRateHz);
  const room = step + 2 * margin;
  const treated = Array.from(
    { length: channels },
    (_, channel) => plan.channels.find((each) => each.channel === channel)?.treatments ?? [],
  );
  const cleaners = treated.map((treatments) =>
    treatments.length > 0 ? channelCleaner(treatments, sampleRateHz, room) : null,
  );
  const lateFrames = Math.max(0, ...cleaners.map((cleaner) => cleaner?.lateFrames ?? 0));
  // Frames from a margin before the stretch on.
  const windows = Array.from({ length: channels }, () => new Float32Array(room));
  // What comes late in one channel waits for in the others.
  const waiting = Array.from({ length: channels }, () => new Float32Array(lateFrames + step));
  let begins = -margin;
  let filled = margin;
  let done = 0;

  async function take(isLast: boolean): Promise<void> {
    const samplesIn = windows.map((own) => own.subarray(0, isLast ? room : filled));
    if (isLast) for (const own of windows) own.fill(0, filled);
    cleaners.forEach((cleaner, channel) => {
      const [own, queue] = [samplesIn[channel]!, waiting[channel]!];
      queue.copyWithin(0, step);
      const late = cleaner?.lateFrames ?? 0;
      const result = cleaner
        ? cleaner.push({ samples: own, beginsAt: begins, sampleRateHz }, { from: margin, frames: step })
        : own.subarray(margin, margin + step);
      queue.set(result, lateFrames - late);
    });
    // The first of what comes late is before the beginning.
    const skipped = begins + margin === 0 ? lateFrames : 0;
    const count = Math.min(step - skipped, header.frames - done);
    if (count > 0) {
      await onPlanes(
        waiting.map((queue) => queue.subarray(skipped, skipped + count)),
        count,
      );
      done += count;
    }
    for (const own of windows) own.copyWithin(0, step, filled);
    begins += step;
    filled = Math.max(0, filled - step);
  }

  const pending: { planes: Float32Array[]; count: number }[] = [];
  let work: Promise<void> = Promise.resolve();
  await readFrames(
    source,
    header,
    (planes, count) => {
      pending.push({ planes: planes.map((plane) => plane.slice(0, count)), count });
    },
    {
      ...options,
      holdUp: () => {
        work = drain();
        return work;
      },
    },
  );
  await drain();

  async function drain(): Promise<void> {
    for (let next = pending.shift(); next; next = pending.shift()) {
      for (let at = 0; at < next.count;) {
        const count = Math.min(room - filled, next.count - at);
        for (const [channel, own] of windows.entries()) own.set(next.planes[channel]!.subarray(at, at + count), filled);
        filled += count;
        at += count;
        if (filled === room) await take(false);
      }
    }
  }
  while (done < header.frames) await take(true);
  return done;
}
