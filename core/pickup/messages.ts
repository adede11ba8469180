import type { Message } from "../message";
import type { Pieces } from "../room";
import type { LessonId, RiskStep } from "./kinds";
import type { Holder } from "./microphones";
import type { Held } from "./pickupSetup";
import type { Cover } from "./wind";

/** How a microphone is pointed wrongly; it by name, angles in degrees. */
type AddressCatalogue = {
  "address.side": { microphone: string };
  "address.pastMouth": { microphone: string; offDeg: number };
};
export type AddressFault = Message<AddressCatalogue>;

/** What is held against a way of picking up: levels in dB, Hz, m. */
type AgainstCatalogue = AddressCatalogue & {
  "against.plosives": { step: RiskStep };
  "against.handling": { holder: Holder };
  "against.swing": { swingDb: number };
  "against.combing": { surface: string; rippleDb: number; notchHz: number };
  "against.proximity": { liftDb: number };
  "against.dullTail": { dullerDb: number };
  "against.oneTrack": object;
  "against.separation": { separationDb: number };
  "against.noiseNear": { distanceM: number };
  "against.wind": { windMps: number; cover: Cover; windDba: number };
  "against.standsStill": object;
  "against.boomSwings": { apartM: number; seconds: number };
};
export type AgainstMessage = Message<AgainstCatalogue>;

/** Why a way of picking up is out of the question. */
type RuledOutCatalogue = {
  "out.noInstrument": object;
  "out.inPicture": object;
  "out.noTable": object;
  "out.forTable": object;
  "out.tooManyPeople": object;
  "out.schoolHyper": object;
  "out.schoolGun": object;
  "out.boomInVehicle": object;
  "out.handsFull": { holds: Held };
  "out.oneEach": object;
  "out.aloneIsNotSwung": object;
  "out.tooFarToSwing": { apartM: number };
  "out.nothingToPlantIn": object;
};

/** What goes over the microphones, and where the low cut goes. */
type WindCatalogue = { "wind.use": { windMps: number; cover: Cover; lowCutHz: number } };
export type WindMessage = Message<WindCatalogue>;
export type RuledOutMessage = Message<RuledOutCatalogue>;

/** What an experiment changed: dB, speech transmission index, steps of risk; null where it is no matter. */
type LessonCatalogue = {
  "lesson.changed": {
    lesson: LessonId;
    voiceDb: number;
    overRoomDb: number | null;
    sti: readonly [number, number];
    plosives: readonly [RiskStep, RiskStep] | null;
    ripple: { beforeDb: number; afterDb: number; by: { surface: string; notchHz: number } | null } | null;
  };
};
export type LessonMessage = Message<LessonCatalogue>;

/** What would make a pickup better: each follows "Better:". Distances in m, angles in degrees. */
type BetterCatalogue = {
  "better.nearer": { byM: number };
  "better.turned": { byDeg: number };
  "better.pattern": { pattern: string };
  "better.handsAway": object;
  "better.popScreen": object;
  "better.treated": Pieces;
};
export type PickupMessage = Message<BetterCatalogue>;

export type PickupCatalogue = AgainstCatalogue & RuledOutCatalogue & LessonCatalogue & BetterCatalogue & WindCatalogue;
