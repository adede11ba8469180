import type { CapsuleColour } from "../dress/outfit";
import { recipeFor, type Recipe } from "../dress/recipe";
import { SUPPLY_IDS, type SupplyId } from "../dress/supplies";
import { carryOver, type CarryOver, type RigFacts } from "./carryOver";
import { outfitOf, placeOfRig, planRig, type RigPlan } from "./planRig";
import type { ShootBundle, Stored } from "./records";
import { minutesOfDay, rigsOfWearer, scenesInOrder, timeOfDay } from "./sceneOrder";

/** One wearer in one scene of a day. */
export interface DressCall {
  wearer: Stored<"wearer">;
  rig: Stored<"rig">;
  plan: RigPlan;
  recipe: Recipe | null;
  /** Against the wearer's scene before on the same day; null for the first. */
  carry: CarryOver | null;
  /** Minutes that rigging (or looking after a rig that carries over) takes. */
  minutes: number;
  /** When this person must be with the recordist, "HH:MM". */
  callAt: string;
  /** When they must be ready. */
  readyAt: string;
}

export interface SceneCalls {
  scene: Stored<"scene">;
  calls: readonly DressCall[];
}

export interface DayTotals {
  mics: number;
  colours: Record<CapsuleColour, number>;
  /** By supply, in its own unit; only what is needed. */
  supplies: readonly { supply: SupplyId; amount: number }[];
  minutes: number;
}

export interface DayPlan {
  day: number;
  scenes: readonly SceneCalls[];
  totals: DayTotals;
}

/** Minutes before the camera rolls by which everybody is dressed, for listening and slating. Common practice. */
const READY_BEFORE_MIN = 10;
/** Looking after a rig that carries over, min. Common practice. */
const LOOK_AFTER_MIN = 1;

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

interface Draft {
  wearer: Stored<"wearer">;
  rig: Stored<"rig">;
  plan: RigPlan;
  recipe: Recipe | null;
  carry: CarryOver | null;
  minutes: number;
}

/**
 * Call times backwards from a scene: one pair of hands dresses one person after the other, the longest first, and the
 * last is ready ten minutes before the camera rolls.
 */
function callsBackwards(drafts: readonly Draft[], startsAt: string): DressCall[] {
  let readyAt = minutesOfDay(startsAt) - READY_BEFORE_MIN;
  return [...drafts]
    .sort((one, other) => one.minutes - other.minutes)
    .map((draft): DressCall => {
      const callAt = readyAt - draft.minutes;
      const call = { ...draft, callAt: timeOfDay(callAt), readyAt: timeOfDay(readyAt) };
      readyAt = callAt;
      return call;
    })
    .reverse();
}

function draftsOf(bundle: ShootBundle, sceneId: string, day: number): Draft[] {
  const dayOf = (id: string) => bundle.scenes.find((scene) => scene.id === id)?.body.day;
  return bundle.rigs.flatMap((rig): Draft[] => {
    const wearer = bundle.wearers.find((each) => each.id === rig.body.wearerId);
    if (!wearer || rig.body.sceneId !== sceneId) return [];
    const plan = planRig(wearer.body, rig.body, placeOfRig(bundle, rig.body)?.body ?? null, bundle.kit);
    const recipe = plan.candidate ? recipeFor(plan.candidate, plan.dress) : null;
    const rigs = rigsOfWearer(bundle, wearer.id);
    const before = rigs[rigs.findIndex((each) => each.id === rig.id) - 1];
    const carry = before && dayOf(before.body.sceneId) === day ? carryFromBefore(bundle, rig) : null;
    const minutes = carry?.carries ? LOOK_AFTER_MIN : (recipe?.minutes ?? 0);
    return [{ wearer, rig, plan, recipe, carry, minutes }];
  });
}

function totalsOf(calls: readonly DressCall[]): DayTotals {
  const colours: Record<CapsuleColour, number> = { black: 0, white: 0, beige: 0 };
  const amounts = new Map<SupplyId, number>();
  const wearers = new Set<string>();
  for (const { recipe, carry, wearer } of calls) {
    if (!recipe) continue;
    if (!wearers.has(wearer.id)) colours[recipe.capsule.colour] += 1;
    wearers.add(wearer.id);
    if (carry?.carries) continue;
    for (const { supply, amount } of recipe.materials) amounts.set(supply, (amounts.get(supply) ?? 0) + amount);
  }
  return {
    mics: wearers.size,
    colours,
    supplies: SUPPLY_IDS.flatMap((supply) => {
      const amount = amounts.get(supply);
      return amount === undefined ? [] : [{ supply, amount }];
    }),
    minutes: calls.reduce((sum, call) => sum + call.minutes, 0),
  };
}

/** Who is dressed when on one day of the shoot, and what it takes. */
export function dayPlan(bundle: ShootBundle, day: number): DayPlan {
  const scenes = scenesInOrder(bundle.scenes)
    .filter((scene) => scene.body.day === day)
    .map((scene): SceneCalls => ({
      scene,
      calls: callsBackwards(draftsOf(bundle, scene.id, day), scene.body.startsAt),
    }));
  return { day, scenes, totals: totalsOf(scenes.flatMap((scene) => scene.calls)) };
}

/** Days on which something is planned, in order. */
export function daysOf(bundle: ShootBundle): number[] {
  return [...new Set(bundle.scenes.map((scene) => scene.body.day))].sort((one, other) => one - other);
}
