import type { Message } from "../message";
import { gapsBetween, lengthOf, type Interval } from "./intervals";

/** A scene as the scheduler sees it. */
export interface SceneWish {
  id: string;
  /** Sound that is wanted clean, and the longest take of it, min; a clean stretch shorter than a take is of no use. */
  lengthMin: number;
  takeMin: number;
  /** Where it is; going elsewhere takes time. */
  placeId: string;
  /** Not before and not after, minutes after midnight. */
  earliestMin: number;
  latestMin: number;
  /** It starts then or not at all; null: it may move. */
  fixedAtMin: number | null;
  /** When its place is not quiet. */
  blocked: readonly Interval[];
}

export interface PlacedScene extends Interval {
  id: string;
  /** When it is recorded; between them it waits for quiet. */
  runs: readonly Interval[];
  waitsMin: number;
}

/** Why a scene has no time. Minutes; `atMin` after midnight. */
export type ScheduleCatalogue = {
  "schedule.fixedInNoise": { atMin: number };
  "schedule.takeTooLong": { needsMin: number; longestMin: number };
  "schedule.tooLittleQuiet": { needsMin: number; hasMin: number };
  "schedule.dayFull": object;
};
export type ScheduleMessage = Message<ScheduleCatalogue>;

export interface DayOrder {
  placed: readonly PlacedScene[];
  left: readonly { id: string; says: ScheduleMessage }[];
  /** When the last scene is done; the day's beginning when there is none. */
  finishMin: number;
  /** Whether no other order does better; false when there were too many scenes to try them all. */
  isProved: boolean;
}

export interface DayOrderInput {
  scenes: readonly SceneWish[];
  day: Interval;
  /** What going to another place takes, min. */
  moveMin: number;
}

/** Up to this many scenes every order is weighed. */
export const MOST_EXACT = 13;
/** Beyond it, so many of the best half-made orders are followed. */
const BEAM = 400;

/** A scene with its clean stretches. */
interface Wish extends SceneWish {
  gaps: readonly Interval[];
}

const EPSILON = 1e-9;

function quietGaps({ blocked, earliestMin, latestMin }: SceneWish, day: Interval): Interval[] {
  return gapsBetween(blocked, {
    fromMin: Math.max(day.fromMin, earliestMin),
    toMin: Math.min(day.toMin, latestMin),
  });
}

/** Records a scene from a moment on, in its clean stretches; null when it does not fit any more. */
function record(scene: Wish, fromMin: number): PlacedScene | null {
  const take = Math.min(scene.takeMin, scene.lengthMin);
  const begin = scene.fixedAtMin ?? fromMin;
  if (begin < fromMin - EPSILON) return null;
  const runs: Interval[] = [];
  let wanted = scene.lengthMin;
  for (const gap of scene.gaps) {
    const start = Math.max(gap.fromMin, begin);
    // The last run may be shorter than a take: what is left of the scene, in a gap of any length that holds it.
    const least = Math.min(take, wanted);
    if (gap.toMin - start < least - EPSILON) continue;
    const used = Math.min(gap.toMin - start, wanted);
    runs.push({ fromMin: start, toMin: start + used });
    wanted -= used;
    if (wanted <= EPSILON) break;
  }
  const [first] = runs;
  if (wanted > EPSILON || !first) return null;
  if (scene.fixedAtMin !== null && first.fromMin > scene.fixedAtMin + EPSILON) return null;
  const toMin = runs.at(-1)!.toMin;
  return { id: scene.id, fromMin: first.fromMin, toMin, runs, waitsMin: toMin - first.fromMin - scene.lengthMin };
}

/** A half-made order: which scenes are in it, when the last is done, and how it came about. */
interface Draft {
  done: number;
  last: number;
  finishMin: number;
  placed: PlacedScene | null;
  before: Draft | null;
}

function nextDrafts(draft: Draft, wishes: readonly Wish[], moveMin: number): Draft[] {
  return wishes.flatMap((wish, index) => {
    if (draft.done & (1 << index)) return [];
    const isElsewhere = draft.last >= 0 && wishes[draft.last]!.placeId !== wish.placeId;
    const placed = record(wish, draft.finishMin + (isElsewhere ? moveMin : 0));
    return placed
      ? [{ done: draft.done | (1 << index), last: index, finishMin: placed.toMin, placed, before: draft }]
      : [];
  });
}

/**
 * Follows all orders scene by scene. Of those with the same scenes done and the same last one, only the one that is done
 * first can be the best: starting a scene earlier never ends it later. So keeping that one loses nothing.
 */
function followOrders(start: Draft, wishes: readonly Wish[], moveMin: number, width: number): Draft {
  let best = start;
  let drafts: Draft[] = [start];
  while (drafts.length > 0) {
    const byState = new Map<number, Draft>();
    for (const draft of drafts)
      for (const next of nextDrafts(draft, wishes, moveMin)) {
        const state = next.done * 32 + next.last;
        const known = byState.get(state);
        if (!known || next.finishMin < known.finishMin - EPSILON) byState.set(state, next);
      }
    drafts = [...byState.values()];
    if (drafts.length > width) drafts = drafts.sort((one, other) => one.finishMin - other.finishMin).slice(0, width);
    // Each round has one scene more than the one before: the latest round's earliest finish is the best so far.
    for (const [index, draft] of drafts.entries())
      if (index === 0 || draft.finishMin < best.finishMin - EPSILON) best = draft;
  }
  return best;
}

function whyLeft(wish: Wish, day: Interval): ScheduleMessage {
  const take = Math.min(wish.takeMin, wish.lengthMin);
  const runs = gapsBetween(wish.blocked, day);
  const longest = Math.max(0, ...runs.map(lengthOf));
  if (wish.fixedAtMin !== null && !record(wish, day.fromMin))
    return { code: "schedule.fixedInNoise", atMin: wish.fixedAtMin };
  if (longest < take)
    return { code: "schedule.takeTooLong", needsMin: Math.ceil(take), longestMin: Math.floor(longest) };
  const whole = wish.gaps.reduce((sum, gap) => sum + (lengthOf(gap) >= take - EPSILON ? lengthOf(gap) : 0), 0);
  if (!record({ ...wish, fixedAtMin: null }, day.fromMin))
    return { code: "schedule.tooLittleQuiet", needsMin: Math.ceil(wish.lengthMin), hasMin: Math.floor(whole) };
  return { code: "schedule.dayFull" };
}

/**
 * Order and times of a day's scenes: as many as possible, none of them while its place is noisy, done as early as possible.
 *
 * Up to {@link MOST_EXACT} scenes the answer is the best there is (dynamic programming over the scenes done and the last one,
 * Held & Karp 1962); beyond that a beam search that says so. Minutes after midnight, at most 30 scenes, else RangeError.
 */
export function bestOrder({ scenes, day, moveMin }: DayOrderInput): DayOrder {
  if (scenes.length > 30) throw new RangeError("More than 30 scenes");
  const wishes = scenes.map((scene): Wish => ({ ...scene, gaps: quietGaps(scene, day) }));
  const start: Draft = { done: 0, last: -1, finishMin: day.fromMin, placed: null, before: null };
  const isProved = scenes.length <= MOST_EXACT;
  const best = followOrders(start, wishes, moveMin, isProved ? Infinity : BEAM);
  const placed: PlacedScene[] = [];
  for (let draft: Draft | null = best; draft?.placed; draft = draft.before) placed.unshift(draft.placed);
  const left = wishes
    .filter(({ id }) => !placed.some((each) => each.id === id))
    .map((wish) => ({ id: wish.id, says: whyLeft(wish, day) }));
  return { placed, left, finishMin: best.finishMin, isProved };
}

/** A scene at the time it is planned for, and what crosses it. */
export function recordAt(scene: SceneWish, startMin: number, day: Interval): PlacedScene | null {
  return record({ ...scene, fixedAtMin: null, gaps: quietGaps(scene, day) }, startMin);
}
