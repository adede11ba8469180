import type { Match } from "@/core/sync";
import type { Scanned } from "@/workers/lineUpWorker";
import { cutListOf } from "./cutListOf";
import { clockTime } from "./matchWords";
import { lanesOf, stripOf } from "./strip";

const scanned = (name: string, seconds: number, startS: number | null, device = ""): Scanned => ({
  ...{ file: new File([], name), isPicture: !name.endsWith(".wav"), seconds, startS, device, says: null },
  ...{ frameRate: 25, sampleRateHz: 48_000, landmarks: null },
});
const match = (picture: number, sound: number, offsetS: number): Match => ({
  ...{ picture, sound, offsetS, driftPpm: null, overlap: { fromS: 0, toS: 5 }, confidence: 1 },
  ...{ isInverted: false, looks: [] },
});

const pictures = [scanned("C10.mov", 5, null), scanned("C2.mov", 8, null), scanned("C3.mov", 3, null)];
const sounds = [scanned("T1.wav", 60, 3600), scanned("T2.wav", 30, 3700)];
const matches = [match(0, 1, 4), match(1, 0, 10), match(1, 1, -95)];

test("a strip lays sound by its clock, pictures where their sound says, and leaves out what has none", () => {
  const strip = stripOf(pictures, sounds, matches);
  expect(strip.sounds).toEqual([
    { fromS: 0, toS: 60 },
    { fromS: 100, toS: 130 },
  ]);
  expect(strip.pictures).toEqual([{ fromS: 104, toS: 109 }, { fromS: 10, toS: 18 }, null]);
  expect(strip.lengthS).toBe(130);
});

test("without clocks sound files stand one after the other", () => {
  const strip = stripOf([], [scanned("T1.wav", 60, null), scanned("T2.wav", 40, 5)], []);
  expect(strip.sounds[1]!.fromS).toBeGreaterThan(60);
  expect(stripOf([], [], [])).toMatchObject({ lengthS: 0 });
});

test("nothing lies over anything else, and each device keeps its lane", () => {
  const laid = (fromS: number, toS: number, device: string) => ({ fromS, toS, device });
  expect(
    lanesOf([laid(0, 5, "A"), laid(5, 9, "A"), laid(6, 8, "B"), null, laid(8, 12, "A"), laid(20, 21, "B")]),
  ).toEqual([0, 0, 1, -1, 2, 1]);
});

test("the edit has what has sound, in the order it was taken, each with what was nudged", () => {
  const about = { title: "Day 1", frameRate: 25, isDrop: false };
  const offsetOf = (of: Match) => of.offsetS + (of.picture === 0 ? 0.5 : 0);
  const list = cutListOf({ pictures, sounds, matches, offsetOf }, about);
  expect(list.pictures.map(({ name, sounds: own }) => [name, own.map((each) => [each.name, each.offsetS])])).toEqual([
    [
      "C2.mov",
      [
        ["T1.wav", 10],
        ["T2.wav", -95],
      ],
    ],
    ["C10.mov", [["T2.wav", 4.5]]],
  ]);
  // Without clocks by name, as people count.
  const unclocked = sounds.map((each) => ({ ...each, startS: null }));
  const byName = cutListOf({ pictures, sounds: unclocked, matches, offsetOf }, about);
  expect(byName.pictures.map(({ name }) => name)).toEqual(["C2.mov", "C10.mov"]);
});

test.each([
  [0, "00:00.000"],
  [75.0004, "01:15.000"],
  [-0.25, "−00:00.250"],
  [3725.9996, "1:02:06.000"],
])("%d s is %s", (seconds, text) => expect(clockTime(seconds)).toBe(text));
