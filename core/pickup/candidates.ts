import { HEARD_RIPPLE_DB } from "./combing";
import { handsOn } from "./hands";
import { hearAll, TABLE_M, type MicHeard, type TalkerHeard } from "./heardByMics";
import { MICROPHONES, type MicrophoneId } from "./microphones";
import type { PlaceSound } from "./placeSound";
import type { AgainstMessage, RuledOutMessage } from "./messages";
import type { RiskStep } from "./kinds";
import type { PickupWishes, PlacedMic, ShotSize, Spot, Talker } from "./pickupSetup";
import { aimAt, direction } from "./space";

export const FIRST_WISHES: PickupWishes = { shot: "medium", mayBeSeen: false, hasTable: true, overhead: "byRoom" };

/** How near an overhead microphone's front may come to the mouth, m, just out of frame. Common practice. */
export const OVERHEAD_M: Record<ShotSize, number> = { close: 0.45, medium: 0.6, wide: 0.9 };
const CAMERA_M: Record<ShotSize, number> = { close: 1.2, medium: 1.5, wide: 2.5 };
/** A phone held out. Common practice. */
const ARM_M = 0.6;

export const CANDIDATE_IDS = [
  "overheadHyper",
  "overheadGun",
  "hand",
  "desk20",
  "desk30",
  "desk60",
  "tableOmni",
  "camera",
  "phone",
  "recorderPair",
] as const;
export type CandidateId = (typeof CANDIDATE_IDS)[number];

interface CandidateRow {
  name: string;
  microphone: MicrophoneId;
  isSeen: boolean;
  /** One for everybody, or one each. */
  isShared: boolean;
  needsTable: boolean;
}

/** Ways of picking up a voice without touching the person. */
export const CANDIDATES: Record<CandidateId, CandidateRow> = {
  overheadHyper: {
    name: "overhead boom, short hypercardioid",
    microphone: "shortHyper",
    isSeen: false,
    isShared: false,
    needsTable: false,
  },
  overheadGun: {
    name: "overhead boom, long gun",
    microphone: "longGun",
    isSeen: false,
    isShared: false,
    needsTable: false,
  },
  hand: { name: "hand mic at 15 cm", microphone: "handCardioid", isSeen: true, isShared: false, needsTable: false },
  desk20: { name: "cardioid at 20 cm", microphone: "studio", isSeen: true, isShared: false, needsTable: true },
  desk30: { name: "cardioid at 30 cm", microphone: "studio", isSeen: true, isShared: false, needsTable: true },
  desk60: { name: "cardioid at 60 cm", microphone: "studio", isSeen: true, isShared: false, needsTable: true },
  tableOmni: {
    name: "one omni in the middle of the table",
    microphone: "tableOmni",
    isSeen: true,
    isShared: true,
    needsTable: true,
  },
  camera: { name: "camera mic", microphone: "cameraMic", isSeen: false, isShared: true, needsTable: false },
  phone: { name: "phone at arm's length", microphone: "phone", isSeen: true, isShared: true, needsTable: false },
  recorderPair: {
    name: "recorder's own pair at the instrument",
    microphone: "recorderPair",
    isSeen: true,
    isShared: true,
    needsTable: false,
  },
};

/** From straight ahead of a mouth: so far, so much aside and so much up, degrees. */
function beside(talker: Talker, distanceM: number, asideDeg: number, upDeg: number): { at: Spot; heightM: number } {
  const [x, y, z] = direction(talker.facesDeg + asideDeg, upDeg);
  return {
    at: { xM: talker.at.xM + x * distanceM, yM: talker.at.yM + y * distanceM },
    heightM: Math.max(0, talker.mouthM + z * distanceM),
  };
}

function aimed(
  id: string,
  microphone: MicrophoneId,
  stands: { at: Spot; heightM: number },
  talker: Talker,
  change: Partial<PlacedMic> = {},
): PlacedMic {
  const { patterns, holder } = MICROPHONES[microphone];
  const { bearingDeg, tiltDeg } = aimAt(
    [stands.at.xM, stands.at.yM, stands.heightM],
    [talker.at.xM, talker.at.yM, talker.mouthM],
  );
  return {
    id,
    microphone,
    pattern: patterns[0],
    holder,
    ...stands,
    aimsDeg: bearingDeg,
    tiltDeg,
    hasScreen: false,
    handsM: handsOn(holder),
    ...change,
  };
}

const middleOf = (talkers: readonly Talker[]): Spot => ({
  xM: talkers.reduce((sum, { at }) => sum + at.xM, 0) / talkers.length,
  yM: talkers.reduce((sum, { at }) => sum + at.yM, 0) / talkers.length,
});

/** Where the microphones of a candidate go for these talkers. */
export function micsOf(candidate: CandidateId, talkers: readonly Talker[], wishes: PickupWishes): PlacedMic[] {
  const people = talkers.filter(({ isInstrument }) => !isInstrument);
  const [first] = people;
  if (!first) return [];
  const each = (place: (talker: Talker, id: string) => PlacedMic) =>
    people.map((talker, index) => place(talker, `${candidate}-${index}`));
  const { microphone } = CANDIDATES[candidate];
  switch (candidate) {
    case "overheadHyper":
      return each((talker, id) => aimed(id, microphone, beside(talker, OVERHEAD_M[wishes.shot], 0, 45), talker));
    case "overheadGun":
      // Its front end is out of frame like any other's; the capsule sits a tube's length behind it.
      return each((talker, id) =>
        aimed(id, microphone, beside(talker, OVERHEAD_M[wishes.shot] + MICROPHONES.longGun.tubeM, 0, 45), talker),
      );
    case "hand":
      return each((talker, id) => aimed(id, microphone, beside(talker, 0.15, 0, -45), talker));
    case "desk20":
    case "desk30":
    case "desk60": {
      const distanceM = { desk20: 0.2, desk30: 0.3, desk60: 0.6 }[candidate];
      return each((talker, id) => aimed(id, microphone, beside(talker, distanceM, 35, -15), talker));
    }
    case "tableOmni":
      return [aimed(candidate, microphone, { at: middleOf(people), heightM: TABLE_M + 0.05 }, first)];
    case "camera":
      return [aimed(candidate, microphone, beside(first, CAMERA_M[wishes.shot], 0, 0), first)];
    case "phone":
      return [aimed(candidate, microphone, beside(first, ARM_M, 0, -10), first)];
    case "recorderPair": {
      const instrument = talkers.find(({ isInstrument }) => isInstrument);
      return instrument ? [aimed(candidate, microphone, beside(instrument, 0.3, 0, 0), instrument)] : [];
    }
  }
}

/** What is held against a candidate, in points of a hundred. */
export interface Deduction {
  says: AgainstMessage;
  points: number;
}

export interface PickupCandidate {
  id: CandidateId | "hidden" | "own";
  name: string;
  mics: readonly PlacedMic[];
  heard: readonly MicHeard[];
  /** For each person, the microphone that gets them clearest. */
  best: readonly { talkerId: string; micId: string; heard: TalkerHeard }[];
  /** Of the person who is got worst, 0…1. */
  worstSti: number;
  deductions: readonly Deduction[];
  points: number;
  /** Why it is out of the question; null when it is not. */
  ruledOut: RuledOutMessage | null;
}

/** Swing that goes unnoticed, dB; proximity that goes unnoticed, dB; separation that two tracks need, dB. Common practice. */
const EVEN_DB = 3;
const NEUTRAL_LIFT_DB = 4;
const APART_DB = 10;
/** A noise nearer than this stands on top of a microphone, m. Common practice. */
const ON_TOP_M = 0.5;
/** An echo that much duller than the voice goes unnoticed, dB; from this time on a room is heard fully, s. Common practice. */
const EVEN_TAIL_DB = 2;
const LIVELY_S = 1;

function deductionsOf(
  best: PickupCandidate["best"],
  mics: readonly PlacedMic[],
  heard: readonly MicHeard[],
  place: PlaceSound,
): Deduction[] {
  const deductions: Deduction[] = [];
  const add = (says: AgainstMessage, points: number) => points >= 0.5 && deductions.push({ says, points });
  const worst = (value: (each: TalkerHeard) => number) => Math.max(...best.map((each) => value(each.heard)));
  const plosive = Math.max(...best.map((each) => each.heard.plosive)) as RiskStep;
  add({ code: "against.plosives", step: plosive }, 5 * plosive);
  const used = heard.filter(({ micId }) => best.some((each) => each.micId === micId));
  const [shaken] = [...used].sort((one, other) => other.handling - one.handling);
  if (shaken)
    add({ code: "against.handling", holder: mics.find(({ id }) => id === shaken.micId)!.holder }, 3 * shaken.handling);
  const swingDb = worst((each) => each.swingDb);
  add({ code: "against.swing", swingDb }, Math.min(12, 2 * (swingDb - EVEN_DB)));
  const combing = best.map((each) => each.heard.combing).sort((a, b) => (b?.rippleDb ?? 0) - (a?.rippleDb ?? 0))[0];
  if (combing)
    add(
      {
        code: "against.combing",
        surface: combing.name,
        rippleDb: combing.rippleDb,
        notchHz: combing.notchHz,
      },
      Math.min(8, (combing.rippleDb - HEARD_RIPPLE_DB) / 2),
    );
  const liftDb = worst((each) => each.proximityDb);
  add({ code: "against.proximity", liftDb }, Math.min(6, (liftDb - NEUTRAL_LIFT_DB) / 2));
  const dullerDb = Math.max(...used.map(({ tailDullerDb }) => tailDullerDb));
  add(
    { code: "against.dullTail", dullerDb },
    Math.min(6, (dullerDb - EVEN_TAIL_DB) * Math.min(1, place.reverberationS[3] / LIVELY_S)),
  );
  if (best.length > 1) {
    const apart = Math.min(...used.map(({ separationDb }) => separationDb));
    if (used.length === 1) add({ code: "against.oneTrack" }, 5);
    else add({ code: "against.separation", separationDb: apart }, Math.min(8, (APART_DB - apart) / 2));
  }
  const noiseM = Math.min(...used.map(({ nearestNoiseM }) => nearestNoiseM));
  if (noiseM < ON_TOP_M) add({ code: "against.noiseNear", distanceM: noiseM }, 15 * (1 - noiseM / ON_TOP_M));
  const fault = best.map((each) => each.heard.addressFault).find((each) => each !== null);
  if (fault) add(fault, 10);
  return deductions.sort((one, other) => other.points - one.points);
}

/** Judges microphones where they stand. Clarity of the person got worst, less what speaks against it: points, a judgement. */
export function judgeMics(
  id: PickupCandidate["id"],
  name: string,
  mics: readonly PlacedMic[],
  talkers: readonly Talker[],
  place: PlaceSound,
  ruledOut: RuledOutMessage | null = null,
): PickupCandidate {
  const heard = hearAll(mics, talkers, place);
  const best = talkers
    .filter(({ isInstrument }) => !isInstrument || id === "recorderPair")
    .flatMap((talker) => {
      const each = heard
        .map((mic) => ({ micId: mic.micId, heard: mic.talkers.find(({ talkerId }) => talkerId === talker.id)! }))
        .sort((one, other) => other.heard.sti - one.heard.sti)[0];
      return each ? [{ talkerId: talker.id, ...each }] : [];
    });
  const worstSti = best.length === 0 ? 0 : Math.min(...best.map((each) => each.heard.sti));
  const deductions = best.length === 0 ? [] : deductionsOf(best, mics, heard, place);
  const points = 100 * worstSti - deductions.reduce((sum, each) => sum + each.points, 0);
  return { id, name, mics, heard, best, worstSti, deductions, points, ruledOut };
}

function whyOut(candidate: CandidateId, talkers: readonly Talker[], wishes: PickupWishes): RuledOutMessage | null {
  const { isSeen, needsTable, microphone } = CANDIDATES[candidate];
  const people = talkers.filter(({ isInstrument }) => !isInstrument).length;
  if (candidate === "recorderPair")
    return talkers.some(({ isInstrument }) => isInstrument) ? null : { code: "out.noInstrument" };
  if (isSeen && !wishes.mayBeSeen) return { code: "out.inPicture" };
  if (needsTable && !wishes.hasTable) return { code: "out.noTable" };
  if (candidate === "tableOmni" && people < 2) return { code: "out.forTable" };
  if (candidate === "tableOmni" && people > 4) return { code: "out.tooManyPeople" };
  if (microphone === "longGun" && wishes.overhead === "hyper") return { code: "out.schoolHyper" };
  if (microphone === "shortHyper" && wishes.overhead === "gun") return { code: "out.schoolGun" };
  return null;
}

/** Every candidate for these talkers in this place, the best first, those out of the question last with the reason. */
export function rankPickups(talkers: readonly Talker[], place: PlaceSound, wishes: PickupWishes): PickupCandidate[] {
  return CANDIDATE_IDS.map((id) =>
    judgeMics(id, CANDIDATES[id].name, micsOf(id, talkers, wishes), talkers, place, whyOut(id, talkers, wishes)),
  )
    .filter(({ mics, ruledOut }) => mics.length > 0 || ruledOut !== null)
    .sort((one, other) => Number(one.ruledOut !== null) - Number(other.ruledOut !== null) || other.points - one.points);
}
