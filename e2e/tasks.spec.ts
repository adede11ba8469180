import { expect } from "@playwright/test";
import { atBoard, atHome, atNewBoard, inSight } from "./hands";
import { long } from "./long";
import { expectSaved, goToStation } from "./shoot";
import { takeWav } from "./sounds";
import { test } from "./test";

/** What a stranger wants of the program, from the home page or the board, in how many presses. */
const verdict = "[data-part=verdict]";

test("1: a hidden lav under a denim jacket, in six", async ({ page }) => {
  const hands = await atHome(page);
  await hands.ask("Where does the mic go?");
  await hands.button("Add a layer");
  await hands.choose("Garment", "denim jacket", page.getByRole("group", { name: "Layer 2" }));
  await inSight(page.locator(verdict));
  await expect(page.locator(verdict)).toContainText(/^Suggested/);
  expect(hands.count).toBeLessThanOrEqual(6);
});

test("2: a bride in a strapless dress, in six", async ({ page }) => {
  const hands = await atHome(page);
  await hands.ask("Where does the mic go?");
  await hands.choose("Garment", "strapless dress", page.getByRole("group", { name: "Next to the skin" }));
  await hands.choose("Kind of work", "Stage or ceremony");
  await inSight(page.locator(verdict));
  expect(hands.count).toBeLessThanOrEqual(6);
});

for (const input of ["phone, headset socket", "phone, data socket"])
  (input === "phone, data socket" ? long : test)(
    `3: a receiver's 3.5 mm output into a ${input}, in three`,
    async ({ page }) => {
      const hands = await atHome(page);
      await hands.ask("Which cable?");
      await hands.choose("Into", input);
      await expect(page.locator(verdict)).toHaveText(/It works/);
      await inSight(page.locator(verdict));
      expect(hands.count).toBeLessThanOrEqual(3);
    },
  );

for (const [what, db, says] of [
  ["good", -12, /A good recording/],
  ["clipped", 8, /Clipped on loud syllables/],
] as const)
  (what === "good" ? long : test)(`4: is this ${what} take good, in two`, async ({ page }) => {
    const hands = await atHome(page);
    await hands.ask("Is this take good?");
    await hands.give({ name: `${what}.wav`, mimeType: "audio/wav", buffer: takeWav(db) });
    await expect(page.locator(verdict).first()).toHaveText(says);
    await inSight(page.locator(verdict).first());
    expect(hands.count).toBeLessThanOrEqual(2);
  });

test("5: the gain for somebody loud, in three", async ({ page }) => {
  const hands = await atHome(page);
  await hands.ask("What do I set?");
  const settings = page.getByRole("list", { name: /^What to set/ });
  await inSight(settings.getByText("Gain", { exact: true }).first());
  await hands.press(page.getByRole("radiogroup", { name: "Voice" }).getByText("Shout", { exact: true }));
  await expect(page.getByText(/^At these settings a shouted line|At these settings a shout/)).toBeVisible();
  expect(hands.count).toBeLessThanOrEqual(3);
});

test("6: frequencies for six wireless, in ten", async ({ page }) => {
  const { hands } = await atNewBoard(page, "Six wireless");
  for (let talent = 1; talent <= 6; talent += 1) {
    await hands.button("Add talent");
    await expect(page.getByRole("link", { name: `Talent ${talent}` }).first()).toBeVisible();
  }
  await goToStation(page, "Link");
  await hands.button("Find frequencies");
  hands.count += 1;
  await expect(page.getByText("All 6 frequencies are compatible.")).toBeVisible({ timeout: 30_000 });
  await inSight(page.getByText("All 6 frequencies are compatible."));
  expect(hands.count).toBeLessThanOrEqual(10);
});

test("7: a room that rings, and what helps, in four", async ({ page }) => {
  const hands = await atHome(page);
  await hands.ask("When is it quiet?");
  await goToStation(page, "Scout");
  hands.count += 1;
  await hands.button("Add place");
  await hands.choose("Walls", "marble or glazed tile");
  await expect(page.locator(verdict).first()).toHaveText(/reverberant|room will be heard/i);
  await inSight(page.locator(verdict).first());
  await expect(page.getByRole("region", { name: "Treatments" })).toContainText(/down to/);
  expect(hands.count).toBeLessThanOrEqual(5);
});

test("8: when a place is quiet, as a list", async ({ page }) => {
  const hands = await atBoard(page);
  await hands.link(/^Scout/);
  await hands.press(page.getByRole("radiogroup", { name: "Scout views" }).getByText("Quiet times", { exact: true }));
  await expect(page.getByRole("list", { name: /Quiet/ })).toContainText(/\d\d:\d\d–\d\d:\d\d, \d+ min/);
  expect(hands.count).toBeLessThanOrEqual(3);
});

test("9: a talent's card and the day sheet, to print", async ({ page }) => {
  const hands = await atBoard(page);
  await hands.link("Day sheet", page.getByRole("main"));
  await expect(page.getByRole("region", { name: "Interview with the miller" })).toContainText("Tam, miller");
  await expect(page.getByRole("button", { name: "Print" }).first()).toBeVisible();
  expect(hands.count).toBe(1);
  await hands.link(/cards/i, page.getByRole("main"));
  await expect(page.getByRole("heading", { name: "Tam, miller" })).toBeVisible();
  expect(hands.count).toBeLessThanOrEqual(3);
});

test("10: what to pack for tomorrow, in one, with tape, batteries and cards", async ({ page }) => {
  const hands = await atBoard(page);
  await hands.link("Packing list", page.getByRole("main"));
  const list = page.getByRole("table", { name: "Packing list" });
  await inSight(list);
  for (const group of ["Cables and adapters", "Packs and receivers", "Tape and fixing", "Batteries", "Cards"])
    await expect(list.getByRole("rowheader", { name: group, exact: true })).toBeVisible();
  expect(hands.count).toBe(1);
});

test("11: something hums, in three", async ({ page }) => {
  const hands = await atHome(page);
  await hands.ask("Which cable?");
  await hands.press(page.getByRole("radiogroup", { name: "Link views" }).getByText("Troubleshoot", { exact: true }));
  await hands.button("Hum or buzz");
  const question = page.getByRole("region", { name: "Troubleshoot" }).getByRole("status");
  await expect(question).not.toBeEmpty();
  await inSight(question);
  expect(hands.count).toBeLessThanOrEqual(3);
});

test("12: rename, change, undo, redo, delete, bring back", async ({ page }) => {
  const { hands, id } = await atNewBoard(page, "All my edits");
  await hands.button("Add talent");
  await hands.type("Name", "Ada");
  await expect(page.getByRole("link", { name: "Ada" })).toBeVisible();
  await page.locator("body").press("Control+z");
  await expect(page.getByRole("link", { name: "Talent 1" })).toBeVisible();
  await page.locator("body").press("Control+Shift+z");
  await expect(page.getByRole("link", { name: "Ada" })).toBeVisible();
  await expectSaved(page);
  await page.goto(`/shoots/${id}`);
  await hands.button("More for Ada");
  await hands.press(page.getByRole("menuitem", { name: "Delete talent" }));
  await hands.button("Undo");
  await expect(page.getByRole("row", { name: /^Ada/ })).toBeVisible();
});

test("13: a second scene on day 2 elsewhere, in one dialog", async ({ page }) => {
  const { hands } = await atNewBoard(page, "Two days");
  await hands.button("Add talent");
  await goToStation(page, "Board");
  await hands.button("Add scene");
  const dialog = page.getByRole("dialog", { name: "Add scene" });
  await hands.choose("Day", "Day 2 (makes the shoot longer)", dialog);
  await hands.press(dialog.getByText("Talent 1"));
  await hands.button("Add scene", dialog);
  await expect(page.getByRole("table", { name: "Talent by stations" })).toContainText("Day 2");
  await expectSaved(page);
  expect(hands.count).toBeLessThanOrEqual(6);
});
