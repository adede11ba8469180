import { copyFileSync, mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page } from "@playwright/test";
import { long } from "./long";
import { CARD } from "../demo/card";
import { CARD_FILES, DEMO_SHOOT_ID, demoId } from "../demo/recordings";
import { kindName } from "../messages";
import { bytesSource, readFrames, readWavHeader, toWav } from "../core/audio";
import { listenIn } from "./heard";
import { awake } from "./shoot";
import { staysSo, untilStill } from "./staysSo";
import { dropHour } from "./hourFile";
import { test } from "./test";

const RECORDINGS = ["miller-granary.wav", "engineer-quay.wav", "singer-hall.wav"].map(
  (file) => `demo/recordings/${file}`,
);
const note = { name: "notes.txt", mimeType: "text/plain", buffer: Buffer.from("not a sound") };
const broken = { name: "broken ‘ü’ #1.wav", mimeType: "audio/wav", buffer: Buffer.from("RIFF????WAVE") };

const cardTable = (page: Page) => page.getByRole("group", { name: "Files of the card" });

long("the demo's card comes out right, goes to its wearers, and the day shows it", async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
  await page.getByRole("button", { name: `Card of ${CARD_FILES.length}` }).click();
  await expect(page.getByText(`${CARD_FILES.length} of ${CARD_FILES.length} files checked`)).toBeVisible({
    timeout: 150_000,
  });
  const faulty = CARD_FILES.filter((file) => CARD[file].fault !== null);
  expect(faulty.length).toBeGreaterThanOrEqual(12);
  expect(CARD_FILES.length - faulty.length).toBeGreaterThanOrEqual(4);
  for (const file of CARD_FILES) {
    const { fault } = CARD[file];
    const row = cardTable(page).getByRole("row", { name: new RegExp(file) });
    // The fault that is in it, and nothing that it might be taken for.
    const says = fault ? `: ${kindName(fault)}( ×\\d+)?` : "good: clean";
    await expect(row.getByText(new RegExp(`${says}$`))).toBeVisible();
  }
  await page.getByRole("button", { name: `Keep ${CARD_FILES.length} takes with their talent` }).click();
  await expect(page.getByText(`${CARD_FILES.length} takes kept with their talent`)).toBeVisible();
  await expect(page.getByText("D1_S01_T05_Tam.wav: usable")).toBeVisible();
  await expect(page.getByRole("heading", { name: "Over the day" })).toBeVisible();
  await expect(page.getByRole("group", { name: "Rustle and dropouts over the day" })).toContainText("09:52");
});

test("a card of several files is checked, sorted and opened", async ({ page }) => {
  await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
  const input = page.locator("input[type=file]");
  await input.setInputFiles([...RECORDINGS]);
  const table = cardTable(page);
  await expect(page.getByText("3 of 3 files checked")).toBeVisible({ timeout: 60_000 });
  await expect(table.getByRole("row", { name: /singer-hall.*redo: Clipped/ })).toBeVisible();
  await expect(table.getByRole("row", { name: /engineer-quay.*redo: Noisy/ })).toBeVisible();
  await expect(table.getByRole("row", { name: /miller-granary.*good: clean/ })).toBeVisible();

  await input.setInputFiles([note, broken]);
  await expect(page.getByText("4 of 4 files checked, 1 that are no sound left out")).toBeVisible();
  await expect(table.getByRole("row", { name: /broken ‘ü’ #1/ })).toContainText("no format block");

  await table.getByRole("button", { name: "Verdict" }).click();
  await expect(table.locator("tbody tr").first()).toContainText("broken");
  await page.getByRole("radiogroup", { name: "Show" }).getByText("redo").click();
  await expect(table.locator("tbody tr")).toHaveCount(2);
  await page.getByLabel("Name has").fill("singer");
  await expect(table.locator("tbody tr")).toHaveCount(1);
  await table.getByRole("button", { name: "singer-hall.wav" }).click();
  await expect(page.getByText("Clipped on loud syllables").first()).toBeVisible();
  const listen = page.getByRole("button", { name: /Listen to clipped at 0:00/ });
  await listen.click();
  await expect(listen).toContainText("■");
  await listen.click();
  await expect(listen).toContainText("▶");
});

long("an hour on a card is watched, stopped in its midst and gone on with from there, and closed", async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
  await awake(page);
  await dropHour(page, true);
  const row = cardTable(page).getByRole("row", { name: /hour.wav/ });
  await expect(row).toContainText(/[1-9]\d? %/, { timeout: 90_000 });
  await page.getByRole("button", { name: "Stop", exact: true }).click();
  await expect(row).toContainText(/%, stopped/);
  // Once it is measured no share is told any more.
  const shareOf = async () => Number(/(\d+) %/.exec((await row.textContent())!)?.[1] ?? 100);
  // What was under way when it was stopped may still be told.
  const stoppedAt = await untilStill(shareOf, 600);
  await staysSo(shareOf, stoppedAt, 1500);
  await page.getByRole("button", { name: "Go on" }).click();
  await expect(row).not.toContainText("stopped");
  await expect.poll(shareOf, { timeout: 60_000 }).toBeGreaterThan(stoppedAt);
  await page.getByRole("button", { name: "Close the card" }).click();
  await expect(cardTable(page)).toHaveCount(0);
  await expect(page.getByText("Drop a take here, or a whole card")).toBeVisible();
});

test("a card that is pulled in the midst of a file says so, and the rest goes on", async ({ page }) => {
  test.setTimeout(120_000);
  const card = mkdtempSync(join(tmpdir(), "hypophon-card-"));
  try {
    const [long, changed, short] = ["long.wav", "changed.wav", "short.wav"].map((name) => join(card, name)) as [
      string,
      string,
      string,
    ];
    // An hour of silence that takes no room: a header, and a hole.
    const header = toWav([new Float32Array(0), new Float32Array(0)], { sampleRateHz: 48000, bits: 24 });
    const bytes = 3600 * 48000 * 6;
    new DataView(header.buffer, header.byteOffset).setUint32(4, 36 + bytes, true);
    new DataView(header.buffer, header.byteOffset).setUint32(40, bytes, true);
    writeFileSync(long, header);
    truncateSync(long, header.length + bytes);
    copyFileSync("demo/recordings/engineer-quay.wav", changed);
    copyFileSync("demo/recordings/miller-granary.wav", short);
    await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
    await page.locator("input[type=file]").setInputFiles([long, changed, short]);
    const row = (name: string) => cardTable(page).getByRole("row", { name: new RegExp(name) });
    await expect(row("long.wav")).toContainText(/[1-9]\d? %/, { timeout: 30_000 });
    // The card is out, and another file has become something else since it was chosen.
    rmSync(long);
    writeFileSync(changed, "RIFF and nothing else");
    await expect(row("long.wav")).toContainText("is the card still in?", { timeout: 30_000 });
    await expect(row("changed.wav")).toContainText("is the card still in?");
    await expect(row("short.wav")).toContainText("good: clean", { timeout: 30_000 });
    await expect(page.getByText("3 of 3 files checked")).toBeVisible();
  } finally {
    rmSync(card, { recursive: true, force: true });
  }
});

long(
  "thirty gigabytes of sixteen tracks are looked at where they lie, measured on the way, and stopped",
  async ({ page }) => {
    const card = mkdtempSync(join(tmpdir(), "hypophon-card-"));
    try {
      const path = join(card, "day.rf64");
      const bytes = 30 * 1000 ** 3;
      const header = new DataView(new ArrayBuffer(80));
      const tag = (at: number, text: string) =>
        [...text].forEach((letter, index) => header.setUint8(at + index, letter.charCodeAt(0)));
      tag(0, "RF64");
      header.setUint32(4, 0xffffffff, true);
      tag(8, "WAVEds64");
      header.setUint32(16, 28, true);
      header.setBigUint64(20, BigInt(bytes + 72), true);
      header.setBigUint64(28, BigInt(bytes), true);
      tag(48, "fmt ");
      header.setUint32(52, 16, true);
      header.setUint16(56, 1, true);
      header.setUint16(58, 16, true);
      header.setUint32(60, 48000, true);
      header.setUint32(64, 48000 * 48, true);
      header.setUint16(68, 48, true);
      header.setUint16(70, 24, true);
      tag(72, "data");
      header.setUint32(76, 0xffffffff, true);
      writeFileSync(path, Buffer.from(header.buffer));
      // A hole: it takes no room.
      truncateSync(path, 80 + bytes);
      await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
      await page.locator("input[type=file]").setInputFiles(path);
      const drawing = page.getByRole("img", { name: /^Channel 1/ });
      await expect(drawing).toHaveAttribute("data-seen", "yes", { timeout: 20_000 });
      // Three and a half hours.
      expect(Number(await drawing.getAttribute("data-span"))).toBeCloseTo(bytes / 48 / 48000, 0);
      await page.getByRole("button", { name: "Stop measuring" }).click();
      await expect(page.getByText("Drop a take here, or a whole card")).toBeVisible();
    } finally {
      rmSync(card, { recursive: true, force: true });
    }
  },
);

long("what is heard is the place itself from a moment before, with what the edit would do to it", async ({ page }) => {
  await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
  const path = "demo/recordings/singer-hall.wav";
  await page.locator("input[type=file]").setInputFiles(path);
  const places = page.getByRole("button", { name: /Listen to clipped at/ });
  await expect(places.first()).toBeVisible({ timeout: 30_000 });
  const played = await listenIn(page);
  const heard = async () => {
    let told: Awaited<ReturnType<typeof played>> = null;
    await expect.poll(async () => (told = await played()) !== null, { timeout: 10_000 }).toBe(true);
    return told!;
  };
  await places.first().click();
  const asIs = await heard();
  expect(asIs.filters).toEqual([]);
  // Sample for sample what the file holds; the first clipped place lies within the pre-roll of its beginning.
  const bytes = new Uint8Array(readFileSync(path));
  const header = await readWavHeader(bytesSource(bytes));
  const wanted: number[] = [];
  await readFrames(bytesSource(bytes), header, (planes, count) => wanted.push(...planes[0]!.subarray(0, count)));
  expect(asIs.samples.slice(0, 20_000)).toEqual(wanted.slice(0, 20_000));
  await page.keyboard.press("l");
  const choose = (name: string) =>
    page
      .getByRole("radiogroup", { name: /Listen/ })
      .getByText(name)
      .click();
  await choose("with a low cut");
  await places.first().click();
  const cut = await heard();
  expect(cut.filters.map(({ type }) => type)).toEqual(["highpass", "highpass"]);
  expect(cut.filters[0]!.hz).toBeCloseTo(90, 3);
  // While something is heard, another treatment is heard at once.
  await choose("without 50 Hz hum");
  expect((await heard()).filters).toEqual([50, 100, 150, 200, 250].map((hz) => ({ type: "notch", hz })));
});

long("an hour's shape is there while it is measured, and comes closer down to samples", async ({ page }) => {
  await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
  await awake(page);
  const drawing = page.getByRole("img", { name: /^Channel 1/ });
  await dropHour(page);
  // The 3 s that are wanted are measured by `bench check`, where nothing else runs.
  await expect(drawing).toHaveAttribute("data-seen", "yes", { timeout: 10_000 });
  await drawing.focus();
  for (let step = 0; step < 24; step += 1) await page.keyboard.press("+");
  const spanS = Number(await drawing.getAttribute("data-span"));
  expect(spanS * 48000).toBeLessThanOrEqual(41);
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("0");
  await expect(drawing).toHaveAttribute("data-span", "3600");
  await page.getByRole("button", { name: "Stop measuring" }).click();
  await expect(page.getByText("Drop a take here, or a whole card")).toBeVisible();
});

long("a finding is dismissed with a note, the verdict follows, and it is remembered", async ({ page }) => {
  // Somebody whose takes no other test touches.
  await page.goto(`/shoots/${DEMO_SHOOT_ID}/check?wearer=${demoId(39)}`);
  await expect(page.getByText("Quill, accordion")).toBeVisible();
  await page.locator("input[type=file]").setInputFiles("demo/recordings/singer-hall.wav");
  const verdict = page.getByRole("status").filter({ hasText: /\./ });
  await expect(page.getByText("Clipped on loud syllables").first()).toBeVisible({ timeout: 30_000 });
  await page.getByRole("button", { name: "Accept or dismiss clipped" }).click();
  await page.getByLabel("Note on all").fill("meant like that");
  await page.getByRole("button", { name: "Dismiss all" }).click();
  await expect(page.getByText("Dismissed: meant like that")).toBeVisible();
  await expect(verdict.first()).not.toContainText("clipped");
  await expect(page.getByText("All saved")).toBeVisible();
  await page.reload();
  await expect(page.getByText("singer-hall.wav: good")).toBeVisible();
  await page.locator("input[type=file]").setInputFiles("demo/recordings/singer-hall.wav");
  await expect(page.getByText("Dismissed: meant like that")).toBeVisible({ timeout: 30_000 });
  await page.getByRole("button", { name: "Undo the review of clipped" }).click();
  await expect(page.getByText("Clipped on loud syllables").first()).toBeVisible();
  await expect(page.getByText("All saved")).toBeVisible();
});

long("spectrum, levels and keys; a copy with markers is the same sound", async ({ page }) => {
  await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
  await page.locator("input[type=file]").setInputFiles("demo/recordings/singer-hall.wav");
  await expect(page.getByRole("button", { name: /Listen to clipped at 0:00/ })).toBeVisible({ timeout: 30_000 });
  const drawing = page.getByRole("img", { name: /^Channel 1/ });
  const inked = () =>
    drawing.evaluate((canvas: HTMLCanvasElement) => {
      const { data } = canvas.getContext("2d")!.getImageData(0, 0, canvas.width, canvas.height);
      return data.filter((value, at) => at % 4 === 3 && value > 0).length;
    });
  for (const look of ["levels", "spectrum", "shape"]) {
    await page.getByRole("radiogroup", { name: "Look at" }).getByText(look).click();
    await expect.poll(inked, { timeout: 10_000 }).toBeGreaterThan(5000);
  }
  await page.keyboard.press(".");
  await expect(page.getByRole("button", { name: /Listen to clipped at 0:00/ })).toContainText("■");
  await page.keyboard.press("l");
  await expect(page.getByRole("button", { name: /Listen to clipped at 0:00/ })).toContainText("▶");
  await page.keyboard.press("?");
  await expect(page.getByText("Check: next finding")).toBeVisible();
  await page.keyboard.press("Escape");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Copy with markers" }).click();
  const copy = new Uint8Array(readFileSync(await (await download).path()));
  const before = new Uint8Array(readFileSync("demo/recordings/singer-hall.wav"));
  const [one, other] = [await readWavHeader(bytesSource(before)), await readWavHeader(bytesSource(copy))];
  expect(other).toEqual(one);
  expect(Buffer.from(copy).includes("cue ")).toBe(true);
  expect(Buffer.from(copy).includes("Clipped, track 1")).toBe(true);
  const soundOf = (bytes: Uint8Array) =>
    Buffer.from(bytes.subarray(one.dataOffset, one.dataOffset + one.frames * one.bytesPerFrame));
  expect(soundOf(copy).equals(soundOf(before))).toBe(true);
});

long("ten thousand files, with some that cannot be read, leave the page free and can be stopped", async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto(`/shoots/${DEMO_SHOOT_ID}/check`);
  await awake(page);
  await page.evaluate(() => {
    const header = new DataView(new ArrayBuffer(44));
    const tag = (at: number, text: string) =>
      [...text].forEach((letter, index) => header.setUint8(at + index, letter.charCodeAt(0)));
    const bytes = 4800;
    tag(0, "RIFF");
    header.setUint32(4, 36 + bytes, true);
    tag(8, "WAVEfmt ");
    header.setUint32(16, 16, true);
    header.setUint16(20, 1, true);
    header.setUint16(22, 1, true);
    header.setUint32(24, 48000, true);
    header.setUint32(28, 96000, true);
    header.setUint16(32, 2, true);
    header.setUint16(34, 16, true);
    tag(36, "data");
    header.setUint32(40, bytes, true);
    const sound = new Uint8Array(bytes);
    const transfer = new DataTransfer();
    // One that ends in its midst, and one that is no sound.
    transfer.items.add(new File([header.buffer, sound.slice(0, 1000)], "cut.wav", { type: "audio/wav" }));
    transfer.items.add(new File(["no sound at all"], "text.wav", { type: "audio/wav" }));
    for (let index = 0; index < 10_000; index += 1)
      transfer.items.add(new File([header.buffer, sound], `take ${index} ü "#%.wav`, { type: "audio/wav" }));
    const input = document.querySelector<HTMLInputElement>("input[type=file]")!;
    input.files = transfer.files;
    input.dispatchEvent(new Event("change", { bubbles: true }));
  });
  await expect(page.getByText(/of 10002 files checked/)).toBeVisible({ timeout: 60_000 });
  // The page answers while they are checked, and what cannot be read stops nothing.
  await page.getByLabel("Name has").fill("take 7 ");
  await expect(cardTable(page).locator("tbody tr")).toHaveCount(1);
  await expect(cardTable(page).getByRole("row", { name: /take 7/ })).toContainText("Silent", { timeout: 60_000 });
  await page.getByLabel("Name has").fill("cut");
  await expect(cardTable(page).getByRole("row", { name: /cut.wav/ })).toContainText("Truncated file");
  await page.getByLabel("Name has").fill("text");
  await expect(cardTable(page).getByRole("row", { name: /text.wav/ })).toContainText("not a WAV");
  await page.getByLabel("Name has").fill("");
  // All are in the list, those in sight are drawn.
  await expect(page.getByRole("table", { name: "Files of the card" })).toHaveAttribute("aria-rowcount", "10003");
  expect(await cardTable(page).locator("tbody tr").count()).toBeLessThan(80);
  const checked = async () => Number(/(\d+) of 10002/.exec((await page.getByText(/of 10002/).textContent())!)![1]);
  await expect.poll(checked, { timeout: 60_000 }).toBeGreaterThan(300);
  await page.getByRole("button", { name: "Stop", exact: true }).click();
  const stoppedAt = await untilStill(checked, 400);
  await staysSo(checked, stoppedAt, 1000);
  await page.getByRole("button", { name: "Close the card" }).click();
  await expect(cardTable(page)).toHaveCount(0);
});
