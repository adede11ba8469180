import { amplitudeToDb, ROOM_AIR, speedOfSoundMps } from "../sound";
import { isHeardAsColour, type Combing } from "./combing";
import type { Holder } from "./microphones";
import type { PlacedMic } from "./pickupSetup";
import { length, subtract, type Vec } from "./space";

/** A flat hand, m². From memory of body tables: about 9 by 18 cm. */
const HAND_M2 = 0.016;
/** Of what meets a hand, so much comes back as one piece: fingers scatter the rest. Estimate. */
const HAND_SENDS_BACK = 0.5;
const SPEED_MPS = speedOfSoundMps(ROOM_AIR.temperatureC);

/** How near the fingers come to the capsule of what is held: round a handle, round a phone, m. Common practice. */
const HELD_M: Partial<Record<Holder, number>> = { hand: 0.1, phone: 0.03 };

/** How near a hand must come by what holds a microphone, m; null when none needs to. */
export const handsOn = (holder: Holder): number | null => HELD_M[holder] ?? null;

/** Where the nearest hand is: behind the grille of what is held, else beside the microphone, as hands that gesture are. */
function handAt({ holder }: PlacedMic, handsM: number, at: Vec, front: Vec, mouth: Vec): Vec {
  if (holder === "hand" || holder === "phone")
    return [at[0] - front[0] * handsM, at[1] - front[1] * handsM, at[2] - front[2] * handsM];
  const [x, y] = subtract(mouth, at);
  const flat = Math.hypot(x, y);
  // Straight below a mouth there is no side; each will do.
  const [aside, ahead] = flat < 1e-6 ? [1, 0] : [-y / flat, x / flat];
  return [at[0] + aside * handsM, at[1] + ahead * handsM, at[2]];
}

/**
 * What the nearest hand sends back into a microphone, as one reflection: its delay, first notch and ripple there.
 *
 * `gainFrom` gives the microphone's sensitivity for sound from a point, as an amplitude re its front. A plate of a hand's size
 * reflects fully above f = c·a/(2·S), a = 2·d₁·d₂/(d₁+d₂), and falls by 6 dB an octave below. Null when no hand is near, or its
 * first notch lies beyond hearing.
 * Source: limit frequency of small reflectors, Rindel 1986 (from memory), square to the way; the hand's share is an estimate.
 */
export function handCombing(
  mic: PlacedMic,
  at: Vec,
  front: Vec,
  mouth: Vec,
  gainFrom: (point: Vec) => number,
): Combing | null {
  if (mic.handsM === null) return null;
  const hand = handAt(mic, mic.handsM, at, front, mouth);
  const directM = Math.max(0.02, length(subtract(mouth, at)));
  const [toHandM, fromHandM] = [Math.max(0.02, length(subtract(mouth, hand))), mic.handsM];
  const laterM = Math.max(1e-4, toHandM + fromHandM - directM);
  const notchHz = SPEED_MPS / (2 * laterM);
  if (!isHeardAsColour((1000 * laterM) / SPEED_MPS)) return null;
  const limitHz = (SPEED_MPS * 2 * toHandM * fromHandM) / (toHandM + fromHandM) / (2 * HAND_M2);
  const reach = Math.min(1, notchHz / limitHz) * Math.sqrt(HAND_SENDS_BACK);
  const direct = Math.max(1e-9, gainFrom(mouth) / directM);
  const share = Math.min(0.999, (reach * gainFrom(hand)) / (toHandM + fromHandM) / direct);
  return {
    name: "hands",
    delayMs: (1000 * laterM) / SPEED_MPS,
    notchHz,
    relativeDb: amplitudeToDb(Math.max(1e-9, share)),
    rippleDb: amplitudeToDb((1 + share) / (1 - share)),
  };
}
