import type { CheckMessage, FindingKind } from "../check";
import type { Correction } from "./correction";
import type { Judged, ProofMessage, SaidBefore } from "./messages";

/** What is to be said of a correction. */
export const correctionMessage = ({ byDb, isAtLeast, turns, advice }: Omit<Correction, "voiceDb">): ProofMessage => ({
  ...{ code: "proof.correction", byDb, isAtLeast, turns: [...turns], advice },
});

/** Findings that are put right by turning a control. */
const LEVEL_KINDS: readonly FindingKind[] = [
  ...(["clipped", "overloadedEarlier", "limited", "overFullScale", "tooHot", "tooLow", "noisy"] as const),
];

/**
 * What to do after a take: what its worst finding asks for; turn what is to be turned, where that is its level or nothing is wrong.
 *
 * @param isBrief only how far each control goes, for where there is little room
 */
export function stepAfter(
  worst: FindingKind | null,
  correction: Omit<Correction, "voiceDb">,
  isBrief = false,
): ProofMessage | CheckMessage {
  if (worst && (correction.byDb === null || !LEVEL_KINDS.includes(worst))) return { code: "kind.advice", kind: worst };
  if (isBrief && correction.turns.length > 0) return { code: "proof.turns", turns: [...correction.turns] };
  return correctionMessage(correction);
}

/** What is to be said of a take: what it comes to, what to do, and where the microphone goes instead. */
export function takeMessages(
  said: Judged | SaidBefore,
  isBrief = false,
): {
  verdict: ProofMessage;
  step: ProofMessage | CheckMessage;
  redress: ProofMessage | null;
} {
  const asWritten = (text: string): ProofMessage => ({ code: "proof.asWritten", text });
  if ("sentence" in said)
    return {
      verdict: asWritten(said.sentence),
      step: asWritten(said.correction),
      redress: said.redress ? asWritten(said.redress) : null,
    };
  const { worst, correction, redress } = said;
  return {
    verdict: { code: "proof.verdict", worst },
    step: stepAfter(worst, correction, isBrief),
    redress: redress && { code: "proof.redress", ...redress },
  };
}
