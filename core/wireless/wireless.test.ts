import { say } from "../../messages";
import fc from "fast-check";
import { airProblem, type WantedLink } from "./airProblem";
import { USUAL_RULES, type AirRules } from "./airRules";
import { coordinator, firstFit, randomFrom } from "./coordinate";
import { areCompatible, testCarrier } from "../../fixtures/testAir";
import { conflictsOf, conflictMessage, productsWithin, type Carrier } from "./products";

const NO_GUARDS: AirRules = { ...USUAL_RULES, spacingKHz: 0, twoThirdKHz: 0, threeThirdKHz: 0, fifthKHz: null };

const raster = (fromMHz: number, count: number, stepKHz: number) =>
  Array.from({ length: count }, (_, index) => fromMHz + (index * stepKHz) / 1000);

const links = (
  count: number,
  choicesMHz: readonly number[],
  moments: (index: number) => number = () => 1,
): WantedLink[] =>
  Array.from({ length: count }, (_, index) => ({
    id: String(index),
    name: `Link ${index}`,
    systemId: "",
    moments: moments(index),
    choicesMHz,
    lockedMHz: null,
  }));

function carriersOf(wanted: readonly WantedLink[], tuned: ReadonlyMap<string, number>): Carrier[] {
  return wanted.flatMap(({ id, name, moments }) => {
    const frequencyMHz = tuned.get(id);
    return frequencyMHz === undefined ? [] : [{ id, name, moments, frequencyMHz }];
  });
}

describe("products", () => {
  test("worked by hand: 600, 601, 603 MHz and what they make (third order)", () => {
    const products = productsWithin(
      [testCarrier("A", 600), testCarrier("B", 601), testCarrier("C", 603)],
      590,
      610,
      false,
    );
    const at = products.map(({ atMHz }) => atMHz).sort((one, other) => one - other);
    // 2A−C 597, A+B−C 598, 2A−B 599, 2B−C 599, A+C−B 602, 2B−A 602, B+C−A 604, 2C−B 605, 2C−A 606.
    expect(at).toEqual([597, 598, 599, 599, 602, 602, 604, 605, 606]);
  });

  test("A + C − B on D is found and said; a moment apart it is none", () => {
    const set = [testCarrier("A", 600), testCarrier("B", 601), testCarrier("C", 603), testCarrier("D", 602.025)];
    const { conflicts, count } = conflictsOf(set, { ...NO_GUARDS, threeThirdKHz: 50 });
    // A + C ≈ B + D has four readings.
    expect(count).toBe(4);
    expect(conflicts.map((each) => say(conflictMessage(each)))).toContain("A + C − B lands 25 kHz from D");
    expect(conflictsOf(set, { ...NO_GUARDS, threeThirdKHz: 25 }).count).toBe(0);
    const apart = set.map((each) => (each.name === "B" ? { ...each, moments: 2 } : each));
    expect(conflictsOf(apart, { ...NO_GUARDS, threeThirdKHz: 50 }).count).toBe(0);
  });

  test("equal steps make every kind of conflict; each is named in words", () => {
    const even = ["A", "B", "C", "D"].map((name, index) => testCarrier(name, 600 + index * 0.3));
    const { conflicts } = conflictsOf(even, { ...NO_GUARDS, spacingKHz: 350, fifthKHz: 0 });
    const says = conflicts.map((each) => say(conflictMessage(each)));
    expect(says).toContain("A and B are 300 kHz apart, closer than 350 kHz");
    expect(says).toContain("2 × B − A lands on C");
    expect(says).toContain("A + D − B lands on C");
    expect(says).toContain("3 × B − 2 × A lands on D");
  });

  test("the quick check and plain loops agree (property)", () => {
    const carriers = fc.array(fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 1, max: 3 })), {
      maxLength: 9,
    });
    const guard = fc.integer({ min: 0, max: 120 });
    fc.assert(
      fc.property(carriers, guard, guard, guard, fc.option(guard), (set, spacingKHz, two, three, fifthKHz) => {
        const rules = { ...USUAL_RULES, spacingKHz, twoThirdKHz: two, threeThirdKHz: three, fifthKHz };
        const all = set.map(([step, moments], index) => testCarrier(String(index), 600 + step * 0.025, moments));
        expect(conflictsOf(all, rules).count === 0).toBe(areCompatible(all, rules));
      }),
      { numRuns: 400 },
    );
  });
});

describe("coordination", () => {
  test("what it finds is accepted by plain loops, keeps what is locked, and tunes only to what was offered (property)", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8 }),
        fc.integer({ min: 1, max: 7 }),
        fc.integer({ min: 0, max: 60 }),
        fc.constantFrom(25, 100, 125),
        fc.integer({ min: 0, max: 5 }),
        (count, moments, locked, stepKHz, seed) => {
          const choices = raster(600, 61, stepKHz).filter((_, index) => (index * 7) % 5 !== seed);
          const wanted = links(count, choices, (index) => (index % 2 === 0 ? moments : 1)).map((link, index) =>
            index === 0 ? { ...link, lockedMHz: 600 + (locked * stepKHz) / 1000 } : link,
          );
          const rules = { ...USUAL_RULES, spacingKHz: 200 };
          const search = coordinator(airProblem(wanted, rules), seed);
          search.search(80);
          const found = carriersOf(wanted, search.best());
          expect(found).toHaveLength(search.placed());
          expect(areCompatible(found, rules)).toBe(true);
          expect(search.best().get("0")).toBeCloseTo(wanted[0]!.lockedMHz!, 6);
          for (const { id, frequencyMHz } of found.slice(1))
            expect(choices.some((each) => Math.abs(each - frequencyMHz) < 1e-6) && id !== "0").toBe(true);
        },
      ),
      { numRuns: 60 },
    );
  });

  test("never fewer than the plain way; the same seed gives the same answer", () => {
    for (const seed of [1, 2, 3]) {
      const problem = airProblem(links(20, raster(600, 400, 25)), USUAL_RULES);
      const [one, other] = [coordinator(problem, seed), coordinator(problem, seed)];
      one.search(60);
      other.search(60);
      expect(one.placed()).toBeGreaterThanOrEqual(firstFit(problem).size);
      expect([...one.best()]).toEqual([...other.best()]);
    }
  });

  test("what is never on together may share a frequency; what is may not", () => {
    const one = raster(600, 1, 25);
    const apart = coordinator(
      airProblem(
        links(2, one, (index) => 1 << index),
        NO_GUARDS,
      ),
      1,
    );
    apart.search(10);
    expect(apart.isComplete()).toBe(true);
    const together = coordinator(airProblem(links(2, one), NO_GUARDS), 1);
    together.search(10);
    expect([together.placed(), together.wanted, together.isProved()]).toEqual([1, 2, true]);
  });

  test("small cases reach what trying everything reaches (exhaustive)", () => {
    const random = randomFrom(9);
    for (let round = 0; round < 12; round += 1) {
      const choices = raster(600, 14, 100).filter(() => random() < 0.8);
      const rules = { ...USUAL_RULES, spacingKHz: 150, twoThirdKHz: 60, threeThirdKHz: 60, fifthKHz: 60 };
      let most = 0;
      for (let bits = 0; bits < 1 << choices.length; bits += 1) {
        const set = choices.filter((_, index) => (bits >> index) & 1).map((each) => testCarrier(String(each), each));
        if (set.length > most && areCompatible(set, rules)) most = set.length;
      }
      const search = coordinator(airProblem(links(choices.length, choices), rules), round);
      search.search(2500);
      expect(search.placed()).toBe(most);
    }
  });

  test("nothing wanted, nothing offered, everything locked", () => {
    const none = coordinator(airProblem([], USUAL_RULES), 1);
    none.search(5);
    expect([none.wanted, none.isComplete()]).toEqual([0, true]);
    const nowhere = coordinator(airProblem(links(2, []), USUAL_RULES), 1);
    nowhere.search(5);
    expect(nowhere.placed()).toBe(0);
    const locked = links(2, []).map((link, index) => ({ ...link, lockedMHz: 600 + index }));
    expect(coordinator(airProblem(locked, USUAL_RULES), 1).isComplete()).toBe(true);
    const far = coordinator(airProblem(links(2, [10.0001, 10.0002, 3000]), USUAL_RULES), 1);
    far.search(5);
    expect([...far.best().values()]).toEqual([10.0001, 3000]);
  });
});
