import type { Chance } from "./chance";
import { noise, rmsOf, type NoiseColour } from "./noises";
import { inRoom } from "./room";
import { RATE } from "./rate";
import type { Voice } from "./voice";

/** A stretch of a clip, frames. */
export interface Span {
  from: number;
  to: number;
}

/** Clean speech with what is known of it. Levels are RMS of the spoken spans, dB re full scale (mean square). */
export interface Clip {
  voice: Voice;
  samples: Float32Array;
  /** The voice alone, without and with its room, and the noise alone. */
  dry: Float32Array;
  echoed: Float32Array;
  noise: Float32Array;
  spoken: readonly Span[];
  speechDb: number;
  noiseDb: number;
}

export interface ClipWish {
  seconds: number;
  speechDb: number;
  noiseDb: number;
  colour: NoiseColour;
  echoS: number;
  echoUnderDb: number;
}

/** Highest peak of a good recording. */
const PEAK = 10 ** (-8 / 20);

const SELF_NOISE = 10 ** (-84 / 20);

/** What a good recording on location may be. */
export function cleanWish(chance: Chance, seconds = 60): ClipWish {
  return {
    seconds,
    speechDb: chance.between(-30, -24),
    noiseDb: chance.between(-75, -60),
    colour: chance.pick(["pink", "brown", "fan", "pink"] as const),
    echoS: chance.between(0.2, 0.5),
    echoUnderDb: chance.between(14, 24),
  };
}

/** Mean square of what lies in the spans, dB. */
export function levelIn(samples: Float32Array, spans: readonly Span[]): number {
  let [sum, count] = [0, 0];
  for (const { from, to } of spans)
    for (let at = from; at < to; at += 1) {
      sum += samples[at]! * samples[at]!;
      count += 1;
    }
  return 10 * Math.log10(sum / Math.max(1, count) + 1e-20);
}

/** Sentences of one voice with pauses between, in a room, over its noise. */
export function clipOf(chance: Chance, voice: Voice, wish: ClipWish): Clip {
  const frames = Math.round(wish.seconds * RATE);
  const dry = new Float32Array(frames);
  const spoken: Span[] = [];
  let at = Math.round(chance.between(0.3, 1.2) * RATE);
  for (;;) {
    const sentence = chance.pick(voice.sentences);
    if (at + sentence.length + RATE * 0.3 > frames) break;
    const gain = 10 ** (chance.between(-3, 1) / 20);
    for (let index = 0; index < sentence.length; index += 1) dry[at + index] = sentence[index]! * gain;
    spoken.push({ from: at, to: at + sentence.length });
    at += sentence.length + Math.round(chance.between(0.4, 1.6) * RATE);
  }
  const echoed = inRoom(chance, dry, wish.echoS, wish.echoUnderDb);
  // As loud as wished, but never over a sensible peak.
  const loudest = echoed.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  const scale = Math.min(10 ** ((wish.speechDb - levelIn(echoed, spoken)) / 20), PEAK / loudest);
  const under = noise(chance, wish.colour, frames);
  const noiseScale = 10 ** (wish.noiseDb / 20) / rmsOf(under);
  // What microphone, amplifier and converter add.
  const hiss = noise(chance, "white", frames);
  for (let at = 0; at < frames; at += 1) {
    under[at] = under[at]! * noiseScale + hiss[at]! * SELF_NOISE;
    dry[at]! *= scale;
    echoed[at]! *= scale;
  }
  return {
    voice,
    dry,
    echoed,
    noise: under,
    samples: echoed.map((value, index) => value + under[index]!),
    spoken,
    speechDb: levelIn(echoed, spoken),
    noiseDb: wish.noiseDb,
  };
}
