import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";
import { toWav } from "../core/audio";
import { minutesOfDay } from "../core/schedule";
import { CARD } from "../demo/card";
import { whiteNoise } from "../fixtures/testSignals";
import { long } from "./long";
import { pdfWords } from "./pdfWords";
import { proxyOf, type Proxy } from "./proxy";
import { awake, expectSaved, goToStation, openDemo, startHere } from "./shoot";
import { test } from "./test";

const GATE = "51ac0000-0000-4000-8000-000000000022";
const SPEECH = "51ac0000-0000-4000-8000-000000000023";
const openRoll = async (page: Page, scene = GATE) => {
  const id = await openDemo(page.request);
  await page.goto(`/shoots/${id}/roll?scene=${scene}`);
  await awake(page);
  return id;
};
const button = (page: Page, name: string | RegExp) =>
  page.getByRole("button", { name, exact: typeof name === "string" });
const pad = (page: Page) => page.getByRole("group", { name: "Mark now" });
const takes = (page: Page) => page.getByRole("list", { name: "Takes" });
const marks = (page: Page) => page.getByRole("list", { name: "Marks" }).first();

/** A new shoot, open at Roll on a page that can do without its server; returns the shoot's id. */
async function rollWithoutServer(page: Page, server: Proxy, title: string): Promise<string> {
  await page.goto(`${server.address}/`);
  await awake(page);
  const id = await startHere(page, title);
  await page.getByRole("button", { name: "Add place" }).click();
  await goToStation(page, "Roll");
  await expectSaved(page);
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    while (!navigator.serviceWorker.controller) await new Promise((resolve) => setTimeout(resolve, 50));
  });
  return id;
}

test.describe("without signal, by thumb", () => {
  test.use({ serviceWorkers: "allow", viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  let server: Proxy;
  test.beforeEach(async ({ baseURL }) => {
    server = await proxyOf(baseURL!);
  });
  test.afterEach(() => server.close().catch(() => undefined));

  test("six takes are logged, outlive a reload, and are on a second device within a second of the signal", async ({
    page,
    browser,
  }) => {
    const id = await rollWithoutServer(page, server, "Six takes");
    await server.goAway();
    for (let take = 1; take <= 6; take += 1) {
      await button(page, "Start take").tap();
      await expect(page.getByRole("timer", { name: "Take time" })).toBeVisible();
      await pad(page).getByRole("button").nth(take).tap();
      await expect(marks(page).getByRole("listitem")).toHaveCount(1);
      await button(page, "Stop").tap();
      await page
        .getByRole("radiogroup", { name: /^Rating of/ })
        .first()
        .getByText(take % 2 === 0 ? "No good" : "Good", { exact: true })
        .tap();
    }
    await expect(takes(page).getByRole("listitem")).toHaveCount(6);
    await page.reload();
    await awake(page);
    await expect(takes(page).getByRole("listitem")).toHaveCount(6);
    await expect(page.getByRole("main")).toContainText("take 7");
    await server.comeBack();
    await expect(page.getByRole("banner").getByRole("status")).toHaveText("All saved", { timeout: 40_000 });
    const second = await browser.newPage();
    await second.goto(`${server.address}/shoots/${id}/roll`);
    await awake(second);
    await expect(takes(second).getByRole("listitem")).toHaveCount(6);
    // And while both have signal, at once.
    await button(page, "Start take").tap();
    await expect(second.getByRole("timer", { name: "Take time" })).toBeVisible({ timeout: 1500 });
    await button(second, "Stop").click();
    await expect(button(page, "Start take")).toBeVisible({ timeout: 1500 });
    await second.close();
  });
});

long(
  "a day on a phone far away: 300 ms, one request in fifty lost, and no more than 5 MB",
  async ({ browser, baseURL }) => {
    test.setTimeout(600_000);
    const server = await proxyOf(baseURL!);
    const phone = await browser.newContext({
      ...{ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, serviceWorkers: "allow" },
    });
    const page = await phone.newPage();
    const id = await rollWithoutServer(page, server, "Far away");
    server.beFar(300, 0.02);
    const before = server.bytes();
    const TAKES = 60;
    for (let take = 1; take <= TAKES; take += 1) {
      await button(page, "Start take").tap();
      await expect(page.getByRole("timer", { name: "Take time" })).toBeVisible();
      for (const kind of [1, 2, 3, 4]) await pad(page).getByRole("button").nth(kind).tap();
      await expect(marks(page).getByRole("listitem")).toHaveCount(4);
      await button(page, "Stop").tap();
      await page
        .getByRole("radiogroup", { name: /^Rating of/ })
        .first()
        .getByText("Good", { exact: true })
        .tap();
      if (take % 10 > 0) continue;
      // Put away and taken out again, and a look elsewhere.
      for (const name of ["Scout", "Dress", "Check", "Roll"]) await goToStation(page, name);
      await page.reload();
      await awake(page);
    }
    const status = page.getByRole("banner").getByRole("status");
    await expect(status).toHaveText("All saved", { timeout: 60_000 });
    // The laptop sleeps while two takes are logged, and wakes up.
    await server.goAway();
    for (let take = 0; take < 2; take += 1) {
      await button(page, "Start take").tap();
      await expect(page.getByRole("timer", { name: "Take time" })).toBeVisible();
      await button(page, "Stop").tap();
    }
    await server.comeBack();
    await expect(status).toHaveText("All saved", { timeout: 60_000 });
    const used = (server.bytes() - before) / 1e6;
    test.info().annotations.push({ type: "MB", description: used.toFixed(2) });
    process.stderr.write(`A day of ${TAKES} takes on a phone: ${used.toFixed(2)} MB\n`);
    expect(used).toBeLessThanOrEqual(5);
    const { records } = (await (await page.request.get(`${baseURL}/api/shoots/${id}/records?since=0`)).json()) as {
      records: { kind: string }[];
    };
    expect(records.filter(({ kind }) => kind === "roll")).toHaveLength(TAKES + 2);
    expect(records.filter(({ kind }) => kind === "mark")).toHaveLength(TAKES * 4);
    await phone.close();
    await server.close();
  },
);

long("by keys: a take is started, marked and stopped; a mark is removed and brought back", async ({ page }) => {
  await openRoll(page);
  await page.keyboard.press("r");
  await expect(page.getByRole("status").filter({ hasText: /^Rolling: slate 2, take \d+$/ })).toBeVisible();
  await page.keyboard.press("1");
  await page.keyboard.press("2");
  await expect(marks(page).getByRole("listitem")).toHaveCount(2);
  // Digits mark here and lead nowhere.
  expect(page.url()).toContain("/roll");
  await marks(page)
    .getByRole("button", { name: /^Remove/ })
    .first()
    .click();
  await expect(marks(page).getByRole("listitem")).toHaveCount(1);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(marks(page).getByRole("listitem")).toHaveCount(2);
  await page.getByLabel("Note at this moment").fill("Winch starts");
  await page.keyboard.press("Enter");
  await expect(marks(page)).toContainText("Winch starts");
  await page.getByRole("heading", { name: /^Slate 2, take/ }).click();
  await page.keyboard.press("r");
  await expect(button(page, "Start take")).toBeVisible();
  await expectSaved(page);
});

test("the slate flashes and clicks, and its moment is kept", async ({ page }) => {
  await openRoll(page);
  await button(page, "Start take").click();
  await button(page, "Slate").click();
  const slate = page.getByRole("dialog", { name: "Slate" });
  await expect(slate).toContainText("Hanging the sluice gate");
  await expect(slate.getByLabel("Clock")).toHaveText(/^\d\d:\d\d:\d\d:\d\d$/);
  await slate.getByRole("button", { name: "Strike" }).click();
  await slate.getByRole("button", { name: "Close the slate" }).click();
  await expect(marks(page)).toContainText("Slate");
  await button(page, "Stop").click();
});

long("the recorder's counter says whether it is recording, and how late it was started", async ({ page }) => {
  await openRoll(page);
  await button(page, "Start take").click();
  await page.getByLabel("Is it recording? The recorder shows").fill("0:00:00");
  await button(page, "Check").click();
  await expect(page.getByText("It is recording: the counter agrees with the log.")).toBeVisible();
  await button(page, "Stop").click();
});

long(
  "a forgotten take is put in and the others move on; two are joined, one is split, and all of it goes back",
  async ({ page }) => {
    await openRoll(page, SPEECH);
    const list = takes(page);
    await list.getByRole("button", { name: /Slate 6, take 2/ }).click();
    const more = () => page.getByRole("button", { name: /^More with/ });
    await more().click();
    await page.getByRole("menuitem", { name: "Insert a forgotten take before it" }).click();
    await expect(list.getByRole("button", { name: /Slate 6, take 6/ })).toBeVisible();
    await page.getByLabel("Length").fill("30");
    await list.getByRole("button", { name: /Slate 6, take 6/ }).click();
    await more().click();
    await page.getByRole("menuitem", { name: "Split in the middle" }).click();
    await expect(list.getByRole("button", { name: /Slate 6, take 7/ })).toBeVisible();
    await more().click();
    await page.getByRole("menuitem", { name: "Join with slate 6, take 7", exact: false }).click();
    await expect(list.getByRole("button", { name: /Slate 6, take 7/ })).toHaveCount(0);
    await page.getByRole("button", { name: "Undo" }).last().click();
    await expect(list.getByRole("button", { name: /Slate 6, take 7/ })).toBeVisible();
  },
);

test("the card finds its takes, the clock is told, and the report holds both", async ({ page }) => {
  const id = await openRoll(page);
  await goToStation(page, "Check");
  // Of the demo's card what is needed to find its clock: as long, and begun when its files were.
  const hiss = whiteNoise(1, -60, 24 * 8000);
  const files = (["T02", "T03", "T04", "T05"] as const).map((take) => {
    const name = `D1_S02_${take}_Ines.wav` as const;
    const wav = toWav([hiss], { sampleRateHz: 8000, bits: 24, startedAtS: 60 * minutesOfDay(CARD[name].at) });
    return { name, mimeType: "audio/wav", buffer: Buffer.from(wav) };
  });
  await page.locator("input[type=file]").first().setInputFiles(files);
  await expect(page.getByText(/^\d+ of \d+ takes matched with 4 files\.$/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText("The recorder's clock is 47 s ahead.")).toBeVisible();
  await button(page, "Add 4 to the log").click();
  await expect(button(page, "Add 4 to the log")).toHaveCount(0);
  await expectSaved(page);
  await page.goto(`/shoots/${id}/report?scene=${GATE}`);
  await awake(page);
  const row = page.getByRole("row", { name: /Slate 2, take 4/ });
  await expect(row).toContainText("D1_S02_T04_Ines.wav");
  await expect(row).toContainText("14:14:13:00");
  const answer = await page.request.get(`/shoots/${id}/report.pdf?day=1`);
  expect(answer.headers()["content-type"]).toBe("application/pdf");
  const words = pdfWords(await answer.body())
    .map(({ text }) => text)
    .join(" ");
  expect(words).toContain("Slate 2, take 4");
  expect(words).toContain("D1_S02_T04_Ines.wav");
  const download = page.waitForEvent("download");
  await button(page, "CSV").click();
  expect((await download).suggestedFilename()).toBe("Slack Water day 1 sound report.csv");
});

long("names: a scheme is learned, an impossible one is refused, an own mark is on the pad", async ({ page }) => {
  await openRoll(page);
  await page.getByRole("radiogroup", { name: "Roll views" }).getByText("Names and marks").click();
  await page.getByLabel("Naming scheme").fill("{slate}");
  await expect(page.getByText("Two takes would get the same name: add {take} or {counter}.")).toBeVisible();
  await page.setInputFiles("input[type=file]", { name: "REC0041.WAV", mimeType: "audio/wav", buffer: Buffer.alloc(8) });
  await expect(page.getByLabel("Naming scheme")).toHaveValue("REC{counter:4}");
  await expect(page.getByText("REC0042.wav")).toBeVisible();
  await page.getByLabel("New mark").fill("Generator");
  await button(page, "Add mark").click();
  await page.getByRole("radiogroup", { name: "Roll views" }).getByText("Log").click();
  await button(page, "Start take").click();
  await page.getByRole("button", { name: /Another kind$/ }).click();
  await expect(page.getByRole("option", { name: "Generator" })).toBeVisible();
});

long("no accessibility fault at the take, on the slate and in the report, by day and in the dark", async ({ page }) => {
  const id = await openRoll(page);
  await button(page, "Start take").click();
  const faults = async () => (await new AxeBuilder({ page }).analyze()).violations.map((each) => each.id);
  expect(await faults()).toEqual([]);
  await page.evaluate(() => (document.documentElement.dataset["ground"] = "dark"));
  expect(await faults()).toEqual([]);
  await button(page, "Slate").click();
  await expect(page.getByRole("dialog", { name: "Slate" })).toBeVisible();
  expect(await faults()).toEqual([]);
  await page.goto(`/shoots/${id}/report?scene=${GATE}`);
  await awake(page);
  expect(await faults()).toEqual([]);
});
