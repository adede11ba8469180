/** @jest-environment jsdom */
import type { RecordingMeasurement } from "@/core/check";
import type { CleaningPlan } from "@/core/clean";
import { nameWith, pickTarget } from "./saveSound";
import { cutLengths, eventCounts } from "./cutWords";
import { choicesOf, type Chosen, placeToCompare, planOf, threeToHear } from "./treatments";

const plan: CleaningPlan = {
  channels: [
    { channel: 1, treatments: [{ kind: "noise", byDb: 8 }] },
    {
      channel: 0,
      treatments: [
        { kind: "noise", byDb: 6 },
        { kind: "lowCut", cornerHz: 80 },
      ],
    },
  ],
};
const wishes: CleaningPlan = { channels: [{ channel: 0, treatments: [{ kind: "clipping", places: [[1, 2]] }] }] };

test("what is asked for is on, what may be wished is off, in the order it is done", () => {
  const choices = choicesOf({ plan, wishes });
  expect(choices.map(({ channel, treatment, isOn }) => [channel, treatment.kind, isOn])).toEqual([
    [0, "clipping", false],
    [0, "lowCut", true],
    [0, "noise", true],
    [1, "noise", true],
  ]);
  expect(planOf(choices)).toEqual({
    channels: [
      {
        channel: 0,
        treatments: [
          { kind: "lowCut", cornerHz: 80 },
          { kind: "noise", byDb: 6 },
        ],
      },
      { channel: 1, treatments: [{ kind: "noise", byDb: 8 }] },
    ],
  });
  const off = choices.map((each): Chosen => ({ ...each, isOn: each.channel === 1 }));
  expect(planOf(off).channels.map(({ channel }) => channel)).toEqual([1]);
  expect(planOf(off.map((each) => ({ ...each, isOn: false })))).toEqual({ channels: [] });
});

describe("where it is compared", () => {
  const finding = (kind: string, startS: number, endS: number) => ({ kind, channel: 0, startS, endS });
  const of = (findings: readonly object[]) => ({ findings }) as unknown as RecordingMeasurement;
  const noise: Pick<Chosen, "channel" | "treatment"> = { channel: 0, treatment: { kind: "noise", byDb: 6 } };
  const pops: typeof noise = { channel: 0, treatment: { kind: "pops", places: [[30, 30.2]] } };

  test("is at the place of what is treated, else at the first word, and never behind the end", () => {
    expect(placeToCompare(of([finding("plosive", 30, 30.2)]), pops, 5, 60)).toBe(28);
    // What is so all through has no place.
    expect(placeToCompare(of([finding("noisy", 0, 60)]), noise, 5, 60)).toBe(3);
    expect(placeToCompare(of([finding("plosive", 59, 59.2)]), pops, 5, 60)).toBe(52);
    expect(placeToCompare(of([]), noise, 0.5, 4)).toBe(0);
  });
});

test("after is as loud as before, and what is taken out is their difference", () => {
  const [before, after] = [Float32Array.of(0.4, -0.2), Float32Array.of(0.2, -0.1)];
  const three = threeToHear(before, after, [-20, -26]);
  expect(Math.abs(three.after[0]! - 0.399)).toBeLessThan(0.001);
  expect([...three.taken].map((value) => Number(value.toFixed(3)))).toEqual([0.2, -0.1]);
  // Silence is not turned up.
  expect(threeToHear(before, after, [-20, null]).after[0]).toBeCloseTo(0.2, 6);
});

test("a cut in words: how long it was and is, and what goes", () => {
  const phrase = (decision: "keep" | "drop") => ({ startS: 0, endS: 1, decision, isMarked: false, why: null }) as const;
  expect(cutLengths(754, 600.4, [phrase("keep"), phrase("keep")])).toBe("12:34 → 10:00, every phrase kept.");
  expect(cutLengths(61, 30, [phrase("keep"), phrase("drop")])).toBe("1:01 → 0:30, 1 of 2 phrases dropped.");
  expect(cutLengths(61, 0, [phrase("drop")])).toBe("Nothing is kept.");
  const event = (kind: "breath" | "smack") => ({ kind, startS: 0, endS: 1 });
  const pause = { startS: 0, endS: 1, quiet: [] };
  expect(
    eventCounts([
      { ...pause, events: [event("breath")] },
      { ...pause, events: [event("smack"), event("breath")] },
    ]),
  ).toEqual({
    breaths: 2,
    smacks: 1,
  });
});

describe("where a new file goes", () => {
  const own = window as unknown as { showSaveFilePicker?: unknown };
  afterEach(() => {
    delete own.showSaveFilePicker;
  });
  test("is asked where the browser can, is a download where it cannot, and nothing where one thinks better of it", async () => {
    expect(await pickTarget("a.wav")).toBeNull();
    const handle = { name: "b.wav" };
    own.showSaveFilePicker = () => Promise.resolve(handle);
    expect(await pickTarget("a.wav")).toBe(handle);
    own.showSaveFilePicker = () => Promise.reject(new DOMException("no", "AbortError"));
    expect(await pickTarget("a.wav")).toBe("none");
  });
  test("has its own name", () => {
    expect(nameWith(new File([], "D1_S2.T04.wav"), "clean")).toBe("D1_S2.T04 clean.wav");
  });
});
