import { dbToPower, mapOctaves, type OctaveLevels } from "../sound";
import { LOWEST_PITCH_HZ, type Voice } from "../voice";
import type { Holder } from "./microphones";

/** What goes over a microphone against wind. */
export const COVERS = ["bare", "foam", "fur", "basketFur"] as const;
export type Cover = (typeof COVERS)[number];

interface Row {
  name: string;
  /** Taken from wind noise, dB. From memory; estimates. */
  cutsDb: number;
  /** Enough up to this wind, m/s. Common practice. */
  upToMps: number;
}

export const COVER_FACTS: Record<Cover, Row> = {
  bare: { name: "bare", cutsDb: 0, upToMps: 0.5 },
  foam: { name: "foam", cutsDb: 14, upToMps: 2 },
  fur: { name: "fur over foam", cutsDb: 30, upToMps: 7 },
  basketFur: { name: "basket with fur", cutsDb: 42, upToMps: Infinity },
};

/** Only a boom and a stand carry a basket. */
const CARRIES_BASKET: readonly Holder[] = ["boom", "stand"];

/** What goes over a microphone in so much wind, m/s: enough, or the most that what holds it carries. Common practice. */
export function coverFor(holder: Holder, windMps: number): Cover {
  const carried = COVERS.filter((cover) => cover !== "basketFur" || CARRIES_BASKET.includes(holder));
  return carried.find((cover) => windMps <= COVER_FACTS[cover].upToMps) ?? carried.at(-1)!;
}

/** Wind noise of a bare omni in the 125 Hz octave at 1 m/s, dB SPL; what it loses an octave; what it grows by. From memory; estimates. */
const AT_1_MPS_DB = 44;
const FALL_DB = 7;
const GROWTH = 60;
/** A pressure gradient takes wind that much worse than an omni, dB. Common practice. */
const GRADIENT_DB = 8;

/**
 * Wind noise at a microphone, power by octave 125…8k; nothing below 0.5 m/s. It grows by 60·lg(speed), falls by 7 dB an octave,
 * and a cover takes the same from each octave. Wind 0…40 m/s. From memory; estimates of ±6 dB.
 */
export function windPower(windMps: number, cover: Cover, isGradient: boolean): OctaveLevels {
  if (windMps < 0.5) return mapOctaves(() => 0);
  const at125 = AT_1_MPS_DB + GROWTH * Math.log10(Math.max(1, windMps)) + (isGradient ? GRADIENT_DB : 0);
  return mapOctaves((band) => dbToPower(at125 - FALL_DB * band - COVER_FACTS[cover].cutsDb));
}

/** Corners that switches of low cuts offer, Hz. Common practice. */
const CORNERS_HZ = [80, 100, 120, 150];

/** Where the low cut goes, Hz: higher in wind, never above the lowest pitch of the deepest voice. Common practice. */
export function lowCutHz(windMps: number, deepest: Voice): number {
  const forWindHz = windMps >= 7 ? 150 : windMps >= 3 ? 120 : 80;
  const mostHz = deepest === "unknown" ? forWindHz : Math.min(forWindHz, LOWEST_PITCH_HZ[deepest]);
  return CORNERS_HZ.findLast((corner) => corner <= mostHz) ?? CORNERS_HZ[0]!;
}
