import { say } from "../../../messages";
import { rankPickups } from "../candidates";
import { placeSound } from "../placeSound";
import { pickupFaults } from "./pickupFaults";
import { HELD_OUT, TUNED } from "./pickups";

const ALL = [...TUNED, ...HELD_OUT];

describe("first microphones that a recordist would put up (common practice)", () => {
  test.each(ALL)("$name: $why", (situation) => {
    expect(pickupFaults(situation)).toEqual([]);
  });
});

test("nothing is shaken by a table where there is none", () => {
  for (const { talkers, place, wishes } of ALL.filter((each) => !each.wishes.hasTable))
    for (const { mics, ruledOut } of rankPickups(talkers, placeSound(place), wishes))
      if (!ruledOut) expect(mics.map(({ holder }) => holder)).not.toContain("table");
});

test("everything that is said of a candidate is a sentence with figures", () => {
  for (const { talkers, place, wishes } of ALL)
    for (const { ruledOut, deductions, wind } of rankPickups(talkers, placeSound(place), wishes))
      for (const message of [ruledOut, wind, ...deductions.map(({ says }) => says)])
        if (message) expect(say(message)).not.toMatch(/undefined|NaN|Infinity/);
});
