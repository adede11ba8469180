import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import fc from "fast-check";
import { bytesSource, RecordingRefusal } from "../core/audio";
import { openPicture } from "./openPicture";

const folder = mkdtempSync(join(tmpdir(), "hypophon-picture-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A file made by ffmpeg, as bytes. */
function made(name: string, ...args: string[]): Uint8Array {
  const path = join(folder, name);
  execFileSync("ffmpeg", ["-nostdin", "-y", "-v", "error", ...args, path]);
  return new Uint8Array(readFileSync(path));
}
const testPicture = (rate: string, seconds: number) => [
  "-f",
  "lavfi",
  "-t",
  String(seconds),
  "-i",
  `testsrc=s=64x36:r=${rate}`,
];
/** A tone that begins after a second of silence. */
const TONE = ["-f", "lavfi", "-t", "3", "-i", "aevalsrc=if(gte(t\\,1)\\,0.5*sin(2*PI*440*t)\\,0):s=48000"];
const H264 = ["-c:v", "libx264", "-preset", "ultrafast"];
const PCM = [...H264, "-c:a", "pcm_s16le"];

const open = (bytes: Uint8Array) => openPicture(bytesSource(bytes));
async function soundOf(bytes: Uint8Array) {
  const { sound } = await open(bytes);
  if (!sound || !("read" in sound)) throw new Error("no sound");
  return sound;
}
/** Where the tone begins, s. */
async function onsetS(bytes: Uint8Array): Promise<number> {
  const { samples, sampleRateHz } = await (await soundOf(bytes)).read(0, 3);
  return samples.findIndex((value) => Math.abs(value) > 0.02) / sampleRateHz;
}

test.each([
  ["24000/1001", 23.976],
  ["25", 25],
  ["30000/1001", 29.97],
  ["50", 50],
] as const)("frame rate %s as ffmpeg wrote it", async (rate, told) => {
  const { frameRate, seconds } = await open(made("rate.mov", ...testPicture(rate, 3), ...TONE, ...PCM));
  expect(frameRate).toBeCloseTo(told, 2);
  expect(Math.abs(seconds - 3)).toBeLessThan(0.05);
});

test("sound is told from the first frame on, to the sample, wherever the file puts it", async () => {
  const together = made("a.mov", ...testPicture("25", 3), ...TONE, ...PCM);
  expect(Math.abs((await onsetS(together)) - 1)).toBeLessThan(0.001);
  // The sound sets in half a second after the picture: an edit list, or later times, say so.
  const later = made("b.mov", ...testPicture("25", 4), "-itsoffset", "0.5", ...TONE, ...PCM);
  expect(Math.abs((await onsetS(later)) - 1.5)).toBeLessThan(0.001);
  // The picture sets in after the sound.
  const earlier = made("c.mkv", "-itsoffset", "0.24", ...testPicture("25", 3), ...TONE, ...PCM);
  expect(Math.abs((await onsetS(earlier)) - 0.76)).toBeLessThan(0.001);
});

test("a stretch is the same stretch wherever reading begins, and ends with the file", async () => {
  const sound = await soundOf(made("d.mov", ...testPicture("25", 3), ...TONE, ...PCM));
  const whole = (await sound.read(0, 3)).samples;
  const { samples } = await sound.read(1.25, 0.5);
  expect(Array.from(samples)).toEqual(Array.from(whole.subarray(60_000, 84_000)));
  expect((await sound.read(2.9, 5)).samples.length).toBeLessThan(0.2 * 48_000);
  expect((await sound.scan()).isSilent).toBe(false);
});

test("uneven frames have the rate they come at; two sound tracks are read by the first; none is none", async () => {
  const uneven = made(
    "v.mkv",
    ...["-f", "lavfi", "-t", "4", "-i", "testsrc=s=64x36:r=30", "-vf", "select='not(mod(n\\,3))+not(mod(n\\,7))'"],
    ...["-fps_mode", "vfr", ...H264],
  );
  expect((await open(uneven)).frameRate).toBeGreaterThan(5);
  const two = made(
    "two.mov",
    ...[...testPicture("25", 3), ...TONE, "-f", "lavfi", "-t", "3", "-i", "anullsrc=r=48000"],
    ...["-map", "0", "-map", "1", "-map", "2", ...PCM],
  );
  expect(Math.abs((await onsetS(two)) - 1)).toBeLessThan(0.001);
  expect((await open(made("mute.mp4", ...testPicture("25", 2), ...H264))).sound).toBeNull();
});

test("what is not decoded here is told by its name", async () => {
  const coded = made("aac.mp4", ...testPicture("25", 2), ...TONE, ...H264, "-c:a", "aac");
  expect((await open(coded)).sound).toEqual({ codec: "aac" });
});

test("half a file, noise, and files with bytes turned over are refused in a word, or read; nothing hangs (property)", async () => {
  const whole = made("whole.mov", ...testPicture("25", 1), ...TONE, ...PCM);
  const isTold = async (bytes: Uint8Array) => {
    try {
      const { sound } = await open(bytes);
      if (sound && "scan" in sound) await sound.scan().catch(() => null);
    } catch (error) {
      expect(error).toBeInstanceOf(RecordingRefusal);
    }
  };
  await isTold(whole.subarray(0, whole.length / 2));
  await isTold(new Uint8Array(5000).fill(7));
  await isTold(new Uint8Array(0));
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { maxLength: 20 }), async (changes) => {
      const bytes = whole.slice();
      for (const [at, value] of changes) bytes[at] = value;
      await isTold(bytes);
    }),
    { numRuns: 60, seed: 11 },
  );
}, 60_000);
