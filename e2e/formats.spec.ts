import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect } from "@playwright/test";
import { long } from "./long";
import { awake, openDemo } from "./shoot";
import { takeWav } from "./sounds";
import { test } from "./test";

const folder = mkdtempSync(join(tmpdir(), "hypophon-formats-"));
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** What phones and editors hand over, made by ffmpeg from one take. */
const FORMATS = [
  { name: "take.mp3", codec: ["-c:a", "libmp3lame", "-b:a", "192k"] },
  { name: "take.m4a", codec: ["-c:a", "aac", "-b:a", "192k"] },
  { name: "take.ogg", codec: ["-c:a", "libvorbis", "-q:a", "6"] },
  { name: "take.flac", codec: ["-c:a", "flac"] },
  { name: "take.rf64", codec: ["-c:a", "pcm_s24le", "-rf64", "always", "-f", "wav"] },
];

for (const { name, codec } of FORMATS)
  long(`${name} is measured in the browser`, async ({ page, request }) => {
    const source = join(folder, `${name}.source.wav`);
    writeFileSync(source, takeWav(-12));
    const made = spawnSync("ffmpeg", ["-nostdin", "-y", "-v", "error", "-i", source, ...codec, join(folder, name)]);
    expect(made.status).toBe(0);
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}/check`);
    await awake(page);
    await page.setInputFiles("input[type=file]", {
      name,
      mimeType: "audio/*",
      buffer: readFileSync(join(folder, name)),
    });
    const peaks = page.getByRole("row", { name: /Loudest peaks/ });
    await expect(peaks).toBeVisible();
    const proved = Number((await peaks.getByRole("cell").nth(1).textContent())!.replace("−", "-").replace(" dBFS", ""));
    expect(Math.abs(proved + 12)).toBeLessThan(0.6);
  });
