import { type ByteSource, readFrames, type ReadOptions, readWavHeader } from "../audio";
import { limiterFor } from "./limiter";

/** What is delivered of a recording: its tracks as they are, or mixed to one, louder or softer. */
export interface Mix {
  /** Tracks from 0, each with its gain, dB. */
  tracks: readonly { channel: number; gainDb: number }[];
  /** Whether they become one. */
  isMixed: boolean;
  gainDb: number;
  /** True peaks are held under this; null holds none. */
  ceilingDbtp: number | null;
}

export interface Delivered {
  frames: number;
  /** The most that the limiter took away, dB, and the share of the time in which it did. */
  limitedDb: number;
  limitedShare: number;
}

/** How many channels a mix has. */
export const channelsOf = ({ tracks, isMixed }: Mix): number => (isMixed ? 1 : tracks.length);

/** Frames worked on at once. */
const BLOCK = 4096;

/**
 * Plays a recording through a mix and hands on as many frames as it has: memory does not grow with its length. Errors:
 * RecordingRefusal where it is no readable recording; MeasurementCancelled when stopped.
 */
export async function deliverWav(
  source: ByteSource,
  mix: Mix,
  onPlanes: (planes: readonly Float32Array[], frames: number) => Promise<void>,
  options: ReadOptions = {},
): Promise<Delivered> {
  const header = await readWavHeader(source);
  const count = channelsOf(mix);
  const gains = mix.tracks.map(({ gainDb }) => 10 ** ((gainDb + mix.gainDb) / 20));
  const planesOut = Array.from({ length: count }, () => new Float32Array(BLOCK));
  const limiter = mix.ceilingDbtp === null ? null : limiterFor(header.sampleRateHz, count, mix.ceilingDbtp, BLOCK);
  let skipped = limiter?.lateFrames ?? 0;
  let done = 0;

  async function give(planes: readonly Float32Array[], frames: number): Promise<void> {
    const shaped = limiter ? limiter.push(planes, frames) : planes;
    const from = Math.min(skipped, frames);
    skipped -= from;
    const left = Math.min(frames - from, header.frames - done);
    if (left > 0)
      await onPlanes(
        shaped.map((plane) => plane.subarray(from, from + left)),
        left,
      );
    done += left;
  }

  const pending: { planes: Float32Array[]; frames: number }[] = [];
  const drain = async (): Promise<void> => {
    for (let next = pending.shift(); next; next = pending.shift()) await give(next.planes, next.frames);
  };
  await readFrames(
    source,
    header,
    (planes, frames) => {
      for (const plane of planesOut) plane.fill(0);
      mix.tracks.forEach(({ channel }, at) => {
        const [from, to, gain] = [planes[channel]!, planesOut[mix.isMixed ? 0 : at]!, gains[at]!];
        for (let frame = 0; frame < frames; frame += 1) to[frame]! += gain * from[frame]!;
      });
      pending.push({ planes: planesOut.map((plane) => plane.slice(0, frames)), frames });
    },
    { ...options, holdUp: drain },
  );
  await drain();
  const silence = Array.from({ length: count }, () => new Float32Array(BLOCK));
  while (done < header.frames) await give(silence, BLOCK);
  return { frames: done, limitedDb: limiter?.mostDb() ?? 0, limitedShare: limiter?.workingShare() ?? 0 };
}
