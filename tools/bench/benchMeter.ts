import { readdirSync, readFileSync, rmSync } from "node:fs";
import { chromium, type Page } from "@playwright/test";
import { DEMO_SHOOT_ID } from "../../demo/recordings";
import { hearing, heardFile } from "../../e2e/fakeMicrophone";
import { quietThenVoiceWav } from "../../e2e/sounds";
import { CHROMIUM_FLAGS } from "./benchPage";
import { withDemo } from "./demoServer";
import { awake } from "../../e2e/shoot";

const CORE_SHARE = 0.05;
/** What the page calls lost sound, s. */
const LOST_S = 0.25;
const TICKS_PER_S = 100;
/** Compared: the same page with the microphone open and nothing metered. */
const WINDOW_S = 30;

interface ProcessTimes {
  parent: number;
  ticks: number;
}

/** Processor time of a process and all that it has started, s. */
function secondsOf(root: number): number {
  const all = new Map<number, ProcessTimes>();
  for (const entry of readdirSync("/proc")) {
    if (!/^\d+$/.test(entry)) continue;
    try {
      const fields = readFileSync(`/proc/${entry}/stat`, "utf8").split(") ")[1]!.split(" ");
      all.set(Number(entry), { parent: Number(fields[1]), ticks: Number(fields[11]) + Number(fields[12]) });
    } catch {
      // It has ended meanwhile.
    }
  }
  const isOurs = (pid: number): boolean => pid === root || (all.has(pid) && isOurs(all.get(pid)!.parent));
  let ticks = 0;
  for (const [pid, times] of all) if (isOurs(pid)) ticks += times.ticks;
  return ticks / TICKS_PER_S;
}

async function shareOf(page: Page, pid: number, seconds: number): Promise<number> {
  const before = secondsOf(pid);
  await page.waitForTimeout(seconds * 1000);
  return (secondsOf(pid) - before) / seconds;
}

/** Opens the microphone as the meter does, and throws away what comes. */
const OPEN_ONLY = async () => {
  const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
  const context = new AudioContext();
  await context.audioWorklet.addModule("/meter-worklet.js");
  context.createMediaStreamSource(stream).connect(new AudioWorkletNode(context, "meter", { numberOfOutputs: 0 }));
  Object.assign(window, { opened: { stream, context } });
};

/** What the live meter takes of a core in the browser, and whether sound gets lost in ten minutes of it. */
export async function benchMeter(): Promise<number> {
  const minutes = Number(process.env["HYPOPHON_METER_MINUTES"] ?? 10);
  const path = heardFile("bench", quietThenVoiceWav(0, 8, -14));
  let isGood = true;
  const say = (says: string, isOk: boolean) => {
    isGood &&= isOk;
    process.stdout.write(`${isOk ? "ok  " : "FAIL"} ${says}\n`);
  };
  try {
    await withDemo(async (address) => {
      const { executablePath, args } = hearing(path);
      const server = await chromium.launchServer({ executablePath, args: [...CHROMIUM_FLAGS, ...args] });
      const browser = await chromium.connect(server.wsEndpoint());
      const page = await browser.newPage();
      const pid = server.process().pid!;
      const meterPage = `${address}/shoots/${DEMO_SHOOT_ID}/level?view=meter`;
      await page.goto(meterPage);
      await awake(page);
      await page.waitForTimeout(5000);
      await page.evaluate(OPEN_ONLY);
      const open = await shareOf(page, pid, WINDOW_S);
      await page.goto(meterPage);
      await awake(page);
      await page.getByRole("button", { name: "Start the meter" }).click();
      await page.waitForTimeout(5000);
      const metered = await shareOf(page, pid, WINDOW_S);
      say(
        `live meter in the browser: ${(100 * (metered - open)).toFixed(1)} % of a core over the open microphone (${(100 * open).toFixed(1)} % with it, all of the browser; less than ${100 * CORE_SHARE})`,
        metered - open < CORE_SHARE,
      );
      await page.waitForTimeout(Math.max(0, minutes * 60 - WINDOW_S - 5) * 1000);
      const lost = page.getByText(/of sound did not come through/);
      const hasLost = await lost.isVisible();
      const clips = await page.getByRole("group", { name: "Meter" }).textContent();
      say(
        `${minutes} min metered without a gap of more than ${LOST_S} s: ${hasLost ? await lost.textContent() : clips}`,
        !hasLost,
      );
      await browser.close();
      await server.close();
    });
  } finally {
    rmSync(path, { force: true });
  }
  return isGood ? 0 : 1;
}
