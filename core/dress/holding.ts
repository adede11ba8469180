import type { Fire } from "./judgement";
import type { Performance } from "./outfit";
import type { RuleContext } from "./ruleContext";

/** How much an action pulls at a mount, steps. Common practice. */
const DEMANDS: Record<Performance["action"], number> = { sitting: 0.3, walking: 0.9, running: 1.9, stunt: 2.8 };
/** Steps that one grade of a mount's hold is good for. Common practice. */
const STEPS_PER_HOLD = 0.9;
const HOURS_WITHOUT_CARE = 2;

/** How well the mount stays put through sweat, action, hours and water. Common practice. */
export function holdingRules({ facts, mount, placement }: RuleContext, fire: Fire): void {
  const { performance, person } = facts.input;
  let demand = 0;
  const ask: Fire = (steps, says) => {
    demand += steps;
    fire(steps, says);
  };
  ask(DEMANDS[performance.action], () => `${performance.action === "stunt" ? "Action" : "Movement"} pulls at it.`);
  const extraHours = performance.hours - HOURS_WITHOUT_CARE;
  if (extraHours > 0) ask(Math.min(1, extraHours * 0.12), () => `Worn for ${performance.hours} hours.`);
  const usesGlue = mount.usesAdhesive !== "none";
  if (performance.sweats && usesGlue) ask(mount.usesAdhesive === "skin" ? 2 : 0.5, () => "Sweat loosens tape.");
  if (performance.water === "rain" && usesGlue) ask(0.5, () => "Rain loosens tape.");
  if (performance.water === "wading" && usesGlue) ask(1, () => "Water loosens tape.");
  if (placement.surface === "skin" && usesGlue) {
    if (person.hairyChest === "yes") fire(1.6, () => "Tape pulls at a hairy chest: the garment first.");
    if (person.hairyChest === "unknown") fire(0.2, () => "Hair on the chest is not known.");
    if (person.tapeAllergy === "unknown") fire(0.3, () => "Allergy to tape is not known: ask.");
  }
  const held = Math.min(demand, mount.hold * STEPS_PER_HOLD);
  if (held > 0) fire(-held, () => `A ${mount.name} takes that much.`);
}
