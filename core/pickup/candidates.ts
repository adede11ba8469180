import { aWeightedDb } from "../sound";
import type { Voice } from "../voice";
import { CANDIDATE_IDS, CANDIDATES, type CandidateId, micsOf } from "./candidateMics";
import { HEARD_RIPPLE_DB } from "./combing";
import { hearAll, type MicHeard, type TalkerHeard } from "./heardByMics";
import type { PlaceSound } from "./placeSound";
import type { AgainstMessage, RuledOutMessage, WindMessage } from "./messages";
import { coverFor, lowCutHz } from "./wind";
import type { RiskStep } from "./kinds";
import type { Held, PickupWishes, PlacedMic, Talker } from "./pickupSetup";

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
  /** What goes over it against wind, and the low cut; null where there is no wind. */
  wind: WindMessage | null;
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

/** What a microphone loses that nobody moves, points. A judgement. */
const STANDS_STILL = 5;

function deductionsOf(
  id: PickupCandidate["id"],
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
  if (id === "stand" || id === "planted" || id === "plantedInCar") add({ code: "against.standsStill" }, STANDS_STILL);
  const windy = [...used].sort((one, other) => other.windDba - one.windDba)[0];
  if (windy && place.windMps > 0) {
    const mic = mics.find(({ id }) => id === windy.micId)!;
    const cover = mic.cover ?? coverFor(mic.holder, place.windMps);
    const over = windy.windDba - aWeightedDb(place.diffuseNoiseDb);
    add({ code: "against.wind", windMps: place.windMps, cover, windDba: windy.windDba }, Math.min(8, over / 2));
  }
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
  deepest: Voice = "unknown",
  ruledOut: RuledOutMessage | null = null,
): PickupCandidate {
  const heard = hearAll(mics, talkers, place);
  const best = talkers
    .filter(({ isInstrument }) => !isInstrument || id === "recorderPair" || id === "instrument")
    .flatMap((talker) => {
      const each = heard
        .map((mic) => ({ micId: mic.micId, heard: mic.talkers.find(({ talkerId }) => talkerId === talker.id)! }))
        .sort((one, other) => other.heard.sti - one.heard.sti)[0];
      return each ? [{ talkerId: talker.id, ...each }] : [];
    });
  const worstSti = best.length === 0 ? 0 : Math.min(...best.map((each) => each.heard.sti));
  const deductions = best.length === 0 ? [] : deductionsOf(id, best, mics, heard, place);
  const points = 100 * worstSti - deductions.reduce((sum, each) => sum + each.points, 0);
  const [first] = mics;
  const wind: WindMessage | null =
    first && place.windMps > 0
      ? {
          code: "wind.use",
          windMps: place.windMps,
          cover: first.cover ?? coverFor(first.holder, place.windMps),
          lowCutHz: lowCutHz(place.windMps, deepest),
        }
      : null;
  return { id, name, mics, heard, best, worstSti, deductions, points, ruledOut, wind };
}

/** A boom turns and steps from one talker to the next at so many metres a second; a cue later than this is lost, s. Common practice. */
const SWING_MPS = 2.5;
const SWING_FURTHEST_M = 3;

/** How far apart the talkers furthest from each other are, m. */
function apartM(talkers: readonly Talker[]): number {
  let most = 0;
  for (const { at: one } of talkers)
    for (const { at: other } of talkers) most = Math.max(most, Math.hypot(one.xM - other.xM, one.yM - other.yM));
  return most;
}

/** One boom for several: each is got as by a boom of their own, but one at a time, on one track. */
function swung(candidate: PickupCandidate, people: readonly Talker[]): PickupCandidate {
  const far = apartM(people);
  const seconds = far / SWING_MPS;
  const deductions = [
    ...candidate.deductions.filter(({ says }) => says.code !== "against.separation"),
    { says: { code: "against.boomSwings" as const, apartM: far, seconds }, points: 3 + 6 * seconds },
  ].sort((one, other) => other.points - one.points);
  return {
    ...candidate,
    deductions,
    points: 100 * candidate.worstSti - deductions.reduce((sum, { points }) => sum + points, 0),
  };
}

/** Nobody booms in a car. */
const BOOMED: readonly CandidateId[] = ["overheadHyper", "overheadGun", "oneBoom", "boomAndLavs", "stand"];
/** Hands that hold something hold no microphone and no phone; an instrument close by is held. */
const PLAYED_M = 0.7;
const holdsOf = (talker: Talker, talkers: readonly Talker[]): Held => {
  if (talker.holds && talker.holds !== "nothing") return talker.holds;
  const isPlaying = talkers.some(
    ({ isInstrument, at }) => isInstrument && Math.hypot(at.xM - talker.at.xM, at.yM - talker.at.yM) < PLAYED_M,
  );
  return isPlaying ? "instrument" : "nothing";
};
/** More than so many do not pass a microphone round. */
const MOST_HAND_MICS = 2;

function whyOut(
  candidate: CandidateId,
  talkers: readonly Talker[],
  wishes: PickupWishes,
  place: PlaceSound,
): RuledOutMessage | null {
  const { isSeen, needsTable, microphone } = CANDIDATES[candidate];
  const everybody = talkers.filter(({ isInstrument }) => !isInstrument);
  const people = everybody.length;
  if (place.isVehicle && BOOMED.includes(candidate)) return { code: "out.boomInVehicle" };
  if (candidate === "hand" || candidate === "phone") {
    const holds = everybody.map((talker) => holdsOf(talker, talkers)).find((each) => each !== "nothing");
    if (holds) return { code: "out.handsFull", holds };
  }
  if (candidate === "hand" && people > MOST_HAND_MICS) return { code: "out.oneEach" };
  if (candidate === "oneBoom") {
    if (people < 2) return { code: "out.aloneIsNotSwung" };
    if (apartM(everybody) > SWING_FURTHEST_M) return { code: "out.tooFarToSwing", apartM: apartM(everybody) };
  }
  if (candidate === "boomAndLavs" && people < 2) return { code: "out.aloneIsNotSwung" };
  if (candidate === "planted" && !wishes.hasTable) return { code: "out.nothingToPlantIn" };
  if (candidate === "recorderPair" || candidate === "instrument")
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
export function rankPickups(
  talkers: readonly Talker[],
  place: PlaceSound,
  wishes: PickupWishes,
  /** The deepest voice among them: a low cut stays below it. */
  deepest: Voice = "unknown",
): PickupCandidate[] {
  const people = talkers.filter(({ isInstrument }) => !isInstrument);
  const isHere = (id: CandidateId) => (id === "plantedInCar" ? place.isVehicle : id !== "planted" || !place.isVehicle);
  return CANDIDATE_IDS.filter(isHere)
    .map((id) => {
      const ruledOut = whyOut(id, talkers, wishes, place);
      const judged = judgeMics(id, CANDIDATES[id].name, micsOf(id, talkers, wishes), talkers, place, deepest, ruledOut);
      return id === "oneBoom" && ruledOut === null ? swung(judged, people) : judged;
    })
    .filter(({ mics, ruledOut }) => mics.length > 0 || ruledOut !== null)
    .sort((one, other) => Number(one.ruledOut !== null) - Number(other.ruledOut !== null) || other.points - one.points);
}
