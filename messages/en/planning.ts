import type { BoardCatalogue, HomeCatalogue } from "../../core/board";
import type { Performance } from "../../core/dress";
import type { CardCatalogue, CarryCatalogue, Habit, PlanCatalogue, WorkId } from "../../core/planning";
import { saidBy, type Templates } from "../templates";
import { settingWords } from "./connect";
import { CHEMISTRY_NAMES } from "./power";
import { STEP_NAMES } from "./stations";
import { length, windSpeed } from "./units";
import { count, figure, list, lowerFirst } from "./words";

const HABITS: Record<Habit, string> = {
  automaticLevelOff: "Automatic level off",
  lowCutOff: "Low cut off, unless there is wind or rumble",
  limiterOnly: "Limiter for safety only",
  headphonesIn: "Headphones in: their volume is not the record level",
  programLevelOff: "Automatic level off in the program",
  flightMode: "Flight mode, notifications off",
  processingOff: "Echo cancelling, noise suppression and automatic gain off",
  rightInput: "The right input chosen in the system and in the program",
  compressorOff: "Compressor off, limiter for safety only",
  twoThirds: "Simple receivers distort near full: two thirds to three quarters",
  testTone: "Ask for a test tone, or the loudest song, before the show",
};

/** What a card's line is called, beside what it reads; without a reading it says all. */
export const CARD_NAMES: Partial<Record<keyof CardCatalogue, string>> = {
  "card.frequency": "Frequency",
  "card.preset": "Preset",
  "card.format": "Format",
  "card.compressor": "Compressor",
};

/** The caution on the card of a house's outlet. */
export const FEED_CAUTION =
  "Only through the venue's technician. No home-made adapters, and never lift the safety earth against hum.";

const cards: Templates<CardCatalogue> = {
  "card.paired": () => "2.4 GHz, paired",
  "card.noFrequency": () => "No frequency yet",
  "card.frequency": ({ frequencyMHz }) => `${frequencyMHz.toFixed(3)} MHz`,
  "card.preset": ({ preset }) => preset,
  "card.knob": ({ reads }) => reads,
  "card.setting": ({ setting }) => settingWords(setting),
  "card.format": ({ sampleRateHz, bits }) => `${sampleRateHz / 1000} kHz, ${bits} bit`,
  "card.compressor": ({ ratio, thresholdDbfs }) => `${ratio} : 1 from ${figure(thresholdDbfs)} dBFS`,
  "card.habit": ({ habit }) => HABITS[habit],
};

const CHANGED: Partial<Record<keyof Performance, string>> = {
  faces: "faces somebody else",
  action: "moves differently",
  shot: "another shot size",
  mayBeSeen: "hidden or seen has changed",
  loudest: "another loudest line",
  water: "water",
  sweats: "sweat",
  handsOnChest: "hands on the chest",
};

const carry: Templates<CarryCatalogue> = {
  "carry.garmentNew": ({ garment }) => `${garment} is new or worn differently`,
  "carry.garmentGone": ({ garment }) => `${garment} is gone`,
  "carry.accessoryAdded": ({ accessory }) => `${accessory} added`,
  "carry.accessoryGone": ({ accessory }) => `${accessory} is gone`,
  "carry.performance": ({ field }) => CHANGED[field] ?? field,
  "carry.windUp": ({ fromMps, toMps }) => `wind up from ${windSpeed(fromMps)} to ${windSpeed(toMps)}`,
  "carry.otherPlace": () => "another place was chosen",
};
const carryWords = saidBy(carry);

const HOW = { buy: "to buy", hire: "to hire", bring: "to bring" };

export const planning: Templates<PlanCatalogue> = {
  ...cards,
  ...carry,
  "levels.noPlace": () => "No place on this outfit works, so there is nothing to set yet.",
  "levels.heardOnly": () => "Heard only: nothing is recorded.",
  "levels.recordedBeside": () => "Recorded beside it: nothing to set here.",
  "levels.notConnected": ({ source, input, seeLink }) =>
    `Nothing connects ${source} to ${input}${seeLink ? ": see Link" : ""}.`,
  "levels.needsPads": ({ pads, overDb, device }) =>
    `Refused without the ${list(pads)}: ${overDb} dB too loud for ${device}, and it clips however low the gain. ${
      pads.length === 1 ? "It is" : "They are"
    } not in the kit.`,
  "day.tooManyTracks": ({ title, tracks, recorderTracks, helps }) =>
    `${title} needs ${count(tracks, "track", "tracks")} and the recorder takes ${recorderTracks}. ${
      helps === "noSafety"
        ? "Without safety tracks it fits."
        : "Bring a second recorder, or mix those who never speak together onto one track."
    }`,
  "packing.toGet": ({ missing, spares, how }) =>
    spares === missing
      ? `${count(missing, "spare", "spares")} ${HOW[how]}`
      : `${missing} ${HOW[how]}${spares > 0 ? ` (${count(spares, "spare", "spares")})` : ""}`,
  "packing.supply": ({ name, amount, unit }) => {
    if (unit === "pieces") return `${amount} × ${name}`;
    return `${length(amount / 100)} of ${name}`;
  },
  "packing.cells": ({ count: cells, chemistry, volts }) =>
    `${cells} × battery, ${CHEMISTRY_NAMES[chemistry]}, ${volts} V`,
  "packing.cards": ({ count: cards, gigabytes }) => `${cards} × card, ${gigabytes} GB`,
  "packing.nothing": () => "Nothing to pack yet: add talent to a scene, or say where a link goes.",
  "packing.allBack": () => "Everything is back.",
  "packing.stillOut": ({ names }) => `Still out: ${list(names)}.`,
  "packing.allPacked": () => "All packed.",
  "packing.open": ({ open, of }) => `${of - open} of ${of} packed.`,
};

const talents = (number: number): string => count(number, "talent", "talents");

export const home: Templates<HomeCatalogue> = {
  "home.addPlace": () => "Add the first place.",
  "home.addTalent": () => "Add talent to a scene.",
  "home.choose": ({ count: left }) => `Choose a place on ${talents(left)}.`,
  "home.ask": ({ count: left }) => `Ask ${talents(left)} for consent.`,
  "home.fix": ({ count: left }) => `Fix the microphones of ${talents(left)}.`,
  "home.verify": ({ count: left }) => `Check a take of ${talents(left)}.`,
};

export const board: Templates<BoardCatalogue> = {
  "board.notInScene": () => "Not in a scene yet.",
  "board.saidNo": () => "Said no to the microphone: plan a boom, or ask what would be all right.",
  "board.placeGone": () => "The outfit changed and the chosen place is gone: choose another.",
  "board.settingsChanged": () => "The settings changed since the devices were set: see the card.",
  "board.noPlaceWorks": () => "No place on this outfit works: boom, or change the outfit.",
  "board.notAsked": () => "Permission not asked yet.",
  "board.wind": () => "Wind on the capsule: bring a fur cover. Wind cannot be removed later.",
  "board.rustle": () => "Rustle is likely at the chosen place: compare the next one.",
  "board.littleOverNoise": ({ snrDb }) => `Forecast: the voice only ${figure(snrDb)} dB above the noise.`,
  "board.beyondConsent": () => "The chosen place goes further than they agreed to: ask, or choose another.",
  "board.changed": ({ changes }) => `Changed since the scene before: ${list(changes.map(carryWords))}.`,
  "board.notScouted": () => "The place is not scouted.",
  "board.noPlaceChosen": ({ site }) => `No place chosen. Best: ${lowerFirst(site)}.`,
  "board.nothingChecked": () => "Nothing recorded and checked yet.",
  "board.deliveryDiffers": () => "Some files handed over differ from their source. Copy them again.",
  "board.frequencyConflict": () => "Their frequency is not compatible with the others: find new ones, or move one.",
  "board.noFrequency": () => "No frequency yet.",
  "board.notInKit": ({ names }) => `Not in the kit: ${list(names)}.`,
  "board.changedSincePaired": ({ steps }) =>
    `Changed since it was paired: ${list(steps.map((step) => STEP_NAMES[step].toLowerCase()))} again.`,
};

/** Kinds of work, by what they are usually recorded with. */
export const WORK_NAMES: Record<WorkId, string> = {
  interview: "Interview",
  wedding: "Wedding",
  runAndGun: "Run and gun",
  phoneDiary: "Phone diary",
  stage: "Stage",
};
