import * as Comlink from "comlink";
import { RecordingRefusal, type Refusal } from "../core/audio";
import {
  alignHere,
  type Clap,
  findClaps,
  isWavName,
  lineUp,
  openSound,
  resampling,
  type LinedUp,
  type Landmarks,
  type ReadStretch,
  type SyncMessage,
} from "../core/sync";
import { openPicture } from "../picture/openPicture";
import { openStills, type Stills } from "../picture/openStills";
import { blobSource } from "./blobSource";

/** What listening to one file came to, free of functions so that it crosses the worker's door. */
export interface Scanned {
  file: File;
  /** Where it lay in what was dropped. */
  path: string;
  isPicture: boolean;
  seconds: number;
  frameRate: number | null;
  /** Of its sound; 0 where it has none. */
  sampleRateHz: number;
  /** When it began, of the day by its own clock, s. */
  startS: number | null;
  device: string;
  landmarks: Landmarks | null;
  /** Why it cannot be lined up; null where it can. */
  says: Refusal | SyncMessage | null;
}

/** Highest and lowest value of equal parts of a stretch. */
export interface Shape {
  low: Float32Array;
  high: Float32Array;
}

const PROGRESS_EVERY_MS = 200;
/** Rate at which both sides of a pair are heard, Hz. */
const HEARD_HZ = 48_000;
/** Width of a still. */
const STILL_PX = 320;

/** How one reads in a file; null where it has no sound that is decoded here. */
async function readerOf(file: File): Promise<ReadStretch | null> {
  const source = blobSource(file);
  if (isWavName(file.name)) return (await openSound(source)).read;
  const { sound } = await openPicture(source);
  return sound && "read" in sound ? sound.read : null;
}

const SILENT_SIDE: ReadStretch = () => Promise.resolve({ samples: new Float32Array(0), sampleRateHz: HEARD_HZ });

/** Files are opened once for all windows of a run. */
function makeReaders() {
  const opened = new Map<File, Promise<ReadStretch | null>>();
  return (file: File): ReadStretch =>
    async (fromS, seconds) => {
      const reader = opened.get(file) ?? readerOf(file).catch(() => null);
      opened.set(file, reader);
      // A card that is pulled out while files are compared leaves pairs unconfirmed, and nothing else.
      return ((await reader) ?? SILENT_SIDE)(fromS, seconds).catch(() => SILENT_SIDE(0, 0));
    };
}

function shapeOf(samples: Float32Array, columns: number): Shape {
  const [low, high] = [new Float32Array(columns), new Float32Array(columns)];
  for (let column = 0; column < columns; column += 1) {
    const to = Math.floor(((column + 1) * samples.length) / columns);
    for (let at = Math.floor((column * samples.length) / columns); at < to; at += 1) {
      const value = samples[at]!;
      if (value < low[column]!) low[column] = value;
      if (value > high[column]!) high[column] = value;
    }
  }
  return { low, high };
}

let isCancelled = false;
/** The picture that is looked at frame by frame. */
let opened: { file: File; stills: Stills } | null = null;

const door = {
  /** Listens to one file; it stays where it is. */
  async scan(file: File, path: string, isPicture: boolean, onProgress: (share: number) => void): Promise<Scanned> {
    isCancelled = false;
    let told = 0;
    const options = {
      isCancelled: () => isCancelled,
      onProgress(share: number) {
        const now = performance.now();
        if (now - told < PROGRESS_EVERY_MS) return;
        told = now;
        onProgress(share);
      },
    };
    const device = path.replace(/[^/]*$/, "");
    const unknown = { seconds: 0, frameRate: null, sampleRateHz: 0, startS: null, landmarks: null };
    const nothing = { file, path, isPicture, device, ...unknown };
    try {
      if (isWavName(file.name)) {
        const { seconds, sampleRateHz, startOfDayS, scan } = await openSound(blobSource(file));
        return { ...nothing, seconds, sampleRateHz, startS: startOfDayS, landmarks: await scan(options), says: null };
      }
      const { seconds, frameRate, sound } = await openPicture(blobSource(file));
      const facts = { ...nothing, seconds, frameRate };
      if (!sound) return { ...facts, says: { code: "sync.noSound" } };
      if ("codec" in sound) return { ...facts, says: { code: "sync.codec", codec: sound.codec, isShell: false } };
      return { ...facts, sampleRateHz: sound.sampleRateHz, landmarks: await sound.scan(options), says: null };
    } catch (error) {
      return { ...nothing, says: error instanceof RecordingRefusal ? error.says : { code: "refused.unreadable" } };
    }
  },
  /** Pairs files that were listened to. */
  async lineUp(
    pictures: readonly Scanned[],
    sounds: readonly Scanned[],
    onProgress: (share: number) => void,
  ): Promise<LinedUp> {
    isCancelled = false;
    const reader = makeReaders();
    const recorded = ({ file, seconds, startS, device, landmarks }: Scanned) => ({
      ...{ seconds, startS, device, landmarks },
      read: reader(file),
    });
    const [ours, theirs] = [pictures.map(recorded), sounds.map(recorded)];
    return lineUp(ours, theirs, {
      ...{ onProgress, isCancelled: () => isCancelled, aligners: [alignHere(ours, theirs)] },
    });
  },
  /** The sharpest sounds of a recording, to choose a clap from; none where it cannot be read. */
  async claps(file: File, seconds: number, most: number): Promise<Clap[]> {
    const read = await readerOf(file).catch(() => null);
    return read ? findClaps(read, seconds, most) : [];
  },
  /** Frames of a picture at times after its first one; why there are none where it has none to show. */
  async stills(file: File, timesS: readonly number[]): Promise<{ frames: (Blob | null)[] } | { refused: Refusal }> {
    try {
      const known = opened?.file === file ? opened.stills : await openStills(blobSource(file), STILL_PX);
      opened = { file, stills: known };
      const frames: (Blob | null)[] = [];
      for (const atS of timesS) frames.push(atS < 0 ? null : await known.at(atS));
      return { frames };
    } catch (error) {
      return { refused: error instanceof RecordingRefusal ? error.says : { code: "refused.unreadable" } };
    }
  },
  cancel(): void {
    isCancelled = true;
  },
  /** How a stretch looks, in so many columns; what lies outside of the file is flat. */
  async shape(file: File, fromS: number, seconds: number, columns: number): Promise<Shape> {
    const { samples } = await stretchOf(file, fromS, seconds);
    return shapeOf(samples, columns);
  },
  /** A stretch to be heard, at 48 kHz, its clock set right by `scale` (1 + drift). */
  async piece(file: File, fromS: number, seconds: number, scale: number): Promise<Float32Array> {
    const { samples, sampleRateHz } = await stretchOf(file, fromS, seconds * scale);
    const step = (sampleRateHz * scale) / HEARD_HZ;
    return resampling(step).run(samples, 0, step, Math.round(seconds * HEARD_HZ));
  },
};

/** A stretch that may begin before the file does. */
async function stretchOf(file: File, fromS: number, seconds: number) {
  const read = await readerOf(file);
  const beginS = Math.max(0, fromS);
  const { samples, sampleRateHz } = await (read ?? SILENT_SIDE)(beginS, Math.max(0, seconds - (beginS - fromS)));
  const whole = new Float32Array(Math.round(seconds * sampleRateHz));
  const place = Math.round((beginS - fromS) * sampleRateHz);
  if (place < whole.length) whole.set(samples.subarray(0, whole.length - place), place);
  return { samples: whole, sampleRateHz };
}

export type LineUpDoor = typeof door;

Comlink.expose(door);
