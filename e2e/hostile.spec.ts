import { expect } from "@playwright/test";
import { dropHour, dropZeros } from "./hourFile";
import { awake, expectSaved, goToStation, openDemo, startShoot } from "./shoot";
import { takeWav } from "./sounds";
import { long } from "./long";
import { test } from "./test";

long("impossible sizes are refused at the field and stay typed", async ({ page }) => {
  await startShoot(page, "Sizes");
  await page.getByRole("button", { name: "Add place" }).click();
  const length = page.getByLabel("Length");
  await length.fill("400");
  await expect(page.getByText("Length: 1 to 100 m.")).toBeVisible();
  await expect(length).toHaveValue("400");
  await length.fill("abc");
  await expect(page.getByText(/Length: a number/)).toBeVisible();
  await length.fill("7");
  await expect(page.getByText(/Length:/)).toBeHidden();
  await expectSaved(page);
  await page.reload();
  await expect(page.getByLabel("Length")).toHaveValue("7");
});

long("an impossible height is refused at the field with what is allowed", async ({ page }) => {
  await startShoot(page, "Heights");
  await page.goto(`${page.url().replace("scout", "dress")}`);
  await page.getByRole("button", { name: "Add talent" }).click();
  await page.getByRole("textbox", { name: "Height", exact: true }).fill("400");
  await expect(page.getByText("Height: 80 to 230 cm.")).toBeVisible();
});

test("pressing start many times makes one shoot", async ({ page }) => {
  await page.goto("/");
  await page.getByLabel("Title").fill("Only once");
  await page.getByRole("button", { name: "Start shoot" }).dblclick();
  await page.waitForURL(/\/shoots\//);
  await expectSaved(page);
  await page.goto("/");
  await expect(page.getByRole("link", { name: "Only once" })).toHaveCount(1);
});

long("while the server is away nothing typed is lost, and it is saved when it is back", async ({ page }) => {
  await startShoot(page, "Server away");
  await page.getByRole("button", { name: "Add place" }).click();
  await expectSaved(page);
  await page.route("**/api/commands", (route) => route.abort());
  await page.getByLabel("Width").fill("3.3");
  await expect(page.getByRole("status").filter({ hasText: "kept on this device" })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Width")).toHaveValue("3.3");
  await page.unroute("**/api/commands");
  await expectSaved(page);
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases()) indexedDB.deleteDatabase(name!);
  });
  await page.reload();
  await expect(page.getByLabel("Width")).toHaveValue("3.3");
});

long("deleting can be undone", async ({ page }) => {
  await startShoot(page, "Undo");
  await goToStation(page, "Dress");
  await page.getByRole("button", { name: "Add talent" }).click();
  await expectSaved(page);
  await page.getByRole("link", { name: "Undo" }).click();
  await page.getByRole("button", { name: "More for Talent 1" }).click();
  await page.getByRole("menuitem", { name: "Delete talent" }).click();
  await expect(page.getByText("No talent yet.")).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByRole("row", { name: /^Talent 1/ })).toBeVisible();
});

test("wrong files get one clear message each", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/check`);
  const drop = async (name: string, buffer: Buffer, mimeType = "audio/wav") =>
    page.setInputFiles("input[type=file]", { name, mimeType, buffer });
  const alert = page.getByRole("main").getByRole("alert");
  await drop("empty.wav", Buffer.alloc(0));
  await expect(alert).toContainText("empty");
  await drop(
    "picture.wav",
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, ...new Array<number>(100).fill(0)]),
  );
  await expect(alert).toContainText("PNG picture");
  await drop("broken.mp3", Buffer.from("this is no music at all, whatever it is called"), "audio/mpeg");
  await expect(alert).toContainText("cannot decode");
  await dropZeros(page, "huge.m4a", "audio/mp4", 31_000_000);
  await expect(alert).toContainText("up to 30 MB");
  await drop("half.wav", takeWav(-12).subarray(0, 44 + 48000 * 3 * 2 + 1));
  await expect(page.getByText(/stops .* before its header says/)).toBeVisible();
});

long("an hour is measured with progress, and can be stopped", async ({ page, request }) => {
  test.setTimeout(120_000);
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/check`);
  await awake(page);
  await dropHour(page);
  const progress = page.getByRole("progressbar", { name: "Measured" });
  await expect(page.getByText(/Measuring hour.wav: [1-9]\d* %/)).toBeVisible({ timeout: 60_000 });
  const first = Number(await progress.getAttribute("value"));
  await expect.poll(async () => Number(await progress.getAttribute("value"))).toBeGreaterThan(first);
  await page.getByRole("button", { name: "Stop measuring" }).click();
  await expect(progress).toBeHidden();
  await page.setInputFiles("input[type=file]", { name: "after.wav", mimeType: "audio/wav", buffer: takeWav(-12) });
  await expect(page.getByText("A good recording: clean, and well above the noise.").first()).toBeVisible();
});
