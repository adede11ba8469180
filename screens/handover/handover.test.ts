import type { MatchBody } from "@/core/records";
import type { LinedUp, Match } from "@/core/sync";
import type { Scanned } from "@/workers/lineUpWorker";
import { cutListOf } from "./cutListOf";
import { clockTime } from "./matchWords";
import { keepMatches, offsetOf, type Pair, pairsOf } from "./pairs";
import { lanesOf, stripOf } from "./strip";

const scanned = (path: string, seconds: number, startS: number | null): Scanned => ({
  ...{ file: new File([], path), path, isPicture: !path.endsWith(".wav"), seconds, startS, device: "", says: null },
  ...{ frameRate: 25, sampleRateHz: 48_000, landmarks: null },
});
const match = (picture: number, sound: number, offsetS: number): Match => ({
  ...{ picture, sound, offsetS, driftPpm: 1.234567, overlap: { fromS: 0, toS: 5 }, confidence: 1 },
  ...{ isInverted: false, looks: [] },
});

const SHOOT = "51ac0000-0000-4000-8000-000000000001";
const pictures = [scanned("A/C10.mov", 5, null), scanned("A/C2.mov", 8, null), scanned("B/C2.mov", 3, null)];
const sounds = [scanned("T1.wav", 60, 3600), scanned("T2.wav", 30, 3700)];
const matches = [match(0, 1, 4), match(1, 0, 10), match(1, 1, -95)];
const found: LinedUp = {
  matches,
  byClock: [],
  clocks: [],
  pictures: [null, null, "nothingAlike"],
  sounds: [null, null],
};

/** What a shoot keeps, without its device. */
function kept() {
  const records = new Map<string, MatchBody>();
  const store: Parameters<typeof keepMatches>[0] = {
    has: (_, id) => records.has(id),
    edit: (_, id, change) => void records.set(id, change(records.get(id)! as never) as MatchBody),
    createAll: (made) => made.forEach(({ id, body }) => records.set(id, body as MatchBody)),
  };
  const stored = () => [...records].map(([id, body]) => ({ id, body, version: 1, changedAt: "" }));
  return { records, store, stored };
}

const inOrder = (pairs: readonly Pair[]) => pairs.map(({ body }) => [body.picture, body.sound, offsetOf(body)]);

test("what was found is kept under its files' places; what was nudged stays when it is found again", () => {
  const { records, store, stored } = kept();
  keepMatches(store, SHOOT, { pictures, sounds, found });
  expect(records.size).toBe(3);
  const [first] = records.keys();
  records.set(first!, { ...records.get(first!)!, nudgeS: 0.5 });
  keepMatches(store, SHOOT, { pictures, sounds, found });
  expect(records.size).toBe(3);
  expect(inOrder(pairsOf(stored(), new Map()))).toEqual([
    ["A/C2.mov", "T2.wav", -95],
    ["A/C2.mov", "T1.wav", 10],
    ["A/C10.mov", "T2.wav", 4.5],
  ]);
  expect(records.get(first!)).toMatchObject({ driftPpm: 1.23, nudgeS: 0.5, offsetS: 4 });
});

test("pairs without clocks stand by name, as people count, with the files that are here", () => {
  const { store, stored } = kept();
  const unclocked = sounds.map((each) => ({ ...each, startS: null }));
  keepMatches(store, SHOOT, { pictures, sounds: unclocked, found });
  const files = new Map([[pictures[1]!.path, pictures[1]!]]);
  const pairs = pairsOf(stored(), files);
  expect(pairs.map(({ body, picture }) => [body.picture, picture?.path ?? null])).toEqual([
    ["A/C2.mov", "A/C2.mov"],
    ["A/C2.mov", "A/C2.mov"],
    ["A/C10.mov", null],
  ]);
});

test("a strip lays sound by its clock, pictures where their sound says, and what is alone beside it", () => {
  const { store, stored } = kept();
  keepMatches(store, SHOOT, { pictures, sounds, found });
  const strip = stripOf(pairsOf(stored(), new Map()), [scanned("T3.wav", 10, 3800)]);
  const at = (path: string) => [...strip.pictures, ...strip.sounds].find((each) => each.path === path)!;
  expect([at("T1.wav").fromS, at("T2.wav").fromS, at("T3.wav").fromS]).toEqual([0, 100, 200]);
  expect([at("A/C10.mov").fromS, at("A/C2.mov").fromS]).toEqual([104, 5]);
  expect(strip.lengthS).toBe(210);
  expect(strip.threads).toHaveLength(3);
});

test("without clocks sound files stand one after the other, and nothing at all is no strip", () => {
  const { sounds: laid } = stripOf([], [scanned("T1.wav", 60, null), scanned("T2.wav", 40, 5)]);
  expect(laid[1]!.fromS).toBeGreaterThan(60);
  expect(stripOf([], [])).toMatchObject({ lengthS: 0 });
});

test("nothing lies over anything else, and each folder keeps its lane", () => {
  const laid = (fromS: number, toS: number, path: string) => ({ fromS, toS, path });
  const items = [laid(0, 5, "A/1"), laid(5, 9, "A/2"), laid(6, 8, "B/1"), laid(8, 12, "A/3"), laid(20, 21, "B/2")];
  expect(lanesOf(items)).toEqual([0, 0, 1, 2, 1]);
});

test("the edit has each picture once, with all its sounds", () => {
  const { store, stored } = kept();
  keepMatches(store, SHOOT, { pictures, sounds, found });
  const list = cutListOf(pairsOf(stored(), new Map()), { title: "Day 1", frameRate: 25, isDrop: false });
  expect(list.pictures.map(({ name, sounds: own }) => [name, own.map((each) => [each.name, each.offsetS])])).toEqual([
    [
      "C2.mov",
      [
        ["T2.wav", -95],
        ["T1.wav", 10],
      ],
    ],
    ["C10.mov", [["T2.wav", 4]]],
  ]);
});

test.each([
  [0, "00:00.000"],
  [75.0004, "01:15.000"],
  [-0.25, "−00:00.250"],
  [3725.9996, "1:02:06.000"],
])("%d s is %s", (seconds, text) => expect(clockTime(seconds)).toBe(text));
