import type { ByteSource } from "./byteSource";
import { fullScaleOf } from "./clipping";
import { pcmDecoder } from "./decodePcm";
import type { Finding } from "./measurement";
import { recordingMeter, type MeasuredRecording } from "./recordingMeter";
import { MeasurementCancelled } from "./refusal";
import { readWavHeader, type WavHeader } from "./wavHeader";

/** Bytes pulled at a time; memory does not grow with the file. */
const READ_BYTES = 1 << 20;
/** Frames decoded at a time: a channel's block stays in the processor's cache. */
const BLOCK_FRAMES = 4096;

export interface MeasureOptions {
  /** Called after every read with the share done, 0…1. */
  onProgress?: (share: number) => void;
  /** Asked after every read; true stops with {@link MeasurementCancelled}. */
  isCancelled?: () => boolean;
}

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
  options: MeasureOptions = {},
): Promise<MeasuredRecording> {
  const header = await readWavHeader(source);
  const decode = pcmDecoder(header);
  const meter = recordingMeter({
    file,
    container: header.container,
    encoding: header.encoding,
    bitsPerSample: header.bitsPerSample,
    sampleRateHz: header.sampleRateHz,
    channels: header.channels,
    fullScale: fullScaleOf(header),
  });
  const planes = Array.from({ length: header.channels }, () => new Float32Array(BLOCK_FRAMES));
  const framesPerRead = Math.max(1, Math.floor(READ_BYTES / header.bytesPerFrame));
  const readFrom = (frame: number) =>
    source.read(
      header.dataOffset + frame * header.bytesPerFrame,
      Math.min(framesPerRead, header.frames - frame) * header.bytesPerFrame,
    );

  let framesRead = 0;
  let brokenSamples = 0;
  let pending = readFrom(0);
  while (framesRead < header.frames) {
    const bytes = await pending;
    const frames = Math.floor(bytes.length / header.bytesPerFrame);
    if (frames === 0) break;
    const next = framesRead + frames;
    if (next < header.frames) pending = readFrom(next);
    for (let from = 0; from < frames; from += BLOCK_FRAMES) {
      const count = Math.min(BLOCK_FRAMES, frames - from);
      const block = bytes.subarray(from * header.bytesPerFrame, (from + count) * header.bytesPerFrame);
      brokenSamples += decode(block, count, planes);
      meter.push(planes, count);
    }
    framesRead = next;
    options.onProgress?.(framesRead / header.frames);
    if (options.isCancelled?.()) throw new MeasurementCancelled("Stopped.");
  }
  return meter.finish(fileFindings(header, framesRead, brokenSamples));
}
