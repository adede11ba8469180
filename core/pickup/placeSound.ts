import { BARRIERS, isSteady, SILENCE_DB, sourceDb, sumSpectra, treatedDb } from "../noise";
import {
  airOf,
  baseNoiseDb,
  forecastPlace,
  type MaterialId,
  MATERIALS,
  noiseReverberance,
  noisesOf,
  partsOf,
  type PlaceModel,
  reverberantDb,
  SURFACE_NAMES,
  type SurfaceId,
  TALKER_Q,
  wallsOf,
} from "../room";
import { addOctaves, mapOctaves, type OctaveLevels, speedOfSoundMps } from "../sound";
import { direction, type Vec } from "./space";

/** A flat side that sends sound back: points p with normal·p = offset, the normal into the place. */
export interface Mirror {
  name: string;
  normal: Vec;
  offset: number;
  /** Energy sent back in the middle octaves, 0…1. */
  sendsBack: number;
}

/** A noise inside the place, as a point. */
export interface LocalNoise {
  at: Vec;
  at1mDb: OctaveLevels;
}

/** What is the same for every microphone in one place, worked out once. */
export interface PlaceSound {
  isOpen: boolean;
  reverberationS: OctaveLevels;
  /** Room sound of a talker re their voice at 1 m in front, dB by octave; −∞ in the open. */
  reverberantDb: OctaveLevels;
  /** Noise from all round, dB SPL by octave. */
  diffuseNoiseDb: OctaveLevels;
  localNoises: readonly LocalNoise[];
  mirrors: readonly Mirror[];
  speedMps: number;
  /** 0 indoors. */
  windMps: number;
  isVehicle: boolean;
}

/** Height at which noises in a place are taken to sit, m. Common practice. */
const NOISE_HEIGHT_M = 1.2;

function sendsBackOf(material: MaterialId): number {
  const { absorption } = MATERIALS[material];
  return 1 - (absorption[2] + absorption[3] + absorption[4]) / 3;
}

/** The largest part of each side speaks for it. */
function mirrorsOf(place: PlaceModel): Mirror[] {
  const parts = partsOf(place);
  const made = (surface: SurfaceId): number => {
    const largest = parts.filter((part) => part.surface === surface).sort((a, b) => b.areaM2 - a.areaM2)[0];
    return largest ? sendsBackOf(largest.material) : 0;
  };
  const floor: Mirror = { name: "floor", normal: [0, 0, 1], offset: 0, sendsBack: sendsBackOf(place.floor) };
  if (place.setting === "open") return [floor];
  const ceiling: Mirror = {
    name: "ceiling",
    normal: [0, 0, -1],
    offset: -place.heightM,
    sendsBack: made("ceiling"),
  };
  const walls = wallsOf(place).map(({ surface, from, to }): Mirror => {
    const size = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
    // Walls run against the clock: inside is on their left.
    const normal: Vec = [-(to[1] - from[1]) / size, (to[0] - from[0]) / size, 0];
    return {
      name: SURFACE_NAMES[surface],
      normal,
      offset: normal[0] * from[0] + normal[1] * from[1],
      sendsBack: made(surface),
    };
  });
  return [{ ...floor, sendsBack: made("floor") }, ceiling, ...walls];
}

/** By the model it was made of: models are never changed in place, and a drag asks again at every move. */
const remembered = new WeakMap<PlaceModel, PlaceSound>();

/** Prepares a place for microphones: room sound, noise from all round and from points, sides that send back. */
export function placeSound(place: PlaceModel): PlaceSound {
  const known = remembered.get(place);
  if (known) return known;
  const sound = prepare(place);
  remembered.set(place, sound);
  return sound;
}

function prepare(place: PlaceModel): PlaceSound {
  const forecast = forecastPlace(place);
  const { volumeM3, octavesS } = forecast;
  const times = octavesS ?? mapOctaves(() => 0);
  const reverberant = noiseReverberance(volumeM3, octavesS);
  const middle: Vec = [place.lengthM / 2, place.widthM / 2, NOISE_HEIGHT_M];
  const isMeasured = place.tone?.isCalibrated ?? false;
  const steady = isMeasured ? [] : noisesOf(place).filter(isSteady);
  const inside = steady.filter(({ barrier }) => barrier === "none");
  const at1m = (source: (typeof steady)[number]): OctaveLevels =>
    treatedDb({ ...source, distanceM: 1, barrier: "none", levelDba: null });
  /** What a read level lifts a noise by over its kind's estimate. */
  const lift = (source: (typeof steady)[number]): OctaveLevels => {
    if (source.levelDba === null) return mapOctaves(() => 0);
    const read = sourceDb(source, reverberant);
    const typical = sourceDb({ ...source, levelDba: null }, reverberant);
    return mapOctaves((band) => read[band]! - typical[band]!);
  };
  const localNoises = inside.map((source): LocalNoise => {
    const way = direction(source.bearingDeg);
    return {
      at: [middle[0] + way[0] * source.distanceM, middle[1] + way[1] * source.distanceM, middle[2]],
      at1mDb: addOctaves(at1m(source), lift(source)),
    };
  });
  const diffuse = [
    baseNoiseDb(place),
    ...steady.filter(({ barrier }) => BARRIERS[barrier].id !== "none").map((source) => treatedDb(source, reverberant)),
    ...localNoises.map(({ at1mDb }) => (volumeM3 === null ? SILENCE_DB : addOctaves(at1mDb, reverberant))),
  ];
  return {
    isOpen: volumeM3 === null,
    reverberationS: times,
    reverberantDb: reverberantDb(volumeM3, times, TALKER_Q),
    diffuseNoiseDb: sumSpectra(diffuse),
    localNoises,
    mirrors: mirrorsOf(place),
    speedMps: speedOfSoundMps(airOf(place).temperatureC),
    windMps: volumeM3 === null ? place.windMps : 0,
    isVehicle: place.setting === "vehicle",
  };
}
