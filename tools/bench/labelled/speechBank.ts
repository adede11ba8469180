import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { highPass, highShelf, lowPass, lowShelf, peak } from "../../../demo/labelled/filters";
import { rmsOf } from "../../../demo/labelled/noises";
import { RATE } from "../../../demo/labelled/rate";
import type { Voice } from "../../../demo/labelled/voice";

/** Made voices: language, variant, pitch, speed. Women, men, and children by pitch. */
const MADE: readonly (readonly [language: string, variant: string, pitch: number, speed: number])[] = [
  ["en-gb", "m3", 35, 160],
  ["en-us", "f2", 60, 170],
  ["en-gb", "f4", 95, 150],
  ["de", "m1", 30, 150],
  ["de", "f3", 65, 165],
  ["fr-fr", "m2", 45, 175],
  ["es", "f1", 60, 180],
  ["it", "m4", 50, 165],
  ["pl", "f5", 92, 155],
  ["sv", "m6", 25, 145],
];

const SENTENCES: Readonly<Record<string, readonly string[]>> = {
  en: [
    "The tide turns the wheel for five hours a day.",
    "When it slackens, we stop the stones and wait for the water.",
    "My grandfather painted these boats before anybody counted them.",
    "Put the big sacks by the door, please, and keep the paper dry.",
    "Six ships came past us on Thursday; she saw them first.",
    "I thought about it for a long while, and then I said yes.",
  ],
  de: [
    "Das Wasser treibt das Rad fünf Stunden am Tag.",
    "Dann warten wir, bis es wieder steigt, und trinken Kaffee.",
    "Mein Großvater hat dieses Schiff noch selbst gestrichen.",
    "Stellen Sie die Säcke bitte an die Tür, und passen Sie auf das Papier auf.",
    "Sechs Schiffe sind am Donnerstag vorbeigefahren.",
  ],
  fr: [
    "La marée fait tourner la roue pendant cinq heures.",
    "Puis nous attendons que l'eau remonte, et nous parlons.",
    "Mon grand-père a peint ce bateau avant tout le monde.",
    "Posez les sacs près de la porte, s'il vous plaît.",
  ],
  es: [
    "La marea mueve la rueda durante cinco horas.",
    "Después esperamos a que vuelva a subir el agua.",
    "Mi abuelo pintó este barco antes que nadie.",
    "Pongan los sacos junto a la puerta, por favor.",
  ],
  it: [
    "La marea fa girare la ruota per cinque ore.",
    "Poi aspettiamo che l'acqua torni a salire.",
    "Mio nonno ha dipinto questa barca prima di tutti.",
    "Mettete i sacchi vicino alla porta, per piacere.",
  ],
  pl: [
    "Przypływ obraca koło przez pięć godzin.",
    "Potem czekamy, aż woda znowu się podniesie.",
    "Proszę postawić worki przy drzwiach.",
    "Mój dziadek pomalował tę łódź jako pierwszy.",
  ],
  sv: [
    "Tidvattnet driver hjulet i fem timmar.",
    "Sedan väntar vi tills vattnet stiger igen.",
    "Ställ säckarna vid dörren, tack.",
    "Min farfar målade båten före alla andra.",
  ],
};

const SOUNDS = "/usr/share/asterisk/sounds";
/** Recordings of real people from Debian's packages under free licences: languages, by the folder's beginning. */
const REAL = ["en", "es", "fr", "it", "ru"];
const REAL_SENTENCES = 14;

function floatsOf(command: string, args: readonly string[]): Float32Array {
  const made = spawnSync(command, args, { maxBuffer: 1 << 28 });
  if (made.status !== 0) throw new Error(`${command} failed: ${made.stderr.toString().slice(0, 400)}`);
  const bytes = made.stdout;
  const samples = new Float32Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + (bytes.length & ~3)));
  let largest = 0;
  for (const value of samples) largest = Math.max(largest, Math.abs(value));
  return samples.map((value) => (value * 0.9) / Math.max(largest, 1e-6));
}

/** Long-term average speech by third-octave 125 Hz to 8 kHz, dB. Source: Byrne et al. (1994), from memory. */
const AVERAGE_SPEECH_DB = [
  57.7, 56.8, 60.2, 60.3, 59.0, 62.1, 62.1, 60.5, 56.8, 53.7, 53.0, 52.0, 48.7, 48.1, 46.8, 45.6, 44.5, 44.3, 43.7,
];

function levelAround(samples: Float32Array, hz: number): number {
  const q = 4.3;
  const band = lowPass(highPass(samples.slice(), hz / 2 ** (1 / 6), q / 4), hz * 2 ** (1 / 6), q / 4);
  return 20 * Math.log10(rmsOf(band) + 1e-9);
}

/** Gives a made voice the average spectrum of speech by two shelves and a bell, so that no voice is odd from the start. */
function natural(samples: Float32Array): Float32Array {
  const of = (levels: readonly number[], from: number, to: number) =>
    10 * Math.log10(levels.slice(from, to).reduce((sum, level) => sum + 10 ** (level / 10), 0));
  const middles = AVERAGE_SPEECH_DB.map((_, index) => 1000 * 2 ** ((index - 9) / 3));
  for (let turn = 0; turn < 3; turn += 1) {
    const levels = middles.map((hz) => levelAround(samples, hz));
    const off = (from: number, to: number) =>
      of(AVERAGE_SPEECH_DB, from, to) - of(AVERAGE_SPEECH_DB, 5, 12) - (of(levels, from, to) - of(levels, 5, 12));
    lowShelf(samples, 300, Math.max(-12, Math.min(12, 0.8 * off(0, 4))));
    peak(samples, 3500, 0.7, Math.max(-12, Math.min(12, 0.8 * off(13, 16))));
    highShelf(samples, 5500, Math.max(-12, Math.min(12, 0.8 * off(16, 19))));
  }
  return samples;
}

function together(parts: readonly Float32Array[]): Float32Array {
  const whole = new Float32Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** The same correction for all sentences of a voice. */
function naturalVoice(sentences: readonly Float32Array[]): Float32Array {
  const whole = natural(together(sentences));
  const loudest = whole.reduce((most, value) => Math.max(most, Math.abs(value)), 1e-6);
  return whole.map((value) => (value * 0.9) / loudest);
}

/** Cuts a whole into parts as long as others are. */
function cutLike(whole: Float32Array, parts: readonly Float32Array[]): Float32Array[] {
  let at = 0;
  return parts.map(({ length }) => whole.slice(at, (at += length)));
}

/** Recorded voices have pops and rumble of their own, which nobody has marked: their lows are cut. */
const REAL_LOW_CUT_HZ = 90;
const MADE_LOW_CUT_HZ = 40;

function raw(file: string, lowCutHz: number): Float32Array {
  const format = ["-f", "f32le", "-ac", "1", "-ar", String(RATE), "-"];
  return floatsOf("ffmpeg", ["-v", "error", "-i", file, "-af", `highpass=f=${lowCutHz}`, ...format]);
}

/** A recorded sentence that is so much brighter or duller than the others of its voice, dB, was taken otherwise: off the axis, or nearer. */
const STRAYS_DB = 3.5;

/** How bright a sentence is: 2.25 to 9 kHz re 280 Hz to 1.1 kHz, dB. */
function brightnessOf(sentence: Float32Array): number {
  const between = (fromHz: number, toHz: number) =>
    20 * Math.log10(rmsOf(lowPass(highPass(sentence.slice(), fromHz, Math.SQRT1_2), toHz, Math.SQRT1_2)) + 1e-9);
  return between(2250, 9000) - between(280, 1120);
}

/** Sentences that are alike in brightness: a turned head is a fault that nobody has marked in the others. */
function alike(sentences: readonly Float32Array[]): Float32Array[] {
  const brightnesses = sentences.map(brightnessOf);
  const usual = [...brightnesses].sort((a, b) => a - b)[brightnesses.length >> 1]!;
  return sentences.filter((_, index) => Math.abs(brightnesses[index]! - usual) <= STRAYS_DB);
}

/** Every voice, made once and kept as samples under the given folder. */
export function speechBank(folder: string): Voice[] {
  mkdirSync(folder, { recursive: true });
  const kept = (name: string, make: () => Float32Array): Float32Array => {
    const path = join(folder, `${name}.f32`);
    if (!existsSync(path)) {
      const samples = make();
      writeFileSync(path, Buffer.from(samples.buffer));
    }
    const bytes = readFileSync(path);
    return new Float32Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length));
  };
  const made = MADE.map(([language, variant, pitch, speed]): Voice => {
    const name = `${language}-${variant}`;
    const lines = SENTENCES[language.slice(0, 2)]!;
    return {
      name,
      isReal: false,
      sentences: lines.map((line, index) =>
        kept(`${name}-${index}`, () => {
          const wav = join(folder, "one.wav");
          spawnSync("espeak-ng", ["-v", `${language}+${variant}`, "-p", `${pitch}`, "-s", `${speed}`, "-w", wav, line]);
          return raw(wav, MADE_LOW_CUT_HZ);
        }),
      ),
    };
  });
  const real = REAL.flatMap((language): Voice[] => {
    const files = (existsSync(SOUNDS) ? (readdirSync(SOUNDS, { recursive: true }) as string[]) : [])
      .filter((file) => file.startsWith(`${language}_`) && file.endsWith(".g722"))
      .map((file) => join(SOUNDS, file))
      .filter((file) => statSync(file).size > 24_000 && statSync(file).size < 90_000)
      .sort()
      .slice(0, REAL_SENTENCES);
    if (files.length === 0) return [];
    const sentences = files.map((file, index) => kept(`real-${language}-${index}`, () => raw(file, REAL_LOW_CUT_HZ)));
    return [{ name: `real-${language}`, isReal: true, sentences }];
  });
  return [...made, ...real].map((voice) => {
    const whole = kept(`natural-${voice.name}`, () => naturalVoice(voice.sentences));
    const sentences = cutLike(whole, voice.sentences);
    return { ...voice, sentences: voice.isReal ? alike(sentences) : sentences };
  });
}
