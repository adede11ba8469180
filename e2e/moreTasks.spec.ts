import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";
import { atBoard, atHome, atNewBoard, Hands, inSight } from "./hands";
import { awake, choose, expectSaved, goToStation, openDemo, openLinks } from "./shoot";
import { takeWav } from "./sounds";
import { long } from "./long";
import { test } from "./test";

const verdict = "[data-part=verdict]";
const focusedName = (page: Page) =>
  page.evaluate(() => {
    const element = document.activeElement as HTMLElement | null;
    const labels = (element?.getAttribute("aria-labelledby") ?? "")
      .split(" ")
      .map((id) => document.getElementById(id)?.textContent ?? "");
    return [element?.getAttribute("aria-label") ?? "", ...labels, element?.textContent ?? ""].join(" ");
  });

test("14: the shoot's facts are changed in one dialog", async ({ page }) => {
  const { hands } = await atNewBoard(page, "Facts");
  await hands.button("Shoot: Facts");
  await hands.press(page.getByRole("menuitem", { name: "Change the shoot" }));
  const dialog = page.getByRole("dialog", { name: "Shoot" });
  await dialog.getByLabel("Title").fill("Facts, changed");
  await dialog.getByLabel("Days").fill("3");
  await dialog.getByText("Imperial", { exact: true }).click();
  await dialog.getByText("12 h", { exact: true }).click();
  await hands.button("Save", dialog);
  await expect(page.getByRole("link", { name: "Facts, changed" })).toBeVisible();
  await expectSaved(page);
  await page.reload();
  await page.getByRole("button", { name: "Shoot: Facts, changed" }).click();
  await page.getByRole("menuitem", { name: "Change the shoot" }).click();
  await expect(page.getByLabel("Days")).toHaveValue("3");
  await expect(page.getByRole("radio", { name: "12 h" })).toBeChecked();
  expect(hands.count).toBeLessThanOrEqual(3);
});

long("15: a shoot is duplicated with its plans and kit, without its takes", async ({ page }) => {
  const hands = await atBoard(page);
  await hands.button("Shoot: Slack Water");
  await hands.press(page.getByRole("menuitem", { name: "Duplicate" }));
  await expect(page.getByRole("button", { name: /^Shoot: Slack Water.+/ })).toBeVisible();
  await expect(page.getByRole("row", { name: /^Tam, miller/ }).first()).toBeVisible();
  await expect(page.getByRole("link", { name: /^Check: verified/ })).toHaveCount(0);
  await expectSaved(page);
  expect(hands.count).toBe(2);
});

test("15: the kit is asked once, and the next shoot starts with the settings of this one", async ({ page }) => {
  const { hands } = await atNewBoard(page, "Diary");
  await page.getByRole("button", { name: "Add talent" }).click();
  await goToStation(page, "Board");
  await hands.press(page.getByRole("link", { name: /^What do you have/ }));
  const dialog = page.getByRole("dialog", { name: "What do you have?" });
  await hands.press(dialog.getByText("Phone diary"));
  await hands.button("Save", dialog);
  await expect(dialog).toBeHidden();
  await goToStation(page, "Link");
  await openLinks(page, "Cables");
  await expect(page.getByRole("main")).toContainText("phone, headset socket");
  await expectSaved(page);
  expect(hands.count).toBe(3);
  await page.goto("/");
  await awake(page);
  await page.getByLabel("Title").fill("Diary, next");
  await page.getByRole("button", { name: "Days, frame rate, units, delivery, kit" }).click();
  await choose(page, "Start with the kit and settings of", "Diary");
  await page.getByRole("button", { name: "Start shoot" }).click();
  await expect(page.getByRole("link", { name: "Diary, next" })).toBeVisible();
  // What was said once holds for every shoot of the crew.
  await expect(page.getByRole("link", { name: /^What do you have/ })).toBeHidden();
  await page.getByRole("link", { name: "Kit", exact: true }).click();
  await page.getByRole("button", { name: "What do you have?" }).click();
  await page.getByRole("button", { name: "Forget this" }).click();
  await expectSaved(page);
});

long("16: a second device sees within a second what the first one does", async ({ page, browser }) => {
  const { hands, id } = await atNewBoard(page, "Two devices");
  const second = await browser.newPage();
  await second.goto(`/shoots/${id}`);
  await awake(second);
  await hands.button("Add talent");
  await hands.type("Name", "Ada");
  await expect(second.getByRole("row", { name: /^Ada/ })).toBeVisible();
  await second.close();
});

test("17: a take is logged with what is wrong with it, in four from the board", async ({ page }) => {
  const hands = await atBoard(page);
  await hands.press(page.getByRole("navigation", { name: "Stations" }).getByRole("link", { name: /^Roll/ }));
  await hands.button("Start take");
  await hands.press(page.getByRole("group", { name: "Mark now" }).getByRole("button", { name: /Aircraft/ }));
  await hands.button("Stop");
  const take = page
    .getByRole("list", { name: "Takes" })
    .getByRole("listitem")
    .filter({ hasText: /Aircraft 0:0\d/ });
  await expect(take).toHaveCount(1);
  await expectSaved(page);
  await page.reload();
  await awake(page);
  await expect(take).toHaveCount(1);
  expect(hands.count).toBe(4);
});

test("18: a shoot goes out as a file and comes in again, whole", async ({ page }) => {
  const hands = await atBoard(page);
  await hands.button("Shoot: Slack Water");
  const download = page.waitForEvent("download");
  await hands.press(page.getByRole("menuitem", { name: "Save as a file" }));
  const path = await (await download).path();
  await page.goto("/");
  await awake(page);
  const chooser = page.waitForEvent("filechooser");
  await hands.button("Import a shoot");
  await (await chooser).setFiles(path);
  await page.waitForURL(/\/shoots\/(?!51ac0000)/);
  await expect(page.getByRole("row", { name: /^Tam, miller/ }).first()).toBeVisible();
  await expect(page.getByRole("link", { name: /^Check: redo/ }).first()).toBeVisible();
  await expectSaved(page);
  expect(hands.count).toBeLessThanOrEqual(4);
});

test("18: what is no shoot is refused with the reason, and nothing is made", async ({ page }) => {
  await atHome(page);
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Import a shoot" }).click();
  await (await chooser).setFiles({ name: "no.json", mimeType: "application/json", buffer: Buffer.from('{"a":1}') });
  await expect(page.getByText("This is not a shoot saved by Hypophon.")).toBeVisible();
  expect(new URL(page.url()).pathname).toBe("/");
});

test("19: by keyboard, from Add talent to the first garment in eight tabs", async ({ page }) => {
  await atNewBoard(page, "By keys");
  await page.getByRole("main").getByRole("button", { name: "Add talent" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("radiogroup", { name: "Places, best first" })).toBeVisible();
  let tabs = 0;
  while (tabs < 9 && !/Garment/.test(await focusedName(page))) {
    await page.keyboard.press("Tab");
    tabs += 1;
  }
  expect(tabs).toBeLessThanOrEqual(8);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("searchbox")).toBeFocused();
  await page.keyboard.type("denim");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("group", { name: "Next to the skin" })).toContainText(/denim/i);
  await expect(page.locator(verdict)).toContainText(/^Suggested/);
});

test("20: in feet and inches everywhere, never in metres", async ({ page }) => {
  const { hands } = await atNewBoard(page, "Inches");
  await hands.button("Shoot: Inches");
  await hands.press(page.getByRole("menuitem", { name: "Change the shoot" }));
  await page.getByRole("dialog").getByText("Imperial", { exact: true }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Save" }).click();
  await goToStation(page, "Scout");
  await page.getByRole("button", { name: "Add place" }).click();
  await expect(page.locator(verdict).first()).toBeVisible();
  for (const station of ["Scout", "Dress", "Link"]) {
    await goToStation(page, station);
    if (station === "Dress") await page.getByRole("main").getByRole("button", { name: "Add talent" }).click();
    await expect(page.locator(verdict).first()).toBeVisible();
    // Panels are sold by their thickness in cm.
    const lines = (await page.getByRole("main").innerText())
      .split("\n")
      .filter((line) => !/foam|mineral wool/.test(line));
    expect([station, lines.filter((line) => /\d (m|cm)\b(?! ?\/)/.test(line))]).toEqual([station, []]);
  }
});

test("21: anything is found by its name, in two", async ({ page }) => {
  await atBoard(page);
  for (const [typed, found] of [
    ["odil", "Odile, singer"],
    ["granary", "Stone granary"],
    ["mudflat", "Counting the mudflat"],
    ["pack", "Kit"],
  ] as const) {
    await page.keyboard.press("/");
    await page.keyboard.type(typed);
    await expect(page.getByRole("menuitem", { name: new RegExp(found) }).first()).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toBeHidden();
  }
  await page.keyboard.press("/");
  await page.keyboard.type("odil");
  await expect(page.getByRole("menuitem", { name: /^Odile/ }).first()).toBeVisible();
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/dress\?wearer=/);
  await expect(page.locator(verdict)).toBeVisible();
});

test("22: what a term means, where it stands and by its name", async ({ page }) => {
  const hands = await atBoard(page);
  await hands.link(/^Scout/);
  await hands.button("Critical distance");
  await expect(page.getByText(/direct sound and the reverberation are equally loud/)).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("/");
  await page.keyboard.type("sti");
  await expect(page.getByText(/0 is unintelligible, 1 perfect/)).toBeVisible();
  expect(hands.count).toBe(2);
});

test("23: with a screen reader: every landmark has a name, and a changed answer is announced", async ({ page }) => {
  const hands = await atHome(page);
  await hands.ask("Where does the mic go?");
  await expect(page.locator(`${verdict}[aria-live=polite]`)).toHaveCount(1);
  for (const name of ["Stations", "Talent"]) await expect(page.getByRole("navigation", { name })).toBeVisible();
  const before = await page.locator(verdict).innerText();
  await choose(page, "Garment", "strapless dress", page.getByRole("group", { name: "Next to the skin" }));
  await expect(page.locator(verdict)).not.toHaveText(before);
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id }) => id)).toEqual([]);
});

test.describe("24: on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test("a hidden lav under a denim jacket", async ({ page }) => {
    const hands = await atHome(page);
    await hands.ask("Where does the mic go?");
    await hands.choose("Garment", "denim jacket", page.getByRole("group", { name: "Next to the skin" }));
    await page.locator(verdict).scrollIntoViewIfNeeded();
    await expect(page.locator(verdict)).toContainText(/^Suggested/);
    expect(hands.count).toBeLessThanOrEqual(6);
  });

  test("is this take good", async ({ page }) => {
    const hands = await atHome(page);
    await hands.ask("Is this take good?");
    await hands.give({ name: "hot.wav", mimeType: "audio/wav", buffer: takeWav(8) });
    await expect(page.locator(verdict).first()).toHaveText(/Clipped/);
    expect(hands.count).toBe(2);
  });

  test("something hums", async ({ page }) => {
    const id = await openDemo(page.request);
    await page.goto(`/shoots/${id}/link?view=trouble`);
    await awake(page);
    const hands = new Hands(page);
    await hands.button("Hum or buzz");
    await inSight(page.getByRole("region", { name: "Troubleshoot" }).getByRole("status"), 844);
    expect(hands.count).toBe(1);
  });
});
