import { randomUUID } from "node:crypto";
import { join } from "node:path";
import { chromium, type Browser, type Page } from "@playwright/test";
import type { Changes } from "../../core/records";
import { migrateDatabase } from "../../db/migrate";
import { localPostgres, WEB_ROLE, type DatabaseUrls } from "../../host/postgres";
import { TEST_STATE_DIR } from "../../host/state";
import { MIGRATIONS } from "../../host/databases";
import { ROOT } from "../../host/state";
import { webBuild } from "../../host/webBuild";
import { serveWeb } from "../../host/webServer";
import { CREATOR, ENGINEER, MILLER, SINGER } from "../../demo/slackWater";
import { DEMO_SHOOT_ID } from "../../demo/recordings";
import { hearing, heardFile } from "../../e2e/fakeMicrophone";
import { quietThenVoiceWav } from "../../e2e/sounds";
import { WebProcess } from "../webProcess";
import { CHROMIUM_FLAGS } from "./benchPage";
import { awake } from "../../e2e/shoot";

interface Picture {
  name: string;
  path: string;
  width?: number;
  height?: number;
  ground?: "day" | "dark";
  prepare?: (page: Page) => Promise<void>;
}

const shoot = (screen: string, wearer = MILLER) => `/shoots/${DEMO_SHOOT_ID}/${screen}?wearer=${wearer}`;

const PICTURES: readonly Picture[] = [
  { name: "shoots", path: "/" },
  { name: "board", path: `/shoots/${DEMO_SHOOT_ID}` },
  { name: "scout", path: shoot("scout"), height: 1000 },
  {
    name: "pickup",
    path: `/shoots/${DEMO_SHOOT_ID}/pickup?scene=51ac0000-0000-4000-8000-000000000026`,
    height: 1000,
    prepare: (page) => page.getByRole("radiogroup", { name: "Ways, best first" }).waitFor(),
  },
  {
    name: "roll",
    path: `/shoots/${DEMO_SHOOT_ID}/roll?scene=51ac0000-0000-4000-8000-000000000022`,
    prepare: async (page) => {
      await page.getByRole("button", { name: "Start take" }).click();
      await page.getByRole("group", { name: "Mark now" }).getByRole("button", { name: /Wind/ }).click();
      await page
        .getByRole("group", { name: "Mark now" })
        .getByRole("button", { name: /Aircraft/ })
        .click();
    },
  },
  {
    name: "handover",
    path: `/shoots/${DEMO_SHOOT_ID}/handover`,
    prepare: async (page) => {
      await page.getByRole("button", { name: "Two cameras and the recorder" }).click();
      await page.locator("path[data-of=sound]").waitFor();
    },
  },
  { name: "link", path: `/shoots/${DEMO_SHOOT_ID}/link`, height: 1100 },
  { name: "cables", path: `/shoots/${DEMO_SHOOT_ID}/link?view=cables&link=house-desk`, height: 1000 },
  {
    name: "pairing",
    path: `/shoots/${DEMO_SHOOT_ID}/link?view=pair&link=${ENGINEER}`,
    height: 1250,
    prepare: async (page) => {
      const walk = page.getByRole("region", { name: "Walk" });
      for (const step of ["Reset", "Scan", "Tune", "Sync", "Confirm", "Connect", "Arm"]) {
        await page.getByRole("list", { name: "Steps" }).getByRole("button", { name: step }).click();
        await walk.getByRole("button", { name: "Show me" }).click();
        await walk.getByRole("button", { name: "Rehearsed", exact: true }).click();
      }
      await page.getByRole("list", { name: "Steps" }).getByRole("button", { name: "Loudest line" }).click();
      await walk.getByRole("button", { name: "Show me" }).click();
      await walk.getByText("The loudest line", { exact: true }).click();
    },
  },
  { name: "dress", path: shoot("dress") },
  { name: "kit", path: `/shoots/${DEMO_SHOOT_ID}/kit?day=3` },
  { name: "day", path: `/shoots/${DEMO_SHOOT_ID}/day` },
  {
    name: "level",
    path: shoot("level", ENGINEER),
    height: 1200,
    prepare: (page) => page.getByRole("img", { name: /^Levels at/ }).waitFor(),
  },
  {
    name: "meter",
    path: `${shoot("level", CREATOR)}&view=meter`,
    height: 900,
    prepare: async (page) => {
      await page.getByRole("button", { name: "Start the meter" }).click();
      for (const step of ["Record room tone", "Record the noise"]) {
        await page.getByRole("button", { name: step }).click();
        await page.waitForTimeout(1500);
        await page.getByRole("button", { name: "Stop", exact: true }).click();
      }
      await page.waitForTimeout(10_000);
      await page.getByRole("button", { name: "Record the loudest line" }).click();
      await page.waitForTimeout(4000);
      await page.getByRole("button", { name: "Stop", exact: true }).click();
    },
  },
  {
    name: "check",
    path: shoot("check", MILLER),
    height: 1000,
    prepare: async (page) => {
      await page.getByRole("button", { name: /^Card of/ }).click();
      await page.getByText(/^21 of 21 files checked/).waitFor({ timeout: 180_000 });
      await page.getByRole("button", { name: /^Keep 21 takes/ }).click();
      await page.getByRole("button", { name: /^SLACK_WATER.*T05_Tam/ }).click();
      await page.getByRole("list", { name: "Findings" }).waitFor();
      await page.waitForTimeout(1500);
    },
  },
  { name: "board-dark", path: `/shoots/${DEMO_SHOOT_ID}`, ground: "dark" },
  { name: "board-phone", path: `/shoots/${DEMO_SHOOT_ID}`, width: 390, height: 844 },
];

const posting = (body: object): RequestInit => ({
  method: "POST",
  headers: { "content-type": "application/json" },
  body: JSON.stringify(body),
});

/** The page of a talent's link, on a phone. */
async function takeTalentCard(browser: Browser, address: string): Promise<void> {
  const records = (await (await fetch(`${address}/api/shoots/${DEMO_SHOOT_ID}/records?since=0`)).json()) as Changes;
  const rig = records.records.find(
    ({ kind, body }) => kind === "rig" && (body as { wearerId: string }).wearerId === SINGER,
  )!;
  const made = await fetch(`${address}/api/talent/link`, posting({ shootId: DEMO_SHOOT_ID, rigId: rig.id }));
  const { token } = (await made.json()) as { token: string };
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await page.goto(`${address}/t/${token}`);
  await page.getByRole("region", { name: "Your answer" }).waitFor();
  await page.screenshot({ path: join(ROOT, "docs", "screenshots", "talent-phone.png") });
  await page.close();
  process.stdout.write("talent-phone.png\n");
}

/** The crew page, on a server where people sign in. */
async function takeCrew(browser: Browser, urls: DatabaseUrls): Promise<void> {
  const environment = { HYPOPHON_SECRET: randomUUID() };
  const web = new WebProcess(urls, 4690, [], { args: ["--accounts"], environment });
  await web.start();
  const signUp = async (name: string, link: string) => {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto(link);
    if (!link.includes("join=")) await page.getByRole("button", { name: "New account" }).click();
    await page.getByRole("textbox", { name: "Name" }).fill(name);
    await page.getByRole("textbox", { name: "E-mail" }).fill(`${name.toLowerCase()}@example.org`);
    await page.getByRole("textbox", { name: "Password" }).fill(randomUUID());
    await page.getByRole("button", { name: "Make account" }).click();
    await awake(page);
    return page;
  };
  const owner = await signUp("Olin", `${web.address}/sign-in`);
  for (const name of ["Asta", "Gwen"]) {
    await owner.goto(`${web.address}/crew`);
    await owner.getByRole("button", { name: "Make a link" }).click();
    const link = await owner.getByRole("dialog").locator("code").textContent();
    await signUp(name, link!);
  }
  await owner.goto(`${web.address}/crew`);
  await owner.getByRole("group", { name: "Your devices" }).getByText("this one").waitFor();
  await owner.screenshot({ path: join(ROOT, "docs", "screenshots", "crew.png") });
  await web.kill("SIGTERM");
  process.stdout.write("crew.png\n");
}

/** Takes the pictures of docs/screenshots anew, from the demo shoot in a database of its own. */
export async function takePictures(): Promise<number> {
  const postgres = await localPostgres(TEST_STATE_DIR);
  const database = `pictures_${randomUUID().slice(0, 8)}`;
  try {
    const urls = await postgres.freshDatabaseUrls(database);
    await migrateDatabase(urls.owner, MIGRATIONS, WEB_ROLE);
    const web = await serveWeb({ distDir: await webBuild(), databaseUrl: urls.web, preferredPort: 4680 });
    await fetch(`${web.address}/api/demo`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: "{}",
    });
    const { executablePath, args } = hearing(heardFile("pictures", quietThenVoiceWav(9, 40, -17)));
    const browser = await chromium.launch({ executablePath, args: [...CHROMIUM_FLAGS, ...args] });
    for (const { name, path, width = 1280, height = 800, ground = "day", prepare } of PICTURES) {
      const context = await browser.newContext({ viewport: { width, height }, reducedMotion: "reduce" });
      await context.addCookies([{ name: "ground", value: ground, url: web.address }]);
      const page = await context.newPage();
      await page.goto(`${web.address}${path}`);
      await awake(page);
      await prepare?.(page);
      await page.waitForTimeout(700);
      await page.screenshot({ path: join(ROOT, "docs", "screenshots", `${name}.png`) });
      await context.close();
      process.stdout.write(`${name}.png\n`);
    }
    await takeTalentCard(browser, web.address);
    await takeCrew(browser, urls);
    await browser.close();
    await web.close();
    return 0;
  } finally {
    await postgres.dropDatabase(database);
    await postgres.release();
  }
}
