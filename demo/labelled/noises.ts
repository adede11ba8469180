import type { Chance } from "./chance";
import { highPass, lowPass } from "./filters";
import { RATE } from "./rate";

export type NoiseColour = "white" | "pink" | "brown" | "fan";

/** RMS, linear. */
export function rmsOf(samples: Float32Array): number {
  let sum = 0;
  for (const value of samples) sum += value * value;
  return Math.sqrt(sum / Math.max(1, samples.length));
}

export function white(chance: Chance, frames: number): Float32Array {
  // Twelve uniform draws would be dearer: the sum of three is normal enough for noise.
  const samples = new Float32Array(frames);
  for (let at = 0; at < frames; at += 1) samples[at] = chance.next() + chance.next() + chance.next() - 1.5;
  return samples;
}

function pink(chance: Chance, frames: number): Float32Array {
  // A ladder of one-pole filters an octave or two apart falls by 3 dB an octave.
  const poles = [0.99765, 0.963, 0.57];
  const gains = [0.099046, 0.2965164, 1.0526913];
  const state = [0, 0, 0];
  return white(chance, frames).map((value) => {
    let sum = value * 0.1848;
    for (let index = 0; index < 3; index += 1) {
      state[index] = poles[index]! * state[index]! + value * gains[index]!;
      sum += state[index]!;
    }
    return sum;
  });
}

/** Noise of a colour with RMS 1. */
export function noise(chance: Chance, colour: NoiseColour, frames: number): Float32Array {
  let samples: Float32Array;
  if (colour === "white") samples = white(chance, frames);
  else if (colour === "pink") samples = highPass(pink(chance, frames), 30);
  else if (colour === "brown") samples = highPass(lowPass(pink(chance, frames), 400, 0.5), 30);
  else samples = lowPass(highPass(pink(chance, frames), 60), 1500, 0.5);
  const scale = 1 / rmsOf(samples);
  return samples.map((value) => value * scale);
}

/** A slow random curve between 0 and 1 that turns about so often a second. */
export function drift(chance: Chance, frames: number, timesASecond: number): Float32Array {
  const step = Math.max(1, Math.round(RATE / timesASecond));
  const knots = Array.from({ length: Math.ceil(frames / step) + 2 }, () => chance.next());
  const curve = new Float32Array(frames);
  for (let at = 0; at < frames; at += 1) {
    const knot = Math.floor(at / step);
    const share = (1 - Math.cos(Math.PI * (at / step - knot))) / 2;
    curve[at] = knots[knot]! * (1 - share) + knots[knot + 1]! * share;
  }
  return curve;
}
