import { File } from "node:buffer";
import { readWavHeader, toWav } from "@/core/audio";
import { readTags } from "@/core/tags";
import { DEMO_LOG } from "@/demo/log";
import { SLACK_WATER } from "@/demo/slackWater";
import { sine } from "@/fixtures/testSignals";
import { stored, wholeBundleOf } from "@/fixtures/testShoot";
import { blobSource } from "@/workers/blobSource";
import type { LogMatch } from "./cardLog";
import type { CardFile } from "./useCard";
import { writeCopies } from "./writeCopies";

const RATE = 48_000;
const tone = (frequencyHz: number) => sine({ frequencyHz, levelDbfs: -12, seconds: 2, sampleRateHz: RATE });
/** A folder of the browser in memory. */
function folder(isFull = false) {
  const files = new Map<string, Blob>();
  const writable = (name: string) => ({
    write: (blob: Blob) =>
      isFull ? Promise.reject(new Error("QuotaExceededError")) : Promise.resolve(void files.set(name, blob)),
    close: () => Promise.resolve(),
  });
  return {
    files,
    getFileHandle: (name: string, options?: { create: boolean }) =>
      options?.create || files.has(name)
        ? Promise.resolve({ createWritable: () => Promise.resolve(writable(name)) })
        : Promise.reject(new DOMException("No such file", "NotFoundError")),
  };
}
const bundle = {
  ...wholeBundleOf(SLACK_WATER),
  rolls: DEMO_LOG.rolls.map(({ id, body }) => stored<"roll">(id, body)),
  marks: DEMO_LOG.marks.map(({ id, body }) => stored<"mark">(id, body)),
  rollSetups: [stored<"rollSetup">(DEMO_LOG.setup.id, DEMO_LOG.setup.body)],
};
function matched(channels: number): LogMatch {
  const wav = toWav([300, 500, 700].slice(0, channels).map(tone), { sampleRateHz: RATE, bits: 24 });
  const take = bundle.rolls.find(({ body }) => body.slate === "2" && body.take === 4)!;
  const sound = new File([wav], "0001.wav");
  const recording = { measurement: { format: { durationS: 2, startedAtS: null, sampleRateHz: RATE } } };
  const state = { phase: "measured", recording };
  const item = { id: 1, path: "CARD/0001.wav", file: sound, state } as unknown as CardFile;
  return { takes: [take], files: [item], isSure: true, longerByS: null };
}
const write = (match: LogMatch, into: ReturnType<typeof folder>, isPerTrack: boolean) =>
  writeCopies(bundle, [match], { folder: into, isPerTrack });

test("a copy carries the take's name and what was marked", async () => {
  const into = folder();
  expect(await write(matched(1), into, false)).toEqual({ written: 1, refusal: null });
  const [[name, blob]] = [...into.files] as [[string, Blob]];
  expect(name).toBe("D1_S2_T04.wav");
  const { ixml, markers } = await readTags(blobSource(blob));
  expect(ixml).toMatchObject({ scene: "2", take: "4", isCircled: true, tracks: [{ name: "Ines, engineer" }] });
  expect(markers.map(({ label }) => label)).toEqual(["Clap"]);
});

test("one file per track: each with its own sound; a file of one track stays one", async () => {
  const into = folder();
  expect(await write(matched(3), into, true)).toEqual({ written: 3, refusal: null });
  expect([...into.files.keys()]).toEqual(["D1_S2_T04_1.wav", "D1_S2_T04_2.wav", "D1_S2_T04_3.wav"]);
  const headers = await Promise.all([...into.files.values()].map((blob) => readWavHeader(blobSource(blob))));
  expect(headers.map(({ channels, frames }) => [channels, frames])).toEqual([
    [1, 2 * RATE],
    [1, 2 * RATE],
    [1, 2 * RATE],
  ]);
  const single = folder();
  await write(matched(1), single, true);
  expect([...single.files.keys()]).toEqual(["D1_S2_T04.wav"]);
});

test("a full disk is told, with how much was written", async () => {
  expect(await write(matched(1), folder(true), false)).toEqual({
    written: 0,
    refusal: "The folder could not be written.",
  });
});

test("the card's own folder is chosen, where the recorder names files alike: nothing there is written over", async () => {
  const into = folder();
  const original = new Blob(["the only recording there is"]);
  into.files.set("D1_S2_T04.wav", original);
  expect(await write(matched(1), into, false)).toEqual({
    written: 0,
    refusal: "D1_S2_T04.wav is in that folder already. Choose an empty one.",
  });
  expect(into.files.get("D1_S2_T04.wav")).toBe(original);
});
