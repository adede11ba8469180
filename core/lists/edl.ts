import { exactRate, framesOf, isDropRate, timecodeOf } from "../timecode";
import { type CutList, type SoundCut, underPicture } from "./cutList";

/** A reel's name in the common format: eight characters, letters and digits. */
const REEL_LENGTH = 8;

/** Reels named after their files, each another. */
function makeReels() {
  const reels = new Map<string, string>();
  return (name: string): string => {
    const known = reels.get(name);
    if (known) return known;
    const plain = name
      .replace(/\.[^.]*$/, "")
      .toUpperCase()
      .replaceAll(/[^A-Z0-9]/g, "");
    const taken = new Set(reels.values());
    let reel = plain.slice(0, REEL_LENGTH) || "X";
    for (let number = 2; taken.has(reel); number += 1)
      reel = `${plain.slice(0, REEL_LENGTH - String(number).length)}${number}`;
    reels.set(name, reel);
    return reel;
  };
}

/** What a list says to programs and people alike, whatever language is spoken. */
const COMMENT_NAMES = {
  offset: (samples: number, rateHz: number) => `SOUND OFFSET: ${samples} SAMPLES AT ${rateHz} HZ`,
  drift: (ppm: number) => `SOUND DRIFT: ${ppm.toFixed(2)} PPM`,
  mark: (at: string, label: string) => `MARK ${at}: ${label}`,
  samples: (from: number, to: number, rateHz: number) => `SOURCE SAMPLES: ${from} TO ${to} AT ${rateHz} HZ`,
  tone: "ROOM TONE",
};

/** Words of a comment on one line. */
const oneLine = (text: string): string => text.replaceAll(/[\r\n\t]+/g, " ").trim();

interface Event {
  name: string;
  channel: "V" | "A";
  /** First frame of the source and of the edit, and how many. */
  source: number;
  record: number;
  frames: number;
  notes: readonly string[];
}

/** Lines of a list, event after event. Source: the common 80-column line format (CMX 3600), from memory. */
function edlLines({ title, frameRate, isDrop }: { title: string; frameRate: number; isDrop: boolean }) {
  const reelOf = makeReels();
  const code = (frame: number) => timecodeOf(frame, frameRate, isDrop);
  const lines: string[] = [];
  let number = 0;
  return {
    code,
    add({ name, channel, source, record, frames, notes }: Event): void {
      number += 1;
      const times = [source, source + frames, record, record + frames].map(code).join(" ");
      lines.push(
        `${String(number).padStart(3, "0")}  ${reelOf(name).padEnd(REEL_LENGTH)} ${channel}     C        ${times}`,
        `* FROM CLIP NAME: ${oneLine(name)}`,
        ...notes.map((note) => `* ${oneLine(note)}`),
      );
    },
    text(): string {
      const head = [`TITLE: ${oneLine(title).slice(0, 70)}`, `FCM: ${isDrop ? "DROP FRAME" : "NON-DROP FRAME"}`, ""];
      return `${[...head, ...lines].join("\r\n")}\r\n`;
    },
  };
}

/** An edit begins at one o'clock, so that something can go before it. Common practice. */
const firstFrame = (frameRate: number, isDrop: boolean): number =>
  framesOf(isDrop ? "01:00:00;00" : "01:00:00:00", frameRate)!;

/**
 * The edit as lines that every editing program reads: one event for each picture, one for each sound under it, with the file's
 * whole name, the exact offset and the marks as comments. Sound is told to the nearest frame; the comment has the sample.
 */
export function edlOf(list: CutList): string {
  const { frameRate, title } = list;
  const isDrop = list.isDrop && isDropRate(frameRate);
  const rate = exactRate(frameRate);
  const lines = edlLines({ title, frameRate, isDrop });
  const frames = (seconds: number) => Math.round(seconds * rate);
  const sourceFrame = (startS: number | null, inS: number) => frames((startS ?? 0) + inS);
  let record = firstFrame(frameRate, isDrop);
  for (const picture of list.pictures) {
    const length = Math.max(1, frames(picture.seconds));
    const marks = (picture.marks ?? []).map(({ atS, label }) =>
      COMMENT_NAMES.mark(lines.code(record + frames(atS)), label),
    );
    lines.add({
      ...{ name: picture.name, channel: "V", source: sourceFrame(picture.startS, 0), record },
      ...{ frames: length, notes: marks },
    });
    for (const sound of picture.sounds) {
      const { fromS, toS, soundFromS } = underPicture(picture, sound);
      const from = frames(fromS);
      const samples = Math.round(sound.offsetS * sound.sampleRateHz);
      lines.add({
        ...{ name: sound.name, channel: "A", source: sourceFrame(sound.startS, soundFromS), record: record + from },
        frames: Math.max(1, Math.min(length - from, frames(toS) - from)),
        notes: [
          COMMENT_NAMES.offset(samples, sound.sampleRateHz),
          ...(sound.driftPpm === null ? [] : [COMMENT_NAMES.drift(sound.driftPpm)]),
        ],
      });
    }
    record += length;
  }
  return lines.text();
}

/**
 * A cut of one recording as lines: an event for each stretch. Stretches are told to the nearest frame, so that none is missing
 * and none overlaps; the comment has the samples.
 */
export function cutEdlOf(cut: SoundCut): string {
  const { frameRate, title, name, sampleRateHz, startS, segments } = cut;
  const isDrop = cut.isDrop && isDropRate(frameRate);
  const rate = exactRate(frameRate);
  const lines = edlLines({ title, frameRate, isDrop });
  const begin = firstFrame(frameRate, isDrop);
  let samples = 0;
  for (const { from, to, isTone } of segments) {
    const record = Math.round((samples * rate) / sampleRateHz);
    samples += to - from;
    const frames = Math.round((samples * rate) / sampleRateHz) - record;
    // Shorter than a frame: the next stretch begins where it would.
    if (frames === 0) continue;
    lines.add({
      ...{ name, channel: "A", record: begin + record, frames },
      source: Math.round(((startS ?? 0) + from / sampleRateHz) * rate),
      notes: [COMMENT_NAMES.samples(from, to, sampleRateHz), ...(isTone ? [COMMENT_NAMES.tone] : [])],
    });
  }
  return lines.text();
}
