import { type PlaceModel, rankTreatments, piecesOf, withTreatment } from "../room";
import { judgeMics, type PickupCandidate } from "./candidates";
import { MICROPHONES } from "./microphones";
import type { PickupMessage } from "./messages";
import { PATTERN_IDS, PATTERNS, type PatternId } from "./patterns";
import { placeSound } from "./placeSound";
import type { PlacedMic, Talker } from "./pickupSetup";
import { aimAt, length, subtract, type Vec } from "./space";

/** One change and what it does to the person who is got worst. */
export interface Improvement {
  says: PickupMessage;
  stiGain: number;
  directGainDb: number;
  pointsGain: number;
}

/** How far a microphone is moved towards the mouth, m, and turned, degrees, to see what that does. */
const NEARER_M = 0.1;
const NEAREST_M = 0.1;
const TURN_DEG = 30;
/** Less is not worth saying. */
const LEAST_POINTS = 0.5;

const mouthOf = ({ at, mouthM }: Talker): Vec => [at.xM, at.yM, mouthM];
const pointOf = ({ at, heightM }: PlacedMic): Vec => [at.xM, at.yM, heightM];

function nearer(mic: PlacedMic, talker: Talker): PlacedMic {
  const way = subtract(mouthOf(talker), pointOf(mic));
  const distanceM = length(way);
  const share = Math.max(0, Math.min(NEARER_M, distanceM - NEAREST_M)) / Math.max(1e-6, distanceM);
  return {
    ...mic,
    at: { xM: mic.at.xM + way[0] * share, yM: mic.at.yM + way[1] * share },
    heightM: mic.heightM + way[2] * share,
  };
}

/** Turned towards the mouth by at most so much. */
function turned(mic: PlacedMic, talker: Talker): PlacedMic {
  const { bearingDeg, tiltDeg } = aimAt(pointOf(mic), mouthOf(talker));
  const by = (now: number, wanted: number) => {
    const offDeg = ((wanted - now + 540) % 360) - 180;
    return now + Math.max(-TURN_DEG, Math.min(TURN_DEG, offDeg));
  };
  return { ...mic, aimsDeg: by(mic.aimsDeg, bearingDeg), tiltDeg: by(mic.tiltDeg, tiltDeg) };
}

/** Patterns that all these microphones can be set to and are not. */
function otherPatterns(mics: readonly PlacedMic[]): PatternId[] {
  return PATTERN_IDS.filter((pattern) =>
    mics.every((mic) => mic.pattern !== pattern && MICROPHONES[mic.microphone].patterns.includes(pattern)),
  );
}

interface Treated {
  says: PickupMessage;
  place: PlaceModel;
}

const remembered = new WeakMap<PlaceModel, Treated | null>();

/** The place with the one piece that helps most; null where its echo was measured, or nothing can be hung. */
function treatedPlace(place: PlaceModel): Treated | null {
  const known = remembered.get(place);
  if (known !== undefined) return known;
  const best = place.echo ? null : rankTreatments(place).find(({ kind }) => kind === "rug" || kind === "blanket");
  const treated = best
    ? { says: { code: "better.treated" as const, ...piecesOf(best) }, place: withTreatment(place, best) }
    : null;
  remembered.set(place, treated);
  return treated;
}

const worstOf = ({ best }: PickupCandidate) =>
  best.reduce((worst, each) => (each.heard.sti < worst.heard.sti ? each : worst));

/** What would make a pickup better: nearer, turned, another pattern, hands away, screened, a treatment of the room. Largest gain first. */
export function whatWouldBeat(
  candidate: PickupCandidate,
  talkers: readonly Talker[],
  place: PlaceModel,
): Improvement[] {
  if (candidate.best.length === 0) return [];
  const sound = placeSound(place);
  const before = worstOf(candidate);
  const talkerOf = (mic: PlacedMic): Talker => {
    const own = candidate.best.find(({ micId }) => micId === mic.id);
    return talkers.find(({ id }) => id === own?.talkerId) ?? talkers[0]!;
  };
  const treated = treatedPlace(place);
  const tried: { says: PickupMessage; mics: readonly PlacedMic[]; sound: typeof sound }[] = [
    {
      says: { code: "better.nearer", byM: NEARER_M },
      mics: candidate.mics.map((mic) => nearer(mic, talkerOf(mic))),
      sound,
    },
    {
      says: { code: "better.turned", byDeg: TURN_DEG },
      mics: candidate.mics.map((mic) => turned(mic, talkerOf(mic))),
      sound,
    },
    ...otherPatterns(candidate.mics).map((pattern) => ({
      says: { code: "better.pattern" as const, pattern: PATTERNS[pattern].name },
      mics: candidate.mics.map((mic) => ({ ...mic, pattern })),
      sound,
    })),
    {
      says: { code: "better.handsAway" },
      mics: candidate.mics.map((mic) => ({ ...mic, handsM: null })),
      sound,
    },
    { says: { code: "better.popScreen" }, mics: candidate.mics.map((mic) => ({ ...mic, hasScreen: true })), sound },
    ...(treated ? [{ says: treated.says, mics: candidate.mics, sound: placeSound(treated.place) }] : []),
  ];
  return tried
    .map(({ says, mics, sound: changed }): Improvement => {
      const after = judgeMics(candidate.id, candidate.name, mics, talkers, changed);
      const now = worstOf(after);
      return {
        says,
        stiGain: now.heard.sti - before.heard.sti,
        directGainDb:
          before.heard.directOverRoomDb === Infinity ? 0 : now.heard.directOverRoomDb - before.heard.directOverRoomDb,
        pointsGain: after.points - candidate.points,
      };
    })
    .filter(({ pointsGain }) => pointsGain >= LEAST_POINTS)
    .sort((one, other) => other.pointsGain - one.pointsGain);
}
