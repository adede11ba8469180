import { FABRICS } from "./fabrics";
import { judge, type FiredRule, type Judgement } from "./judgement";
import type { RuleContext } from "./rustle";

/** How a place shows before shot and cloth are looked at. Common practice. */
function placeRule({ site, placement }: RuleContext): FiredRule {
  if (placement.covers.length > 0 && placement.surface !== "inside" && placement.surface !== "head")
    return { steps: 0.2, says: "Cloth lies over it." };
  switch (site.host) {
    case "hairline":
      return { steps: 1.2, says: "In the hair: seen from near only." };
    case "hatBrim":
      return { steps: 0.8, says: "In the brim's shadow." };
    case "spectacles":
      return { steps: 1.5, says: "On the temple, beside the face." };
    case "collar":
      return { steps: 0.7, says: "In the collar's gap." };
    case "tieKnot":
      return { steps: 0.8, says: "In the fold under the knot." };
    case "tieBehind":
      return { steps: 0.3, says: "The tie hides it." };
    case "bibEdge":
    case "dressTop":
      return { steps: 0.6, says: "Behind an edge: only the capsule's tip can show." };
    default:
      return placement.surface === "outside"
        ? { steps: 2.4, says: "Clipped outside, in view." }
        : { steps: 0.3, says: "Behind cloth." };
  }
}

/** How plainly the microphone or its bulge is seen, hidden … in plain sight, with the rules that fired. Common practice. */
export function judgeVisibility(context: RuleContext): Judgement {
  const { placement, outfit, performance } = context;
  const rules: FiredRule[] = [placeRule(context)];
  const outerCover = placement.covers.at(-1);
  const outside = outerCover === undefined ? null : outfit.layers[outerCover]!;
  if (outside && placement.surface !== "head") {
    if (outside.fit === "tight") rules.push({ steps: 1, says: "The tight layer shows the bulge." });
    else if (outside.fit === "fitted") rules.push({ steps: 0.2, says: "The fitted layer may show a bulge." });
    const { isThin, name } = FABRICS[outside.fabric];
    if (isThin && outside.pattern === "plain") rules.push({ steps: 0.5, says: `Plain thin ${name} shows the mount.` });
    if (outside.pattern === "patterned") rules.push({ steps: -0.4, says: "The pattern hides it." });
    if (!isThin) rules.push({ steps: -0.4, says: "Thick cloth hides it." });
  }
  if (performance.shot === "close") rules.push({ steps: 0.6, says: "Close shots show it." });
  if (performance.shot === "wide") rules.push({ steps: -1, says: "Wide shots do not show it." });
  return judge(rules);
}
