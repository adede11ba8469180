import { CAPSULE_SLACK_M, LOOP_DIAMETER_M, PACK_SLACK_M } from "../body";
import { FABRICS } from "./fabrics";
import { GARMENTS } from "./garments";
import type { MountId, Port } from "./mounts";
import { cautionsOf } from "./options";
import { CAPSULE_FOR_SHADE, INTRUSION_NAMES } from "./outfit";
import type { CapsuleColour } from "../devices";
import { EXTENSION_M, PACK_PLACES } from "./packPlaces";
import { minutesOf, type Candidate, type DressPlan } from "./planDress";
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
  steps: readonly string[];
  materials: readonly Material[];
  capsule: { colour: CapsuleColour; isHeld: boolean; port: Port; why: string };
  /** Lead: what is coiled at the pack (positive) or missing (negative), m. */
  spareM: number | null;
  minutes: number;
  takingOff: readonly string[];
  cautions: readonly string[];
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
  says: string;
  parts: readonly Part[];
}

/** How each mount is made. Common practice. */
function makingOf(mount: MountId, heightM: number): Making {
  switch (mount) {
    case "clip":
      return {
        says: "Open the clip; the lead goes through its jaw twice, with a small loop behind.",
        parts: [pieces("clip", 1)],
      };
    case "triangles":
      return {
        says: "Fold two strips corner over corner, sticky side out, to two triangles; the capsule between them, its port free.",
        parts: [strips("clothTape", 2, TRIANGLE_CM)],
      };
    case "pinned":
      return {
        says: "Fold two triangles round the capsule, port free, and put a safety pin through the corner of one.",
        parts: [strips("clothTape", 2, TRIANGLE_CM), pieces("pin", 1)],
      };
    case "pad":
      return {
        says: "Seat the capsule in the pad so that its tip peeks out, and back the pad with double-sided tape.",
        parts: [pieces("pad", 1), strips("stretchTape", 1, 4)],
      };
    case "felt":
      return {
        says: "One piece of felt beneath, the capsule, one piece on top as a tent with a small pocket for the port.",
        parts: [pieces("felt", 2), strips("stretchTape", 1, 5)],
      };
    case "medical":
      return {
        says: "Medical tape on the skin first, double-sided tape on that, the capsule, and a second medical strip over the lead: never over the port.",
        parts: [strips("medicalTape", 2, 7), strips("stretchTape", 1, 5)],
      };
    case "wrap":
      return {
        says: "Wrap once round the chest, close it, and tuck the felted capsule under the edge; two fingers must fit beneath.",
        parts: [strips("wrap", 1, Math.round(heightM * 100 * CHEST_SHARE * WRAP_TURNS)), pieces("felt", 1)],
      };
    case "hairClip":
      return {
        says: "Tie the lead to two hair clips, close under the roots, the capsule just out of the hair.",
        parts: [pieces("hairClip", 2), strips("thread", 1, 20)],
      };
    case "headPad":
      return {
        says: "A pad of felt under the edge at the forehead, the capsule on it with its port free.",
        parts: [pieces("felt", 1), strips("stretchTape", 1, 5)],
      };
    case "tied":
      return {
        says: "Tie capsule and lead with thread in three places, no knot over the port.",
        parts: [strips("thread", 1, 30)],
      };
  }
}

const PORT_WORDS: Record<Port, string> = { up: "up, to the mouth", side: "sideways", down: "down" };

function whereWords({ site, placement }: Candidate, plan: DressPlan): string {
  const { layers } = plan.facts.input.outfit;
  const layer = placement.layer === null ? null : layers[placement.layer]!;
  const cloth = layer ? `${FABRICS[layer.fabric].name} of the ${GARMENTS[layer.garment].name}` : "";
  const name = site.name.charAt(0).toLowerCase() + site.name.slice(1);
  switch (placement.surface) {
    case "skin":
      return `${name}, on the skin`;
    case "inside":
      return layer ? `${name}, stuck to the inside of the ${cloth}` : name;
    case "outside":
      return `${name}, on the outside of the ${cloth}`;
    default:
      return name;
  }
}

function capsuleOf(candidate: Candidate, plan: DressPlan): Recipe["capsule"] {
  const { capsule, outfit } = plan.facts.input;
  const { placement, port, site } = candidate;
  const next = site.zone === "head" ? null : outfit.layers[placement.layer ?? placement.covers[0] ?? 0]!;
  const colour: CapsuleColour = next ? CAPSULE_FOR_SHADE[next.shade] : placement.surface === "hair" ? "black" : "beige";
  const breath = port === "down" ? "breath and drops pass over it" : "nothing blows into it here";
  return { colour, isHeld: capsule.colours.includes(colour), port, why: `Port ${PORT_WORDS[port]}: ${breath}.` };
}

const isInHeadgear = ({ placement: { behind } }: Candidate) => behind === "sealedHood" || behind === "openHelmet";

function leadWords(candidate: Candidate): string {
  const { site, placement } = candidate;
  if (isInHeadgear(candidate))
    return "Out at the base of the headgear with a short pigtail and a plug, so that it comes off in one pull; from there the extension over the shoulder. Nothing round the neck, no hole in what must stay closed.";
  switch (site.route) {
    case "overShoulder":
      return "Over the shoulder and down the back, so that the shoulder carries the weight and not the cloth.";
    case "frontInside":
      return placement.surface === "outside"
        ? "Behind the edge and inside at once, to the side and round; never straight down the front."
        : "Inside, to the side and round; never straight down the front, where bending pulls it.";
    case "frontToBack":
      return "Along the inside of the edge to the side, and round to the back.";
    case "headToBack":
      return "Behind the ear, down the nape and the back; slack at the nape for the head to turn.";
  }
}

/** How the lead is drawn through what is worn. */
function threadingWords(candidate: Candidate, plan: DressPlan): string | null {
  if (candidate.placement.surface === "headwear" || candidate.placement.surface === "hair") return null;
  const inner = plan.facts.input.outfit.layers[candidate.placement.layer ?? 0]!;
  if (inner.fit === "loose")
    return "Let the smooth weight fall inside, then draw the lead through: quicker than hands.";
  return inner.fit === "tight" ? "Feed the lead with a thin rod rather than with hands." : null;
}

function takingOffWords({ mount, placement }: Candidate): string[] {
  const words = ["Mute the pack first."];
  if (mount.usesAdhesive === "skin" || (placement.surface === "skin" && mount.usesAdhesive !== "none"))
    words.push("Peel slowly along the skin, never away from it; offer that they do it themselves.");
  if (mount.usesAdhesive === "cloth") words.push("Peel the tape off the cloth the same day.");
  words.push("Throw used tape away; clean capsule and holder with a wipe before the next person.");
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
  const steps = [
    `Say where it goes: ${placement.surface === "headwear" ? "at what they wear on the head" : INTRUSION_NAMES[intrusion]}. Ask; offer a private place, a second person, or that they do it themselves.`,
    "Wipe the capsule and the holder clean.",
    making.says,
  ];
  if (onSkin && mount.usesAdhesive !== "none") {
    steps.push("Wipe the skin with alcohol and let it dry, before they sweat.");
    parts.push(pieces("wipe", 1));
  }
  const capsule = capsuleOf(candidate, plan);
  steps.push(`Place it: ${whereWords(candidate, plan)}, port ${PORT_WORDS[capsule.port]}. Tape never covers the port.`);
  if (isClip) steps.push("Leave the loop behind the clip: it takes tugs.");
  else {
    steps.push(
      `A loose loop of ${LOOP_DIAMETER_M * 100} cm close to the capsule, tied so that it can slip, and ${CAPSULE_SLACK_M * 100} cm of slack.`,
    );
    parts.push(strips("thread", 1, LOOP_TIE_CM));
  }
  if (!isClip && site.zone !== "head") {
    steps.push("Anchor the lead below the loop, on cloth, so that the capsule carries no weight.");
    parts.push(strips("clothTape", 1, ANCHOR_CM));
  }
  if (placement.behind === "tie" || placement.behind === "scarf") {
    steps.push(`Stick the inside of the ${placement.behind} down with a triangle just below, with slack.`);
    parts.push(strips("clothTape", 1, TRIANGLE_CM));
  }
  const threading = threadingWords(candidate, plan);
  if (threading) {
    steps.push(threading);
    parts.push(pieces("weight", 1));
  }
  steps.push(leadWords(candidate));
  if (placement.layer !== null && GARMENTS[input.outfit.layers[placement.layer]!.garment].hasPocket) {
    steps.push("Tape the run inside the jacket in two places.");
    parts.push(strips("clothTape", 2, LEAD_STRIP_CM));
  }
  if (pack) {
    const { name, needs, antenna } = PACK_PLACES[pack.place];
    const isExtended = pack.needsExtension && pack.isInReach;
    const spareM = pack.cable.spareM + (isExtended ? EXTENSION_M : 0);
    const spare =
      spareM >= 0
        ? `coil the spare ${Math.round(spareM * 100)} cm beside it, not under it`
        : `the lead is ${Math.ceil(-spareM * 100)} cm short`;
    steps.push(`Pack: ${name}; ${PACK_SLACK_M * 100} cm of slack, ${spare}. ${antenna}`);
    parts.push(...needs.map((supply) => pieces(supply, 1)));
    if (isExtended || isInHeadgear(candidate)) parts.push(pieces("extension", 1));
  }
  if (input.performance.water !== "dry") {
    steps.push("Bag the pack against water, lead downwards; keep a dry spare capsule at hand.");
    parts.push(pieces("bag", 1));
  }
  if (windCover !== "none") {
    steps.push(
      `${windCover === "fur" ? "Make the fur into a little cave over the whole" : "Put the foam cap on"}: wind cannot be removed later.`,
    );
    parts.push(pieces(windCover, 1));
  }
  if (plan.facts.isInHood || candidate.overloadDb > -3)
    steps.push("Least sensitive capsule, lowest transmitter gain; test with shouting before the day.");
  if (!capsule.isHeld)
    steps.push(`No ${capsule.colour} capsule in the bag: cover this one in matching cloth, port free.`);
  steps.push("Tell them that it is live. Listen while they turn, bend and say the loudest line.");
  const packMinutes = pack ? PACK_PLACES[pack.place].minutes : 0;
  return {
    steps,
    materials: gather(parts, input.aims.supplies),
    capsule,
    spareM: pack ? pack.cable.spareM : null,
    minutes: minutesOf(site, mount, packMinutes) + (windCover === "none" ? 0 : 1),
    takingOff: takingOffWords(candidate),
    cautions: cautionsOf(candidate),
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
