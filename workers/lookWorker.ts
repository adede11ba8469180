import * as Comlink from "comlink";
import {
  firstLook,
  type FrameRange,
  readWavHeader,
  type Shape,
  shapeBetween,
  type Spectrum,
  spectrumBetween,
  type WavHeader,
} from "../core/audio";
import { blobSource } from "./blobSource";

/** The file looked at last: its header is read once. */
let known: { file: File; header: Promise<WavHeader> } | null = null;

function headerOf(file: File): Promise<WavHeader> {
  if (known?.file !== file) known = { file, header: readWavHeader(blobSource(file)) };
  return known.header;
}

/** What a WAV is, as far as looking at it needs. */
export interface Seen {
  sampleRateHz: number;
  channels: number;
  frames: number;
  shapes: Shape[];
}

const door = {
  /**
   * Takes a file to be looked at, and a first look at all of it in so many columns, none where it has been measured;
   * null when it is no WAV that can be read.
   */
  async open(file: File, columns: number): Promise<Seen | null> {
    try {
      const header = await headerOf(file);
      const { sampleRateHz, channels, frames } = header;
      return { sampleRateHz, channels, frames, shapes: await firstLook(blobSource(file), header, columns) };
    } catch {
      return null;
    }
  },
  /** The shape of a stretch; null when the file is gone. */
  async shape(channel: number, range: FrameRange, columns: number): Promise<Shape | null> {
    try {
      return known ? await shapeBetween(blobSource(known.file), await known.header, channel, range, columns) : null;
    } catch {
      return null;
    }
  },
  /** The spectrum of a stretch; null when the file is gone. */
  async spectrum(channel: number, range: FrameRange, columns: number, rows: number): Promise<Spectrum | null> {
    try {
      return known
        ? await spectrumBetween(blobSource(known.file), await known.header, channel, range, columns, rows)
        : null;
    } catch {
      return null;
    }
  },
};

export type LookDoor = typeof door;

Comlink.expose(door);
