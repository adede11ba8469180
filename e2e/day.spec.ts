import AxeBuilder from "@axe-core/playwright";
import { expect } from "@playwright/test";
import { awake, choose, expectSaved, openDemo, openLevels, startShoot } from "./shoot";
import { long } from "./long";

long("cards, batteries and ears of a day: what lacks is said, and what there is is remembered", async ({ page }) => {
  const id = await startShoot(page, "Cards and cells");
  await page.goto(`/shoots/${id}/dress`);
  await page.getByRole("button", { name: "Add talent" }).click();
  await expect(page.getByRole("link", { name: "Talent 1" })).toBeVisible();
  await expectSaved(page);
  await page.goto(`/shoots/${id}/level`);
  await awake(page);
  await openLevels(page, "Cards and batteries");
  const piece = (name: string) => page.getByRole("region", { name });
  await expect(piece("Cards").getByRole("status")).toContainText("One card is enough");
  await piece("Cards").getByRole("textbox", { name: "Card 1" }).fill("0.1");
  await expect(piece("Cards").getByRole("status")).toHaveText(
    /^The cards last until \d\d:\d\d: .* needs \d+ min more\. Bring \d+ more cards of 0\.1 GB\.$/,
  );
  await piece("Cards").getByRole("textbox", { name: "Card 1" }).fill("-4");
  await expect(piece("Cards").getByText("Card 1: 0.1 to 8000 GB.")).toBeVisible();
  await piece("Cards").getByRole("button", { name: "A card" }).click();
  await expect(piece("Cards").getByRole("status")).toContainText("The first card lasts until");
  await piece("Batteries").getByLabel("Coldest hour").fill("-20");
  await piece("Batteries").getByRole("button", { name: "What is in the packs, receivers and the recorder" }).click();
  const packs = piece("Batteries").getByRole("group", { name: "Packs and receivers" });
  await packs.getByLabel("Capacity").fill("200");
  await expect(piece("Batteries").getByText(/Pack of Talent 1: a set lasts 0\.\d h/)).toBeVisible();
  await choose(page, "Cells", "lithium-ion, rechargeable", packs);
  await piece("Headphones").getByLabel("On headphones").fill("97");
  await expect(piece("Headphones").getByRole("status")).toContainText("turn down by");
  await page.getByRole("button", { name: "Tape" }).click();
  await expect(piece("Tape").getByText(/^32 min in one direction/)).toBeVisible();
  await expectSaved(page);
  await page.reload();
  await awake(page);
  await openLevels(page, "Cards and batteries");
  await expect(piece("Cards").getByRole("textbox", { name: "Card 2" })).toHaveValue("32");
  await expect(piece("Batteries").getByLabel("Coldest hour")).toHaveValue("-20");
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((each) => each.id)).toEqual([]);
});

long("the demo's days have their cards and cells planned", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/shoots/${id}/level`);
  await awake(page);
  await openLevels(page, "Cards and batteries");
  for (const day of ["Day 1", "Day 2", "Day 3"]) {
    await page.getByText(day, { exact: true }).click();
    await expect(page.getByRole("region", { name: "Cards" }).getByRole("status")).toContainText("One card is enough");
    await expect(page.getByRole("region", { name: "Batteries" }).getByRole("status")).toContainText(
      "× alkaline, 1.5 V",
    );
  }
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
});
