import type { Correction } from "./correction";
import type { Judged, ProofMessage, SaidBefore } from "./messages";

/** What is to be said of a correction. */
export const correctionMessage = ({ byDb, isAtLeast, turns, advice }: Omit<Correction, "voiceDb">): ProofMessage => ({
  ...{ code: "proof.correction", byDb, isAtLeast, turns: [...turns], advice },
});

/** What is to be said of a take: what it comes to, what to turn, and where the microphone goes instead. */
export function takeMessages(said: Judged | SaidBefore): {
  verdict: ProofMessage;
  correction: ProofMessage;
  redress: ProofMessage | null;
} {
  const asWritten = (text: string): ProofMessage => ({ code: "proof.asWritten", text });
  if ("sentence" in said)
    return {
      verdict: asWritten(said.sentence),
      correction: asWritten(said.correction),
      redress: said.redress ? asWritten(said.redress) : null,
    };
  const { worst, correction, redress } = said;
  return {
    verdict: { code: "proof.verdict", worst },
    correction: correctionMessage(correction),
    redress: redress && { code: "proof.redress", ...redress },
  };
}
