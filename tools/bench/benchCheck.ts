import { spawnSync } from "node:child_process";
import { closeSync, copyFileSync, mkdtempSync, openSync, readSync, rmSync, statSync, writeSync } from "node:fs";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { ROOT } from "../../host/state";
import { DEMO_SHOOT_ID } from "../../demo/recordings";
import { dropHour } from "../../e2e/hourFile";
import { makeFile, timed } from "./benchMeasure";
import { CHROMIUM_FLAGS, countFrames, drawn } from "./benchPage";
import { withDemo } from "./demoServer";
import { awake } from "../../e2e/shoot";

const CLI = join(ROOT, "hypophon");
/** Many tracks: at least half as fast as sox reads and decodes them. */
const TRACKS = 64;
const TRACKS_S = 60;
const TRACKS_SHARE = 0.5;
/** A browser's worker against one thread of the shell. */
const BROWSER_SHARE = 0.7;
const FIRST_LOOK_S = 3;
const FRAMES_A_SECOND = 58;
const ROUNDS = 2;

/** The same sound in a wide container: a ds64 chunk before the rest, the 32-bit sizes open. Source: EBU Tech 3306. */
function widened(wav: string, wide: string): void {
  copyFileSync(wav, wide);
  const head = Buffer.alloc(4096);
  const from = openSync(wav, "r");
  readSync(from, head, 0, head.length, 0);
  closeSync(from);
  const dataAt = head.indexOf("data");
  const size = statSync(wav).size;
  // What stands before the sound is moved up by the chunk; the first frames give way, which no bench minds.
  const ds64 = Buffer.alloc(36);
  ds64.write("ds64", 0);
  ds64.writeUInt32LE(28, 4);
  ds64.writeBigUInt64LE(BigInt(size - 8), 8);
  ds64.writeBigUInt64LE(BigInt(size - dataAt - 8 - 36), 16);
  const start = Buffer.concat([
    Buffer.from("RF64"),
    Buffer.alloc(4, 0xff),
    Buffer.from("WAVE"),
    ds64,
    head.subarray(12, dataAt + 8),
  ]);
  start.writeUInt32LE(0xffffffff, start.length - 4);
  const to = openSync(wide, "r+");
  writeSync(to, start, 0, start.length, 0);
  closeSync(to);
}

type Say = (says: string, isOk: boolean) => void;

function tracks(folder: string, say: Say): void {
  const [wav, wide] = [join(folder, "tracks.wav"), join(folder, "tracks.rf64")];
  const speech = join(ROOT, "demo", "recordings", "miller-granary.wav");
  const remix = Array.from({ length: TRACKS }, () => "1");
  const made = spawnSync("sox", [
    speech,
    "-b",
    "24",
    wav,
    "remix",
    ...remix,
    "repeat",
    "7",
    "trim",
    "0",
    String(TRACKS_S),
  ]);
  if (made.status !== 0) throw new Error(`sox could not make the tracks: ${made.stderr.toString()}`);
  widened(wav, wide);
  const runs = Array.from({ length: ROUNDS }, () => ({
    sox: timed("sox", [wav, "-n", "stats"]),
    own: timed(CLI, ["measure", wide, "--json"]),
  }));
  const sox = Math.min(...runs.map((run) => run.sox.seconds));
  const own = Math.min(...runs.map((run) => run.own.seconds));
  const peakMb = Math.max(...runs.map((run) => run.own.peakMb));
  say(
    `${TRACKS} tracks of ${TRACKS_S} s, RF64: measure ${own.toFixed(1)} s with every detector, sox stats ${sox.toFixed(1)} s, ${(sox / own).toFixed(2)} of its speed (${TRACKS_SHARE} wanted), peak ${peakMb.toFixed(0)} MB`,
    sox / own >= TRACKS_SHARE,
  );
  rmSync(wav);
  rmSync(wide);
}

/** Seconds from the choice of a file until it is measured, told by the page itself: asking from outside is coarse. */
async function measuredInPage(page: Page, file: string): Promise<number> {
  const measured = page.evaluate(
    (says) =>
      new Promise<number>((tell) => {
        let began = 0;
        let isUnderWay = false;
        document.addEventListener("change", () => (began = performance.now()), { once: true, capture: true });
        const observer = new MutationObserver(() => {
          const isSaid = document.querySelector("main")!.textContent.includes(says);
          if (isUnderWay && !isSaid) {
            observer.disconnect();
            tell((performance.now() - began) / 1000);
          }
          isUnderWay ||= isSaid;
        });
        observer.observe(document.body, { subtree: true, childList: true, characterData: true });
      }),
    `Measuring ${basename(file)}`,
  );
  await page.locator("input[type=file]").setInputFiles(file);
  return measured;
}

function measuredByThread(file: string): number {
  process.env["HYPOPHON_THREADS"] = "1";
  const { seconds } = timed(CLI, ["measure", file, "--json"]);
  delete process.env["HYPOPHON_THREADS"];
  return seconds;
}

/** What nine minutes more of sound take, so that neither the page nor the process is timed while it starts. */
async function browserWorker(page: Page, folder: string, say: Say): Promise<void> {
  const [ten, one] = [join(folder, "ten.wav"), join(folder, "one.wav")];
  makeFile(ten, 600, "speech");
  makeFile(one, 60, "speech");
  const least = { tenPage: Infinity, onePage: Infinity, tenShell: Infinity, oneShell: Infinity };
  for (let round = 0; round < ROUNDS + 1; round += 1) {
    least.onePage = Math.min(least.onePage, await measuredInPage(page, one));
    least.tenPage = Math.min(least.tenPage, await measuredInPage(page, ten));
    least.oneShell = Math.min(least.oneShell, measuredByThread(one));
    least.tenShell = Math.min(least.tenShell, measuredByThread(ten));
  }
  const [browser, shell] = [least.tenPage - least.onePage, least.tenShell - least.oneShell];
  say(
    `nine minutes of stereo more: a browser's worker ${browser.toFixed(1)} s, one thread of the shell ${shell.toFixed(1)} s, ${(shell / browser).toFixed(2)} of its speed (${BROWSER_SHARE} wanted); with starting, 10 min: ${least.tenPage.toFixed(1)} s and ${least.tenShell.toFixed(1)} s`,
    shell / browser >= BROWSER_SHARE,
  );
  // The take is open now: come closer and go along it.
  const drawing = page.getByRole("img", { name: /^Channel/ });
  await drawing.scrollIntoViewIfNeeded();
  const box = (await drawing.boundingBox())!;
  await countFrames(page);
  await page.mouse.move(box.x + box.width / 2, box.y + 80);
  const [began, before] = [Date.now(), await drawn(page)];
  await page.keyboard.down("Control");
  for (let step = 0; step < 60; step += 1) await page.mouse.wheel(0, -60);
  await page.keyboard.up("Control");
  await page.mouse.down();
  for (let step = 0; step < 120; step += 1)
    await page.mouse.move(box.x + box.width / 2 + 200 * Math.sin(step / 15), box.y + 80);
  await page.mouse.up();
  const rate = (1000 * ((await drawn(page)) - before)) / (Date.now() - began);
  say(`zoom and scroll of 10 min: ${rate.toFixed(0)} frames a second (60 wanted)`, rate >= FRAMES_A_SECOND);
}

async function firstLook(page: Page, say: Say): Promise<void> {
  await dropHour(page);
  const began = Date.now();
  await page.locator('canvas[data-seen="yes"]').waitFor({ timeout: 60_000 });
  const seconds = (Date.now() - began) / 1000;
  say(
    `one hour: its shape is there ${seconds.toFixed(1)} s after the drop (${FIRST_LOOK_S} wanted)`,
    seconds <= FIRST_LOOK_S,
  );
  await page.getByRole("button", { name: "Stop measuring" }).click();
}

/** Many tracks, the browser against the shell, the first shape of an hour, frames a second in a take. */
export async function benchCheck(): Promise<number> {
  const folder = mkdtempSync(join(tmpdir(), "hypophon-bench-"));
  let isGood = true;
  const say: Say = (says, isOk) => {
    isGood &&= isOk;
    process.stdout.write(`${isOk ? "ok  " : "FAIL"} ${says}\n`);
  };
  try {
    tracks(folder, say);
    await withDemo(async (address) => {
      const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: CHROMIUM_FLAGS });
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.goto(`${address}/shoots/${DEMO_SHOOT_ID}/check`);
      await awake(page);
      await firstLook(page, say);
      await browserWorker(page, folder, say);
      await browser.close();
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return isGood ? 0 : 1;
}
