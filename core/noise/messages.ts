import type { Message } from "../message";

/** What is said while somebody listens to a place for a minute, and of a recording of its noise. */
export type NoiseCatalogue = {
  "listen.sitStill": object;
  "listen.nearBy": object;
  "listen.aboveAndBelow": object;
  "listen.outside": object;
  "listen.living": object;
  "listen.far": object;
  "listen.silentNow": object;
  "tone.tooShort": { seconds: number; neededS: number };
  "tone.notSound": object;
  "tone.silent": object;
};
export type NoiseMessage = Message<NoiseCatalogue>;
