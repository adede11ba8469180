import type { Message } from "../message";

/** What is said about cards, files, formats and tape. Times are minutes after midnight. */
export type MediaCatalogue = {
  "media.nothingRecorded": object;
  "media.noCard": { gigabytes: number };
  "media.takeFitsNoCard": { title: string };
  "media.cardsEnd": { atMin: number; title: string; minutes: number; more: number; gigabytes: number };
  "media.oneCard": { gigabytes: number };
  "media.changeCard": { atMin: number; title: string };
  "media.rate": { sampleRateHz: number; use: "speech" | "picture" };
  "media.bits16Enough": { byDb: number };
  "media.bits16TooFew": { byDb: number };
  "media.float": object;
  "media.bits24": object;
  "media.bits16": object;
  "media.safetyTrack": object;
  "media.tracks": { tracks: number; isSame: boolean };
  /** How many times smaller; null: uncompressed. */
  "media.compressed": { factor: number | null };
  "media.tape": { minutes: number; isSlow: boolean };
};
export type MediaMessage = Message<MediaCatalogue>;
