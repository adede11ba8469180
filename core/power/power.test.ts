import fc from "fast-check";
import { bankHours, coldShare, loadShare, runHours, USUAL_BATTERIES, wattHours, wattsFor } from "./cells";
import { cellsForDay, planDayPower, RESERVE_SHARE, type Powered } from "./swaps";

const pack = (own: Partial<Powered> = {}): Powered => ({
  name: "Pack",
  watts: 1,
  battery: USUAL_BATTERIES.twoAlkaline,
  uses: [],
  takesUsb: false,
  ...own,
});
const planSwaps = (device: Powered, temperatureC: number, bankWh: number | null) =>
  planDayPower([device], temperatureC, bankWh)[0]!;
const use = (title: string, from: string, to: string) => {
  const minutes = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));
  return { title, fromMin: minutes(from), toMin: minutes(to) };
};

describe("cells", () => {
  test("watt-hours in a row; cold, age and heavy loads take their share; worked by hand", () => {
    expect(wattHours(USUAL_BATTERIES.twoAlkaline)).toBeCloseTo(7.5, 9);
    // 0 °C: seven tenths of alkaline, 0.85 of the others (recalled from memory).
    expect(coldShare("alkaline", 0)).toBeCloseTo(0.7, 9);
    expect(coldShare("nimh", 0)).toBeCloseTo(0.85, 9);
    expect(coldShare("lithium", 10)).toBeCloseTo(0.925, 9);
    expect(coldShare("alkaline", 35)).toBe(1);
    expect(loadShare("alkaline", 100)).toBe(1);
    expect(loadShare("alkaline", 500)).toBeCloseTo(0.6, 9);
    expect(loadShare("liIon", 3000)).toBe(1);
    // 0.3 W from 3 V: 100 mA, nothing lost: 25 h.
    expect(runHours(USUAL_BATTERIES.twoAlkaline, 0.3, 20)).toBeCloseTo(25, 9);
    expect(runHours({ ...USUAL_BATTERIES.twoAlkaline, ageShare: 0.5 }, 0.3, 0)).toBeCloseTo(25 * 0.5 * 0.7, 9);
    // A bank of 37 Wh loses 15 % on the way.
    expect(bankHours(37, 2)).toBeCloseTo(15.725, 9);
  });

  test("what is known by its hours draws what gives those hours back (property)", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(USUAL_BATTERIES)),
        fc.double({ min: 1, max: 30, noNaN: true }),
        (battery, hours) => {
          expect(runHours(battery, wattsFor(battery, hours), 20)).toBeCloseTo(hours, 6);
        },
      ),
    );
  });

  test("colder, older and heavier never last longer (property)", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(USUAL_BATTERIES)),
        fc.double({ min: 0.05, max: 5, noNaN: true }),
        fc.double({ min: -20, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (battery, watts, temperatureC, more) => {
          const hours = runHours(battery, watts, temperatureC);
          expect(hours).toBeGreaterThan(0);
          expect(runHours(battery, watts, temperatureC - more)).toBeLessThanOrEqual(hours + 1e-9);
          expect(runHours(battery, watts + more, temperatureC)).toBeLessThanOrEqual(hours + 1e-9);
          expect(runHours({ ...battery, ageShare: 0.5 }, watts, temperatureC)).toBeLessThan(hours);
        },
      ),
    );
  });
});

describe("changes over a day", () => {
  test("a set is changed before what it would not last through with a fifth in hand", () => {
    // 7.5 Wh at 1 W from 3 V: 333 mA, load share 0.767, so 5.75 h; with a fifth in hand 4.6 h.
    const day = pack({
      uses: [use("Interview", "09:00", "12:00"), use("Quay", "14:00", "16:00"), use("Table", "17:30", "18:30")],
    });
    const plan = planSwaps(day, 20, null);
    expect(plan.hours).toBeCloseTo(5.75, 2);
    expect(plan.swaps).toEqual([{ atMin: 840, title: "Quay" }]);
    expect(plan).toMatchObject({ sets: 2, cells: 4, tooLong: null });
    expect(plan.says).toMatchObject({ code: "power.change", name: "Pack", bank: null, swaps: [{ title: "Quay" }] });
    expect(planSwaps({ ...day, uses: day.uses.slice(0, 1) }, 20, null).says).toMatchObject({ code: "power.oneSet" });
    expect(planSwaps({ ...day, uses: [] }, 20, null)).toMatchObject({ sets: 0, cells: 0 });
  });

  test("what is longer than a set wants mains, a bank or stronger cells, and says which", () => {
    const long = pack({ uses: [use("Live stream", "10:00", "17:00")] });
    expect(planSwaps(long, 20, null)).toMatchObject({ tooLong: "Live stream" });
    expect(planSwaps(long, 20, null).says).toMatchObject({ code: "power.tooShort", helps: "strongerCells" });
    const fed = { ...long, takesUsb: true };
    expect(planSwaps(fed, 20, null).says).toMatchObject({ code: "power.tooShort", helps: "mainsOrBank" });
    expect(planSwaps(fed, 20, 37)).toMatchObject({ swaps: [], tooLong: null });
  });

  test("a power bank empties over the day, and what comes after runs on sets", () => {
    const day = pack({
      watts: 4,
      battery: USUAL_BATTERIES.builtIn,
      takesUsb: true,
      uses: [use("Morning", "08:00", "12:00"), use("Afternoon", "13:00", "17:00"), use("Night", "18:00", "22:00")],
    });
    // 20 Wh × 0.85 ÷ 4 W = 4.25 h of bank; 11.1 Wh ÷ 4 W = 2.775 h a set, 2.22 with a fifth in hand.
    const plan = planSwaps(day, 20, 20);
    expect(plan.feeds.map(({ title, toMin, isEmptied }) => [title, toMin, isEmptied])).toEqual([
      ["Morning", 720, false],
      ["Afternoon", 795, true],
    ]);
    expect(plan.tooLong).toBe("Afternoon");
    // Afternoon from 13:15 on its own: 133.2 min, changed at 15:28, then 91.8 min of the next; a fresh one before Night.
    expect(plan.swaps.map(({ atMin, title }) => [title, Math.round(atMin)])).toEqual([
      ["Afternoon", 928],
      ["Night", 1080],
      ["Night", 1213],
    ]);
    expect(plan.says).toMatchObject({
      code: "power.tooShort",
      helps: "mainsOrLargerBank",
      bank: { feeds: ["Morning", "Afternoon"], emptyAtMin: 795 },
    });
    expect(planSwaps(day, 20, 1000)).toMatchObject({ swaps: [], tooLong: null });
  });

  test("never more energy from a bank than is in it, over all that hang on it (property)", () => {
    const uses = fc.array(fc.tuple(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 0, max: 60 })), {
      maxLength: 5,
    });
    const device = fc.tuple(uses, fc.double({ min: 0.5, max: 8, noNaN: true }));
    fc.assert(
      fc.property(
        fc.array(device, { minLength: 1, maxLength: 4 }),
        fc.double({ min: 1, max: 100, noNaN: true }),
        (drawn, bankWh) => {
          const devices = drawn.map(([gaps, watts]) => {
            let at = 0;
            const day = gaps.map(([length, gap], index) => {
              const fromMin = at + gap;
              at = fromMin + length;
              return { title: String(index), fromMin, toMin: at };
            });
            return pack({ uses: day, watts, takesUsb: true, battery: USUAL_BATTERIES.builtIn });
          });
          const plans = planDayPower(devices, 20, bankWh);
          const fedWh = plans.reduce(
            (sum, { feeds }, index) =>
              sum +
              feeds.reduce((own, { fromMin, toMin }) => own + ((toMin - fromMin) / 60) * devices[index]!.watts, 0) /
                0.85,
            0,
          );
          expect(fedWh).toBeLessThanOrEqual(bankWh + 1e-6);
        },
      ),
    );
  });

  test("cold makes more changes; cells are counted by kind", () => {
    const day = pack({ uses: [use("A", "09:00", "12:30"), use("B", "13:00", "16:00")] });
    const [warm, cold] = [planSwaps(day, 20, null), planSwaps(day, -10, null)];
    expect(cold.swaps.length).toBeGreaterThan(warm.swaps.length);
    const cells = cellsForDay([
      { plan: warm, battery: day.battery },
      { plan: warm, battery: day.battery },
    ]);
    expect(cells).toEqual([{ chemistry: "alkaline", volts: 1.5, count: 2 * warm.cells }]);
  });

  test("between two changes nothing runs longer than a set lasts less its reserve (property)", () => {
    const uses = fc.array(fc.tuple(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 1, max: 120 })), {
      minLength: 1,
      maxLength: 8,
    });
    fc.assert(
      fc.property(uses, fc.double({ min: 0.2, max: 4, noNaN: true }), (gaps, watts) => {
        let at = 0;
        const day = gaps.map(([length, gap], index) => {
          const fromMin = at + gap;
          at = fromMin + length;
          return { title: String(index), fromMin, toMin: at };
        });
        const plan = planSwaps(pack({ uses: day, watts }), 20, null);
        const lasts = 60 * plan.hours * (1 - RESERVE_SHARE);
        fc.pre(lasts >= 1);
        const cuts = [-1, ...plan.swaps.map(({ atMin }) => atMin), at + 1];
        for (let index = 1; index < cuts.length; index += 1) {
          const ran = day.reduce(
            (sum, { fromMin, toMin }) =>
              sum + Math.max(0, Math.min(toMin, cuts[index]!) - Math.max(fromMin, cuts[index - 1]!)),
            0,
          );
          expect(ran).toBeLessThanOrEqual(lasts + 1e-6);
        }
      }),
    );
  });
});
