import type { MediaMessage } from "./messages";

/** Tape speeds, inches a second. */
export const TAPE_IPS = [1.875, 3.75, 7.5, 15, 30] as const;

/** Feet on a reel by its diameter and the tape's thickness. Handbooks of tape recording, recalled from memory. */
export const REEL_FEET = {
  "5 in": { standard: 600, long: 900, double: 1200 },
  "7 in": { standard: 1200, long: 1800, double: 2400 },
  "10½ in": { standard: 2500, long: 3600, double: 4800 },
} as const;
export type Reel = keyof typeof REEL_FEET;
export type TapeThickness = keyof (typeof REEL_FEET)[Reel];

/** Minutes of one direction: length by speed. Feet and inches a second above 0. Source: the definition. */
export const tapeMinutes = (feet: number, ips: number): number => (feet * 12) / ips / 60;

/** Slower than this, inches a second, tape loses highs and is hard to cut. Common practice. */
const GOOD_IPS = 7.5;

/** What to know about a tape at a speed. */
export const tapeMessage = (feet: number, ips: number): MediaMessage => ({
  code: "media.tape",
  minutes: tapeMinutes(feet, ips),
  isSlow: ips < GOOD_IPS,
});
