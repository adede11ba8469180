import { type ByteSource, readFrames, type ReadOptions, readWavHeader } from "../audio";
import { resampling, type Resampling } from "./resample";

/** Frames that come out at once. */
const BLOCK = 1 << 15;
/** More than the kernel reaches to either side. */
const REACH = 256;

/** How many frames a recording has once its clock is the camera's. */
export const correctedFrames = (frames: number, driftPpm: number): number =>
  Math.max(1, Math.round(frames / (1 + driftPpm / 1e6)));

/**
 * A recording at the camera's clock: band-limited, every channel alike, at its own sample rate. `driftPpm` is by how much its
 * own clock runs fast (±1000). Says how many frames came out; memory does not grow with its length. Errors: RecordingRefusal;
 * MeasurementCancelled.
 */
export async function correctDrift(
  source: ByteSource,
  driftPpm: number,
  onPlanes: (planes: readonly Float32Array[], frames: number) => Promise<void>,
  options: ReadOptions = {},
): Promise<number> {
  const header = await readWavHeader(source);
  const step = 1 + driftPpm / 1e6;
  const all = correctedFrames(header.frames, driftPpm);
  const lines: Resampling[] = Array.from({ length: header.channels }, () => resampling(step));
  const room = Math.ceil(BLOCK * step) + 4 * REACH;
  const windows = Array.from({ length: header.channels }, () => new Float32Array(room));
  // Where the window begins in the recording, how much of it is filled, and what came out.
  let [begins, filled, done] = [-REACH, REACH, 0];

  /** Gives as much as the window holds the neighbours of; the rest of a recording is followed by silence. */
  async function give(isLast: boolean): Promise<void> {
    for (;;) {
      const count = Math.min(BLOCK, all - done);
      const needed = Math.ceil((done + count) * step) + REACH - begins;
      if (count === 0 || (!isLast && needed > filled)) return;
      const planes = windows.map((own, channel) =>
        lines[channel]!.run(own.subarray(0, filled), done * step - begins, step, count),
      );
      await onPlanes(planes, count);
      done += count;
      const shift = Math.max(0, Math.min(filled, Math.floor(done * step) - REACH - begins));
      for (const own of windows) own.copyWithin(0, shift, filled);
      begins += shift;
      filled -= shift;
    }
  }

  const pending: { planes: Float32Array[]; frames: number }[] = [];
  const drain = async (): Promise<void> => {
    for (let next = pending.shift(); next; next = pending.shift()) {
      for (let at = 0; at < next.frames;) {
        const count = Math.min(room - filled, next.frames - at);
        for (const [channel, own] of windows.entries()) own.set(next.planes[channel]!.subarray(at, at + count), filled);
        filled += count;
        at += count;
        await give(false);
      }
    }
  };
  await readFrames(
    source,
    header,
    (planes, frames) => pending.push({ planes: planes.map((plane) => plane.slice(0, frames)), frames }),
    { ...options, holdUp: drain },
  );
  await drain();
  await give(true);
  return done;
}
