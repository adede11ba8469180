import fc from "fast-check";
import { bestOrder, MOST_EXACT, recordAt, type DayOrder, type SceneWish } from "./bestOrder";
import { minutesOfDay, timeOfDay } from "./clockTime";
import { interruptionsOf } from "./interruptions";
import { gapsBetween, lengthOf, mergeIntervals, overlaps, type Interval } from "./intervals";

const DAY: Interval = { fromMin: 480, toMin: 1140 };

const wish = (id: string, change: Partial<SceneWish> = {}): SceneWish => ({
  id,
  lengthMin: 30,
  takeMin: 5,
  placeId: "granary",
  earliestMin: 0,
  latestMin: 1440,
  fixedAtMin: null,
  blocked: [],
  ...change,
});

const at = (from: string, minutes: number): Interval => ({
  fromMin: minutesOfDay(from),
  toMin: minutesOfDay(from) + minutes,
});

const order = (scenes: SceneWish[], moveMin = 0): DayOrder => bestOrder({ scenes, day: DAY, moveMin });
const times = ({ placed }: DayOrder) => placed.map(({ id, fromMin }) => `${id} ${timeOfDay(fromMin)}`);

const intervals = fc.array(
  fc
    .tuple(fc.integer({ min: 420, max: 1200 }), fc.integer({ min: 1, max: 90 }))
    .map(([fromMin, minutes]): Interval => ({ fromMin, toMin: fromMin + minutes })),
  { maxLength: 12 },
);

const scenes = (most: number) =>
  fc.array(
    fc.record({
      lengthMin: fc.integer({ min: 2, max: 120 }),
      takeMin: fc.integer({ min: 1, max: 60 }),
      placeId: fc.constantFrom("granary", "quay", "kitchen"),
      blocked: intervals,
      fixedAtMin: fc.option(fc.integer({ min: 480, max: 1100 }), { freq: 5 }),
    }),
    { minLength: 1, maxLength: most },
  );

const named = (list: readonly Partial<SceneWish>[]) => list.map((each, index) => wish(String(index), each));

describe("stretches of a day", () => {
  test("merged ones are apart and in order, and gaps are the rest of the day", () => {
    fc.assert(
      fc.property(intervals, (blocked) => {
        const merged = mergeIntervals(blocked);
        merged.forEach((each, index) => index > 0 && expect(each.fromMin).toBeGreaterThan(merged[index - 1]!.toMin));
        const gaps = gapsBetween(blocked, DAY);
        for (const gap of gaps) for (const each of blocked) expect(overlaps(gap, each)).toBe(false);
        const inDay = merged.map(({ fromMin, toMin }) =>
          Math.max(0, Math.min(toMin, DAY.toMin) - Math.max(fromMin, DAY.fromMin)),
        );
        const sum = (lengths: number[]) => lengths.reduce((total, each) => total + each, 0);
        expect(sum(gaps.map(lengthOf)) + sum(inDay)).toBe(lengthOf(DAY));
      }),
    );
  });
});

describe("one scene", () => {
  test("waits for the gap that a take fits in, and goes on after the noise", () => {
    const scene = wish("a", { lengthMin: 20, takeMin: 8, blocked: [at("08:05", 10), at("08:25", 5)] });
    const { placed } = order([scene]);
    expect(placed[0]!.runs.map(({ fromMin, toMin }) => `${timeOfDay(fromMin)}–${timeOfDay(toMin)}`)).toEqual([
      "08:15–08:25",
      "08:30–08:40",
    ]);
    expect(placed[0]!.waitsMin).toBe(5);
  });

  test("fixed, it starts then or not at all", () => {
    expect(times(order([wish("a", { fixedAtMin: 600 })]))).toEqual(["a 10:00"]);
    const { placed, left } = order([wish("a", { fixedAtMin: 600, blocked: [at("09:50", 20)] })]);
    expect(placed).toEqual([]);
    expect(left[0]!.says).toEqual({ code: "schedule.fixedInNoise", atMin: 600 });
  });

  test("why it cannot be recorded, in words", () => {
    const bells = Array.from({ length: 40 }, (_, index) => ({ fromMin: 480 + 20 * index, toMin: 490 + 20 * index }));
    expect(order([wish("a", { takeMin: 15, blocked: bells })]).left[0]!.says).toMatchObject({
      ...{ needsMin: 15, longestMin: 10 },
    });
    expect(order([wish("a", { lengthMin: 400, takeMin: 9, blocked: bells })]).left[0]!.says.code).toBe(
      "schedule.tooLittleQuiet",
    );
    expect(order([wish("a", { lengthMin: 600 }), wish("b", { lengthMin: 600 })]).left[0]!.says).toEqual({
      code: "schedule.dayFull",
    });
    expect(order([wish("a", { blocked: [{ fromMin: 0, toMin: 1440 }] })]).placed).toEqual([]);
  });

  test("from where it is planned it waits as well; too late it does not fit", () => {
    const scene = wish("a", { blocked: [at("09:00", 30)] });
    expect(recordAt(scene, minutesOfDay("09:10"), DAY)!.fromMin).toBe(minutesOfDay("09:30"));
    expect(recordAt(scene, minutesOfDay("18:50"), DAY)).toBeNull();
  });

  test("starting earlier never ends it later (what the search rests on)", () => {
    fc.assert(
      fc.property(
        scenes(1),
        fc.integer({ min: 480, max: 1100 }),
        fc.integer({ min: 0, max: 200 }),
        (list, from, by) => {
          const scene = { ...named(list)[0]!, fixedAtMin: null };
          const [early, late] = [recordAt(scene, from, DAY), recordAt(scene, from + by, DAY)];
          if (late) expect(early!.toMin).toBeLessThanOrEqual(late.toMin + 1e-9);
        },
      ),
      { numRuns: 500 },
    );
  });
});

describe("one scene minute by minute", () => {
  /** The earliest end, by trying every minute to begin a run and every length of it; null where there is none. */
  function earliestEnd(scene: SceneWish, from: number): number | null {
    const isQuiet = (minute: number) =>
      minute >= Math.max(DAY.fromMin, scene.earliestMin) &&
      minute < Math.min(DAY.toMin, scene.latestMin) &&
      !scene.blocked.some(({ fromMin, toMin }) => minute >= fromMin && minute < toMin);
    const least = Math.min(scene.takeMin, scene.lengthMin);
    const known = new Map<number, number | null>();
    const go = (minute: number, wanted: number): number | null => {
      if (wanted === 0) return minute;
      if (minute >= DAY.toMin) return null;
      const key = minute * 1000 + wanted;
      if (known.has(key)) return known.get(key)!;
      let best = go(minute + 1, wanted);
      for (let length = 1; length <= wanted && isQuiet(minute + length - 1); length += 1) {
        if (length < least && length < wanted) continue;
        const end = go(minute + length, wanted - length);
        if (end !== null && (best === null || end < best)) best = end;
      }
      known.set(key, best);
      return best;
    };
    return go(from, scene.lengthMin);
  }

  test("a remainder goes into any gap that holds it; it never ends later than the best way there is (brute force)", () => {
    // Ten minutes in takes of eight: the last two fit into a gap of three.
    const scene = wish("a", { lengthMin: 10, takeMin: 8, blocked: [at("08:08", 10), at("08:21", 60)] });
    expect(recordAt(scene, 480, DAY)!.toMin).toBe(minutesOfDay("08:20"));
    const short = fc.array(
      fc
        .tuple(fc.integer({ min: 470, max: 620 }), fc.integer({ min: 1, max: 25 }))
        .map(([fromMin, minutes]): Interval => ({ fromMin, toMin: fromMin + minutes })),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(
        short,
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 480, max: 560 }),
        fc.integer({ min: 560, max: 640 }),
        (blocked, lengthMin, takeMin, from, latestMin) => {
          const drawn = wish("a", { lengthMin, takeMin, blocked, latestMin });
          expect(recordAt(drawn, from, DAY)?.toMin ?? null).toBe(earliestEnd(drawn, from));
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe("order of a day", () => {
  test("scenes of one place stay together when moving takes time", () => {
    const list = [wish("a"), wish("b", { placeId: "quay" }), wish("c"), wish("d", { placeId: "quay" })];
    const { placed, finishMin } = order(list, 20);
    const places = placed.map(({ id }) => list.find((each) => each.id === id)!.placeId);
    expect(new Set([places.slice(0, 2).join(), places.slice(2).join()]).size).toBe(2);
    expect(finishMin).toBe(480 + 4 * 30 + 20);
  });

  test("a short scene fills the gap before the noise, a long one comes after it", () => {
    const blocked = [at("08:20", 40)];
    const list = [wish("long", { lengthMin: 60, takeMin: 60, blocked }), wish("short", { lengthMin: 15, blocked })];
    expect(times(order(list))).toEqual(["short 08:00", "long 09:00"]);
  });

  test("never while a place is noisy, never two at once, always as long as wanted (property)", () => {
    fc.assert(
      fc.property(scenes(7), fc.integer({ min: 0, max: 30 }), (list, moveMin) => {
        const wishes = named(list);
        const { placed, left } = order(wishes, moveMin);
        expect(placed.length + left.length).toBe(wishes.length);
        placed.forEach((each, index) => {
          const scene = wishes.find(({ id }) => id === each.id)!;
          for (const run of each.runs) for (const noise of scene.blocked) expect(overlaps(run, noise)).toBe(false);
          expect(each.runs.reduce((sum, run) => sum + lengthOf(run), 0)).toBeCloseTo(scene.lengthMin, 6);
          expect(each.fromMin).toBeGreaterThanOrEqual(DAY.fromMin);
          expect(each.toMin).toBeLessThanOrEqual(DAY.toMin);
          if (scene.fixedAtMin !== null) expect(each.fromMin).toBe(scene.fixedAtMin);
          const before = placed[index - 1];
          if (!before) return;
          const isSame = wishes.find(({ id }) => id === before.id)!.placeId === scene.placeId;
          expect(each.fromMin).toBeGreaterThanOrEqual(before.toMin + (isSame ? 0 : moveMin) - 1e-9);
        });
      }),
      { numRuns: 300 },
    );
  });

  /** All orders one by one, with every scene left out or in: no shortcut. */
  function byHand(wishes: readonly SceneWish[], moveMin: number): { count: number; finishMin: number } {
    let best = { count: 0, finishMin: DAY.fromMin };
    const go = (rest: readonly SceneWish[], count: number, finishMin: number, placeId: string | null) => {
      if (count > best.count || (count === best.count && finishMin < best.finishMin)) best = { count, finishMin };
      for (const scene of rest) {
        const from = finishMin + (placeId !== null && placeId !== scene.placeId ? moveMin : 0);
        const placed = bestOrder({ scenes: [scene], day: { ...DAY, fromMin: from }, moveMin }).placed[0];
        if (placed)
          go(
            rest.filter((each) => each !== scene),
            count + 1,
            placed.toMin,
            scene.placeId,
          );
      }
    };
    go(wishes, 0, DAY.fromMin, null);
    return best;
  }

  test("is the best of all orders, tried one by one (exhaustive search)", () => {
    fc.assert(
      fc.property(scenes(5), fc.integer({ min: 0, max: 30 }), (list, moveMin) => {
        const { placed, finishMin, isProved } = order(named(list), moveMin);
        const best = byHand(named(list), moveMin);
        expect([placed.length, finishMin, isProved]).toEqual([best.count, best.finishMin, true]);
      }),
      { numRuns: 150 },
    );
  });

  test("more scenes than can all be weighed: still a good order, and it says that it is not proved", () => {
    const list = Array.from({ length: MOST_EXACT + 5 }, (_, index) =>
      wish(String(index), { lengthMin: 20 + index, placeId: String(index % 3) }),
    );
    const { placed, isProved } = order(list, 10);
    expect(isProved).toBe(false);
    expect(placed.length).toBeGreaterThan(12);
    expect(() => order(Array.from({ length: 31 }, (_, index) => wish(String(index))))).toThrow(RangeError);
  });
});

describe("noises that come now and then", () => {
  test("six a minute-long an hour, takes of nine minutes: one on average, 37 % stay clean (Poisson)", () => {
    const { perTake, cleanChance, takesNeeded } = interruptionsOf(9, [{ perHour: 6, lastsS: 60 }]);
    expect(perTake).toBeCloseTo(1, 9);
    expect(cleanChance).toBeCloseTo(Math.exp(-1), 9);
    expect(takesNeeded).toBeCloseTo(Math.E, 9);
  });

  test("none leaves every take clean; longer takes are never cleaner", () => {
    expect(interruptionsOf(30, []).cleanChance).toBe(1);
    const chances = [1, 3, 10, 30].map((take) => interruptionsOf(take, [{ perHour: 4, lastsS: 30 }]).cleanChance);
    expect([...chances].sort((one, other) => other - one)).toEqual(chances);
  });
});
