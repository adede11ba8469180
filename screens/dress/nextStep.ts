import type { RigPlan } from "@/core/planning";
import type { RigBody } from "@/core/records";

/** What is to be done next at Dress for one talent in one scene. */
export type DressStep = "outfit" | "chooseAgain" | "choose" | "ask" | "boom" | "rig" | "level";

/** The next step, in the order of the work: a place, their consent, the rig, and on to the levels. */
export function nextStep(
  rig: Pick<RigBody, "choice" | "consent" | "isRigged">,
  plan: Pick<RigPlan, "candidate" | "isChosen">,
): DressStep {
  if (rig.consent.answer === "no") return "boom";
  if (rig.choice !== null && !plan.isChosen) return "chooseAgain";
  if (plan.candidate === null) return "outfit";
  if (!plan.isChosen) return "choose";
  if (rig.consent.answer === "notAsked") return "ask";
  return rig.isRigged ? "level" : "rig";
}
