import { MICROPHONES, type Holder } from "./microphones";
import { PATTERNS } from "./patterns";
import type { PlacedMic } from "./setup";

/** Named steps of judgement, mildest first. */
export const RISK_NAMES = ["none", "slight", "likely", "certain"] as const;
export type RiskStep = 0 | 1 | 2 | 3;

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

/** What shakes a microphone by what holds it. Common practice. */
const HANDLING: Record<Holder, { step: RiskStep; says: string }> = {
  boom: { step: 1, says: "the boom operator's hands: use the suspension" },
  hand: { step: 2, says: "the hand that holds it: hold it still, lead in a loop" },
  stand: { step: 0, says: "nothing, on its own stand" },
  table: { step: 2, says: "knocks on the table: suspension, or books with something soft" },
  camera: { step: 2, says: "hands and motors of the camera" },
  phone: { step: 2, says: "the fingers on the phone" },
  body: { step: 1, says: "the clothes: see Dress" },
};

export function handlingOf(mic: Pick<PlacedMic, "holder">): { step: RiskStep; says: string } {
  return HANDLING[mic.holder];
}

/** Spoken into the wrong side: beyond this angle off its front. Common practice. */
const WRONG_SIDE_DEG = 60;

/** What is wrong with how a microphone is pointed; null when nothing is. */
export function addressFault(mic: Pick<PlacedMic, "microphone" | "pattern">, offMicDeg: number): string | null {
  const { name, address } = MICROPHONES[mic.microphone];
  if (PATTERNS[mic.pattern].b < 0.3 || offMicDeg <= WRONG_SIDE_DEG) return null;
  if (mic.pattern === "figureEight" && offMicDeg >= 180 - WRONG_SIDE_DEG) return null;
  if (address === "side")
    return `The ${name} is spoken into at its side: turn the marked side to the mouth, not the end.`;
  return `The ${name} looks ${Math.round(offMicDeg)}° past the mouth: what it gets is mostly the room. Turn its front to the mouth.`;
}
