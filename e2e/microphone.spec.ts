import { expect } from "@playwright/test";
import { long } from "./long";
import { hearing, heardFile } from "./fakeMicrophone";
import { openScout, startShoot } from "./shoot";
import { clapWav } from "./sounds";
import { test } from "./test";

test.use({ launchOptions: hearing(heardFile("clap", clapWav(0.7, { afterS: 4 }))) });

long("a clap is recorded here and now, with an uncalibrated level as it goes", async ({ page }) => {
  await startShoot(page, "Live");
  await page.getByRole("button", { name: "Add place" }).click();
  await openScout(page, "Clap");
  await page.getByRole("button", { name: "Record a clap, 8 s" }).click();
  await expect(page.getByText(/dBFS, not calibrated/)).toBeVisible();
  await expect(page.getByText("Measured: recorded here")).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole("img", { name: /Decay at 1000 hertz/ })).toBeVisible();
});
