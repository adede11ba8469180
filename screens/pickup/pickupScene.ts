import type { AnyMessage } from "@/messages";
import { deepestOf, SPEECH_CREST_DB, type Voice } from "@/core/voice";
import {
  direction,
  FIRST_WISHES,
  judgeMics,
  type PickupCandidate,
  placeSound,
  type PlaceSound,
  rankPickups,
  type Talker,
} from "@/core/pickup";
import { isInside, LIVING_ROOM, type PlaceModel } from "@/core/room";
import { planRig, type RigPlan, storedPickup } from "@/core/planning";
import type { PickupBody, ShootBundle, Stored } from "@/core/records";
import { clipText } from "@/core/schema";

/** Mouth of somebody sitting and standing, as a share of their height. Source: Drillis & Contini, seat at .285 H. */
const MOUTH_SHARE = { sitting: 0.69, standing: 0.894 } as const;
/** Where talkers stand round the middle until somebody places them, m. */
const ROUND_M = 0.8;

/** The hidden microphone that Dress plans for a talker, beside the others. */
export interface HiddenMic {
  talkerId: string;
  plan: RigPlan;
  sti: number;
  levelDb: number;
  snrDb: number;
  swingDb: number;
  isChosen: boolean;
}

export interface PickupScene {
  scene: Stored<"scene">;
  placeModel: PlaceModel;
  isScouted: boolean;
  body: PickupBody;
  sound: PlaceSound;
  hidden: readonly HiddenMic[];
  /** What stands there now; null when nothing was placed yet. */
  own: PickupCandidate | null;
  candidates: readonly PickupCandidate[];
}

function spotIn(place: PlaceModel, bearingDeg: number, distanceM: number) {
  const way = direction(bearingDeg);
  const [xM, yM] = [place.lengthM / 2 + way[0] * distanceM, place.widthM / 2 + way[1] * distanceM];
  if (isInside(place, [xM, yM])) return { xM, yM };
  return { xM: place.lengthM / 4, yM: place.widthM / 4 };
}

/** Talkers as they are known from Dress: everybody rigged in the scene, facing the middle, or north when alone. */
function firstTalkers(bundle: ShootBundle, sceneId: string, place: PlaceModel): Talker[] {
  const rigs = bundle.rigs.filter(({ body }) => body.sceneId === sceneId).slice(0, 6);
  return rigs.flatMap((rig, index): Talker[] => {
    const wearer = bundle.wearers.find(({ id }) => id === rig.body.wearerId);
    if (!wearer) return [];
    const bearing = (360 * index) / rigs.length;
    const isAlone = rigs.length === 1;
    const stance = rig.body.performance.action === "sitting" ? MOUTH_SHARE.sitting : MOUTH_SHARE.standing;
    return [
      {
        id: rig.id,
        name: clipText(wearer.body.name, 80),
        wearerId: wearer.id,
        at: spotIn(place, bearing, isAlone ? 0 : ROUND_M),
        mouthM: Math.round(100 * wearer.body.heightM * stance) / 100,
        facesDeg: isAlone ? 0 : (bearing + 180) % 360,
        turnsDeg: rig.body.performance.faces === "camera" ? 0 : 45,
        effort: "normal",
        path: [],
        isInstrument: false,
      },
    ];
  });
}

/** Somebody talking, when nobody is known yet. */
function somebody(place: PlaceModel): Talker {
  return {
    id: "talker",
    name: "Talker",
    wearerId: null,
    at: spotIn(place, 0, 0),
    mouthM: 1.2,
    facesDeg: 0,
    turnsDeg: 0,
    effort: "normal",
    path: [],
    isInstrument: false,
  };
}

function hiddenMics(bundle: ShootBundle, sceneId: string, talkers: readonly Talker[], place: Stored<"place"> | null) {
  return talkers.flatMap((talker): HiddenMic[] => {
    const rig = bundle.rigs.find(
      ({ body }) => body.sceneId === sceneId && body.wearerId === talker.wearerId && talker.wearerId !== null,
    );
    const wearer = bundle.wearers.find(({ id }) => id === talker.wearerId);
    if (!rig || !wearer) return [];
    const plan = planRig(wearer.body, rig.body, place?.body ?? null, bundle.kit);
    const { candidate, isChosen } = plan;
    if (!candidate) return [];
    const { levelDb, swingDb, sound } = candidate;
    return [{ talkerId: talker.id, plan, sti: sound.sti, levelDb, snrDb: sound.snrDb, swingDb, isChosen }];
  });
}

const voiceOf = (bundle: ShootBundle, wearerId: string | null): Voice =>
  bundle.wearers.find(({ id }) => id === wearerId)?.body.voice ?? "unknown";

/** A scene's pickups side by side: what stands there, every candidate, and what Dress hides. */
export function pickupScene(bundle: ShootBundle, sceneId: string): PickupScene | null {
  const scene = bundle.scenes.find(({ id }) => id === sceneId);
  if (!scene) return null;
  const place = bundle.places.find(({ id }) => id === scene.body.placeId) ?? null;
  const placeModel = place?.body.model ?? LIVING_ROOM;
  const known = firstTalkers(bundle, sceneId, placeModel);
  const body = storedPickup(bundle, sceneId)?.body ?? {
    shootId: scene.body.shootId,
    sceneId,
    setup: { talkers: known.length > 0 ? known : [somebody(placeModel)], mics: [] },
    wishes: FIRST_WISHES,
  };
  const sound = placeSound(placeModel);
  const { talkers, mics } = body.setup;
  const hidden = hiddenMics(bundle, sceneId, talkers, place);
  const deepest = deepestOf(talkers.map(({ wearerId }) => voiceOf(bundle, wearerId)));
  // Whose lav Dress has planned is listed with Dress's own figures.
  const isDressed = talkers.every(
    ({ id, isInstrument }) => isInstrument || hidden.some(({ talkerId }) => talkerId === id),
  );
  return {
    scene,
    placeModel,
    isScouted: place !== null,
    body,
    sound,
    hidden,
    own: mics.length > 0 ? judgeMics("own", "as placed", mics, talkers, sound, deepest) : null,
    candidates: rankPickups(talkers, sound, body.wishes, deepest).filter(({ id }) => id !== "lavs" || !isDressed),
  };
}

/** What a microphone's input must bear: level of the usual voice there, and its peaks, dB SPL. */
export function peaksAt(levelDb: number): number {
  return levelDb + SPEECH_CREST_DB;
}

/** The pickup a colleague would take, and why, in one sentence. */
export function pickupAdvice({ candidates, hidden, sound }: PickupScene): AnyMessage {
  const best = candidates.find(({ ruledOut }) => ruledOut === null);
  if (!best || best.best.length === 0) return { code: "pickup.none" };
  const hiddenSti = hidden.length > 0 ? Math.min(...hidden.map(({ sti }) => sti)) : null;
  const { name, worstSti: sti } = best;
  if (hiddenSti !== null && hiddenSti > sti + 0.03) return { code: "pickup.hide", hiddenSti, name, sti };
  const { heard } = best.best.reduce((worst, each) => (each.heard.sti < worst.heard.sti ? each : worst));
  const { isOpen } = sound;
  return { code: "pickup.best", name, isOpen, overDb: isOpen ? heard.snrDb : heard.directOverRoomDb, sti };
}
