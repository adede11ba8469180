import { INPUTS, INSIDE_INPUTS, type Source, SOURCES } from "../devices";
import type { SoundIn } from "../chain";
import {
  hearAll,
  type MicHeard,
  type MicrophoneId,
  MICROPHONES,
  placeSound,
  selfNoiseDb,
  type Talker,
} from "../pickup";
import { LIVING_ROOM } from "../room";
import { addOctaves, dbToPower, mapOctaves, type OctaveLevels, powerToDb } from "../sound";
import { type Effort, EFFORTS, speechOctavesDb } from "../voice";
import type { PickupBody, ShootBundle } from "../records";

/** A microphone that nobody wears, with what it gets. */
export interface PlacedSound {
  micId: string;
  microphone: MicrophoneId;
  /** How it is plugged; null: inside the device that records. */
  source: Source | null;
  usualInputId: string;
  talker: Talker;
  sound: SoundIn;
}

const step = (effort: Effort, by: number): Effort =>
  EFFORTS[Math.min(EFFORTS.length - 1, Math.max(0, EFFORTS.indexOf(effort) + by))]!;

/** How a talker's voice goes up and down: as Dress has it for who is rigged, else a step either way; an instrument as it is set. */
function rangeOf(bundle: ShootBundle, sceneId: string, talker: Talker): Pick<SoundIn, "softest" | "usual" | "loudest"> {
  const rig = bundle.rigs.find(({ body }) => body.sceneId === sceneId && body.wearerId === talker.wearerId);
  const { effort } = talker;
  if (talker.isInstrument) return { softest: step(effort, -2), usual: effort, loudest: effort };
  if (!rig) return { softest: step(effort, -1), usual: effort, loudest: step(effort, 1) };
  const { softest, loudest } = rig.body.performance;
  return { softest, usual: effort, loudest };
}

/** The place's noise without the microphone's own, which the chain adds again. */
function placeNoise({ noiseOctavesDb }: MicHeard, microphone: MicrophoneId): OctaveLevels {
  const own = selfNoiseDb(microphone);
  return mapOctaves((band) => powerToDb(Math.max(1e-3, dbToPower(noiseOctavesDb[band]!) - dbToPower(own[band]!))));
}

const PLUGS = {
  phantom: { source: SOURCES.micPhantom, usualInputId: INPUTS.recorderXlr.id },
  none: { source: SOURCES.micDynamic, usualInputId: INPUTS.recorderXlr.id },
  lav: { source: SOURCES.lavSelf, usualInputId: INPUTS.recorder35.id },
} as const;

/** What every placed microphone of a scene gets of the talker it gets loudest. */
export function placedSounds(bundle: ShootBundle, { sceneId, setup }: PickupBody): PlacedSound[] {
  const scene = bundle.scenes.find(({ id }) => id === sceneId);
  const model = bundle.places.find(({ id }) => id === scene?.body.placeId)?.body.model ?? LIVING_ROOM;
  return hearAll(setup.mics, setup.talkers, placeSound(model)).flatMap((heard, index): PlacedSound[] => {
    const mic = setup.mics[index]!;
    const talker = setup.talkers.find(({ id }) => id === heard.mainTalkerId);
    const gets = heard.talkers.find(({ talkerId }) => talkerId === heard.mainTalkerId);
    if (!talker || !gets) return [];
    const voice = speechOctavesDb(talker.effort);
    const gainDb = mapOctaves((band) => gets.octavesDb[band]! - voice[band]!);
    const { plugs } = MICROPHONES[mic.microphone];
    const plugged = plugs === "inside" ? { source: null, usualInputId: INSIDE_INPUTS[mic.microphone]! } : PLUGS[plugs];
    return [
      {
        micId: mic.id,
        microphone: mic.microphone,
        ...plugged,
        talker,
        sound: {
          voicesDb: Object.fromEntries(
            EFFORTS.map((effort) => [effort, addOctaves(speechOctavesDb(effort), gainDb)]),
          ) as Record<Effort, OctaveLevels>,
          ...rangeOf(bundle, sceneId, talker),
          noiseDb: placeNoise(heard, mic.microphone),
        },
      },
    ];
  });
}
