import type { Message } from "../message";

/** What is said about files that were lined up. */
export type SyncCatalogue = {
  /** So many picture files have their sound, of so many. */
  "sync.sum": { paired: number; pictures: number; sounds: number };
  "sync.none": object;
  "sync.noSound": object;
  /** Its sound is of a kind that is not decoded here. */
  "sync.codec": { codec: string; isShell: boolean };
  "sync.silent": object;
  "sync.tooShort": { leastS: number };
  "sync.nothingAlike": { isPicture: boolean };
  "sync.byClock": { name: string };
  /** Drift over the whole overlap, ms; `isAudible`: beyond what lip sync forgives. */
  "sync.drift": { ppm: number; byMs: number; isAudible: boolean };
  "sync.inverted": object;
};
export type SyncMessage = Message<SyncCatalogue>;
