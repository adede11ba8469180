import { airProblem } from "./airProblem";
import { USUAL_RULES } from "./airRules";
import { coordinator } from "./coordinate";
import { conflictsOf } from "./products";
import { boseSet, cut, isPrime, ruzsaSet, singerSet } from "./sidonSets";

const RULES = { ...USUAL_RULES, spacingKHz: 0, twoThirdKHz: 0, threeThirdKHz: 0, fifthKHz: null };

/** How many carriers fit into how many equal slots. Source: optimal Golomb rulers, Dimitromanolakis 2002 and others. */
const RULERS: readonly (readonly [carriers: number, slots: number])[] = [
  [4, 7],
  [5, 12],
  [6, 18],
  [7, 26],
  [8, 35],
  [9, 45],
  [10, 56],
  [11, 73],
  [12, 86],
];

function found(carriers: number, slots: number, rounds: number, spacingKHz = 0) {
  const choicesMHz = Array.from({ length: slots }, (_, index) => 500 + index * 0.025);
  const links = Array.from({ length: carriers }, (_, index) => ({
    id: String(index),
    name: String(index),
    systemId: "",
    moments: 1,
    choicesMHz,
    lockedMHz: null,
  }));
  const rules = { ...RULES, spacingKHz };
  const search = coordinator(airProblem(links, rules), 1);
  for (let round = 0; round < rounds && !search.isComplete(); round += 100) search.search(100);
  const set = links.flatMap(({ id, name }) => {
    const frequencyMHz = search.best().get(id);
    return frequencyMHz === undefined ? [] : [{ id, name, moments: 1, frequencyMHz }];
  });
  return { count: set.length, conflicts: conflictsOf(set, rules).count };
}

test.each(RULERS)("%i carriers free of third order in %i slots (optimal Golomb ruler)", (carriers, slots) => {
  expect(found(carriers, slots, 400_000)).toEqual({ count: carriers, conflicts: 0 });
});

test.each(RULERS.slice(0, 4))(
  "%i carriers do not fit into a slot less than %i (optimality of the ruler)",
  (carriers, slots) => {
    expect(found(carriers, slots - 1, 4000).count).toBe(carriers - 1);
  },
);

test("forty carriers in 60 MHz, 300 kHz apart (existence by Bose & Chowla 1962)", () => {
  expect(found(40, 2401, 20_000, 300)).toEqual({ count: 40, conflicts: 0 });
});

test("sets of Bose & Chowla, Singer and Ruzsa have their published sizes, and all differences differ", () => {
  for (const q of [3, 5, 7, 11, 13, 17]) {
    for (const [set, modulus, size] of [
      [boseSet(q), q * q - 1, q],
      [singerSet(q), q * q + q + 1, q + 1],
      [ruzsaSet(q), q * (q - 1), q - 1],
    ] as const) {
      expect([set.modulus, set.members.length]).toEqual([modulus, size]);
      const differences = set.members.flatMap((one) =>
        set.members.filter((other) => other !== one).map((other) => (other - one + modulus) % modulus),
      );
      expect(new Set(differences).size).toBe(size * (size - 1));
    }
    expect(cut(singerSet(q), 1, 2)[0]).toBe(0);
  }
  expect([0, 1, 2, 4, 17, 91].map(isPrime)).toEqual([false, false, true, false, true, false]);
  expect(() => boseSet(4)).toThrow(RangeError);
});
