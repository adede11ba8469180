import { execFileSync, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { expect, type Locator, type Page } from "@playwright/test";
import { shootFileOf } from "../core/records";
import { DEMO_LOG } from "../demo/log";
import { SLACK_WATER } from "../demo/slackWater";
import { bundleOf, stored } from "../fixtures/testShoot";
import { awake, expectSaved, goWithin, importShoot, startShoot } from "./shoot";
import { test } from "./test";

const folder = mkdtempSync(join(tmpdir(), "hypophon-handed-"));
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));
const at = (name: string) => join(folder, name);
const run = (program: string, ...args: string[]) => spawnSync(program, args, { encoding: "utf8" });
const tool = (name: string, ...args: string[]) =>
  run(process.execPath, join(process.cwd(), ".build", "cli", `${name}Tool.mjs`), ...args);

/** How far the recorder's clock is from the camera's, parts of a million. */
const DRIFT_PPM = 250;
const WORDS =
  "mill wheel gate water oak tenon quay sluice barley miller winter stone rope harbour tide flour dust ladder beam tooth".split(
    " ",
  );
/** Sentences none of which is said twice: lining up rightly refuses what repeats itself. */
const SAID = Array.from({ length: 48 }, (_, at) => {
  const word = (place: number) => WORDS[(7 * at + place * (3 + (at % 5))) % WORDS.length]!;
  return `The ${word(0)} and the ${word(1)} were ${at + 3} steps from the ${word(2)}, by the ${word(3)}.`;
}).join(" ");

test.beforeAll(() => {
  // Tests of one file may run at several times in one worker: after all of some is before the others.
  mkdirSync(folder, { recursive: true });
  execFileSync("espeak-ng", ["-v", "en", "-s", "150", "-w", at("said.wav"), SAID]);
  const room = `sox -R "${at("said.wav")}" -r 48000 -p synth pinknoise vol 0.0006`;
  const voice = `sox -R -m -v 0.4 "|sox '${at("said.wav")}' -r 48000 -p" -v 1 "|${room}" -b 24`;
  execFileSync("sh", ["-c", `${voice} "${at("all.wav")}"`]);
  execFileSync("sox", [at("all.wav"), at("true.wav"), "trim", "0", "100"]);
  // The recorder's clock runs fast: it takes more samples of the same sound.
  execFileSync("sox", [at("true.wav"), "-b", "24", at("T01.wav"), "speed", String(1 / (1 + DRIFT_PPM / 1e6))]);
  execFileSync("sh", [
    "-c",
    `sox -R "${at("all.wav")}" -p synth whitenoise vol 0.012 | sox -m -v 1 "${at("all.wav")}" -v 1 - -b 24 "${at("T02.wav")}" trim 105 20`,
  ]);
  const picture = ["-f", "lavfi", "-i", "testsrc=s=64x36:r=25", "-ss", "2", "-t", "97", "-i", at("true.wav")];
  const codecs = ["-c:v", "libx264", "-preset", "ultrafast", "-c:a", "aac", "-b:a", "96k", "-shortest"];
  execFileSync("ffmpeg", ["-nostdin", "-y", "-v", "error", ...picture, ...codecs, at("C01.mp4")]);
});

/** Files are saved as downloads, and folders are picked by name in the browser's own file system. */
async function withFolders(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const own = window as unknown as Record<string, unknown>;
    own["showSaveFilePicker"] = undefined;
    own["showDirectoryPicker"] = async () => {
      const name = String(own["folderToPick"]);
      return (await navigator.storage.getDirectory()).getDirectoryHandle(name, { create: true });
    };
  });
}

async function pick(page: Page, button: Locator, name: string): Promise<void> {
  await page.evaluate((wanted) => {
    (window as unknown as Record<string, unknown>)["folderToPick"] = wanted;
  }, name);
  await button.click();
}

/** Brings what was put into a folder to the disk; returns where. */
async function broughtOut(page: Page, name: string): Promise<string> {
  const files = await page.evaluate(async (wanted) => {
    const found: { path: string; url: string }[] = [];
    const urlOf = (file: File) =>
      new Promise<string>((resolve) => {
        const reader = new FileReader();
        reader.onload = () => resolve(reader.result as string);
        reader.readAsDataURL(file);
      });
    const walk = async (under: FileSystemDirectoryHandle, path: string): Promise<void> => {
      for await (const [own, handle] of under.entries())
        if (handle.kind === "directory") await walk(handle, `${path}${own}/`);
        else found.push({ path: path + own, url: await urlOf(await handle.getFile()) });
    };
    await walk(await (await navigator.storage.getDirectory()).getDirectoryHandle(wanted), "");
    return found;
  }, name);
  for (const { path, url } of files) {
    const to = join(folder, name, path);
    mkdirSync(dirname(to), { recursive: true });
    writeFileSync(to, Buffer.from(url.slice(url.indexOf(",") + 1), "base64"));
  }
  return join(folder, name);
}

/** What a press saves. */
async function saved(page: Page, button: Locator, name: string): Promise<string> {
  const [download] = await Promise.all([page.waitForEvent("download"), button.click()]);
  await download.saveAs(at(name));
  return at(name);
}

const button = (page: Page, name: string | RegExp) =>
  page.getByRole("button", { name, exact: typeof name === "string" });
const tab = (page: Page, name: string) => page.getByRole("tab", { name }).click();

interface Measured {
  channels: { noiseFloorDbfs: number; speechLevelDbfs: number }[];
}
const measured = (path: string) => (JSON.parse(tool("measure", path, "--json").stdout) as Measured).channels[0]!;

test("a day is handed over: matched, drift corrected, cleaned, cut, delivered, copied; a flipped bit is found", async ({
  page,
}) => {
  // Sound of several minutes is worked on, again and again.
  test.setTimeout(180_000);
  await withFolders(page);
  const roll = DEMO_LOG.rolls.find(({ body }) => body.slate === "1" && body.take === 4)!;
  const take = (number: number, name: string) =>
    stored<"roll">(roll.id.replace(/.$/, String(number)), {
      ...roll.body,
      ...{ take: number, rating: "good", fileName: `D1_S1_T0${number}` },
      files: [{ name, lengthS: 100, hash: null, isSure: true }],
    });
  const rolls = [take(1, "T01.wav"), take(2, "T02.wav")];
  const shoot = { ...bundleOf(SLACK_WATER), rolls };
  await importShoot(page, JSON.stringify(shootFileOf(shoot, [], "2027-05-11T07:00:00Z")));
  const board = new URL(page.url()).pathname;
  const state = (says: string) => page.getByRole("link", { name: `Hand over: ${says}`, exact: true });
  await expect(state("planned").first()).toBeVisible();
  await goWithin(page, `${board}/handover`);

  await page.locator("input[type=file]").setInputFiles(["C01.mp4", "T01.wav", "T02.wav"].map(at));
  const closeUp = page.getByRole("region", { name: "Close up" });
  await expect(closeUp.getByText(/ppm apart: \d+ ms by the end, out of lip sync/)).toBeVisible({ timeout: 60_000 });
  const resampled = await saved(page, button(page, "Save it resampled"), "resampled.wav");
  const told = JSON.parse(tool("sync", at("true.wav"), resampled, "--json").stdout) as {
    matches: { driftPpm: number | null }[];
  };
  expect(Math.abs(told.matches[0]!.driftPpm ?? 0)).toBeLessThan(10);
  await saved(page, button(page, "Save it cut in pauses"), "edited.wav");
  await expect(closeUp.getByText(/\d+ edits? in pauses\./)).toBeVisible();

  await tab(page, "Clean");
  await button(page, "T02.wav").click();
  await expect(page.getByText("T02.wav: cleaned no more than it needs.")).toBeVisible();
  await button(page, "After").click();
  await expect(page.getByRole("group", { name: "Before and after" })).toBeVisible();
  const clean = measured(await saved(page, button(page, "Save a clean copy"), "clean.wav"));
  expect(clean.noiseFloorDbfs).toBeLessThan(measured(at("T02.wav")).noiseFloorDbfs - 6);

  await tab(page, "Cut");
  await button(page, "Hear the cut").click();
  const edl = readFileSync(await saved(page, button(page, "Save as EDL"), "cut.edl"), "utf8");
  expect(edl).toMatch(/^001 {2}T02 {6}A {5}C {8}/m);
  await page.getByRole("list", { name: "Phrases" }).locator("label").first().click();
  await expect(page.getByText(/1 of \d+ phrases dropped/)).toBeVisible();
  // What was chosen stays while one looks at something else.
  await tab(page, "Deliver");
  await saved(page, button(page, /^Save at/), "delivered.wav");
  const { stderr } = run(
    "ffmpeg",
    "-nostdin",
    "-i",
    at("delivered.wav"),
    "-af",
    "ebur128=peak=true",
    "-f",
    "null",
    "-",
  );
  expect(
    Math.abs(Number(/I:\s+(\S+) LUFS\s+Threshold/.exec(stderr.slice(stderr.lastIndexOf("Summary")))![1]) + 23),
  ).toBeLessThan(0.3);
  await tab(page, "Cut");
  await expect(page.getByText(/1 of \d+ phrases dropped/)).toBeVisible();
  await saved(page, button(page, "Save the cut"), "cut.wav");
  expect(Number(run("soxi", "-D", at("cut.wav")).stdout)).toBeLessThan(20);

  await tab(page, "Hand over the day");
  await expect(page.getByText("Day 1: 2 takes to hand over, all files here.")).toBeVisible();
  await pick(page, button(page, "Folder"), "day");
  await pick(page, button(page, "Second copy"), "day again");
  await button(page, "Hand over day 1").click();
  await expect(page.getByText(/^Day 1 is handed over: \d+ files, .*, read back and compared\.$/)).toBeVisible();
  await expectSaved(page);
  const out = await broughtOut(page, "day");
  for (const list of ["manifest-sha256.txt", "tagmanifest-sha256.txt"])
    expect(spawnSync("sha256sum", ["-c", "--quiet", list], { cwd: out }).status).toBe(0);
  expect(readFileSync(join(out, "data/lists/matches.edl"), "utf8")).toContain("FROM CLIP NAME: D1_S1_T01.wav");
  expect(JSON.parse(readFileSync(join(out, "data/lists/matches.otio"), "utf8"))).toMatchObject({
    OTIO_SCHEMA: "Timeline.1",
  });
  expect(readFileSync(join(out, "data/README.txt"), "utf8")).toMatch(/C01\.mp4: sound \d+ ms (late|early) by the end/);
  const { stdout } = run(
    "ffprobe",
    "-v",
    "error",
    "-show_format",
    "-of",
    "json",
    join(out, "data/sound/D1_S1_T01.wav"),
  );
  expect(stdout).toContain("Slate 1, take 1");
  await goWithin(page, board);
  await expect(state("verified").first()).toBeVisible();

  // One bit of the second copy turns over.
  await goWithin(page, `${board}/handover?view=card`);
  await page.evaluate(async () => {
    const root = await (await navigator.storage.getDirectory()).getDirectoryHandle("day again");
    const sound = await (await root.getDirectoryHandle("data")).getDirectoryHandle("sound");
    const handle = await sound.getFileHandle("D1_S1_T02.wav");
    const bytes = new Uint8Array(await (await handle.getFile()).arrayBuffer());
    bytes[90_000]! ^= 1;
    const writable = await handle.createWritable();
    await writable.write(bytes);
    await writable.close();
  });
  await pick(page, button(page, "Verify an old copy"), "day");
  await expect(page.getByText(/^All \d+ files are what they were\.$/)).toBeVisible();
  await pick(page, button(page, "Verify an old copy"), "day again");
  await expect(page.getByText(/^1 file of \d+ is not what it was\.$/)).toBeVisible();
  await expect(page.getByText("data/sound/D1_S1_T02.wav in day again differs from its source.")).toBeVisible();
});

test("a card is copied to two folders and compared before it may be formatted; what is there is not written over", async ({
  page,
}) => {
  await withFolders(page);
  const id = await startShoot(page, "A card to copy");
  await page.goto(`/shoots/${id}/handover?view=card`);
  await awake(page);
  const card = readFileSync(at("T02.wav")).subarray(0, 400_000);
  await page.evaluate(
    async (bytes) => {
      const root = await (await navigator.storage.getDirectory()).getDirectoryHandle("CARD", { create: true });
      const day = await root.getDirectoryHandle("DAY1", { create: true });
      for (const name of ["A 01.wav", "A%02.wav"]) {
        const writable = await (await day.getFileHandle(name, { create: true })).createWritable();
        await writable.write(Uint8Array.from(bytes));
        await writable.close();
      }
    },
    [...card],
  );
  await pick(page, button(page, "Card"), "CARD");
  await expect(page.getByText("CARD: 2 files, 800 kB.")).toBeVisible();
  await expect(button(page, "Copy and compare")).toBeDisabled();
  await pick(page, button(page, "First copy"), "two");
  await pick(page, button(page, "Second copy"), "two");
  await button(page, "Copy and compare").click();
  await expect(page.getByText("Both copies would go into one folder. Choose two, on two disks.")).toBeVisible();
  await pick(page, button(page, "First copy"), "CARD");
  await button(page, "Copy and compare").click();
  await expect(page.getByText("A target lies on the card. Choose folders on other disks.")).toBeVisible();
  await pick(page, button(page, "First copy"), "one");
  await button(page, "Copy and compare").click();
  await expect(
    page.getByText("All 2 files (800 kB) are the same on both. This card may be formatted, in the recorder."),
  ).toBeVisible();
  for (const name of ["one", "two"]) {
    const out = await broughtOut(page, name);
    expect(readFileSync(join(out, "data/DAY1/A 01.wav")).equals(card)).toBe(true);
    expect(readFileSync(join(out, "manifest-sha256.txt"), "utf8")).toContain("data/DAY1/A%2502.wav");
  }
  await button(page, "Copy and compare").click();
  await expect(
    page.getByText("A target holds something else, or a finished copy. Choose an empty folder."),
  ).toBeVisible();
});

test("the report of a day with pages of notes prints, for a desk and for a phone", async ({ page }) => {
  // Laying out that many pages takes a busy machine a minute.
  test.setTimeout(120_000);
  const [first] = DEMO_LOG.rolls;
  const rolls = Array.from({ length: 20 }, (_, at) =>
    stored<"roll">(`51ac0000-0000-4000-8000-0000009${String(at).padStart(5, "0")}`, { ...first!.body, take: at + 1 }),
  );
  const marks = rolls.flatMap(({ id }, take) =>
    Array.from({ length: 25 }, (_, at) =>
      stored<"mark">(`51ac0000-0000-4000-8000-00000a${String(25 * take + at).padStart(6, "0")}`, {
        ...{ ...DEMO_LOG.marks[0]!.body, rollId: id, atS: at, kind: "wind", note: "gusts from the east; ".repeat(20) },
      }),
    ),
  );
  const text = JSON.stringify(shootFileOf({ ...bundleOf(SLACK_WATER), rolls, marks }, [], "2027-05-11T07:00:00Z"));
  await importShoot(page, text);
  const board = new URL(page.url()).pathname;
  for (const size of ["a4", "phone"]) {
    const answer = await page.request.get(`${board}/report.pdf?day=1&size=${size}`);
    expect([size, answer.status()]).toEqual([size, 200]);
    writeFileSync(at("report.pdf"), await answer.body());
    const pages = Number(/Pages:\s+(\d+)/.exec(run("pdfinfo", at("report.pdf")).stdout)![1]);
    expect(pages).toBeGreaterThan(8);
    // The last of it is there, and each page has its number.
    expect(run("pdftotext", at("report.pdf"), "-").stdout).toContain(`page ${pages} of ${pages}`);
  }
});
