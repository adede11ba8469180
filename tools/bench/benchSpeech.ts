import { pieceMeter } from "../../core/audio";
import { hear } from "../../core/check";
import { chanceOf } from "../../demo/labelled/chance";
import { cleanWish, clipOf, levelIn, type Clip } from "../../demo/labelled/clip";
import { RATE } from "../../demo/labelled/rate";
import type { Voice } from "../../demo/labelled/voice";

/** How well speech is told from pauses at one distance of voice and noise. */
export interface SpeechResult {
  snrDb: number;
  /** Share of what is spoken that is taken for speech, and of what is not. */
  hit: number;
  falseAlarm: number;
}

const SNRS_DB = [30, 20, 10, 5] as const;
const HOP = RATE / 100;
/** A hop counts as spoken where the dry voice is at most this far under its own level, dB; in between nobody is asked. */
const SPOKEN_DB = -15;
const SILENT_DB = -45;
/** Speech is rounded off at its ends: pauses are asked for this far away from it, hops. */
const AWAY = 25;

function decisionOf({ samples }: Clip): Uint8Array {
  const form = { sampleRateHz: RATE, channels: 1, fullScale: 1, encoding: "float", bytesPerSample: 4 } as const;
  const meter = pieceMeter(form, samples.length / RATE + 1);
  meter.begin(0);
  for (let from = 0; from < samples.length; from += meter.blockFrames)
    meter.pushPlanes([samples], from, Math.min(meter.blockFrames, samples.length - from));
  return hear(meter.finish(), 0, 0).isSpeech;
}

/** Counts a clip's hops: spoken and found, not spoken and found. */
function count(clip: Clip): { spoken: number; hits: number; silent: number; alarms: number } {
  const isSpeech = decisionOf(clip);
  const levels = Array.from({ length: isSpeech.length }, (_, hop) =>
    levelIn(clip.dry, [{ from: hop * HOP, to: Math.min(clip.dry.length, (hop + 1) * HOP) }]),
  );
  const isSpoken = (hop: number) => (levels[hop] ?? -200) > clip.speechDb + SPOKEN_DB;
  const sums = { spoken: 0, hits: 0, silent: 0, alarms: 0 };
  for (let hop = 0; hop < isSpeech.length; hop += 1) {
    if (isSpoken(hop)) {
      sums.spoken += 1;
      sums.hits += isSpeech[hop]!;
      continue;
    }
    let isFar = levels[hop]! < clip.speechDb + SILENT_DB;
    for (let near = Math.max(0, hop - AWAY); isFar && near <= hop + AWAY; near += 1)
      isFar = (levels[near] ?? -200) < clip.speechDb + SILENT_DB;
    if (!isFar) continue;
    sums.silent += 1;
    sums.alarms += isSpeech[hop]!;
  }
  return sums;
}

/** Speech against pauses for every voice, over the noises of the labelled set. */
export function runSpeech(seed: number, voices: readonly Voice[], seconds: number): SpeechResult[] {
  return SNRS_DB.map((snrDb) => {
    const sums = voices.map((voice, index) => {
      const chance = chanceOf(seed * 577 + index * 31 + snrDb);
      const wish = cleanWish(chance, seconds);
      return count(clipOf(chance, voice, { ...wish, noiseDb: wish.speechDb - snrDb }));
    });
    const total = (key: keyof ReturnType<typeof count>) => sums.reduce((sum, each) => sum + each[key], 0);
    return {
      snrDb,
      hit: total("hits") / Math.max(1, total("spoken")),
      falseAlarm: total("alarms") / Math.max(1, total("silent")),
    };
  });
}
