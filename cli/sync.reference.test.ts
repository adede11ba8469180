import { execFileSync, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const TOOL = join(__dirname, "..", ".build", "cli", "syncTool.mjs");
const RECORDINGS = join(__dirname, "..", "demo", "recordings");
const folder = mkdtempSync(join(tmpdir(), "hypophon-sync-"));
const [cameras, recorder] = [join(folder, "cameras"), join(folder, "recorder")];

const ffmpeg = (...args: string[]) => execFileSync("ffmpeg", ["-nostdin", "-y", "-v", "error", ...args]);
const sync = (...args: string[]) => spawnSync(process.execPath, [TOOL, ...args], { encoding: "utf8" });

/** A picture file of a rate, whose sound is a voice from `fromS` on. */
function camera(name: string, voice: string, fromS: number, rate: string, ...codecs: string[]): void {
  const voiced = ["-ss", String(fromS), "-t", "9", "-i", join(RECORDINGS, voice)];
  const picture = ["-f", "lavfi", "-i", `testsrc=s=64x36:r=${rate}`];
  const kinds = ["-map", "0:v", "-map", "1:a", "-ar", "48000", "-t", "9", "-c:v", "libx264", ...codecs];
  ffmpeg(...picture, ...voiced, ...kinds, join(cameras, name));
}

interface Told {
  matches: { picture: string; sound: string; offsetS: number; offsetFrames: number; driftPpm: number | null }[];
  unmatched: { path: string; code: string }[];
}

beforeAll(() => {
  mkdirSync(join(cameras, "B"), { recursive: true });
  mkdirSync(recorder);
  camera("C1.mov", "voice-miller.wav", 1.25, "25", "-c:a", "pcm_s24le");
  camera("B/C1.mov", "voice-engineer.wav", 2.5, "30000/1001", "-c:a", "pcm_s16le");
  camera("C2.mp4", "voice-singer.wav", 1, "24", "-c:a", "aac");
  ffmpeg("-f", "lavfi", "-i", "testsrc=s=64x36:r=25", "-t", "5", "-c:v", "libx264", join(cameras, "C3.mp4"));
  writeFileSync(join(cameras, "C4.mov"), readFileSync(join(cameras, "C1.mov")).subarray(0, 20_000));
  writeFileSync(join(cameras, ".hidden.mov"), "");
  for (const name of ["miller", "engineer", "singer"])
    ffmpeg("-i", join(RECORDINGS, `voice-${name}.wav`), "-ar", "48000", join(recorder, `${name}.wav`));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test("pictures made by ffmpeg with known delays are found to the sample, in frames of their own rate", () => {
  const { stdout, status } = sync(cameras, recorder, "--json");
  const { matches, unmatched } = JSON.parse(stdout) as Told;
  const told = matches
    .map(({ picture, sound }) => `${picture.slice(cameras.length + 1)} ${sound.slice(recorder.length + 1)}`)
    .toSorted();
  expect(told).toEqual(["B/C1.mov engineer.wav", "C1.mov miller.wav"]);
  for (const { picture, offsetS, offsetFrames } of matches) {
    const [exactS, rate] = picture.includes("/B/") ? [2.5, 30_000 / 1001] : [1.25, 25];
    expect(Math.abs(offsetS - exactS)).toBeLessThan(1 / 48_000);
    expect(offsetFrames).toBeCloseTo(exactS * rate, 2);
  }
  expect(unmatched.map(({ path, code }) => [path.replace(/^.*\//, ""), code])).toEqual([
    ["C2.mp4", "sync.codec"],
    ["C3.mp4", "sync.noSound"],
    ["C4.mov", expect.stringMatching(/^refused\.(notPicture|brokenPicture)$/)],
    ["singer.wav", "sync.nothingAlike"],
  ]);
  expect(status).toBe(1);
});

test("one file against one is told in a sentence, and everything found ends with 0", () => {
  const { stdout, status } = sync(join(cameras, "C1.mov"), join(recorder, "miller.wav"));
  expect(stdout).toContain("starts 1.250 s in, 99 % sure");
  expect(stdout).toContain("The picture file has its sound.");
  expect(status).toBe(0);
});

test.each([
  ["nothing at the place", [join(folder, "nowhere"), recorder], /no such file/i],
  ["no picture in it", [recorder, join(cameras, "B")], /no sound files there/],
  ["a call without its folders", [cameras], /missing required argument/],
])("%s: one line, and 2", (_, args, says) => {
  const { stderr, status, stdout } = sync(...args);
  expect(stderr.trim().split("\n")).toHaveLength(1);
  expect(stderr).toMatch(says);
  expect([status, stdout]).toEqual([2, ""]);
});
