import { spawnSync } from "node:child_process";
import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";
import { hearing, heardFile } from "./fakeMicrophone";
import { awake, openLevels, startShoot } from "./shoot";
import { quietThenVoiceWav } from "./sounds";
import { long } from "./long";
import { test } from "./test";

const PATH = heardFile("meter", quietThenVoiceWav(0, 4, -14));
test.use({ launchOptions: hearing(PATH) });

const meter = (page: Page, what: string) =>
  page.getByRole("group", { name: "Meter" }).getByText(what, { exact: true }).locator("..");

async function figure(page: Page, what: string): Promise<number> {
  const text = (await meter(page, what).textContent())!.replace(what, "").replace("−", "-");
  return Number.parseFloat(text);
}

async function openMeter(page: Page): Promise<void> {
  const id = await startShoot(page, "Meter");
  await page.goto(`/shoots/${id}/level`);
  await awake(page);
  await openLevels(page, "Meter and trial");
}

const startMeter = (page: Page) => page.getByRole("button", { name: "Start the meter" }).click();

/** What the page has opened is kept where a test can reach it. */
const WATCHED = () => {
  const seen: { stream?: MediaStream; context?: AudioContext } = {};
  Object.assign(window, { seen });
  const ask = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
  navigator.mediaDevices.getUserMedia = async (wanted) => {
    const stream = await ask(wanted);
    Object.assign(window, { wanted });
    return (seen.stream = stream);
  };
  const Original = window.AudioContext;
  window.AudioContext = class extends Original {
    constructor(...options: ConstructorParameters<typeof Original>) {
      super(...options);
      seen.context = this;
    }
  };
};

long("peak and loudness are those that ffmpeg measures in the same sound", async ({ page }) => {
  const { stderr } = spawnSync(
    "ffmpeg",
    ["-hide_banner", "-stream_loop", "3", "-i", PATH, "-af", "ebur128,volumedetect", "-f", "null", "-"],
    { encoding: "utf8" },
  );
  const ffmpeg = (pattern: RegExp) => Number(pattern.exec(stderr)![1]);
  await openMeter(page);
  await startMeter(page);
  await expect.poll(() => figure(page, "Integrated"), { timeout: 20_000 }).toBeGreaterThan(-60);
  // A loop of the sound and a little more: then what is metered is what ffmpeg measures.
  const loudness = ffmpeg(/Summary[^]*I:\s+(-[\d.]+) LUFS/);
  await expect
    .poll(async () => Math.abs((await figure(page, "Integrated")) - loudness), { timeout: 20_000 })
    .toBeLessThanOrEqual(0.3);
  const most = ffmpeg(/max_volume: (-[\d.]+)/);
  await expect
    .poll(async () => Math.abs((await figure(page, "Highest")) - most), { timeout: 20_000 })
    .toBeLessThanOrEqual(0.2);
  expect(await figure(page, "Clipped")).toBe(0);
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((each) => each.id)).toEqual([]);
});

long(
  "the browser's own changes of the sound are switched off, and said where it refuses; another rate is said",
  async ({ page }) => {
    await page.addInitScript(WATCHED);
    await page.addInitScript(() => {
      const state = { sampleRate: 48_000 };
      Object.assign(window, { state });
      MediaStreamTrack.prototype.getSettings = () => ({ noiseSuppression: true, ...state });
    });
    await openMeter(page);
    await startMeter(page);
    await expect(page.getByText(/will not switch off its noise suppression/)).toBeVisible();
    await expect(page.getByText(/The input runs at/)).toBeHidden();
    await page.evaluate(() => {
      (window as unknown as { state: { sampleRate: number } }).state.sampleRate = 16_000;
      navigator.mediaDevices.dispatchEvent(new Event("devicechange"));
    });
    await expect(page.getByText(/The input runs at 16 kHz/)).toBeVisible();
    const wanted = await page.evaluate(() => (window as unknown as { wanted: MediaStreamConstraints }).wanted);
    expect(wanted.audio).toMatchObject({ echoCancellation: false, noiseSuppression: false, autoGainControl: false });
  },
);

long(
  "unplugged while measuring, put to sleep, refused: each is said with what to do, and it goes on",
  async ({ page }) => {
    await page.addInitScript(WATCHED);
    await openMeter(page);
    await startMeter(page);
    await expect.poll(() => figure(page, "Highest")).toBeGreaterThan(-40);

    await page.evaluate(() => (window as unknown as { seen: { context: AudioContext } }).seen.context.suspend());
    await expect(page.getByText("The browser has suspended the audio.")).toBeVisible();
    await page.getByRole("button", { name: "Go on" }).click();
    await expect(page.getByText("The browser has suspended the audio.")).toBeHidden();

    await page.evaluate(() => {
      const { stream } = (window as unknown as { seen: { stream: MediaStream } }).seen;
      stream.getAudioTracks()[0]!.dispatchEvent(new Event("ended"));
    });
    await expect(page.getByText(/The microphone is gone: was it unplugged/)).toBeVisible();
    await startMeter(page);
    await expect.poll(() => figure(page, "Highest")).toBeGreaterThan(-40);
    await page.getByRole("button", { name: "Stop the meter" }).click();

    await page.evaluate(() => {
      navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException("no", "NotAllowedError"));
    });
    await startMeter(page);
    await expect(page.getByText(/may not use the microphone. Allow it for this page/)).toBeVisible();
    await page.evaluate(() => {
      navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException("none", "NotFoundError"));
    });
    await startMeter(page);
    await expect(page.getByText(/There is no microphone. Plug one in/)).toBeVisible();
  },
);

long("a page that is not secure is told why it gets no microphone", async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(Navigator.prototype, "mediaDevices", { get: () => undefined });
    delete (Navigator.prototype as { mediaDevices?: unknown }).mediaDevices;
  });
  await openMeter(page);
  await startMeter(page);
  await expect(page.getByText(/only to pages on https or on this machine itself/)).toBeVisible();
});
