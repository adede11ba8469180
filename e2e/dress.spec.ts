import { expect, type Page } from "@playwright/test";
import { long } from "./long";
import { answer, awake, choose, chooseScene, expectSaved, goToStation, openDemo, openView, startShoot } from "./shoot";
import { overprinted, pdfWords } from "./pdfWords";
import { test } from "./test";

const WEARER = (number: number) => `51ac0000-0000-4000-8000-0000000000${number}`;
const places = (page: Page) => page.getByRole("radiogroup", { name: "Places, best first" });

/** A shoot of its own with one new wearer on the Dress screen. */
async function dressSomebody(page: Page, title: string): Promise<string> {
  const id = await startShoot(page, title);
  await goToStation(page, "Dress");
  await page.getByRole("button", { name: "Add talent" }).click();
  await expect(places(page)).toBeVisible();
  return id;
}

long("changing the jacket re-ranks and takes the chosen place off the board", async ({ page }) => {
  await dressSomebody(page, "Jacket");
  await page.getByRole("button", { name: "Add a layer" }).click();
  const layer = page.getByRole("group", { name: "Layer 2" });
  await choose(page, "Garment", "jacket with lapels", layer);
  await page
    .getByRole("radio", { name: /Right lapel on the/ })
    .first()
    .click({ force: true });
  await expect(page.getByText("Chosen", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Take off layer 2" }).click();
  await expect(page.getByRole("main").getByRole("alert")).toContainText("gone with this outfit");
  await page.getByRole("link", { name: "Jacket" }).click();
  await expect(page.getByRole("link", { name: "Dress: redo" })).toBeVisible();
});

test("the form and the list choose the same place, and reasons open", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/dress?wearer=${WEARER(34)}`);
  const second = page.getByRole("button", { name: /^Rank 2:/ });
  const name = (await second.getAttribute("aria-label"))!.replace("Rank 2: ", "");
  await second.locator("circle").click();
  await expect(places(page).getByRole("radio", { checked: true })).toHaveAccessibleName(new RegExp(name));
  await page.getByRole("button", { name: /^Ruled out:/ }).click();
  await expect(page.getByRole("definition").filter({ hasText: "There is no tie." }).first()).toBeVisible();
  await openView(page, "Why");
  await page.getByRole("button", { name: /^Quick and discreet/ }).click();
  await expect(page.getByText(/^\d+(\.\d+)? min to rig\.$/)).toBeVisible();
  await choose(page, "Why not", "On the tie");
  await expect(page.getByRole("region", { name: "Places" })).toContainText("There is no tie.");
  await expect(page.getByText("No single change would help.")).toBeVisible();
});

long("what would make a place possible is tried out and named", async ({ page }) => {
  await dressSomebody(page, "What if");
  await page.getByText("Hidden", { exact: true }).click();
  await page.getByText("Tie", { exact: true }).click();
  await openView(page, "Why");
  await choose(page, "Why not", "On the tie");
  await expect(page.getByText("Let it be seen in this shot")).toBeVisible();
});

long("from the board to a first recommendation for a new wearer in six steps", async ({ page }) => {
  const id = await startShoot(page, "Six steps");
  await page.goto(`/shoots/${id}`);
  await awake(page);
  await page.getByRole("button", { name: "Add talent" }).click();
  await choose(page, "Garment", "T-shirt");
  await page.getByText("Hidden", { exact: true }).click();
  await page.getByText("Walks", { exact: true }).click();
  await expect(page.getByText(/^Suggested/)).toBeVisible();
  await page.getByRole("button", { name: /^Rank 1:/ }).click();
  await expect(page.getByText("Chosen", { exact: true })).toBeVisible();
});

long("weights move the order and the list says from where; a kind of work puts them back", async ({ page }) => {
  await dressSomebody(page, "Weights");
  await page.getByRole("button", { name: "What matters" }).click();
  const slider = page.getByRole("slider", { name: "Steady as the head turns" });
  const ease = page.getByRole("slider", { name: "Quick and discreet" });
  await ease.focus();
  await page.keyboard.press("Home");
  await slider.focus();
  await page.keyboard.press("End");
  await expect(
    places(page)
      .getByText(/(up|down) from \d/)
      .first(),
  ).toBeVisible();
  await choose(page, "Kind of work", "Stage or ceremony");
  await expect(places(page).getByText(/(up|down) from \d/)).toHaveCount(0);
  await page.getByRole("button", { name: "Schools: where practitioners differ" }).click();
  await choose(page, "Shirt collar", "Avoid: uneven");
  await expectSaved(page);
});

long("the recipe follows mount, port, pack and bag", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/dress?wearer=${WEARER(32)}`);
  await awake(page);
  await page.getByRole("button", { name: /^Rank 1:/ }).click();
  await openView(page, "Recipe");
  const materials = page.getByRole("region", { name: "Materials" });
  await choose(page, "Held by", "Ready-made pad");
  await expect(materials).toContainText("Rubber or foam holder");
  await choose(page, "Held by", "Tape triangle sandwich");
  await expect(materials).toContainText("2 strips × 7.5 cm");
  await choose(page, "Pack", "Band at the small of the back");
  await expect(materials).toContainText("Elastic band for the pack");
  await page.getByRole("button", { name: /^In the kit/ }).click();
  await page.getByRole("group", { name: "In the kit" }).getByText("Cloth camera tape").click();
  await expect(page.getByRole("main").getByRole("alert")).toContainText("gone");
});

long("the card is one A4 page and stands on the screen too", async ({ page, request }) => {
  const id = await openDemo(request);
  for (const wearer of [31, 32, 33, 34, 35, 36, 37, 38, 39]) {
    const pdf = await request.get(`/shoots/${id}/card.pdf?wearer=${WEARER(wearer)}`);
    expect(pdf.headers()["content-type"]).toBe("application/pdf");
    const text = (await pdf.body()).toString("latin1");
    expect(text.startsWith("%PDF-")).toBe(true);
    expect(text.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1);
    expect(text).toMatch(/\/MediaBox \[0 0 595\.28\d* 841\.89\d*\]/);
    const words = pdfWords(await pdf.body());
    expect(words.length).toBeGreaterThan(60);
    expect([wearer, overprinted(words)]).toEqual([wearer, []]);
  }
  expect((await request.get(`/shoots/${id}/card.pdf?wearer=nobody`)).status()).toBe(404);
  expect((await request.get("/shoots/nothing/card.pdf")).status()).toBe(404);
  await page.goto(`/shoots/${id}/dress?wearer=${WEARER(35)}`);
  await awake(page);
  await openView(page, "Recipe");
  await page.getByRole("link", { name: "Card for this person" }).click();
  await expect(page.getByRole("heading", { level: 2, name: "Jory, welder" })).toBeVisible();
  await expect(page.getByRole("region", { name: "For sound" })).toContainText("the least sensitive capsule");
  await expect(page.getByRole("region", { name: "For sound" })).toContainText("safety officer");
});

long(
  "a no leads on without fuss, themselves gets words of their own, a yes is kept with its time",
  async ({ page }) => {
    await dressSomebody(page, "Asked");
    await openView(page, "Ask");
    await answer(page, "No");
    await expect(page.getByText(/That is fine\./)).toBeVisible();
    await answer(page, "Themselves");
    await expect(page.getByText(/This is the microphone/)).toBeVisible();
    await answer(page, "Yes");
    await page.getByLabel("Asked by").fill("Kit");
    await choose(page, "Agreed to, at most", "On the outside");
    await expectSaved(page);
    await page.reload();
    await openView(page, "Ask");
    await expect(page.getByLabel("Asked by")).toHaveValue("Kit");
    await expect(page.getByText(/^Asked \d{4}-\d\d-\d\d \d\d:\d\d/)).toBeVisible();
    await openView(page, "Places");
    await expect(
      places(page)
        .getByText(/not agreed to/)
        .first(),
    ).toBeVisible();
  },
);

long("a rig carries over to another scene, and is flagged when a scarf comes on", async ({ page }) => {
  const id = await dressSomebody(page, "Scenes");
  await page.getByRole("button", { name: /^Rank 1:/ }).click();
  await page.getByRole("button", { name: "Copy this rig or talent" }).click();
  await page.getByRole("menuitem", { name: "Copy rig to a new scene" }).click();
  await expect(page.getByText("Carries over from the scene before")).toBeVisible();
  await page.getByRole("button", { name: /^Scene/ }).click();
  await page.getByRole("menuitem", { name: "Change Scene 2" }).click();
  await page.getByRole("spinbutton", { name: /^hour/ }).focus();
  await page.keyboard.type("1430");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByText("Other clothes in this scene").click();
  await page.getByText("Scarf", { exact: true }).click();
  await expect(page.getByText("Since the scene before: scarf added.")).toBeVisible();
  await expectSaved(page);
  await chooseScene(page, "Scene 1");
  await expect(page.getByRole("checkbox", { name: "Scarf", exact: true })).not.toBeChecked();
  await page.getByRole("button", { name: "Copy this rig or talent" }).click();
  await page.getByRole("menuitem", { name: "Another talent dressed alike" }).click();
  await expect(page.getByRole("button", { name: /^Talent 1 \(copy\)/ })).toBeVisible();
  await expectSaved(page);
  await page.goto(`/shoots/${id}/day`);
  await expect(page.getByRole("region", { name: "Scene 1" }).getByRole("row")).toHaveCount(3);
  await expect(page.getByRole("region", { name: "Scene 2" })).toContainText("Changed: scarf added");
  await expect(page.getByRole("region", { name: "Totals of the day" })).toContainText("Microphones and packs");
});

long("what cannot be worn is refused where it arises, with the reason", async ({ page }) => {
  await dressSomebody(page, "Contradiction");
  await page.getByText("Tie", { exact: true }).click();
  await expect(page.getByRole("checkbox", { name: "Tie", exact: true })).toBeChecked();
  await choose(page, "Garment", "T-shirt");
  await expect(page.getByRole("checkbox", { name: "Tie", exact: true })).toBeDisabled();
  await expect(page.getByText("A tie needs a shirt with a collar.")).toBeVisible();
  await page.getByRole("button", { name: "Add a layer" }).click();
  const over = page.getByRole("group", { name: "Layer 2" });
  await choose(page, "Garment", "chest waders", over);
  await page.getByRole("button", { name: "Add a layer" }).click();
  const outer = page.getByRole("group", { name: "Layer 3" });
  await choose(page, "Garment", "dry suit", outer);
  await expect(page.getByText("Two closed suits cannot be worn one over the other.")).toBeVisible();
  await expect(outer.getByRole("button", { name: /Garment$/ })).toContainText("jumper");
  await expectSaved(page);
});

long("four places side by side, and the head turned by key and by drag", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/dress?wearer=${WEARER(52)}`);
  await awake(page);
  await openView(page, "Compare");
  await expect(page.getByRole("img", { name: /Level by octave/ })).toBeVisible();
  await expect(page.getByRole("img", { name: "Level as the head turns from left to right" })).toBeVisible();
  const table = page.getByRole("table");
  await expect(table).toContainText("Head at 0°");
  await page.getByRole("slider", { name: "Head turn" }).focus();
  await page.keyboard.press("ArrowRight");
  await expect(table).toContainText("Head at 5°");
  const head = page
    .getByRole("group", { name: /^Front/ })
    .locator("ellipse")
    .first();
  await head.scrollIntoViewIfNeeded();
  const box = (await head.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 6);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 30, box.y + 6, { steps: 5 });
  await page.mouse.up();
  await expect(table).not.toContainText("Head at 5°");
  await page.getByRole("checkbox", { name: "Button shirt", exact: true }).focus();
  await page.keyboard.press("Space");
  await expect(page.getByRole("checkbox", { name: "Button shirt", exact: true })).not.toBeChecked();
});

long(
  "on a phone: every view of a place, the card and the day sheet stay within the screen",
  async ({ browser, request }) => {
    const id = await openDemo(request);
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
    const page = await context.newPage();
    const noOverflow = async (where: string) =>
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
        where,
      ).toBeLessThanOrEqual(0);
    await page.goto(`/shoots/${id}/dress?wearer=${WEARER(52)}`);
    await awake(page);
    for (const name of ["Recipe", "Ask", "Why", "Compare", "Places"]) {
      await openView(page, name);
      await noOverflow(name);
    }
    for (const screen of ["card", "day"]) {
      await page.goto(`/shoots/${id}/${screen}?wearer=${WEARER(52)}`);
      await noOverflow(screen);
    }
    await context.close();
  },
);

long(
  "a name in letters that the A4 page lacks is said before printing, and this page prints it",
  async ({ page, request }) => {
    const shoot = await startShoot(page, "Letters");
    await goToStation(page, "Dress");
    await page.getByRole("button", { name: "Add talent" }).click();
    await page.getByLabel("Name", { exact: true }).fill("美咲 Łucja");
    await expectSaved(page);
    await page.getByRole("button", { name: /^Rank 1:/ }).click();
    await openView(page, "Recipe");
    await page.getByRole("link", { name: "Card for this person" }).click();
    await expect(page.getByText("The A4 page has no letters for 美 咲, and prints a mark for each.")).toBeVisible();
    await expect(page.getByRole("button", { name: "Print this page" })).toBeVisible();
    const href = await page.getByRole("link", { name: "Print: one A4 page" }).getAttribute("href");
    expect(href).toContain(shoot);
    const words = pdfWords(await (await request.get(href!)).body());
    expect(words.slice(0, 2).map(({ text }) => text)).toEqual(["¤¤", "Łucja"]);
  },
);
