import { INPUTS, SOURCES } from "../../devices";
import { say } from "../../../messages";
import { causeMessages, diagnose, symptomsThatCanBe } from "../finder";
import { FLAW_IDS, FLAWS, tryOf } from "../flaws";
import { genericSetup } from "../genericSetup";
import { questionOf } from "../messages";
import { allRight } from "../rehearsal";
import { SYMPTOM_IDS } from "../symptomIds";
import { symptomsOf } from "../symptoms";
import { HELD_OUT, TUNED } from "./troubles";

import { troubleFaults } from "./troubleFaults";
const ALL = [...TUNED, ...HELD_OUT];

describe("troubles as they are told (common practice)", () => {
  test.each(ALL)("$name: $why", (trouble) => {
    expect(troubleFaults(trouble)).toEqual([]);
  });
});

test("every symptom that can be told has a cause on some link, with one thing to try", () => {
  const setups = (["recorder35", "recorderXlr", "recorderSwitched", "phone", "computerMic"] as const).flatMap((input) =>
    (["receiver", "lavSelf", "micPhantom", "deskXlr"] as const).flatMap(
      (source) => genericSetup(SOURCES[source], INPUTS[input]) ?? [],
    ),
  );
  const told = new Set(setups.flatMap(symptomsThatCanBe));
  expect(SYMPTOM_IDS.filter((id) => !told.has(id))).toEqual([]);
  for (const setup of setups)
    for (const symptom of symptomsThatCanBe(setup)) {
      const { causes, next } = diagnose(setup, { symptom, answers: {}, skipped: [], ruledOut: [] });
      expect([symptom, causes.length > 0]).toEqual([symptom, true]);
      if (causes.length > 1) expect([symptom, next]).not.toEqual([symptom, null]);
    }
});

test("each flaw is noticed by what it shows, told by its own test, and has a cure in words", () => {
  const setup = genericSetup(SOURCES.receiver, INPUTS.recorder35)!;
  const right = allRight(setup);
  expect(symptomsOf(setup, right)).toEqual([]);
  for (const id of FLAW_IDS) {
    expect(symptomsOf(setup, { ...right, flaws: [id] })).toEqual(expect.arrayContaining([...FLAWS[id].shows]));
    const { says, cure } = causeMessages(setup, [id]);
    for (const message of [...says, ...cure, questionOf(setup, tryOf(id))])
      expect(say(message)).toMatch(/^[A-Z].*[.?]$/);
  }
});
