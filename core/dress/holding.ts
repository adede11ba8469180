import type { Fire } from "./judgement";
import { ACTION_FACTS } from "./outfit";
import type { RuleContext } from "./ruleContext";

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
  ask(ACTION_FACTS[performance.action].pulls, () => ({ code: "why.pulls", isAction: performance.action === "stunt" }));
  const extraHours = performance.hours - HOURS_WITHOUT_CARE;
  if (extraHours > 0) ask(Math.min(1, extraHours * 0.12), () => ({ code: "why.hours", hours: performance.hours }));
  const usesGlue = mount.usesAdhesive !== "none";
  if (performance.sweats && usesGlue) ask(mount.usesAdhesive === "skin" ? 2 : 0.5, () => ({ code: "why.sweat" }));
  if (performance.water === "rain" && usesGlue) ask(0.5, () => ({ code: "why.rainOnTape" }));
  if ((performance.water === "wading" || performance.water === "swimming") && usesGlue)
    ask(1, () => ({ code: "why.waterOnTape" }));
  if (placement.surface === "skin" && usesGlue) {
    if (person.hairyChest === "yes") fire(1.6, () => ({ code: "why.hairyChest" }));
    if (person.hairyChest === "unknown") fire(0.2, () => ({ code: "why.hairUnknown" }));
    if (person.tapeAllergy === "unknown") fire(0.3, () => ({ code: "why.allergyUnknown" }));
  }
  const held = Math.min(demand, mount.hold * STEPS_PER_HOLD);
  if (held > 0) fire(-held, () => ({ code: "why.mountHolds", mount: mount.name }));
}
