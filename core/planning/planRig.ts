import { DEVICE_KINDS, type DeviceFigures, type DeviceKind, genericFigures, type Lav } from "../devices";
import { type SoundIn, voicesThrough } from "../chain";
import {
  type Candidate,
  candidateOf,
  type CarriedPack,
  type DressInput,
  type DressPlan,
  type Intrusion,
  type Outfit,
  planDress,
  reweigh,
  suggestionOf,
  usualEffort,
} from "../dress";
import { forecastPlace, type PlaceForecast } from "../room";
import { addOctaves } from "../sound";
import {
  type Consent,
  type PlaceBody,
  type RigBody,
  type ShootBundle,
  type Stored,
  VOICE_RANGE_DB,
  type WearerBody,
} from "../records";

export interface RigPlan {
  place: PlaceForecast | null;
  dress: DressPlan;
  /** The chosen candidate; the best one while nothing is chosen. */
  candidate: Candidate | null;
  isChosen: boolean;
  devices: RigDevices;
  /** What reaches the capsule there, dB SPL. */
  readonly sound: SoundIn | null;
}

/** Figures of the devices of a rig, by kind. */
export type RigDevices = DeviceFigures;

function figuresOf<Kind extends DeviceKind>(
  kit: ShootBundle["kit"],
  kind: Kind,
  id: string | null,
): DeviceFigures[Kind] {
  const ofKind = kit.filter((item) => item.body.kind === kind);
  const chosen = ofKind.find((item) => item.id === id) ?? ofKind[0];
  return chosen ? (chosen.body.figures as DeviceFigures[Kind]) : genericFigures(kind);
}

/** The devices of a rig, or the first of each kind in the kit. */
export function devicesOfRig(kit: ShootBundle["kit"], rig: RigBody): RigDevices {
  const [lav, pack, receiver, input] = DEVICE_KINDS;
  return {
    lav: figuresOf(kit, lav, rig.lavId),
    pack: figuresOf(kit, pack, rig.packId),
    receiver: figuresOf(kit, receiver, rig.receiverId),
    input: figuresOf(kit, input, rig.inputId),
  };
}

/** How a wearer's voice differs from the standard one: usually, and as it was measured on the day. */
const voiceOffsetOf = (wearer: WearerBody, rig: RigBody): number => wearer.voiceOffsetDb + (rig.voiceTodayDb ?? 0);

/** What reaches the capsule at a candidate, dB SPL. The place's noise comes from all round, through the same covers. */
export function soundAtCapsule(candidate: Candidate, { facts }: DressPlan, voiceOffsetDb: number): SoundIn {
  const { softest, loudest } = facts.input.performance;
  return {
    voicesDb: voicesThrough(addOctaves(candidate.sound.gainDb, candidate.coverDb), voiceOffsetDb),
    softest,
    usual: usualEffort(softest, loudest),
    loudest,
    noiseDb: addOctaves(facts.noiseDb, candidate.coverDb),
  };
}

/** What a person wears in a scene: its own outfit, or what they usually wear. */
export function outfitOf(wearer: WearerBody, rig: RigBody): Outfit {
  return rig.outfit ?? wearer.outfit;
}

/** How far one may go: nothing inside after a no, all that was agreed after a yes, what is usual while nobody asked. */
export function consentedTo({ answer, agreedTo }: Consent): Intrusion {
  return answer === "no" ? 0 : agreedTo;
}

/** What placing a microphone depends on, gathered from the records. */
export function dressInputOf(
  wearer: WearerBody,
  rig: RigBody,
  place: PlaceBody | null,
  lav: Lav,
  { lengthMm, massG, antennaMm }: CarriedPack = {},
): DressInput {
  const { heightM, voice, tapeAllergy, hairyChest, hair, isChild } = wearer;
  const { minimum, maximum } = VOICE_RANGE_DB;
  const { leadM, diameterMm, maxSplDb, colours } = lav;
  return {
    person: {
      heightM,
      voice,
      tapeAllergy,
      hairyChest,
      ...(hair && { hair }),
      ...(isChild !== undefined && { isChild }),
    },
    voiceOffsetDb: Math.min(maximum, Math.max(minimum, voiceOffsetOf(wearer, rig))),
    outfit: outfitOf(wearer, rig),
    performance: rig.performance,
    place: place?.model ?? null,
    capsule: { leadM, diameterMm, maxSplDb, colours },
    pack: {
      ...(lengthMm !== undefined && { lengthMm }),
      ...(massG !== undefined && { massG }),
      ...(antennaMm !== undefined && { antennaMm }),
    },
    aims: rig.aims,
    agreedTo: consentedTo(rig.consent),
    packPlace: rig.packPlace,
  };
}

interface Remembered {
  rig: RigBody;
  wearer: WearerBody;
  place: PlaceBody | null;
  kit: ShootBundle["kit"];
  plan: RigPlan;
}

/** Whether two kits hold the same devices: leads and counts that changed make no other plan. */
function hasSameDevices(one: ShootBundle["kit"], other: ShootBundle["kit"]): boolean {
  if (one === other) return true;
  const devices = (kit: ShootBundle["kit"]) =>
    kit.filter(({ body }) => (DEVICE_KINDS as readonly string[]).includes(body.kind));
  const [before, now] = [devices(one), devices(other)];
  return before.length === now.length && before.every((item, index) => item === now[index]);
}

/** Plans of rigs as they are now, so that one change on a board of many plans one anew. */
const remembered = new WeakMap<RigBody, Remembered>();
/** The plan asked for last: a move of its weights needs no planning anew. */
let last: Remembered | null = null;

/** Whether nothing but the weights differs. */
function differsByWeightsOnly(before: RigBody, now: RigBody): boolean {
  const { aims: aimsBefore, ...restBefore } = before;
  const { aims, ...rest } = now;
  return (
    aimsBefore.preset === aims.preset &&
    aimsBefore.schools === aims.schools &&
    aimsBefore.supplies === aims.supplies &&
    (Object.keys(rest) as (keyof typeof rest)[]).every((key) => rest[key] === restBefore[key])
  );
}

/**
 * Follows one rig from outfit to file: place, candidates, sound at the capsule, settings. Records are never changed in
 * place, so the same ones give the same plan.
 */
export function planRig(wearer: WearerBody, rig: RigBody, place: PlaceBody | null, kit: ShootBundle["kit"]): RigPlan {
  const isOf = (known: Remembered) =>
    known.wearer === wearer && known.place === place && hasSameDevices(known.kit, kit);
  const known = remembered.get(rig);
  if (known && isOf(known)) {
    last = known;
    return known.plan;
  }
  const isMove = last !== null && isOf(last) && differsByWeightsOnly(last.rig, rig);
  const devices = devicesOfRig(kit, rig);
  const dress = isMove
    ? reweigh(last!.plan.dress, rig.aims)
    : planDress(dressInputOf(wearer, rig, place, devices.lav, devices.pack));
  const plan = planFrom(dress, wearer, rig, place, devices);
  last = { rig, wearer, place, kit, plan };
  remembered.set(rig, last);
  return plan;
}

function planFrom(
  dress: DressPlan,
  wearer: WearerBody,
  rig: RigBody,
  place: PlaceBody | null,
  devices: RigDevices,
): RigPlan {
  const forecast = place ? forecastPlace(place.model) : null;
  const chosen = rig.choice ? candidateOf(dress, rig.choice) : null;
  const candidate = chosen ?? suggestionOf(dress);
  let sound: SoundIn | null = null;
  return {
    place: forecast,
    dress,
    candidate,
    isChosen: chosen !== null,
    devices,
    // Worked out when somebody asks for it: Dress never does.
    get sound() {
      sound ??= candidate && soundAtCapsule(candidate, dress, voiceOffsetOf(wearer, rig));
      return sound;
    },
  };
}

/** The place a rig's scene is in, if it is known. */
export function placeOfRig(bundle: ShootBundle, rig: RigBody): Stored<"place"> | null {
  const scene = bundle.scenes.find((each) => each.id === rig.sceneId);
  return bundle.places.find((each) => each.id === scene?.body.placeId) ?? null;
}
