import { expect, type Page } from "@playwright/test";
import { choose, expectSaved, openDemo, openScout, startShoot } from "./shoot";
import { clapWav, takeWav } from "./sounds";
import { long } from "./long";
import { test } from "./test";

const GRANARY = "Stone granary";

const dropClap = (page: Page, name: string, buffer: Buffer) =>
  page
    .getByRole("region", { name: "Clap" })
    .locator("input[type=file]")
    .setInputFiles({ name, mimeType: "audio/wav", buffer });

long("blankets on glass cut the echo, open air has none, wind is named", async ({ page }) => {
  await startShoot(page, "Scouting");
  await page.getByRole("button", { name: "Add place" }).click();
  const chart = page.getByRole("img", { name: /Reverberation by octave/ });
  await expect(chart).toBeVisible();
  const before = await chart.getAttribute("aria-label");
  await choose(page, "Made of", "plate glass");
  await expect(chart).not.toHaveAttribute("aria-label", before!);
  const verdict = page.getByRole("region", { name: "Verdict" });
  const middle = async () => Number(/([\d.]+)s/.exec((await verdict.textContent())!)![1]);
  const bare = await middle();
  await page
    .getByRole("button", { name: /Put up one blanket/ })
    .first()
    .click();
  await expect(page.getByText(/^Up: one blanket/)).toBeVisible();
  expect(await middle()).toBeLessThan(bare);
  await page.getByRole("button", { name: /Take down one/ }).click();
  await expect(page.getByText(/^Up: one blanket/)).toBeHidden();
  expect(await middle()).toBe(bare);
  await page.getByText("Open air", { exact: true }).click();
  await expect(page.getByText(/No reverberation outdoors/)).toBeVisible();
  await expect(chart).toBeHidden();
  await page.getByLabel("Wind").fill("9");
  await expect(page.getByText(/cover the capsule before you roll/)).toBeVisible();
  await expectSaved(page);
});

long("two places keep their own figures, and a deleted one comes back", async ({ page }) => {
  await startShoot(page, "Places");
  await page.getByRole("button", { name: "Add place" }).click();
  await page.getByLabel("Place", { exact: true }).fill("Kitchen");
  await page.getByLabel("Length").fill("4");
  await page.getByRole("button", { name: "Add place" }).click();
  await page.getByLabel("Length").fill("30");
  await page.getByRole("tab", { name: "Kitchen" }).click();
  await expect(page.getByLabel("Length")).toHaveValue("4");
  await expectSaved(page);
  await page.getByRole("button", { name: "Delete this place" }).click();
  await expect(page.getByRole("tab", { name: "Kitchen" })).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("tab", { name: "Kitchen" })).toBeVisible();
});

long(
  "an L gets a corner, a vehicle its own inside and back; an impossible size is refused at its field",
  async ({ page }) => {
    await startShoot(page, "Shapes");
    await page.getByRole("button", { name: "Add place" }).click();
    await page.getByText("L-shaped room", { exact: true }).click();
    await expect(page.getByLabel("Corner missing, length")).toHaveValue("2");
    await page.getByLabel("Corner missing, length").fill("5");
    await expect(page.getByText("Corner missing, length: 0.1 to 4.9 m.")).toBeVisible();
    await page.getByLabel("Height").fill("300");
    await expect(page.getByText("Height: 1 to 30 m.")).toBeVisible();
    await page.getByText("Vehicle", { exact: true }).click();
    await expect(page.getByLabel("Length")).toHaveValue("2.4");
    await expect(page.getByRole("button", { name: /Vehicle seats, cloth/ })).toBeVisible();
    await page.getByText("Room", { exact: true }).last().click();
    await expect(page.getByLabel("Length")).toHaveValue("5");
    await expectSaved(page);
    await page.reload();
    await expect(page.getByLabel("Length")).toHaveValue("5");
  },
);

long(
  "a clap replaces the forecast, the difference is shown, and the way back can be undone",
  async ({ page, request }) => {
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}`);
    await expect(page.getByRole("link", { name: "Scout: verified" }).first()).toBeVisible();
    await page.goto(`/shoots/${id}/scout`);
    await openScout(page, "Clap");
    await expect(page.getByText("Measured: granary-clap.wav")).toBeVisible();
    await expect(page.getByRole("img", { name: /Decay at 1000 hertz.* by T30/ })).toBeVisible();
    await expect(page.getByText(/Measured from a clap: .*than planned/)).toBeVisible();
    await page.getByText("500 Hz", { exact: true }).first().click();
    await expect(page.getByRole("img", { name: /Decay at 500 hertz/ })).toBeVisible();
    await page.getByRole("button", { name: "Use the forecast" }).click();
    await expect(page.getByText(/Measured from a clap/)).toBeHidden();
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(page.getByText(/Measured from a clap/)).toBeVisible();
    await page.getByRole("button", { name: "Clap in the granary" }).click();
    await expect(page.getByText("Measured: granary-clap.wav")).toBeVisible();
    await expectSaved(page);
  },
);

long("claps that cannot be measured say why, and the one before stays", async ({ page }) => {
  await startShoot(page, "Claps");
  await page.getByRole("button", { name: "Add place" }).click();
  await openScout(page, "Clap");
  await dropClap(page, "good.wav", clapWav(0.6));
  await expect(page.getByText("Measured: good.wav")).toBeVisible();
  const alert = page.getByRole("region", { name: "Clap" }).getByRole("alert");
  await dropClap(page, "noisy.wav", clapWav(0.6, { noise: 0.02 }));
  await expect(alert.getByText(/dB above the noise/)).toBeVisible();
  await dropClap(page, "clipped.wav", clapWav(0.6, { peak: 40 }));
  await expect(alert.getByText(/clipped/)).toBeVisible();
  await dropClap(page, "cut.wav", clapWav(3, { afterS: 0.8 }));
  await expect(alert.getByText(/stops too soon/)).toBeVisible();
  await dropClap(page, "picture.wav", Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 0, 0, 0]));
  await expect(alert.getByText(/PNG/)).toBeVisible();
  await dropClap(page, "speech.wav", takeWav(-12, 4));
  await expect(alert).toBeVisible();
  await expect(page.getByText("Measured: good.wav")).toBeVisible();
  await expectSaved(page);
});

long(
  "a minute of listening names noises, one remedy is worth most, and what was switched off is remembered",
  async ({ page }) => {
    await startShoot(page, "Listening");
    await page.getByRole("button", { name: "Add place" }).click();
    await openScout(page, "Noises");
    const dba = async () =>
      Number(/(\d+)dBA/.exec((await page.getByRole("region", { name: "Verdict" }).textContent())!)![1]);
    const before = await dba();
    await page.clock.install();
    await page.getByRole("button", { name: "Listen for a minute" }).click();
    await expect(page.getByText(/Sit still/)).toBeVisible();
    await page.clock.runFor(16_000);
    await expect(page.getByText(/Above and below/)).toBeVisible();
    await page.getByRole("button", { name: "Air-conditioning" }).click();
    // What was heard is saved before time jumps: a jump in the middle of saving is none that happens.
    await page.clock.runFor(3_000);
    await expectSaved(page);
    await page.clock.runFor(47_000);
    await expect(page.getByText(/That was the minute/)).toBeVisible();
    await page.getByRole("button", { name: "Bell", exact: true }).click();
    await page.getByRole("button", { name: "Close", exact: true }).click();
    await page.clock.resume();
    const loud = await dba();
    expect(loud).toBeGreaterThan(before + 3);
    await expect(page.getByText(/Air-conditioning: switch it off\. That lowers the noise/)).toBeVisible();
    await page.getByRole("button", { name: "Done: switched off" }).click();
    await expect(page.getByText("Before you leave: air-conditioning, switch it on again.")).toBeVisible();
    expect(await dba()).toBe(before);
    await page.getByRole("button", { name: "Change bell" }).click();
    await page.getByRole("button", { name: "A time", exact: true }).click();
    await page.getByLabel("Responsible").fill("Sexton");
    await page.getByRole("button", { name: "Remove this noise" }).click();
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(page.getByRole("button", { name: "Change bell" })).toBeVisible();
    await expectSaved(page);
    await page.reload();
    await openScout(page, "Noises");
    await expect(page.getByText(/1 times, first 10:00/)).toBeVisible();
  },
);

long("a room tone colours the estimate, and with a known level proves it", async ({ page }) => {
  await startShoot(page, "Tone");
  await page.getByRole("button", { name: "Add place" }).click();
  await openScout(page, "Noises");
  const tone = page.getByRole("region", { name: "Room tone" });
  const drop = () =>
    tone
      .locator("input[type=file]")
      .setInputFiles({ name: "tone.wav", mimeType: "audio/wav", buffer: takeWav(-90, 5) });
  await drop();
  await expect(tone.getByText(/not calibrated/)).toBeVisible();
  await expect(tone.getByText(/Only its colour is used/)).toBeVisible();
  await tone.getByText("I know the level of 0 dBFS").click();
  await tone.getByLabel("0 dBFS is").fill("110");
  await drop();
  await expect(tone.getByText(/^\d+ dBA\. No mains hum/)).toBeVisible();
  await expect(page.getByText(/Noise from the calibrated room tone/)).toBeHidden();
  await page.getByRole("button", { name: "How this was computed" }).click();
  await expect(page.getByText(/Noise from the calibrated room tone/)).toBeVisible();
  await tone.getByRole("button", { name: "Use the estimate" }).click();
  await expect(tone.getByText(/dBA\. No mains hum/)).toBeHidden();
});

long("without leave to use the microphone it says what to do", async ({ page }) => {
  await startShoot(page, "Deaf");
  await page.getByRole("button", { name: "Add place" }).click();
  await openScout(page, "Clap");
  await page.evaluate(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException("no", "NotAllowedError"));
  });
  await page.getByRole("button", { name: "Record a clap, 8 s" }).click();
  await expect(page.getByRole("alert").getByText(/Allow it for this page/)).toBeVisible();
});

test.describe("quiet times", () => {
  const strip = (page: Page) => page.getByRole("group", { name: "Day strip" });
  const interview = (page: Page) => strip(page).getByRole("slider", { name: "Interview with the miller" });

  long(
    "by mouse: a scene is dragged off the ferry, and the best order is taken and undone",
    async ({ page, request }) => {
      const id = await openDemo(request);
      await page.goto(`/shoots/${id}/scout`);
      await openScout(page, "Quiet times");
      await expect(interview(page)).toHaveAttribute("aria-valuetext", /starts 09:30.*crossed by 10:10 ferry/);
      const box = (await interview(page).boundingBox())!;
      await page.mouse.move(box.x + 10, box.y + box.height / 2);
      await page.mouse.down();
      await page.mouse.move(box.x - 40, box.y + box.height / 2, { steps: 6 });
      await page.mouse.up();
      await expect(interview(page)).not.toHaveAttribute("aria-valuetext", /starts 09:30/);
      await expect(interview(page)).toHaveAttribute("aria-valuetext", /starts 0[89]:\d\d/);
      await page.getByRole("button", { name: "Use these times" }).click();
      await expect(interview(page)).toHaveAttribute("aria-valuetext", /nothing crosses it/);
      await expect(page.getByRole("button", { name: "Use these times" })).toBeHidden();
      await page.getByRole("button", { name: "Undo" }).click();
      await expect(page.getByRole("button", { name: "Use these times" })).toBeVisible();
    },
  );

  long(
    "by keyboard: arrows move a scene by five minutes, a fixed one keeps its time in the best order",
    async ({ page, request }) => {
      const id = await openDemo(request);
      await page.goto(`/shoots/${id}/scout`);
      await openScout(page, "Quiet times");
      await page.getByText("Day 2", { exact: true }).click();
      const wading = strip(page).getByRole("slider", { name: "Counting the mudflat" });
      await expect(wading).toHaveAttribute("aria-valuetext", /starts 11:00/);
      await wading.focus();
      await page.keyboard.press("ArrowRight");
      await expect(wading).toHaveAttribute("aria-valuetext", /starts 11:05/);
      await page.keyboard.press("ArrowLeft");
      await expect(wading).toHaveAttribute("aria-valuetext", /starts 11:00/);
      await page.getByText("Fixed at 11:00").click();
      await expect(page.getByRole("region", { name: "Best order" }).getByText("11:00–11:30")).toBeVisible();
    },
  );

  long(
    "a take longer than any quiet run is left out, and it says what to do; nothing overflows a phone",
    async ({ page }) => {
      await page.setViewportSize({ width: 390, height: 800 });
      await startShoot(page, "No gaps");
      await page.getByRole("button", { name: "Add place" }).click();
      await openScout(page, "Quiet times");
      await expect(page.getByText("Which scenes are recorded when?")).toBeVisible();
      await page.goto(page.url().replace("scout", "dress"));
      await page.getByRole("button", { name: "Add talent" }).click();
      await expect(page.getByRole("region", { name: "Dress form" })).toBeVisible();
      await page.goto(page.url().replace(/dress.*/, "scout"));
      await openScout(page, "Noises");
      await page.getByRole("button", { name: "Add a noise" }).click();
      await choose(page, "Noise", "Pump");
      await page.getByRole("button", { name: "A time", exact: true }).click();
      await page.getByLabel("Lasts").fill("1440");
      await expectSaved(page);
      await openScout(page, "Quiet times");
      await expect(page.getByText(/is left out\. .*Shorten the take, or have a noise stopped/)).toBeVisible();
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      expect(overflow).toBeLessThanOrEqual(0);
    },
  );
});

test("the site sheet has it all on one page", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/scout`);
  await expect(async () => {
    await page.getByRole("tab", { name: "Mill kitchen" }).click();
    await expect(page.getByLabel("Place", { exact: true })).toHaveValue("Mill kitchen", { timeout: 1000 });
  }).toPass();
  await page.getByRole("link", { name: "Site sheet" }).click();
  await expect(page.getByRole("heading", { name: "Mill kitchen" })).toBeVisible();
  await expect(page.getByRole("img", { name: /Plan of Mill kitchen/ })).toBeVisible();
  await expect(page.getByRole("row", { name: /Fridge.*switched off \(recordist\)/ })).toBeVisible();
  await expect(page.getByRole("list", { name: "Quiet windows" })).toBeVisible();
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("button", { name: "Print this page" })).toBeHidden();
  await expect(page.getByText(GRANARY)).toBeHidden();
});
