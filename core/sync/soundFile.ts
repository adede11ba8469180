import { readFrames, readWavHeader, type ByteSource, type ReadOptions } from "../audio";
import type { ReadStretch } from "./alignPair";
import { landmarkMaker, type Landmarks } from "./landmarks";

/** Whether a file calls itself a WAV, of whatever kind. */
export const isWavName = (name: string): boolean => /\.(wav|wave|bwf|rf64|w64)$/i.test(name);

/** A recording that is there, before any of it is listened to. */
export interface OpenSound {
  seconds: number;
  sampleRateHz: number;
  channels: number;
  /** When it began, of the day by its own clock, s; null where it says nothing. */
  startOfDayS: number | null;
  /** Listens to all of it once. */
  scan: (options?: ReadOptions) => Promise<Landmarks>;
  read: ReadStretch;
}

/** All channels as one: whoever is on any of them is heard. */
function mixed(planes: readonly Float32Array[], count: number, to: Float32Array): Float32Array {
  if (planes.length === 1) return planes[0]!;
  to.fill(0, 0, count);
  for (const plane of planes) for (let at = 0; at < count; at += 1) to[at]! += plane[at]!;
  for (let at = 0; at < count; at += 1) to[at]! /= planes.length;
  return to;
}

/** A WAV as lining up sees it. Errors: RecordingRefusal where it is no readable recording. */
export async function openSound(source: ByteSource): Promise<OpenSound> {
  const header = await readWavHeader(source);
  const { sampleRateHz, frames, channels, timeReference } = header;
  let room = new Float32Array(0);
  const mix = (planes: readonly Float32Array[], count: number) => {
    if (room.length < count) room = new Float32Array(count);
    return mixed(planes, count, room);
  };
  return {
    ...{ sampleRateHz, channels, seconds: frames / sampleRateHz },
    startOfDayS: timeReference === null ? null : (timeReference / sampleRateHz) % 86_400,
    async scan(options = {}) {
      const maker = landmarkMaker(sampleRateHz);
      await readFrames(source, header, (planes, count) => maker.push(mix(planes, count), count), options);
      return maker.end();
    },
    async read(fromS, seconds) {
      const from = Math.max(0, Math.round(fromS * sampleRateHz));
      const wanted = Math.max(0, Math.min(frames - from, Math.round(seconds * sampleRateHz)));
      const samples = new Float32Array(wanted);
      let at = 0;
      if (wanted > 0)
        await readFrames(
          source,
          header,
          (planes, count) => {
            samples.set(mix(planes, count).subarray(0, Math.min(count, wanted - at)), at);
            at += count;
          },
          { from, frames: wanted },
        );
      return { samples: samples.subarray(0, at), sampleRateHz };
    },
  };
}
