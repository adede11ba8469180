import AxeBuilder from "@axe-core/playwright";
import { type APIRequestContext, expect, type Page } from "@playwright/test";
import { isLong, long } from "./long";
import { awake, goWithin, openDemo, openLinks, openView } from "./shoot";
import { test } from "./test";

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
  "/kit",
  "/level",
  "/roll",
  "/report",
  "/history",
  "/check",
];

/** Pages for paper, of the same parts as the others. */
const SHEETS = ["/site", "/card", "/frequencies"];

/** One document without frames needs no page of its own to gather what was found. */
const axe = (page: Page) => new AxeBuilder({ page }).setLegacyMode();

/** The dark set differs from the day by its colours only: what else there is to check is checked by day. */
const checks = (page: Page, ground: "day" | "dark") =>
  ground === "dark"
    ? axe(page).withRules(["color-contrast"])
    : axe(page)
        .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"])
        // The slowest of them; every pair of colours is worked out in ui/theme.test.ts.
        .disableRules(isLong ? [] : ["color-contrast"]);

const faults = async (page: Page, ground: "day" | "dark"): Promise<string[]> => {
  const { violations } = await checks(page, ground).analyze();
  return violations.map(
    (each) => `${ground}: ${each.id}: ${each.nodes.map((node) => node.target.join(" ")).join(", ")}`,
  );
};

/** The dark set, as its cookie would have it. */
const goDark = (page: Page) =>
  page.evaluate(() => {
    document.documentElement.dataset["ground"] = "dark";
  });

/** The pages of a shoot one after the other, with one load. */
const walk = (views: readonly string[]) => async (page: Page, request: APIRequestContext) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}${views[0]}`);
  await awake(page);
  for (const view of views) {
    await goWithin(page, `/shoots/${id}${view}`);
    await page.evaluate(() => delete document.documentElement.dataset["ground"]);
    expect([view, ...(await faults(page, "day"))]).toEqual([view]);
    // Here are those colours that a page may mix by itself.
    if (!isLong) continue;
    await goDark(page);
    expect([view, ...(await faults(page, "dark"))]).toEqual([view]);
  }
};

test("no accessibility fault on home by day and in the dark", async ({ page }) => {
  await page.goto("/");
  await awake(page);
  expect(await faults(page, "day")).toEqual([]);
  await goDark(page);
  expect(await faults(page, "dark")).toEqual([]);
});

const STATIONS = VIEWS.filter((view) => !SHEETS.includes(view));
test("no accessibility fault on the first stations by day and in the dark", ({ page, request }) =>
  walk(STATIONS.slice(0, 5))(page, request));
test("no accessibility fault on the other stations by day and in the dark", ({ page, request }) =>
  walk(STATIONS.slice(5))(page, request));
long("no accessibility fault on the sheets by day and in the dark", ({ page, request }) => walk(SHEETS)(page, request));

long("each view of a place has no accessibility fault", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/dress?wearer=51ac0000-0000-4000-8000-000000000033`);
  await awake(page);
  for (const view of ["Recipe", "Ask", "Why", "Compare"]) {
    await openView(page, view);
    const { violations } = await axe(page).withTags(["wcag2a", "wcag2aa", "wcag22aa"]).analyze();
    expect(violations.map((each) => `${view}: ${each.id}`)).toEqual([]);
  }
});

long("each view of the links has no accessibility fault by day and in the dark", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/link`);
  await awake(page);
  for (const view of ["Cables", "Pairing", "Troubleshoot"]) {
    await page.evaluate(() => delete document.documentElement.dataset["ground"]);
    await openLinks(page, view);
    await expect(page.getByText("One moment…")).toHaveCount(0);
    expect(await faults(page, "day")).toEqual([]);
    await goDark(page);
    expect(await faults(page, "dark")).toEqual([]);
  }
});

test("the dark set that was chosen is there again on the next page", async ({ page, request, context, baseURL }) => {
  await context.addCookies([{ name: "ground", value: "dark", url: baseURL! }]);
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/day`);
  await awake(page);
  await expect(page.locator("html")).toHaveAttribute("data-ground", "dark");
});

test("the measured take has no accessibility fault", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/check?wearer=51ac0000-0000-4000-8000-000000000033`);
  await page.getByRole("button", { name: "Singer, hall, take 1" }).click();
  await expect(page.getByRole("list", { name: "Findings" })).toBeVisible();
  const { violations } = await axe(page).analyze();
  expect(violations.map((each) => each.id)).toEqual([]);
});

test("single keys can be switched off", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}`);
  await page.getByRole("button", { name: "Show keys" }).click();
  await page.getByText("Single keys work").click();
  await page.getByRole("button", { name: "Close" }).click();
  await page.keyboard.press("3");
  // Whatever the key does it does before the next press is answered.
  await page.getByRole("button", { name: "Show keys" }).click();
  await expect(page.getByRole("dialog")).toBeVisible();
  expect(page.url()).not.toContain("dress");
});
