import { say } from "../../messages";
import fc from "fast-check";
import { FIRST_AIR_PLAN, type AirLink, type AirPlan } from "./airPlan";
import { conflictMessage } from "./products";
import { coordinateAir } from "./coordinateAir";
import { coordinationMessages } from "./coordinationMessages";
import type { CoordinatedAir } from "./coordinateAir";
import { carriersOf, judgeAir, prepareAir } from "./judgeAir";
import {
  budgetMessage,
  channelCentreMHz,
  congestionOf,
  diversityM,
  latencyMessage,
  linkBudget,
  whipM,
  type LinkBudgetInput,
} from "./linkBudget";
import { momentsOf } from "./moments";
import { EXAMPLE_REGIONS, rangeOf, regionFaults, whyForbidden } from "./region";
import { binScan, levelNear, merged, readScan, ScanRefusal, takenParts, MOST_BINS } from "./scan";
import { simulatedScan } from "./scanner";
import { bankMessage, canTune, choicesOf, countBanks, GENERIC_SYSTEMS, presetName } from "./systems";

const saidOf = (result: CoordinatedAir): string => coordinationMessages(result).map(say).join(" ");

const REGION = EXAMPLE_REGIONS[0]!;
const [TUNED, , BANKED] = GENERIC_SYSTEMS;

describe("scan", () => {
  test("commas or semicolons, points or commas, heading or none, and the unit by name or size", () => {
    const read = (text: string) => {
      const { points, unit } = readScan(text);
      return [unit, points.frequenciesMHz[0], points.levelsDbm[0]];
    };
    expect(read("frequency_MHz,level_dBm\n470.025,-98\n470.05,-97")).toEqual(["MHz", 470.025, -98]);
    expect(read("470025;-98,5\n470050;-97")).toEqual(["kHz", 470.025, -98.5]);
    expect(read("470025000\t-98\n470050000\t-97\n")).toEqual(["Hz", 470.025, -98]);
    expect(read("470,025,-98,5\n470,050,-97,0")).toEqual(["MHz", 470.025, -98.5]);
    expect(read('"freq [kHz]","dBm"\n"470025","-98"\n"470050","-97"')).toEqual(["kHz", 470.025, -98]);
    expect(read("\uFEFF470.05,-97\r\n\r\n470.025,-98,\r\n")).toEqual(["MHz", 470.025, -98]);
  });

  test("several sweeps merge by the strongest; senseless rows are counted and the first is named", () => {
    const scan = readScan("470,-98\n471,-90\nnonsense\n470,-60\n472,NaN\n-3,-90\n473,400");
    expect([...scan.points.levelsDbm]).toEqual([-60, -90]);
    expect([scan.repeated, scan.ignored, scan.rows]).toEqual([1, 4, 7]);
    expect(scan.firstFault).toEqual({ code: "scan.rowFigures", row: 3, line: "nonsense" });
  });

  test("what is no scan is refused in one sentence; a wrong unit is asked for", () => {
    for (const text of ["", "\n\n", "hello", "a,b\nc,d", "470,-98", "\u0000\u0001\u0002"])
      expect(() => readScan(text)).toThrow(ScanRefusal);
    expect(() => readScan("9000,-98\n9500,-97")).toThrow("scan.unit");
  });

  test("any text is read or refused, never anything else (fuzz)", () => {
    const text = fc.oneof(
      fc.string({ maxLength: 300 }),
      fc.array(fc.tuple(fc.double(), fc.double()), { maxLength: 30 }).map((rows) => rows.join("\n")),
    );
    fc.assert(
      fc.property(text, (input) => {
        try {
          const scan = binScan(readScan(input).points, "x");
          expect(scan.levelsDbm.length).toBeLessThanOrEqual(MOST_BINS);
          expect(scan.levelsDbm.every(Number.isFinite)).toBe(true);
        } catch (error) {
          expect(error).toBeInstanceOf(ScanRefusal);
        }
      }),
      { numRuns: 1500 },
    );
  });

  test("a million rows are read and binned without losing a peak", () => {
    const rows = Array.from({ length: 1_000_000 }, (_, index) => `${470 + index * 0.000224},-100`);
    rows[654_321] = `${470 + 654_321 * 0.000224},-20`;
    const scan = binScan(readScan(rows.join("\n")).points, "million");
    expect(scan.levelsDbm.length).toBeLessThanOrEqual(MOST_BINS);
    expect(levelNear(scan, 470 + 654_321 * 0.000224, 30)).toBe(-20);
  });

  test("taken parts have their margin and are merged; gaps are free", () => {
    const { points } = readScan("500,-50\n500.025,-100\n500.05,-60\n500.2,-100\n510,-70\n500.075,-100");
    const taken = takenParts(binScan(points, "x"), -95, 100);
    expect(taken).toHaveLength(2);
    expect(taken[0]!.fromMHz).toBeCloseTo(499.8875, 6);
    expect(taken[0]!.toMHz).toBeCloseTo(500.1625, 6);
    expect(levelNear(binScan(points, "x"), 505, 50)).toBeNull();
    expect(
      merged([
        { fromMHz: 3, toMHz: 4 },
        { fromMHz: 1, toMHz: 3 },
      ]),
    ).toEqual([{ fromMHz: 1, toMHz: 4 }]);
  });

  test("the simulated air: the same for the same place and hour, another elsewhere, own transmitters seen", () => {
    const air = { place: "quay", hour: 10, fromMHz: 470, toMHz: 694, stepKHz: 25, ownMHz: [] };
    expect(simulatedScan(air)).toEqual(simulatedScan(air));
    expect(simulatedScan({ ...air, place: "mill" }).levelsDbm).not.toEqual(simulatedScan(air).levelsDbm);
    const quiet = simulatedScan(air);
    const bin = quiet.levelsDbm.findIndex((level, index) => level < -100 && index > 400);
    const at = quiet.fromMHz + (bin * quiet.stepKHz) / 1000;
    const own = simulatedScan({ ...air, ownMHz: [at] });
    expect(levelNear(own, at, 30)! - levelNear(quiet, at, 30)!).toBeGreaterThan(40);
    const share = takenParts(quiet, -95, 100).reduce((sum, part) => sum + part.toMHz - part.fromMHz, 0) / 224;
    expect(share).toBeGreaterThan(0.1);
    expect(share).toBeLessThan(0.7);
  });
});

describe("region and systems", () => {
  test("outside the ranges, off the steps and over the power is refused, with what to do", () => {
    expect(whyForbidden(REGION, 600.025, 30)).toBeNull();
    expect(whyForbidden(REGION, 600.01, 30)!.code).toBe("forbidden.frequency");
    expect(whyForbidden(REGION, 750, 30)!.code).toBe("forbidden.frequency");
    expect(whyForbidden(REGION, 600.025, 80)!.code).toBe("forbidden.power");
    expect(rangeOf(REGION, 2440.3)?.powerMw).toBe(10);
    expect(EXAMPLE_REGIONS.every(({ isExample }) => isExample)).toBe(true);
    expect(EXAMPLE_REGIONS.flatMap(regionFaults)).toEqual([]);
    const wrong = { ...REGION, ranges: [{ ...REGION.ranges[0]!, toMHz: 400 }] };
    expect(regionFaults(wrong)[0]!.says).toEqual({ code: "air.rangeEndsBelow", range: 1, fromMHz: 470 });
  });

  test("choices are the steps of a system that the region allows and the air leaves free", () => {
    const all = choicesOf(TUNED!, REGION, [], null);
    expect(all).toHaveLength(1441);
    const some = choicesOf(TUNED!, REGION, [{ fromMHz: 519, toMHz: 530 }], null);
    // On the edge of a taken part the margin is kept exactly.
    expect(some.filter((each) => each >= 519 && each <= 530)).toEqual([519, 530]);
    expect(some.length).toBe(1441 - 439);
    expect(choicesOf({ ...TUNED!, powerMw: 100 }, REGION, [], null)).toEqual([]);
    expect([canTune(TUNED!, 518.025), canTune(TUNED!, 518.01), canTune(TUNED!, 700)]).toEqual([true, false, false]);
  });

  test("the bank with most free channels comes first, and says why", () => {
    const busy = BANKED!.banks[0]!.channelsMHz[0]!;
    const counts = countBanks(BANKED!, REGION, [{ fromMHz: busy - 0.01, toMHz: busy + 3 }], null);
    expect(counts[0]!.free).toBeGreaterThan(counts.find(({ bank }) => bank.name === "1")!.free);
    expect(say(bankMessage(counts, counts[0]!.bank.name))).toMatch(/^Bank \d: 8 of 8 channels free; bank \d has 8/);
    expect(say(bankMessage(counts, "1"))).toMatch(/^Bank 1: [0-7] of 8 channels free; bank \d has 8/);
    expect(presetName(BANKED!, busy)).toBe("bank 1, channel 1");
    expect(presetName(TUNED!, 520)).toBeNull();
    expect(canTune(BANKED!, busy)).toBe(true);
    expect(say(bankMessage(countBanks(BANKED!, REGION, [{ fromMHz: 1, toMHz: 7000 }], null), "1"))).toContain(
      "Scan elsewhere",
    );
  });
});

describe("range and delay", () => {
  const BUDGET: LinkBudgetInput = {
    frequencyMHz: 600,
    powerMw: 30,
    distanceM: 30,
    bodies: "none",
    hasDiversity: true,
    needsDbm: -90,
    wallsDb: 0,
    airDbm: null,
  };

  test("free space by hand: 30 m at 600 MHz lose 57.5 dB; a body and 2.4 GHz cost reach", () => {
    const open = linkBudget(BUDGET);
    // 10·lg 30 = 14.8 dBm, less 57.5 and the worn antenna's 6.
    expect(open.receivedDbm).toBeCloseTo(14.77 - 57.55 - 6, 1);
    expect(linkBudget({ ...BUDGET, bodies: "one" }).marginDb).toBeCloseTo(open.marginDb - 15, 6);
    expect(linkBudget({ ...BUDGET, hasDiversity: false }).marginDb).toBeCloseTo(open.marginDb - 10, 6);
    expect(linkBudget({ ...BUDGET, airDbm: -85 }).marginDb).toBeLessThan(open.marginDb);
    const kit = { ...BUDGET, frequencyMHz: 2440, powerMw: 10, needsDbm: -82, hasDiversity: false };
    expect(linkBudget({ ...kit, bodies: "one" }).grade).toBe("redo");
    expect(budgetMessage(linkBudget({ ...kit, bodies: "one" }), "one")).toMatchObject({
      code: "range.short",
      isWorn: true,
    });
    expect(budgetMessage(open, "none").code).toBe("range.good");
  });

  test("at the reach nothing is left, and farther is never better (property)", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.constantFrom("none", "one", "two"),
        (metres, bodies) => {
          const budget = linkBudget({ ...BUDGET, distanceM: metres, bodies });
          expect(linkBudget({ ...BUDGET, distanceM: Math.max(0.1, budget.reachM), bodies }).marginDb).toBeCloseTo(0, 6);
          expect(linkBudget({ ...BUDGET, distanceM: metres + 1, bodies }).marginDb).toBeLessThan(budget.marginDb);
        },
      ),
    );
  });

  test("antennas: a whip of 12.5 cm and 25 cm apart at 600 MHz", () => {
    expect(whipM(600)).toBeCloseTo(0.125, 3);
    expect(diversityM(600)).toBeCloseTo(0.25, 3);
  });

  test("19 ms at 25 frames is 0.48 of a frame; at 50 it is seen", () => {
    expect(latencyMessage(19, 25)!.code).toBe("latency.unseen");
    expect(latencyMessage(19, 25)).toMatchObject({ frames: 0.475 });
    expect(latencyMessage(19, 50)!.code).toBe("latency.seen");
    expect(latencyMessage(3, 25)).toBeNull();
  });

  test("networks on 1 and 6 leave the upper end; weak ones do not count", () => {
    const busy = congestionOf([
      { channel: 1, levelDbm: -50, busy: 0.6 },
      { channel: 6, levelDbm: -60, busy: 0.5 },
      { channel: 13, levelDbm: -95, busy: 1 },
    ]);
    expect(busy.quietest.fromMHz).toBeGreaterThan(2445);
    expect(busy.grade).toBe("good");
    const everywhere = [1, 4, 7, 10, 13].map((channel) => ({ channel, levelDbm: -40, busy: 0.7 }));
    expect(congestionOf(everywhere).grade).toBe("redo");
    expect(congestionOf([]).busy).toBe(0);
    expect(channelCentreMHz(6)).toBe(2437);
    expect(() => channelCentreMHz(15)).toThrow(RangeError);
  });
});

describe("moments", () => {
  const on = (linkId: string, times: [number, number, number][], zone = "") => ({
    linkId,
    zone,
    times: times.map(([day, fromMin, toMin]) => ({ day, fromMin, toMin })),
  });

  test("who is on at the same time shares a bit, who is not does not", () => {
    const moments = momentsOf([
      on("a", [[1, 540, 600]]),
      on("b", [[1, 590, 650]]),
      on("c", [[1, 700, 800]]),
      on("d", []),
    ]);
    const meet = (one: string, other: string) => (moments.get(one)! & moments.get(other)!) !== 0;
    expect([meet("a", "b"), meet("a", "c"), meet("b", "c"), meet("c", "d"), meet("a", "d")]).toEqual([
      true,
      false,
      false,
      true,
      true,
    ]);
  });

  test("zones far apart do not meet; a link of no zone meets all", () => {
    const moments = momentsOf([on("a", [], "quay"), on("b", [], "mill"), on("c", [])]);
    expect(moments.get("a")! & moments.get("b")!).toBe(0);
    expect(moments.get("a")! & moments.get("c")!).not.toBe(0);
  });

  test("more moments than bits: everything counts as together", () => {
    const many = Array.from({ length: 80 }, (_, index) => on(String(index), [[index, 0, 10]]));
    expect(new Set(momentsOf(many).values())).toEqual(new Set([1]));
    expect(momentsOf([]).size).toBe(0);
  });
});

describe("a plan on the air", () => {
  const link = (id: string, change: Partial<AirLink> = {}): AirLink => ({
    id,
    wearerId: null,
    name: id.toUpperCase(),
    systemId: "uhf-tuned",
    zone: "",
    sceneIds: [],
    frequencyMHz: null,
    isLocked: false,
    spareMHz: null,
    ...change,
  });
  const plan = (links: AirLink[], change: Partial<AirPlan> = {}): AirPlan => ({ ...FIRST_AIR_PLAN, links, ...change });
  const always = (links: readonly AirLink[]) => links.map(({ id, zone }) => ({ linkId: id, zone, times: [] }));
  function run(air: AirPlan, rounds = 400) {
    const search = coordinateAir(air, always(air.links), 1, rounds);
    for (let next = search.next(); ; next = search.next()) if (next.done) return next.value;
  }
  const scan = simulatedScan({ place: "mill", hour: 10, fromMHz: 470, toMHz: 694, stepKHz: 25, ownMHz: [] });

  test("mixed systems: all get a frequency on their own steps, off the scan, with spares that live with them", () => {
    const links = [
      ...["a", "b", "c"].map((id) => link(id)),
      ...["d", "e"].map((id) => link(id, { systemId: "uhf-digital" })),
      ...["f", "g"].map((id) => link(id, { systemId: "uhf-banks" })),
      link("h", { systemId: "kit-24" }),
    ];
    const air = plan(links, { scan });
    const result = run(air);
    expect([result.placed, result.wanted]).toEqual([7, 7]);
    expect(saidOf(result)).toMatch(/^All 7 links have a frequency/);
    const tuned = new Map(result.tuned);
    const spare = new Map(result.spares);
    const done = plan(
      links.map((each) => ({ ...each, frequencyMHz: tuned.get(each.id) ?? null })),
      { scan },
    );
    const faults = judgeAir(done, prepareAir(done, always(links)));
    expect([faults.count, faults.refused, faults.onTaken, faults.cure]).toEqual([0, [], [], null]);
    for (const each of links.slice(0, 7)) {
      const moved = plan(
        done.links.map((one) =>
          one.id === each.id ? { ...one, frequencyMHz: spare.get(each.id)![0]!.frequencyMHz } : one,
        ),
        { scan },
      );
      expect(judgeAir(moved, prepareAir(moved, always(links)), false).count).toBe(0);
    }
  });

  test("a broken set is explained, and the smallest move of one link mends it", () => {
    const at = [520, 520.7, 522.3, 521.6];
    const links = at.map((frequencyMHz, index) => link("abcd"[index]!, { frequencyMHz }));
    const air = plan(links);
    const prepared = prepareAir(air, always(links));
    const { conflicts, cure } = judgeAir(air, prepared);
    expect(conflicts.map((each) => say(conflictMessage(each)))).toContain("A + C − B lands on D");
    expect(cure).not.toBeNull();
    const mended = plan(
      links.map((each) => (each.id === cure!.link.id ? { ...each, frequencyMHz: cure!.toMHz } : each)),
    );
    expect(judgeAir(mended, prepareAir(mended, always(links)), false).count).toBe(0);
    expect(carriersOf(air, prepared)).toHaveLength(4);
  });

  test("locked links that fight, lie outside the region or off their system's steps are said, not built on", () => {
    const fight = [520, 520.1].map((frequencyMHz, index) => link("ab"[index]!, { frequencyMHz, isLocked: true }));
    expect(saidOf(run(plan(fight)))).toContain("conflict with each other");
    const outside = [
      link("a", { frequencyMHz: 800, isLocked: true }),
      link("b", { frequencyMHz: 520.01, isLocked: true }),
    ];
    expect(
      run(plan(outside))
        .refused.map(({ says }) => say(says))
        .join(" "),
    ).toMatch(/A: 800.000 MHz is not allowed.*B: 520.010/);
    expect(run(plan([link("a", { systemId: "gone" })])).refused[0]!.says.because).toEqual({
      code: "forbidden.systemGone",
    });
    const strays = plan([link("a", { frequencyMHz: 800 })]);
    expect(judgeAir(strays, prepareAir(strays, always(strays.links))).refused).toHaveLength(1);
  });

  test("too many for too little: the largest number and what holds it back", () => {
    const narrow = { ...GENERIC_SYSTEMS[0]!, fromMHz: 520, toMHz: 521 };
    const links = Array.from({ length: 9 }, (_, index) => link(`l${index}`));
    const result = run(plan(links, { systems: [narrow] }), 4000);
    expect(result.placed).toBeLessThan(9);
    expect(result.isProved).toBe(true);
    expect(saidOf(result)).toMatch(/of 9 links have a frequency\. More are not possible\./);
    const stopped = coordinateAir(plan(links, { systems: [narrow] }), always(links), 1, 4000);
    stopped.next();
    let next = stopped.next(true);
    while (!next.done) next = stopped.next();
    expect(next.value.placed).toBeGreaterThan(1);
    expect(saidOf(run(plan([])))).toBe("There is nothing to coordinate.");
  });
});
