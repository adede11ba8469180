import type { Cover, Held, Holder, LessonId, PickupCatalogue, RiskStep } from "../../core/pickup";
import type { Templates } from "../templates";
import { piecesWords } from "./place";
import { length, windSpeed } from "./units";
import { figure } from "./words";

/** What each step of a risk is called. */
export const RISK_NAMES: Readonly<Record<RiskStep, string>> = ["none", "slight", "likely", "certain"];

/** What each experiment is called. */
export const LESSON_NAMES: Record<LessonId, string> = {
  turnRound: "Turn it round",
  twiceAsFar: "Double the distance",
  besideBreath: "Aim from 45° beside the mouth",
  intoTheEnd: "Speak into its end",
  onTheTable: "Lay it on the table",
};

const COVER_WORDS: Record<Cover, string> = {
  bare: "nothing",
  foam: "foam",
  fur: "fur over foam",
  basketFur: "a basket with fur",
};

const HELD_WORDS: Record<Held, string> = {
  nothing: "nothing",
  instrument: "an instrument",
  wheel: "the wheel",
  child: "a child",
  tool: "a tool",
};

const HANDLING: Record<Holder, string> = {
  boom: "handling noise from the boom operator's hands: use the suspension",
  hand: "handling noise from the hand that holds it: hold it still, with the cable in a loop",
  stand: "no handling noise on its own stand",
  table: "knocks on the table: use a suspension, or books with something soft",
  camera: "hands and motors of the camera",
  phone: "fingers on the phone",
  body: "clothing noise: see Dress",
};

const signed = (value: number): string => `${value < 0 ? "−" : "+"}${figure(Math.abs(value))} dB`;

export const pickup: Templates<PickupCatalogue> = {
  "address.side": ({ microphone }) =>
    `the ${microphone} is spoken into from the side: turn the marked side to the mouth, not the end`,
  "address.pastMouth": ({ microphone, offDeg }) =>
    `the ${microphone} points ${offDeg}° past the mouth and gets mostly the room: turn its front to the mouth`,
  "against.plosives": ({ step }) => `plosives ${RISK_NAMES[step]}: it is in the breath`,
  "against.handling": ({ holder }) => HANDLING[holder],
  "against.swing": ({ swingDb }) => `the level swings by ${figure(swingDb)} dB as they turn and move`,
  "against.combing": ({ surface, rippleDb, notchHz }) =>
    `comb filtering from the ${surface}: ${figure(rippleDb)} dB of ripple from ${Math.round(notchHz)} Hz upwards`,
  "against.proximity": ({ liftDb }) => `proximity effect: the lows rise by ${figure(liftDb)} dB`,
  "against.dullTail": ({ dullerDb }) =>
    `the room sounds ${figure(dullerDb)} dB duller than the voice, and does not match it`,
  "against.oneTrack": () => "everybody is on one track",
  "against.separation": ({ separationDb }) => `others are only ${figure(separationDb)} dB down on a track`,
  "against.noiseNear": ({ distanceM }) => `a noise source is ${length(distanceM)} from it: move one of them`,
  "against.wind": ({ windMps, cover, windDba }) =>
    `wind of ${windSpeed(windMps)}: ${figure(windDba)} dBA of noise under ${COVER_WORDS[cover]}`,
  "against.standsStill": () => "nobody follows when they lean, turn or stand up",
  "against.boomSwings": ({ apartM, seconds }) =>
    `it swings over ${length(apartM)}: ${figure(seconds, 1)} s between cues, and overlapping lines are lost`,
  "wind.use": ({ windMps, cover, lowCutHz }) =>
    `Wind of ${windSpeed(windMps)}: ${COVER_WORDS[cover]}, low cut at ${lowCutHz} Hz.`,
  "out.boomInVehicle": () => "There is no room for a boom in a car.",
  "out.handsFull": ({ holds }) => `Their hands hold ${HELD_WORDS[holds]}.`,
  "out.oneEach": () => "Nobody hands a mic round among so many.",
  "out.aloneIsNotSwung": () => "It is for two and more.",
  "out.tooFarToSwing": ({ apartM }) => `They are ${length(apartM)} apart: too far to swing.`,
  "out.nothingToPlantIn": () => "There is no table, dashboard or visor to hide it in.",
  "out.noInstrument": () => "There is no instrument.",
  "out.inPicture": () => "It would be in the picture.",
  "out.noTable": () => "There is no table to put it on.",
  "out.forTable": () => "It is for two to four people round a table.",
  "out.tooManyPeople": () => "There are too many people for one: the farthest would be lost.",
  "out.schoolHyper": () => "You chose the small hypercardioid.",
  "out.schoolGun": () => "You chose the long gun.",
  "lesson.changed": ({ lesson, voiceDb, overRoomDb, sti: [before, after], plosives, ripple }) => {
    const parts = [
      `the voice ${signed(voiceDb)}`,
      ...(overRoomDb === null ? [] : [`direct to reverberant ${signed(overRoomDb)}`]),
      `clarity ${figure(before, 2)} to ${figure(after, 2)}`,
      ...(plosives ? [`plosives ${RISK_NAMES[plosives[0]]} to ${RISK_NAMES[plosives[1]]}`] : []),
      ...(ripple
        ? [
            `ripple ${figure(ripple.beforeDb)} to ${figure(ripple.afterDb)} dB${
              ripple.by ? ` from the ${ripple.by.surface}, first notch at ${Math.round(ripple.by.notchHz)} Hz` : ""
            }`,
          ]
        : []),
    ];
    return `${LESSON_NAMES[lesson]}: ${parts.join(", ")}.`;
  },
  "better.nearer": ({ byM }) => `${length(byM)} closer`,
  "better.turned": ({ byDeg }) => `turned ${byDeg}° towards the mouth`,
  "better.pattern": ({ pattern }) => `set to ${pattern}`,
  "better.handsAway": () => "with the hands kept away from it",
  "better.popScreen": () => "with a pop screen",
  "better.treated": (pieces) => `with ${piecesWords(pieces)}`,
};
