import { expect, type Page } from "@playwright/test";
import { long } from "./long";
import { readFile } from "node:fs/promises";
import { awake, choose, expectSaved, openDemo, startShoot } from "./shoot";
import { test } from "./test";

const spectrum = (page: Page) => page.getByRole("group", { name: "Spectrum" });
const links = (page: Page) => page.getByRole("table", { name: "Links" }).locator("tbody").getByRole("row");
const verdict = (page: Page) => page.getByRole("region", { name: "Frequencies" }).getByRole("status").first();

/** A shoot of its own with some people in one scene, in Link. */
async function openLink(page: Page, title: string, people: number): Promise<void> {
  await startShoot(page, title);
  await page.getByRole("button", { name: "Add place" }).click();
  await expectSaved(page);
  await page.goto(page.url().replace("scout", "dress"));
  for (let count = 1; count <= people; count += 1) {
    await page.getByRole("button", { name: "Add talent" }).click();
    await expect(page.getByRole("link", { name: `Talent ${count}` })).toBeVisible();
    await expectSaved(page);
  }
  await page.goto(page.url().replace(/dress.*/, "link"));
  await expect(links(page)).toHaveCount(people);
}

async function findAll(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Find frequencies" }).click();
  await expect(page.getByText(/^All \d+ links have a frequency/)).toBeVisible({ timeout: 30_000 });
  await expect(verdict(page)).toHaveText(/^All \d+ frequencies are compatible\.$/);
}

long(
  "by mouse: frequencies are found, one is dragged into another's way, the smallest move mends it",
  async ({ page }) => {
    await openLink(page, "Air by mouse", 4);
    await expect(verdict(page)).toHaveText("4 of 4 links without a frequency.");
    await findAll(page);
    await expectSaved(page);
    const pins = spectrum(page).getByRole("slider");
    await expect(pins).toHaveCount(4);
    const [one, other] = [(await pins.nth(0).boundingBox())!, (await pins.nth(1).boundingBox())!];
    const label = (await pins.nth(0).locator("span").boundingBox())!;
    await page.mouse.move(label.x + label.width / 2, label.y + label.height / 2);
    await page.mouse.down();
    await page.mouse.move(label.x + label.width / 2 + (other.x - one.x), label.y + 10, { steps: 12 });
    await page.mouse.up();
    await expect(verdict(page)).toContainText("kHz apart, closer than");
    await page.getByRole("button", { name: /^Only move Talent \d to \d+\.\d{3}$/ }).click();
    await expect(verdict(page)).toHaveText("All 4 frequencies are compatible.");
    await expectSaved(page);
    await page.reload();
    await expect(verdict(page)).toHaveText("All 4 frequencies are compatible.");
    await page.goto(page.url().replace(/\/link.*/, ""));
    await expect(page.getByRole("link", { name: /Link ?planned/ }).first()).toBeVisible();
  },
);

long(
  "by keyboard: a name is moved step by step, products are shown, and typed nonsense stays in its field",
  async ({ page }) => {
    await openLink(page, "Air by keyboard", 3);
    await findAll(page);
    const pin = spectrum(page).getByRole("slider", { name: "Talent 1" });
    await pin.focus();
    const before = Number(await pin.getAttribute("aria-valuenow"));
    await page.keyboard.press("ArrowRight");
    await expect(pin).toHaveAttribute("aria-valuenow", String(Math.round(1000 * (before + 0.025)) / 1000));
    await page.keyboard.press("Shift+ArrowRight");
    await expect(pin).toHaveAttribute("aria-valuenow", String(Math.round(1000 * (before + 0.275)) / 1000));
    await page.getByText("Products of Talent 1").click();
    await expect(page.getByText(/\d+ products in view/)).toBeVisible();
    await page.getByRole("button", { name: "Zoom in" }).click();
    await page.getByRole("button", { name: "Whole band" }).click();
    const field = page.getByLabel("Frequency, MHz");
    await field.fill("750");
    await expect(page.getByText(/750\.000 MHz is not allowed/)).toBeVisible();
    await field.fill("520.01");
    await expect(page.getByText(/520\.010 MHz is not allowed/)).toBeVisible();
    await field.fill("545,5");
    await expect(pin).toHaveAttribute("aria-valuenow", "545.5");
    await expectSaved(page);
  },
);

long(
  "scans: a receiver's file is read, nonsense is refused, own transmitters left on are noticed",
  async ({ page }) => {
    await openLink(page, "Scans", 2);
    await findAll(page);
    const file = (name: string, text: string) => ({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
    const input = page.locator('input[type="file"]').first();
    await input.setInputFiles([file("picture.csv", "\u0089PNG not a scan")]);
    await expect(page.getByText(/No scan was found in the file/)).toBeVisible();
    const rows = Array.from(
      { length: 1600 },
      (_, index) => `${(516_000 + 25 * index) * 1000};${index < 400 ? "-60,5" : "-105"}`,
    );
    await input.setInputFiles([file("sweep.csv", `Hz;dBm\n${rows.join("\n")}`)]);
    await expect(page.getByText("1601 rows in Hz.")).toBeVisible();
    await expect(page.getByText(/In use: sweep\.csv\./)).toBeVisible();
    await expect(verdict(page)).toContainText("the scan shows another transmitter at");
    await findAll(page);
    await page.getByRole("button", { name: "Scan with the simulated scanner" }).click();
    await page.getByRole("button", { name: "Skip the wait" }).click();
    await expect(page.getByText(/Your own transmitters were on/)).toBeVisible();
    await page.getByText("All our own transmitters are off").click();
    await page.getByRole("button", { name: "Scan with the simulated scanner" }).click();
    await page.getByRole("button", { name: "Skip the wait" }).click();
    await expect(page.getByText(/Your own transmitters were on/)).toBeHidden();
    await expectSaved(page);
  },
);

long(
  "what is allowed: an example says so, a narrower region clears what it forbids, too little says what holds it back",
  async ({ page }) => {
    await openLink(page, "Region", 5);
    await findAll(page);
    await expect(page.getByText(/is only an example\. Licences/)).toBeVisible();
    await page.getByRole("button", { name: /^Allowed here/ }).click();
    const first = page.getByRole("group", { name: "Range 1" });
    await first.getByLabel("To", { exact: true }).fill("518.5");
    await first.getByLabel("From", { exact: true }).focus();
    await expect(verdict(page)).toHaveText(/of 5 links without a frequency/);
    await page.getByRole("button", { name: "Find frequencies" }).click();
    await expect(page.getByText(/of 5 links have a frequency\. More are not possible\./)).toBeVisible({
      timeout: 30_000,
    });
    await page.getByRole("button", { name: "What limits it?" }).click();
    await expect(page.getByText(/The limit is .*: without it, \d links would have a frequency\./)).toBeVisible({
      timeout: 30_000,
    });
    const region = page.getByRole("region", { name: "Settings" }).locator('input[type="file"]');
    await region.setInputFiles([
      { name: "mine.json", mimeType: "application/json", buffer: Buffer.from('{"name": 3}') },
    ]);
    await expect(page.getByRole("alert").filter({ hasText: "mine.json" })).toBeVisible();
    await region.setInputFiles([{ name: "no.json", mimeType: "application/json", buffer: Buffer.from("no") }]);
    await expect(page.getByText("no.json is no JSON.")).toBeVisible();
    await expectSaved(page);
  },
);

long("banks, leads and 2.4 GHz: presets by name, what is late, where networks leave room", async ({ page }) => {
  await openLink(page, "Systems", 2);
  await links(page)
    .first()
    .getByRole("button", { name: /Talent 1/ })
    .click();
  await choose(page, "System", "analogue UHF, banks of presets", page.getByRole("region", { name: "Talent 1" }));
  await findAll(page);
  await expect(
    links(page)
      .first()
      .getByText(/bank \d, channel \d/)
      .first(),
  ).toBeVisible();
  await links(page)
    .nth(1)
    .getByRole("button", { name: /Talent 2/ })
    .click();
  await choose(page, "System", "2.4 GHz clip-on kit", page.getByRole("region", { name: "Talent 2" }));
  await expect(page.getByText(/19 ms late: 0\.4[78] frames at 25 fps/)).toBeVisible();
  await page.getByRole("button", { name: "A network that is heard" }).click();
  await expect(page.getByText(/There is room from \d+ MHz on/)).toBeVisible();
  await choose(page, "System", "none: wired, or its own recorder", page.getByRole("region", { name: "Talent 2" }));
  await expect(verdict(page)).toHaveText("The frequency is clear.");
  await expectSaved(page);
});

test("the demo's air is coordinated, saved as CSV and printed as cards", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/link`);
  await awake(page);
  await expect(verdict(page)).toHaveText("All 9 frequencies are compatible.");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as CSV" }).click();
  const csv = await readFile(await (await download).path(), "utf8");
  expect(csv.split("\r\n")[0]).toBe("name,system,frequencyMHz,preset,spareMHz,sparePreset,zone,mustStay");
  expect(csv).toContain('"Ines, engineer"');
  await page.getByRole("link", { name: "Cards to print" }).click();
  await expect(page.getByRole("main").getByRole("listitem")).toHaveCount(11);
  await expect(page.getByText("2.4 GHz: pair the two, nothing to tune").first()).toBeVisible();
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 800 }, hasTouch: true });

  long("everything fits, and a transmitter that nobody wears is added and taken away", async ({ page }) => {
    await openLink(page, "Air on a phone", 2);
    await page.getByRole("button", { name: "Another transmitter" }).click();
    await expect(links(page)).toHaveCount(3);
    // Its fields come as a sheet, and go again.
    await expect(page.getByRole("dialog", { name: "Link 3" })).toBeVisible();
    await page.keyboard.press("Escape");
    await findAll(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
    await links(page)
      .nth(2)
      .getByRole("button", { name: /Link 3/ })
      .click();
    await page.getByRole("button", { name: "Remove", exact: true }).click();
    await expect(links(page)).toHaveCount(2);
    await expectSaved(page);
  });
});
