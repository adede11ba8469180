import { FABRICS } from "./fabrics";
import type { Placement } from "./hosts";
import { judge, type FiredRule, type Judgement } from "./judgement";
import type { Outfit, Performance } from "./outfit";
import type { Site } from "./sites";

/** Everything the trade rules look at. */
export interface RuleContext {
  site: Site;
  placement: Placement;
  outfit: Outfit;
  performance: Performance;
  windMps: number;
}

const has = ({ outfit }: RuleContext, accessory: Outfit["accessories"][number]) =>
  outfit.accessories.includes(accessory);

function clothRules({ outfit, placement }: RuleContext): FiredRule[] {
  const rules: FiredRule[] = [];
  const hostLayer = placement.layer === null ? null : outfit.layers[placement.layer]!;
  if (hostLayer) {
    const { rub, name } = FABRICS[hostLayer.fabric];
    if (rub > 0) rules.push({ steps: rub * 0.5, says: `Fixed to ${name}, which rubs.` });
  }
  for (const index of placement.covers) {
    if (index === placement.layer) continue;
    const { rub, name } = FABRICS[outfit.layers[index]!.fabric];
    if (rub > 0) rules.push({ steps: rub * 0.5, says: `Under ${name}, which rubs over it.` });
    else rules.push({ steps: 0.2, says: `Under soft ${name}: a little contact.` });
    if (outfit.layers[index]!.fit === "loose") rules.push({ steps: 0.3, says: "The loose layer over it moves." });
  }
  if (placement.surface === "inside")
    rules.push({ steps: -0.4, says: "A pad or sandwich on both sides keeps cloth still." });
  if (placement.surface === "skin") rules.push({ steps: 0.1, says: "Skin is quieter than cloth on cloth." });
  return rules;
}

function wornRules(context: RuleContext): FiredRule[] {
  const { site, outfit, placement } = context;
  const rules: FiredRule[] = [];
  const nearNeck = site.zone === "collar" || site.zone === "upperChest";
  const onChest = placement.surface !== "head";
  if (has(context, "necklace") && site.side === 0 && onChest)
    rules.push({ steps: 1, says: "The necklace knocks on it: take it off or tape it down." });
  if (has(context, "beard") && nearNeck) rules.push({ steps: 0.8, says: "The beard brushes it." });
  if (has(context, "longHair") && (nearNeck || site.zone === "lapels"))
    rules.push({ steps: 0.8, says: "Hair worn in front brushes it." });
  if (has(context, "scarf") && nearNeck) rules.push({ steps: 1, says: "The scarf lies on it." });
  if (outfit.layers.some((layer) => layer.garment === "harness") && onChest)
    rules.push(
      site.host === "strap"
        ? { steps: 1.2, says: "Webbing and buckles creak into what is fixed to them." }
        : site.zone === "lapels"
          ? { steps: 1.4, says: "The harness strap crosses this place." }
          : { steps: 0.4, says: "Harness webbing creaks nearby." },
    );
  if (outfit.layers.some((layer) => layer.garment === "blazer") && site.host === "placketEdge")
    rules.push({ steps: 0.7, says: "The jacket's edge can cross it." });
  return rules;
}

function movementRules({ site, placement, performance }: RuleContext): FiredRule[] {
  const rules: FiredRule[] = [];
  const isRunning = performance.action === "running";
  if (performance.action !== "sitting") {
    const steps = (isRunning ? 1.2 : 0.5) * (placement.surface === "head" ? 0.4 : 1);
    rules.push({ steps, says: isRunning ? "Running shakes everything." : "Walking moves cloth and lead." });
    if (site.host === "tieFront" || site.host === "tieBehind")
      rules.push({ steps: isRunning ? 1 : 0.6, says: "The tie swings and knocks: stick its inside down." });
  }
  if (site.host === "collar") rules.push({ steps: 0.3, says: "The collar shifts when the head turns." });
  if (site.host === "tieKnot") rules.push({ steps: -0.3, says: "Tie and shirt hardly touch at the knot." });
  return rules;
}

/** How likely cloth, hair and hardware are heard, quiet … heavy, with the rules that fired. Common practice. */
export function judgeRustle(context: RuleContext): Judgement {
  return judge([...clothRules(context), ...wornRules(context), ...movementRules(context)]);
}
