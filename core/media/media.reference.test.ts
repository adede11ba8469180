import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { bytesPerS, gigabytesPerH, minutesIn, quantisationDbfs, SPLITS_BYTES, splitOf } from "./soundFormat";
import { REEL_FEET, tapeMinutes, tapeMessage } from "./tape";

const stereo48 = { sampleRateHz: 48_000, bits: 24, channels: 2, kbps: null } as const;
const mono44 = { sampleRateHz: 44_100, bits: 16, channels: 1, kbps: null } as const;

test("48 kHz, 24 bit, two tracks: 288 kB/s, 1.0368 GB an hour, 248.5 min in 4 GiB; 44.1 kHz, 16 bit, mono: 317.5 MB an hour (definitions)", () => {
  expect(bytesPerS(stereo48)).toBe(288_000);
  expect(gigabytesPerH(stereo48)).toBeCloseTo(1.0368, 6);
  expect(minutesIn(SPLITS_BYTES["4 GiB"], stereo48)).toBeCloseTo(248.55, 1);
  expect(1000 * gigabytesPerH(mono44)).toBeCloseTo(317.52, 2);
});

test.each([
  ["2 GB", 115],
  ["2 GiB", 124],
  ["4 GB", 231],
  ["4 GiB", 248],
] as const)("two tracks at 48 kHz and 24 bit fill a file of %s in %d min (definitions)", (limit, minutes) => {
  expect(Math.floor(splitOf(limit, stereo48, 10).minutes)).toBe(minutes);
  expect(splitOf(limit, stereo48, minutes).filesPerTake).toBe(1);
  expect(splitOf(limit, stereo48, 2 * minutes + 3).filesPerTake).toBe(3);
});

describe("against files written by sox", () => {
  const folder = mkdtempSync(join(tmpdir(), "media-"));
  afterAll(() => rmSync(folder, { recursive: true }));
  const sox = (...args: string[]) => execFileSync("sox", args, { stdio: ["ignore", "ignore", "pipe"] });

  test.each([
    [48_000, 24, 2, 20],
    [44_100, 16, 1, 30],
    [96_000, 24, 4, 5],
    [48_000, 32, 1, 10],
  ] as const)("%d Hz, %d bit, %d tracks: bytes of a file but for its header", (rate, bits, channels, seconds) => {
    const path = join(folder, `${rate}-${bits}-${channels}.wav`);
    sox(
      "-R",
      "-n",
      "-r",
      String(rate),
      "-b",
      String(bits),
      "-c",
      String(channels),
      path,
      "synth",
      String(seconds),
      "sine",
      "440",
    );
    const expected = bytesPerS({ sampleRateHz: rate, bits: bits, channels, kbps: null }) * seconds;
    const size = statSync(path).size;
    expect(size).toBeGreaterThanOrEqual(expected);
    expect(size - expected).toBeLessThanOrEqual(120);
  });

  test("noise of 16-bit steps: 6.02·16 + 1.76 = 98.1 dB under a full-scale sine, within 0.3 dB of a rounded file", () => {
    // The same sine in 32 and in 16 bit, without dither: their difference is the steps' noise.
    const [fine, coarse] = [join(folder, "fine.raw"), join(folder, "coarse.raw")];
    const sine = ["synth", "4", "sine", "997.3", "gain", "-0.01"];
    sox("-R", "-D", "-n", "-r", "48000", "-b", "32", "-e", "signed", fine, ...sine);
    sox("-R", "-D", "-n", "-r", "48000", "-b", "16", "-e", "signed", coarse, ...sine);
    const [exact, rounded] = [readFileSync(fine), readFileSync(coarse)];
    let sum = 0;
    const count = rounded.length / 2;
    for (let at = 0; at < count; at += 1)
      sum += (exact.readInt32LE(4 * at) / 2 ** 31 - rounded.readInt16LE(2 * at) / 2 ** 15) ** 2;
    const dbfs = 10 * Math.log10(2 * (sum / count));
    expect(Math.abs(dbfs - quantisationDbfs(16))).toBeLessThan(0.3);
  });
});

test("tape: 1200 ft at 7½ in/s are 32 min (definition); reels by handbooks of tape recording (recalled from memory)", () => {
  expect(tapeMinutes(1200, 7.5)).toBeCloseTo(32, 9);
  expect(tapeMinutes(REEL_FEET["7 in"].long, 3.75)).toBeCloseTo(96, 9);
  expect(tapeMinutes(REEL_FEET["10½ in"].standard, 15)).toBeCloseTo(33.3, 1);
  expect(tapeMessage(1200, 7.5)).toEqual({ code: "media.tape", minutes: 32, isSlow: false });
  expect(tapeMessage(600, 1.875)).toMatchObject({ isSlow: true });
});
