import { ACCESSORY_FACTS } from "./accessories";
import { FABRICS } from "./fabrics";
import { GARMENTS } from "./garments";
import type { Fire } from "./judgement";
import { layerCovers } from "./layering";
import type { RuleContext } from "./ruleContext";

/** A capsule of this width rustles as the rules say, mm; half of it is half the rustle. Common practice. */
const USUAL_CAPSULE_MM = 6;

function clothRules({ facts, site, placement }: RuleContext, fire: Fire): void {
  const { layers } = facts.input.outfit;
  const host = placement.layer === null ? null : layers[placement.layer]!;
  if (host) {
    const fabric = FABRICS[host.fabric];
    if (fabric.rub > 0) fire(fabric.rub * 0.4, () => `Fixed to ${fabric.name}, which rubs.`);
    if (host.fit === "loose") fire(0.2, () => `The loose ${GARMENTS[host.garment].name} moves.`);
    if (placement.surface === "inside" && placement.layer! > 0 && site.zone !== "head") {
      const below = layers[placement.layer! - 1]!;
      const fabricBelow = FABRICS[below.fabric];
      if (fabricBelow.rub > 0 && layerCovers(below, site.zone))
        fire(fabricBelow.rub * 0.25, () => `On ${fabricBelow.name} beneath it.`);
    }
  }
  for (const index of placement.covers) {
    if (index === placement.layer) continue;
    const cover = layers[index]!;
    const { rub, name } = FABRICS[cover.fabric];
    if (rub > 0) fire(rub * 0.5, () => `Under ${name}, which rubs over it.`);
    else fire(0.2, () => `Under soft ${name}: a little contact.`);
    if (cover.fit === "loose") fire(0.3, () => "The loose layer over it moves.");
  }
}

function wornRules({ facts, site, placement }: RuleContext, fire: Fire): void {
  const { outfit } = facts.input;
  for (const accessory of outfit.accessories) {
    if (accessory === placement.behind) continue;
    const { touches, says, reach } = ACCESSORY_FACTS[accessory];
    const steps = touches[site.zone];
    if (steps === undefined) continue;
    if ((reach === "centre" && site.side !== 0) || (reach === "sides" && site.side === 0)) continue;
    fire(steps, () => says);
  }
  if (site.zone === "head") return;
  outfit.layers.forEach((layer, index) => {
    const { shape, name, hasLapels } = GARMENTS[layer.garment];
    if (shape === "harness" && index !== placement.layer) {
      if (site.zone === "lapels") fire(1.4, () => "The harness strap crosses this place.");
      else fire(0.4, () => "Harness webbing creaks nearby.");
    }
    if (hasLapels && layer.hasLapels && site.anchor === "placket" && index > (placement.layer ?? -1))
      fire(0.7, () => `The edge of the ${name} can cross it.`);
  });
  if (facts.input.performance.handsOnChest) fire(1.2, () => "Hands come to the chest.");
}

function movementRules({ facts, site }: RuleContext, fire: Fire): void {
  const { action } = facts.input.performance;
  const onHead = site.zone === "head" ? 0.4 : 1;
  if (action === "walking") fire(0.5 * onHead, () => "Walking moves cloth and lead.");
  if (action === "running") fire(1.2 * onHead, () => "Running shakes everything.");
  if (action === "stunt") fire(1.8 * onHead, () => "Falls and fights shake everything.");
  const isTie = site.anchor === "tieFront" || (site.anchor === "tieBehind" && site.id === "tieBehind");
  if (isTie && action !== "sitting") fire(action === "walking" ? 0.6 : 1, () => "The tie swings and knocks.");
  if (site.anchor === "collar") fire(0.3, () => "The collar shifts when the head turns.");
  if (site.id === "tieKnot") fire(-0.3, () => "Tie and shirt hardly touch at the knot.");
  if (site.anchor === "drape") fire(0.4, () => "The drape swings free.");
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
  if (contact <= 0) return;
  const { mount, facts } = context;
  if (mount.isolation > 0)
    fire(
      -contact * mount.isolation,
      () => `The ${mount.name} keeps ${Math.round(mount.isolation * 100)} % of it away.`,
    );
  const { diameterMm } = facts.input.capsule;
  const size = contact * (1 - mount.isolation) * (Math.min(2, diameterMm / USUAL_CAPSULE_MM) - 1);
  if (Math.abs(size) > 0.05)
    fire(size, () => (size < 0 ? "A small capsule catches less." : "A large capsule catches more."));
}
