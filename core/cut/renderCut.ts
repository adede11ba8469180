import { type ByteSource, readFrames, type ReadOptions, readWavHeader } from "../audio";
import { FADE_S, type Segment } from "./plan";

/**
 * The sound of a cut, stretch after stretch, each fading into the next over 12 ms at equal power; as long as its stretches
 * together. Says how many frames there were. Errors: RecordingRefusal where it is no readable recording; MeasurementCancelled.
 */
export async function renderCut(
  source: ByteSource,
  segments: readonly Segment[],
  onPlanes: (planes: readonly Float32Array[], frames: number) => Promise<void>,
  options: ReadOptions = {},
): Promise<number> {
  const header = await readWavHeader(source);
  const half = Math.max(1, Math.round((FADE_S / 2) * header.sampleRateHz));
  const fade = Float32Array.from({ length: 2 * half }, (_, at) => Math.sin((Math.PI * (at + 0.5)) / (4 * half)));
  const all = segments.reduce((sum, { from, to }) => sum + to - from, 0);
  /** What of the last stretch goes on under the next. */
  let ending = Array.from({ length: header.channels }, () => new Float32Array(0));
  let done = 0;
  for (const [index, { from, to }] of segments.entries()) {
    const [isFirst, isLast] = [index === 0, index === segments.length - 1];
    // Short ones have short fades.
    const before = isFirst ? 0 : half;
    const behind = isLast ? 0 : half;
    const [begin, end] = [from - before, to + behind];
    const total = end - begin;
    const tail = Array.from({ length: header.channels }, () => new Float32Array(2 * behind));
    let at = 0;
    const take = async (planes: readonly Float32Array[], count: number): Promise<void> => {
      const mine = planes.map((plane) => plane.slice(0, count));
      for (const [channel, plane] of mine.entries())
        for (let frame = 0; frame < count; frame += 1) {
          const place = at + frame;
          if (place < 2 * before) plane[frame] = plane[frame]! * fade[place]! + (ending[channel]![place] ?? 0);
          const left = total - 1 - place;
          if (left < 2 * behind) tail[channel]![2 * behind - 1 - left] = plane[frame]! * fade[left]!;
        }
      at += count;
      // What fades out comes with the next stretch.
      const whole = Math.max(0, Math.min(count, total - 2 * behind - (at - count)));
      if (whole > 0) await onPlanes(mine, whole);
      done += whole;
      options.onProgress?.(Math.min(1, done / all));
    };
    // Before the beginning and behind the end there is nothing.
    const silent = (count: number) => Array.from({ length: header.channels }, () => new Float32Array(count));
    if (begin < 0) await take(silent(-begin), -begin);
    const [first, last] = [Math.max(0, begin), Math.min(header.frames, end)];
    const pending: { planes: Float32Array[]; count: number }[] = [];
    const drain = async () => {
      for (let next = pending.shift(); next; next = pending.shift()) await take(next.planes, next.count);
    };
    await readFrames(
      source,
      header,
      (planes, count) => pending.push({ planes: planes.map((plane) => plane.slice(0, count)), count }),
      {
        ...{ from: first, frames: last - first, holdUp: drain },
        ...(options.isCancelled && { isCancelled: options.isCancelled }),
      },
    );
    await drain();
    if (at < total) await take(silent(total - at), total - at);
    ending = tail;
  }
  return done;
}
