import type { ByteSource } from "./byteSource";
import { readFrames } from "./readFrames";
import { RecordingRefusal } from "./refusal";
import { readWavHeader } from "./wavHeader";

export interface MonoRecording {
  samples: Float32Array;
  sampleRateHz: number;
}

/** Channels that are compared; what is beyond is not looked at. */
const MOST_COMPARED = 4;

const energyOf = (samples: Float32Array): number => {
  let sum = 0;
  for (let at = 0; at < samples.length; at += 1) sum += samples[at]! * samples[at]!;
  return sum;
};

/**
 * The loudest of a WAV's first channels, whole. Broken samples read as silence.
 * Errors: RecordingRefusal when it is no readable recording or longer than `mostS` seconds.
 */
export async function readMono(source: ByteSource, mostS: number): Promise<MonoRecording> {
  const header = await readWavHeader(source);
  const seconds = header.frames / header.sampleRateHz;
  if (seconds > mostS) throw new RecordingRefusal({ code: "refused.tooLong", seconds, mostS });
  const compared = Math.min(MOST_COMPARED, header.channels);
  const whole = Array.from({ length: compared }, () => new Float32Array(header.frames));
  let at = 0;
  await readFrames(source, header, (planes, count) => {
    whole.forEach((samples, channel) => samples.set(planes[channel]!.subarray(0, count), at));
    at += count;
  });
  const samples = whole.reduce((best, each) => (energyOf(each) > energyOf(best) ? each : best));
  return { samples: samples.subarray(0, at), sampleRateHz: header.sampleRateHz };
}
