import { File } from "node:buffer";
import { toWav } from "@/core/audio";
import type { MatchBody } from "@/core/records";
import { readTags } from "@/core/tags";
import { DEMO_LOG } from "@/demo/log";
import { SLACK_WATER } from "@/demo/slackWater";
import { sine } from "@/fixtures/testSignals";
import { stored, wholeBundleOf } from "@/fixtures/testShoot";
import type { DroppedFile } from "@/ui/FileDrop";
import { blobSource } from "@/workers/blobSource";
import type { Pair } from "../pairs";
import { faultWords, progressWords, sizeWords, stoppedWords } from "./copyWords";
import { dayEntries } from "./dayEntries";
import { dayTakes } from "./dayTakes";

const RATE = 48_000;
const bundle = {
  ...wholeBundleOf(SLACK_WATER),
  rolls: DEMO_LOG.rolls.map(({ id, body }) => stored<"roll">(id, body)),
  marks: DEMO_LOG.marks.map(({ id, body }) => stored<"mark">(id, body)),
  rollSetups: [stored<"rollSetup">(DEMO_LOG.setup.id, DEMO_LOG.setup.body)],
};
const wav = (channels: number, seconds: number) =>
  toWav(
    Array.from({ length: channels }, (_, at) =>
      sine({ frequencyHz: 300 + 100 * at, levelDbfs: -12, seconds, sampleRateHz: RATE }),
    ),
    { sampleRateHz: RATE, bits: 24 },
  );
const dropped = (path: string, channels = 1, seconds = 24): DroppedFile => ({
  file: new File([wav(channels, seconds)], path.replace(/^.*\//, "")) as unknown as globalThis.File,
  path,
});
const sounds = [dropped("CARD/D1_S2_T04.WAV", 2), dropped("engineer-quay.wav", 1, 12), dropped("D1_S2_T02.wav")];

test("what is handed over are takes that are good or held, and tones; files are found whatever their folder and capitals", () => {
  const takes = dayTakes(bundle, 1, sounds);
  const found = takes.filter(({ files }) => files !== null);
  expect(found.map(({ roll, files }) => [roll.body.slate, roll.body.take, files!.map(({ path }) => path)])).toEqual([
    ["2", 1, ["engineer-quay.wav"]],
    ["2", 4, ["CARD/D1_S2_T04.WAV"]],
  ]);
  // A take that is no good is none of them, though its file is there.
  expect(takes.some(({ roll }) => roll.body.rating === "noGood")).toBe(false);
  expect(takes.some(({ roll }) => roll.body.type === "roomTone")).toBe(true);
});

test("a take in several files has them all, or is missing", () => {
  const [roll] = bundle.rolls.filter(({ body }) => body.fileName === "D1_S2_T04");
  const parts = ["p1.wav", "p2.wav"].map((name) => ({ name, lengthS: 12, hash: null, isSure: true }));
  const split = { ...bundle, rolls: [stored<"roll">(roll!.id, { ...roll!.body, files: parts })] };
  const [one, two] = [dropped("p1.wav"), dropped("p2.wav")];
  expect(dayTakes(split, 1, [two, one])[0]!.files).toEqual([one, two]);
  expect(dayTakes(split, 1, [one])[0]!.files).toBeNull();
});

const match: MatchBody = {
  ...{ shootId: bundle.shoot.id, picture: "A/C01.mov", pictureS: 20, sound: "CARD/D1_S2_T04.WAV", soundS: 24 },
  ...{ sampleRateHz: RATE, soundStartS: null, offsetS: 1, nudgeS: 0, driftPpm: 2000, confidence: 1, isInverted: false },
  by: "sound",
};
const pairs: Pair[] = [{ id: "m", body: match, picture: null, sound: null }];
const entriesOf = (isPerTrack: boolean) =>
  dayEntries(bundle, dayTakes(bundle, 1, sounds), {
    ...{ day: 1, isPerTrack, report: null, pairs, date: "2027-05-11" },
  });
const textOf = async (isPerTrack: boolean, path: string) =>
  (await entriesOf(isPerTrack)).find((entry) => entry.path === path)!.blob.text();

test("a day is sound with its words, lists by the new names, the report and a page that says what is what", async () => {
  const entries = await entriesOf(false);
  expect(entries.map(({ path }) => path).toSorted()).toEqual([
    "README.txt",
    "lists/markers.csv",
    "lists/matches.edl",
    "lists/matches.otio",
    "report/sound report.csv",
    "sound/D1_S2_T01.wav",
    "sound/D1_S2_T04.wav",
  ]);
  const sound = entries.find(({ path }) => path === "sound/D1_S2_T04.wav")!;
  const { ixml } = await readTags(blobSource(sound.blob));
  expect(ixml).toMatchObject({ scene: "2", take: "4", isCircled: true });
  const edl = await textOf(false, "lists/matches.edl");
  expect(edl).toContain("* FROM CLIP NAME: C01.mov");
  expect(edl).toContain("* FROM CLIP NAME: D1_S2_T04.wav");
  // Its clap, seen from the picture.
  expect(edl).toMatch(/\* MARK 01:00:0\d:\d\d: Clap/);
  const readme = await textOf(false, "README.txt");
  expect(readme).toContain("Slack Water, day 1: sound for the edit");
  expect(readme).toContain("2 files: takes rated good or hold");
  expect(readme).toMatch(/C01\.mov: sound 40 ms late by the end/);
  expect(readme).toContain("Missing: 8 takes");
});

test("a file for each track has its own name; lists name the first", async () => {
  const entries = await entriesOf(true);
  expect(entries.map(({ path }) => path).filter((path) => path.startsWith("sound/"))).toEqual([
    "sound/D1_S2_T01.wav",
    "sound/D1_S2_T04_1.wav",
    "sound/D1_S2_T04_2.wav",
  ]);
  expect(await textOf(true, "lists/matches.edl")).toContain("* FROM CLIP NAME: D1_S2_T04_1.wav");
});

test("names that two takes would have are told apart", async () => {
  const [first] = bundle.rolls.filter(({ body }) => body.fileName === "D1_S2_T04");
  const twice = { ...first!.body, files: [{ name: "engineer-quay.wav", lengthS: 12, hash: null, isSure: true }] };
  const same = { ...bundle, rolls: [stored<"roll">("a", first!.body), stored<"roll">("b", { ...twice, take: 9 })] };
  const wish = { day: 1, isPerTrack: false, report: null, pairs: [], date: "2027-05-11" };
  const entries = await dayEntries(same, dayTakes(same, 1, sounds), wish);
  expect(entries.map(({ path }) => path).filter((path) => path.startsWith("sound/"))).toEqual([
    "sound/D1_S2_T04.wav",
    "sound/D1_S2_T04_2.wav",
  ]);
});

test("sizes, pace and faults in words", () => {
  expect([800, 840_000_000, 41_230_000_000].map(sizeWords)).toEqual(["1 kB", "840 MB", "41.2 GB"]);
  const state = { name: "A.wav", doneBytes: 1, allBytes: 2, bytesPerS: 151e6 };
  expect(progressWords({ ...state, leftS: null })).toBe("Copying and comparing A.wav, 151 MB/s");
  expect(progressWords({ ...state, leftS: 40 })).toBe("Copying and comparing A.wav, 151 MB/s, 40 s left");
  expect(progressWords({ ...state, leftS: 600 })).toBe("Copying and comparing A.wav, 151 MB/s, 10 min left");
  expect(faultWords({ path: "data/a", why: "differs", target: "B" })).toBe("data/a in B differs from its source.");
  expect(faultWords({ path: "a", why: "unreadable", target: null })).toBe("a cannot be read.");
  expect(stoppedWords({ stopped: null })).toBeNull();
  expect(stoppedWords({ stopped: "full" })).toMatch(/press again to go on/);
});
