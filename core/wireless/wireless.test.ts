import fc from "fast-check";
import { airProblem, type WantedLink } from "./airProblem";
import { toUnits, USUAL_RULES, type AirRules } from "./airRules";
import { coordinator, firstFit, randomFrom } from "./coordinate";
import { conflictsOf, conflictWords, productsWithin, type Carrier } from "./products";

const NO_GUARDS: AirRules = { ...USUAL_RULES, spacingKHz: 0, twoThirdKHz: 0, threeThirdKHz: 0, fifthKHz: null };

const carrier = (name: string, frequencyMHz: number, moments = 1): Carrier => ({
  id: name,
  name,
  frequencyMHz,
  moments,
});

/** Written without a thought for speed, and apart from everything that is tested: true when no rule is broken. */
function livesTogether(carriers: readonly Carrier[], rules: AirRules): boolean {
  const reach = (kHz: number) => Math.max(1, Math.round(kHz * 10));
  const near = (one: number, other: number, kHz: number) => Math.abs(one - other) < reach(kHz);
  for (const a of carriers)
    for (const b of carriers) {
      const [fa, fb] = [toUnits(a.frequencyMHz), toUnits(b.frequencyMHz)];
      if (a === b || (a.moments & b.moments) === 0) continue;
      if (near(fa, fb, rules.spacingKHz)) return false;
      for (const c of carriers) {
        if (c === a || c === b || (a.moments & b.moments & c.moments) === 0) continue;
        const fc_ = toUnits(c.frequencyMHz);
        if (near(2 * fa - fb, fc_, rules.twoThirdKHz)) return false;
        if (rules.fifthKHz !== null && near(3 * fa - 2 * fb, fc_, rules.fifthKHz)) return false;
        for (const d of carriers) {
          if (d === a || d === b || d === c || (a.moments & b.moments & c.moments & d.moments) === 0) continue;
          if (near(fa + fb - fc_, toUnits(d.frequencyMHz), rules.threeThirdKHz)) return false;
        }
      }
    }
  return true;
}

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
    const products = productsWithin([carrier("A", 600), carrier("B", 601), carrier("C", 603)], 590, 610, false);
    const at = products.map(({ atMHz }) => atMHz).sort((one, other) => one - other);
    // 2A−C 597, A+B−C 598, 2A−B 599, 2B−C 599, A+C−B 602, 2B−A 602, B+C−A 604, 2C−B 605, 2C−A 606.
    expect(at).toEqual([597, 598, 599, 599, 602, 602, 604, 605, 606]);
  });

  test("A + C − B on D is found and said; a moment apart it is none", () => {
    const set = [carrier("A", 600), carrier("B", 601), carrier("C", 603), carrier("D", 602.025)];
    const { conflicts, count } = conflictsOf(set, { ...NO_GUARDS, threeThirdKHz: 50 });
    // A + C ≈ B + D has four readings.
    expect(count).toBe(4);
    expect(conflicts.map(conflictWords)).toContain("A + C − B lands 25 kHz from D");
    expect(conflictsOf(set, { ...NO_GUARDS, threeThirdKHz: 25 }).count).toBe(0);
    const apart = set.map((each) => (each.name === "B" ? { ...each, moments: 2 } : each));
    expect(conflictsOf(apart, { ...NO_GUARDS, threeThirdKHz: 50 }).count).toBe(0);
  });

  test("equal steps make every kind of conflict; each is named in words", () => {
    const even = ["A", "B", "C", "D"].map((name, index) => carrier(name, 600 + index * 0.3));
    const { conflicts } = conflictsOf(even, { ...NO_GUARDS, spacingKHz: 350, fifthKHz: 0 });
    const says = conflicts.map(conflictWords);
    expect(says).toContain("A and B are 300 kHz apart, 350 kHz are asked for");
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
        const all = set.map(([step, moments], index) => carrier(String(index), 600 + step * 0.025, moments));
        expect(conflictsOf(all, rules).count === 0).toBe(livesTogether(all, rules));
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
          expect(livesTogether(found, rules)).toBe(true);
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
        const set = choices.filter((_, index) => (bits >> index) & 1).map((each) => carrier(String(each), each));
        if (set.length > most && livesTogether(set, rules)) most = set.length;
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
    const far = links(1, [10.0001, 10.0002, 3000]);
    expect(() => airProblem(far, USUAL_RULES)).toThrow(RangeError);
  });
});
