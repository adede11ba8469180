import { MORE_HELD_OUT, MORE_TUNED } from "./moreOutfits";
import { outfitFaults } from "./outfitFaults";
import { HELD_OUT, TUNED } from "./outfits";

const ALL = [...TUNED, ...HELD_OUT, ...MORE_TUNED, ...MORE_HELD_OUT];

describe("first answers that a recordist would give (common practice)", () => {
  test.each(ALL)("$name: $why", (situation) => {
    expect(outfitFaults(situation)).toEqual([]);
  });
});

test("no two situations ask the same", () => {
  const inputs = ALL.map(({ input, order }) => JSON.stringify([input, order]));
  expect(new Set(inputs).size).toBe(inputs.length);
});
