import { expect, type Page } from "@playwright/test";
import { isLong, long } from "./long";
import { proxyOf, type Proxy } from "./proxy";
import { awake, expectSaved, goToStation, startHere } from "./shoot";
import { test } from "./test";

test.use({ serviceWorkers: "allow" });

let server: Proxy;
test.beforeEach(async ({ baseURL }) => {
  server = await proxyOf(baseURL!);
});
test.afterEach(() => server.close().catch(() => undefined));

/** Until the service worker holds the whole build and answers for this page. */
async function installed(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    while (!navigator.serviceWorker.controller) await new Promise((resolve) => setTimeout(resolve, 50));
  });
}

/** A shoot with a place and somebody, all saved, in a page that can do without its server. */
async function openShoot(page: Page, title: string): Promise<string> {
  await page.goto(`${server.address}/`);
  await awake(page);
  await startHere(page, title);
  await page.getByRole("button", { name: "Add place" }).click();
  await goToStation(page, "Dress");
  await page.getByRole("button", { name: "Add talent" }).click();
  await expect(page.getByRole("link", { name: "Talent 1" })).toBeVisible();
  await expectSaved(page);
  await installed(page);
  return /shoots\/([0-9a-f-]+)/.exec(page.url())![1]!;
}

const STATIONS = ["Scout", "Pickup", "Dress", "Link", "Level", "Roll", "Check", "Hand over"];
const partOf = (name: string) => name.toLowerCase().replace(" ", "");
/** Until a station is there and answers. */
const shows = (page: Page, name: string) => page.locator(`html[data-awake="${partOf(name)}"]`).waitFor();
const line = (page: Page) => page.getByRole("banner").getByRole("status");

test("while the server is away every station opens, a reload does too, and what is typed is saved when it is back", async ({
  page,
}) => {
  const id = await openShoot(page, "No signal");
  await server.goAway();
  for (const name of STATIONS) {
    await goToStation(page, name);
    await shows(page, name);
    await expect(page.getByRole("navigation", { name: "Stations" }).locator("[aria-current=page]")).toContainText(name);
  }
  // Each station comes from the same kept build; what is loaded anew with it differs little.
  for (const name of isLong ? STATIONS : ["Dress", "Roll", "Check"]) {
    await page.goto(`${server.address}/shoots/${id}/${partOf(name)}`);
    await shows(page, name);
  }
  for (const part of isLong ? ["", "/day", "/card", "/settings", "/frequencies", "/site"] : ["", "/day"]) {
    await page.goto(`${server.address}/shoots/${id}${part}`);
    await awake(page);
    await expect(page.getByRole("main")).not.toContainText("no such page");
  }
  await page.goto(`${server.address}/shoots/${id}/scout`);
  await page.getByLabel("Width").fill("3.3");
  await expect(line(page)).toContainText("Server unreachable: 1 change kept on this device");
  await page.reload();
  await expect(page.getByLabel("Width")).toHaveValue("3.3");
  await page.goto(`${server.address}/`);
  await expect(
    page.getByText("The server is unreachable. Shoots that were open on this device open without it."),
  ).toBeVisible();
  await page.getByRole("link", { name: "No signal" }).first().click();
  await server.comeBack();
  await expect(line(page)).toHaveText("All saved", { timeout: 35_000 });
});

test("what computes beside the page does so in a kept build too, with the server away", async ({ page }) => {
  const id = await openShoot(page, "Computed offline");
  const broken: string[] = [];
  page.on("console", (message) => {
    if (message.type() === "error" && !message.text().includes("Failed to load")) broken.push(message.text());
  });
  await server.goAway();
  await page.goto(`${server.address}/shoots/${id}/check`);
  await awake(page);
  await page.locator("input[type=file]").setInputFiles("demo/recordings/singer-hall.wav");
  await expect(page.getByText("Clipped on loud syllables").first()).toBeVisible({ timeout: 30_000 });
  expect(broken).toEqual([]);
});

long(
  "a shoot that this device has never opened says so without the server, and opens when it is back",
  async ({ page }) => {
    await openShoot(page, "Known here");
    await server.goAway();
    await page.goto(`${server.address}/shoots/${crypto.randomUUID()}`);
    await expect(page.getByText("has not been opened on this device before")).toBeVisible();
    await server.comeBack();
    await page.getByRole("button", { name: "Try again" }).click();
    await expect(page.getByText("This shoot is not here")).toBeVisible();
  },
);

long("a newer build says that it is there, and is taken over without losing what was just typed", async ({ page }) => {
  const id = await openShoot(page, "Update");
  await goToStation(page, "Scout");
  server.beNewer();
  await page.getByLabel("Width").fill("3.3");
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update());
  const toast = page.getByText("A newer Hypophon is ready.");
  await expect(toast).toBeVisible({ timeout: 30_000 });
  await page.getByLabel("Width").fill("4.4");
  const loaded = page.waitForEvent("load");
  await page.getByRole("button", { name: "Use it now" }).click();
  await loaded;
  await awake(page);
  expect(page.url()).toContain(id);
  await expect(page.getByLabel("Width")).toHaveValue("4.4");
  await expectSaved(page);
});

long("nothing is asked of a server for a page that was opened before: it is there at once", async ({ page }) => {
  const id = await openShoot(page, "At once");
  const asked: string[] = [];
  page.on("request", (request) => {
    if (!request.serviceWorker() && request.isNavigationRequest()) asked.push(request.url());
  });
  await page.goto(`${server.address}/shoots/${id}/dress`);
  await expect(page.getByRole("link", { name: "Talent 1" })).toBeVisible();
  const answers = await page.evaluate(
    () => performance.getEntriesByType("navigation")[0] as PerformanceNavigationTiming,
  );
  expect(answers.transferSize).toBe(0);
  expect(asked.length).toBeGreaterThan(0);
});
