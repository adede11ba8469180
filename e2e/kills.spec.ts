import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, expect, type APIRequestContext, type Page } from "@playwright/test";
import type { Change } from "../core/records";
import { localPostgres, type LocalPostgres } from "../host/postgres";
import { migrateDatabase } from "../db/migrate";
import { freePort, WebProcess } from "../tools/webProcess";
import { CHROMIUM } from "./browser";
import { long } from "./long";
import { awake, expectSaved, startHere } from "./shoot";
import { test } from "./test";

const ROOT = join(import.meta.dirname, "..");
/** So often each is killed; the long run does it twenty times. */
const TIMES = process.env["HYPOPHON_LONG"] ? 20 : 1;

test.describe.configure({ mode: "serial" });
test.setTimeout(120_000 + TIMES * 30_000);

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
/** Moments that are different each time. */
const anyMoment = () => pause(50 + Math.random() * 1200);

async function openPlace(page: Page, address: string): Promise<string> {
  await page.goto(`${address}/`);
  await awake(page);
  await startHere(page, "Killed");
  await page.getByRole("button", { name: "Add place" }).click();
  await expectSaved(page);
  return /shoots\/([0-9a-f-]+)/.exec(page.url())![1]!;
}

async function widthAt(request: APIRequestContext, address: string, id: string): Promise<number> {
  const answer = await request.get(`${address}/api/shoots/${id}/records?since=0`);
  const { records } = (await answer.json()) as { records: Change[] };
  return (records.find(({ kind }) => kind === "place")!.body as { model: { widthM: number } }).model.widthM;
}

const width = (page: Page) => page.getByLabel("Width");
const saysSaved = async (page: Page) =>
  (await page
    .getByRole("banner")
    .getByRole("status")
    .textContent({ timeout: 1000 })
    .catch(() => "")) === "All saved";

/** Types rising widths, and remembers the last one that the page called saved. */
class Typing {
  typed = 0;
  saved = 0;

  constructor(private readonly page: Page) {}

  async until(done: Promise<void>, round: number): Promise<void> {
    let isOver = false;
    const ended = () => {
      isOver = true;
    };
    done.then(ended, ended);
    for (let step = 1; (!isOver || step < 4) && step < 30; step += 1) {
      this.typed = Number((1 + round * 0.3 + step / 100).toFixed(2));
      await width(this.page).fill(String(this.typed));
      await pause(Math.random() * 700);
      // Nothing was typed since.
      if (await saysSaved(this.page)) this.saved = this.typed;
    }
    await done;
  }
}

/** One round: typing, a kill in the midst of it, and what must be there afterwards. */
async function round(
  page: Page,
  typing: Typing,
  at: number,
  kill: () => Promise<void>,
  widthNow: () => Promise<number>,
) {
  const killed = (async () => {
    await anyMoment();
    const { saved } = typing;
    await kill();
    expect(await widthNow()).toBeGreaterThanOrEqual(saved);
  })();
  await typing.until(killed, at);
  await expect(page.getByRole("banner").getByRole("status")).toHaveText("All saved", { timeout: 40_000 });
  expect(await widthNow()).toBe(typing.typed);
}

long(
  "the web server is killed in the midst of saving: what was called saved is there, and what was typed",
  async ({ page, request }) => {
    const urls = { web: process.env["HYPOPHON_TEST_URL"]!, owner: process.env["HYPOPHON_TEST_OWNER_URL"]! };
    const web = new WebProcess(urls, await freePort());
    await web.start();
    try {
      const id = await openPlace(page, web.address);
      const typing = new Typing(page);
      for (let at = 1; at <= TIMES; at += 1)
        await round(
          page,
          typing,
          at,
          async () => {
            await web.kill();
            await anyMoment();
            await web.start();
          },
          () => widthAt(request, web.address, id),
        );
      await page.reload();
      await awake(page);
      await expectSaved(page);
    } finally {
      await web.kill();
    }
  },
);

long(
  "PostgreSQL is killed in the midst of saving: what was called saved is there, and what was typed",
  async ({ page, request }) => {
    const state = mkdtempSync(join(tmpdir(), "hypophon-kills-"));
    spawnSync("chmod", ["755", state]);
    let postgres: LocalPostgres = await localPostgres(state);
    const data = join(state, "postgres", "data");
    const urls = await postgres.databaseUrls("killed");
    await migrateDatabase(urls.owner, join(ROOT, "db", "migrations"), "hypophon_web");
    const web = new WebProcess(urls, await freePort());
    await web.start();
    try {
      const id = await openPlace(page, web.address);
      const typing = new Typing(page);
      const killPostgres = async () => {
        const pid = Number(readFileSync(join(data, "postmaster.pid"), "utf8").split("\n")[0]);
        process.kill(pid, "SIGKILL");
        while (existsSync(`/proc/${pid}`)) await pause(20);
        await anyMoment();
        await expect(async () => {
          // Its children may not have ended yet.
          postgres = await localPostgres(state);
        }).toPass();
        // The same port: the web process knows no other.
        expect((await postgres.databaseUrls("killed")).web).toBe(urls.web);
      };
      for (let at = 1; at <= TIMES; at += 1)
        await round(page, typing, at, killPostgres, () => widthAt(request, web.address, id));
    } finally {
      await web.kill();
      await postgres.release();
      rmSync(state, { recursive: true, force: true });
    }
  },
);

/** A browser of its own on a profile that stays when it is killed. */
async function openBrowser(profile: string) {
  rmSync(join(profile, "DevToolsActivePort"), { force: true });
  const child = spawn(
    CHROMIUM,
    [
      ...["--headless=new", "--remote-debugging-port=0", `--user-data-dir=${profile}`, "--no-first-run"],
      ...["--disable-quic", "--disable-background-networking", "--disable-component-update", "--disable-sync"],
      ...(process.getuid?.() === 0 ? ["--no-sandbox"] : []),
      "about:blank",
    ],
    { stdio: "ignore", detached: true },
  );
  const portFile = join(profile, "DevToolsActivePort");
  while (!existsSync(portFile) || readFileSync(portFile, "utf8").split("\n").length < 2) await pause(50);
  const browser = await chromium.connectOverCDP(`http://127.0.0.1:${readFileSync(portFile, "utf8").split("\n")[0]}`);
  const context = browser.contexts()[0]!;
  const page = context.pages()[0] ?? (await context.newPage());
  return {
    page,
    async kill() {
      const ended = new Promise((resolve) => child.once("exit", resolve));
      // With all of its own.
      process.kill(-child.pid!, "SIGKILL");
      await ended;
    },
  };
}

/** So often a browser is killed while a take is logged. */
const TAKE_KILLS = 200;

long(
  "the browser is killed while a take is logged: no take and no mark that was on the screen is lost",
  async ({ baseURL }) => {
    test.setTimeout(60_000 + TAKE_KILLS * 8_000);
    const profile = mkdtempSync(join(tmpdir(), "hypophon-browser-"));
    try {
      let browser = await openBrowser(profile);
      const id = await openPlace(browser.page, baseURL!);
      const marks = () => browser.page.getByRole("list", { name: "Marks" }).getByRole("listitem");
      const takes = () => browser.page.getByRole("list", { name: "Takes" }).getByRole("listitem");
      const open = async () => {
        await browser.page.goto(`${baseURL}/shoots/${id}/roll`);
        await awake(browser.page);
        await browser.page.route("**/api/commands", (route) =>
          Math.random() < 0.5 ? route.abort() : route.continue(),
        );
      };
      await open();
      let [seenTakes, seenMarks] = [0, 0];
      for (let at = 1; at <= TAKE_KILLS; at += 1) {
        const start = browser.page.getByRole("button", { name: "Start take" });
        if (at % 5 === 1) {
          const stop = browser.page.getByRole("button", { name: "Stop", exact: true });
          if (await stop.isVisible()) await stop.click();
          await start.click();
          seenMarks = 0;
          seenTakes += 1;
        }
        const pad = browser.page.getByRole("group", { name: "Mark now" });
        for (let press = 0; press < 3; press += 1) {
          await pad
            .getByRole("button")
            .nth(Math.floor(Math.random() * 10))
            .click();
          seenMarks += 1;
        }
        const shown = Math.min(4, seenMarks);
        await expect(marks()).toHaveCount(shown);
        // Kept on the device within a tenth of a second.
        await pause(100 + Math.random() * 400);
        await browser.kill();
        browser = await openBrowser(profile);
        await open();
        await expect(takes()).toHaveCount(Math.min(seenTakes, 18), { timeout: 15_000 });
        await expect(marks()).toHaveCount(shown);
      }
      await browser.kill();
    } finally {
      rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
    }
  },
);

test("the browser is killed within three seconds of typing: the text is there again, whether the server is or not", async ({
  baseURL,
}) => {
  const profile = mkdtempSync(join(tmpdir(), "hypophon-browser-"));
  const address = baseURL!;
  try {
    let browser = await openBrowser(profile);
    const id = await openPlace(browser.page, address);
    for (let at = 1; at <= TIMES; at += 1) {
      // Nothing reaches the server: it must have been kept here.
      await browser.page.route("**/api/commands", (route) => route.abort());
      const typed = String(Number((2 + at / 10).toFixed(1)));
      await width(browser.page).fill(typed);
      // As soon as the page has had time to write; strict durability answers for the rest.
      await pause(at === 1 ? 2500 : 250 + Math.random() * 2500);
      await browser.kill();
      browser = await openBrowser(profile);
      await browser.page.goto(`${address}/shoots/${id}/scout`);
      await awake(browser.page);
      await expect(width(browser.page)).toHaveValue(typed);
      await expectSaved(browser.page);
    }
    await browser.kill();
  } finally {
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  }
});
