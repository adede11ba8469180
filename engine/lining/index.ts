import { room } from "../block";
import { Cross } from "./cross";
import { Landmarks } from "./landmarks";
import { Resampler } from "./resample";

let landmarks: Landmarks | null = null;
let cross: Cross | null = null;
let resampler: Resampler | null = null;

/** Room for so many bytes, never given back: an engine serves one recording or one rate. */
export function roomFor(bytes: i32): usize {
  return room(<usize>bytes);
}

/** Prepares for landmarks: every `step`-th sample behind `tapCount` taps, a row each `hop` of those. */
export function setUpLandmarks(step: i32, tapCount: i32, hop: i32, bins: i32, mostIn: i32): void {
  landmarks = new Landmarks(step, tapCount, hop, bins, mostIn);
}

export function tapsAt(): usize {
  return landmarks!.taps;
}

export function placesAt(): usize {
  return landmarks!.places;
}

export function nextAt(): usize {
  return landmarks!.nextAt();
}

/** Takes in samples that were put where {@link nextAt} said; returns how many peaks there are. */
export function push(count: i32): i32 {
  landmarks!.push(count);
  return landmarks!.peakCount;
}

export function peaksAt(): usize {
  return landmarks!.peaks;
}

/** The largest sample so far. */
export function loudest(): f32 {
  return landmarks!.loudest();
}

/** Prepares for interpolation; returns where the rows of taps go. */
export function setUpResampler(phases: i32, taps: i32): usize {
  resampler = new Resampler(phases, taps);
  return resampler!.rows;
}

export function resample(from: usize, place: f64, step: f64, count: i32, to: usize): void {
  resampler!.run(from, place, step, count, to);
}

/** Prepares for cross spectra of segments of `size`, a power of two from 8. */
export function setUpCross(size: i32): void {
  cross = new Cross(size);
}

/** Sums cross spectra of two stretches; says of how many segments. */
export function crossOf(one: usize, other: usize, length: i32, lastBin: i32): i32 {
  return cross!.run(one, other, length, lastBin);
}

export function sumsAt(): usize {
  return cross!.sums;
}
