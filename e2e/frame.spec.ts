import { expect, type Page } from "@playwright/test";
import { awake, goWithin, openDemo } from "./shoot";
import { long } from "./long";
import { test } from "./test";

const TAM = "51ac0000-0000-4000-8000-000000000031";
/** Every page with what its first screen must show, a chart that answers as a whole; a page that is not built yet says so and has no picture. */
const PAGES: readonly { page: string; picture: boolean | "whole"; next: boolean }[] = [
  { page: "", picture: true, next: true },
  { page: "/scout", picture: "whole", next: true },
  { page: "/pickup", picture: "whole", next: true },
  { page: `/dress?wearer=${TAM}`, picture: "whole", next: true },
  { page: `/link?wearer=${TAM}`, picture: "whole", next: true },
  { page: `/link?view=cables&wearer=${TAM}`, picture: true, next: false },
  { page: `/level?wearer=${TAM}`, picture: "whole", next: true },
  { page: "/roll", picture: true, next: true },
  // Its picture comes with a take.
  { page: `/check?wearer=${TAM}`, picture: false, next: true },
  { page: "/kit", picture: true, next: false },
];

/** Top and bottom of a part, px from the top of the page; the lowest of those there are. */
async function edges(page: Page, part: string): Promise<{ top: number; bottom: number }> {
  const marked = page.locator(`[data-part=${part}]`).first();
  await expect(marked).toBeVisible();
  return marked.evaluate((element) => {
    const { top, bottom } = element.getBoundingClientRect();
    return { top: top + window.scrollY, bottom: bottom + window.scrollY };
  });
}

test("verdict, picture and next step stand on the first screen of every page", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}`);
  await awake(page);
  for (const { page: address, picture, next } of PAGES)
    await test.step(address || "the board", async () => {
      await goWithin(page, `/shoots/${id}${address}`);
      if (address !== "") expect((await edges(page, "verdict")).bottom).toBeLessThanOrEqual(800);
      if (next) expect((await edges(page, "next")).bottom).toBeLessThanOrEqual(800);
      // A list may go on below; its head and its first lines are what is seen first.
      if (picture) expect((await edges(page, "picture")).top).toBeLessThanOrEqual(560);
      // A chart that answers stands there whole.
      if (picture === "whole") expect((await edges(page, "picture")).bottom).toBeLessThanOrEqual(800);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
    });
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test("verdict and next step stand on the first screen of every page, four screens hold all of it", async ({
    page,
    request,
  }) => {
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}`);
    await awake(page);
    for (const { page: address, next } of PAGES.filter((each) => each.page !== ""))
      await test.step(address, async () => {
        await goWithin(page, `/shoots/${id}${address}`);
        expect((await edges(page, "verdict")).bottom).toBeLessThanOrEqual(844);
        if (next) expect((await edges(page, "next")).bottom).toBeLessThanOrEqual(844);
        const over = () =>
          page.evaluate(() => [
            document.documentElement.scrollWidth - innerWidth,
            document.documentElement.scrollHeight,
          ]);
        const [across, down] = await over();
        expect(across).toBeLessThanOrEqual(0);
        expect(down).toBeLessThanOrEqual(4 * 844);
      });
  });

  test("the call list names the talent", async ({ page, request }) => {
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}/dress?wearer=${TAM}`);
    await awake(page);
    const name = page.getByRole("navigation", { name: "Talent" }).getByText("Tam, miller", { exact: true });
    expect((await name.boundingBox())!.width).toBeGreaterThan(50);
  });

  test("the board fits into four screens, a day at a time", async ({ page, request }) => {
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}`);
    await awake(page);
    await expect(page.getByRole("link", { name: "Tam, miller" }).first()).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(4 * 844);
    await page.getByRole("radiogroup", { name: "Day" }).getByText("Day 3").click();
    await expect(page.getByRole("row", { name: /^Odile, singer/ })).toBeVisible();
    await expect(page.getByRole("row", { name: /^Jory, welder/ })).toHaveCount(0);
  });
});

long("at 360 px nothing runs over the side", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.setViewportSize({ width: 360, height: 740 });
  await page.goto(`/shoots/${id}`);
  await awake(page);
  for (const address of [
    "",
    "/scout",
    "/pickup",
    "/dress",
    "/link",
    "/level",
    "/roll",
    "/check",
    "/handover",
    "/day",
    "/kit",
  ]) {
    await goWithin(page, `/shoots/${id}${address}`);
    expect([address, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([address, 360]);
  }
  await page.goto("/");
  await awake(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(360);
});
