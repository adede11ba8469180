import { readFileSync } from "node:fs";
import { expect } from "@playwright/test";
import { long } from "./long";
import { hearing, heardFile } from "./fakeMicrophone";
import { awake, expectSaved, openDemo, openLevels } from "./shoot";
import { quietThenVoiceWav } from "./sounds";
import { test } from "./test";

/** A quiet quay, then a diary told too softly: peaks 14 dB under where they should be. */
test.use({ launchOptions: hearing(heardFile("trial", quietThenVoiceWav(14, 40, -26))) });

long(
  "a phone creator does the three steps: the advice lands at the right knob, the day's voice is learned, the trial is saved",
  async ({ page, request }) => {
    const id = await openDemo(request);
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto(`/shoots/${id}/level?wearer=51ac0000-0000-4000-8000-000000000051`);
    await awake(page);
    const cards = page.getByRole("list", { name: /^What to set for Sanna/ });
    const before = await cards.textContent();
    await openLevels(page, "Meter and trial");
    await page.getByRole("button", { name: "Start the meter" }).click();
    for (const step of ["Record room tone", "Record the noise"]) {
      await page.getByRole("button", { name: step }).click();
      // More than a second of it.
      await expect(page.getByText(/ [12] s$/)).toBeVisible();
      await page.getByRole("button", { name: "Stop", exact: true }).click();
      await expect(page.getByRole("listitem").filter({ hasText: step })).toContainText("dBFS RMS");
    }
    const highest = page.getByRole("group", { name: "Meter" }).getByText("Peak, held", { exact: true }).locator("..");
    await expect(highest).toContainText(/−2[56]\.\d/, { timeout: 30_000 });
    await page.getByRole("button", { name: "Record the loudest line" }).click();
    await expect(page.getByText(/camera rolls\. [1-3] s$/)).toBeVisible();
    await page.getByRole("button", { name: "Stop", exact: true }).click();
    await expect(page.getByText(/^Peaks at −2[56] dBFS: turn it up by 1[34] dB\.$/)).toBeVisible();
    await expect(page.getByText(/^Turn the (pack's sensitivity|receiver's volume) up by \d+ dB \(to /)).toBeVisible();

    const saved = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save as WAV, 24 bit" }).click();
    const wav = readFileSync(await (await saved).path());
    expect([wav.toString("latin1", 0, 4), wav.readUInt16LE(20), wav.readUInt16LE(34)]).toEqual(["RIFF", 1, 24]);
    // At the rate of the input: three steps of more than a second each.
    const rateHz = wav.readUInt32LE(24);
    expect([44_100, 48_000]).toContain(rateHz);
    expect(wav.readUInt32LE(40) / (3 * rateHz)).toBeGreaterThan(4);

    await page.getByRole("button", { name: /^Plan this day with a voice \d+ dB softer$/ }).click();
    await expect(page.getByText("Applied: the settings of this day follow their voice.")).toBeVisible();
    await expectSaved(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
    await openLevels(page, "Settings");
    await expect(page.getByText(/Their voice was measured on this day: −\d+\.\d dB against the plan/)).toBeVisible();
    expect(await cards.textContent()).not.toBe(before);
  },
);

long(
  "taps tell which microphone is live: with nothing tapped it says that nothing came through",
  async ({ page, request }) => {
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}/level?view=meter`);
    await awake(page);
    await page.getByRole("button", { name: "Start the meter" }).click();
    await expect(page.getByRole("button", { name: "Tap the mic now" })).toBeEnabled();
    await page.getByRole("button", { name: "Tap the mic now" }).click();
    await expect(page.getByRole("button", { name: "Tap the mic now, 0 heard" })).toBeVisible();
    await page.getByRole("button", { name: "Tap the device now" }).click();
    await expect(page.getByText(/No taps came through: nothing is live/)).toBeVisible();
  },
);
