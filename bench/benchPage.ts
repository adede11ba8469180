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
const ROUNDS = 7;

interface Times {
  medianMs: number;
  worstMs: number;
}

/** Every control tried: the median of its own rounds, so that a pause of the machine does not count as the page's. */
interface ChangeTimes extends Times {
  slowestControl: string;
}

/** Milliseconds from a click to the frame after it, for changes of outfit and scene, by control. */
async function changeTimes(page: Page): Promise<ChangeTimes> {
  const byControl = await page.evaluate(async (rounds) => {
    const nextFrame = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
    const form = document.querySelector('[aria-label="Outfit and scene"]')!;
    const boxes = [
      ...[...form.querySelectorAll<HTMLInputElement>('[aria-label="Also worn"] input:enabled')].slice(2, 8),
      ...[...form.querySelectorAll<HTMLInputElement>("input[type=radio]")].slice(0, 8),
    ];
    const controls = boxes.map((box) => ({ name: box.closest("label")!.textContent, times: [] as number[] }));
    for (let round = 0; round < rounds; round += 1)
      for (const [index, box] of boxes.entries()) {
        await new Promise((resolve) => setTimeout(resolve, 500));
        const began = performance.now();
        box.click();
        await nextFrame();
        controls[index]!.times.push(performance.now() - began);
      }
    return controls;
  }, ROUNDS);
  const medians = byControl
    .map(({ name, times }) => ({ name, ms: times.sort((a, b) => a - b)[Math.floor(times.length / 2)]! }))
    .sort((a, b) => a.ms - b.ms);
  const slowest = medians.at(-1)!;
  return { medianMs: medians[Math.floor(medians.length / 2)]!.ms, worstMs: slowest.ms, slowestControl: slowest.name };
}

/** Milliseconds from a key on a weight's slider to the frame that shows it, by the browser's own event timing. */
async function sliderTimes(page: Page): Promise<Times> {
  await page.getByRole("button", { name: "What matters" }).click();
  const slider = page.getByRole("slider", { name: "Steady as the head turns" });
  await slider.focus();
  await page.evaluate(() => {
    const durations: number[] = [];
    Object.assign(window, { durations });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) if (entry.name === "keydown") durations.push(entry.duration);
    }).observe({ type: "event", durationThreshold: 16, buffered: false } as PerformanceObserverInit);
  });
  for (let press = 0; press < 16; press += 1) {
    await page.keyboard.press(press % 16 < 8 ? "ArrowLeft" : "ArrowRight");
    await page.waitForTimeout(300);
  }
  const durations = await page.evaluate(() => (window as unknown as { durations: number[] }).durations);
  durations.sort((a, b) => a - b);
  // What is quicker than the browser reports counts as its threshold.
  return { medianMs: durations[Math.floor(durations.length / 2)] ?? 16, worstMs: durations.at(-1) ?? 16 };
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
    await page.getByRole("group", { name: "Also worn" }).waitFor();
    const change = await changeTimes(page);
    process.stdout.write(
      `change in Dress to screen: median ${change.medianMs.toFixed(0)} ms, slowest control (${change.slowestControl}) ${change.worstMs.toFixed(0)} ms\n`,
    );
    const slider = await sliderTimes(page);
    process.stdout.write(
      `move of a weight to screen: median ${slider.medianMs.toFixed(0)} ms, worst ${slider.worstMs.toFixed(0)} ms\n`,
    );
    await page.goto(`${address}/shoots/${DEMO_SHOOT_ID}/check`, { waitUntil: "networkidle" });
    const hour = await hourOnPage(page);
    process.stdout.write(
      `one hour measured in the browser in ${hour.seconds.toFixed(0)} s, longest task on the page ${hour.longestTaskMs.toFixed(0)} ms\n`,
    );
    return change.worstMs < 50 && slider.medianMs < 50 && hour.longestTaskMs < 100;
  } finally {
    await browser.close();
  }
}
