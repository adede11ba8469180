import { expect, type Page } from "@playwright/test";
import { answer, choose, expectSaved, goToStation, openView, startShoot } from "./shoot";
import { takeWav } from "./sounds";
import { long } from "./long";
import { test } from "./test";

/** A talent at a station, on the board. */
const stitch = (page: Page, station: string) =>
  page.getByRole("table", { name: "Talent by stations" }).getByRole("link", { name: new RegExp(`^${station}: `) });

test("by mouse: from a new shoot to a proved level, and the board changes", async ({ page }) => {
  await startShoot(page, "Mouse shoot");

  await page.getByRole("button", { name: "Add place" }).click();
  await page.getByLabel("Length").fill("12");
  await choose(page, "Walls", "marble or glazed tile");
  await choose(page, "Floor", "marble or glazed tile");
  await expect(page.getByText(/too reverberant/i)).toBeVisible();
  await expect(page.getByRole("img", { name: /Reverberation by octave/ })).toBeVisible();

  await goToStation(page, "Dress");
  await page.getByRole("button", { name: "Add talent" }).click();
  await expect(page.getByRole("radiogroup", { name: "Places, best first" })).toBeVisible();
  await page.getByLabel("Name").fill("Ada");
  await page.getByText("Tie", { exact: true }).click();
  await page.getByRole("radio", { name: /On the tie/ }).focus();
  await page.keyboard.press("Space");
  await expect(page.getByText("Chosen", { exact: true })).toBeVisible();
  await openView(page, "Ask");
  await answer(page, "Yes");
  await page.getByText("Rigged and listened to").click();
  await expectSaved(page);

  await goToStation(page, "Level");
  await expect(page.getByRole("list", { name: "What to set for Ada" })).toContainText("Sensitivity");
  await expect(page.getByText(/would clip first/)).toBeVisible();

  await goToStation(page, "Check");
  await page.setInputFiles("input[type=file]", { name: "good.wav", mimeType: "audio/wav", buffer: takeWav(-12) });
  await expect(page.getByText("A good recording: clean, and well above the noise.").first()).toBeVisible();
  await expect(page.getByRole("row", { name: /Loudest peaks/ })).toContainText("−12.0");
  await expectSaved(page);

  await page.getByRole("link", { name: "Mouse shoot" }).click();
  await expect(stitch(page, "Check").first()).toHaveAccessibleName(/verified/);
  await expect(stitch(page, "Level").first()).toHaveAccessibleName(/verified/);
  await expect(stitch(page, "Dress").first()).toHaveAccessibleName(/verified/);

  await page
    .getByRole("link", { name: /^Check/ })
    .first()
    .click();
  await page.setInputFiles("input[type=file]", { name: "hot.wav", mimeType: "audio/wav", buffer: takeWav(8) });
  await expect(page.getByText(/lower the gain and go again/).first()).toBeVisible();
  await expect(page.getByText(/^Turn .* down by \d+ dB/).first()).toBeVisible();
  await expectSaved(page);
  await page.getByRole("link", { name: "Mouse shoot" }).click();
  await expect(stitch(page, "Check").first()).toHaveAccessibleName(/redo/);
  await expect(page.getByRole("region", { name: "Next" })).toContainText("Clipped");

  await page.reload();
  await expect(stitch(page, "Check").first()).toHaveAccessibleName(/redo/);
});

/** Presses Tab until something with this name has focus. */
async function tabTo(page: Page, name: RegExp, limit = 80): Promise<void> {
  for (let press = 0; press < limit; press += 1) {
    await page.keyboard.press("Tab");
    const focused = await page.evaluate(() => {
      const element = document.activeElement as HTMLElement | null;
      // With nothing focused it is the body, whose text holds every name on the page.
      if (!element || element === document.body) return "";
      const labels = (element.getAttribute("aria-labelledby") ?? "")
        .split(" ")
        .map((id) => document.getElementById(id)?.textContent ?? "");
      const own = (element as HTMLInputElement).labels?.[0]?.textContent ?? "";
      return [element.getAttribute("aria-label") ?? "", ...labels, own, element.textContent ?? ""].join(" ");
    });
    if (name.test(focused)) return;
  }
  throw new Error(`Tab never reached ${String(name)}`);
}

long("by keyboard only: the same way", async ({ page }) => {
  await page.goto("/");
  await tabTo(page, /Title/, 300);
  await page.keyboard.type("Keyboard shoot");
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/shoots\/[0-9a-f-]+$/);
  await page.keyboard.press("1");

  await expect(page.getByRole("button", { name: "Add place" })).toBeVisible();
  await tabTo(page, /Add place/);
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Length")).toBeVisible();
  await tabTo(page, /Length/);
  await page.keyboard.press("Control+a");
  await page.keyboard.type("9");
  await tabTo(page, /Floor/);
  await page.keyboard.press("Enter");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/RT60, 500 Hz to 1 kHz/)).toBeVisible();

  await page.keyboard.press("3");
  await page.waitForURL(/\/dress/);
  await expect(page.getByRole("button", { name: "Add talent" })).toBeVisible();
  await tabTo(page, /Add talent/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("radiogroup", { name: "Places, best first" })).toBeVisible();
  await tabTo(page, /Rank [2-9]/, 200);
  await page.keyboard.press("Enter");
  await expect(page.getByText("Chosen", { exact: true })).toBeVisible();
  await tabTo(page, /Head turn/);
  const before = await page.getByTestId("level-at-turn").textContent();
  for (let press = 0; press < 8; press += 1) await page.keyboard.press("ArrowRight");
  await expect(page.getByTestId("level-at-turn")).not.toHaveText(before!);
  await expect(page.getByText("40° to their right")).toBeVisible();

  await page.keyboard.press("5");
  await page.waitForURL(/\/level/);
  await expect(page.getByRole("list", { name: /^What to set/ })).toContainText("Gain");

  await page.keyboard.press("7");
  await page.waitForURL(/\/check/);
  await expect(page.getByRole("button", { name: "Choose a recording" })).toBeVisible();
  const chooser = page.waitForEvent("filechooser");
  await tabTo(page, /Choose a recording/);
  await page.keyboard.press("Enter");
  await (await chooser).setFiles({ name: "key.wav", mimeType: "audio/wav", buffer: takeWav(-12) });
  await expect(page.getByText("A good recording: clean, and well above the noise.").first()).toBeVisible();

  await page.keyboard.press("b");
  await expect(stitch(page, "Check").first()).toHaveAccessibleName(/verified/);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeHidden();
  await page.keyboard.press("g");
  await expect(page.locator("html")).toHaveAttribute("data-ground", "dark");
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-ground", "dark");
});

long("on a phone, 390 px wide: the same way, and nothing runs over the side", async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  const noOverflow = async () =>
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);

  await startShoot(page, "Phone shoot");
  await page.getByRole("button", { name: "Add place" }).tap();
  await expect(page.getByText(/RT60, 500 Hz to 1 kHz/)).toBeVisible();
  await noOverflow();
  await goToStation(page, "Dress");
  await page.getByRole("button", { name: "Add talent" }).tap();
  await page.getByRole("button", { name: /^Rank 1:/ }).tap();
  await expect(page.getByText("Chosen", { exact: true })).toBeVisible();
  await noOverflow();
  await goToStation(page, "Level");
  await expect(page.getByRole("list", { name: /^What to set/ })).toContainText("Sensitivity");
  await noOverflow();
  await goToStation(page, "Check");
  await page.setInputFiles("input[type=file]", { name: "low.wav", mimeType: "audio/wav", buffer: takeWav(-45) });
  await expect(page.getByText(/Clean but low|not far enough above/).first()).toBeVisible();
  await noOverflow();
  await goToStation(page, "Board");
  await expect(stitch(page, "Check").first()).toHaveAccessibleName(/verified|redo/);
  await noOverflow();
  await context.close();
});
