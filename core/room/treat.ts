import type { Pieces, RoomMessage } from "./messages";
import { midOf, partsOf, plannedEcho } from "./place";
import { MATERIALS, type MaterialId } from "./materials";
import type { PlaceModel, Treatment } from "./placeModel";
import { gradeEcho } from "./roomVerdict";
import { SURFACE_NAMES, type SurfaceId } from "./shape";
import { TREATMENTS, TREATMENT_IDS, type TreatmentId } from "./treatmentKinds";

/** One more piece of a treatment at one place, and what it saves. */
export interface TreatmentGain {
  kind: TreatmentId;
  surface: SurfaceId | null;
  over: MaterialId | null;
  /** Mean of 500 Hz and 1 kHz, s: what is left, and what it saves by itself. */
  midS: number;
  savedS: number;
  /** Seconds saved for each blanket's worth of carrying. */
  savedPerCarryS: number;
}

/** The place with one more piece of a treatment. */
export function withTreatment(place: PlaceModel, { kind, surface, over }: Omit<Treatment, "count">): PlaceModel {
  const known = place.treatments.find((each) => each.kind === kind && each.surface === surface && each.over === over);
  const treatments = known
    ? place.treatments.map((each) => (each === known ? { ...each, count: each.count + 1 } : each))
    : [...place.treatments, { kind, surface, over, count: 1 }];
  return { ...place, treatments };
}

/** A piece must find at least this share of its size free. */
const LEAST_SHARE = 0.5;

function spotsFor(kind: TreatmentId, place: PlaceModel): { surface: SurfaceId | null; over: MaterialId | null }[] {
  const { covers } = TREATMENTS[kind];
  if (!covers) return [{ surface: null, over: null }];
  return partsOf(place)
    .filter(({ surface, material, areaM2 }) => {
      const isRight = covers.on === "floor" ? surface === "floor" : surface !== "floor" && surface !== "ceiling";
      return isRight && material !== covers.material && material !== "openAir" && areaM2 >= LEAST_SHARE * covers.areaM2;
    })
    .map(({ surface, material }) => ({ surface, over: material }));
}

/**
 * What one more piece of each treatment would save, by seconds of echo for each blanket's worth of carrying.
 * Empty in the open. Works on the forecast: a clap measures what is, not what would be.
 */
export function rankTreatments(place: PlaceModel): TreatmentGain[] {
  const now = plannedEcho(place);
  if (!now) return [];
  const before = midOf(now.chosenS);
  return TREATMENT_IDS.flatMap((kind) =>
    spotsFor(kind, place).map((spot): TreatmentGain => {
      const midS = midOf(plannedEcho(withTreatment(place, { kind, ...spot }))!.chosenS);
      const savedS = before - midS;
      return { kind, ...spot, midS, savedS, savedPerCarryS: savedS / TREATMENTS[kind].carry };
    }),
  )
    .filter(({ savedS }) => savedS > 0)
    .sort((one, other) => other.savedPerCarryS - one.savedPerCarryS);
}

/** So many pieces of a treatment, by name: what is to be said of them. */
export function piecesOf({ kind, surface, over }: Omit<Treatment, "count">, count = 1): Pieces {
  const { name, plural } = TREATMENTS[kind];
  return {
    ...{ name, plural, count },
    surface: surface && SURFACE_NAMES[surface],
    over: over && MATERIALS[over].name.split(",")[0]!,
  };
}

export interface TreatmentPlan {
  /** In the order of doing, each with what is left after it, s. */
  steps: readonly (TreatmentGain & { afterS: number })[];
  beforeS: number;
  afterS: number;
  says: RoomMessage;
}

const MOST_STEPS = 12;
/** "Most of it": this share of what all steps together save. */
const MOST_OF_IT = 0.6;
/** A piece that saves less is not worth its carrying, s. */
const LEAST_SAVED_S = 0.02;

/** Steps put together: as many pieces on each surface. */
function gathered(steps: readonly TreatmentGain[]): Pieces[] {
  const groups: { step: TreatmentGain; count: number }[] = [];
  for (const step of steps) {
    const known = groups.find(({ step: { kind, surface } }) => kind === step.kind && surface === step.surface);
    if (known) known.count += 1;
    else groups.push({ step, count: 1 });
  }
  return groups.map(({ step, count }) => piecesOf({ ...step, over: null }, count));
}

/**
 * The cheapest pieces one after the other, until the room is dry or nothing helps.
 * Greedy: each step takes what saves most for its carrying in the room as it then is.
 */
export function planTreatments(place: PlaceModel, allowed: readonly TreatmentId[] = ["blanket", "rug"]): TreatmentPlan {
  const echo = plannedEcho(place);
  const beforeS = echo ? midOf(echo.chosenS) : 0;
  if (!echo || gradeEcho(beforeS) === "good")
    return { steps: [], beforeS, afterS: beforeS, says: { code: "room.dryEnough" } };
  const steps: (TreatmentGain & { afterS: number })[] = [];
  let now = place;
  while (steps.length < MOST_STEPS) {
    const best = rankTreatments(now).find(({ kind }) => allowed.includes(kind));
    if (!best || best.savedS < LEAST_SAVED_S) break;
    now = withTreatment(now, best);
    steps.push({ ...best, afterS: best.midS });
    if (gradeEcho(best.midS) === "good") break;
  }
  const afterS = steps.at(-1)?.afterS ?? beforeS;
  if (steps.length === 0) return { steps, beforeS, afterS, says: { code: "room.nothingHelps" } };
  const enough = steps.findIndex((step) => beforeS - step.afterS >= MOST_OF_IT * (beforeS - afterS)) + 1;
  const first = steps.slice(0, enough);
  const isAll = enough === steps.length;
  const says: RoomMessage = {
    ...{ code: "room.treatments", pieces: gathered(first), isAll, beforeS, afterS: first.at(-1)!.afterS },
  };
  return { steps, beforeS, afterS, says };
}
