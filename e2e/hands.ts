import { expect, type Locator, type Page } from "@playwright/test";
import { awake, openDemo, startHere } from "./shoot";

/** Hands on a page that count what they do: a press, a choice from a list (two), a text typed, a file given. */
export class Hands {
  count = 0;
  constructor(readonly page: Page) {}

  async press(what: Locator): Promise<void> {
    this.count += 1;
    await what.click();
  }

  /** A button or link by its name. */
  async button(name: string | RegExp, within: Page | Locator = this.page): Promise<void> {
    await this.press(within.getByRole("button", { name, exact: typeof name === "string" }).first());
  }

  async link(name: string | RegExp, within: Page | Locator = this.page): Promise<void> {
    await this.press(within.getByRole("link", { name }).first());
  }

  /** One of a list: opened, and chosen. */
  async choose(label: string, option: string, within: Page | Locator = this.page): Promise<void> {
    this.count += 2;
    const wanted = this.page.getByRole("option", { name: option, exact: true });
    await expect(async () => {
      if (await wanted.isHidden())
        await within
          .getByRole("button", { name: new RegExp(`${label}$`) })
          .first()
          .click();
      await wanted.click({ timeout: 3000 });
    }).toPass();
  }

  async type(label: string | RegExp, text: string): Promise<void> {
    this.count += 1;
    await this.page.getByLabel(label).first().fill(text);
  }

  async give(file: { name: string; mimeType: string; buffer: Buffer }): Promise<void> {
    this.count += 1;
    await this.page.setInputFiles("input[type=file]", file);
  }

  /** One of the questions of the home page. */
  async ask(question: string): Promise<void> {
    await this.press(this.page.getByRole("button", { name: new RegExp(`^${question.replace("?", "\\?")}`) }));
    await this.page.waitForURL(/\/shoots\//);
    await awake(this.page);
  }
}

/** Hands on the home page. */
export async function atHome(page: Page): Promise<Hands> {
  await page.goto("/");
  await awake(page);
  return new Hands(page);
}

/** Hands on the board of the demo shoot. */
export async function atBoard(page: Page): Promise<Hands> {
  const id = await openDemo(page.request);
  await page.goto(`/shoots/${id}`);
  await awake(page);
  return new Hands(page);
}

/** Hands on the board of a new shoot with so many talent in one scene. */
export async function atNewBoard(page: Page, title: string): Promise<{ hands: Hands; id: string }> {
  await page.goto("/");
  await awake(page);
  const id = await startHere(page, title);
  await page.goto(`/shoots/${id}`);
  await awake(page);
  return { hands: new Hands(page), id };
}

/** The answer is in sight, without scrolling. */
export async function inSight(answer: Locator, height = 800): Promise<void> {
  await expect(answer).toBeVisible();
  await answer.page().evaluate(() => new Promise(requestAnimationFrame));
  const box = (await answer.boundingBox())!;
  expect(box.y).toBeGreaterThanOrEqual(0);
  expect(box.y).toBeLessThan(height);
}
