import type { CapsuleColour } from "../devices";
import { minutesOfDay, timeOfDay } from "../schedule";
import { type Recipe, recipeFor, SUPPLY_IDS, type SupplyId } from "../dress";
import { carryOver, type CarryOver, type RigFacts } from "./carryOver";
import { placeOfRig, planRig, type RigPlan } from "./planRig";
import { rigFactsOf } from "./rigHistory";
import { scenesInOrder, type ShootBundle, type Stored } from "../records";

/** One wearer in one scene of a day, before it is known when. */
interface Draft {
  wearer: Stored<"wearer">;
  rig: Stored<"rig">;
  plan: RigPlan;
  recipe: Recipe | null;
  /** Against the wearer's scene before on the same day; null for the first. */
  carry: CarryOver | null;
  /** Minutes that rigging (or looking after a rig that carries over) takes. */
  minutes: number;
}

/** The same with its times. */
export interface DressCall extends Draft {
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

function draftOf(bundle: ShootBundle, wearer: Stored<"wearer">, rig: Stored<"rig">, before: RigFacts | null): Draft {
  const place = placeOfRig(bundle, rig.body);
  const plan = planRig(wearer.body, rig.body, place?.body ?? null, bundle.kit);
  const recipe = plan.candidate ? recipeFor(plan.candidate, plan.dress) : null;
  const now = rigFactsOf(bundle, rig);
  const carry = before && now ? carryOver(before, now) : null;
  return { wearer, rig, plan, recipe, carry, minutes: carry?.carries ? LOOK_AFTER_MIN : (recipe?.minutes ?? 0) };
}

/** Every wearer's rigs of one day, each against the one before on that day. */
function draftsOfDay(bundle: ShootBundle, day: number): Draft[] {
  const scenes = scenesInOrder(bundle.scenes).filter((scene) => scene.body.day === day);
  const order = new Map(scenes.map((scene, index) => [scene.id, index]));
  const rigsBy = new Map<string, Stored<"rig">[]>();
  for (const rig of bundle.rigs) {
    if (!order.has(rig.body.sceneId)) continue;
    rigsBy.set(rig.body.wearerId, [...(rigsBy.get(rig.body.wearerId) ?? []), rig]);
  }
  return bundle.wearers.flatMap((wearer) => {
    let before: RigFacts | null = null;
    return (rigsBy.get(wearer.id) ?? [])
      .sort((one, other) => order.get(one.body.sceneId)! - order.get(other.body.sceneId)!)
      .map((rig) => {
        const draft = draftOf(bundle, wearer, rig, before);
        before = rigFactsOf(bundle, rig);
        return draft;
      });
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
  const drafts = draftsOfDay(bundle, day);
  const scenes = scenesInOrder(bundle.scenes)
    .filter((scene) => scene.body.day === day)
    .map((scene): SceneCalls => ({
      scene,
      calls: callsBackwards(
        drafts.filter((draft) => draft.rig.body.sceneId === scene.id),
        scene.body.startsAt,
      ),
    }));
  return { day, scenes, totals: totalsOf(scenes.flatMap((scene) => scene.calls)) };
}

/** Days on which something is planned, in order. */
export function daysOf(bundle: ShootBundle): number[] {
  return [...new Set(bundle.scenes.map((scene) => scene.body.day))].sort((one, other) => one - other);
}
