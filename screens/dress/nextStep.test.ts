import type { RigBody } from "@/core/records";
import type { RigPlan } from "@/core/planning";
import { nextStep } from "./nextStep";

const CHOICE = {} as NonNullable<RigBody["choice"]>;
const PLACE = {} as NonNullable<RigPlan["candidate"]>;
const answered = (answer: RigBody["consent"]["answer"]) => ({ answer }) as RigBody["consent"];

test("a place is chosen, then consent is asked, then it is rigged, then the levels are set", () => {
  const rig = { choice: null, consent: answered("notAsked"), isRigged: false };
  expect(nextStep(rig, { candidate: PLACE, isChosen: false })).toBe("choose");
  const chosen = { ...rig, choice: CHOICE };
  const plan = { candidate: PLACE, isChosen: true };
  expect(nextStep(chosen, plan)).toBe("ask");
  for (const answer of ["yes", "self"] as const) {
    expect(nextStep({ ...chosen, consent: answered(answer) }, plan)).toBe("rig");
    expect(nextStep({ ...chosen, consent: answered(answer), isRigged: true }, plan)).toBe("level");
  }
});

test("who says no gets a boom, whatever was planned", () => {
  const no = { choice: CHOICE, consent: answered("no"), isRigged: true };
  expect(nextStep(no, { candidate: PLACE, isChosen: true })).toBe("boom");
  expect(nextStep({ ...no, choice: null }, { candidate: null, isChosen: false })).toBe("boom");
});

test("a place that is gone is chosen again; where nothing works the outfit is what can change", () => {
  const rig = { choice: CHOICE, consent: answered("yes"), isRigged: true };
  expect(nextStep(rig, { candidate: PLACE, isChosen: false })).toBe("chooseAgain");
  expect(nextStep({ ...rig, choice: null }, { candidate: null, isChosen: false })).toBe("outfit");
});
