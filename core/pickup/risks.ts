import type { RiskStep } from "./kinds";
import { MICROPHONES, type Holder } from "./microphones";
import type { AddressFault } from "./messages";
import { PATTERNS } from "./patterns";
import type { PlacedMic } from "./pickupSetup";

const step = (value: number): RiskStep => Math.max(0, Math.min(3, Math.round(value))) as RiskStep;

/** Half angle of the jet of breath from the lips, degrees, and its soft edge. Common practice. */
export const BREATH_HALF_DEG = 15;
const BREATH_EDGE_DEG = 25;
/** Beyond this the jet has spent itself, m. Common practice. */
export const BREATH_REACH_M = 0.2;

/**
 * How likely plosives pop: inside the breath cone and near it is certain; gradients take it worse than pressure; a pop screen
 * takes two steps off. Angle between the mouth's axis and the microphone, 0…180°; distance ≥ 0 m. Common practice.
 */
export function plosiveStep(
  mic: Pick<PlacedMic, "pattern" | "hasScreen">,
  offMouthDeg: number,
  distanceM: number,
): RiskStep {
  const depth = offMouthDeg <= BREATH_HALF_DEG ? 1 : offMouthDeg <= BREATH_EDGE_DEG ? 0.5 : 0;
  const nearness = distanceM <= 0.1 ? 3 : distanceM <= BREATH_REACH_M ? 2 : distanceM <= 0.3 ? 1 : 0;
  const gradient = PATTERNS[mic.pattern].b > 0.2 && nearness > 0 ? 1 : 0;
  return step(depth * (nearness + gradient) - (mic.hasScreen ? 2 : 0));
}

/** How much what holds a microphone shakes it. Common practice. */
export const HANDLING: Record<Holder, RiskStep> = {
  boom: 1,
  hand: 2,
  stand: 0,
  table: 2,
  camera: 2,
  phone: 2,
  body: 2,
};

/** Spoken into the wrong side: beyond this angle off its front. Common practice. */
const WRONG_SIDE_DEG = 60;

/** What is wrong with how a microphone is pointed; null when nothing is. */
export function addressFault(mic: Pick<PlacedMic, "microphone" | "pattern">, offMicDeg: number): AddressFault | null {
  const { name, address } = MICROPHONES[mic.microphone];
  if (PATTERNS[mic.pattern].b < 0.3 || offMicDeg <= WRONG_SIDE_DEG) return null;
  if (mic.pattern === "figureEight" && offMicDeg >= 180 - WRONG_SIDE_DEG) return null;
  if (address === "side") return { code: "address.side", microphone: name };
  return { code: "address.pastMouth", microphone: name, offDeg: Math.round(offMicDeg) };
}
