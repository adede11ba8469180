import { isSteady, type NoiseSource, type Reverberant, SILENCE_DB, sumSpectra, treatedDb } from "../noise";
import { aWeightedDb, mapOctaves, type OctaveLevels, overallDb } from "../sound";
import { FURNISHINGS } from "./furnishings";
import { MATERIALS, type MaterialId, type RoomOctaves } from "./materials";
import { measuredTimes } from "./measuredTimes";
import { ncOctavesDb } from "./noiseCriteria";
import { airOf, type PlaceModel } from "./placeModel";
import { byRoomOctave, criticalDistanceM, reverberation, withEightKHz, type Reverberation } from "./reverberation";
import { surfaceAreaM2, surfacesOf, volumeM3, type SurfaceId } from "./shape";
import { TREATMENTS } from "./treatmentKinds";
import { verdictOn, type RoomVerdict } from "./roomVerdict";

/** A person talking: directivity factor of the mouth around 1 kHz. From memory; an estimate. */
export const TALKER_Q = 2;

/** A part of a side with what it is made of, as it is with the treatments up. */
export interface SurfacePart {
  surface: SurfaceId;
  material: MaterialId;
  areaM2: number;
}

/** All parts of all sides: patches, what is left of each side, and what hangs or lies over them. */
export function partsOf(place: PlaceModel): SurfacePart[] {
  const parts = surfacesOf(place).flatMap((surface): SurfacePart[] => {
    let leftM2 = surfaceAreaM2(place, surface);
    const patches = place.patches
      .filter((patch) => patch.surface === surface)
      .map(({ material, areaM2 }) => {
        const takenM2 = Math.min(areaM2, leftM2);
        leftM2 -= takenM2;
        return { surface, material, areaM2: takenM2 };
      });
    const base = surface === "floor" ? place.floor : surface === "ceiling" ? place.ceiling : place.walls;
    return [...patches, { surface, material: base, areaM2: leftM2 }];
  });
  for (const { kind, surface, over, count } of place.treatments) {
    const { covers } = TREATMENTS[kind];
    if (!covers || !surface) continue;
    let leftM2 = covers.areaM2 * count;
    for (const part of parts.filter((each) => each.surface === surface && (over === null || each.material === over))) {
      const takenM2 = Math.min(part.areaM2, leftM2);
      part.areaM2 -= takenM2;
      leftM2 -= takenM2;
      if (takenM2 > 0) parts.push({ surface, material: covers.material, areaM2: takenM2 });
    }
  }
  return parts.filter(({ areaM2 }) => areaM2 > 1e-9);
}

/** Absorption area of what stands in a room, m² by octave 125…4k. */
function objectsM2(place: PlaceModel): RoomOctaves {
  const pieces = [
    ...place.furnishings.map(({ kind, count }) => ({ kind, count })),
    ...place.treatments.flatMap(({ kind, count }) => {
      const { brings } = TREATMENTS[kind];
      return brings ? [{ kind: brings, count }] : [];
    }),
  ];
  return byRoomOctave((band) =>
    pieces.reduce((sum, { kind, count }) => sum + count * FURNISHINGS[kind].areaM2[band]!, 0),
  );
}

/** Reverberation as it is planned from shape, materials and what is in the room; null in the open. */
export function plannedEcho(place: PlaceModel): Reverberation | null {
  if (place.setting === "open") return null;
  const surfaces = partsOf(place).map(({ material, areaM2 }) => ({
    areaM2,
    absorption: MATERIALS[material].absorption,
  }));
  return reverberation(volumeM3(place), surfaces, objectsM2(place), airOf(place));
}

/** Mean of 500 Hz and 1 kHz. */
export function midOf(times: RoomOctaves): number {
  return (times[2] + times[3]) / 2;
}

/** Reverberant sound re a source's own at 1 m, dB by octave 125…8k; Q as for {@link criticalDistanceM}. */
export function reverberantDb(
  volume: number | null,
  reverberationS: OctaveLevels,
  directivityFactor: number,
): Reverberant {
  if (volume === null) return mapOctaves(() => -Infinity);
  return mapOctaves((band) => -20 * Math.log10(criticalDistanceM(volume, reverberationS[band]!, directivityFactor)));
}

export interface PlaceForecast {
  volumeM3: number | null;
  /** Seconds by octave 125…4k, measured where a clap was; null in the open. */
  reverberationS: RoomOctaves | null;
  /** The same by octave 125…8k, and as it would be without the clap; null in the open. */
  octavesS: OctaveLevels | null;
  plannedOctavesS: OctaveLevels | null;
  sabineS: RoomOctaves | null;
  eyringS: RoomOctaves | null;
  /** As it would be without the clap; null in the open. */
  plannedS: RoomOctaves | null;
  isEchoProved: boolean;
  /** Mean of 500 Hz and 1 kHz, s. */
  midS: number;
  criticalDistanceM: number;
  /** What is there all the time, dB SPL by octave 125…8k. */
  noiseOctavesDb: OctaveLevels;
  isNoiseProved: boolean;
  noiseDb: number;
  noiseDba: number;
  verdict: RoomVerdict;
}

/** The noise that stays when no listed one is heard: measured, its colour measured, or the NC curve. */
export function baseNoiseDb({ tone, noiseNc }: PlaceModel): OctaveLevels {
  const nc = ncOctavesDb(noiseNc);
  const curve = mapOctaves((band) => nc[band + 1]!);
  if (!tone) return curve;
  const measured = mapOctaves((band) => tone.octavesDb[band]!);
  if (tone.isCalibrated) return measured;
  const liftDb = aWeightedDb(curve) - aWeightedDb(measured);
  return mapOctaves((band) => measured[band]! + liftDb);
}

/**
 * The noises of a place as they come in. What is farther away than the room is long cannot be in it: unless it is said how it
 * comes in, it comes through an open window.
 */
export function noisesOf(place: PlaceModel): NoiseSource[] {
  if (place.setting === "open") return place.sources;
  const diagonalM = Math.hypot(place.lengthM, place.widthM, place.heightM);
  return place.sources.map((source) =>
    source.barrier === "none" && source.distanceM > diagonalM ? { ...source, barrier: "openWindow" } : source,
  );
}

/**
 * What is there all the time, dB SPL by octave 125…8k: the base and the steady noises with what was done about them. A
 * calibrated room tone has the steady noises in it already.
 */
export function steadyNoiseDb(place: PlaceModel, reverberant: Reverberant = SILENCE_DB): OctaveLevels {
  const base = baseNoiseDb(place);
  if (place.tone?.isCalibrated) return base;
  return sumSpectra([
    base,
    ...noisesOf(place)
      .filter(isSteady)
      .map((source) => treatedDb(source, reverberant)),
  ]);
}

/** Reverberant sound of a noise that radiates all round, dB re its level at 1 m. */
export function noiseReverberance(volume: number | null, octavesS: OctaveLevels | null): Reverberant {
  return octavesS === null ? SILENCE_DB : reverberantDb(volume, octavesS, 1);
}

/** Forecasts by the model they were made of: models are never changed in place. */
const remembered = new WeakMap<PlaceModel, PlaceForecast>();

/**
 * What a place does to the voice: reverberation, critical distance, noise, and a verdict in words.
 * Sources: see reverberation, noiseCriteria and clap; the verdict's limits are common practice.
 */
export function forecastPlace(place: PlaceModel): PlaceForecast {
  const known = remembered.get(place);
  if (known) return known;
  const forecast = workOut(place);
  remembered.set(place, forecast);
  return forecast;
}

function workOut(place: PlaceModel): PlaceForecast {
  const planned = plannedEcho(place);
  const volume = planned ? volumeM3(place) : null;
  const plannedS = planned?.chosenS ?? null;
  const times = plannedS && place.echo ? measuredTimes(place.echo, plannedS) : plannedS;
  const midS = times ? midOf(times) : 0;
  const criticalM = volume === null ? Infinity : criticalDistanceM(volume, midS, TALKER_Q);
  const air = airOf(place);
  const octavesS = times && withEightKHz(times, air);
  const noiseOctavesDb = steadyNoiseDb(place, noiseReverberance(volume, octavesS));
  const noiseDba = aWeightedDb(noiseOctavesDb);
  return {
    volumeM3: volume,
    reverberationS: times,
    octavesS,
    plannedOctavesS: plannedS && withEightKHz(plannedS, air),
    sabineS: planned?.sabineS ?? null,
    eyringS: planned?.eyringS ?? null,
    plannedS,
    isEchoProved: times !== null && place.echo !== null,
    midS,
    criticalDistanceM: criticalM,
    noiseOctavesDb,
    isNoiseProved: place.tone?.isCalibrated ?? false,
    noiseDb: overallDb(noiseOctavesDb),
    noiseDba,
    verdict: verdictOn({
      midS,
      noiseDba,
      isOpen: volume === null,
      windMps: place.windMps,
      criticalM,
      lowsS: times ? times[0] : 0,
      passing: place.sources.filter((source) => !isSteady(source) && !source.isDone).length,
    }),
  };
}
