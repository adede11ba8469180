import type { Performance } from "../dress";
import type { Setting } from "../devices";
import type { Message } from "../message";
import type { KnobId } from "../chain";
import type { Chemistry } from "../power";

/** Habits of devices that record. */
export const HABIT_IDS = [
  "automaticLevelOff",
  "lowCutOff",
  "limiterOnly",
  "headphonesIn",
  "programLevelOff",
  "flightMode",
  "processingOff",
  "rightInput",
  "compressorOff",
  "twoThirds",
  "testTone",
] as const;
export type Habit = (typeof HABIT_IDS)[number];

/** One thing to set on a device. */
export type CardCatalogue = {
  "card.paired": object;
  "card.noFrequency": object;
  "card.frequency": { frequencyMHz: number };
  "card.preset": { preset: string };
  /** `reads`: what the knob should read. */
  "card.knob": { knob: KnobId; stageId: string; name: string; reads: string };
  "card.setting": { setting: Setting };
  "card.format": { sampleRateHz: number; bits: number };
  "card.compressor": { ratio: number; thresholdDbfs: number };
  "card.habit": { habit: Habit };
};
export type CardMessage = Message<CardCatalogue>;

/** What of a talent, an outfit or a place differs from the scene before; things worn by name. */
export type CarryCatalogue = {
  "carry.garmentNew": { garment: string };
  "carry.garmentGone": { garment: string };
  "carry.accessoryAdded": { accessory: string };
  "carry.accessoryGone": { accessory: string };
  "carry.performance": { field: keyof Performance };
  "carry.windUp": { fromMps: number; toMps: number };
  "carry.otherPlace": object;
};
export type CarryMessage = Message<CarryCatalogue>;

/** What plans of a shoot say of levels, tracks and the bag. */
export type PlanCatalogue = CardCatalogue &
  CarryCatalogue & {
    "levels.noPlace": object;
    "levels.heardOnly": object;
    "levels.recordedBeside": object;
    "levels.notConnected": { source: string; input: string; seeLink: boolean };
    /** A way that works only with pads that nobody has. */
    "levels.needsPads": { pads: readonly string[]; overDb: number; device: string };
    "day.tooManyTracks": {
      title: string;
      tracks: number;
      recorderTracks: number;
      helps: "noSafety" | "secondRecorder";
    };
    "packing.toGet": { missing: number; spares: number; how: "buy" | "hire" | "bring" };
    "packing.supply": { name: string; amount: number; unit: "cm" | "pieces" };
    "packing.cells": { count: number; chemistry: Chemistry; volts: number };
    "packing.cards": { count: number; gigabytes: number };
    "packing.nothing": object;
    "packing.allBack": object;
    "packing.stillOut": { names: readonly string[] };
    "packing.allPacked": object;
    "packing.open": { open: number; of: number };
  };
export type PlanMessage = Message<PlanCatalogue>;
