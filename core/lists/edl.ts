import { exactRate, framesOf, isDropRate, timecodeOf } from "../timecode";
import { type CutList, underPicture } from "./cutList";

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
};

/** Words of a comment on one line. */
const oneLine = (text: string): string => text.replaceAll(/[\r\n\t]+/g, " ").trim();

/**
 * The edit as lines that every editing program reads: one event for each picture, one for each sound under it, with the file's
 * whole name and the exact offset as comments. Sound is told to the nearest frame; the comment has the sample. Source: the common
 * 80-column line format (CMX 3600), from memory.
 */
export function edlOf(list: CutList): string {
  const { frameRate } = list;
  const isDrop = list.isDrop && isDropRate(frameRate);
  const rate = exactRate(frameRate);
  const reelOf = makeReels();
  const code = (frame: number) => timecodeOf(frame, frameRate, isDrop);
  const frames = (seconds: number) => Math.round(seconds * rate);
  const sourceFrame = (startS: number | null, inS: number) => frames((startS ?? 0) + inS);
  const lines: string[] = [];
  let number = 0;
  const event = (name: string, channel: "V" | "A", source: number, record: number, length: number, notes: string[]) => {
    number += 1;
    const times = [source, source + length, record, record + length].map(code).join(" ");
    lines.push(
      `${String(number).padStart(3, "0")}  ${reelOf(name).padEnd(REEL_LENGTH)} ${channel}     C        ${times}`,
      `* FROM CLIP NAME: ${oneLine(name)}`,
      ...notes.map((note) => `* ${oneLine(note)}`),
    );
  };
  // An edit begins at one o'clock, so that something can go before it. Common practice.
  let record = framesOf(isDrop ? "01:00:00;00" : "01:00:00:00", frameRate)!;
  for (const picture of list.pictures) {
    const length = Math.max(1, frames(picture.seconds));
    event(picture.name, "V", sourceFrame(picture.startS, 0), record, length, []);
    for (const sound of picture.sounds) {
      const { fromS, toS, soundFromS } = underPicture(picture, sound);
      const from = frames(fromS);
      const samples = Math.round(sound.offsetS * sound.sampleRateHz);
      const notes = [
        COMMENT_NAMES.offset(samples, sound.sampleRateHz),
        ...(sound.driftPpm === null ? [] : [COMMENT_NAMES.drift(sound.driftPpm)]),
      ];
      const own = Math.max(1, Math.min(length - from, frames(toS) - from));
      event(sound.name, "A", sourceFrame(sound.startS, soundFromS), record + from, own, notes);
    }
    record += length;
  }
  const head = [`TITLE: ${oneLine(list.title).slice(0, 70)}`, `FCM: ${isDrop ? "DROP FRAME" : "NON-DROP FRAME"}`, ""];
  return `${[...head, ...lines].join("\r\n")}\r\n`;
}
