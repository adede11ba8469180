import { carryOver, type CarryOver, type RigFacts } from "./carryOver";
import { outfitOf, placeOfRig } from "./planRig";
import { rigsOfWearer, type ShootBundle, type Stored } from "../records";

/** What a stored rig was made for. */
export function rigFactsOf(bundle: ShootBundle, rig: Stored<"rig">): RigFacts | null {
  const wearer = bundle.wearers.find((each) => each.id === rig.body.wearerId);
  if (!wearer) return null;
  return {
    outfit: outfitOf(wearer.body, rig.body),
    performance: rig.body.performance,
    place: placeOfRig(bundle, rig.body)?.body.model ?? null,
    choice: rig.body.choice,
  };
}

/** A rig against the same wearer's scene before; null when there is none. */
export function carryFromBefore(bundle: ShootBundle, rig: Stored<"rig">): CarryOver | null {
  const rigs = rigsOfWearer(bundle, rig.body.wearerId);
  const before = rigs[rigs.findIndex((each) => each.id === rig.id) - 1];
  const facts = before ? rigFactsOf(bundle, before) : null;
  const now = rigFactsOf(bundle, rig);
  return facts && now ? carryOver(facts, now) : null;
}
