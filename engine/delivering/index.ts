import { room } from "../block";
import { highestOfGaps } from "../truePeak";

/** Room for so many bytes, never given back. */
export function roomFor(bytes: i32): usize {
  return room(<usize>bytes);
}

/**
 * For each of so many samples the highest absolute value from it to the next, four times oversampled below 96 kHz, twice below
 * 192 kHz; the larger of it and what stands at `to`. What surely stays under `least` is not looked at between samples. There must
 * be sixteen samples before and behind.
 */
export function peaksBetween(from: usize, frames: i32, rate: i32, least: f32, to: usize): void {
  highestOfGaps(from, frames, rate, least, to);
}
