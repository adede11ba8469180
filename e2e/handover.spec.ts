import { execFileSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page } from "@playwright/test";
import Papa from "papaparse";
import { awake, expectSaved, openDemo, startShoot } from "./shoot";
import { test } from "./test";

const folder = mkdtempSync(join(tmpdir(), "hypophon-handover-"));
const RECORDINGS = join(process.cwd(), "demo", "recordings");
// Tests of one file may run at several times in one worker: what is after all of some is before the others.
test.beforeAll(() => void mkdirSync(folder, { recursive: true }));
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

const ffmpeg = (...args: string[]) => execFileSync("ffmpeg", ["-nostdin", "-y", "-v", "error", ...args]);
const at = (name: string) => join(folder, name);

/** A picture file whose own microphone hears a voice from `fromS` on, duller and with noise around it. */
function picture(name: string, voice: string, fromS: number, seconds: number, rate: string, codecs: string[]): string {
  const heard = "[1:a]aresample=48000,highpass=200,lowpass=5000[v];[v][2:a]amix=2:duration=first:normalize=0[a]";
  ffmpeg(
    ...["-f", "lavfi", "-i", `testsrc=s=160x90:r=${rate}`],
    ...["-ss", String(fromS), "-t", String(seconds), "-i", join(RECORDINGS, voice)],
    ...["-f", "lavfi", "-i", "anoisesrc=a=0.005:c=pink:r=48000"],
    ...["-filter_complex", heard, "-map", "0:v", "-map", "[a]", "-shortest", ...codecs, at(name)],
  );
  return at(name);
}

/** What the recorder recorded. */
function sound(name: string, voice: string): string {
  ffmpeg("-i", join(RECORDINGS, voice), "-ar", "48000", at(name));
  return at(name);
}

const H264 = ["-c:v", "libx264", "-preset", "ultrafast"];
/** Times of frames in webm are whole milliseconds. */
const THREE_S = /^00:0(2\.999|3\.000|3\.001)$/;
const cells = (page: Page, name: string) => page.getByRole("row", { name }).getByRole("cell");

test("a day's picture files find their sound, whatever they are made of; what has none is told apart", async ({
  page,
}) => {
  const pictures = [
    picture("C01.mp4", "voice-engineer.wav", 2.5, 9, "25", [...H264, "-c:a", "aac", "-b:a", "96k"]),
    picture("C02.mov", "voice-miller.wav", 1.2, 10, "30000/1001", [...H264, "-c:a", "pcm_s16le"]),
    picture("C03.webm", "voice-singer.wav", 3, 9, "24", ["-c:v", "libvpx", "-deadline", "realtime", "-c:a", "libopus"]),
  ];
  ffmpeg("-f", "lavfi", "-i", "testsrc=s=160x90:r=25", "-t", "6", ...H264, at("C04.mp4"));
  writeFileSync(at("C05.mp4"), readFileSync(pictures[0]!).subarray(0, 4000));
  writeFileSync(at("notes.txt"), "Slate 5: wind.");
  const sounds = [sound("T01.wav", "voice-engineer.wav"), sound("T02.wav", "voice-miller.wav")];

  const id = await startShoot(page, "A day with cameras");
  await page.goto(`/shoots/${id}/handover`);
  await awake(page);
  const input = page.locator("input[type=file]");
  await input.setInputFiles([...pictures, at("C04.mp4"), at("C05.mp4"), at("notes.txt"), ...sounds]);
  await expect(page.getByRole("status").filter({ hasText: "2 of 5 picture files matched" })).toBeVisible();
  await expect(page.getByText("1 file that is neither picture nor WAV was left out.")).toBeVisible();
  await expect(cells(page, "C01.mp4").nth(1)).toHaveText("00:02.500");
  await expect(cells(page, "C02.mov").nth(1)).toHaveText("00:01.200");
  const left = page.getByRole("region", { name: "Without a partner" });
  await expect(left.getByText("C03.webm: No sound file has the same sound.")).toBeVisible();
  await expect(left.getByText("C04.mp4: No sound in it.")).toBeVisible();
  await expect(left.getByText(/^C05.mp4: .*copied only in part/)).toBeVisible();

  // What comes later joins what is there.
  await input.setInputFiles([sound("T03.wav", "voice-singer.wav")]);
  await expect(page.getByRole("status").filter({ hasText: "3 of 5 picture files matched" })).toBeVisible();
  await expect(cells(page, "C03.webm").nth(1)).toHaveText(THREE_S);

  await page.getByRole("button", { name: "C03.webm" }).click();
  const closeUp = page.getByRole("region", { name: "Close up" });
  await expect(closeUp.getByText(/^C03.webm starts at .* in T03.wav$/)).toBeVisible();
  await expect(closeUp.locator("path[data-of=sound]")).toHaveAttribute("d", /^M.{1000}/);
  for (let press = 0; press < 2; press += 1)
    await closeUp.getByRole("button", { name: "Sound later by 1 frame" }).click();
  await expect(closeUp.getByText("By hand: sound 83.33 ms later than found.")).toBeVisible();
  await expect(cells(page, "C03.webm").nth(3)).toHaveText("by hand");
  await closeUp.getByRole("button", { name: "Left camera, right recorder" }).click();

  const saved = async (format: string) => {
    const button = page.getByRole("button", { name: `Save as ${format}` });
    const [download] = await Promise.all([page.waitForEvent("download"), button.click()]);
    return readFileSync(await download.path(), "utf8");
  };
  const { data } = Papa.parse<Record<string, string>>((await saved("CSV")).trim(), { header: true });
  const row = data.find((each) => each["picture"] === "C03.webm")!;
  expect(Number(row["offset s"])).toBeCloseTo(3 - 2 / 24, 2);
  expect(row["by hand"]).toBe("true");
  const edl = await saved("EDL");
  expect(edl.match(/^\d{3} {2}\w+ +V/gm)).toHaveLength(3);
  expect(edl).toMatch(/^002 {2}T01 {6}A {5}C {8}00:00:02:1[23] 00:00:11:\d\d 01:00:00:00 01:00:09:0\d\r$/m);
  const { tracks } = JSON.parse(await saved("OTIO")) as { tracks: { children: { children: { name: string }[] }[] } };
  expect(tracks.children.map((each) => each.children.map(({ name }) => name))).toEqual([
    ["C01.mp4", "C02.mov", "C03.webm"],
    ["T01.wav", "T02.wav", "T03.wav"],
  ]);

  await closeUp.getByRole("button", { name: "Back to what was found" }).click();
  await expect(cells(page, "C03.webm").nth(1)).toHaveText(THREE_S);

  // What was found is kept; what it was found in has to be dropped again.
  await expectSaved(page);
  await page.reload();
  await awake(page);
  await expect(page.getByText("All 3 picture files have their sound.")).toBeVisible();
  await page.getByRole("button", { name: "C03.webm" }).click();
  await expect(closeUp.getByText("Drop both files again to see and hear them.")).toBeVisible();
  await closeUp.getByRole("button", { name: "Not a pair" }).click();
  await expect(page.getByText("Both picture files have their sound.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(cells(page, "C03.webm").nth(1)).toHaveText(THREE_S);
});

test("the demo's cameras find the demo's recordings; a camera four metres away hears late", async ({
  page,
  request,
}) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/handover`);
  await awake(page);
  await page.getByRole("button", { name: "Two cameras and the recorder" }).click();
  await expect(page.getByText("Both picture files have their sound.")).toBeVisible();
  for (const [name, fromS] of [
    ["camera-granary.mp4", 0.8],
    ["camera-quay.mp4", 1.2],
  ] as const) {
    const told = (await cells(page, name).nth(1).textContent())!;
    const offsetS = Number(told.replace("00:", ""));
    // What was said arrives 11.7 ms after it was said.
    expect(Math.abs(offsetS - fromS + 0.0117)).toBeLessThan(0.002);
  }
  await expect(page.getByText("singer-hall.wav: No picture file has the same sound.")).toBeVisible();
});

test("files without a partner at all, and files that are none, are told so", async ({ page }) => {
  const id = await startShoot(page, "A day without sound");
  await page.goto(`/shoots/${id}/handover`);
  await awake(page);
  const input = page.locator("input[type=file]");
  await input.setInputFiles({ name: "notes.txt", mimeType: "text/plain", buffer: Buffer.from("Slate 5: wind.") });
  await expect(page.getByText("1 file that is neither picture nor WAV was left out.")).toBeVisible();
  await input.setInputFiles([
    { name: "empty.wav", mimeType: "audio/wav", buffer: Buffer.alloc(0) },
    { name: "empty.mov", mimeType: "video/quicktime", buffer: Buffer.alloc(0) },
    { name: "noise.mp4", mimeType: "video/mp4", buffer: Buffer.alloc(5000, 7) },
  ]);
  await expect(page.getByText("No picture file matches a sound file.")).toBeVisible();
  const left = page.getByRole("region", { name: "Without a partner" });
  await expect(left.getByRole("listitem")).toHaveCount(3);
  await expect(left.getByText("empty.wav: The file is empty.")).toBeVisible();
});

test("a camera without sound is matched by its clap: heard to the millisecond, seen in its frame", async ({ page }) => {
  // White in the 75th frame alone.
  const flash = "color=black:s=160x90:r=25:d=8,drawbox=color=white:t=fill:enable='eq(n,75)'";
  ffmpeg("-f", "lavfi", "-i", flash, ...H264, at("C07.mp4"));
  const clap = "0.003*(2*random(0)-1)+if(gte(t,5.5),0.6*exp(-(t-5.5)*80)*(2*random(1)-1),0)";
  ffmpeg("-f", "lavfi", "-i", `aevalsrc='${clap}':d=12:s=48000`, at("T07.wav"));
  const id = await startShoot(page, "A day with a slate");
  await page.goto(`/shoots/${id}/handover`);
  await awake(page);
  await page.locator("input[type=file]").setInputFiles([at("C07.mp4"), at("T07.wav")]);
  const view = page.getByRole("region", { name: "Match by a clap" });
  await expect(view.getByRole("button", { name: /^00:05\.50\d, \d+ dB.*Clap in the sound/ })).toBeVisible();
  await view.getByRole("slider", { name: "Frame in which the hands meet" }).fill("75");
  const brightness = (frame: number) =>
    view.getByRole("button", { name: `Frame ${frame}`, exact: true }).evaluate((own) => {
      const image = own.querySelector("img");
      if (!image?.complete || image.naturalWidth === 0) return -1;
      const canvas = new OffscreenCanvas(8, 8);
      const context = canvas.getContext("2d")!;
      context.drawImage(image, 0, 0, 8, 8);
      const { data } = context.getImageData(0, 0, 8, 8);
      return data[4 * 36]!;
    });
  await expect.poll(() => brightness(75)).toBeGreaterThan(200);
  for (const beside of [74, 76]) expect(await brightness(beside)).toBeLessThan(40);
  await expect(view.getByText("The sound starts 00:02.500 before the picture.")).toBeVisible();
  await view.getByRole("button", { name: "Match them" }).click();
  await expect(cells(page, "C07.mp4").nth(1)).toHaveText("00:02.500");
  await expect(cells(page, "C07.mp4").nth(3)).toHaveText("by clap");
  await expect(view).toHaveCount(0);
});
