import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gated, joined, mixed, sine, whiteNoise } from "../../fixtures/testSignals";
import { toWav } from "../audio";
import { liveMeter } from "./liveMeter";

const RATE = 48_000;
const folder = mkdtempSync(join(tmpdir(), "hypophon-meter-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const tone = (levelDbfs: number, seconds: number, frequencyHz = 1000) =>
  sine({ frequencyHz, levelDbfs, seconds, sampleRateHz: RATE });

function fed(samples: Float32Array) {
  const meter = liveMeter(RATE);
  for (let from = 0; from < samples.length; from += 512) meter.push(samples.subarray(from, from + 512));
  return meter.read();
}

/** Something like speech: noise in syllables, over a tone. */
const LIKE_SPEECH = mixed(
  gated(
    whiteNoise(7, -24, 6 * RATE),
    RATE,
    Array.from({ length: 12 }, (_, syllable) => [syllable / 2, syllable / 2 + 0.3] as const),
  ),
  joined(tone(-40, 3, 180), tone(-20, 3, 240)),
);

test("loudness and sample peak are those of ffmpeg's ebur128 and volumedetect for the same file", () => {
  const path = join(folder, "like-speech.wav");
  writeFileSync(path, toWav([LIKE_SPEECH], { sampleRateHz: RATE, bits: 24 }));
  const done = spawnSync(
    "ffmpeg",
    ["-hide_banner", "-i", path, "-af", "ebur128=framelog=verbose,volumedetect", "-f", "null", "-"],
    { encoding: "utf8" },
  );
  const figure = (pattern: RegExp) => Number(pattern.exec(done.stderr)![1]);
  const reading = fed(LIKE_SPEECH);
  expect(Math.abs(reading.integratedLufs - figure(/I:\s+(-[\d.]+) LUFS/))).toBeLessThan(0.3);
  expect(Math.abs(reading.maxDbfs - figure(/max_volume: (-[\d.]+) dB/))).toBeLessThan(0.2);
});

test("a steady 1 kHz sine at −23 dBFS in one channel reads −26 LUFS momentary and short-term: half of a stereo −23 (EBU Tech 3341 case 1, signal from memory)", () => {
  const reading = fed(tone(-23, 5));
  expect(Math.abs(reading.momentaryLufs + 26)).toBeLessThan(0.1);
  expect(Math.abs(reading.shortTermLufs + 26)).toBeLessThan(0.1);
});

/** Highest momentary and short-term loudness that are shown while a signal runs, read every 10 ms. */
function highest(samples: Float32Array, fromS = 0, toS = Infinity) {
  const meter = liveMeter(RATE);
  let [momentary, shortTerm, least] = [-Infinity, -Infinity, Infinity];
  const part = RATE / 100;
  for (let from = 0; from + part <= samples.length; from += part) {
    meter.push(samples.subarray(from, from + part));
    const { seconds, momentaryLufs, shortTermLufs } = meter.read();
    if (seconds < fromS || seconds > toS) continue;
    momentary = Math.max(momentary, momentaryLufs);
    shortTerm = Math.max(shortTerm, shortTermLufs);
    least = Math.min(least, shortTermLufs);
  }
  return { momentary, shortTerm, least };
}

const silence = (seconds: number) => new Float32Array(Math.round(seconds * RATE));
const times = (count: number, make: (index: number) => Float32Array) =>
  joined(...Array.from({ length: count }, (_, index) => make(index)));
/** The standard's signals are stereo: one channel alone reads half of that. */
const ONE_CHANNEL_LU = 3.01;

describe("momentary and short-term loudness (EBU Tech 3341 cases 9 to 14, signals from memory)", () => {
  test("case 9: a pattern of 3 s is a steady −23 LUFS short-term", () => {
    const signal = times(5, () => joined(tone(-20, 1.34), tone(-30, 1.66)));
    const { shortTerm, least } = highest(signal, 3.01);
    expect(Math.abs(shortTerm + ONE_CHANNEL_LU + 23)).toBeLessThan(0.1);
    expect(Math.abs(least + ONE_CHANNEL_LU + 23)).toBeLessThan(0.1);
  });

  test.each([0, 1, 7, 13, 19])(
    "case 10, file %#: a tone of 3 s wherever it begins reaches −23 LUFS short-term",
    (index) => {
      const { shortTerm } = highest(joined(silence(index * 0.15), tone(-23, 3), silence(1)));
      expect(Math.abs(shortTerm + ONE_CHANNEL_LU + 23)).toBeLessThan(0.1);
    },
  );

  test("case 11: tones of 3 s that rise by 1 dB are each reached, short-term", () => {
    const segment = (index: number) => joined(silence(index * 0.15), tone(-38 + index, 3), silence(3 - index * 0.15));
    const signal = times(20, segment);
    for (const index of [0, 6, 12, 19]) {
      const { shortTerm } = highest(signal, index * 6, (index + 1) * 6);
      expect(Math.abs(shortTerm + ONE_CHANNEL_LU - (-38 + index))).toBeLessThan(0.1);
    }
  });

  test("case 12: a pattern of 0.4 s is a steady −23 LUFS momentary", () => {
    const signal = times(25, () => joined(tone(-20, 0.18), tone(-30, 0.22)));
    expect(Math.abs(highest(signal, 1).momentary + ONE_CHANNEL_LU + 23)).toBeLessThan(0.1);
  });

  test.each([0, 1, 7, 13, 19])(
    "case 13, file %#: a tone of 0.4 s wherever it begins reaches −23 LUFS momentary",
    (index) => {
      const { momentary } = highest(joined(silence(index * 0.02), tone(-23, 0.4), silence(1)));
      expect(Math.abs(momentary + ONE_CHANNEL_LU + 23)).toBeLessThan(0.1);
    },
  );

  test("case 14: tones of 0.4 s that rise by 1 dB are each reached, momentary", () => {
    const segment = (index: number) =>
      joined(silence(index * 0.02), tone(-38 + index, 0.4), silence(0.4 - index * 0.02));
    const signal = times(20, segment);
    for (const index of [0, 6, 12, 19]) {
      const { momentary } = highest(signal, index * 0.8, (index + 1) * 0.8);
      expect(Math.abs(momentary + ONE_CHANNEL_LU - (-38 + index))).toBeLessThan(0.1);
    }
  });
});
