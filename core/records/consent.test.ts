import fc from "fast-check";
import { answeredConsent, type Consent } from "./index";

const AT = "2027-05-11 08:50";
const NOT_ASKED: Consent = { answer: "notAsked", isExplained: false, agreedTo: 2, askedBy: "", askedAt: "" };
const intrusions = fc.constantFrom<Consent["agreedTo"]>(0, 1, 2, 3);

test("a yes is to what was shown; said again it is to what was agreed to before, and never to more", () => {
  const yes = answeredConsent(NOT_ASKED, "yes", 1, AT);
  expect(yes).toMatchObject({ answer: "yes", agreedTo: 1, isExplained: true, askedAt: AT });
  expect(answeredConsent(yes, "yes", 3, AT).agreedTo).toBe(1);
});

test("a no lets nobody inside whatever was agreed to before, and does not claim that it was explained (property)", () => {
  fc.assert(
    fc.property(intrusions, intrusions, fc.boolean(), (agreedTo, shown, isExplained) => {
      const no = answeredConsent({ ...NOT_ASKED, answer: "yes", agreedTo, isExplained }, "no", shown, AT);
      expect(no).toMatchObject({ answer: "no", agreedTo: 0, isExplained, askedAt: AT });
      // After a no, a yes is to what is shown then.
      expect(answeredConsent(no, "yes", shown, AT).agreedTo).toBe(shown);
    }),
  );
});

test("who places it themselves may go anywhere; taken back, nothing is known", () => {
  const self = answeredConsent(NOT_ASKED, "self", 0, AT);
  expect(self).toMatchObject({ answer: "self", agreedTo: 3, isExplained: true });
  expect(answeredConsent({ ...self, askedBy: "Sound" }, "notAsked", 1, AT)).toEqual({ ...NOT_ASKED, askedBy: "Sound" });
});
