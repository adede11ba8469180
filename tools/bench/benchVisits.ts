import { chromium, type Browser, type Page } from "@playwright/test";
import { awake } from "../../e2e/shoot";
import { CHROMIUM_FLAGS } from "./benchPage";
import { fillShoot } from "./fillShoot";

const FIRST_LOAD_KB = 340;
const OFFLINE_MS = 1500;
const SAVED_MS = 150;
const USABLE_MS = 2000;
const KEY_MS = 50;
const HEALTH_MS = 50;

const STATIONS = ["", "scout", "pickup", "dress", "link", "level", "check", "day"];
const nameOf = (station: string) => station || "board";
const middle = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
const share = (times: readonly number[], part: number): number =>
  [...times].sort((a, b) => a - b)[Math.floor((times.length - 1) * part)]!;
const tell = (text: string) => process.stdout.write(`${text}\n`);

/** Compressed JavaScript that a screen is made of, and what has come when it answers (with menus and charts), kB. */
async function firstLoadKb(browser: Browser, address: string): Promise<{ needed: number; come: number }> {
  const context = await browser.newContext({ serviceWorkers: "block" });
  const page = await context.newPage();
  await page.goto(address);
  await awake(page);
  const bytes = await page.evaluate(() => {
    const scripts = (performance.getEntriesByType("resource") as PerformanceResourceTiming[]).filter((each) =>
      /\.js$/.test(new URL(each.name).pathname),
    );
    const sum = (some: PerformanceResourceTiming[]) => some.reduce((all, each) => all + each.encodedBodySize, 0);
    const at = (mark: string) => performance.getEntriesByName(mark).at(-1)!.startTime;
    return {
      needed: sum(scripts.filter(({ startTime }) => startTime < at("screen loaded"))),
      come: sum(scripts.filter(({ responseEnd }) => responseEnd <= at("awake"))),
    };
  });
  await context.close();
  return { needed: bytes.needed / 1000, come: bytes.come / 1000 };
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
  let worst = 0;
  const pages = [
    { name: "shoots", path: "/" },
    ...STATIONS.map((station) => ({ name: nameOf(station), path: `/shoots/${shootId}/${station}` })),
  ];
  for (const { name, path } of pages) {
    const { needed, come } = await firstLoadKb(browser, `${address}${path}`);
    worst = Math.max(worst, needed);
    loads.push(`${name} ${needed.toFixed(0)} (${come.toFixed(0)})`);
  }
  tell(
    `JavaScript of a screen (and with menus and charts that have come by then), compressed, kB: ${loads.join(", ")}`,
  );
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

/** Asks again and again whether the server answers, and notes how late timers of the same process are. */
function watchHealth(address: string): { end: () => Promise<{ times: number[]; lateMs: number }> } {
  const times: number[] = [];
  let isOn = true;
  let lateMs = 0;
  let last = performance.now();
  const timer = setInterval(() => {
    const now = performance.now();
    lateMs = Math.max(lateMs, now - last - 10);
    last = now;
  }, 10);
  const asking = (async () => {
    while (isOn) {
      const began = performance.now();
      await (await fetch(`${address}/api/health`)).text();
      times.push(performance.now() - began);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  })();
  return {
    async end() {
      isOn = false;
      await asking;
      clearInterval(timer);
      return { times, lateMs };
    },
  };
}

/** Keys on the board of a very large shoot while it is planned: until the next frame is drawn, ms. */
async function boardKeys(browser: Browser, address: string, shootId: string): Promise<boolean> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
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
  const health = watchHealth(address);
  for (let press = 0; press < 40; press += 1) {
    await page.keyboard.press(press % 4 === 3 ? "PageUp" : press % 2 ? "Tab" : "PageDown");
    await page.waitForTimeout(120);
  }
  const answered = await health.end();
  const times = await page.evaluate(() => (window as unknown as { keyTimes: number[] }).keyTimes);
  const drawn = await page.getByRole("article").count();
  const planning = await page.getByText(/^Planning/).count();
  await page.getByText(/^Planning/).waitFor({ state: "detached", timeout: 120_000 });
  await context.close();
  tell(
    `2,400 rigs: board answers after ${opened.toFixed(0)} ms with ${drawn} lines drawn${planning > 0 ? ", still being planned" : ""}; ` +
      `a key to the screen median ${middle(times).toFixed(0)}, worst ${Math.max(...times).toFixed(0)} ms; ` +
      `/api/health meanwhile median ${middle(answered.times).toFixed(0)}, p95 ${share(answered.times, 0.95).toFixed(0)}, ` +
      `worst ${Math.max(...answered.times).toFixed(0)} ms of ${answered.times.length} (a timer of this process was up to ${answered.lateMs.toFixed(0)} ms late)`,
  );
  // The browser takes both cores of a small machine: what a timer that does nothing waits for is not the server's.
  const isHealthy = middle(answered.times) <= HEALTH_MS && share(answered.times, 0.95) <= HEALTH_MS + answered.lateMs;
  return opened <= USABLE_MS && middle(times) <= KEY_MS && isHealthy;
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
