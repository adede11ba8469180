import type { Message } from "../message";
import type { TakeType } from "./takeTypes";

/** What is said about the log of takes. Times in seconds; offsets are positive where the recorder's clock is ahead. */
export type RollCatalogue = {
  "scheme.unknown": { text: string };
  "scheme.sameNames": object;
  "scheme.clash": { name: string };
  "owed.roomTone": { place: string };
  "owed.wildLine": { slate: string };
  "owed.clap": { slate: string; take: number };
  "owed.notRecorded": { names: readonly string[] };
  "owed.noGoodTake": { slate: string };
  "owed.nothing": object;
  /** What the day still allows. */
  "left.noiseIn": { minutes: number; noise: string };
  "left.noiseNow": { minutes: number; noise: string };
  "left.quiet": { minutes: number };
  "left.card": { minutes: number };
  "left.cardFull": object;
  "left.battery": { minutes: number };
  "clock.agrees": object;
  "clock.offset": { offsetS: number };
  "clock.timeZone": { hours: number };
  "clock.drift": { ppm: number };
  "clock.unknown": object;
  "match.split": { files: number };
  "match.joined": { takes: number };
  "match.noFile": object;
  "match.falseStart": object;
  "match.notLogged": object;
  "match.lengthDiffers": { byS: number };
  "match.otherDay": object;
  "match.sum": { matched: number; takes: number; files: number; doubtful: number };
  "disagree.notedClean": { clipped: number };
  "disagree.notedGood": object;
  "disagree.notedBad": object;
  /** Where something was noted the pauses are louder than in the rest of the take. */
  "mark.noiseUp": { byDb: number };
  "mark.nothingMeasured": object;
  "counter.late": { seconds: number };
  "counter.agrees": object;
  "counter.timeOfDay": { offsetS: number };
  "roll.loggedTwice": { name: string };
  "roll.running": { name: string };
  "roll.longerThanCard": object;
  "roll.next": { name: string };
  "roll.soon": { title: string; minutes: number };
  "roll.nothing": object;
  "totals.day": { minutes: number; takes: number; good: number; gigabytes: number };
  "type.name": { type: TakeType };
};
export type RollMessage = Message<RollCatalogue>;
