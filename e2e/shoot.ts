import { expect, type APIRequestContext, type Locator, type Page } from "@playwright/test";

/** Until a page is there and answers. */
export async function awake(page: Page): Promise<void> {
  await page.locator("html[data-awake]").waitFor();
}

/** Goes to another page of the application as its links do: one load serves many pages. */
export async function goWithin(page: Page, address: string): Promise<void> {
  const station = /^\/shoots\/[^/]+\/?([^/?]*)/.exec(address)?.[1] || "board";
  await page.evaluate((to) => {
    history.pushState(null, "", to);
    dispatchEvent(new PopStateEvent("popstate"));
  }, address);
  await page.locator(`html[data-awake=${station}]`).waitFor();
}

/** Opens a new shoot through the form of the home page that is open, and goes to Scout; returns its id. */
export async function startHere(page: Page, title: string): Promise<string> {
  await page.getByLabel("Title").fill(title);
  await page.getByRole("button", { name: "Start shoot" }).click();
  await page.waitForURL(/\/shoots\/[0-9a-f-]+$/);
  const id = /shoots\/([0-9a-f-]+)/.exec(page.url())![1]!;
  await goToStation(page, "Scout");
  return id;
}

/** Opens a new shoot through the form, in Scout; returns its id. */
export async function startShoot(page: Page, title: string): Promise<string> {
  await page.goto("/");
  await awake(page);
  return startHere(page, title);
}

/** Reads a shoot from a file on the home page, and waits until all of it is saved. */
export async function importShoot(page: Page, text: string): Promise<void> {
  await page.goto("/");
  await awake(page);
  // The list of shoots may move under the press: it is pressed again.
  await expect(async () => {
    const chooser = page.waitForEvent("filechooser", { timeout: 3000 });
    await page.getByRole("button", { name: "Import a shoot" }).click({ timeout: 3000 });
    await (await chooser).setFiles({ name: "s.json", mimeType: "application/json", buffer: Buffer.from(text) });
  }).toPass();
  await page.waitForURL(/\/shoots\/[0-9a-f-]+/);
  await expectSaved(page);
}

/** Goes to a station by the rail, or on a phone by its bar. */
export async function goToStation(page: Page, name: string): Promise<void> {
  const inRail = page.getByRole("navigation", { name: "Stations" }).getByRole("link", { name: new RegExp(`^${name}`) });
  if (await inRail.isVisible()) return inRail.click();
  const bar = page.getByRole("navigation", { name: "Pages" });
  const inBar = bar.getByRole("link", { name, exact: true });
  if (await inBar.isVisible()) return inBar.click();
  await bar.getByRole("button", { name: "All stations" }).click();
  await page
    .getByRole("dialog", { name: "All stations" })
    .getByRole("link", { name: new RegExp(`^${name}`) })
    .click();
}

/** Puts the demo shoot into the database; returns its id. */
export async function openDemo(request: APIRequestContext): Promise<string> {
  const response = await request.post("/api/demo", { data: {} });
  expect(response.ok()).toBe(true);
  return ((await response.json()) as { id: string }).id;
}

/** Chooses from one of our lists. */
export async function choose(page: Page, label: string, option: string, within: Page | Locator = page): Promise<void> {
  const chosen = page.getByRole("option", { name: option, exact: true });
  // A list that is drawn anew under the press closes again: it is opened again.
  await expect(async () => {
    if (await chosen.isHidden()) await within.getByRole("button", { name: new RegExp(`${label}$`) }).click();
    await chosen.click({ timeout: 3000 });
  }).toPass();
}

/** Opens one of a few views; a press before the page is awake is pressed again. */
async function openOneOf(page: Page, label: string, name: string): Promise<void> {
  const group = page.getByRole("radiogroup", { name: label });
  await expect(async () => {
    await group.getByText(name, { exact: true }).click();
    await expect(group.getByRole("radio", { name, exact: true })).toBeChecked({ timeout: 1000 });
  }).toPass();
}

/** One of the views of a place on the body, in Dress. */
export const openView = (page: Page, name: string) => openOneOf(page, "Dress views", name);

/** One of the views of a place of the shoot, in Scout. */
export const openScout = (page: Page, name: string) => openOneOf(page, "Scout views", name);

/** One of the views of the links, in Link. */
export const openLinks = (page: Page, name: string) => openOneOf(page, "Link views", name);

/** One of the views of Level. */
export const openLevels = (page: Page, name: string) => openOneOf(page, "Level views", name);

/** Answers for the wearer whether they agree. */
export async function answer(page: Page, says: string): Promise<void> {
  await page.getByRole("radiogroup", { name: "Their answer" }).getByText(says, { exact: true }).click();
}

export async function expectSaved(page: Page): Promise<void> {
  await expect(page.getByRole("status").filter({ hasText: /^All saved$/ })).toBeVisible({ timeout: 30_000 });
}

/** Chooses a scene of the shoot, in the bar on top. */
export async function chooseScene(page: Page, title: string): Promise<void> {
  await page.getByRole("button", { name: /^Scene/ }).click();
  await page.getByRole("menuitem", { name: title }).click();
}
