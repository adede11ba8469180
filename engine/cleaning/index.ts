import { room } from "../block";
import { Denoiser } from "./denoise";

export { filterLine } from "./filter";

let denoiser: Denoiser | null = null;

/** Room for so many bytes, never given back: an engine serves one channel of one recording. */
export function roomFor(bytes: i32): usize {
  return room(<usize>bytes);
}

/** Prepares for noise reduction in frames of `size` samples. */
export function setUpDenoiser(size: i32, sampleRateHz: f64): void {
  denoiser = new Denoiser(size, sampleRateHz);
}

/** Where eight hops of half a frame each are put before {@link denoise}. */
export function noisyAt(): usize {
  return denoiser!.nextAt();
}

/** Takes noise down, by gains of `floor` at least; or only learns the noise. */
export function denoise(floor: f32, isLearning: bool): void {
  denoiser!.run(floor, isLearning);
}

/** Eight hops, one behind what was put in. */
export function cleanAt(): usize {
  return denoiser!.out;
}

/** Noise power of each bin. */
export function noiseAt(): usize {
  return denoiser!.tracker.noise;
}

export function startAgain(): void {
  denoiser!.startAgain();
}
