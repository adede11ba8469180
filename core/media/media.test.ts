import fc from "fast-check";
import { planCards, ROLLS_FACTOR, type Rolling } from "./cardPlan";
import { adviseFormat, bytesPerS, compressionMessage, gigabytesPerH, minutesOnCard, takeName } from "./soundFormat";

const WAV = { sampleRateHz: 48_000, bits: 24, kbps: null } as const;
const scene = (title: string, fromMin: number, own: Partial<Rolling> = {}): Rolling => ({
  title,
  fromMin,
  lengthMin: 40,
  takeMin: 8,
  tracks: 2,
  ...own,
});

describe("format", () => {
  const needs = { delivery: "picture", noiseDbfs: -60, mayOverload: false, tracks: 1, hasFloat: false } as const;

  test("by delivery: 48 kHz and 24 bit for picture, 44.1 kHz and 16 bit for radio", () => {
    expect(adviseFormat(needs).format).toEqual({ sampleRateHz: 48_000, bits: 24, channels: 1, kbps: null });
    expect(adviseFormat({ ...needs, delivery: "radio" }).format).toMatchObject({ sampleRateHz: 44_100, bits: 16 });
    expect(adviseFormat({ ...needs, tracks: 4 }).container).toBe("polyphonic WAV");
  });

  test("how much 16 bit have to spare is what lies between their steps and the noise; worked by hand", () => {
    // 6.02 × 16 + 1.76 = 98.08 dB: noise at −60 dBFS lies 38 dB above the steps.
    expect(adviseFormat(needs).spareAt16Db).toBeCloseTo(38.08, 6);
    expect(adviseFormat(needs).says).toContainEqual({
      code: "media.bits16Enough",
      byDb: expect.closeTo(38.08, 6) as number,
    });
    expect(adviseFormat({ ...needs, noiseDbfs: -104 }).says).toContainEqual({
      code: "media.bits16TooFew",
      byDb: expect.closeTo(5.92, 6) as number,
    });
    expect(adviseFormat({ ...needs, noiseDbfs: null }).spareAt16Db).toBeNull();
  });

  test("float where it may overload and is there; a safety track where it is not; never a promise for earlier stages", () => {
    const risky = { ...needs, mayOverload: true };
    expect(adviseFormat({ ...risky, hasFloat: true }).format.bits).toBe(32);
    const codes = (own: object) => adviseFormat({ ...risky, ...own }).says.map(({ code }) => code);
    expect(codes({ hasFloat: true })).toContain("media.float");
    expect(codes({ hasFloat: true })).not.toContain("media.safetyTrack");
    expect(codes({})).toContain("media.safetyTrack");
    expect(adviseFormat({ ...needs, hasFloat: true }).format.bits).toBe(24);
  });

  test("compressing: how many times smaller", () => {
    const mp3 = { ...WAV, channels: 2, kbps: 128 };
    // 2304 kbit/s uncompressed against 128.
    expect(compressionMessage(mp3)).toEqual({ code: "media.compressed", factor: 18 });
    expect(compressionMessage({ ...mp3, kbps: null })).toEqual({ code: "media.compressed", factor: null });
    expect(bytesPerS(mp3)).toBe(16_000);
  });

  test("names sort by day, scene and take, and are safe on every system", () => {
    expect(takeName(2, 4, 3, "Inès, engineer")).toBe("D2_S04_T03_Inès-engineer");
    expect(takeName(1, 1, 12, "../../x:y*?")).toBe("D1_S01_T12_x-y");
    expect(takeName(1, 1, 1, "***")).toBe("D1_S01_T01");
    expect(takeName(1, 1, 1, "a".repeat(99))).toHaveLength("D1_S01_T01_".length + 24);
  });
});

describe("cards over a day", () => {
  test("one card is enough, or says until when it lasts and what lacks", () => {
    const day = [scene("First interview", 9 * 60), scene("Second interview", 15 * 60)];
    expect(planCards(day, WAV, [32]).says).toEqual({
      code: "media.oneCard",
      gigabytes: expect.closeTo(2.0736, 4) as number,
    });
    // 60 min rolled × 2 tracks of 144 kB/s: 1.0368 GB a scene; a card of 1.5 GB holds 85 min of two tracks.
    const small = planCards(day, WAV, [1.5]);
    expect(small.gigabytes).toBeCloseTo(2 * 1.0368, 4);
    expect(small.lack).toMatchObject({ title: "Second interview" });
    expect(small.says).toMatchObject({ code: "media.cardsEnd", title: "Second interview", more: 1, gigabytes: 1.5 });
    const two = planCards(day, WAV, [1.5, 1.5]);
    expect(two.lack).toBeNull();
    expect(two.changes).toHaveLength(1);
    expect(two.says).toMatchObject({ code: "media.changeCard", title: "Second interview" });
  });

  test("no card, nothing recorded, a card too small for one take: each said", () => {
    expect(planCards([scene("A", 600)], WAV, []).says).toMatchObject({ code: "media.noCard" });
    expect(planCards([], WAV, [32]).says).toEqual({ code: "media.nothingRecorded" });
    const tiny = planCards([scene("A", 600, { takeMin: 60, lengthMin: 60 })], WAV, [0.5, 0.5]);
    expect(tiny.lack).toMatchObject({ title: "A" });
    expect(tiny.changes).toEqual([]);
  });

  test("as many cards as whole takes need, and every card there is counts", () => {
    // Eight tracks for 900 min in takes of 30: a card of 4 GB holds 56 min, so one take; 30 cards.
    const long = scene("a", 540, { lengthMin: 600, takeMin: 30, tracks: 8 });
    const sixteen = planCards([long], WAV, new Array<number>(16).fill(4));
    expect(sixteen).toMatchObject({ needed: 30, lack: { title: "a", minutes: 420 } });
    expect(sixteen.says).toMatchObject({
      ...{ code: "media.cardsEnd", atMin: 860, title: "a", more: 14, gigabytes: 4 },
      minutes: expect.closeTo(420, 6) as number,
    });
    // The second card is too small for a take; the third takes the rest.
    const mixed = planCards([scene("a", 540, { lengthMin: 300, takeMin: 30 })], WAV, [1, 0.2, 64]);
    expect(mixed).toMatchObject({ needed: 2, lack: null, unused: [2], changes: [{ card: 3 }] });
    const tooLong = planCards([scene("a", 540, { lengthMin: 60, takeMin: 60 })], WAV, [0.5, 0.5]);
    expect(tooLong).toMatchObject({ needed: null, lack: { isTakeTooLong: true } });
    expect(tooLong.says).toEqual({ code: "media.takeFitsNoCard", title: "a" });
    // A small card that was passed over serves for shorter takes later.
    const later = planCards(
      [
        scene("long", 540, { lengthMin: 20, takeMin: 30, tracks: 1 }),
        scene("short", 600, { lengthMin: 4, takeMin: 2, tracks: 1 }),
      ],
      WAV,
      [0.1, 0.27],
    );
    expect(later).toMatchObject({ needed: 2, lack: null, changes: [{ title: "short", card: 1 }] });
  });

  test("no way of dividing the takes among equal cards needs fewer (brute force)", () => {
    const drawn = fc.array(
      fc.record({
        lengthMin: fc.integer({ min: 1, max: 20 }),
        takeMin: fc.integer({ min: 1, max: 9 }),
        tracks: fc.integer({ min: 1, max: 4 }),
      }),
      { minLength: 1, maxLength: 4 },
    );
    fc.assert(
      fc.property(drawn, fc.integer({ min: 5, max: 60 }), (recordings, cardTrackMin) => {
        const gigabytes = (cardTrackMin + 0.01) * 60 * bytesPerS({ ...WAV, channels: 1 }) * (1e-9 / 0.98);
        const day = recordings.map((each, index): Rolling => ({ ...each, title: String(index), fromMin: 60 * index }));
        const pieces = day.flatMap(({ lengthMin, takeMin, tracks }) => {
          const rolled = lengthMin * ROLLS_FACTOR;
          const whole = Math.floor(rolled / takeMin);
          return [...new Array<number>(whole).fill(takeMin), rolled - whole * takeMin].map((each) => each * tracks);
        });
        /** Fewest cards for the pieces from one on, by trying every number of them on the first card. */
        const fewest = (from: number): number => {
          if (from === pieces.length) return 0;
          let [best, sum] = [Infinity, 0];
          for (let to = from + 1; to <= pieces.length; to += 1) {
            sum += pieces[to - 1]!;
            if (sum > cardTrackMin + 0.005) break;
            best = Math.min(best, 1 + known(to));
          }
          return best;
        };
        const memory = new Map<number, number>();
        const known = (from: number): number => {
          if (!memory.has(from)) memory.set(from, fewest(from));
          return memory.get(from)!;
        };
        const expected = known(0);
        for (const count of [1, 3])
          expect(planCards(day, WAV, new Array<number>(count).fill(gigabytes)).needed ?? Infinity).toBe(expected);
      }),
    );
  });

  test("no card is ever overfilled, changes go forward, larger cards never make it worse (property)", () => {
    const recordings = fc.array(
      fc.record({
        title: fc.constantFrom("a", "b", "c"),
        gapMin: fc.integer({ min: 0, max: 60 }),
        lengthMin: fc.integer({ min: 1, max: 120 }),
        takeMin: fc.integer({ min: 1, max: 30 }),
        tracks: fc.integer({ min: 1, max: 8 }),
      }),
      { maxLength: 8 },
    );
    const cards = fc.array(fc.double({ min: 0.1, max: 8, noNaN: true }), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(recordings, cards, (drawn, sizes) => {
        let at = 0;
        const day = drawn.map(({ gapMin, ...rest }): Rolling => {
          const fromMin = at + gapMin;
          at = fromMin + rest.lengthMin;
          return { ...rest, fromMin };
        });
        const plan = planCards(day, WAV, sizes);
        const track = { ...WAV, channels: 1 };
        const capacity = sizes.reduce((sum, size) => sum + minutesOnCard(size, track), 0);
        if (plan.lack === null) expect(plan.trackMinutes).toBeLessThanOrEqual(capacity + 1e-6);
        expect(plan.trackMinutes).toBeCloseTo(
          day.reduce((sum, each) => sum + each.lengthMin * ROLLS_FACTOR * each.tracks, 0),
          6,
        );
        expect(plan.gigabytes).toBeCloseTo((plan.trackMinutes / 60) * gigabytesPerH(track), 6);
        const times = plan.changes.map(({ atMin }) => atMin);
        expect([...times].sort((one, other) => one - other)).toEqual(times);
        const larger = planCards(
          day,
          WAV,
          sizes.map((size) => 2 * size),
        );
        if (plan.lack === null) expect(larger.lack).toBeNull();
        else if (larger.lack) expect(larger.lack.atMin).toBeGreaterThanOrEqual(plan.lack.atMin - 1e-6);
      }),
    );
  });
});
