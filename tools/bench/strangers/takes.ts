import { addAt, dbToGain, type Dice, echoed, peakIn, placeNoise, rms, seconds } from "./sounds";
import { RATE } from "./rate";
import type { Speaker } from "./speakers";

/** A stretch, frames. */
export interface Stretch {
  from: number;
  to: number;
}

/** A made take of a speaker: voice and noise apart, and where somebody speaks. */
export interface Take {
  speaker: Speaker;
  voice: Float32Array;
  noise: Float32Array;
  spoken: readonly Stretch[];
  /** RMS of what is spoken, linear. */
  speech: number;
}

/** Words run together as people speak them, or with pauses between. */
export function takeOf(dice: Dice, speaker: Speaker, lengthS: number): Take {
  const frames = seconds(lengthS);
  const voice = new Float32Array(frames);
  const spoken: Stretch[] = [];
  let at = seconds(dice.within(0.5, 1.2));
  let left = dice.whole(2, 5);
  for (;;) {
    const word = dice.one(speaker.utterances);
    if (at + word.length > frames - seconds(0.4)) break;
    addAt(voice, word, at, (0.1 / rms(word)) * dbToGain(dice.within(-3, 2)));
    spoken.push({ from: at, to: at + word.length });
    left -= word.length > seconds(2.5) ? 3 : 1;
    const pauseS = left <= 0 ? dice.within(0.5, 1.6) : dice.within(-0.02, 0.15);
    if (left <= 0) left = dice.whole(2, 5);
    at += word.length + seconds(pauseS);
  }
  const inPlace = echoed(dice, voice, dice.within(0.15, 0.35), dice.within(-24, -16));
  const scale = Math.min(dbToGain(dice.within(-28, -22)) / 0.1, dbToGain(-7) / peakIn(inPlace));
  const noise = placeNoise(dice, frames, dice.roll() < 0.5);
  const noiseGain = dbToGain(dice.within(-76, -62));
  for (let frame = 0; frame < frames; frame += 1) {
    inPlace[frame]! *= scale;
    noise[frame] = noise[frame]! * noiseGain + dice.normal() * 6e-5;
  }
  return { speaker, voice: inPlace, noise, spoken, speech: 0.1 * scale };
}

export const mixed = (voice: Float32Array, noise: Float32Array): Float32Array =>
  voice.map((value, index) => value + noise[index]!);

/** How loud the voice is round a place, RMS. */
export function loudnessAt({ voice }: Take, from: number, to: number): number {
  return rms(voice.subarray(Math.max(0, from), Math.min(voice.length, to)));
}

/** Places apart from each other, in the voice or in its pauses. */
export function placesIn(
  dice: Dice,
  take: Take,
  count: number,
  lengthS: number,
  where: "voice" | "pause" | "any",
): number[] {
  const found: number[] = [];
  for (let tries = 0; tries < 4000 && found.length < count; tries += 1) {
    const at = Math.floor(dice.within(RATE, take.voice.length - RATE - lengthS * RATE));
    if (found.some((other) => Math.abs(other - at) < RATE * 1.2 + lengthS * RATE)) continue;
    const loud = loudnessAt(take, at, at + Math.max(seconds(0.02), seconds(lengthS)));
    if (where === "voice" && loud < take.speech * 0.3) continue;
    if (where === "pause" && loud > take.speech * 0.02) continue;
    found.push(at);
  }
  return found.sort((one, other) => one - other);
}
