import { amplitudeToDb } from "../sound";
import type { Mirror } from "./placeSound";
import { dot, length, subtract, type Vec } from "./space";

/** One reflection against the direct sound. */
export interface Combing {
  /** Which side sends it back. */
  name: string;
  delayMs: number;
  /** First notch, Hz: 1/(2·delay). */
  notchHz: number;
  /** Reflected re direct, dB. */
  relativeDb: number;
  /** From notch to crest, dB. */
  rippleDb: number;
}

/** A first notch above this nobody hears, Hz. */
const HIGHEST_NOTCH_HZ = 16_000;
/** Whether a reflection so much later colours what is heard. */
export const isHeardAsColour = (delayMs: number): boolean =>
  delayMs >= 500 / HIGHEST_NOTCH_HZ && delayMs <= COLOUR_WITHIN_MS;
/** Later than this a reflection is heard as room, not as colour, ms. Common practice. */
const COLOUR_WITHIN_MS = 20;
/** A ripple that small is not heard, dB. Common practice. */
export const HEARD_RIPPLE_DB = 3;

const mirrored = (point: Vec, { normal, offset }: Mirror): Vec => {
  const twice = 2 * (dot(normal, point) - offset);
  return [point[0] - normal[0] * twice, point[1] - normal[1] * twice, point[2] - normal[2] * twice];
};

/**
 * The strongest early reflection of a talker at a microphone, by image sources of first order.
 *
 * `gainTowards` gives the product of mouth and microphone sensitivities for sound that seems to come from a point, as an
 * amplitude in the middle octaves re on axis. Null when nothing sends sound back within 20 ms, or only so soon that the first
 * notch lies beyond hearing.
 * Source: image method (Allen & Berkley 1979), first order; notch 1/(2·delay).
 */
export function strongestCombing(
  mouth: Vec,
  microphone: Vec,
  mirrors: readonly Mirror[],
  gainTowards: (image: Vec, mirror: Mirror | null) => number,
  speedMps: number,
): Combing | null {
  const directM = Math.max(0.02, length(subtract(microphone, mouth)));
  const direct = gainTowards(mouth, null) / directM;
  let best: Combing | null = null;
  for (const mirror of mirrors) {
    const isBehind = dot(mirror.normal, mouth) <= mirror.offset || dot(mirror.normal, microphone) <= mirror.offset;
    if (mirror.sendsBack <= 0 || isBehind) continue;
    const image = mirrored(mouth, mirror);
    const pathM = length(subtract(microphone, image));
    const delayMs = (1000 * (pathM - directM)) / speedMps;
    if (!isHeardAsColour(delayMs)) continue;
    const share = Math.min(
      0.999,
      (Math.sqrt(mirror.sendsBack) * gainTowards(image, mirror)) / pathM / Math.max(1e-9, direct),
    );
    const rippleDb = amplitudeToDb((1 + share) / (1 - share));
    if (best && best.rippleDb >= rippleDb) continue;
    best = {
      name: mirror.name,
      delayMs,
      notchHz: 500 / delayMs,
      relativeDb: amplitudeToDb(share),
      rippleDb,
    };
  }
  return best;
}
