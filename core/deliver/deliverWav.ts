import { type ByteSource, readFrames, type ReadOptions, readWavHeader } from "../audio";
import { limiterFor } from "./limiter";

/** A track as it goes into a delivery. */
export interface MixTrack {
  /** From 0. */
  channel: number;
  gainDb: number;
  /** Heard so much earlier than it is recorded, s: what comes late is brought to the others. 0 to 0.1. */
  earlierS?: number;
  /** Its polarity is turned over. */
  isTurned?: boolean;
}

/** What is delivered of a recording: its tracks as they are, or mixed to one, louder or softer. */
export interface Mix {
  tracks: readonly MixTrack[];
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
const MOST_EARLIER_S = 0.1;

/** A line that hands out what was put in so many samples ago. */
function delayLine(samples: number): (block: Float32Array, frames: number) => Float32Array {
  const line = new Float32Array(samples + BLOCK);
  return (block, frames) => {
    line.set(block.subarray(0, frames), samples);
    const out = line.slice(0, frames);
    line.copyWithin(0, frames, samples + frames);
    return out;
  };
}

/**
 * Plays a recording through a mix and hands on as many frames as it has: memory does not grow with its length. Errors:
 * RecordingRefusal where it is no readable recording; MeasurementCancelled when stopped; RangeError for a track that is to come
 * earlier by more than 0.1 s.
 */
export async function deliverWav(
  source: ByteSource,
  mix: Mix,
  onPlanes: (planes: readonly Float32Array[], frames: number) => Promise<void>,
  options: ReadOptions = {},
): Promise<Delivered> {
  const header = await readWavHeader(source);
  const count = channelsOf(mix);
  const earlier = mix.tracks.map(({ earlierS = 0 }) => {
    if (!(earlierS >= 0 && earlierS <= MOST_EARLIER_S)) throw new RangeError(`earlierS ${earlierS}`);
    return Math.round(earlierS * header.sampleRateHz);
  });
  // Nothing is known before it comes: all wait for the latest, and what they waited is left out at the beginning.
  const longest = Math.max(0, ...earlier);
  const lines = earlier.map((samples) => delayLine(longest - samples));
  const gains = mix.tracks.map(
    ({ gainDb, isTurned = false }) => (isTurned ? -1 : 1) * 10 ** ((gainDb + mix.gainDb) / 20),
  );
  const limiter = mix.ceilingDbtp === null ? null : limiterFor(header.sampleRateHz, count, mix.ceilingDbtp, BLOCK);
  let skipped = longest + (limiter?.lateFrames ?? 0);
  let done = 0;

  async function give(read: readonly Float32Array[], frames: number): Promise<void> {
    const planes = Array.from({ length: count }, () => new Float32Array(frames));
    mix.tracks.forEach(({ channel }, at) => {
      const own = lines[at]!(read[channel]!, frames);
      const [to, gain] = [planes[mix.isMixed ? 0 : at]!, gains[at]!];
      for (let frame = 0; frame < frames; frame += 1) to[frame]! += gain * own[frame]!;
    });
    const shaped = limiter ? limiter.push(planes, frames) : planes;
    const from = Math.min(skipped, frames);
    skipped -= from;
    const left = Math.min(frames - from, header.frames - done);
    if (left > 0)
      await onPlanes(
        shaped.map((plane) => plane.subarray(from, from + left)),
        left,
      );
    done += Math.max(0, left);
  }

  const pending: { planes: Float32Array[]; frames: number }[] = [];
  const drain = async (): Promise<void> => {
    for (let next = pending.shift(); next; next = pending.shift()) await give(next.planes, next.frames);
  };
  await readFrames(
    source,
    header,
    (planes, frames) => pending.push({ planes: planes.map((plane) => plane.slice(0, frames)), frames }),
    { ...options, holdUp: drain },
  );
  await drain();
  const silence = Array.from({ length: header.channels }, () => new Float32Array(BLOCK));
  while (done < header.frames) await give(silence, BLOCK);
  return { frames: done, limitedDb: limiter?.mostDb() ?? 0, limitedShare: limiter?.workingShare() ?? 0 };
}
