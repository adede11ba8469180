import type { MarkKind, Rating, RollCatalogue, TakeType } from "../../core/roll";
import type { Templates } from "../templates";
import { count, figure, list, lowerFirst, upperFirst } from "./words";

/** What marks are called, on keys and in reports. */
const MARK_NAMES: Record<MarkKind, string> = {
  aircraft: "Aircraft",
  vehicle: "Vehicle",
  voices: "Voices",
  rustle: "Clothing rustle",
  handling: "Handling noise",
  offMic: "Off mic",
  radioHit: "Radio hit",
  clipped: "Clipped",
  wind: "Wind",
  pop: "Plosive",
  hum: "Hum",
  phone: "Phone",
  animal: "Animal",
  door: "Door",
  fluffed: "Line fluffed",
  overlap: "Overlap",
  laugh: "Laugh",
  dropOut: "Drop-out",
  best: "Best bit",
  cut: "Cut here",
  clap: "Clap",
  slate: "Slate",
  endSlate: "End slate",
  note: "Note",
};

/** The name of a mark: ours, or the one that somebody has given. */
export const markName = (kind: string): string => MARK_NAMES[kind as MarkKind] ?? kind;

export const TYPE_NAMES: Record<TakeType, string> = {
  take: "Take",
  pickUp: "Pick-up",
  wild: "Wild line",
  roomTone: "Room tone",
  noSound: "No sound",
  falseStart: "False start",
};

export const RATING_NAMES: Record<Rating, string> = {
  none: "Not rated",
  good: "Good",
  hold: "Hold",
  noGood: "No good",
};

const minutes = (value: number): string => (value < 1 ? "under a minute" : count(Math.round(value), "min", "min"));

/** "47 s", "2 min 10 s", "1 h 3 min". */
export function duration(seconds: number): string {
  const whole = Math.round(Math.abs(seconds));
  if (whole < 60) return `${whole} s`;
  if (whole < 3600) return whole % 60 === 0 ? `${whole / 60} min` : `${Math.floor(whole / 60)} min ${whole % 60} s`;
  const min = Math.round((whole % 3600) / 60);
  return `${Math.floor(whole / 3600)} h${min > 0 ? ` ${min} min` : ""}`;
}

const ahead = (seconds: number): string => (seconds > 0 ? "ahead" : "behind");

export const roll: Templates<RollCatalogue> = {
  "scheme.unknown": ({ text }) =>
    `There is no field ${text}. Use shoot, day, date, scene, slate, take, counter or track.`,
  "scheme.sameNames": () => "Two takes would get the same name: add {take} or {counter}.",
  "scheme.clash": ({ name }) => `Another take is already called ${name}.`,
  "owed.roomTone": ({ place }) => `Room tone of ${place}, 30 s with everybody still.`,
  "owed.wildLine": ({ slate }) => `A wild line for slate ${slate}: every take of it has a noise on it.`,
  "owed.clap": ({ slate, take }) =>
    `Slate ${slate} take ${take} has no clap. Clap at its end, or note how it is synced.`,
  "owed.notRecorded": ({ names }) => `${list(names)} ${names.length === 1 ? "has" : "have"} not been recorded yet.`,
  "owed.noGoodTake": ({ slate }) => `Slate ${slate} has no usable take.`,
  "owed.nothing": () => "Nothing is owed.",
  "left.noiseIn": ({ minutes: left, noise }) => `${upperFirst(noise)} in ${minutes(left)}`,
  "left.noiseNow": ({ minutes: left, noise }) => `${upperFirst(noise)}, ${minutes(left)} more`,
  "left.quiet": ({ minutes: left }) => `Quiet for ${minutes(left)}`,
  "left.card": ({ minutes: left }) => `Card: ${duration(left * 60)} left`,
  "left.cardFull": () => "The card is full",
  "left.battery": ({ minutes: left }) => `Batteries: change in ${minutes(left)}`,
  "clock.agrees": () => "The recorder's clock agrees with the log.",
  "clock.offset": ({ offsetS }) => `The recorder's clock is ${duration(offsetS)} ${ahead(offsetS)}.`,
  "clock.timeZone": ({ hours }) =>
    `The recorder's clock is set to another time zone: ${figure(Math.abs(hours), Number.isInteger(hours) ? 0 : 1)} h ${ahead(hours)}.`,
  "clock.drift": ({ ppm }) => `It runs ${ppm > 0 ? "fast" : "slow"} by ${figure(Math.abs(ppm) * 0.0036, 2)} s an hour.`,
  "clock.unknown": () => "The files do not say when they began: matched by order and length.",
  "match.split": ({ files }) => `in ${files} files`,
  "match.joined": ({ takes }) => `${takes} takes in one file`,
  "match.noFile": () => "No file on this card",
  "match.falseStart": () => "False start",
  "match.notLogged": () => "Not in the log",
  "match.lengthDiffers": ({ byS }) => `${duration(byS)} ${byS > 0 ? "longer" : "shorter"} than logged`,
  "match.otherDay": () => "This card does not fit the log of this day. Choose another day, or check the card.",
  "match.sum": ({ matched, takes, files, doubtful }) =>
    `${matched} of ${count(takes, "take", "takes")} matched with ${count(files, "file", "files")}${doubtful > 0 ? `, ${doubtful} to confirm` : ""}.`,
  "disagree.notedClean": ({ clipped }) =>
    `Noted clean, but ${clipped === 1 ? "a track reaches" : `${clipped} tracks reach`} full scale.`,
  "mark.noiseUp": ({ byDb }) => `noise up ${figure(byDb)} dB`,
  "mark.nothingMeasured": () => "Nothing was found at any moment of it.",
  "disagree.notedGood": () => "Noted good, but measured as one to record again.",
  "disagree.notedBad": () => "Noted no good, but it measures clean.",
  "counter.late": ({ seconds }) =>
    seconds > 0
      ? `The recorder was started ${duration(seconds)} after the log.`
      : `The recorder was started ${duration(seconds)} before the log.`,
  "counter.agrees": () => "It is recording: the counter agrees with the log.",
  "counter.timeOfDay": ({ offsetS }) =>
    Math.abs(offsetS) < 1.5
      ? "It is recording, and its clock is right."
      : `It is recording. Its clock is ${duration(offsetS)} ${ahead(offsetS)}.`,
  "roll.loggedTwice": ({ name }) => `Logged twice: ${name} ran at the same time on another device.`,
  "roll.running": ({ name }) => `Rolling: ${lowerFirst(name)}`,
  "roll.longerThanCard": () => "This take is longer than the card: change it now.",
  "roll.next": ({ name }) => `Next: ${lowerFirst(name)}`,
  "roll.soon": ({ title, minutes: left }) => `${title} rolls in ${minutes(left)}`,
  "roll.nothing": () => "Nothing logged yet.",
  "totals.day": ({ minutes: rolled, takes, good, gigabytes }) =>
    `${count(takes, "take", "takes")}, ${good} good, ${duration(rolled * 60)} rolled, ${figure(gigabytes, 1)} GB.`,
  "type.name": ({ type }) => TYPE_NAMES[type],
};
