import { ACCESSORY_FACTS, SIDED, type Accessory } from "./accessories";
import { FABRICS } from "./fabrics";
import type { Zone } from "./garment";
import { GARMENTS } from "./garments";
import { sumSteps, type Fire } from "./judgement";
import { layerCovers } from "./layering";
import { ACTION_FACTS, type Layer, type Outfit } from "./outfit";
import { bare } from "./reasons";
import type { RuleContext } from "./ruleContext";

const isSided = (accessory: Accessory): accessory is (typeof SIDED)[number] =>
  (SIDED as readonly Accessory[]).includes(accessory);

/** A capsule of this width rustles as the rules say, mm; half of it is half the rustle. Common practice. */
const USUAL_CAPSULE_MM = 6;

function clothRules({ facts, site, placement }: RuleContext, fire: Fire): void {
  const { layers } = facts.input.outfit;
  const host = placement.layer === null ? null : layers[placement.layer]!;
  if (host) {
    const fabric = FABRICS[host.fabric];
    if (fabric.rub > 0) fire(fabric.rub * 0.4, () => ({ code: "why.hostRubs", fabric: fabric.name }));
    if (host.fit === "loose") fire(0.2, () => ({ code: "why.looseHost", garment: GARMENTS[host.garment].name }));
    if (placement.surface === "inside" && placement.layer! > 0 && site.zone !== "head") {
      const below = layers[placement.layer! - 1]!;
      const fabricBelow = FABRICS[below.fabric];
      if (fabricBelow.rub > 0 && layerCovers(below, site.zone))
        fire(fabricBelow.rub * 0.25, () => ({ code: "why.rubsBelow", fabric: fabricBelow.name }));
    }
  }
  for (const index of placement.covers) {
    if (index === placement.layer) continue;
    const cover = layers[index]!;
    const { rub, name } = FABRICS[cover.fabric];
    if (rub > 0) fire(rub * 0.5, () => ({ code: "why.rubsAbove", fabric: name }));
    else fire(0.2, () => ({ code: "why.softAbove", fabric: name }));
    if (cover.fit === "loose") fire(0.3, () => ({ code: "why.looseAbove" }));
  }
}

/** What strikes or presses on a capsule: no mount eases it. Common practice. */
function strikeRules({ facts, site, placement }: Pick<RuleContext, "facts" | "site" | "placement">, fire: Fire): void {
  const { outfit, performance } = facts.input;
  accessoryRules(outfit, outfit.accessories, { site, placement }, true, fire);
  if (site.zone === "head") return;
  outfit.layers.forEach((layer, index) => {
    if (GARMENTS[layer.garment].shape === "harness" && index !== placement.layer && WEBBED.has(site.zone))
      fire(1.4, () => ({ code: "why.harnessCrosses" }));
  });
  if (performance.handsOnChest) fire(1.2, () => ({ code: "why.handsOnChest" }));
}

/** Where a harness lies: two straps over the shoulders, one across the chest. Common practice. */
const WEBBED: ReadonlySet<Zone | "head"> = new Set(["lapels", "shoulders", "midChest"]);

/** Struck this much, another place goes first, steps. Common practice. */
const STRUCK_FROM = 0.5;

/** Whether something strikes or presses on the capsule there: a strap, a pendant, a hand. */
export const isStruck = (at: Pick<RuleContext, "facts" | "site" | "placement">): boolean =>
  sumSteps((fire) => strikeRules(at, fire)) >= STRUCK_FROM;

/** What is worn that strikes at a place and can be taken off. */
export const removableAt = ({ facts, site, placement }: Pick<RuleContext, "facts" | "site" | "placement">) =>
  facts.input.outfit.accessories.filter(
    (worn) =>
      ACCESSORY_FACTS[worn].remedy !== null &&
      sumSteps((fire) => accessoryRules(facts.input.outfit, [worn], { site, placement }, true, fire)) >= STRUCK_FROM,
  );

/** What accessories do at a place; those that strike, or those that only rub. */
function accessoryRules(
  { sides }: Outfit,
  accessories: readonly Accessory[],
  { site, placement }: Pick<RuleContext, "site" | "placement">,
  isStriking: boolean,
  fire: Fire,
): void {
  for (const accessory of accessories) {
    const { touches, says, reach, strikes } = ACCESSORY_FACTS[accessory];
    if (accessory === placement.behind || strikes !== isStriking) continue;
    const steps = touches[site.zone];
    if (steps === undefined || says === null) continue;
    if ((reach === "centre" && site.side !== 0) || (reach === "sides" && site.side === 0)) continue;
    const side = isSided(accessory) ? sides?.[accessory] : undefined;
    if (side !== undefined && site.side !== 0 && (side === "left") !== site.side < 0) continue;
    fire(steps, () => bare(says));
  }
}

/** A front that hangs open has an edge that swings. */
const isHangingOpen = ({ garment, opening }: Layer) => GARMENTS[garment].opens && opening === "open";

function wornRules({ facts, site, placement }: RuleContext, fire: Fire): void {
  const { outfit } = facts.input;
  accessoryRules(outfit, outfit.accessories, { site, placement }, false, fire);
  if (site.zone === "head") return;
  outfit.layers.forEach((layer, index) => {
    const { shape, name, hasLapels } = GARMENTS[layer.garment];
    if (shape === "harness" && index !== placement.layer && !WEBBED.has(site.zone))
      fire(0.4, () => ({ code: "why.harnessCreaks" }));
    if (hasLapels && layer.hasLapels && site.anchor === "placket" && index > (placement.layer ?? -1))
      fire(0.7, () => ({ code: "why.edgeCrosses", garment: name }));
    else if (isHangingOpen(layer) && index > (placement.layer ?? -1) && site.side === 0)
      fire(0.3, () => ({ code: "why.edgeCrosses", garment: name }));
    if (isHangingOpen(layer) && index > (placement.layer ?? -1) && FABRICS[layer.fabric].rub === 3)
      fire(0.4, () => ({ code: "why.creaks", fabric: FABRICS[layer.fabric].name, garment: name }));
  });
  if (site.anchor === "placket" && placement.layer !== null) {
    const { closure, name } = GARMENTS[outfit.layers[placement.layer]!.garment];
    if (closure !== "buttons") fire(0.4, () => ({ code: "why.closure", closure, garment: name }));
  }
}

function movementRules({ facts, site }: RuleContext, fire: Fire): void {
  const { action } = facts.input.performance;
  const onHead = site.zone === "head" ? 0.4 : 1;
  const { shakes, says } = ACTION_FACTS[action];
  if (says) fire(shakes * onHead, () => bare(says));
  const isTie = site.anchor === "tieFront" || (site.anchor === "tieBehind" && site.id === "tieBehind");
  if (isTie && shakes > 0) fire(action === "walking" ? 0.6 : 1, () => ({ code: "why.tieSwings" }));
  if (site.anchor === "collar") fire(0.3, () => ({ code: "why.collarShifts" }));
  if (site.id === "tieKnot") fire(-0.3, () => ({ code: "why.tieKnot" }));
  if (site.anchor === "drape") fire(0.4, () => ({ code: "why.drapeSwings" }));
}

/**
 * How likely cloth, hair and hardware are heard: every surface that touches × how it moves, less what the mount keeps
 * away. Common practice.
 */
export function rustleRules(context: RuleContext, fire: Fire): void {
  let contact = 0;
  const add: Fire = (steps, says) => {
    contact += steps;
    fire(steps, says);
  };
  clothRules(context, add);
  wornRules(context, add);
  movementRules(context, add);
  const rubbed = contact;
  strikeRules(context, add);
  if (contact <= 0) return;
  const { mount, facts } = context;
  if (mount.isolation > 0 && rubbed > 0)
    fire(-rubbed * mount.isolation, () => ({ code: "why.mountIsolates", mount: mount.name, share: mount.isolation }));
  const { diameterMm } = facts.input.capsule;
  const size = (contact - rubbed * mount.isolation) * (Math.min(2, diameterMm / USUAL_CAPSULE_MM) - 1);
  if (Math.abs(size) > 0.05) fire(size, () => ({ code: size < 0 ? "why.smallCapsule" : "why.largeCapsule" }));
}
