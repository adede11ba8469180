import { FABRICS } from "./fabrics";
import { GARMENTS } from "./garments";
import type { Fire } from "./judgement";
import { CAPSULE_FOR_SHADE } from "./outfit";
import type { CapsuleColour } from "../devices";
import type { RuleContext } from "./ruleContext";
import type { Anchor } from "./sites";
import { WIND_COVERS } from "./windCover";

/** How a place shows before shot and cloth are looked at, and why. Common practice. */
const PLACE_STEPS: Partial<Record<Anchor, readonly [steps: number, says: string]>> = {
  hair: [2, "In the hair: beside the face everybody looks at."],
  hatBrim: [0.8, "In the brim's shadow."],
  capEdge: [0.9, "At the cap's edge."],
  spectacles: [2.1, "On the temple, beside the face."],
  helmetLiner: [0.2, "Inside the headgear."],
  collar: [0.7, "In the collar's gap."],
  bowTie: [0.5, "The bow hides it."],
  tieBehind: [0.3, "The tie hides it."],
  bibEdge: [0.6, "Behind an edge: only the capsule's tip can show."],
  topEdge: [0.6, "Behind an edge: only the capsule's tip can show."],
  bra: [0.3, "Inside the underwear."],
  scarf: [0.4, "In the folds of the scarf."],
  brooch: [0.5, "Behind the brooch."],
  drape: [0.6, "At the edge of the drape."],
  neckline: [0.7, "Behind the neckline's edge."],
};

/** Fixed outside, in view. */
const IN_VIEW = 2.6;
/** Places at a hem or edge, where cloth lies double. */
const EDGES: ReadonlySet<Anchor> = new Set(["topEdge", "bibEdge", "neckline", "placket", "collar", "drape", "bra"]);
/** Width that hardly shows, mm. */
const SMALL_MM = 6;

function bestColourFor(context: RuleContext): { colour: CapsuleColour; isHeld: boolean } | null {
  const { facts, placement, site } = context;
  if (site.zone === "head") return null;
  const next = placement.layer ?? placement.covers[0] ?? 0;
  const layer = facts.input.outfit.layers[next];
  if (!layer) return null;
  const colour = CAPSULE_FOR_SHADE[layer.shade];
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
  if (bulge > 0.02) fire(bulge, () => `${Math.round(bulkMm)} mm of microphone and mount make a bulge.`);
  if (layer.fit === "tight")
    fire(placement.surface === "skin" ? 0.7 : 1, () => "The tight layer shows what is under it.");
  else if (layer.fit === "fitted") fire(0.2, () => "The fitted layer may show a bulge.");
  if (layer.pattern === "patterned") fire(-0.4, () => "The pattern hides it.");
  if (!fabric.isThin) fire(-0.4, () => `Thick ${fabric.name} hides it.`);
  else if (layer.pattern === "plain" && placement.covers.length === 1)
    fire(placement.surface === "skin" ? 0.3 : EDGES.has(context.site.anchor) ? 0.3 : 1.2, () =>
      placement.surface === "skin"
        ? `Plain thin ${fabric.name} lets a flat shape through.`
        : `Plain thin ${fabric.name} shows what is stuck to it.`,
    );
}

/** How plainly the microphone or its bulge is seen, hidden … in plain sight. Common practice. */
export function unseenRules(context: RuleContext, fire: Fire): void {
  const { facts, site, placement, windCover } = context;
  const { shot } = facts.input.performance;
  const behindCloth = placement.covers.some((index) => index !== placement.layer);
  const place = PLACE_STEPS[site.anchor];
  if (placement.surface === "outside" && !behindCloth) fire(IN_VIEW, () => "Clipped outside, in view.");
  else if (placement.surface === "outside") fire(0.6, () => "Outside its layer, but under another.");
  else if (behindCloth && site.zone !== "head") fire(0.2, () => "Cloth lies over it.");
  else if (place) fire(place[0], () => place[1]);
  else fire(0.3, () => "Behind cloth.");
  clothRules(context, fire);
  const isInView = !behindCloth && (placement.surface === "outside" || place !== undefined);
  if (isInView) {
    const match = bestColourFor(context);
    if (match && !match.isHeld)
      fire(
        0.5,
        () => `No ${match.colour} capsule to match the ${GARMENTS[facts.input.outfit.layers[0]!.garment].name}.`,
      );
    if (windCover === "fur") fire(0.8, () => "The fur shows.");
  }
  if (shot === "close") fire(0.6, () => "Close shots show it.");
  if (shot === "wide") fire(-1, () => "Wide shots do not show it.");
}
