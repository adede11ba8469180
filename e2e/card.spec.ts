import { expect, test } from "@playwright/test";
import { DEMO_SHOOT_ID } from "../demo/recordings";
import { dropHour } from "./hourFile";

const RECORDINGS = ["miller-granary.wav", "engineer-quay.wav", "singer-hall.wav"].map(
  (file) => `demo/recordings/${file}`,
);
const note = { name: "notes.txt", mimeType: "text/plain", buffer: Buffer.from("not a sound") };
const broken = { name: "broken ‘ü’ #1.wav", mimeType: "audio/wav", buffer: Buffer.from("RIFF????WAVE") };

test("a card of several files is checked, sorted and opened", async ({ page }) => {
  await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
  const input = page.locator("input[type=file]");
  await input.setInputFiles([...RECORDINGS]);
  const table = page.getByRole("group", { name: "Files of the card" });
  await expect(page.getByText("3 of 3 files checked")).toBeVisible({ timeout: 60_000 });
  await expect(table.getByRole("row", { name: /singer-hall.*redo: Clipped/ })).toBeVisible();
  await expect(table.getByRole("row", { name: /engineer-quay.*redo: Noisy/ })).toBeVisible();
  await expect(table.getByRole("row", { name: /miller-granary.*good: clean/ })).toBeVisible();

  await input.setInputFiles([note, broken]);
  await expect(page.getByText("4 of 4 files checked, 1 that are no sound left out")).toBeVisible();
  await expect(table.getByRole("row", { name: /broken ‘ü’ #1/ })).toContainText("no format block");

  await page.getByText("worst first", { exact: true }).click();
  await expect(table.locator("tbody tr").first()).toContainText("broken");
  await page.getByRole("radiogroup", { name: "Show" }).getByText("redo").click();
  await expect(table.locator("tbody tr")).toHaveCount(2);
  await page.getByLabel("Name has").fill("singer");
  await expect(table.locator("tbody tr")).toHaveCount(1);
  await table.getByRole("button", { name: "singer-hall.wav" }).click();
  await expect(page.getByText("The loud syllables are clipped").first()).toBeVisible();
  const listen = page.getByRole("button", { name: /Listen to clipped at 0:00/ });
  await listen.click();
  await expect(listen).toContainText("■");
  await listen.click();
  await expect(listen).toContainText("▶");
});

test("a card is closed, and an hour that follows it is stopped", async ({ page }) => {
  await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
  await page.locator("input[type=file]").setInputFiles(RECORDINGS.slice(0, 2));
  await expect(page.getByText("2 of 2 files checked")).toBeVisible({ timeout: 60_000 });
  await page.getByRole("button", { name: "Close the card" }).click();
  await dropHour(page);
  await expect(page.getByRole("status").filter({ hasText: "Measuring hour.wav" })).toBeVisible();
  await page.getByRole("button", { name: "Stop measuring" }).click();
  await expect(page.getByText("Drop a take here, or a whole card")).toBeVisible();
});
