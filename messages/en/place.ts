import type { MeterCatalogue } from "../../core/meter";
import type { NoiseCatalogue, Remedy } from "../../core/noise";
import type { NcNumber, Pieces, RoomCatalogue } from "../../core/room";
import type { ScheduleCatalogue } from "../../core/schedule";
import type { ExposureCatalogue } from "../../core/sound";
import type { Templates } from "../templates";
import { area, length } from "./units";
import { clock, count, figure, list, upperFirst } from "./words";

const NUMBERS = ["no", "one", "two", "three", "four", "five", "six"];

/** "one blanket on the north wall, over the window glass". */
export function piecesWords({ name, plural, count: pieces, surface, over }: Pieces): string {
  const what = `${NUMBERS[pieces] ?? pieces} ${pieces === 1 ? name : plural}`;
  if (surface === null) return what;
  return `${what} on the ${surface}${over === null || surface === "floor" ? "" : `, over the ${over}`}`;
}

const ENDS = { nextClap: "The next clap comes too soon. ", cut: "The recording stops too soon. ", noise: "" };
const CURES = {
  nextClap: "Clap once, and let it ring out.",
  cut: "Let it run on for three seconds after the clap.",
  noise: "Burst a balloon, clap nearer to the microphone, or switch the noise off for a minute.",
};

/** Rounded towards what is missing, so that the figures add up. */
function lackWords({ lacks, hz, hasDb, neededDb, endsBy }: RoomCatalogue["clap.notEvaluated"]): string {
  const end = endsBy === "noise" ? "the noise" : "where it breaks off";
  const has = Math.floor(hasDb);
  const needed = `${neededDb} dB are needed, ${neededDb - has} dB more.`;
  if (lacks === "range") return `The clap stands ${has} dB above ${end} at ${hz} Hz; ${needed}`;
  if (lacks === "reach") return `The decay at ${hz} Hz falls ${has} dB before it meets ${end}; ${needed}`;
  return `The decay at ${hz} Hz is too uneven to be measured.`;
}

const REVERBERATION: Record<RoomCatalogue["room.verdict"]["reverberation"], string> = {
  open: "No reverberation outdoors",
  good: "Dry enough",
  usable: "The room will be heard",
  poor: "Too reverberant",
};
const NOISE: Record<RoomCatalogue["room.verdict"]["noise"], string> = {
  good: "quiet enough for soft speech",
  usable: "noise is heard in the pauses",
  poor: "too noisy",
};

export const room: Templates<RoomCatalogue> = {
  "place.corner": ({ side }) => `The missing corner of an L must be shorter than the room's ${side}, and more than 0.`,
  "place.noSurface": ({ surface }) => `This place has no ${surface}.`,
  "place.partsTooLarge": ({ surface, wholeM2, usedM2 }) =>
    `The ${surface} has ${area(wholeM2)}, and its parts take ${area(usedM2)}. Make one of them smaller.`,
  "clap.several": ({ claps, atS }) =>
    `${count(claps, "clap was", "claps were")} heard; the one at ${figure(atS, 1)} s stands out most and was measured.`,
  "clap.bent": ({ bandsHz }) =>
    `The decay at ${list(bandsHz.map((hz) => `${hz} Hz`))} is not a straight line: an open door to another room, or something rang with it.`,
  "clap.notAt": ({ bands }) =>
    `Not measurable at ${list(
      bands.map(({ hz, shortByDb }) => `${hz} Hz${shortByDb > 0 ? ` (${Math.ceil(shortByDb)} dB short)` : ""}`),
    )}: the forecast stays there.`,
  "clap.asWritten": ({ text }) => text,
  "clap.notSound": () => "The file holds figures that are not sound. Record the clap again.",
  "clap.silent": () => "The recording is silent. Check that the microphone is live, then clap again.",
  "clap.none": () =>
    "No clap was found: nothing rises out of the rest. Wait two seconds in silence, clap once, and let it ring out.",
  "clap.tooQuiet": ({ peakDbfs }) =>
    `The clap is too quiet: its peak is ${figure(peakDbfs)} dBFS. Turn the gain up by 20 dB, or burst a balloon.`,
  "clap.clipped": () => "The clap is clipped: its top is cut off. Turn the gain down by 10 dB and clap again.",
  "clap.nextAtOnce": () => `The next clap comes before this one has rung out. ${CURES.nextClap}`,
  "clap.stopsAtOnce": () => `The recording stops right after the clap. ${CURES.cut}`,
  "clap.notEvaluated": (facts) => `${ENDS[facts.endsBy]}${lackWords(facts)} ${CURES[facts.endsBy]}`,
  "room.verdict": ({ reverberation, noise }) => {
    const isDry = reverberation === "open" || reverberation === "good";
    return `${REVERBERATION[reverberation]}, ${isDry === (noise === "good") ? "and" : "but"} ${NOISE[noise]}.`;
  },
  "room.keepWithin": ({ withinM }) =>
    `Keep every microphone well within ${length(withinM)}. Hang blankets or lay rugs first.`,
  "room.lowsRing": () => "The lows ring on: roll them off, or keep the talker away from the corners.",
  "room.stopNoises": () => "Stop the noises you can, and place the microphone close.",
  "room.passing": ({ noises }) =>
    noises === 1 ? "One noise comes and goes: find its gap." : `${noises} noises come and go: find the gaps.`,
  "room.wind": () => "Wind: cover the capsule before you roll. It cannot be removed later.",
  "room.anyPlace": () => "Any usual place on the body works here.",
  "room.dryEnough": () => "It needs no treatment.",
  "room.nothingHelps": () => "No treatment you could carry helps here: place the microphone close.",
  "room.pieces": piecesWords,
  "room.treatments": ({ pieces, isAll, beforeS, afterS }) => {
    const isOne = pieces.length === 1 && pieces[0]!.count === 1;
    return `${upperFirst(list(pieces.map(piecesWords)))} ${isOne ? "gives" : "give"} you ${
      isAll ? "what there is to get" : "most of it"
    }: from ${figure(beforeS, 1)} s down to ${figure(afterS, 1)} s.`;
  },
};

export const noise: Templates<NoiseCatalogue> = {
  "listen.sitStill": () => "Sit still where the talent will be, with your eyes shut.",
  "listen.nearBy": () => "Near by: what hums? Fridge, fan, lamp, computer.",
  "listen.aboveAndBelow": () => "Above and below: air, steps, pipes.",
  "listen.outside": () => "Outside: road, building work, wind in leaves.",
  "listen.living": () => "Living things: dogs, birds, children, talk.",
  "listen.far": () => "Far: aircraft, trains, ships, sea.",
  "listen.silentNow": () => "What is silent now but may start? Bells, pumps, horns, phones.",
  "tone.tooShort": ({ seconds, neededS }) =>
    `The recording lasts ${figure(seconds, 1)} s; ${neededS} s are needed. Record half a minute with everybody still.`,
  "tone.notSound": () => "The file holds figures that are not sound. Record it again.",
  "tone.silent": () => "The recording is silent. Check that the microphone is live.",
};

const CHECK = "Check the cable, the pack's mute, and the input that is chosen.";

export const meter: Templates<MeterCatalogue> = {
  "taps.none": () => `No taps came through: nothing is live, or it is muted. ${CHECK}`,
  "taps.wantedOnly": () => "The wanted microphone is live: taps on the device do not come through.",
  "taps.deviceOnly": () =>
    "The device's built-in microphone is live, not the wanted one: another adapter, or another input chosen.",
  "taps.alike": () => "Both taps are equally loud: tap again, and equally hard on both.",
  "taps.wantedLouder": ({ byDb }) =>
    `The wanted microphone is live: its taps are ${figure(byDb)} dB louder than those on the device.`,
  "taps.deviceLouder": ({ byDb }) =>
    `The device's built-in microphone is live: its taps are ${figure(byDb)} dB louder. Another adapter, or another input chosen.`,
  "trial.nothingHeard": () => `Nothing was heard. ${CHECK}`,
  "trial.wrongMicrophone": ({ overQuietDb }) =>
    `The loudest line is only ${figure(overQuietDb)} dB above the quiet: is this the right microphone? Do the tap test.`,
  "trial.clips": ({ downDb }) => `It clips: turn it down by at least ${figure(downDb)} dB, and say it again.`,
  "trial.overloadsEarlier": () =>
    "Something before this input overloads: turn down the pack, or what comes first; no later control cures it.",
  "trial.peaks": ({ peakDbfs, byDb }) =>
    `Peaks at ${figure(peakDbfs)} dBFS: ${
      byDb === null ? "leave the level as it is" : `turn it ${byDb < 0 ? "down" : "up"} by ${figure(Math.abs(byDb))} dB`
    }.`,
  "trial.littleOverNoise": ({ overNoiseDb }) =>
    `The voice is only ${figure(overNoiseDb)} dB above the noise: come closer, or make it quieter here.`,
  "trial.noiseRises": ({ byDb }) =>
    `The noise is ${figure(byDb)} dB above the quiet: what can be switched off while rolling?`,
};

export const schedule: Templates<ScheduleCatalogue> = {
  "schedule.fixedInNoise": ({ atMin }) =>
    `It is fixed at ${clock(atMin)}, and the place is not quiet then. Move it, or have the noise stopped.`,
  "schedule.takeTooLong": ({ needsMin, longestMin }) =>
    `A take needs ${needsMin} quiet minutes; the longest quiet run is ${longestMin}. Shorten the take, or have a noise stopped.`,
  "schedule.tooLittleQuiet": ({ needsMin, hasMin }) =>
    `It needs ${needsMin} quiet minutes; the day has ${hasMin} in runs long enough for a take.`,
  "schedule.dayFull": () => "The day is full: make it longer, or put this scene on another day.",
};

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const ofDay = (share: number): string => `${percent(share)} of what one day allows`;

export const exposure: Templates<ExposureCatalogue> = {
  "exposure.tooMuch": ({ dayShare, downDb, allowedMin }) =>
    `${ofDay(dayShare)}: turn down by ${downDb} dB, or listen for ${allowedMin} min at most.`,
  "exposure.tooMuchInAll": ({ dayShare, downDb, toShare }) =>
    `${ofDay(dayShare)}: turn everything down by ${downDb} dB, or shorten everything to ${percent(toShare)}.`,
  "exposure.rest": ({ dayShare }) => `${ofDay(dayShare)}: rest your ears at lunch. 3 dB less doubles the time.`,
  "exposure.notEveryDay": ({ weekShare }) =>
    `${percent(weekShare)} of what a week allows, in one day. Do not do this every day.`,
  "exposure.fine": ({ dayShare }) => `${ofDay(dayShare)}.`,
};

/** What each remedy against a noise is called: to do, done, and undone when the scene is over. */
export const REMEDY_WORDS: Record<Remedy, { name: string; done: string; undo: string }> = {
  switchOff: { name: "switch it off", done: "switched off", undo: "switch it on again" },
  ask: { name: "ask them to stop", done: "asked, and stopped", undo: "tell them you are done" },
  wait: { name: "wait until it stops", done: "waited for", undo: "" },
  move: { name: "go twice as far away", done: "moved away from", undo: "" },
  shut: { name: "shut the door or window", done: "shut", undo: "" },
  anotherHour: { name: "choose a quieter hour", done: "moved to a quieter hour", undo: "" },
  cover: { name: "cover it with blankets", done: "covered", undo: "take the covers off" },
};

/** Rooms that people know of each noise criterion curve. Common practice. */
export const NC_EXAMPLES: Record<NcNumber, string> = {
  15: "studio at night",
  20: "very quiet room",
  25: "bedroom, quiet church",
  30: "quiet living room",
  35: "living room, office alone",
  40: "office, shop",
  45: "busy office, street outside",
  50: "workshop, kitchen at work",
};
