import type { ChainCatalogue, NoiseOrigin } from "../../core/chain";
import type { Templates } from "../templates";
import { figure, upperFirst } from "./words";

const ORIGINS: Record<NoiseOrigin, string> = {
  place: "the place",
  capsule: "the capsule",
  packInput: "the pack's input",
  radioLink: "the radio link",
  converter: "the converter",
  recorderInput: "the recorder's input",
  interfaceInput: "the interface's input",
};

/** Where noise is from, in words: one of ours, or a device by its name. */
export const originWords = (origin: string): string => ORIGINS[origin as NoiseOrigin] ?? origin;

const the = (device: string): string => (device === "receiver" ? "the receiver" : device);

const ofDevice = ({ stage, device }: { stage: string; device: string }): string =>
  stage.toLowerCase() === device.toLowerCase() ? stage : `${stage} of ${device}`;

const lineOrPad = (padDb: number | null): string =>
  `take a line input${padDb === null ? "" : `, or a pad of ${padDb} dB in the cable`}`;

export const chain: Templates<ChainCatalogue> = {
  "chain.lowerGain": ({ overDb }) => `Peaks exceed the ceiling by ${overDb} dB: lower the gain.`,
  "chain.stillTooHigh": ({ overDb, hasKnob, isFeed }) =>
    `Peaks exceed the ceiling by ${overDb} dB and ${
      hasKnob ? "every control is at its lowest" : "nothing here can be turned"
    }: ${
      isFeed
        ? `ask for a lower send, or put a pad of ${overDb} dB or more in the cable`
        : "go further away, or use a less sensitive microphone or input"
    }.`,
  "chain.raiseGain": () => "Peaks stay low: raise the gain.",
  "chain.stillTooLow": ({ hasKnob, isFeed }) =>
    `Peaks stay low ${hasKnob ? "with everything turned up" : "and nothing here can be turned"}: ${
      isFeed
        ? "ask for a higher send, or raise it in the edit"
        : "come closer, use a more sensitive microphone, or raise it in the edit"
    }.`,
  "chain.capsuleOverloads": ({ overDb }) =>
    `The capsule itself overloads by ${overDb} dB: no setting cures that. Use a capsule with a higher overload, or a place further from the mouth.`,
  "chain.packOverloads": ({ overDb }) =>
    `The pack overloads by ${overDb} dB: turn its sensitivity down there. No later control can repair it.`,
  "chain.packOverloadsAtLowest": ({ lessDb }) =>
    `The pack overloads even at its lowest sensitivity: a capsule ${lessDb} dB less sensitive is the cure. No later control can repair it.`,
  "chain.computerClips": ({ overDb, cure }) =>
    `The computer's converter clips by ${overDb} dB: ${
      cure === "boostOff"
        ? "take the boost off"
        : "turnDown" in cure
          ? `turn ${the(cure.turnDown)} down`
          : lineOrPad(cure.padDb)
    }. The system's level comes after it: halving that only makes the clipping quieter.`,
  "chain.stageClips": ({ stage, overDb }) => `${stage} clips by ${overDb} dB: turn it down there.`,
  "chain.tooLoudFor": ({ device, overDb, cure }) =>
    "turnDown" in cure
      ? `${overDb} dB too loud for ${device}: turn ${the(cure.turnDown)} down.`
      : `${overDb} dB too loud for ${device}: it clips however low the gain, and no later control cures that. ${upperFirst(lineOrPad(cure.padDb))}.`,
  "chain.noiseIsPlace": () => "Most of the noise is the place itself. Use a quieter place or a closer mic.",
  "chain.noiseIsFrom": ({ origin }) => `Most of the noise comes from ${originWords(origin)}.`,
  "chain.overloadBelowNoise": (facts) =>
    `${ofDevice(facts)} overloads below its own noise. One of its specifications is wrong.`,
  "chain.littleRange": (facts) =>
    `${ofDevice(facts)} has only ${figure(facts.rangeDb)} dB between noise and overload. Check its specifications.`,
  "chain.dynamicsIdle": () => "The loudest line does not touch it: a safety limiter, as it should be.",
  "chain.dynamicsHold": ({ heldDb, noiseUpDb }) =>
    `It holds the loudest peaks down by ${figure(heldDb)} dB; noise in pauses comes up by ${figure(noiseUpDb)} dB against the voice, and cannot be undone.`,
};
