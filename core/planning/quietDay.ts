import { isSteady, type NoiseSource, sourceName, treatedDb } from "../noise";
import { forecastPlace, noiseReverberance, noisesOf, type PlaceModel } from "../room";
import {
  bestOrder,
  type DayOrder,
  gapsBetween,
  type Interruptions,
  interruptionsOf,
  type Interval,
  lengthOf,
  MINUTES_A_DAY,
  minutesOfDay,
  overlaps,
  type PlacedScene,
  recordAt,
  type SceneWish,
} from "../schedule";
import { aWeightedDb } from "../sound";
import { scenesInOrder, type ShootBundle, type Stored } from "../records";

/** A stretch in which a noise is heard. */
export interface NoisyTime extends Interval {
  says: string;
  dba: number;
}

/** A noise counts when it is at least as loud as what is there anyway. Common practice. */
function isHeard(source: NoiseSource, dba: number, steadyDba: number): boolean {
  return !isSteady(source) && dba >= steadyDba;
}

/** The noises of a place that come and go, as they are heard where the voice is. */
function heardNoises(model: PlaceModel): { source: NoiseSource; dba: number }[] {
  const { volumeM3, octavesS, noiseDba } = forecastPlace(model);
  const reverberant = noiseReverberance(volumeM3, octavesS);
  return noisesOf(model)
    .map((source) => {
      // Waiting it out takes nothing away: it is what this schedule is for.
      const now = source.remedy === "wait" ? { ...source, isDone: false } : source;
      return { source, dba: aWeightedDb(treatedDb(now, reverberant)) };
    })
    .filter(({ source, dba }) => isHeard(source, dba, noiseDba));
}

/** When a place is not quiet, by its noises with known times. */
export function noisyTimes(model: PlaceModel): NoisyTime[] {
  return heardNoises(model)
    .filter(({ source }) => source.occurs === "schedule")
    .flatMap(({ source, dba }) =>
      source.times.flatMap(({ from, minutes }) => {
        const fromMin = minutesOfDay(from);
        const time = { says: sourceName(source), dba, fromMin, toMin: fromMin + minutes };
        const isPastMidnight = time.toMin > MINUTES_A_DAY;
        return isPastMidnight
          ? [time, { ...time, fromMin: fromMin - MINUTES_A_DAY, toMin: time.toMin - MINUTES_A_DAY }]
          : [time];
      }),
    )
    .sort((one, other) => one.fromMin - other.fromMin);
}

/** One scene of a day against the noises of its place. */
export interface QuietScene {
  scene: Stored<"scene">;
  place: Stored<"place"> | null;
  noisy: readonly NoisyTime[];
  /** As it is planned, waiting where it must; null when it does not fit into the day from there. */
  planned: PlacedScene | null;
  /** Noises that fall into it as it is meant. */
  conflicts: readonly NoisyTime[];
  longestRun: Interval | null;
  interruptions: Interruptions;
}

export interface QuietDay {
  day: number;
  within: Interval;
  scenes: readonly QuietScene[];
  best: DayOrder;
  moveMin: number;
}

export interface QuietDayWishes {
  within: Interval;
  moveMin: number;
  /** Scenes that stay where they are. */
  fixed: readonly string[];
}

/** From eight to seven, a quarter of an hour between places. Common practice. */
export const USUAL_DAY: QuietDayWishes = { within: { fromMin: 480, toMin: 1140 }, moveMin: 15, fixed: [] };

function wishOf({ id, body }: Stored<"scene">, noisy: readonly NoisyTime[], wishes: QuietDayWishes): SceneWish {
  return {
    id,
    lengthMin: body.lengthMin,
    takeMin: body.takeMin,
    placeId: body.placeId ?? id,
    earliestMin: wishes.within.fromMin,
    latestMin: wishes.within.toMin,
    fixedAtMin: wishes.fixed.includes(id) ? minutesOfDay(body.startsAt) : null,
    blocked: noisy,
  };
}

/** Scenes of one day against the noises of their places: what crosses them, and the best order. */
export function quietDay(bundle: ShootBundle, day: number, wishes: QuietDayWishes = USUAL_DAY): QuietDay {
  const { within } = wishes;
  const scenes = scenesInOrder(bundle.scenes).filter(({ body }) => body.day === day);
  const parts = scenes.map((scene) => {
    const place = bundle.places.find(({ id }) => id === scene.body.placeId) ?? null;
    const noisy = place ? noisyTimes(place.body.model) : [];
    return { scene, place, noisy, wish: wishOf(scene, noisy, wishes) };
  });
  return {
    day,
    within,
    moveMin: wishes.moveMin,
    best: bestOrder({ scenes: parts.map(({ wish }) => wish), day: within, moveMin: wishes.moveMin }),
    scenes: parts.map(({ scene, place, noisy, wish }): QuietScene => {
      const startMin = minutesOfDay(scene.body.startsAt);
      const meant = { fromMin: startMin, toMin: startMin + scene.body.lengthMin };
      const runs = gapsBetween(noisy, within);
      return {
        scene,
        place,
        noisy,
        planned: recordAt(wish, startMin, within),
        conflicts: noisy.filter((time) => overlaps(time, meant)),
        longestRun: runs.reduce<Interval | null>(
          (best, run) => (best === null || lengthOf(run) > lengthOf(best) ? run : best),
          null,
        ),
        interruptions: interruptionsOf(
          scene.body.takeMin,
          place
            ? heardNoises(place.body.model)
                .filter(({ source }) => source.occurs === "comes" && !source.isDone)
                .map(({ source }) => source)
            : [],
        ),
      };
    }),
  };
}
