import { CAR, LIVING_ROOM, type PlaceModel } from "../../room";
import { FIRST_WISHES, type CandidateId } from "../candidateMics";
import type { PickupCatalogue } from "../messages";
import type { PickupWishes, Talker } from "../pickupSetup";

/** People in a place, and what a recordist would put up first. Common practice throughout. */
export interface PickupSituation {
  name: string;
  why: string;
  talkers: readonly Talker[];
  place: PlaceModel;
  wishes: PickupWishes;
  /** What leads: one of these. */
  first?: readonly CandidateId[];
  notFirst?: readonly CandidateId[];
  /** What must be possible. */
  offers?: readonly CandidateId[];
  /** What must be out of the question, each with its reason. */
  out?: Partial<Record<CandidateId, keyof PickupCatalogue & `out.${string}`>>;
  /** What must, and must not, be said against the first. */
  notSaid?: readonly (keyof PickupCatalogue)[];
  /** What goes over the first against wind. */
  cover?: "foam" | "fur" | "basketFur";
}

const at = (id: string, xM: number, yM: number, facesDeg: number, change: Partial<Talker> = {}): Talker => ({
  ...{ id, name: id.toUpperCase(), wearerId: null, at: { xM, yM }, mouthM: 1.2, facesDeg, turnsDeg: 20 },
  ...{ effort: "normal", path: [], isInstrument: false },
  ...change,
});
const one = at("a", 3, 2.5, 0);
const pair = [at("a", 2.2, 2.5, 90), at("b", 3.6, 2.5, 270)];
const round = (count: number, radiusM = 0.8): Talker[] =>
  Array.from({ length: count }, (_, index) => {
    const turn = (2 * Math.PI * index) / count;
    return at(
      String.fromCharCode(97 + index),
      3 + radiusM * Math.sin(turn),
      2.5 + radiusM * Math.cos(turn),
      ((turn * 180) / Math.PI + 180) % 360,
    );
  });
const player = [at("a", 3, 2.5, 0), at("guitar", 3, 2.7, 0, { isInstrument: true, mouthM: 0.8 })];

const ROOM: PlaceModel = { ...LIVING_ROOM, lengthM: 6, widthM: 5 };
const HALL: PlaceModel = {
  ...LIVING_ROOM,
  ...{ lengthM: 18, widthM: 12, heightM: 6, floor: "woodFloor", walls: "stone", ceiling: "woodFloor", patches: [] },
};
const open = (windMps: number): PlaceModel => ({
  ...LIVING_ROOM,
  ...{ setting: "open", lengthM: 30, widthM: 30, floor: "grass", patches: [], noiseNc: 35, windMps },
});
const wishes = (change: Partial<PickupWishes> = {}): PickupWishes => ({ ...FIRST_WISHES, hasTable: false, ...change });
const BOOMS = ["overheadHyper", "overheadGun"] as const;

/** The half that the rules were made with. */
export const TUNED: readonly PickupSituation[] = [
  {
    name: "an interview of one in a furnished room, nothing in the picture",
    why: "a short hypercardioid overhead indoors, or a lav",
    ...{ talkers: [one], place: ROOM, wishes: wishes() },
    first: ["overheadHyper", "lavs"],
    notFirst: ["camera"],
    out: { hand: "out.inPicture", tableOmni: "out.inPicture", oneBoom: "out.aloneIsNotSwung" },
  },
  {
    name: "an interview in a stone hall",
    why: "as near as the picture lets it: the camera's mic hears the hall",
    ...{ talkers: [one], place: HALL, wishes: wishes() },
    first: [...BOOMS, "lavs"],
    notFirst: ["camera", "stand"],
  },
  {
    name: "two in a car",
    why: "no boom operator in a car: visor, headliner or lavs",
    ...{ talkers: [at("a", 1, 0.6, 90, { holds: "wheel" }), at("b", 1, 1.3, 90)], place: CAR, wishes: wishes() },
    first: ["plantedInCar", "lavs"],
    offers: ["plantedInCar", "lavs"],
    out: {
      overheadHyper: "out.boomInVehicle",
      oneBoom: "out.boomInVehicle",
      boomAndLavs: "out.boomInVehicle",
      hand: "out.handsFull",
    },
  },
  {
    name: "six round a table, seen",
    why: "nobody puts six hand mics into six hands",
    ...{ talkers: round(6), place: ROOM, wishes: wishes({ mayBeSeen: true, hasTable: true }) },
    out: { hand: "out.oneEach", tableOmni: "out.tooManyPeople" },
    notFirst: ["camera", "phone", "hand"],
  },
  {
    name: "a guitarist who talks, seen",
    why: "hands on the instrument hold no hand mic",
    ...{ talkers: player, place: ROOM, wishes: wishes({ mayBeSeen: true }) },
    out: { hand: "out.handsFull", phone: "out.handsFull" },
    offers: ["instrument"],
  },
  {
    name: "a reporter in the open in a light wind, seen",
    why: "a hand mic in its foam, or a boom in its fur",
    ...{ talkers: [one], place: open(2), wishes: wishes({ mayBeSeen: true }) },
    first: ["hand", "lavs", ...BOOMS],
    cover: "foam",
  },
  {
    name: "on a quay in a strong wind",
    why: "a basket with fur; nothing of wind is removed later",
    ...{ talkers: [one], place: open(9), wishes: wishes() },
    notFirst: ["camera", "phone"],
    offers: [...BOOMS, "lavs"],
  },
  {
    name: "two who face each other at arm's length",
    why: "one boom can swing, with a lav each it loses nothing",
    ...{ talkers: pair, place: ROOM, wishes: wishes() },
    offers: ["oneBoom", "boomAndLavs", "lavs"],
    notFirst: ["camera"],
  },
  {
    name: "two at the ends of a hall",
    why: "too far to swing",
    ...{ talkers: [at("a", 3, 6, 90), at("b", 14, 6, 270)], place: HALL, wishes: wishes() },
    out: { oneBoom: "out.tooFarToSwing" },
    notFirst: ["oneBoom", "camera"],
  },
  {
    name: "a recorder beside a fiddle, no table",
    why: "nothing is shaken by a table that is not there",
    ...{ talkers: player, place: ROOM, wishes: wishes({ mayBeSeen: true }) },
    offers: ["recorderPair"],
    notSaid: ["out.noTable"],
  },
  {
    name: "a podcast of two at a desk, seen",
    why: "a mic each, close",
    ...{ talkers: pair, place: ROOM, wishes: wishes({ mayBeSeen: true, hasTable: true }) },
    first: ["desk20", "desk30", "boomAndLavs", "hand", "lavs", "overheadHyper"],
    notFirst: ["camera", "phone", "tableOmni"],
  },
  {
    name: "somebody who walks while talking",
    why: "a boom walks along, what stands does not",
    ...{ talkers: [at("a", 1.5, 2.5, 90, { path: [{ xM: 4.5, yM: 2.5 }] })], place: ROOM, wishes: wishes() },
    first: [...BOOMS, "lavs"],
    notFirst: ["stand", "planted", "camera"],
  },
];

/** Written at the same time, looked at afterwards. */
export const HELD_OUT: readonly PickupSituation[] = [
  {
    name: "a driver alone, seen",
    why: "the wheel is in their hands",
    ...{ talkers: [at("a", 1, 0.6, 90, { holds: "wheel" })], place: CAR, wishes: wishes({ mayBeSeen: true }) },
    first: ["plantedInCar", "lavs"],
    out: { hand: "out.handsFull", phone: "out.handsFull", overheadGun: "out.boomInVehicle" },
  },
  {
    name: "a mother with her baby on the arm, seen",
    why: "no hand is free",
    ...{ talkers: [at("a", 3, 2.5, 0, { holds: "child" })], place: ROOM, wishes: wishes({ mayBeSeen: true }) },
    out: { hand: "out.handsFull" },
    first: ["overheadHyper", "lavs"],
  },
  {
    name: "a carpenter at work, seen",
    why: "the tool is in their hands",
    ...{ talkers: [at("a", 3, 2.5, 0, { holds: "tool" })], place: HALL, wishes: wishes({ mayBeSeen: true }) },
    out: { hand: "out.handsFull" },
    notFirst: ["camera", "phone"],
  },
  {
    name: "three round a small table, seen",
    why: "an omni in the middle is for two to four, but each their own is clearer",
    ...{ talkers: round(3), place: ROOM, wishes: wishes({ mayBeSeen: true, hasTable: true }) },
    offers: ["tableOmni", "oneBoom"],
    notFirst: ["camera", "phone"],
    out: { hand: "out.oneEach" },
  },
  {
    name: "three round nothing, seen",
    why: "without a table nothing stands on one",
    ...{ talkers: round(3), place: ROOM, wishes: wishes({ mayBeSeen: true, hasTable: false }) },
    out: { tableOmni: "out.noTable", desk20: "out.noTable", planted: "out.nothingToPlantIn" },
  },
  {
    name: "in the open, calm",
    why: "a boom or a lav; nothing is in the way of a gun outdoors",
    ...{ talkers: [one], place: open(0.2), wishes: wishes() },
    first: [...BOOMS, "lavs"],
  },
  {
    name: "in a fresh breeze",
    why: "fur over foam",
    ...{ talkers: [one], place: open(5), wishes: wishes() },
    cover: "fur",
    notFirst: ["camera"],
  },
  {
    name: "a singer with a microphone in the hand, seen",
    why: "close beats the hall",
    ...{ talkers: [at("a", 8, 6, 0, { effort: "loud" })], place: HALL, wishes: wishes({ mayBeSeen: true }) },
    first: ["hand", "lavs"],
  },
  {
    name: "a wide shot in a room",
    why: "the boom stays out of a wide frame, and a lav does not",
    ...{ talkers: [one], place: ROOM, wishes: wishes({ shot: "wide" }) },
    first: ["lavs", "overheadHyper"],
    notFirst: ["camera"],
  },
  {
    name: "two on a sofa, side by side",
    why: "near enough to swing",
    ...{ talkers: [at("a", 2.7, 2.5, 0), at("b", 3.4, 2.5, 0)], place: ROOM, wishes: wishes() },
    offers: ["oneBoom", "lavs", "overheadHyper"],
    notFirst: ["camera", "stand"],
  },
  {
    name: "an accordion that plays and is talked over",
    why: "the instrument's own microphone beside the voice's",
    ...{
      talkers: [at("a", 3, 2.5, 0, { holds: "instrument" }), at("x", 3, 2.6, 0, { isInstrument: true })],
      place: HALL,
      wishes: wishes({ mayBeSeen: true }),
    },
    offers: ["instrument", "recorderPair"],
    out: { hand: "out.handsFull" },
  },
  {
    name: "a phone diary in a small room",
    why: "anything near is better than the phone at arm's length",
    ...{ talkers: [one], place: ROOM, wishes: wishes({ mayBeSeen: true, shot: "close" }) },
    notFirst: ["phone", "camera"],
  },
  {
    name: "four in a hall who stay in their places",
    why: "a lav each, or a boom with lavs",
    ...{ talkers: round(4, 1.2), place: HALL, wishes: wishes() },
    offers: ["boomAndLavs", "lavs"],
    notFirst: ["camera", "oneBoom"],
  },
];
