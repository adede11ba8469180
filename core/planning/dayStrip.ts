import { type Interval, MINUTES_A_DAY, minutesOfDay } from "../schedule";
import { type ShootBundle } from "../records";
import { dayMediaOf } from "./dayMedia";
import { type DayPlan, dayPlan } from "./dayPlan";
import { type NoisyTime, noisyTimes } from "./quietDay";

/** A scene as a stretch of the day. */
export interface StripScene extends Interval {
  id: string;
  title: string;
}

/** Something to be there for, or to be done, at a minute of the day. */
export type StripMoment =
  | { kind: "call"; atMin: number; names: readonly string[] }
  | { kind: "battery"; atMin: number; names: readonly string[] }
  | { kind: "card"; atMin: number; card: number };

/** When it is loud at a place that the day goes to. */
export interface StripPlace {
  id: string;
  name: string;
  noisy: readonly NoisyTime[];
}

export interface DayStripPlan {
  /** Whole hours round everything that is planned, minutes after midnight. */
  within: Interval;
  scenes: readonly StripScene[];
  /** By time; batteries that are due at one moment are one moment. */
  moments: readonly StripMoment[];
  places: readonly StripPlace[];
}

const HOUR_MIN = 60;

/** A call before midnight for a scene after it is of the evening before. */
const minuteBefore = (startMin: number, callMin: number): number =>
  callMin > startMin ? callMin - MINUTES_A_DAY : callMin;

/** Names by the minute they belong to, in the order of the day. */
function byMinute<Item>(items: readonly Item[], minuteOf: (item: Item) => number, nameOf: (item: Item) => string) {
  const names = new Map<number, string[]>();
  for (const item of items) names.set(minuteOf(item), [...(names.get(minuteOf(item)) ?? []), nameOf(item)]);
  return [...names].map(([atMin, all]) => ({ atMin, names: [...new Set(all)] }));
}

/**
 * A day on one strip: scenes, when who is called, when batteries and cards are changed, and when it is loud at its places.
 *
 * `day`: from 1. Null for a day without scenes. Times in minutes after midnight; a scene that lasts past midnight ends beyond
 * 1440. What is changed comes from the plans of cards and batteries (`dayMediaOf`), calls from the plan of the day.
 */
export function dayStrip(bundle: ShootBundle, day: number, plan: DayPlan = dayPlan(bundle, day)): DayStripPlan | null {
  const scenes = plan.scenes.map(({ scene: { id, body } }): StripScene => {
    const fromMin = minutesOfDay(body.startsAt);
    return { id, title: body.title, fromMin, toMin: fromMin + body.lengthMin };
  });
  if (scenes.length === 0) return null;
  const media = dayMediaOf(bundle, day);
  const calls = byMinute(
    plan.scenes.flatMap(({ scene, calls: own }) =>
      own.map(({ callAt, wearer }) => ({
        name: wearer.body.name,
        atMin: minuteBefore(minutesOfDay(scene.body.startsAt), minutesOfDay(callAt)),
      })),
    ),
    ({ atMin }) => atMin,
    ({ name }) => name,
  );
  const batteries = byMinute(
    media.power.flatMap(({ name, swaps }) => swaps.map(({ atMin }) => ({ name, atMin }))),
    ({ atMin }) => atMin,
    ({ name }) => name,
  );
  const moments = [
    ...calls.map((call): StripMoment => ({ kind: "call", ...call })),
    ...batteries.map((battery): StripMoment => ({ kind: "battery", ...battery })),
    ...media.cards.changes.map(({ atMin, card }): StripMoment => ({ kind: "card", atMin, card })),
  ].toSorted((one, other) => one.atMin - other.atMin);
  const used = new Set(plan.scenes.map(({ scene }) => scene.body.placeId));
  const all = [...scenes.flatMap(({ fromMin, toMin }) => [fromMin, toMin]), ...moments.map(({ atMin }) => atMin)];
  return {
    within: {
      fromMin: Math.floor(Math.min(...all) / HOUR_MIN) * HOUR_MIN,
      toMin: Math.ceil(Math.max(...all) / HOUR_MIN) * HOUR_MIN,
    },
    scenes,
    moments,
    places: bundle.places
      .filter(({ id }) => used.has(id))
      .map(({ id, body }) => ({ id, name: body.name, noisy: noisyTimes(body.model) })),
  };
}
