import { chromium, type Page } from "@playwright/test";
import { dropHour } from "../e2e/hourFile";
import { DEMO_SHOOT_ID } from "../demo/slackWater";

/** How Chromium is started: no network of its own, and without a sandbox as root. */
export const CHROMIUM_FLAGS = [
  "--no-sandbox",
  "--disable-quic",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
  "--no-first-run",
];
const ROUNDS = 4;

/** Milliseconds from a click to the frame after it, for changes of the outfit; median and worst. */
async function changeTimes(page: Page): Promise<{ medianMs: number; worstMs: number }> {
  return page.evaluate(async (rounds) => {
    const nextFrame = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
    const boxes = [...document.querySelectorAll<HTMLInputElement>("input[type=checkbox]")].slice(0, 6);
    const times: number[] = [];
    for (let round = 0; round < rounds; round += 1)
      for (const box of boxes) {
        await new Promise((resolve) => setTimeout(resolve, 600));
        const began = performance.now();
        box.click();
        await nextFrame();
        times.push(performance.now() - began);
      }
    times.sort((a, b) => a - b);
    return { medianMs: times[Math.floor(times.length / 2)]!, worstMs: times.at(-1)! };
  }, ROUNDS);
}

/** Longest task on the page while an hour is measured, ms, and how long the whole took, s. */
async function hourOnPage(page: Page): Promise<{ longestTaskMs: number; seconds: number }> {
  const began = Date.now();
  await dropHour(page);
  // From here on: making the file in the page is the bench's own work.
  await page.evaluate(() => {
    const longest = { ms: 0 };
    Object.assign(window, { longest });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) longest.ms = Math.max(longest.ms, entry.duration);
    }).observe({ entryTypes: ["longtask"] });
  });
  await page.getByText(/Measuring hour.wav/).waitFor();
  await page.getByText(/Measuring hour.wav/).waitFor({ state: "hidden", timeout: 600_000 });
  const longestTaskMs = await page.evaluate(() => (window as unknown as { longest: { ms: number } }).longest.ms);
  return { longestTaskMs, seconds: (Date.now() - began) / 1000 };
}

/** What happens on the page itself: changes in Dress, and the page's freedom while a long file is measured. */
export async function benchPage(address: string): Promise<boolean> {
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: CHROMIUM_FLAGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/shoots/${DEMO_SHOOT_ID}/dress`, { waitUntil: "networkidle" });
    const change = await changeTimes(page);
    process.stdout.write(
      `change in Dress to screen: median ${change.medianMs.toFixed(0)} ms, worst ${change.worstMs.toFixed(0)} ms\n`,
    );
    await page.goto(`${address}/shoots/${DEMO_SHOOT_ID}/check`, { waitUntil: "networkidle" });
    const hour = await hourOnPage(page);
    process.stdout.write(
      `one hour measured in the browser in ${hour.seconds.toFixed(0)} s, longest task on the page ${hour.longestTaskMs.toFixed(0)} ms\n`,
    );
    return change.medianMs < 50 && hour.longestTaskMs < 100;
  } finally {
    await browser.close();
  }
}
