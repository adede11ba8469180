import { ACCESSORY_FACTS, type Choice, GARMENTS, type Outfit, type Performance, sameChoice } from "../dress";
import type { PlaceModel } from "../room";

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
  /** What changed, in words. */
  changes: readonly string[];
}

/** Wind that makes a difference to a rig, m/s. Common practice. */
const WIND_STEP_MPS = 2;

const windOf = (place: PlaceModel | null) => (place?.setting === "open" ? place.windMps : 0);

function outfitChanges(before: Outfit, now: Outfit): string[] {
  const changes: string[] = [];
  const key = (layer: Outfit["layers"][number]) => JSON.stringify(layer, Object.keys(layer).sort());
  const had = before.layers.map(key);
  const has = now.layers.map(key);
  now.layers.forEach((layer, index) => {
    if (!had.includes(has[index]!)) changes.push(`${GARMENTS[layer.garment].name} is new or worn differently`);
  });
  before.layers.forEach((layer, index) => {
    const isWornStill = now.layers.some((one) => one.garment === layer.garment);
    if (!has.includes(had[index]!) && !isWornStill) changes.push(`${GARMENTS[layer.garment].name} is gone`);
  });
  for (const accessory of now.accessories)
    if (!before.accessories.includes(accessory)) changes.push(`${ACCESSORY_FACTS[accessory].name} added`);
  for (const accessory of before.accessories)
    if (!now.accessories.includes(accessory)) changes.push(`${ACCESSORY_FACTS[accessory].name} is gone`);
  return changes;
}

const PERFORMANCE_WORDS: Partial<Record<keyof Performance, string>> = {
  faces: "faces somebody else",
  action: "moves differently",
  shot: "another shot size",
  mayBeSeen: "hidden or seen has changed",
  loudest: "another loudest line",
  water: "water",
  sweats: "sweat",
  handsOnChest: "hands on the chest",
};

/** Compares a rig's facts with those of the scene before: carries over, or what changed. Common practice. */
export function carryOver(before: RigFacts, now: RigFacts): CarryOver {
  const changes = outfitChanges(before.outfit, now.outfit);
  for (const [key, words] of Object.entries(PERFORMANCE_WORDS) as [keyof Performance, string][])
    if (before.performance[key] !== now.performance[key]) changes.push(words);
  const windUp = windOf(now.place) - windOf(before.place);
  if (windUp >= WIND_STEP_MPS) changes.push(`wind up from ${windOf(before.place)} to ${windOf(now.place)} m/s`);
  if (now.choice && before.choice && !sameChoice(now.choice, before.choice)) changes.push("another place was chosen");
  return { carries: changes.length === 0, changes };
}
