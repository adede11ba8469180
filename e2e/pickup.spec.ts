import { expect, type Locator, type Page } from "@playwright/test";
import { long } from "./long";
import { awake, choose, chooseScene, expectSaved, openDemo, startShoot } from "./shoot";
import { test } from "./test";

const plan = (page: Page) => page.getByRole("group", { name: "Plan", exact: true });
const ways = (page: Page) => page.getByRole("radiogroup", { name: "Ways, best first" });
const got = (page: Page, row: string) =>
  page
    .getByRole("row", { name: new RegExp(`^${row}`) })
    .getByRole("cell")
    .first();
const figure = async (page: Page, row: string) =>
  Number((await got(page, row).textContent())!.replace("−", "-").replace(/ m$/, ""));

/** A shoot of its own with one person in a scouted room, in Pickup. */
async function openPickup(page: Page, title: string): Promise<void> {
  await startShoot(page, title);
  await page.getByRole("button", { name: "Add place" }).click();
  await expectSaved(page);
  await page.goto(page.url().replace("scout", "dress"));
  await page.getByRole("button", { name: "Add talent" }).click();
  await expect(page.getByRole("region", { name: "Dress form" })).toBeVisible();
  await expectSaved(page);
  await page.goto(page.url().replace(/dress.*/, "pickup"));
  await expect(plan(page)).toBeVisible();
  await awake(page);
}

async function dragBy(page: Page, thing: Locator, x: number, y: number): Promise<void> {
  const box = (await thing.locator(".mark").boundingBox())!;
  const [fromX, fromY] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(fromX, fromY);
  await page.mouse.down();
  await page.mouse.move(fromX + x, fromY + y, { steps: 8 });
  await page.mouse.up();
}

long(
  "by mouse: a way is laid out, its microphone dragged away loses level, and it stays where it was put",
  async ({ page }) => {
    await openPickup(page, "By mouse");
    await expect(ways(page).getByRole("radio", { name: /Hidden lavalier/ })).toBeVisible();
    await ways(page).getByText("Camera mic").click();
    const near = await figure(page, "From the mouth");
    const mic = plan(page).getByRole("button", { name: /^camera mic 1/ });
    await dragBy(page, mic, 0, -60);
    await expect(ways(page).getByRole("radio", { name: /As placed/ })).toBeChecked();
    expect(await figure(page, "From the mouth")).toBeGreaterThan(near + 0.2);
    await expectSaved(page);
    const far = await figure(page, "From the mouth");
    await page.reload();
    await expect(ways(page).getByRole("radio", { name: /As placed/ })).toBeChecked();
    expect(await figure(page, "From the mouth")).toBeCloseTo(far, 2);
    await page.goto(page.url().replace(/\/pickup.*/, ""));
    await expect(page.getByRole("link", { name: /Pickup ?planned/ })).toBeVisible();
  },
);

long("by keyboard: arrows move the microphone, its ring turns it, fields say exactly where", async ({ page }) => {
  await openPickup(page, "By keyboard");
  const mic = plan(page).getByRole("button", { name: /^short hypercardioid 1/ });
  await mic.focus();
  await expect(page.getByRole("group", { name: "Specifications of the microphone" })).toBeVisible();
  const before = await figure(page, "From the mouth");
  const level = await figure(page, "Voice, dB SPL");
  for (let press = 0; press < 8; press += 1) await page.keyboard.press("ArrowUp");
  await expect(ways(page).getByRole("radio", { name: /As placed/ })).toBeChecked();
  expect(await figure(page, "From the mouth")).toBeGreaterThan(before + 0.2);
  expect(await figure(page, "Voice, dB SPL")).toBeLessThan(level);
  const clear = await figure(page, "STI");
  await plan(page).getByRole("button", { name: "Turn microphone 1" }).focus();
  for (let press = 0; press < 24; press += 1) await page.keyboard.press("ArrowRight");
  await expect(async () => expect(await figure(page, "STI")).toBeLessThan(clear)).toPass();
  await expect(page.getByText(/^−10 .*points \d+° past the mouth/)).toBeVisible();
  await page.getByLabel("Height").last().fill("40");
  await expect(page.getByText("Height: 0 to 10 m.")).toBeVisible();
  await expectSaved(page);
});

long("a way walked is drawn step by step and dragged; hands near a microphone colour it", async ({ page }) => {
  await openPickup(page, "Steps and hands");
  const talker = plan(page).getByRole("button", { name: /Talent 1, talker/ });
  await talker.focus();
  await page.getByRole("button", { name: "Walks on to" }).click();
  const step = plan(page).getByRole("button", { name: "Talent 1, step 1" });
  const along = page.getByRole("group", { name: "Step 1" }).getByLabel("From the west");
  const before = Number(await along.inputValue());
  await step.scrollIntoViewIfNeeded();
  await dragBy(page, step, 60, 0);
  expect(Number(await along.inputValue())).toBeGreaterThan(before + 0.2);
  await step.focus();
  await page.keyboard.press("ArrowLeft");
  await expectSaved(page);
  await page.getByRole("button", { name: "Add a microphone" }).click();
  const figures = page.getByRole("group", { name: "Specifications of the microphone" });
  await figures.getByText("Hands near it").click();
  await expect(
    page.getByText(/comb filtering from the hands: \d+ dB of ripple from \d+ Hz upwards/).first(),
  ).toBeVisible();
  await figures.getByLabel("Hands come to").fill("3");
  await figures.getByText("Hands near it").click();
  await expect(page.getByText(/comb filtering from the hands/)).toBeHidden();
  await expectSaved(page);
});

test.describe("by touch", () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 800 } });

  long("a talker is pushed across the plan with a finger, and nothing overflows", async ({ page }) => {
    await openPickup(page, "By touch");
    const talker = plan(page).getByRole("button", { name: /Talent 1, talker/ });
    await talker.scrollIntoViewIfNeeded();
    const far = async () => figure(page, "From the mouth");
    await ways(page).getByText("Camera mic").click();
    await page.getByRole("button", { name: "Add a microphone" }).click();
    const before = await far();
    await talker.scrollIntoViewIfNeeded();
    const box = (await talker.locator(".mark").boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    const session = await page.context().newCDPSession(page);
    const touch = (type: "touchStart" | "touchMove" | "touchEnd", points: { x: number; y: number }[]) =>
      session.send("Input.dispatchTouchEvent", { type, touchPoints: points });
    await touch("touchStart", [{ x, y }]);
    for (let step = 1; step <= 6; step += 1) await touch("touchMove", [{ x: x + 8 * step, y: y + 8 * step }]);
    await touch("touchEnd", []);
    await expect(async () => expect(Math.abs((await far()) - before)).toBeGreaterThan(0.1)).toPass();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
    await expectSaved(page);
  });
});

long("experiments say what they did in this place, and can be undone", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/pickup?scene=51ac0000-0000-4000-8000-000000000027`);
  await expect(plan(page)).toBeVisible();
  await awake(page);
  await ways(page).getByText("Overhead boom, short hypercardioid").click();
  await plan(page)
    .getByRole("button", { name: /hypercardioid 1/ })
    .focus();
  await page.getByRole("button", { name: "Turn it round" }).click();
  await expect(page.getByText(/Turn it round: the voice −\d+ dB, voice over room −\d+ dB, clarity/)).toBeVisible();
  await expect(page.getByText(/^−10 .*gets mostly the room/)).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText(/^−10 .*gets mostly the room/)).toBeHidden();
  await plan(page)
    .getByRole("button", { name: /hypercardioid 1/ })
    .focus();
  await page.getByRole("button", { name: "Double the distance" }).click();
  await expect(page.getByText(/Double the distance: the voice −[4-6] dB/)).toBeVisible();
  await page.getByRole("button", { name: "Remove", exact: true }).click();
  await expectSaved(page);
});

long("what may be seen, which shot and which school change the ranking; what is out says why", async ({ page }) => {
  await openPickup(page, "Wishes");
  const radios = () => ways(page).getByRole("radio");
  const before = await radios().count();
  await page.getByRole("button", { name: /Out of the question/ }).click();
  await expect(page.getByText("It would be in the picture.").first()).toBeVisible();
  await page.getByText("May be in the picture").click();
  await expect(ways(page).getByText("Hand mic at 15 cm")).toBeVisible();
  expect(await radios().count()).toBeGreaterThan(before);
  await choose(page, "Overhead", "Always a long gun");
  await expect(ways(page).getByText("Overhead boom, short hypercardioid")).toBeHidden();
  await expect(page.getByText("You chose the long gun.")).toBeVisible();
  await expectSaved(page);
});

long(
  "three round a table and a player with an instrument: who else is heard, and the section from the side",
  async ({ page, request }) => {
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}/pickup?scene=51ac0000-0000-4000-8000-000000000026`);
    await expect(ways(page).getByText("As placed")).toBeVisible();
    await expect(page.getByText("The next talker lies 0 dB below on a track.")).toBeVisible();
    await expect(page.getByText(/everybody is on one track/)).toBeVisible();
    await expect(async () => {
      await page.getByText("From the side", { exact: true }).click();
      await expect(page.getByRole("group", { name: "Section" })).toBeVisible({ timeout: 1000 });
    }).toPass();
    await page.getByRole("button", { name: "Whole place" }).click();
    await chooseScene(page, "Speech and song");
    await expect(plan(page).getByRole("button", { name: "Accordion, talker" })).toBeVisible();
    await expect(page.getByText(/The next talker lies \d+ dB below on a track/)).toBeVisible();
  },
);

long("Level tells what a free microphone's input must bear", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/level?wearer=51ac0000-0000-4000-8000-000000000036`);
  await page
    .getByRole("list", { name: "Other sources" })
    .getByRole("button", { name: /^Table omni/ })
    .click();
  const cards = page.getByRole("list", { name: /^What to set for Table omni/ });
  await expect(cards).toContainText("Phantom power on");
  await expect(cards).toContainText(/Gain\+?\d+ dB/);
  await page.getByRole("link", { name: "To Pickup" }).click();
  await expect(plan(page)).toBeVisible();
});

test("a shoot without scenes says what to do", async ({ page }) => {
  await startShoot(page, "Empty");
  await page.goto(page.url().replace("scout", "pickup"));
  await expect(page.getByText("Who talks, and where?")).toBeVisible();
});
