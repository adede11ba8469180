import type { ByteSource } from "./byteSource";
import { pcmDecoder } from "./decodePcm";
import { fourierOf } from "./fourier";
import { readFrames, type FrameRange } from "./readFrames";
import type { WavHeader } from "./wavHeader";

/** The shape of a stretch of one channel: lowest and highest sample by column. */
export interface Shape {
  from: number;
  frames: number;
  low: Float32Array;
  high: Float32Array;
}

/** Levels of a stretch of one channel over time and frequency. */
export interface Spectrum {
  from: number;
  frames: number;
  columns: number;
  /** Rows from low to high, evenly spaced on the logarithmic scale between these. */
  rows: number;
  lowestHz: number;
  highestHz: number;
  /** Levels re full scale by column, then row: 0 is −110 dB or less, 255 is 0 dB. */
  levels: Uint8Array;
}

/** Bytes that are read whole for a shape; of more only a part of each column is looked at. */
const MOST_BYTES = 16e6;
/** Frames looked at in each column then. */
const PROBE_FRAMES = 512;
/** Reads under way at one time. */
const AT_ONCE = 16;

/** Reads the beginning of each column, several at a time, and hands its planes on. */
async function probe(
  source: ByteSource,
  header: WavHeader,
  starts: readonly number[],
  frames: number,
  onProbe: (column: number, planes: readonly Float32Array[], count: number) => void,
): Promise<void> {
  const decode = pcmDecoder(header);
  const planes = Array.from({ length: header.channels }, () => new Float32Array(frames));
  for (let first = 0; first < starts.length; first += AT_ONCE) {
    const batch = starts.slice(first, first + AT_ONCE);
    const read = await Promise.all(
      batch.map((start) => {
        const at = Math.max(0, Math.min(start, header.frames - frames));
        return source.read(header.dataOffset + at * header.bytesPerFrame, frames * header.bytesPerFrame);
      }),
    );
    read.forEach((bytes, index) => {
      const count = Math.min(frames, Math.floor(bytes.length / header.bytesPerFrame));
      decode(bytes, count, planes);
      onProbe(first + index, planes, count);
    });
  }
}

const columnStarts = ({ from, frames }: FrameRange, columns: number): number[] =>
  Array.from({ length: columns }, (_, column) => Math.floor(from + (frames * column) / columns));

function widen(low: Float32Array, high: Float32Array, column: number, value: number): void {
  if (value < low[column]!) low[column] = value;
  if (value > high[column]!) high[column] = value;
}

/** Columns without a sample in them are as those before. */
function finished(range: FrameRange, low: Float32Array, high: Float32Array): Shape {
  for (let column = 0; column < low.length; column += 1)
    if (low[column]! > high[column]!) [low[column], high[column]] = [low[column - 1] ?? 0, high[column - 1] ?? 0];
  return { ...range, low, high };
}

/**
 * The shape of every channel of a whole file from a probe in each column: quick at any length, and good enough to find one's way
 * until the file is measured.
 */
export async function firstLook(source: ByteSource, header: WavHeader, columns: number): Promise<Shape[]> {
  const range = { from: 0, frames: header.frames };
  const shapes = Array.from({ length: header.channels }, () => ({
    low: new Float32Array(columns).fill(Infinity),
    high: new Float32Array(columns).fill(-Infinity),
  }));
  await probe(source, header, columnStarts(range, columns), PROBE_FRAMES, (column, planes, count) =>
    shapes.forEach(({ low, high }, channel) => {
      for (let at = 0; at < count; at += 1) widen(low, high, column, planes[channel]![at]!);
    }),
  );
  return shapes.map(({ low, high }) => finished(range, low, high));
}

/** The shape of a stretch of one channel, sample by sample; of very many bytes a probe in each column. */
export async function shapeBetween(
  source: ByteSource,
  header: WavHeader,
  channel: number,
  wanted: FrameRange,
  columns: number,
): Promise<Shape> {
  const from = Math.max(0, Math.min(header.frames, Math.floor(wanted.from)));
  const range = { from, frames: Math.max(1, Math.min(Math.ceil(wanted.frames), header.frames - from)) };
  const low = new Float32Array(columns).fill(Infinity);
  const high = new Float32Array(columns).fill(-Infinity);
  if (range.frames * header.bytesPerFrame > MOST_BYTES) {
    await probe(source, header, columnStarts(range, columns), PROBE_FRAMES, (column, planes, count) => {
      for (let at = 0; at < count; at += 1) widen(low, high, column, planes[channel]![at]!);
    });
    return finished(range, low, high);
  }
  let seen = 0;
  await readFrames(
    source,
    header,
    (planes, count) => {
      const plane = planes[channel]!;
      for (let at = 0; at < count; at += 1)
        widen(low, high, Math.floor(((seen + at) * columns) / range.frames), plane[at]!);
      seen += count;
    },
    range,
  );
  return finished(range, low, high);
}

const LOWEST_HZ = 50;
const HIGHEST_HZ = 20_000;
/** Window of the transform, s; a power of two of samples near it. */
const WINDOW_S = 0.04;
const FLOOR_DB = -110;

/** Hann window scaled so that a sine at full scale reads 0 dB at its line. */
function windowOf(size: number): Float64Array {
  return Float64Array.from({ length: size }, (_, at) => (1 - Math.cos((2 * Math.PI * at) / size)) / (size / 2));
}

/** First and last line of the transform that a row shows. */
function rowLines(rows: number, size: number, sampleRateHz: number, highestHz: number): [number, number][] {
  const edge = (row: number) => (LOWEST_HZ * (highestHz / LOWEST_HZ) ** (row / rows) * size) / sampleRateHz;
  return Array.from({ length: rows }, (_, row) => {
    const first = Math.floor(edge(row));
    return [first, Math.max(first, Math.floor(edge(row + 1)))];
  });
}

/** Levels over time and frequency of a stretch of one channel: a transform in the middle of each column. */
export async function spectrumBetween(
  source: ByteSource,
  header: WavHeader,
  channel: number,
  wanted: FrameRange,
  columns: number,
  rows: number,
): Promise<Spectrum> {
  const size = 2 ** Math.round(Math.log2(WINDOW_S * header.sampleRateHz));
  const fourier = fourierOf(size);
  const shape = windowOf(size);
  const highestHz = Math.min(HIGHEST_HZ, header.sampleRateHz / 2);
  const lines = rowLines(rows, size, header.sampleRateHz, highestHz);
  const levels = new Uint8Array(columns * rows);
  const [re, im] = [new Float64Array(size), new Float64Array(size)];
  const from = Math.max(0, Math.min(header.frames - 1, Math.floor(wanted.from)));
  const range = { from, frames: Math.max(1, Math.min(Math.ceil(wanted.frames), header.frames - from)) };
  const middles = columnStarts(range, columns).map((start) =>
    Math.floor(start + range.frames / columns / 2 - size / 2),
  );
  await probe(source, header, middles, Math.min(size, header.frames), (column, planes, count) => {
    re.fill(0);
    im.fill(0);
    for (let at = 0; at < count; at += 1) re[at] = planes[channel]![at]! * shape[at]!;
    fourier.transform(re, im);
    for (let row = 0; row < rows; row += 1) {
      const [first, last] = lines[row]!;
      let most = 0;
      for (let line = first; line <= last; line += 1) most = Math.max(most, re[line]! ** 2 + im[line]! ** 2);
      const db = Math.max(FLOOR_DB, Math.min(0, 10 * Math.log10(most + 1e-20)));
      levels[column * rows + row] = Math.round((255 * (db - FLOOR_DB)) / -FLOOR_DB);
    }
  });
  return { ...range, columns, rows, lowestHz: LOWEST_HZ, highestHz, levels };
}
