import { randomUUID } from "node:crypto";
import { chromium, type Page } from "@playwright/test";
import { DEMO_LOG } from "../../demo/log";
import { openDatabase } from "../../db/client";
import { DEMO_SHOOT_ID } from "../../demo/recordings";
import { awake } from "../../e2e/shoot";
import { type ActingCrew, localCrew } from "../../server/crew";
import { createRecord } from "../../server/records";
import { BEGAN, CHROMIUM_FLAGS, countFrames, drawn, judge, SHOWN, timesOf } from "./benchPage";
import { withDemo } from "./demoServer";

const TAKES = 300;
/** Marks of a busy day, and of one on which somebody leant on a key. */
const MARKS = 1000;
const MANY_MARKS = 10_000;
const KEPT_LIMIT_MS = 100;
const GATE = "51ac0000-0000-4000-8000-000000000022";

/** A day of many takes in the demo shoot, made from one that is there; what adds marks to them. */
async function fillLog(url: string): Promise<(count: number) => Promise<void>> {
  const pattern = DEMO_LOG.rolls.find(({ body }) => body.sceneId === GATE)!.body;
  const began = Date.parse(pattern.startedAt);
  const takes = Array.from({ length: TAKES }, () => randomUUID());
  const write = async (act: (acting: ActingCrew) => Promise<void>) => {
    const { database, pool } = openDatabase(url);
    try {
      await act(await localCrew(database));
    } finally {
      await pool.end();
    }
  };
  await write(async (acting) => {
    for (const [at, id] of takes.entries())
      await createRecord(acting, "roll", id, {
        ...{ ...pattern, slate: "9", take: at + 1, startedAt: new Date(began + at * 60_000).toISOString() },
        ...{ lengthS: 40, fileName: "", files: [] },
      });
  });
  return (count) =>
    write(async (acting) => {
      for (let at = 0; at < count; at += 1)
        await createRecord(acting, "mark", randomUUID(), {
          ...{ shootId: DEMO_SHOOT_ID, rollId: takes[at % TAKES]!, atS: (at * 7) % 40, kind: "wind", trackId: null },
          ...{ note: "", source: "pressed", isProposal: false },
        });
    });
}

/** From here on the page notes when a write to the device has ended that began after a press. */
const watchKept = (page: Page) =>
  page.addInitScript(() => {
    const kept: number[] = [];
    const pressed = { at: Infinity };
    Object.assign(window, { kept, pressed });
    const { value: transaction } = Object.getOwnPropertyDescriptor(IDBDatabase.prototype, "transaction") as {
      value: (this: IDBDatabase, ...args: Parameters<IDBDatabase["transaction"]>) => IDBTransaction;
    };
    IDBDatabase.prototype.transaction = function (...args) {
      const made = transaction.apply(this, args);
      if (args[1] === "readwrite" && pressed.at < Infinity) {
        const since = pressed.at;
        pressed.at = Infinity;
        made.addEventListener("complete", () => kept.push(performance.now() - since));
      }
      return made;
    };
  });

const PRESSES_A_ROUND = 6;
/** Which presses of a round are what. */
const PRESSES: Record<string, readonly number[]> = { start: [0], mark: [1, 2, 3, 4], stop: [5] };

/** Start, marks and stop, some times over. */
const pressAll = (page: Page) =>
  page.evaluate(
    async ([began, shown]) => {
      const named = (name: string) =>
        [...document.querySelectorAll("button")].find((each) => each.textContent.trim() === name)!;
      const pad = () => document.querySelectorAll<HTMLButtonElement>('[aria-label="Mark now"] button');
      const press = async (button: HTMLButtonElement) => {
        await new Promise((resolve) => setTimeout(resolve, 700));
        (window as unknown as { pressed: { at: number } }).pressed.at = performance.now();
        performance.mark(began);
        button.click();
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
        performance.mark(shown);
      };
      for (let round = 0; round < 6; round += 1) {
        await press(named("Start take"));
        for (let mark = 0; mark < 4; mark += 1) await press(pad()[mark]!);
        await press(named("Stop"));
      }
      await new Promise((resolve) => setTimeout(resolve, 700));
    },
    [BEGAN, SHOWN] as const,
  );

const SCROLL_S = 3;

/** Frames a second while the list of takes is scrolled from end to end. */
async function scrollTakes(page: Page): Promise<number> {
  await countFrames(page);
  const [began, before] = [Date.now(), await drawn(page)];
  await page.evaluate(async (seconds) => {
    const box = document.querySelector('[aria-label="Takes"]')!.parentElement!;
    const start = performance.now();
    await new Promise<void>((resolve) => {
      const step = () => {
        const share = (performance.now() - start) / (seconds * 1000);
        box.scrollTop = (box.scrollHeight - box.clientHeight) * Math.min(1, share);
        if (share < 1) requestAnimationFrame(step);
        else resolve();
      };
      step();
    });
  }, SCROLL_S);
  return ((await drawn(page)) - before) / ((Date.now() - began) / 1000);
}

/** One log of so many marks: how it opens, what presses take, how it scrolls; true within the limits. */
async function measureLog(page: Page, address: string, marks: number): Promise<boolean> {
  const opened = Date.now();
  await page.goto(`${address}/shoots/${DEMO_SHOOT_ID}/roll?scene=${GATE}`);
  await awake(page);
  await page.getByRole("list", { name: "Takes" }).getByRole("listitem").first().waitFor();
  process.stdout.write(`${TAKES} takes, ${marks} marks: Roll opens in ${Date.now() - opened} ms\n`);
  await page.waitForTimeout(3000);
  const times = await timesOf(page, () => pressAll(page));
  const isQuick = judge("start, mark and stop to the screen", times);
  for (const [what, of] of Object.entries(PRESSES)) {
    const own = times.ownMs.filter((_, at) => of.includes(at % PRESSES_A_ROUND)).toSorted((one, other) => one - other);
    process.stdout.write(
      `  ${what}: own time median ${own[own.length >> 1]!.toFixed(0)}, worst ${own.at(-1)!.toFixed(0)} ms\n`,
    );
  }
  const kept = (await page.evaluate(() => (window as unknown as { kept: number[] }).kept)).toSorted(
    (one, other) => one - other,
  );
  const middle = kept[kept.length >> 1] ?? Infinity;
  const framesPerS = await scrollTakes(page);
  process.stdout.write(
    `kept on the device: ${kept.length} presses, median ${middle.toFixed(0)}, worst ${kept.at(-1)?.toFixed(0)} ms (at most ${KEPT_LIMIT_MS})\n` +
      `list of takes scrolled: ${framesPerS.toFixed(0)} frames/s\n`,
  );
  return isQuick && middle <= KEPT_LIMIT_MS && framesPerS >= 55;
}

/** What Roll does on a day of 300 takes, with the marks of a busy day and with ten times as many. */
export async function benchRollScreen(): Promise<boolean> {
  let isGood = false;
  await withDemo(async (address, url) => {
    const addMarks = await fillLog(url);
    await addMarks(MARKS);
    const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: CHROMIUM_FLAGS });
    try {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await watchKept(page);
      isGood = await measureLog(page, address, MARKS);
      await addMarks(MANY_MARKS - MARKS);
      // What that many take is told, and is no limit.
      await measureLog(page, address, MANY_MARKS);
    } finally {
      await browser.close();
    }
  });
  return isGood;
}
