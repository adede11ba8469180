import type { RoomMessage } from "./messages";

export type Grade = "good" | "usable" | "poor";

export interface RoomVerdict {
  echo: Grade;
  noise: Grade;
  says: RoomMessage;
  advice: readonly RoomMessage[];
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

/** Reverberation that speech takes well, and that it still takes, s: common practice. */
export const ECHO_LIMITS_S = { good: 0.5, usable: 1 } as const;

/** Limits in words: common practice. */
export function gradeEcho(midS: number): Grade {
  return midS <= ECHO_LIMITS_S.good ? "good" : midS <= ECHO_LIMITS_S.usable ? "usable" : "poor";
}

export function gradeNoise(noiseDba: number): Grade {
  return noiseDba <= 33 ? "good" : noiseDba <= 43 ? "usable" : "poor";
}

/** A small room whose lows ring on after the rest sounds boxy. Common practice. */
const BOOMY_RATIO = 1.8;

/** What a colleague would say of a place. */
export function verdictOn({ midS, lowsS, noiseDba, isOpen, windMps, criticalM, passing }: Facts): RoomVerdict {
  const echo = gradeEcho(midS);
  const noise = gradeNoise(noiseDba);
  const advice: RoomMessage[] = [];
  if (!isOpen && echo !== "good") advice.push({ code: "room.keepWithin", withinM: criticalM / 2 });
  if (!isOpen && echo === "good" && lowsS > BOOMY_RATIO * midS && lowsS > 0.5) advice.push({ code: "room.lowsRing" });
  if (noise !== "good") advice.push({ code: "room.stopNoises" });
  if (passing > 0) advice.push({ code: "room.passing", noises: passing });
  if (isOpen && windMps >= 2) advice.push({ code: "room.wind" });
  if (advice.length === 0) advice.push({ code: "room.anyPlace" });
  return { echo, noise, says: { code: "room.verdict", reverberation: isOpen ? "open" : echo, noise }, advice };
}
