import type { ByteSource } from "./byteSource";
import { fullScaleOf } from "./clipping";
import type { Finding } from "./measurement";
import { recordingMeter, type MeasuredRecording } from "./recordingMeter";
import { readFrames, type ReadOptions } from "./readFrames";
import { readWavHeader, type WavHeader } from "./wavHeader";

function fileFindings(header: WavHeader, framesRead: number, brokenSamples: number): Finding[] {
  const endS = framesRead / header.sampleRateHz;
  const whole = { channel: null, startS: 0, endS, confidence: 1 } as const;
  const findings: Finding[] = [];
  const missingS = ((header.promisedFrames ?? framesRead) - framesRead) / header.sampleRateHz;
  if (header.promisedFrames !== null || framesRead < header.frames)
    findings.push({
      ...whole,
      kind: "cutShort",
      severity: "warning",
      message: `The file stops ${missingS.toFixed(missingS < 10 ? 2 : 0)} s before its header says; what is there was measured.`,
      advice: "Copy it from the card again before the card is formatted.",
    });
  if (brokenSamples > 0)
    findings.push({
      ...whole,
      kind: "brokenSamples",
      severity: "fault",
      message: `${brokenSamples} samples are no numbers; they were taken as silence.`,
      advice: "The program that wrote this float file damaged it: export it again.",
    });
  return findings;
}

/**
 * Measures a WAV, RF64 or BW64 by streaming: one read in memory while the next is fetched.
 * Errors: RecordingRefusal when it is no measurable recording, MeasurementCancelled when stopped.
 */
export async function measureWav(
  source: ByteSource,
  file: string,
  options: ReadOptions = {},
): Promise<MeasuredRecording> {
  const header = await readWavHeader(source);
  const meter = recordingMeter({
    file,
    container: header.container,
    encoding: header.encoding,
    bitsPerSample: header.bitsPerSample,
    sampleRateHz: header.sampleRateHz,
    channels: header.channels,
    fullScale: fullScaleOf(header),
  });
  const { framesRead, brokenSamples } = await readFrames(
    source,
    header,
    (planes, count) => meter.push(planes, count),
    options,
  );
  return meter.finish(fileFindings(header, framesRead, brokenSamples));
}
