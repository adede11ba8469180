import { bareDress, type DressMessage, type Spot } from "./messages";
import { CAPSULE_SLACK_M, LOOP_DIAMETER_M, PACK_SLACK_M, planCable } from "../body";
import { FABRICS } from "./fabrics";
import { GARMENTS } from "./garments";
import type { MountId, Port } from "./mounts";
import { cautionsOf, safetyCautions } from "./options";
import { ACTION_FACTS, CAPSULE_FOR_SHADE, INTRUSION_NAMES } from "./outfit";
import type { CapsuleColour } from "../devices";
import { necklineDropAt } from "./layering";
import { EXTENSION_M, PACK_PLACES, packRefusal, packTooHeavy, type PackPlan } from "./packPlaces";
import { minutesOf, type Candidate, type DressPlan } from "./planDress";
import { ACCESSORY_FACTS } from "./accessories";
import { removableAt } from "./rustle";
import { sitePoint } from "./sites";
import { besideCapsule } from "./besideCapsule";
import { SUPPLIES, type SupplyId } from "./supplies";

export interface Material {
  supply: SupplyId;
  /** In the supply's own unit. */
  amount: number;
  /** How it comes together: "2 strips × 7.5 cm". */
  as: string;
  isInBag: boolean;
}

export interface Recipe {
  /** What to do, in order. */
  steps: readonly DressMessage[];
  materials: readonly Material[];
  capsule: { colour: CapsuleColour; isHeld: boolean; port: Port };
  /** Lead: what is coiled at the pack (positive) or missing (negative), m. */
  spareM: number | null;
  minutes: number;
  takingOff: readonly DressMessage[];
  cautions: readonly DressMessage[];
  /** Why the pack is not where it was wished, and what that would need; null where it is, or nobody wished. */
  wish: DressMessage | null;
}

/** One strip of a triangle, cm; a loop's tie; an anchor; a strip over the lead. Common practice: 7–8 cm a triangle. */
const TRIANGLE_CM = 7.5;
const ANCHOR_CM = 8;
const LEAD_STRIP_CM = 5;
const LOOP_TIE_CM = 10;
/** Length of a chest wrap: once round the chest (about 0.54 of height, an estimate) and a quarter over. */
const CHEST_SHARE = 0.54;
const WRAP_TURNS = 1.25;

type Part = Omit<Material, "isInBag">;
const pieces = (supply: SupplyId, amount: number): Part => ({ supply, amount, as: `${amount} ×` });
const strips = (supply: SupplyId, count: number, cm: number): Part => ({
  supply,
  amount: count * cm,
  as: count === 1 ? `${cm} cm` : `${count} strips × ${cm} cm`,
});

interface Making {
  says: DressMessage;
  parts: readonly Part[];
}

/** How each mount is made. Common practice. */
function makingOf(mount: MountId, heightM: number): Making {
  switch (mount) {
    case "clip":
      return {
        says: { code: "make.clip" },
        parts: [pieces("clip", 1)],
      };
    case "triangles":
      return {
        says: { code: "make.triangles" },
        parts: [strips("clothTape", 2, TRIANGLE_CM)],
      };
    case "pinned":
      return {
        says: { code: "make.pinned" },
        parts: [strips("clothTape", 2, TRIANGLE_CM), pieces("pin", 1)],
      };
    case "pad":
      return {
        says: { code: "make.pad" },
        parts: [pieces("pad", 1), strips("stretchTape", 1, 4)],
      };
    case "felt":
      return {
        says: { code: "make.felt" },
        parts: [pieces("felt", 2), strips("stretchTape", 1, 5)],
      };
    case "medical":
      return {
        says: { code: "make.medical" },
        parts: [strips("medicalTape", 2, 7), strips("stretchTape", 1, 5)],
      };
    case "wrap":
      return {
        says: { code: "make.wrap" },
        parts: [strips("wrap", 1, Math.round(heightM * 100 * CHEST_SHARE * WRAP_TURNS)), pieces("felt", 1)],
      };
    case "hairClip":
      return {
        says: { code: "make.hairClip" },
        parts: [pieces("hairClip", 2), strips("thread", 1, 20)],
      };
    case "headPad":
      return {
        says: { code: "make.headPad" },
        parts: [pieces("felt", 1), strips("stretchTape", 1, 5)],
      };
    case "tied":
      return {
        says: { code: "make.tied" },
        parts: [strips("thread", 1, 30)],
      };
  }
}

/** Where a candidate's capsule goes. */
function spotOf({ site, placement, port }: Candidate, plan: DressPlan): Spot {
  const { layers } = plan.facts.input.outfit;
  const layer = placement.layer === null ? null : layers[placement.layer]!;
  return {
    ...{ site: site.name, surface: placement.surface, port },
    cloth: layer && { fabric: FABRICS[layer.fabric].name, garment: GARMENTS[layer.garment].name },
    closure: layer && site.anchor === "placket" ? GARMENTS[layer.garment].closure : null,
  };
}

function capsuleOf(candidate: Candidate, plan: DressPlan): Recipe["capsule"] {
  const { capsule, outfit } = plan.facts.input;
  const { placement, port, site } = candidate;
  const isBeige =
    site.zone === "head" && placement.surface === "headwear" && besideCapsule(outfit, placement).shade === "dark";
  const colour: CapsuleColour = isBeige ? "beige" : CAPSULE_FOR_SHADE[besideCapsule(outfit, placement).shade];
  return { colour, isHeld: capsule.colours.includes(colour), port };
}

const isInHeadgear = ({ placement: { behind } }: Candidate) => behind === "sealedHood" || behind === "openHelmet";

function cableRun(candidate: Candidate): DressMessage {
  const { site, placement } = candidate;
  if (isInHeadgear(candidate)) return { code: "cable.outOfHeadgear" };
  switch (site.route) {
    case "overShoulder":
      return { code: "cable.overShoulder" };
    case "frontInside":
      return placement.surface === "outside" ? { code: "cable.behindEdge" } : { code: "cable.inside" };
    case "frontToBack":
      return { code: "cable.alongEdge" };
    case "headToBack":
      return { code: "cable.behindEar" };
  }
}

/** How the lead is drawn through what is worn. */
function threadingOf(candidate: Candidate, plan: DressPlan): DressMessage | null {
  if (candidate.placement.surface === "headwear" || candidate.placement.surface === "hair") return null;
  const inner = plan.facts.input.outfit.layers[candidate.placement.layer ?? 0]!;
  if (inner.fit === "loose") return { code: "thread.weight" };
  return inner.fit === "tight" ? { code: "thread.rod" } : null;
}

function takingOffOf({ mount, placement }: Candidate): DressMessage[] {
  const words: DressMessage[] = [{ code: "off.mute" }];
  if (mount.usesAdhesive === "skin" || (placement.surface === "skin" && mount.usesAdhesive !== "none"))
    words.push({ code: "off.peelSkin" });
  if (mount.usesAdhesive === "cloth") words.push({ code: "off.peelCloth" });
  words.push({ code: "off.throwAway" });
  return words;
}

/**
 * How to rig a candidate: ordered steps, materials with amounts, capsule, lead, time and taking off. Made for what is in
 * the bag; paper, masking and plastic tapes are never in it. Common practice.
 */
export function recipeFor(candidate: Candidate, plan: DressPlan): Recipe {
  const { input } = plan.facts;
  const { mount, site, placement, pack, windCover, intrusion } = candidate;
  const making = makingOf(mount.id, input.person.heightM);
  const parts: Part[] = [pieces("wipe", 1), ...making.parts];
  const onSkin = placement.surface === "skin";
  const isClip = mount.id === "clip";
  const steps: DressMessage[] = [
    ...removableAt({ facts: plan.facts, site, placement }).map((worn) => bareDress(ACCESSORY_FACTS[worn].remedy!)),
    { code: "step.ask", where: placement.surface === "headwear" ? null : INTRUSION_NAMES[intrusion] },
    { code: "step.wipe" },
  ];
  // Skin is prepared before any tape, and the mount is built with its wind cover off the body.
  if (onSkin && mount.usesAdhesive !== "none") {
    steps.push({ code: "step.alcohol" });
    parts.push(pieces("wipe", 1));
  }
  steps.push(making.says);
  if (windCover !== "none") {
    steps.push({ code: windCover === "fur" ? "step.fur" : "step.foam" });
    parts.push(pieces(windCover, 1));
  }
  const capsule = capsuleOf(candidate, plan);
  steps.push({ code: "step.place", ...spotOf(candidate, plan) });
  if (isClip) steps.push({ code: "step.loopBehindClip" });
  else {
    steps.push({ code: "step.loop", loopM: LOOP_DIAMETER_M, slackM: CAPSULE_SLACK_M });
    parts.push(strips("thread", 1, LOOP_TIE_CM));
  }
  if (!isClip && site.zone !== "head") {
    steps.push({ code: "step.anchor" });
    parts.push(strips("clothTape", 1, ANCHOR_CM));
  }
  if (placement.behind === "tie" || placement.behind === "scarf") {
    steps.push({ code: "step.stickDown", what: placement.behind });
    parts.push(strips("clothTape", 1, TRIANGLE_CM));
  }
  const threading = threadingOf(candidate, plan);
  if (threading) {
    steps.push(threading);
    parts.push(pieces("weight", 1));
  }
  steps.push(cableRun(candidate));
  if (placement.layer !== null && GARMENTS[input.outfit.layers[placement.layer]!.garment].hasPocket) {
    steps.push({ code: "step.tapeRun" });
    parts.push(strips("clothTape", 2, LEAD_STRIP_CM));
  }
  if (pack) {
    const { name, needs, antenna } = PACK_PLACES[pack.place];
    const isExtended = pack.needsExtension && pack.isInReach;
    const spareM = pack.cable.spareM + (isExtended ? EXTENSION_M : 0);
    steps.push({ code: "step.pack", place: name, slackM: PACK_SLACK_M, spareM, antenna });
    parts.push(...needs.map((supply) => pieces(supply, 1)));
    if (isExtended || isInHeadgear(candidate)) parts.push(pieces("extension", 1));
  }
  if (input.performance.water !== "dry") {
    steps.push({ code: "step.bagPack" });
    parts.push(pieces("bag", 1));
  }
  if (plan.facts.isInHood || candidate.overloadDb > -3) steps.push({ code: "step.leastSensitive" });
  if (!capsule.isHeld) steps.push({ code: "step.coverCapsule", colour: capsule.colour });
  if (ACTION_FACTS[input.performance.action].pulls >= 1.5) steps.push({ code: "step.tieUp" });
  steps.push({ code: "step.live" });
  const packMinutes = pack ? PACK_PLACES[pack.place].minutes : 0;
  return {
    steps,
    materials: gather(parts, input.aims.supplies),
    capsule,
    spareM: pack ? pack.cable.spareM : null,
    minutes: minutesOf(site, mount, packMinutes) + (windCover === "none" ? 0 : 1),
    takingOff: takingOffOf(candidate),
    cautions: [...cautionsOf(candidate), ...safetyCautions(input.outfit, input.performance, input.person)],
    wish: pack && wishedPack(candidate, plan, pack),
  };
}

/** What is answered to a wish for a pack place that is not followed. */
function wishedPack({ site }: Candidate, { facts }: DressPlan, pack: PackPlan): DressMessage | null {
  const { input } = facts;
  const { packPlace, outfit, performance } = input;
  if (packPlace === null || packPlace === pack.place) return null;
  const { name: place, intrusion, needs } = PACK_PLACES[packPlace];
  const refusal = packRefusal(packPlace, outfit, performance) ?? packTooHeavy(packPlace, input.pack);
  if (refusal) return { code: "wish.refused", place, because: refusal };
  if (intrusion > input.agreedTo) return { code: "wish.beyondConsent", place };
  const missing = needs.find((supply) => !input.aims.supplies.includes(supply));
  if (missing) return { code: "wish.supply", place, supply: SUPPLIES[missing].name };
  const from = sitePoint(site, input.person.heightM, necklineDropAt(outfit, null));
  const { spareM } = planCable(from, site.route, input.person.heightM, input.capsule.leadM, packPlace);
  return {
    code: "wish.short",
    place,
    byM: -spareM,
    extensions: Math.ceil(-spareM / EXTENSION_M - 1e-9),
    extensionM: EXTENSION_M,
  };
}

/** The same supply listed once, with its parts. */
function gather(parts: readonly Part[], bag: readonly SupplyId[]): Material[] {
  const bySupply = new Map<SupplyId, Material>();
  for (const part of parts) {
    const known = bySupply.get(part.supply);
    const amount = (known?.amount ?? 0) + part.amount;
    const isCounted = SUPPLIES[part.supply].unit === "pieces";
    bySupply.set(part.supply, {
      supply: part.supply,
      amount,
      as: isCounted ? `${amount} ×` : known ? `${known.as} + ${part.as}` : part.as,
      isInBag: bag.includes(part.supply),
    });
  }
  return [...bySupply.values()];
}
