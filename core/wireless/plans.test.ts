import { say } from "../../messages";
import { runs } from "../../fixtures/runs";
import fc from "fast-check";
import { airFormFaults } from "./airFaults";
import { coordinationMessages } from "./coordinationMessages";
import type { CoordinatedAir } from "./coordinateAir";
import { bindingOf } from "./coordinateAir";
import { prepareAir } from "./judgeAir";
import { conflictsOf } from "./products";
import { rangeOf, whyForbidden } from "./region";
import { isTaken, takenParts, type Scan } from "./scan";
import {
  areCompatible,
  coordinated,
  testCarrier,
  testLink,
  testPlan,
  testRegion,
  testSystem,
} from "../../fixtures/testAir";

const saidOf = (result: CoordinatedAir): string => coordinationMessages(result).map(say).join(" ");

const ABC = ["A", "B", "C"].map((id) => testLink(id));
const scanOf = (fromMHz: number, stepKHz: number, levelsDbm: number[]): Scan => ({
  name: "x",
  fromMHz,
  stepKHz,
  levelsDbm,
  isSimulated: true,
});

describe("occupied parts of a scan", () => {
  test("a band that is occupied all through, in bins wider than twice the margin, has no free channel", () => {
    const scan = scanOf(517, 500, new Array<number>(21).fill(-40));
    const result = coordinated(testPlan(ABC, { scan }));
    expect([result.placed, result.wanted, result.spares.length]).toEqual([0, 3, 0]);
    expect(result.refused[0]!.says).toEqual({
      code: "air.refusedLink",
      link: "A",
      because: { code: "forbidden.allTaken", system: "s0" },
    });
  });

  test("a frequency is occupied exactly where one of the bins, half its step and the margin wide, reaches it (brute force)", () => {
    const level = fc.constantFrom(-120, -40);
    fc.assert(
      fc.property(
        fc.array(level, { minLength: 1, maxLength: 20 }),
        fc.constantFrom(5, 25, 30, 200, 500, 1000),
        fc.constantFrom(0, 12.5, 100, 300),
        (levelsDbm, stepKHz, marginKHz) => {
          const taken = takenParts(scanOf(500, stepKHz, levelsDbm), -95, marginKHz);
          for (let kHz = 499_000; kHz < 521_000; kHz += 12.5) {
            const reached = levelsDbm.some(
              (each, bin) => each > -95 && Math.abs(kHz - 500_000 - bin * stepKHz) < stepKHz / 2 + marginKHz - 1e-9,
            );
            // Where two bins meet there is no gap.
            const isEdge = levelsDbm.some(
              (each, bin) =>
                each > -95 && Math.abs(Math.abs(kHz - 500_000 - bin * stepKHz) - stepKHz / 2 - marginKHz) < 1e-6,
            );
            if (!isEdge) expect([kHz, isTaken(taken, kHz / 1000)]).toEqual([kHz, reached]);
          }
        },
      ),
      { numRuns: runs(12, 40) },
    );
  });

  test("a margin met exactly is kept, whatever the decimal fractions round to", () => {
    for (let bin = 0; bin < 400; bin += 1) {
      const levels = new Array<number>(401).fill(-120);
      levels[bin] = -40;
      const taken = takenParts(scanOf(470.1, 25, levels), -95, 87.5);
      const centre = 470.1 + bin * 0.025;
      expect([centre - 0.1, centre - 0.0999, centre + 0.0999, centre + 0.1].map((at) => isTaken(taken, at))).toEqual([
        false,
        true,
        true,
        false,
      ]);
    }
  });
});

describe("allowed ranges", () => {
  test("of overlapping ranges the one that allows most counts, in whichever order they stand", () => {
    for (const region of [testRegion([470, 694, 10], [518, 526, 50]), testRegion([518, 526, 50], [470, 694, 10])]) {
      expect(coordinated(testPlan(ABC, { region })).placed).toBe(3);
      expect(whyForbidden(region, 520, 30)).toBeNull();
      expect(whyForbidden(region, 600, 30)).toEqual({
        code: "forbidden.power",
        powerMw: 30,
        allowedMw: 10,
        frequencyMHz: 600,
      });
    }
  });

  test("the allowed power is the largest of all ranges that hold the frequency on their steps (brute force)", () => {
    const range = fc.record({
      fromMHz: fc.integer({ min: 500, max: 520 }),
      widthMHz: fc.integer({ min: 1, max: 20 }),
      stepKHz: fc.constantFrom(null, 25, 100, 125),
      powerMw: fc.integer({ min: 1, max: 100 }),
    });
    fc.assert(
      fc.property(fc.array(range, { maxLength: 6 }), fc.integer({ min: 0, max: 1600 }), (rows, step) => {
        const at = 500 + step * 0.025;
        const ranges = rows.map(({ widthMHz, ...row }) => ({ ...row, toMHz: row.fromMHz + widthMHz, note: "" }));
        const powers = ranges
          .filter(
            ({ fromMHz, toMHz, stepKHz }) =>
              at >= fromMHz &&
              at <= toMHz &&
              (stepKHz === null || Math.round((at - fromMHz) * 1e4) % (stepKHz * 10) === 0),
          )
          .map(({ powerMw }) => powerMw);
        const found = rangeOf({ name: "R", isExample: true, ranges }, at);
        expect(found?.powerMw ?? null).toBe(powers.length > 0 ? Math.max(...powers) : null);
      }),
    );
  });
});

describe("systems without a channel", () => {
  const region = testRegion([518, 558, 50]);
  const systems = [
    testSystem({ toMHz: 558 }),
    testSystem({ id: "s1", name: "s1", fromMHz: 600, toMHz: 620 }),
    testSystem({ id: "s2", name: "s2", powerMw: 100 }),
  ];

  test("the others are planned, and each that has none is refused with its reason", () => {
    const links = [testLink("A"), testLink("B", { systemId: "s1" }), testLink("C", { systemId: "s2" })];
    const result = coordinated(testPlan(links, { region, systems }), 20_000);
    expect([result.placed, result.wanted]).toEqual([1, 3]);
    expect(result.refused.map(({ says }) => say(says))).toEqual([
      "B: no channel of s1 is allowed in R.",
      "C: s2 transmits 100 mW, and at most 50 mW is allowed on its channels. Lower the power.",
    ]);
    expect(saidOf(result)).toMatch(/^1 of 3 links have a frequency.*B: no channel of s1/);
  });

  test("any mix of blocked and open systems ends without an error, and only the blocked are refused (property)", () => {
    const which = fc.array(fc.constantFrom("s0", "s1", "s2"), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(which, (ids) => {
        const links = ids.map((systemId, index) => testLink(`L${index}`, { systemId }));
        const result = coordinated(testPlan(links, { region, systems }), 60);
        const open = links.filter(({ systemId }) => systemId === "s0").map(({ id }) => id);
        expect(result.tuned.map(([id]) => id).sort()).toEqual(open.sort());
        expect(result.refused).toHaveLength(links.length - open.length);
      }),
      { numRuns: 25 },
    );
  });

  test("a tuning range in steps too fine to search is refused at its field", () => {
    const [fault] = airFormFaults({ region, systems: [testSystem({ fromMHz: 1, toMHz: 7000, stepKHz: 1 })] });
    expect(fault!.path).toBe("/systems/0/stepKHz");
    expect(airFormFaults({ region, systems })).toEqual([]);
  });
});

describe("banks", () => {
  const banked = (channels: readonly (readonly number[])[]) =>
    testSystem({
      toMHz: 600,
      banks: channels.map((channelsMHz, index) => ({ name: String(index + 1), channelsMHz: [...channelsMHz] })),
    });
  const links = (count: number) => Array.from({ length: count }, (_, index) => testLink(`L${index}`));

  test("the bank whose channels fit together is taken, not the one with most of them", () => {
    const even = [566, 566.4, 566.8, 567.2, 567.6, 568, 568.4, 568.8];
    const uneven = [566.4, 566.8, 568, 570, 572.4, 575.2, 579.2];
    const result = coordinated(testPlan(links(6), { systems: [banked([even, uneven])] }));
    expect([result.placed, result.isProved, result.banks]).toEqual([6, false, [["s0", "2"]]]);
    for (const [, frequencyMHz] of result.tuned) expect(uneven).toContain(frequencyMHz);
  });

  test("most links over all banks, all of a system from one; a proof only where it is one (brute force)", () => {
    const channel = fc.integer({ min: 0, max: 24 }).map((step) => 566 + step * 0.2);
    const bank = fc.uniqueArray(channel, { minLength: 1, maxLength: 6 });
    const rules = {
      spacingKHz: 350,
      twoThirdKHz: 100,
      threeThirdKHz: 50,
      fifthKHz: 50,
      occupiedDbm: -95,
      scanMarginKHz: 100,
    };
    fc.assert(
      fc.property(fc.array(bank, { minLength: 1, maxLength: 4 }), fc.integer({ min: 2, max: 6 }), (banks, count) => {
        const most = Math.max(
          ...banks.map((channels) => {
            let best = 0;
            for (let bits = 0; bits < 1 << channels.length; bits += 1) {
              const set = channels.filter((_, index) => (bits >> index) & 1).slice(0, count);
              const carriers = set.map((each) => testCarrier(String(each), each));
              if (set.length > best && areCompatible(carriers, rules)) best = set.length;
            }
            return best;
          }),
        );
        const result = coordinated(testPlan(links(count), { systems: [banked(banks)], rules }), 600);
        expect(result.placed).toBe(most);
        expect(result.isProved).toBe(most < count);
        const used = banks[Number(result.banks[0]![1]) - 1]!;
        for (const [, frequencyMHz] of result.tuned)
          expect(used.some((each) => Math.abs(each - frequencyMHz) < 1e-6)).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  test("forty banks in each of two systems are searched without trying all pairs, and nothing is called proved", () => {
    const many = Array.from({ length: 40 }, (_, index) => [566 + index * 0.1, 566.3 + index * 0.1]);
    const systems = [banked(many), { ...banked(many), id: "s1" }];
    const wanted = [...links(3), ...links(3).map((link) => ({ ...link, id: `${link.id}b`, systemId: "s1" }))];
    const result = coordinated(testPlan(wanted, { systems }), 20);
    expect(result.placed).toBeGreaterThan(1);
    expect(result.isProved).toBe(false);
  });

  test("the bank in which a locked link stands is the one in use", () => {
    const one = [566, 567, 569.2];
    const two = [572, 573.2, 576.4];
    const plan = testPlan([testLink("A", { frequencyMHz: 573.2, isLocked: true }), testLink("B")], {
      systems: [banked([one, two])],
    });
    expect(prepareAir(plan, []).bankInUse.get("s0")).toBe("2");
    expect(coordinated(plan).banks).toEqual([["s0", "2"]]);
  });
});

describe("locked links", () => {
  test("wider guards are not claimed between locked links that stand closer", () => {
    const locked = [520, 520.4].map((frequencyMHz, index) => testLink("AB"[index]!, { frequencyMHz, isLocked: true }));
    const result = coordinated(testPlan([...locked, testLink("C")]));
    expect(result.widening).toBe(3);
    expect(result.notWidened.map(({ kind }) => kind)).toEqual(["spacing"]);
    expect(saidOf(result)).toBe(
      "All 3 links have a frequency, with all spacings 3 times as wide as asked, except between locked links (A and B are 400 kHz apart, closer than 1050 kHz).",
    );
    // All locked: nothing was widened.
    expect(coordinated(testPlan(locked)).widening).toBe(1);
  });

  test("one on an occupied frequency is said", () => {
    const levels = new Array<number>(321).fill(-120);
    levels[80] = -50;
    const scan = scanOf(518, 25, levels);
    const result = coordinated(
      testPlan([testLink("A", { frequencyMHz: 520, isLocked: true }), testLink("B")], { scan }),
    );
    expect(result.onTaken.map(({ linkId }) => linkId)).toEqual(["A"]);
    expect(saidOf(result)).toContain("A: the scan shows another transmitter at 520.000 MHz. The link is locked there.");
  });
});

describe("spares", () => {
  test("every spare is compatible with every carrier and every other spare, so all may move at once (brute force)", () => {
    for (const count of [2, 4, 6]) {
      const plan = testPlan(
        Array.from({ length: count }, (_, index) => testLink(`L${index}`)),
        { systems: [testSystem({ toMHz: 540 })] },
      );
      const { tuned, spares } = coordinated(plan);
      expect(spares.every(([, each]) => each.length > 0)).toBe(true);
      const all = [
        ...tuned.map(([id, at]) => testCarrier(id, at)),
        ...spares.flatMap(([id, each]) =>
          each.map(({ frequencyMHz }, rank) => testCarrier(`${id} ${rank}`, frequencyMHz)),
        ),
      ];
      expect(new Set(all.map(({ frequencyMHz }) => frequencyMHz)).size).toBe(all.length);
      expect(areCompatible(all, plan.rules)).toBe(true);
    }
  });

  test("where little room is left each gets a first spare before one gets a second, and none twice", () => {
    const plan = testPlan(ABC, { systems: [testSystem({ toMHz: 523 })] });
    const { spares } = coordinated(plan);
    const counts = spares.map(([, each]) => each.length);
    expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
    const at = spares.flatMap(([, each]) => each.map(({ frequencyMHz }) => frequencyMHz));
    expect(new Set(at).size).toBe(at.length);
  });
});

describe("what limits a plan", () => {
  test("is searched only when asked, ends when told to, and is no claim without a proof", () => {
    const plan = testPlan(
      Array.from({ length: 20 }, (_, index) => testLink(`L${index}`)),
      { systems: [testSystem({ toMHz: 522 })] },
    );
    const result = coordinated(plan, 20);
    expect(result.placed).toBeLessThan(20);
    expect(saidOf(result)).toMatch(/of 20 links have a frequency\. A longer search may find more\.$/);
    const reasons = bindingOf(plan, [], result.placed, 1);
    reasons.next();
    let next = reasons.next(true);
    while (!next.done) next = reasons.next();
    expect(next.value.every(({ wouldFit }) => wouldFit > result.placed)).toBe(true);
  });
});

describe("products of far apart carriers", () => {
  test("guards of 0 over several gigahertz take no more memory than there are carriers", () => {
    const rules = { ...testPlan([]).rules, spacingKHz: 0, twoThirdKHz: 0, threeThirdKHz: 0, fifthKHz: null };
    const at = [470, 700.0001, 2400.5, 6999.9].map((each) => testCarrier(String(each), each));
    const before = process.memoryUsage().heapUsed;
    expect(conflictsOf(at, rules).count).toBe(0);
    expect(process.memoryUsage().heapUsed - before).toBeLessThan(20e6);
    const hit = [...at, testCarrier("hit", 2 * 700.0001 - 470)];
    expect(conflictsOf(hit, rules).conflicts[0]!.victim.name).toBe("hit");
  });
});
