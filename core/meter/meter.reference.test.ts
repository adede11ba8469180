import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gated, joined, mixed, sine, whiteNoise } from "../audio/testSignals";
import { toWav } from "../audio/toWav";
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
