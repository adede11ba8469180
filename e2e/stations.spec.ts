import { expect } from "@playwright/test";
import { long } from "./long";
import { awake, choose, expectSaved, goToStation, openDemo, openView, startShoot } from "./shoot";
import { test } from "./test";

long("Level: another capsule, another input and another target change the settings", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/level?wearer=51ac0000-0000-4000-8000-000000000034`);
  const settings = () =>
    page
      .getByRole("list", { name: /^What to set/ })
      .getByRole("listitem")
      .first()
      .textContent();
  const before = await settings();
  await choose(page, "Microphone", "omni lav, low sensitivity, 1.5 mV/Pa");
  await expect.poll(settings).not.toBe(before);
  await page.getByRole("textbox", { name: "Peaks at" }).fill("-20");
  await expect(page.getByText(/^−20\.\d/)).toBeVisible();
  await page.getByRole("textbox", { name: "Peaks at" }).fill("3");
  await expect(page.getByText(/Peaks at: −40 to −6 dBFS/)).toBeVisible();
  await expectSaved(page);
});

long("Level: a device's own figures are kept for the whole crew", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/level?wearer=51ac0000-0000-4000-8000-000000000033`);
  await page.getByRole("button", { name: "Specifications" }).nth(2).click();
  const output = page.getByLabel("Output at full modulation, volume full");
  await output.fill("-6");
  await expectSaved(page);
  await startShoot(page, "Another shoot");
  await page.goto(page.url().replace("scout", "dress"));
  await page.getByRole("button", { name: "Add talent" }).click();
  await goToStation(page, "Level");
  await page.getByRole("button", { name: "Specifications" }).nth(2).click();
  await expect(page.getByLabel("Output at full modulation, volume full")).toHaveValue("-6");
  await page.getByLabel("Output at full modulation, volume full").fill("-4");
  await expectSaved(page);
});

long("an empty board teaches, an empty Level and Check lead to Dress", async ({ page }) => {
  const id = await startShoot(page, "Empty");
  await page.goto(`/shoots/${id}`);
  await expect(page.getByText("No talent yet.")).toBeVisible();
  for (const station of ["level", "check"]) {
    await page.goto(`/shoots/${id}/${station}`);
    await page.getByRole("link", { name: "Go to Dress" }).click();
    await expect(page).toHaveURL(/\/dress/);
    await expect(page.getByText("Who wears the microphone?")).toBeVisible();
  }
});

long("imperial shoots speak in inches and feet and keep the same figures", async ({ page }) => {
  await page.goto("/");
  await page.getByLabel("Title").fill("Imperial");
  await page.getByRole("button", { name: "Days, frame rate, units, delivery" }).click();
  await page.getByRole("radiogroup", { name: "Units" }).getByText("Imperial").click();
  await page.getByRole("button", { name: "Start shoot" }).click();
  await page.waitForURL(/\/shoots\//);
  await goToStation(page, "Scout");
  await page.getByRole("button", { name: "Add place" }).click();
  await expect(page.getByLabel("Length")).toHaveValue("16.4");
  await page.getByLabel("Length").fill("400");
  await expect(page.getByText("Length: 3.3 to 328.1 ft.")).toBeVisible();
  await goToStation(page, "Dress");
  await page.getByRole("button", { name: "Add talent" }).click();
  await expect(page.getByLabel("Height")).toHaveValue("66.9");
  await openView(page, "Recipe");
  await expect(page.getByText(/ in of slack, coil the spare /).first()).toBeVisible();
});

long("a new shoot for radio is stored with its format, an own one with its own", async ({ page }) => {
  await page.goto("/");
  await page.getByLabel("Title").fill("Own format");
  await page.getByRole("button", { name: "Days, frame rate, units, delivery" }).click();
  await page.getByText("Own", { exact: true }).click();
  await choose(page, "Sample rate", "96000 Hz");
  await choose(page, "Frame rate", "29.97 fps");
  const saved = page.waitForResponse((response) => response.url().endsWith("/api/commands"));
  await page.getByRole("button", { name: "Start shoot" }).click();
  expect(await (await saved).json()).toMatchObject({
    outcomes: [{ records: [{ body: { delivery: "own", sampleRateHz: 96000, frameRate: 29.97 } }] }],
  });
  await page.waitForURL(/\/shoots\//);
});

test("a shoot without a title is asked for one, nothing is sent", async ({ page }) => {
  await page.goto("/");
  let sent = 0;
  await page.route("**/api/commands", (route) => {
    sent += 1;
    return route.continue();
  });
  await page.getByRole("button", { name: "Start shoot" }).click();
  await expect(page.getByText("Title must not be empty.")).toBeVisible();
  expect(sent).toBe(0);
});

long("a new shoot starts without the server, and is saved when it is there again", async ({ page }) => {
  await page.goto("/");
  await awake(page);
  await page.route("**/api/**", (route) => route.abort());
  await page.getByLabel("Title").fill("Out of reach");
  await page.getByRole("button", { name: "Start shoot" }).click();
  await page.waitForURL(/\/shoots\//);
  await goToStation(page, "Scout");
  await page.getByRole("button", { name: "Add place" }).click();
  await expect(page.getByRole("status").filter({ hasText: "kept on this device" })).toBeVisible();
  await page.unroute("**/api/**");
  await expectSaved(page);
  await page.goto("/");
  await expect(page.getByRole("link", { name: "Out of reach" })).toBeVisible();
});

long("a take of two channels lets the wearer's be chosen, and the verdict follows", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/check?wearer=51ac0000-0000-4000-8000-000000000034`);
  const frames = 48000 * 3;
  const wav = Buffer.alloc(44 + frames * 4);
  wav.write("RIFF", 0);
  wav.writeUInt32LE(36 + frames * 4, 4);
  wav.write("WAVEfmt ", 8);
  wav.writeUInt32LE(16, 16);
  wav.writeUInt16LE(1, 20);
  wav.writeUInt16LE(2, 22);
  wav.writeUInt32LE(48000, 24);
  wav.writeUInt32LE(48000 * 4, 28);
  wav.writeUInt16LE(4, 32);
  wav.writeUInt16LE(16, 34);
  wav.write("data", 36);
  wav.writeUInt32LE(frames * 4, 40);
  for (let frame = 0; frame < frames; frame += 1) {
    const isOn = frame % 48000 < 30000;
    wav.writeInt16LE(isOn ? Math.round(8000 * Math.sin(frame / 20)) : (frame % 5) - 2, 44 + frame * 4);
  }
  await page.setInputFiles("input[type=file]", { name: "pair.wav", mimeType: "audio/wav", buffer: wav });
  const channels = page.getByRole("radiogroup", { name: "Channel of this talent" });
  await expect(channels.getByRole("radio", { name: "1" })).toBeChecked();
  await channels.getByText("2").click();
  await expect(page.getByText("Nothing was recorded: find the break first.").first()).toBeVisible();
  await expectSaved(page);
});
