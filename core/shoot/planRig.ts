import { DEVICE_KINDS, genericFigures, type DeviceFigures, type DeviceKind } from "../chain/devices";
import { planGain, type Chain, type GainPlan, type SoundAtCapsule } from "../chain/gainPlan";
import { levelAtSiteDb } from "../dress/levelAtSite";
import { candidateAt, planDress, type Candidate, type DressPlan } from "../dress/planDress";
import { ncVoiceBandDb } from "../room/noiseCriteria";
import { forecastPlace, type PlaceForecast } from "../room/place";
import { EFFORTS, type Effort } from "../voice/speechSpectrum";
import type { PlaceBody, RigBody, ShootBundle, Stored, WearerBody } from "./records";

/** Noise of a place nobody has scouted yet: a living room. */
export const UNSCOUTED_NC = 35;

export interface RigPlan {
  place: PlaceForecast | null;
  dress: DressPlan;
  /** The chosen candidate; the best one while nothing is chosen. */
  candidate: Candidate | null;
  isChosen: boolean;
  chain: Chain;
  sound: SoundAtCapsule | null;
  gain: GainPlan | null;
}

/** The effort that "normal" stands for in a scene that may be all soft or all loud. */
function usualEffort(softest: Effort, loudest: Effort): Effort {
  const at = (effort: Effort) => EFFORTS.indexOf(effort);
  if (at(softest) > at("normal")) return softest;
  return at(loudest) < at("normal") ? loudest : "normal";
}

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
export function chainOf(kit: ShootBundle["kit"], rig: RigBody): Chain {
  const [lav, pack, receiver, input] = DEVICE_KINDS;
  return {
    lav: figuresOf(kit, lav, rig.lavId),
    pack: figuresOf(kit, pack, rig.packId),
    receiver: figuresOf(kit, receiver, rig.receiverId),
    input: figuresOf(kit, input, rig.inputId),
  };
}

/** What reaches the capsule at a candidate, dB SPL. The place's noise comes from all round. */
export function soundAtCapsule(
  candidate: Candidate,
  wearer: WearerBody,
  rig: RigBody,
  noiseDb: number,
): SoundAtCapsule {
  const level = (effort: Effort) => levelAtSiteDb(candidate.main.gainDb, effort, wearer.voiceOffsetDb);
  const { softest, loudest } = rig.performance;
  return {
    softestDb: level(softest),
    normalDb: level(usualEffort(softest, loudest)),
    loudestDb: level(loudest),
    noiseDb,
  };
}

/** Follows one rig from outfit to file: place, candidates, sound at the capsule, settings. */
export function planRig(wearer: WearerBody, rig: RigBody, place: PlaceBody | null, kit: ShootBundle["kit"]): RigPlan {
  const forecast = place ? forecastPlace(place.model) : null;
  const chain = chainOf(kit, rig);
  const dress = planDress(
    {
      heightM: wearer.heightM,
      outfit: wearer.outfit,
      performance: rig.performance,
      windMps: place?.model.setting === "open" ? place.model.windMps : 0,
    },
    chain.lav.leadM,
  );
  const chosen = rig.siteId ? candidateAt(dress, rig.siteId) : null;
  const candidate = chosen ?? dress.candidates[0] ?? null;
  if (!candidate) return { place: forecast, dress, candidate: null, isChosen: false, chain, sound: null, gain: null };
  const sound = soundAtCapsule(candidate, wearer, rig, forecast?.noiseDb ?? ncVoiceBandDb(UNSCOUTED_NC));
  return {
    place: forecast,
    dress,
    candidate,
    isChosen: chosen !== null,
    chain,
    sound,
    gain: planGain(chain, sound, { targetDbfs: rig.targetDbfs, ceilingDbfs: rig.ceilingDbfs }),
  };
}

/** The place a rig's scene is in, if it is known. */
export function placeOfRig(bundle: ShootBundle, rig: RigBody): Stored<"place"> | null {
  const scene = bundle.scenes.find((each) => each.id === rig.sceneId);
  return bundle.places.find((each) => each.id === scene?.body.placeId) ?? null;
}
