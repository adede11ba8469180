import { bare, type BareReason as PlaceReason } from "./reasons";
import { FABRICS } from "./fabrics";
import type { Fire } from "./judgement";
import { CAPSULE_FOR_SHADE, type Hair } from "./outfit";
import type { CapsuleColour } from "../devices";
import { besideCapsule } from "./besideCapsule";
import type { RuleContext } from "./ruleContext";
import type { Anchor } from "./sites";
import { WIND_COVERS } from "./windCover";

/** How a place shows before shot and cloth are looked at, and why. Common practice. */
const PLACE_STEPS: Partial<Record<Anchor, readonly [steps: number, code: PlaceReason]>> = {
  hair: [2, "why.inHair"],
  hatBrim: [0.8, "why.brimShadow"],
  capEdge: [0.9, "why.capEdge"],
  spectacles: [2.1, "why.temple"],
  helmetLiner: [0.2, "why.inHeadgear"],
  collar: [0.7, "why.collarGap"],
  bowTie: [0.5, "why.bowHides"],
  tieBehind: [0.3, "why.tieHides"],
  bibEdge: [0.6, "why.behindEdge"],
  topEdge: [0.6, "why.behindEdge"],
  bra: [0.3, "why.inUnderwear"],
  scarf: [0.4, "why.scarfFolds"],
  cravat: [0.4, "why.cravatFolds"],
  headscarf: [0.3, "why.headscarfDrape"],
  turban: [0.5, "why.turbanFolds"],
  crown: [0.9, "why.inCrown"],
  hood: [0.4, "why.hoodEdge"],
  brooch: [0.5, "why.behindBrooch"],
  drape: [0.6, "why.drapeEdge"],
  neckline: [0.7, "why.necklineEdge"],
};

/** How much better or worse than usual hair hides. Common practice. */
const HAIR_HIDES: Record<Hair, number> = { unknown: 0, bald: 0, short: -0.4, loose: 0.4, tied: 0, wig: 0.8 };

/** Fixed outside, in view. */
const IN_VIEW = 2.6;
/** Places at a hem or edge, where cloth lies double. */
const EDGES: ReadonlySet<Anchor> = new Set(["topEdge", "bibEdge", "neckline", "placket", "collar", "drape", "bra"]);
/** Width that hardly shows, mm. */
const SMALL_MM = 6;

function bestColourFor({ facts, placement, site }: RuleContext): { colour: CapsuleColour; isHeld: boolean } | null {
  if (site.zone === "head" && placement.behind === null) return null;
  const colour = CAPSULE_FOR_SHADE[besideCapsule(facts.input.outfit, placement).shade];
  return { colour, isHeld: facts.input.capsule.colours.includes(colour) };
}

function clothRules(context: RuleContext, fire: Fire): void {
  const { facts, placement, mount, windCover } = context;
  const outer = placement.covers.at(-1);
  if (outer === undefined || placement.surface === "headwear") return;
  const layer = facts.input.outfit.layers[outer]!;
  const fabric = FABRICS[layer.fabric];
  const bulkMm = facts.input.capsule.diameterMm / 2 + mount.bulkMm + WIND_COVERS[windCover].bulkMm;
  const bulge = Math.max(0, (bulkMm - SMALL_MM) / 10) * (layer.fit === "loose" ? 0.4 : 1);
  if (bulge > 0.02) fire(bulge, () => ({ code: "why.bulge", bulkMm }));
  if (layer.fit === "tight") fire(placement.surface === "skin" ? 0.7 : 1, () => ({ code: "why.tightShows" }));
  else if (layer.fit === "fitted") fire(0.2, () => ({ code: "why.fittedShows" }));
  if (layer.pattern === "patterned") fire(-0.4, () => ({ code: "why.patternHides" }));
  const isSheer = placement.covers.every((index) => FABRICS[facts.input.outfit.layers[index]!.fabric].isSheer);
  if (isSheer && !EDGES.has(context.site.anchor)) fire(2.4, () => ({ code: "why.seeThrough", fabric: fabric.name }));
  if (!fabric.isThin) fire(-0.4, () => ({ code: "why.thickHides", fabric: fabric.name }));
  else if (layer.pattern === "plain" && placement.covers.length === 1)
    fire(placement.surface === "skin" ? 0.3 : EDGES.has(context.site.anchor) ? 0.3 : 1.2, () => ({
      code: placement.surface === "skin" ? "why.thinOverSkin" : "why.thinShows",
      fabric: fabric.name,
    }));
}

/** How plainly the microphone or its bulge is seen, hidden … in plain sight. Common practice. */
export function unseenRules(context: RuleContext, fire: Fire): void {
  const { facts, site, placement, windCover } = context;
  const { shot } = facts.input.performance;
  const { hair = "unknown" } = facts.input.person;
  const behindCloth = placement.covers.some((index) => index !== placement.layer);
  const place = PLACE_STEPS[site.anchor];
  if (placement.surface === "outside" && !behindCloth) fire(IN_VIEW, () => ({ code: "why.outsideInView" }));
  else if (placement.surface === "outside") fire(0.6, () => ({ code: "why.outsideUnder" }));
  else if (behindCloth && site.zone !== "head") fire(0.2, () => ({ code: "why.clothOver" }));
  else if (place) fire(place[0] - (site.anchor === "hair" ? HAIR_HIDES[hair] : 0), () => bare(place[1]));
  else fire(0.3, () => ({ code: "why.behindCloth" }));
  clothRules(context, fire);
  const isInView = !behindCloth && (placement.surface === "outside" || place !== undefined);
  if (isInView) {
    const match = bestColourFor(context);
    if (match && !match.isHeld)
      fire(0.5, () => ({
        code: "why.noMatchingCapsule",
        colour: match.colour,
        garment: besideCapsule(facts.input.outfit, placement).name,
      }));
    if (windCover === "fur") fire(0.8, () => ({ code: "why.furShows" }));
  }
  if (shot === "close") fire(0.6, () => ({ code: "why.closeShot" }));
  if (shot === "wide") fire(-1, () => ({ code: "why.wideShot" }));
}
