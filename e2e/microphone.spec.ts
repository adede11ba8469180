import { writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { openScout, startShoot } from "./shoot";
import { clapWav } from "./sounds";

/** What the browser's microphone hears: it reads 16-bit files only. */
const heard = join(tmpdir(), `hypophon-clap-${process.pid}.wav`);
writeFileSync(heard, clapWav(0.7, { afterS: 4 }));

test.use({
  launchOptions: {
    executablePath: "/usr/bin/chromium",
    args: [
      ...(process.getuid?.() === 0 ? ["--no-sandbox"] : []),
      "--disable-quic",
      "--use-fake-ui-for-media-stream",
      "--use-fake-device-for-media-stream",
      `--use-file-for-fake-audio-capture=${heard}`,
    ],
  },
});

test("a clap is recorded here and now, with an uncalibrated level as it goes", async ({ page }) => {
  await startShoot(page, "Live");
  await page.getByRole("button", { name: "Add a place" }).click();
  await openScout(page, "Clap");
  await page.getByRole("button", { name: "Record a clap, 8 s" }).click();
  await expect(page.getByText(/dBFS, not calibrated/)).toBeVisible();
  await expect(page.getByText("Measured: recorded here")).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole("img", { name: /Decay at 1000 hertz/ })).toBeVisible();
});
