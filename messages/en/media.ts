import type { MediaCatalogue } from "../../core/media";
import type { Templates } from "../templates";
import { clock, count } from "./words";

const gb = (gigabytes: number): string => `${gigabytes.toFixed(1)} GB`;

export const media: Templates<MediaCatalogue> = {
  "media.nothingRecorded": () => "Nothing is recorded on this day.",
  "media.noCard": ({ gigabytes }) => `${gb(gigabytes)} are needed, and there is no card.`,
  "media.takeFitsNoCard": ({ title }) =>
    `A take of ${title} does not fit on any card. Use a larger card, or shorter takes.`,
  "media.cardsEnd": ({ atMin, title, minutes, more, gigabytes }) =>
    `The cards last until ${clock(atMin)}: ${title} needs ${Math.ceil(minutes)} min more. Bring ${count(more, "more card", "more cards")} of ${gigabytes} GB.`,
  "media.oneCard": ({ gigabytes }) => `One card is enough: ${gb(gigabytes)} will be recorded.`,
  "media.changeCard": ({ atMin, title }) =>
    `The first card lasts until ${clock(atMin)}. Change it between takes of ${title}.`,
  "media.rate": ({ sampleRateHz, use }) =>
    `${sampleRateHz / 1000} kHz for ${use === "speech" ? "radio and speech" : "picture"}.`,
  "media.bits16Enough": ({ byDb }) =>
    `16-bit would be enough here: its noise floor lies ${Math.floor(byDb)} dB below the noise of the place.`,
  "media.bits16TooFew": ({ byDb }) =>
    `16-bit is not enough here: its noise floor lies ${Math.ceil(byDb)} dB above the noise of the place.`,
  "media.float": () =>
    "32-bit float: what goes over full scale in the file can be brought down later. What clips before the converter cannot.",
  "media.bits24": () => "24-bit leaves room to record lower: peaks at −12 dBFS, or −20 dBFS on average.",
  "media.bits16": () => "16-bit: keep peaks near −12 dBFS, or hiss comes up later.",
  "media.safetyTrack": () => "Record a safety track 6 to 12 dB lower, if there is a free track.",
  "media.tracks": ({ tracks, isSame }) => {
    if (tracks === 1) return "Mono: one track, half the size of dual mono.";
    if (isSame) return "Dual mono: both channels are the same. Keep it only where a player needs two.";
    if (tracks === 2) return "Two tracks that are no stereo picture: deliver them as two mono files.";
    return `${tracks} tracks in one polyphonic file stay in sync with each other.`;
  },
  "media.compressed": ({ factor }) =>
    factor === null
      ? "Uncompressed: nothing is lost."
      : `${factor.toFixed(0)} times smaller, but the loss is heard once it is cleaned, cut and compressed again. Only when space forces it.`,
  "media.tape": ({ minutes, isSlow }) =>
    `${minutes.toFixed(minutes < 10 ? 1 : 0)} min in one direction. ${isSlow ? "Slow: fewer highs, and hard to cut." : "Good for sound and easy to cut."} Record in one direction only: a cut on one side cuts the other.`,
};
