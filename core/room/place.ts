import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema/oneOf";
import { MATERIALS, MATERIAL_IDS, type RoomOctaves } from "./materials";
import { NC_NUMBERS, ncAWeightedDb, ncVoiceBandDb } from "./noiseCriteria";
import { criticalDistanceM, reverberation, type Surface } from "./reverberation";

const material = (title: string) => oneOf(MATERIAL_IDS, title);

const SizeM = (title: string, maximum: number) => Type.Number({ minimum: 1, maximum, title });

/** What is known of a place. In the open the surfaces are kept but not used. */
export const PlaceModel = Type.Object(
  {
    setting: oneOf(["room", "open"], "Setting"),
    lengthM: SizeM("Length", 100),
    widthM: SizeM("Width", 100),
    heightM: SizeM("Height", 30),
    floor: material("Floor"),
    ceiling: material("Ceiling"),
    walls: material("Walls"),
    /** A second wall material: glass, curtain, blankets. */
    otherWall: material("Part of the walls"),
    otherWallM2: Type.Number({ minimum: 0, maximum: 5000, title: "Its area" }),
    noiseNc: oneOf(NC_NUMBERS, "Background noise"),
    windMps: Type.Number({ minimum: 0, maximum: 30, title: "Wind" }),
  },
  { additionalProperties: false },
);
export type PlaceModel = Static<typeof PlaceModel>;

export interface PlaceForecast {
  volumeM3: number | null;
  /** Seconds by octave 125…4k; null in the open. */
  reverberationS: RoomOctaves | null;
  sabineS: RoomOctaves | null;
  eyringS: RoomOctaves | null;
  /** Mean of 500 Hz and 1 kHz, s. */
  midS: number;
  criticalDistanceM: number;
  noiseDb: number;
  noiseDba: number;
  verdict: { echo: Grade; noise: Grade; says: string; advice: string };
}

export type Grade = "good" | "usable" | "poor";

/** A person talking: directivity factor of the mouth around 1 kHz. From memory; an estimate. */
export const TALKER_Q = 2;

function surfacesOf(place: PlaceModel): Surface[] {
  const flatM2 = place.lengthM * place.widthM;
  const wallM2 = 2 * (place.lengthM + place.widthM) * place.heightM;
  const otherM2 = Math.min(place.otherWallM2, wallM2);
  return [
    { areaM2: flatM2, absorption: MATERIALS[place.floor].absorption },
    { areaM2: flatM2, absorption: MATERIALS[place.ceiling].absorption },
    { areaM2: wallM2 - otherM2, absorption: MATERIALS[place.walls].absorption },
    { areaM2: otherM2, absorption: MATERIALS[place.otherWall].absorption },
  ];
}

/** Whole wall area of a box room, m². */
export function wallAreaM2(place: PlaceModel): number {
  return 2 * (place.lengthM + place.widthM) * place.heightM;
}

/** Limits in words: common practice. */
function gradeEcho(midS: number): Grade {
  return midS <= 0.5 ? "good" : midS <= 1 ? "usable" : "poor";
}

function gradeNoise(noiseDba: number): Grade {
  return noiseDba <= 33 ? "good" : noiseDba <= 43 ? "usable" : "poor";
}

function words(echo: Grade, noise: Grade, isOpen: boolean, windMps: number, criticalM: number) {
  const echoSays = isOpen
    ? "No echo out here"
    : { good: "Dry enough", usable: "You will hear the room", poor: "The room swallows the voice" }[echo];
  const noiseSays = {
    good: "it is quiet enough for soft speech",
    usable: "noise shows in the pauses",
    poor: "noise fights the voice",
  }[noise];
  const advice: string[] = [];
  if (!isOpen && echo !== "good")
    advice.push(
      `Keep every microphone well inside ${(criticalM / 2).toFixed(1)} m, and hang blankets or lay rugs before anything else.`,
    );
  if (noise !== "good") advice.push("Shut, switch off or wait out what you can name; go close with the microphone.");
  if (windMps >= 2) advice.push("Wind: cover the capsule before you roll; it cannot be removed later.");
  if (advice.length === 0) advice.push("Any sensible place on the body will do here.");
  return { says: `${echoSays}, and ${noiseSays}.`, advice: advice.join(" ") };
}

/**
 * What a place does to the voice: reverberation, critical distance, noise, and a verdict in words.
 * Sources: see reverberation and noiseCriteria; the verdict's limits are common practice.
 */
export function forecastPlace(place: PlaceModel): PlaceForecast {
  const noiseDb = ncVoiceBandDb(place.noiseNc);
  const noiseDba = ncAWeightedDb(place.noiseNc);
  const isOpen = place.setting === "open";
  const volumeM3 = isOpen ? null : place.lengthM * place.widthM * place.heightM;
  const times = volumeM3 === null ? null : reverberation(volumeM3, surfacesOf(place));
  const midS = times ? (times.chosenS[2] + times.chosenS[3]) / 2 : 0;
  const criticalM = volumeM3 === null ? Infinity : criticalDistanceM(volumeM3, midS, TALKER_Q);
  const echo = gradeEcho(midS);
  const noise = gradeNoise(noiseDba);
  return {
    volumeM3,
    reverberationS: times?.chosenS ?? null,
    sabineS: times?.sabineS ?? null,
    eyringS: times?.eyringS ?? null,
    midS,
    criticalDistanceM: criticalM,
    noiseDb,
    noiseDba,
    verdict: { echo, noise, ...words(echo, noise, isOpen, place.windMps, criticalM) },
  };
}
