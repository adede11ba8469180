import { toWav } from "../core/audio/toWav";
import type { FindingKind } from "../core/check/measurement";
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
}

/** Long enough for each fault to be told from chance, s. */
const SECONDS = 24;
const FIRST_SEED = 4711;

const take = (voice: CardVoice, fault: FindingKind | null, strength: Strength = 2): Recipe => ({
  voice,
  fault,
  strength,
});

/** One fault a recording, and four that are good. */
export const CARD: Readonly<Record<CardFileName, Recipe>> = {
  "D1_S01_T01_Miller.wav": take("miller", null),
  "D1_S01_T02_Miller.wav": take("miller", "rustle"),
  "D1_S01_T03_Miller.wav": take("miller", "hum"),
  "D1_S01_T04_Miller.wav": take("miller", "roomy"),
  "D1_S02_T01_Engineer.wav": take("engineer", "wind"),
  "D1_S02_T02_Engineer.wav": take("engineer", "dropout"),
  "D1_S02_T03_Engineer.wav": take("engineer", null),
  "D1_S02_T04_Engineer.wav": take("engineer", "clipped"),
  "D1_S03_T01_Engineer.wav": take("engineer", "knock"),
  "D1_S03_T02_Engineer.wav": take("engineer", "gap"),
  "D2_S04_T01_Singer.wav": take("singer", "plosive"),
  "D2_S04_T02_Singer.wav": take("singer", "muffled"),
  "D2_S04_T03_Singer.wav": take("singer", null),
  "D2_S04_T04_Singer.wav": take("singer", "silent"),
  "D2_S05_T01_Miller.wav": take("miller", "noisy"),
  "D2_S05_T02_Miller.wav": take("miller", "delayed"),
  "D2_S05_T03_Miller.wav": take("miller", null),
};

/** One recording of the card as a WAV of 24 bit. */
export function makeCardRecording(file: CardFileName, voice: Voice): Uint8Array<ArrayBuffer> {
  const index = CARD_FILES.indexOf(file);
  const recipe = CARD[file];
  const chance = chanceOf(FIRST_SEED + index * 101);
  const channels = recipe.fault
    ? faultyClip(chance, recipe.fault, voice, recipe.strength, SECONDS).channels
    : [clipOf(chance, voice, cleanWish(chance, SECONDS)).samples];
  return toWav(channels, { sampleRateHz: RATE, bits: 24 });
}
