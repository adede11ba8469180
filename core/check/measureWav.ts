import {
  type ByteSource,
  fullScaleOf,
  longestPieceS,
  type Piece,
  pieceMeter,
  type PieceMeter,
  planPieces,
  readBlocks,
  type ReadOptions,
  readWavHeader,
  RecordingRefusal,
  type WavHeader,
} from "../audio";
import type { Finding } from "./measurement";
import { reportPiece, type PieceReport } from "./pieceReport";
import { measurementOf, type MeasuredRecording, type RecordingForm } from "./recordingMeter";
import { recordingTotals, type TotalsOptions } from "./recordingTotals";

function fileFindings(header: WavHeader, framesRead: number, brokenSamples: number): Finding[] {
  const endS = framesRead / header.sampleRateHz;
  const whole = { channel: null, startS: 0, endS, confidence: 1 } as const;
  const findings: Finding[] = [];
  const missingS = ((header.promisedFrames ?? header.frames) - framesRead) / header.sampleRateHz;
  if (header.promisedFrames !== null || framesRead < header.frames)
    findings.push({
      ...whole,
      kind: "cutShort",
      severity: "warning",
      what: { code: "finding.stopsEarly", missingS },
    });
  if (brokenSamples > 0)
    findings.push({
      ...whole,
      kind: "brokenSamples",
      severity: "fault",
      what: { code: "finding.brokenSamples", samples: brokenSamples },
    });
  return findings;
}

/** A meter for the pieces of one file. */
export function meterFor(header: WavHeader): PieceMeter {
  return pieceMeter({ ...header, fullScale: fullScaleOf(header) }, longestPieceS(header.channels));
}

/**
 * Reads, meters and judges one piece of a file. Null when the file ends before the piece begins.
 * Errors: MeasurementCancelled when stopped; whatever the source throws.
 */
export async function measurePiece(
  source: ByteSource,
  header: WavHeader,
  meter: PieceMeter,
  piece: Piece,
  options: ReadOptions = {},
): Promise<PieceReport | null> {
  let brokenSamples = 0;
  let seen = -piece.leadIn;
  meter.begin(piece.leadIn);
  const frames = await readBlocks(
    source,
    header,
    { from: piece.from - piece.leadIn, frames: piece.leadIn + piece.frames },
    meter.blockFrames,
    (bytes, count) => {
      const broken = meter.pushBytes(bytes, count);
      if (seen >= 0) brokenSamples += broken;
      seen += count;
    },
    options,
  );
  if (frames <= piece.leadIn) return null;
  return reportPiece(meter.finish(), { ...piece, frames: frames - piece.leadIn }, fullScaleOf(header), brokenSamples);
}

/** What a header says, as the measurement wants it. */
function formOf(header: WavHeader, file: string): RecordingForm {
  return {
    file,
    container: header.container,
    encoding: header.encoding,
    bitsPerSample: header.bitsPerSample,
    sampleRateHz: header.sampleRateHz,
    channels: header.channels,
    fullScale: fullScaleOf(header),
    startedAtS: header.timeReference === null ? null : (header.timeReference / header.sampleRateHz) % 86_400,
  };
}

/** Takes pieces' reports in any order and adds them up in theirs, so that no more are held than are out of turn. */
export function inOrder(add: (report: PieceReport) => void): (report: PieceReport) => void {
  const waiting = new Map<number, PieceReport>();
  let next = 0;
  return (report) => {
    waiting.set(report.index, report);
    for (let due = waiting.get(next); due; due = waiting.get(next)) {
      waiting.delete(next);
      next += 1;
      add(due);
    }
  };
}

/** How the pieces of a file are measured: here one after the other, elsewhere by several workers. */
export type MeasurePieces = (
  header: WavHeader,
  pieces: readonly Piece[],
  onReport: (report: PieceReport | null) => void,
  options: ReadOptions,
) => Promise<void>;

/** A meter that is free, for the next recording of the same form: a card of many short files needs one, not thousands. */
let spare: { form: string; meter: PieceMeter } | null = null;

const formKey = ({ sampleRateHz, channels, encoding, bytesPerSample, bitsPerSample }: WavHeader): string =>
  [sampleRateHz, channels, encoding, bytesPerSample, bitsPerSample].join(" ");

/** Does something with a meter for a file's form, which nobody else has meanwhile. */
async function withMeter(header: WavHeader, measure: (meter: PieceMeter) => Promise<void>): Promise<void> {
  const form = formKey(header);
  const meter = spare?.form === form ? spare.meter : meterFor(header);
  spare = null;
  meter.forget();
  try {
    await measure(meter);
  } finally {
    spare = { form, meter };
  }
}

function oneByOne(source: ByteSource): MeasurePieces {
  return (header, pieces, onReport, options) =>
    withMeter(header, async (meter) => {
      for (const piece of pieces)
        onReport(
          await measurePiece(source, header, meter, piece, {
            ...options,
            onProgress: (share) => options.onProgress?.((piece.index + share) / pieces.length),
          }),
        );
    });
}

/** How a file is read, and what is gathered of it. */
export type MeasureOptions = ReadOptions & TotalsOptions;

/**
 * Measures a WAV, RF64 or BW64 piece by piece; memory does not grow with the file.
 * Errors: RecordingRefusal when it is no measurable recording, or has no such tracks to mix; MeasurementCancelled when stopped.
 */
export async function measureWav(
  source: ByteSource,
  file: string,
  options: MeasureOptions = {},
  measurePieces: MeasurePieces = oneByOne(source),
): Promise<MeasuredRecording> {
  const header = await readWavHeader(source);
  const missing = options.mix?.find((channel) => channel >= header.channels);
  if (missing !== undefined)
    throw new RecordingRefusal({ code: "refused.noTrack", track: missing, channels: header.channels });
  const totals = recordingTotals(header.sampleRateHz, header.channels, options);
  const add = inOrder((report) => totals.add(report));
  const pieces = planPieces(header.frames, header.sampleRateHz, header.channels);
  await measurePieces(header, pieces, (report) => report && add(report), options);
  const sum = totals.finish();
  return measurementOf(formOf(header, file), sum, fileFindings(header, sum.frames, sum.brokenSamples));
}
