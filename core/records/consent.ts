import type { Consent } from "./rig";

/**
 * Consent after an answer: a no lets nobody inside, themselves everything, a yes what was shown or was agreed to before.
 * @param shown how far the placement goes that was shown, 0…3; `at` when, by the clock of the place.
 * Source: common practice.
 */
export function answeredConsent(
  before: Consent,
  answer: Consent["answer"],
  shown: Consent["agreedTo"],
  at: string,
): Consent {
  switch (answer) {
    case "notAsked":
      return { ...before, answer, askedAt: "", isExplained: false, agreedTo: 2 };
    case "no":
      return { ...before, answer, askedAt: at, agreedTo: 0 };
    case "self":
      return { ...before, answer, askedAt: at, isExplained: true, agreedTo: 3 };
    case "yes":
      return {
        ...{ ...before, answer, askedAt: at, isExplained: true },
        agreedTo: before.answer === "yes" ? before.agreedTo : shown,
      };
  }
}
