import type { SyncCatalogue } from "../../core/sync";
import type { Templates } from "../templates";
import { count } from "./words";

export const sync: Templates<SyncCatalogue> = {
  "sync.sum": ({ paired, pictures, sounds }) =>
    paired === pictures
      ? pictures === 1
        ? "The picture file has its sound."
        : `${pictures === 2 ? "Both" : `All ${pictures}`} picture files have their sound.`
      : `${paired} of ${count(pictures, "picture file", "picture files")} matched, from ${count(sounds, "sound file", "sound files")}.`,
  "sync.none": () => "No picture file matches a sound file.",
  "sync.noSound": () => "No sound in it.",
  "sync.codec": ({ codec, isShell }) =>
    isShell
      ? `Its sound is ${codec}, which only the browser decodes: line it up there, or make a WAV of it first.`
      : `This browser does not decode ${codec}. Make a WAV of its sound first.`,
  "sync.silent": () => "Its sound is digital silence.",
  "sync.tooShort": ({ leastS }) => `Shorter than ${leastS} s: too short to be sure.`,
  "sync.nothingAlike": ({ isPicture }) =>
    isPicture ? "No sound file has the same sound." : "No picture file has the same sound.",
  "sync.byClock": ({ name }) => `By the clocks it belongs to ${name}; by ear nothing confirms it.`,
  "sync.drift": ({ ppm, byMs, isAudible }) =>
    isAudible
      ? `The clocks drift ${Math.abs(ppm).toFixed(1)} ppm apart: ${Math.abs(byMs).toFixed(0)} ms by the end, out of lip sync. Correct it.`
      : `The clocks drift ${Math.abs(ppm).toFixed(1)} ppm apart: ${Math.abs(byMs).toFixed(0)} ms by the end.`,
  "sync.inverted": () => "The polarity is turned over between camera and recorder.",
};
