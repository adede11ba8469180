import type { FindingKind } from "../../core/check";
import type { ProofCatalogue } from "../../core/proof";
import { saidBy, type Templates } from "../templates";
import { chain } from "./chain";
import { KIND_WORDS } from "./kinds";
import { figure, list, lowerFirst, upperFirst } from "./words";

/** What a take comes to by the worst that was found in it. */
const VERDICTS: Record<FindingKind, string> = {
  silent: "Nothing was recorded: find the break first.",
  clipped: "Clipped on loud syllables: lower the gain and go again.",
  overloadedEarlier: "Something before the recorder overloads: record it again with the pack less sensitive.",
  brokenSamples: "The file is damaged: export or copy it again.",
  dropout: "The radio drops out: fix the link and record it again.",
  radioNoise: "The radio bursts into noise: fix the link and record it again.",
  click: "There are clicks: check the clocks. The edit can repair single ones.",
  crackle: "A contact crackles: swap the cable and record it again.",
  contactLost: "The contact was lost for a moment: check plugs and power, and record it again.",
  buzz: "A phone buzzes into it: move phones away and record it again.",
  whine: "There is a whine under the voice.",
  narrowBand: "The voice comes as over a telephone: use another input.",
  noSpeech: "Nobody speaks on it: check that this is the right input.",
  gap: "Samples are missing: record it again with nothing else running.",
  repeated: "Blocks are repeated: two clocks drift, or the computer was busy.",
  swapped: "The tracks are swapped: each holds the other voice.",
  noisy: "The voice is not far enough above the noise.",
  ownMicrophone: "This may be the device's own microphone, not the one that was placed.",
  rustle: "Cloth rustles over words: remount the microphone and record it again.",
  wind: "There is wind on it: cover the capsule and record it again.",
  hum: "There is hum under the voice.",
  hiss: "There is hiss under the voice.",
  roomy: "The room is too strong: come closer.",
  pumping: "The gain pumps: switch automatic gain off and set it by hand.",
  muffled: "The voice is muffled: something lies over the capsule.",
  knock: "There is handling noise: free the cable and the mount.",
  plosive: "There are plosives: turn the capsule out of the breath.",
  headTurn: "The voice turns away from the microphone at times.",
  limited: "A limiter works all the time: lower the pack's sensitivity.",
  inverted: "Two microphones are of opposite polarity.",
  linked: "Two channels hold the same sound.",
  tooHot: "Usable, but it runs hot: a louder line would clip.",
  overFullScale: "Peaks exceed full scale. The float file keeps them: turn it down in the edit.",
  tooLow: "Clean but low: it will need lifting in the edit, noise and all.",
  boomy: "The voice is boomy: a shelf in the edit thins it.",
  sibilant: "Sibilance is strong: the edit can tame it.",
  wrongFormat: "Good, but not in the format agreed.",
  cutShort: "Good, but the file is truncated.",
  delayed: "Good, but one microphone is later than another.",
  breath: "Good, with breaths heard before phrases.",
  dcOffset: "Good, with a DC offset that a low cut removes.",
  lowCut: "Good. The lows are already cut.",
};

const advised = saidBy(chain);

const minutesOrSeconds = (seconds: number): string =>
  seconds < 90 ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`;

const tenths = (db: number): string => String(Math.abs(Math.round(db * 10) / 10));

function correctionWords({ byDb, isAtLeast, turns, advice }: ProofCatalogue["proof.correction"]): string {
  if (byDb === null) return "Leave the levels as they are.";
  const amount = `${figure(Math.abs(byDb))} dB`;
  if (turns.length === 0)
    return byDb < 0
      ? `It needs to come down by ${isAtLeast ? "at least " : ""}${amount}, and no control can go lower. ${
          advice ? advised(advice) : "Use a less sensitive capsule, or a pad."
        }`
      : `It needs to come up by ${amount}, and no control can go higher. Come closer, or use a more sensitive capsule.`;
  const said = turns.map(
    ({ device, control, byDb: by, to }) =>
      `the ${device.split(",")[0]}'s ${control.toLowerCase()} ${by < 0 ? "down" : "up"} by ${tenths(by)} dB (to ${to})`,
  );
  return `Turn ${list(said)}.${advice ? ` ${advised(advice)}` : ""}`;
}

export const proof: Templates<ProofCatalogue> = {
  "proof.verdict": ({ worst }) => (worst ? VERDICTS[worst] : "A good recording: clean, and well above the noise."),
  "proof.correction": correctionWords,
  "proof.turns": ({ turns }) =>
    `${upperFirst(
      list(
        turns.map(
          ({ device, control, byDb }) =>
            `${device.split(",")[0]} ${control.toLowerCase()} ${byDb < 0 ? "down" : "up"} ${tenths(byDb)} dB`,
        ),
      ),
    )}.`,
  "proof.redress": ({ kind, times, durationS, from, to, rank }) =>
    `${KIND_WORDS[kind].name}${times > 1 ? `, ${times} times in ${minutesOrSeconds(durationS)}` : ""}: ${lowerFirst(
      from,
    )}. Use place ${rank} instead: ${lowerFirst(to)}.`,
  "proof.asWritten": ({ text }) => text,
  "trend.voiceFell": ({ byDb }) =>
    `The voice fell by ${figure(byDb)} dB: has the microphone slipped, or are they tired? Look before the next take.`,
  "trend.voiceRose": ({ byDb }) => `The voice rose by ${figure(byDb)} dB: leave more headroom.`,
  "trend.noiseRose": ({ byDb }) =>
    `The noise rose by ${figure(byDb)} dB: find what was switched on, or what is coming closer.`,
  "trend.noiseFell": ({ byDb }) => `The noise fell by ${figure(byDb)} dB.`,
  "trend.rustleGrows": () => "Rustle is growing: the mount has come loose. Remount the microphone.",
  "trend.dropoutsGrow": () => "Dropouts increase towards the end, as when a battery runs down: change batteries now.",
};
