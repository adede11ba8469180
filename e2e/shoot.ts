import { expect, type APIRequestContext, type Locator, type Page } from "@playwright/test";

/** Opens a new shoot through the form; returns its id. */
export async function startShoot(page: Page, title: string): Promise<string> {
  await page.goto("/");
  await page.getByLabel("Title").fill(title);
  await page.getByRole("button", { name: "Start this shoot" }).click();
  await page.waitForURL(/\/shoots\/[0-9a-f-]+\/scout/);
  return /shoots\/([0-9a-f-]+)/.exec(page.url())![1]!;
}

/** Puts the demo shoot into the database; returns its id. */
export async function openDemo(request: APIRequestContext): Promise<string> {
  const response = await request.post("/api/demo", { data: {} });
  expect(response.ok()).toBe(true);
  return ((await response.json()) as { id: string }).id;
}

/** Chooses from one of our lists. */
export async function choose(page: Page, label: string, option: string, within: Page | Locator = page): Promise<void> {
  await within.getByRole("button", { name: new RegExp(`${label}$`) }).click();
  await page.getByRole("option", { name: option, exact: true }).click();
}

/** Opens one of the views of a place; a press before the page is awake is pressed again. */
export async function openView(page: Page, name: string): Promise<void> {
  const group = page.getByRole("radiogroup", { name: "About the place" });
  await expect(async () => {
    await group.getByText(name, { exact: true }).click();
    await expect(group.getByRole("radio", { name, exact: true })).toBeChecked({ timeout: 1000 });
  }).toPass();
}

/** Answers for the wearer whether they agree. */
export async function answer(page: Page, says: string): Promise<void> {
  await page.getByRole("radiogroup", { name: "Their answer" }).getByText(says, { exact: true }).click();
}

export async function expectSaved(page: Page): Promise<void> {
  await expect(page.getByRole("status").filter({ hasText: /^All saved$/ })).toBeVisible();
}

/** A spoken take: tone bursts with pauses over faint noise, 24 bit. Loud ones clip. */
export function takeWav(peakDbfs: number, seconds = 6): Buffer {
  const rate = 48000;
  const frames = rate * seconds;
  const wav = Buffer.alloc(44 + frames * 3);
  wav.write("RIFF", 0);
  wav.writeUInt32LE(36 + frames * 3, 4);
  wav.write("WAVEfmt ", 8);
  wav.writeUInt32LE(16, 16);
  wav.writeUInt16LE(1, 20);
  wav.writeUInt16LE(1, 22);
  wav.writeUInt32LE(rate, 24);
  wav.writeUInt32LE(rate * 3, 28);
  wav.writeUInt16LE(3, 32);
  wav.writeUInt16LE(24, 34);
  wav.write("data", 36);
  wav.writeUInt32LE(frames * 3, 40);
  const amplitude = 10 ** (peakDbfs / 20);
  let state = 1;
  for (let frame = 0; frame < frames; frame += 1) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    const noise = (state / 2 ** 31 - 1) * 0.0006;
    const isSpeaking = frame % rate < rate * 0.6;
    const voice = isSpeaking ? amplitude * Math.sin((2 * Math.PI * 220 * frame) / rate) : 0;
    const value = Math.max(-1, Math.min(1, voice + noise));
    wav.writeIntLE(Math.max(-8388608, Math.min(8388607, Math.round(value * 8388608))), 44 + frame * 3, 3);
  }
  return wav;
}
