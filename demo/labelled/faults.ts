import type { FindingKind } from "../../core/check";
import type { Chance } from "./chance";
import { clipOf, cleanWish, levelIn, type Clip, type Span } from "./clip";
import { highPass, highShelf, lowPass, lowShelf, peak } from "./filters";
import { drift, noise, rmsOf, white } from "./noises";
import { inRoom } from "./room";
import { RATE } from "./rate";
import type { Voice } from "./voice";

/** A clip with one kind of fault put in: its channels, and where the fault is. */
export interface Faulty {
  kind: FindingKind;
  channels: readonly Float32Array[];
  /** Where it was put; the whole clip counts as one when it is everywhere. */
  spans: readonly Span[];
  isEverywhere: boolean;
}

/** Strength 0 is plain to hear, 2 gross. */
export type Strength = 0 | 1 | 2;

const gainOf = (db: number): number => 10 ** (db / 20);
const frames = (seconds: number): number => Math.round(seconds * RATE);
const peakOf = (samples: Float32Array): number => samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0);

/** The same with its highest peak at a level, dBFS. */
function peaking(samples: Float32Array, levelDb: number): Float32Array {
  const gain = gainOf(levelDb) / peakOf(samples);
  return samples.map((value) => value * gain);
}

/** A level that the loudest tenth of a percent of the samples passes. */
function topOf(samples: Float32Array): number {
  const sizes = Float32Array.from({ length: Math.floor(samples.length / 7) }, (_, at) => Math.abs(samples[at * 7]!));
  sizes.sort();
  return sizes[Math.floor(sizes.length * 0.999)]!;
}

/** Places of so many events, apart from each other, anywhere or near a kind of spot. */
function places(chance: Chance, clip: Clip, count: number, seconds: number): number[] {
  const room = clip.samples.length / count;
  return Array.from({ length: count }, (_, index) =>
    Math.round(index * room + chance.between(0.05, 0.9) * (room - seconds * RATE)),
  );
}

/** Whether there is voice in a stretch that it would be missed in. */
function hasVoice(clip: Clip, from: number, to: number): boolean {
  return levelIn(clip.dry, [{ from, to }]) > clip.speechDb - 12;
}

/** Places in the midst of the voice, where losing it is heard. */
function inVoice(chance: Chance, clip: Clip, count: number, seconds: number): number[] {
  const found: number[] = [];
  for (let tries = 0; found.length < count && tries < 5000; tries += 1) {
    const at = Math.floor(chance.next() * (clip.samples.length - seconds * RATE - RATE));
    if (!hasVoice(clip, at, at + frames(seconds)) || found.some((other) => Math.abs(other - at) < RATE * 2)) continue;
    found.push(at);
  }
  return found;
}

/** How many stretches of 50 ms of a sound are at most 6 dB under the voice at that place: fewer and it is not heard. */
function heardIn(clip: Clip, sound: Float32Array, from: number, gain: number): number {
  const step = frames(0.05);
  let count = 0;
  for (let begin = 0; begin < sound.length && from + begin + step < clip.dry.length; begin += step) {
    const own = levelIn(sound, [{ from: begin, to: Math.min(sound.length, begin + step) }]) + 20 * Math.log10(gain);
    if (own > levelIn(clip.dry, [{ from: from + begin, to: from + begin + step }]) - 6 && own > clip.speechDb - 30)
      count += 1;
  }
  return count;
}

function add(to: Float32Array, sound: Float32Array, at: number, gain: number): void {
  for (let index = 0; index < sound.length && at + index < to.length; index += 1)
    if (at + index >= 0) to[at + index]! += sound[index]! * gain;
}

/** Rises and falls smoothly over the ends of a sound. */
function faded(sound: Float32Array, riseS: number, fallS: number): Float32Array {
  const [rise, fall] = [frames(riseS), frames(fallS)];
  return sound.map((value, at) => {
    const share = Math.min(1, at / rise, (sound.length - 1 - at) / fall);
    return value * Math.sin((Math.PI / 2) * Math.max(0, share)) ** 2;
  });
}

type Injector = (chance: Chance, clip: Clip, strength: Strength) => Omit<Faulty, "kind">;

/** The clip with its voice changed and its noise as it was. */
const over = (clip: Clip, voice: Float32Array): Float32Array => voice.map((value, index) => value + clip.noise[index]!);

const everywhere = (...channels: Float32Array[]): Omit<Faulty, "kind"> => ({
  channels,
  spans: [{ from: 0, to: channels[0]!.length }],
  isEverywhere: true,
});
const at = (samples: Float32Array, spans: readonly Span[]): Omit<Faulty, "kind"> => ({
  channels: [samples],
  spans,
  isEverywhere: false,
});

/**
 * Adds one made sound a place, its RMS so many dB over or under the voice. Those that the voice covers are there but
 * not asked for: so many stretches of 50 ms must be heard.
 */
function withSounds(
  chance: Chance,
  clip: Clip,
  starts: readonly number[],
  overVoiceDb: number,
  make: () => Float32Array,
  heard = 1,
): Omit<Faulty, "kind"> {
  const samples = clip.samples.slice();
  const spans = starts.flatMap((from): Span[] => {
    const sound = make();
    const gain = gainOf(clip.speechDb + overVoiceDb + chance.between(-1, 1)) / rmsOf(sound);
    add(samples, sound, from, gain);
    return heardIn(clip, sound, from, gain) >= heard ? [{ from, to: from + sound.length }] : [];
  });
  return at(samples, spans);
}

/** Cloth over a microphone: brushes, each a crowd of small scrapes of very different strength. */
function brush(chance: Chance): Float32Array {
  const length = frames(chance.between(0.5, 1.6));
  const scrapes = new Float32Array(length);
  const mean = frames(chance.between(0.0003, 0.0015));
  let spot = 0;
  while (spot < length) {
    scrapes[spot] = chance.normal() * Math.exp(1.2 * chance.normal());
    spot += 1 + Math.floor(-Math.log(1 - chance.next()) * mean);
  }
  peak(scrapes, chance.between(900, 2500), 0.8, 8);
  lowPass(highPass(scrapes, 150), chance.between(5000, 9000));
  const strokes = drift(chance, length, chance.between(5, 9));
  return faded(
    scrapes.map((value, index) => value * (0.1 + strokes[index]! ** 2)),
    0.05,
    0.1,
  );
}

/** A thing that strikes the mount or the lead: a click, then a body that rings low and dies soon. */
function strike(chance: Chance): Float32Array {
  const length = frames(0.25);
  const [hz, fall] = [chance.between(55, 180), chance.between(0.015, 0.05)];
  const click = lowPass(white(chance, length), 5000, 0.5);
  return Float32Array.from({ length }, (_, index) => {
    const s = index / RATE;
    return Math.sin(2 * Math.PI * hz * s) * Math.exp(-s / fall) + 0.6 * click[index]! * Math.exp(-s / 0.003);
  });
}

/** Breath that hits the capsule on p and b: a gust of very low noise. */
function pop(chance: Chance): Float32Array {
  const length = frames(chance.between(0.06, 0.12));
  const gust = lowPass(white(chance, length), chance.between(35, 70), 1);
  const push = chance.next() < 0.5 ? -1 : 1;
  const scale = 0.5 / (rmsOf(gust) || 1);
  return faded(
    gust.map((value, index) => value * scale + push * Math.sin((Math.PI * 1.5 * index) / length)),
    0.008,
    0.03,
  );
}

/** Air drawn in: smooth noise shaped by the mouth. */
function breath(chance: Chance): Float32Array {
  const sound = lowPass(highPass(white(chance, frames(chance.between(0.3, 0.6))), 500), 5000, 0.6);
  peak(peak(sound, chance.between(1200, 1800), 2, 6), chance.between(2800, 3500), 3, 5);
  return faded(sound, 0.12, 0.12);
}

/** A gust: noise that falls steeply with frequency and comes and goes. */
function gust(chance: Chance): Float32Array {
  const length = frames(chance.between(2, 5));
  const rumble = lowPass(lowPass(white(chance, length), 60, 0.6), 250, 0.5);
  const comes = drift(chance, length, 3);
  return faded(
    rumble.map((value, index) => value * (0.3 + comes[index]!)),
    0.3,
    0.5,
  );
}

function harmonics(chance: Chance, mains: number, length: number): Float32Array {
  const parts = Array.from({ length: 8 }, (_, index) => ({
    hz: mains * (index + 1),
    gain: (index % 2 === 0 ? 1 : 0.5) * 0.75 ** index * chance.between(0.6, 1.3),
    phase: chance.between(0, 6),
  }));
  return Float32Array.from({ length }, (_, index) =>
    parts.reduce((sum, { hz, gain, phase }) => sum + gain * Math.sin((2 * Math.PI * hz * index) / RATE + phase), 0),
  );
}

/** A gain stage that follows the level: over the threshold it holds back, fast down and slowly up. */
function held(samples: Float32Array, threshold: number, attackS: number, releaseS: number): Float32Array {
  const [down, up] = [Math.exp(-1 / (attackS * RATE)), Math.exp(-1 / (releaseS * RATE))];
  let envelope = 0;
  return samples.map((value) => {
    const size = Math.abs(value);
    envelope = size > envelope ? size + (envelope - size) * down : size + (envelope - size) * up;
    return envelope > threshold ? ((value * threshold) / envelope) * (envelope / threshold) ** 0.05 : value;
  });
}

/** Automatic gain: pulls everything towards one level, quickly down and slowly up, at most so far up. */
function automatic(samples: Float32Array, target: number, mostDb: number, upDbPerS: number): Float32Array {
  const follow = Math.exp(-1 / (0.03 * RATE));
  let [level, gainDb] = [0, 0];
  const upStep = upDbPerS / RATE;
  return samples.map((value) => {
    level = Math.max(Math.abs(value), level * follow);
    const wanted = Math.min(mostDb, 20 * Math.log10(target / (level + 1e-6)));
    gainDb = wanted < gainDb ? gainDb + (wanted - gainDb) * 0.0008 : Math.min(wanted, gainDb + upStep);
    return value * gainOf(gainDb);
  });
}

/** A second microphone on the same voice: its own colour, noise and distance. */
function secondMicrophone(chance: Chance, clip: Clip, delayFrames: number, sign: 1 | -1): Float32Array {
  const own = highShelf(inRoom(chance, clip.dry, 0.3, 16), 3000, chance.between(-4, 4));
  const under = noise(chance, "pink", own.length);
  const level = gainOf(clip.noiseDb);
  const gain = gainOf(chance.between(-6, 3));
  return under.map((value, index) => sign * gain * (own[index - delayFrames] ?? 0) + value * level);
}

const INJECTORS: Readonly<Partial<Record<FindingKind, Injector>>> = {
  clipped: (_, clip, strength) => {
    const gain = gainOf([1.5, 3, 6][strength]!) / peakOf(clip.samples);
    return everywhere(clip.samples.map((value) => Math.max(-1, Math.min(1, value * gain))));
  },
  overloadedEarlier: (chance, clip, strength) => {
    const ceiling = topOf(clip.samples) * gainOf([0, -2, -5][strength]!);
    const after = gainOf(chance.between(-14, -3)) / ceiling;
    const hiss = white(chance, clip.samples.length);
    return everywhere(
      clip.samples.map(
        (value, index) => Math.max(-ceiling, Math.min(ceiling, value)) * after + hiss[index]! * gainOf(-78),
      ),
    );
  },
  limited: (chance, clip, strength) => {
    const threshold = topOf(clip.samples) * gainOf([-7, -10, -14][strength]!);
    const low = held(clip.samples, threshold, 0.0006, chance.between(0.06, 0.2));
    return everywhere(peaking(low, -9));
  },
  tooLow: (_, clip, strength) => everywhere(peaking(clip.samples, [-33, -38, -46][strength]!)),
  noisy: (chance, clip, strength) => {
    const under = noise(chance, chance.pick(["pink", "fan", "brown"] as const), clip.samples.length);
    const level = gainOf(clip.speechDb - [16, 11, 6][strength]!);
    return everywhere(clip.samples.map((value, index) => value + under[index]! * level));
  },
  hum: (chance, clip, strength) => {
    const tone = harmonics(chance, chance.pick([50, 60]), clip.samples.length);
    const level = gainOf(clip.speechDb - [40, 33, 26][strength]!) / rmsOf(tone);
    return everywhere(clip.samples.map((value, index) => value + tone[index]! * level));
  },
  hiss: (chance, clip, strength) => {
    const under = noise(chance, "white", clip.samples.length);
    const level = gainOf(clip.speechDb - [36, 31, 25][strength]!);
    return everywhere(clip.samples.map((value, index) => value + under[index]! * level));
  },
  roomy: (chance, clip, strength) => {
    const echo = inRoom(chance, clip.dry, [0.9, 1.3, 2][strength]!, [3, 0, -3][strength]!);
    const scale = gainOf(clip.speechDb - levelIn(echo, clip.spoken));
    const under = noise(chance, "pink", echo.length);
    return everywhere(echo.map((value, index) => value * scale + under[index]! * gainOf(clip.noiseDb)));
  },
  plosive: (chance, clip, strength) => {
    const starts = inVoice(chance, clip, 6, 0.15);
    return withSounds(chance, clip, starts, [0, 5, 10][strength]!, () => pop(chance));
  },
  breath: (chance, clip, strength) => {
    // Nobody draws breath while speaking: only where the phrase before has ended.
    const starts = clip.spoken
      .filter(({ from }, index) => index > 0 && from - clip.spoken[index - 1]!.to > frames(0.75))
      .slice(0, 8)
      .map(({ from }) => from - frames(chance.between(0.62, 0.68)));
    return withSounds(chance, clip, starts, [-27, -22, -16][strength]!, () => breath(chance), 3);
  },
  wind: (chance, clip, strength) =>
    withSounds(chance, clip, places(chance, clip, 4, 5), [-8, -1, 7][strength]!, () => gust(chance)),
  rustle: (chance, clip, strength) =>
    withSounds(chance, clip, places(chance, clip, 6, 2), [-17, -11, -5][strength]!, () => brush(chance), 5),
  knock: (chance, clip, strength) =>
    withSounds(chance, clip, places(chance, clip, 7, 0.5), [-8, -2, 5][strength]!, () => strike(chance)),
  sibilant: (chance, clip, strength) => {
    const gainDb = [12, 16, 20][strength]!;
    return everywhere(over(clip, peak(clip.echoed.slice(), chance.between(5800, 7500), 0.9, gainDb)));
  },
  muffled: (_, clip, strength) =>
    everywhere(over(clip, highShelf(clip.echoed.slice(), 2200, -[13, 17, 22][strength]!))),
  boomy: (_, clip, strength) => everywhere(over(clip, lowShelf(clip.echoed.slice(), 260, [10, 13, 17][strength]!))),
  dropout: (chance, clip, strength) => {
    const samples = clip.samples.slice();
    const spans = inVoice(chance, clip, 6, 0.1).map((from): Span => {
      const length = frames(chance.between(0.03, 0.06) * [1, 2, 4][strength]!);
      for (let index = 0; index < length; index += 1) {
        const edge = Math.min(1, index / 60, (length - index) / 60);
        samples[from + index]! *= 1 - edge;
        samples[from + index]! += gainOf(-104) * chance.normal();
      }
      return { from, to: from + length };
    });
    return at(samples, spans);
  },
  radioNoise: (chance, clip, strength) =>
    withSounds(chance, clip, places(chance, clip, 6, 0.5), [-4, 2, 8][strength]!, () =>
      faded(white(chance, frames(chance.between(0.02, 0.15))), 0.0005, 0.0005),
    ),
  gap: (chance, clip, strength) => {
    const samples = clip.samples.slice();
    const spans = inVoice(chance, clip, 6, 0.05).map((from): Span => {
      const length = frames(chance.between(0.002, 0.004) * [1, 3, 9][strength]!);
      samples.fill(0, from, from + length);
      return { from, to: from + length };
    });
    return at(samples, spans);
  },
  repeated: (chance, clip, strength) => {
    const samples = clip.samples.slice();
    const spans = inVoice(chance, clip, 6, 0.1).map((from): Span => {
      const length = chance.pick(
        [
          [128, 192],
          [256, 512],
          [1024, 2048],
        ][strength]!,
      );
      samples.copyWithin(from + length, from, from + length);
      return { from, to: from + 2 * length };
    });
    return at(samples, spans);
  },
  silent: (chance, clip, strength) => {
    const level = [gainOf(-88), gainOf(-100), 0][strength]!;
    return everywhere(white(chance, clip.samples.length).map((value) => value * level));
  },
  linked: (_, clip, strength) => {
    const gain = [gainOf(-6), gainOf(-1.5), 1][strength]!;
    return everywhere(
      clip.samples,
      clip.samples.map((value) => value * gain),
    );
  },
  inverted: (chance, clip) =>
    everywhere(clip.samples, secondMicrophone(chance, clip, Math.round(chance.between(0, 60)), -1)),
  delayed: (chance, clip, strength) =>
    everywhere(clip.samples, secondMicrophone(chance, clip, frames([0.006, 0.015, 0.035][strength]!), 1)),
  pumping: (_, clip, strength) => {
    const loud = automatic(clip.samples, topOf(clip.samples) * 0.7, [10, 14, 20][strength]!, [7, 10, 15][strength]!);
    return everywhere(peaking(loud, -9));
  },
  lowCut: (_, clip, strength) => {
    const samples = highPass(clip.samples.slice(), [80, 100, 140][strength]!);
    return everywhere(highPass(samples, [80, 100, 140][strength]!));
  },
  headTurn: (_, clip, strength) => {
    const dull = highShelf(clip.echoed.slice(), 1500, -[9, 12, 16][strength]!);
    const drop = gainOf(-[3, 4, 6][strength]!);
    const samples = clip.echoed.slice();
    const spans = clip.spoken
      .filter((_, index) => index % 3 === 1)
      .map(({ from, to }): Span => {
        const edge = frames(0.15);
        for (let index = from - edge; index < to + edge && index < samples.length; index += 1) {
          const share = Math.max(0, Math.min(1, (index - from + edge) / edge, (to + edge - index) / edge));
          samples[index] = samples[index]! * (1 - share) + dull[index]! * drop * share;
        }
        return { from, to };
      });
    return at(over(clip, samples), spans);
  },
  dcOffset: (chance, clip, strength) =>
    everywhere(clip.samples.map((value) => value + [0.015, 0.03, 0.08][strength]! * (chance.next() < 0 ? -1 : 1))),
};

export const LABELLED_KINDS = Object.keys(INJECTORS) as FindingKind[];

/** Clean speech with one kind of fault of one strength. */
export function faultyClip(chance: Chance, kind: FindingKind, voice: Voice, strength: Strength, seconds = 60): Faulty {
  return { kind, ...INJECTORS[kind]!(chance, clipOf(chance, voice, cleanWish(chance, seconds)), strength) };
}
