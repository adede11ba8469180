import AxeBuilder from "@axe-core/playwright";
import { expect, test, type Page } from "@playwright/test";
import { awake, openDemo, openLinks, openView } from "./shoot";

const VIEWS = [
  "",
  "/scout",
  "/site",
  "/pickup",
  "/dress",
  "/card",
  "/day",
  "/link",
  "/frequencies",
  "/level",
  "/check",
];

/** The dark set differs from the day by its colours only: what else there is to check is checked by day. */
const checks = (page: Page, ground: "day" | "dark") =>
  ground === "dark"
    ? new AxeBuilder({ page }).withRules(["color-contrast"])
    : new AxeBuilder({ page }).withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]);

for (const ground of ["day", "dark"] as const)
  for (const view of ["home", ...VIEWS])
    test(`no accessibility fault on ${view === "" ? "board" : view} by ${ground}`, async ({
      page,
      request,
      context,
      baseURL,
    }) => {
      await context.addCookies([{ name: "ground", value: ground, url: baseURL! }]);
      const id = await openDemo(request);
      await page.goto(view === "home" ? "/" : `/shoots/${id}${view}`);
      await awake(page);
      const { violations } = await checks(page, ground).analyze();
      expect(
        violations.map((each) => `${each.id}: ${each.nodes.map((node) => node.target.join(" ")).join(", ")}`),
      ).toEqual([]);
    });

test("each view of a place has no accessibility fault", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/dress?wearer=51ac0000-0000-4000-8000-000000000033`);
  await awake(page);
  for (const view of ["Recipe", "Ask", "Why", "Compare"]) {
    await openView(page, view);
    const { violations } = await new AxeBuilder({ page }).withTags(["wcag2a", "wcag2aa", "wcag22aa"]).analyze();
    expect(violations.map((each) => `${view}: ${each.id}`)).toEqual([]);
  }
});

for (const ground of ["day", "dark"] as const)
  test(`each view of the links has no accessibility fault by ${ground}`, async ({
    page,
    request,
    context,
    baseURL,
  }) => {
    await context.addCookies([{ name: "ground", value: ground, url: baseURL! }]);
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}/link`);
    await awake(page);
    for (const view of ["Leads", "Pairing", "Something is wrong", "The bag"]) {
      await openLinks(page, view);
      await expect(page.getByText("One moment…")).toHaveCount(0);
      const { violations } = await checks(page, ground).analyze();
      expect(violations.map((each) => `${view}: ${each.id}`)).toEqual([]);
    }
  });

test("the measured take has no accessibility fault", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/check?wearer=51ac0000-0000-4000-8000-000000000033`);
  await page.getByRole("button", { name: "Singer, hall, take 1" }).click();
  await expect(page.getByRole("list", { name: "Findings" })).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((each) => each.id)).toEqual([]);
});

test("single keys can be switched off", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}`);
  await page.getByRole("button", { name: "Show keys" }).click();
  await page.getByText("Single keys work").click();
  await page.getByRole("button", { name: "Close" }).click();
  await page.keyboard.press("3");
  await page.waitForTimeout(300);
  expect(page.url()).not.toContain("dress");
});
