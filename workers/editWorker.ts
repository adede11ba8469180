import * as Comlink from "comlink";
import {
  type Overview,
  type PcmForm,
  readFrames,
  readWavHeader,
  RecordingRefusal,
  type Refusal,
  soundWriter,
  type TakePlanes,
  toWav,
  bytesSource,
} from "../core/audio";
import { measureWav, type Phrase, phrasesTogether, recordingMeter, type RecordingMeasurement } from "../core/check";
import { type CleaningPlan, cleanWav, evenOutFor, guessesFor, planCleaning, type Treatment } from "../core/clean";
import { falseStarts, lookAtPauses, type Pause, renderCut, type Segment } from "../core/cut";
import {
  channelsOf,
  deliverWav,
  type LoudnessTarget,
  type Mix,
  type ProgrammeLevels,
  settledMix,
  tracksApart,
} from "../core/deliver";
import { correctDrift, correctedFrames, driftEdits, stretchesOf } from "../core/sync";
import { renderedHead } from "../core/tags";
import { blobSource } from "./blobSource";

/** What a recording is like, before anything is made of it. */
export interface Opened {
  sampleRateHz: number;
  channels: number;
  frames: number;
  startS: number | null;
  measurement: RecordingMeasurement;
  overview: Overview;
  /** Where anybody speaks, on whichever track. */
  phrases: readonly Phrase[];
  /** What its findings ask for, and what may be added by wish: guesses, and phrases evened out. */
  plan: CleaningPlan;
  wishes: CleaningPlan;
}

/** Where a new file goes: one that was picked, or into a blob for the browser to save. */
export type Target = FileSystemFileHandle | null;

/** A stretch of a channel before and after, as it sounds, with its figures. */
export interface Compared {
  sampleRateHz: number;
  before: Float32Array;
  after: Float32Array;
  /** Speech, noise and loudness of either; null where there is none. */
  figures: readonly { speechDbfs: number | null; noiseDbfs: number | null; lufs: number | null }[];
}

/** Errors cross the door as what is said of them. */
export type Answer<Value> = { value: Value } | { refused: Refusal };

const SEED = 0x48797068;
const PROGRESS_EVERY_MS = 200;

/** Told now and then, not at every block. */
function told(onProgress: ((share: number) => void) | undefined): (share: number) => void {
  let last = 0;
  return (share) => {
    const now = performance.now();
    if (!onProgress || now - last < PROGRESS_EVERY_MS) return;
    last = now;
    onProgress(share);
  };
}

async function answered<Value>(work: () => Promise<Value>): Promise<Answer<Value>> {
  try {
    return { value: await work() };
  } catch (error) {
    if (error instanceof RecordingRefusal) return { refused: error.says };
    const name = error instanceof DOMException ? error.name : "";
    if (name === "QuotaExceededError") return { refused: { code: "refused.unwritable", isFull: true } };
    if (["NoModificationAllowedError", "NotAllowedError", "InvalidStateError"].includes(name))
      return { refused: { code: "refused.unwritable", isFull: false } };
    return { refused: { code: "refused.unreadable" } };
  }
}

/** Writes a new file as it is rendered; a file that was picked changes only when all is written. */
async function written(
  target: Target,
  head: Uint8Array<ArrayBuffer>,
  form: PcmForm,
  render: (take: TakePlanes) => Promise<unknown>,
): Promise<Blob | null> {
  if (!target) {
    const parts: Blob[] = [new Blob([head])];
    const writer = soundWriter(form, SEED, (bytes) => Promise.resolve(parts.push(new Blob([bytes]))));
    await render(writer.take);
    await writer.end();
    return new Blob(parts, { type: "audio/wav" });
  }
  const writable = await target.createWritable();
  try {
    await writable.write(head);
    const writer = soundWriter(form, SEED, (bytes) => writable.write(bytes.slice()));
    await render(writer.take);
    await writer.end();
    await writable.close();
  } catch (error) {
    await writable.abort().catch(() => undefined);
    throw error;
  }
  return null;
}

/** A treatment of a stretch that begins elsewhere. */
function moved(treatment: Treatment, byS: number): Treatment {
  const place = ([fromS, toS]: readonly [number, number]): [number, number] => [
    Math.max(0, fromS + byS),
    Math.max(0, toS + byS),
  ];
  if ("places" in treatment)
    return { ...treatment, places: treatment.places.filter(([, toS]) => toS + byS > 0).map(place) };
  // Levels are straight lines: one that began before counts from the beginning.
  if ("points" in treatment)
    return { ...treatment, points: treatment.points.map(([atS, gainDb]) => [Math.max(0, atS + byS), gainDb]) };
  return treatment;
}

/** What cleaning needs before a stretch to know its noise, and behind it, s. */
const LEAD_S = 4;
const AFTER_S = 1.6;

const door = {
  /** Measures a recording and says what it asks for. */
  open: (file: File, onProgress?: (share: number) => void) =>
    answered(async (): Promise<Opened> => {
      const source = blobSource(file);
      const header = await readWavHeader(source);
      const recording = await measureWav(source, file.name, { onProgress: told(onProgress) });
      const { measurement, overviews, phrases } = recording;
      const { sampleRateHz, channels, frames, timeReference } = header;
      const wishes = measurement.channels.flatMap(({ index }) => {
        const treatments = [guessesFor(measurement, index), evenOutFor(phrases[index]!)].filter(
          (each) => each !== null,
        );
        return treatments.length > 0 ? [{ channel: index, treatments }] : [];
      });
      return {
        ...{ sampleRateHz, channels, frames, measurement, overview: overviews[0]!, phrases: phrasesTogether(phrases) },
        startS: timeReference === null ? null : (timeReference / sampleRateHz) % 86_400,
        plan: await planCleaning(source, header, measurement),
        wishes: { channels: wishes },
      };
    }),

  /** A stretch as it is and as it would be cleaned. */
  compare: (file: File, treatments: readonly Treatment[], channel: number, fromS: number, seconds: number) =>
    answered(async (): Promise<Compared> => {
      const source = blobSource(file);
      const header = await readWavHeader(source);
      const { sampleRateHz, frames } = header;
      const first = Math.max(0, Math.floor((fromS - LEAD_S) * sampleRateHz));
      const last = Math.min(frames, Math.ceil((fromS + seconds + AFTER_S) * sampleRateHz));
      const samples = new Float32Array(last - first);
      let at = 0;
      await readFrames(
        source,
        header,
        (planes, count) => {
          samples.set(planes[channel]!.subarray(0, Math.min(count, samples.length - at)), at);
          at += count;
        },
        { from: first, frames: last - first },
      );
      const wav = bytesSource(toWav([samples], { sampleRateHz, bits: 32, isFloat: true }));
      const clean = new Float32Array(samples.length);
      let done = 0;
      const plan = {
        channels: [{ channel: 0, treatments: treatments.map((each) => moved(each, -first / sampleRateHz)) }],
      };
      await cleanWav(wav, plan, ([plane], count) => {
        clean.set(plane!.subarray(0, count), done);
        done += count;
      });
      const begin = Math.max(0, Math.round(fromS * sampleRateHz) - first);
      const cut = (line: Float32Array) => line.slice(begin, begin + Math.round(seconds * sampleRateHz));
      const [before, after] = [cut(samples), cut(clean)];
      const figures = [before, after].map((line) => {
        const form = { file: "", container: "", encoding: "float", bitsPerSample: 32, fullScale: 1 };
        const meter = recordingMeter({ ...form, sampleRateHz, channels: 1 });
        meter.push([line], line.length);
        const { channels, overall } = meter.finish().measurement;
        const { speechLevelDbfs, noiseFloorDbfs } = channels[0]!;
        return { speechDbfs: speechLevelDbfs, noiseDbfs: noiseFloorDbfs, lufs: overall.integratedLufs };
      });
      return { sampleRateHz, before, after, figures };
    }),

  clean: (
    file: File,
    plan: CleaningPlan,
    form: PcmForm,
    history: string,
    target: Target,
    onProgress?: (share: number) => void,
  ) =>
    answered(async () => {
      const source = blobSource(file);
      const { sampleRateHz, channels, frames } = await readWavHeader(source);
      const head = await renderedHead(source, {
        ...{ sampleRateHz, channels, ...form, frames, isAligned: true, history },
        from: Array.from({ length: channels }, (_, channel) => channel),
      });
      return written(target, head, form, (take) => cleanWav(source, plan, take, { onProgress: told(onProgress) }));
    }),

  /** What happens between phrases, and which of them are begun again. */
  pauses: (file: File, phrases: readonly Phrase[]) =>
    answered(async (): Promise<{ pauses: Pause[]; restarted: number[] }> => {
      const source = blobSource(file);
      const header = await readWavHeader(source);
      return {
        pauses: await lookAtPauses(source, header, phrases),
        restarted: await falseStarts(source, header, phrases),
      };
    }),

  /** The sound of a cut, all tracks as one, at most so long. */
  hearCut: (file: File, segments: readonly Segment[], mostS: number) =>
    answered(async () => {
      const source = blobSource(file);
      const { sampleRateHz } = await readWavHeader(source);
      let left = Math.round(mostS * sampleRateHz);
      const heard: Segment[] = [];
      for (const segment of segments) {
        if (left <= 0) break;
        heard.push({ ...segment, to: Math.min(segment.to, segment.from + left) });
        left -= segment.to - segment.from;
      }
      const samples = new Float32Array(heard.reduce((sum, { from, to }) => sum + to - from, 0));
      let at = 0;
      await renderCut(source, heard, (planes, count) => {
        for (const plane of planes)
          for (let frame = 0; frame < count; frame += 1) samples[at + frame]! += plane[frame]!;
        at += count;
        return Promise.resolve();
      });
      return { samples, sampleRateHz };
    }),

  cut: (
    file: File,
    segments: readonly Segment[],
    form: PcmForm,
    history: string,
    target: Target,
    onProgress?: (share: number) => void,
  ) =>
    answered(async () => {
      const source = blobSource(file);
      const { sampleRateHz, channels } = await readWavHeader(source);
      const frames = segments.reduce((sum, { from, to }) => sum + to - from, 0);
      const head = await renderedHead(source, {
        ...{ sampleRateHz, channels, ...form, frames, isAligned: false, history },
        from: Array.from({ length: channels }, (_, channel) => channel),
      });
      return written(target, head, form, (take) => renderCut(source, segments, take, { onProgress: told(onProgress) }));
    }),

  /** Writes a recording at the camera's clock: every sample anew. */
  resample: (
    file: File,
    driftPpm: number,
    form: PcmForm,
    history: string,
    target: Target,
    onProgress?: (share: number) => void,
  ) =>
    answered(async () => {
      const source = blobSource(file);
      const { sampleRateHz, channels, frames } = await readWavHeader(source);
      const head = await renderedHead(source, {
        ...{ sampleRateHz, channels, ...form, frames: correctedFrames(frames, driftPpm), isAligned: false, history },
        from: Array.from({ length: channels }, (_, channel) => channel),
      });
      const options = { onProgress: told(onProgress) };
      return written(target, head, form, (take) => correctDrift(source, driftPpm, take, options));
    }),

  /** The stretches that keep a recording on its picture by edits in its pauses; null where these lie too far apart. */
  driftSegments: (file: File, driftPpm: number, under: { fromS: number; toS: number }, frameRate: number) =>
    answered(async (): Promise<Segment[] | null> => {
      const source = blobSource(file);
      const header = await readWavHeader(source);
      const phrases = phrasesTogether((await measureWav(source, file.name)).phrases);
      const middles = phrases.slice(1).map(({ startS }, at) => (phrases[at]!.endS + startS) / 2);
      const edits = driftEdits(driftPpm, under, middles, frameRate);
      return edits && stretchesOf(edits, header).map((each) => ({ ...each, isTone: false }));
    }),

  /** How the tracks of a recording lie to each other. */
  apart: (file: File, phrases: readonly Phrase[]) =>
    answered(async () => {
      const source = blobSource(file);
      return tracksApart(source, await readWavHeader(source), phrases);
    }),

  /** Brings a mix to a loudness and writes it; null for silence. */
  deliver: (
    file: File,
    mix: Mix,
    loudness: LoudnessTarget,
    form: PcmForm,
    target: Target,
    onProgress?: (share: number) => void,
  ) =>
    answered(async () => {
      const source = blobSource(file);
      const { sampleRateHz, frames } = await readWavHeader(source);
      const levelsOf = async (own: Mix, from: File | Blob): Promise<ProgrammeLevels> => {
        const shape = { file: "", container: "", encoding: "float", bitsPerSample: 32, fullScale: 1 };
        const meter = recordingMeter({ ...shape, sampleRateHz, channels: channelsOf(own) });
        await deliverWav(blobSource(from), own, (planes, count) => {
          meter.push(planes, count);
          return Promise.resolve();
        });
        const { integratedLufs, truePeakDbtp } = meter.finish().measurement.overall;
        return { integratedLufs, truePeakDbtp };
      };
      const settled = await settledMix(mix, loudness, (own) => levelsOf(own, file));
      if (!settled) return null;
      const made = settled.mix;
      const head = await renderedHead(source, {
        ...{ sampleRateHz, channels: channelsOf(made), ...form, frames, isAligned: true },
        from: made.isMixed ? null : made.tracks.map(({ channel }) => channel),
        history: `A=PCM,F=${sampleRateHz},W=${form.bits},T=Hypophon; ${made.gainDb.toFixed(1)} dB to ${loudness.integratedLufs} LUFS`,
      });
      let limitedDb = 0;
      const blob = await written(target, head, form, async (take) => {
        ({ limitedDb } = await deliverWav(source, made, take, { onProgress: told(onProgress) }));
      });
      // What was written is what is measured.
      const result = blob ?? (await target!.getFile());
      const whole: Mix = {
        ...{ isMixed: false, gainDb: 0, ceilingDbtp: null },
        tracks: Array.from({ length: channelsOf(made) }, (_, channel) => ({ channel, gainDb: 0 })),
      };
      const after = await levelsOf(whole, result);
      return { blob, before: settled.before, after, gainDb: made.gainDb, limitedDb };
    }),
};
export type EditDoor = typeof door;

Comlink.expose(door);
