import { chromium, type Browser, type Page } from "@playwright/test";
import { awake } from "../e2e/shoot";
import { CHROMIUM_FLAGS } from "./benchPage";
import { fillShoot } from "./fillShoot";

const FIRST_LOAD_KB = 340;
const OFFLINE_MS = 1500;
const SAVED_MS = 150;
const USABLE_MS = 2000;
const KEY_MS = 50;

const STATIONS = ["", "scout", "pickup", "dress", "link", "level", "check", "day"];
const nameOf = (station: string) => station || "board";
const middle = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
const tell = (text: string) => process.stdout.write(`${text}\n`);

/** Compressed JavaScript that a page asks for before it answers, kB. */
async function firstLoadKb(browser: Browser, address: string): Promise<number> {
  const context = await browser.newContext({ serviceWorkers: "block" });
  const page = await context.newPage();
  await page.goto(address);
  await awake(page);
  const bytes = await page.evaluate(() => {
    const { startTime } = performance.getEntriesByName("awake")[0]!;
    return (performance.getEntriesByType("resource") as PerformanceResourceTiming[])
      .filter((each) => /\.js$/.test(new URL(each.name).pathname) && each.startTime < startTime)
      .reduce((sum, each) => sum + each.encodedBodySize, 0);
  });
  await context.close();
  return bytes / 1000;
}

/** From asking for a page until it answers, ms. */
async function openMs(page: Page, address: string): Promise<number> {
  const began = performance.now();
  await page.goto(address);
  await awake(page);
  return performance.now() - began;
}

async function firstLoads(browser: Browser, address: string, shootId: string): Promise<boolean> {
  const loads: string[] = [];
  let worst = await firstLoadKb(browser, `${address}/`);
  loads.push(`shoots ${worst.toFixed(0)}`);
  for (const station of STATIONS) {
    const kilobytes = await firstLoadKb(browser, `${address}/shoots/${shootId}/${station}`);
    worst = Math.max(worst, kilobytes);
    loads.push(`${nameOf(station)} ${kilobytes.toFixed(0)}`);
  }
  tell(`first load of JavaScript until a screen answers, compressed, kB: ${loads.join(", ")}`);
  return worst <= FIRST_LOAD_KB;
}

/** Second visits without a network, from the device alone. */
async function offlineVisits(browser: Browser, address: string, shootId: string): Promise<boolean> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await openMs(page, `${address}/shoots/${shootId}`);
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    while (!navigator.serviceWorker.controller) await new Promise((resolve) => setTimeout(resolve, 50));
  });
  await context.setOffline(true);
  const times: number[] = [];
  for (const station of STATIONS) times.push(await openMs(page, `${address}/shoots/${shootId}/${station}`));
  await context.close();
  tell(
    `second visit without a network: ${STATIONS.map((station, at) => `${nameOf(station)} ${times[at]!.toFixed(0)}`).join(", ")} ms`,
  );
  return Math.max(...times) <= OFFLINE_MS;
}

/** From a press to the line that says it is saved, ms. */
async function saves(browser: Browser, address: string, shootId: string): Promise<boolean> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await openMs(page, `${address}/shoots/${shootId}/dress`);
  await page.getByRole("group", { name: "Also worn" }).waitFor();
  await page.waitForTimeout(1500);
  const times = await page.evaluate(async () => {
    const line = document.querySelector('header [role="status"]')!;
    const controls = [...document.querySelectorAll<HTMLInputElement>('[aria-label="Also worn"] input:enabled')].slice(
      2,
      6,
    );
    const found: number[] = [];
    for (let round = 0; round < 10; round += 1)
      for (const control of controls) {
        const began = performance.now();
        const saved = new Promise<void>((resolve) => {
          let hasLeft = false;
          const look = new MutationObserver(() => {
            if (line.textContent !== "All saved") hasLeft = true;
            else if (hasLeft) {
              look.disconnect();
              resolve();
            }
          });
          look.observe(line, { characterData: true, childList: true, subtree: true });
        });
        control.click();
        await saved;
        found.push(performance.now() - began);
        await new Promise((resolve) => setTimeout(resolve, 150));
      }
    return found;
  });
  await page.close();
  const sorted = [...times].sort((a, b) => a - b);
  tell(
    `from a press to "All saved" on loopback: median ${middle(times).toFixed(0)}, p95 ${sorted[Math.floor(sorted.length * 0.95)]!.toFixed(0)} ms of ${times.length}`,
  );
  return middle(times) <= SAVED_MS;
}

/** Every station of a large shoot, the first time on this device and again. */
async function largeVisits(browser: Browser, address: string, shootId: string, what: string): Promise<boolean> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const first = await openMs(page, `${address}/shoots/${shootId}`);
  const times: number[] = [];
  for (const station of STATIONS) times.push(await openMs(page, `${address}/shoots/${shootId}/${station}`));
  await context.close();
  tell(
    `${what}: board the first time ${first.toFixed(0)} ms; then ${STATIONS.map((station, at) => `${nameOf(station)} ${times[at]!.toFixed(0)}`).join(", ")} ms`,
  );
  return Math.max(first, ...times) <= USABLE_MS;
}

/** Keys on the board of a very large shoot while it is planned: until the next frame is drawn, ms. */
async function boardKeys(browser: Browser, address: string, shootId: string): Promise<boolean> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const health: number[] = [];
  const opened = await openMs(page, `${address}/shoots/${shootId}`);
  await page.getByRole("article").first().waitFor();
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { keyTimes: times });
    window.addEventListener(
      "keydown",
      () => {
        const began = performance.now();
        requestAnimationFrame(() => setTimeout(() => times.push(performance.now() - began), 0));
      },
      { capture: true },
    );
  });
  for (let press = 0; press < 40; press += 1) {
    await page.keyboard.press(press % 4 === 3 ? "PageUp" : press % 2 ? "Tab" : "PageDown");
    const began = performance.now();
    await fetch(`${address}/api/health`);
    health.push(performance.now() - began);
    await page.waitForTimeout(120);
  }
  const times = await page.evaluate(() => (window as unknown as { keyTimes: number[] }).keyTimes);
  const drawn = await page.getByRole("article").count();
  const planning = await page.getByText(/^Planning/).count();
  await page.getByText(/^Planning/).waitFor({ state: "detached", timeout: 120_000 });
  await context.close();
  tell(
    `2,400 rigs: board answers after ${opened.toFixed(0)} ms with ${drawn} lines drawn${planning > 0 ? ", still being planned" : ""}; ` +
      `a key to the screen median ${middle(times).toFixed(0)}, worst ${Math.max(...times).toFixed(0)} ms; ` +
      `/api/health meanwhile worst ${Math.max(...health).toFixed(0)} ms`,
  );
  return opened <= USABLE_MS && middle(times) <= KEY_MS && Math.max(...health) <= KEY_MS;
}

/** How screens open: the first time, without a network, in a large shoot; and how soon what is done is saved. */
export async function benchVisits(address: string, url: string, demoId: string): Promise<boolean> {
  const few = await fillShoot(url, { talents: 10, scenes: 5, scenesEach: 2, takes: 2 });
  const many = await fillShoot(url, { talents: 10, scenes: 5, scenesEach: 2, takes: 200 });
  const large = await fillShoot(url, { talents: 60, scenes: 40, scenesEach: 4, takes: 500 });
  const huge = await fillShoot(url, { talents: 60, scenes: 40, scenesEach: 40, takes: 500 });
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: CHROMIUM_FLAGS });
  try {
    const results = [
      await firstLoads(browser, address, demoId),
      await offlineVisits(browser, address, demoId),
      await saves(browser, address, demoId),
      await largeVisits(browser, address, few, "2 takes"),
      await largeVisits(browser, address, many, "200 takes"),
      await largeVisits(browser, address, large, "60 talents, 40 scenes, 500 takes, 240 rigs"),
      await largeVisits(browser, address, huge, "60 talents, 40 scenes, 500 takes, 2,400 rigs"),
      await boardKeys(browser, address, huge),
    ];
    return results.every(Boolean);
  } finally {
    await browser.close();
  }
}
