import { type Air, airEnergyLossPerM, mapOctaves, type OctaveLevels, ROOM_AIR } from "../sound";
import { ROOM_OCTAVES_HZ, type RoomOctaves } from "./materials";

export interface Surface {
  areaM2: number;
  absorption: RoomOctaves;
}

export interface Reverberation {
  /** Seconds by octave 125…4k. */
  sabineS: RoomOctaves;
  eyringS: RoomOctaves;
  /** Eyring where the mean absorption is above 0.2, else Sabine. */
  chosenS: RoomOctaves;
  meanAbsorption: RoomOctaves;
}

/** Nothing stands in the room. */
const EMPTY: RoomOctaves = [0, 0, 0, 0, 0, 0];

const SABINE_CONSTANT = 0.161;
/** Mean absorption above which Sabine's formula is known to over-read. Common practice. */
const EYRING_FROM = 0.2;

export function byRoomOctave(compute: (band: number) => number): RoomOctaves {
  return [compute(0), compute(1), compute(2), compute(3), compute(4), compute(5)];
}

/**
 * Reverberation time of a room by octave 125…4k, s.
 *
 * Volume > 0 m³, areas > 0 m²; `objectsM2` is the absorption area of people and furniture, m² by octave. Fully open space
 * tends to 0. Source: Sabine T = 0.161·V/(A + 4mV); Eyring with −S·ln(1 − ᾱ) for A, objects added to either; m from
 * ISO 9613-1. Typical error of such a forecast: ±20 % (common practice).
 */
export function reverberation(
  volumeM3: number,
  surfaces: readonly Surface[],
  objectsM2: RoomOctaves = EMPTY,
  air: Air = ROOM_AIR,
): Reverberation {
  const totalM2 = surfaces.reduce((sum, surface) => sum + surface.areaM2, 0);
  const absorptionM2 = byRoomOctave((band) =>
    surfaces.reduce((sum, surface) => sum + surface.areaM2 * surface.absorption[band]!, 0),
  );
  const airM2 = byRoomOctave((band) => 4 * airEnergyLossPerM(ROOM_OCTAVES_HZ[band]!, air) * volumeM3);
  const meanAbsorption = byRoomOctave((band) => absorptionM2[band]! / totalM2);
  const besidesM2 = byRoomOctave((band) => airM2[band]! + objectsM2[band]!);
  const sabineS = byRoomOctave((band) => (SABINE_CONSTANT * volumeM3) / (absorptionM2[band]! + besidesM2[band]!));
  const eyringS = byRoomOctave((band) => {
    const mean = meanAbsorption[band]!;
    return mean >= 1 ? 0 : (SABINE_CONSTANT * volumeM3) / (-totalM2 * Math.log(1 - mean) + besidesM2[band]!);
  });
  return {
    sabineS,
    eyringS,
    chosenS: byRoomOctave((band) => (meanAbsorption[band]! > EYRING_FROM ? eyringS[band]! : sabineS[band]!)),
    meanAbsorption,
  };
}

/**
 * Reverberation times of 125…4k carried on to 8k, s: sides absorb there as they do at 4k, which is as far as tables go, and
 * the air what it does at 8k. Source: Sabine and Eyring alike, 1/T grows by 4·(m₈ − m₄)/0.161; m from ISO 9613-1.
 */
export function withEightKHz(times: RoomOctaves, air: Air = ROOM_AIR): OctaveLevels {
  const more = (4 * (airEnergyLossPerM(8000, air) - airEnergyLossPerM(4000, air))) / SABINE_CONSTANT;
  const last = times[5] <= 0 ? 0 : 1 / (1 / times[5] + more);
  return mapOctaves((band) => (band < times.length ? times[band]! : last));
}

/**
 * Distance at which direct and reverberant sound are alike, m: 0.057·√(Q·V/T60).
 * Q: the talker's directivity factor, 1 for all round. Infinite in the open.
 */
export function criticalDistanceM(volumeM3: number, reverberationS: number, directivityFactor = 1): number {
  return reverberationS <= 0 ? Infinity : 0.057 * Math.sqrt((directivityFactor * volumeM3) / reverberationS);
}
