/**
 * Where things are on a standing person, as shares of height.
 *
 * Axes: x to the wearer's own right, y to the front, z up; origin on the floor below the neck's turning axis.
 */

export interface Point {
  xM: number;
  yM: number;
  zM: number;
}

/** Heights as shares of standing height. Source: Drillis & Contini 1966; mouth and waist from memory, estimates. */
export const HEIGHT_SHARE = {
  crown: 1,
  forehead: 0.955,
  mouth: 0.894,
  chin: 0.87,
  shoulder: 0.818,
  waist: 0.6,
  hip: 0.53,
  elbow: 0.63,
  wrist: 0.485,
  knee: 0.285,
  ankle: 0.039,
} as const;

/** Half the width over the shoulders as a share of height. Source: Drillis & Contini 1966. */
export const HALF_SHOULDER_SHARE = 0.129;

/** Mouth's distance in front of the neck's turning axis, m, for an adult of 1.75 m. From memory; an estimate. */
const MOUTH_FORWARD_M = 0.095;
const REFERENCE_HEIGHT_M = 1.75;

/** How much longer or shorter this person is than the one the fixed distances were taken from. */
export function bodyScale(heightM: number): number {
  return heightM / REFERENCE_HEIGHT_M;
}

/** Lips with the head straight ahead. Height 0.8…2.3 m. */
export function mouthForwardM(heightM: number): number {
  return MOUTH_FORWARD_M * bodyScale(heightM);
}
