export type Grade = "good" | "usable" | "poor";

export interface Verdict {
  echo: Grade;
  noise: Grade;
  says: string;
  advice: string;
}

interface Facts {
  midS: number;
  /** At 125 Hz, s. */
  lowsS: number;
  noiseDba: number;
  isOpen: boolean;
  windMps: number;
  criticalM: number;
  /** Noises that come and go, with nothing done about them. */
  passing: number;
}

/** Limits in words: common practice. */
export function gradeEcho(midS: number): Grade {
  return midS <= 0.5 ? "good" : midS <= 1 ? "usable" : "poor";
}

export function gradeNoise(noiseDba: number): Grade {
  return noiseDba <= 33 ? "good" : noiseDba <= 43 ? "usable" : "poor";
}

/** A small room whose lows ring on after the rest sounds boxy. Common practice. */
const BOOMY_RATIO = 1.8;

/** What a colleague would say of a place. */
export function verdictOn({ midS, lowsS, noiseDba, isOpen, windMps, criticalM, passing }: Facts): Verdict {
  const echo = gradeEcho(midS);
  const noise = gradeNoise(noiseDba);
  const echoSays = isOpen
    ? "No echo out here"
    : { good: "Dry enough", usable: "You will hear the room", poor: "The room swallows the voice" }[echo];
  const noiseSays = {
    good: "it is quiet enough for soft speech",
    usable: "noise shows in the pauses",
    poor: "noise fights the voice",
  }[noise];
  const advice: string[] = [];
  if (!isOpen && echo !== "good")
    advice.push(
      `Keep every microphone well inside ${(criticalM / 2).toFixed(1)} m, and hang blankets or lay rugs before anything else.`,
    );
  if (!isOpen && echo === "good" && lowsS > BOOMY_RATIO * midS && lowsS > 0.5)
    advice.push("The lows ring on: roll them off, or keep the talker away from the corners.");
  if (noise !== "good") advice.push("Shut, switch off or wait out what you can name; go close with the microphone.");
  if (passing > 0)
    advice.push(
      passing === 1 ? "One noise comes and goes: find its gap." : `${passing} noises come and go: find the gaps.`,
    );
  if (isOpen && windMps >= 2) advice.push("Wind: cover the capsule before you roll; it cannot be removed later.");
  if (advice.length === 0) advice.push("Any sensible place on the body will do here.");
  return { echo, noise, says: `${echoSays}, and ${noiseSays}.`, advice: advice.join(" ") };
}
