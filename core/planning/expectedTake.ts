import type { Expected, TakeRoom, TakeWay, TrackVoice } from "../proof";
import { BY_LEAD } from "../wireless";
import { airBodyOf } from "./airScene";
import type { LevelSubject } from "./levels";
import { placeOfRig, planRig } from "./planRig";
import type { RigBody, ShootBundle, Stored } from "../records";

/** The pitch a wearer's good takes had on the channel that was theirs: the newest of them. */
function knownPitchHz(bundle: ShootBundle, wearerId: string): number | null {
  const rigIds = new Set(bundle.rigs.filter(({ body }) => body.wearerId === wearerId).map(({ id }) => id));
  const newest = bundle.measurements
    .filter(({ body }) => rigIds.has(body.rigId) && body.grade !== "redo")
    .sort((one, other) => other.changedAt.localeCompare(one.changedAt))[0]?.body;
  return newest?.measured.pitchHz ?? null;
}

/** Rigs of a scene in the order of the tracks: that of the board. */
export function tracksOfScene(bundle: ShootBundle, sceneId: string): Stored<"rig">[] {
  return bundle.wearers.flatMap(({ id }) =>
    bundle.rigs.filter(({ body }) => body.sceneId === sceneId && body.wearerId === id),
  );
}

function roomOf(bundle: ShootBundle, rig: RigBody): TakeRoom | null {
  const place = placeOfRig(bundle, rig);
  const wearer = bundle.wearers.find(({ id }) => id === rig.wearerId);
  const forecast = wearer && place ? planRig(wearer.body, rig, place.body, bundle.kit).place : null;
  if (!place || !forecast) return null;
  const isRoom = forecast.volumeM3 !== null && forecast.midS > 0;
  return {
    name: place.body.name,
    reverberationS: isRoom ? forecast.midS : null,
    criticalDistanceM: isRoom ? forecast.criticalDistanceM : null,
    isProved: forecast.isEchoProved,
  };
}

function wayOf(bundle: ShootBundle, { connection, input, source }: LevelSubject): TakeWay | null {
  if (!connection || !input) return null;
  const system = airBodyOf(bundle).systems.find(({ id }) => id === connection.link.systemId);
  const isRadio = connection.link.systemId !== BY_LEAD;
  return {
    radio: isRadio ? ((system?.latencyMs ?? 0) > 0 ? "digital" : "analogue") : "none",
    recorderKind: input.kind,
    isUnbalanced: input.end.connector !== "xlr3",
    hasPhantomMic: source?.kind === "mic" && input.phantom !== "never",
    hasOwnMic: input.hasOwnMic,
  };
}

/** What was planned for a take of one rig; null while nothing is: a place at Dress comes first. */
export function expectedTake(bundle: ShootBundle, subject: LevelSubject): Expected | null {
  const { rig, plan } = subject;
  const wearer = bundle.wearers.find(({ id }) => id === subject.wearerId);
  if (!rig || !plan || !wearer) return null;
  const rigPlan = planRig(wearer.body, rig.body, placeOfRig(bundle, rig.body)?.body ?? null, bundle.kit);
  const scene = tracksOfScene(bundle, rig.body.sceneId);
  const { sampleRateHz, bitsPerSample } = bundle.shoot.body;
  return {
    format: { sampleRateHz, bitsPerSample },
    plan,
    dressed: rigPlan.candidate ? { plan: rigPlan.dress, candidate: rigPlan.candidate } : null,
    room: roomOf(bundle, rig.body),
    way: wayOf(bundle, subject),
    tracks: scene.map(({ body }): TrackVoice => {
      const person = bundle.wearers.find(({ id }) => id === body.wearerId)!.body;
      return { name: person.name, voice: person.voice, pitchHz: knownPitchHz(bundle, body.wearerId) };
    }),
    track: scene.findIndex(({ id }) => id === rig.id),
  };
}
