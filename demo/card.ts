import { toWav } from "../core/audio";
import { minutesOfDay } from "../core/schedule";
import type { FindingKind } from "../core/check";
import { chanceOf } from "./labelled/chance";
import { cleanWish, clipOf } from "./labelled/clip";
import { faultyClip, type Strength } from "./labelled/faults";
import { RATE } from "./labelled/rate";
import type { Voice } from "./labelled/voice";
import { CARD_FILES, type CardFileName, type CardVoice } from "./recordings";

/** How one recording of the demo's card is made. */
interface Recipe {
  voice: CardVoice;
  /** Null: a good one. */
  fault: FindingKind | null;
  strength: Strength;
  /** When it was recorded. */
  at: string;
}

/** Long enough for each fault to be told from chance, s. */
const SECONDS = 24;
const FIRST_SEED = 4711;

const take = (at: string, voice: CardVoice, fault: FindingKind | null, strength: Strength = 2): Recipe => ({
  at,
  voice,
  fault,
  strength,
});

/** One fault a recording, and some that are good. */
export const CARD: Readonly<Record<CardFileName, Recipe>> = {
  "D1_S01_T04_Tam.wav": take("09:44", "miller", null),
  "D1_S01_T05_Tam.wav": take("09:52", "miller", "rustle", 1),
  "D1_S01_T06_Tam.wav": take("10:05", "miller", "hum"),
  "D1_S01_T07_Tam.wav": take("10:21", "miller", "roomy"),
  "D1_S02_T02_Ines.wav": take("14:03", "engineer", "wind"),
  "D1_S02_T03_Ines.wav": take("14:09", "engineer", "dropout"),
  "D1_S02_T04_Ines.wav": take("14:15", "engineer", null),
  "D1_S02_T05_Ines.wav": take("14:22", "engineer", "clipped"),
  "D1_S02_T06_Ines.wav": take("14:29", "engineer", "knock"),
  "D1_S02_T07_Ines.wav": take("14:37", "engineer", "gap"),
  "D3_S04_T02_Odile.wav": take("15:12", "singer", "plosive"),
  "D3_S04_T03_Odile.wav": take("15:20", "singer", "muffled"),
  "D3_S04_T04_Odile.wav": take("15:27", "singer", null),
  "D3_S04_T05_Odile.wav": take("15:35", "singer", "silent"),
  "D3_S03_T01_Tam.wav": take("13:31", "miller", "noisy"),
  "D3_S03_T02_Tam.wav": take("13:36", "miller", "delayed"),
  "D3_S03_T03_Tam.wav": take("13:42", "miller", null),
  "D2_S01_T01_Jory.wav": take("08:34", "miller", "clipped"),
  "D2_S01_T02_Jory.wav": take("08:41", "miller", null),
  "D2_S02_T01_Wen.wav": take("11:04", "engineer", "noisy"),
  "D2_S02_W01_Wen.wav": take("11:09", "engineer", null),
};

/** One recording of the card as a WAV of 24 bit. */
export function makeCardRecording(file: CardFileName, voice: Voice): Uint8Array<ArrayBuffer> {
  const index = CARD_FILES.indexOf(file);
  const recipe = CARD[file];
  const chance = chanceOf(FIRST_SEED + index * 101);
  const channels = recipe.fault
    ? faultyClip(chance, recipe.fault, voice, recipe.strength, SECONDS).channels
    : [clipOf(chance, voice, cleanWish(chance, SECONDS)).samples];
  return toWav(channels, { sampleRateHz: RATE, bits: 24, startedAtS: 60 * minutesOfDay(recipe.at) });
}
