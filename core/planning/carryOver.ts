import { ACCESSORY_FACTS, type Choice, GARMENTS, type Outfit, type Performance, sameChoice } from "../dress";
import type { PlaceModel } from "../room";
import type { CarryMessage } from "./messages";

/** What a rig was made for: the facts whose change asks for another look. */
export interface RigFacts {
  outfit: Outfit;
  performance: Performance;
  place: PlaceModel | null;
  choice: Choice | null;
}

export interface CarryOver {
  /** Nothing that matters has changed: the rig stays as it is, and is only listened to. */
  carries: boolean;
  changes: readonly CarryMessage[];
}

/** Wind that makes a difference to a rig, m/s. Common practice. */
const WIND_STEP_MPS = 2;

const windOf = (place: PlaceModel | null) => (place?.setting === "open" ? place.windMps : 0);

function outfitChanges(before: Outfit, now: Outfit): CarryMessage[] {
  const changes: CarryMessage[] = [];
  const key = (layer: Outfit["layers"][number]) => JSON.stringify(layer, Object.keys(layer).sort());
  const had = before.layers.map(key);
  const has = now.layers.map(key);
  now.layers.forEach((layer, index) => {
    if (!had.includes(has[index]!)) changes.push({ code: "carry.garmentNew", garment: GARMENTS[layer.garment].name });
  });
  before.layers.forEach((layer, index) => {
    const isWornStill = now.layers.some((one) => one.garment === layer.garment);
    if (!has.includes(had[index]!) && !isWornStill)
      changes.push({ code: "carry.garmentGone", garment: GARMENTS[layer.garment].name });
  });
  for (const accessory of now.accessories)
    if (!before.accessories.includes(accessory))
      changes.push({ code: "carry.accessoryAdded", accessory: ACCESSORY_FACTS[accessory].name });
  for (const accessory of before.accessories)
    if (!now.accessories.includes(accessory))
      changes.push({ code: "carry.accessoryGone", accessory: ACCESSORY_FACTS[accessory].name });
  return changes;
}

/** What a performance may change in that asks for another look. */
const LOOKED_AT = [
  ...(["faces", "action", "shot", "mayBeSeen"] as const),
  ...(["loudest", "water", "sweats", "handsOnChest"] as const),
] satisfies (keyof Performance)[];

/** Compares a rig's facts with those of the scene before: carries over, or what changed. Common practice. */
export function carryOver(before: RigFacts, now: RigFacts): CarryOver {
  const changes = outfitChanges(before.outfit, now.outfit);
  for (const field of LOOKED_AT)
    if (before.performance[field] !== now.performance[field]) changes.push({ code: "carry.performance", field });
  const [fromMps, toMps] = [windOf(before.place), windOf(now.place)];
  if (toMps - fromMps >= WIND_STEP_MPS) changes.push({ code: "carry.windUp", fromMps, toMps });
  if (now.choice && before.choice && !sameChoice(now.choice, before.choice)) changes.push({ code: "carry.otherPlace" });
  return { carries: changes.length === 0, changes };
}
