import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { awake } from "../../e2e/shoot";
import { DEMO_SHOOT_ID } from "../../demo/recordings";
import { part } from "./benchClient";
import { CHROMIUM_FLAGS } from "./benchPage";
import { withDemo } from "./demoServer";

const FILES = 4;
const FILE_MB = 256;
const ROUNDS = 3;
const WANTED_MB_PER_S = 150;

/** A card in the browser's own file system; folders are picked there by name. */
async function makeCard(page: Page): Promise<void> {
  await page.evaluate(
    async ([files, mb]) => {
      const card = await (await navigator.storage.getDirectory()).getDirectoryHandle("CARD", { create: true });
      for (let at = 0; at < files!; at += 1) {
        const writable = await (await card.getFileHandle(`T${at}.wav`, { create: true })).createWritable();
        const piece = new Uint8Array(1 << 20);
        for (let done = 0; done < mb!; done += 1) {
          for (let from = 0; from < piece.length; from += 65_536)
            crypto.getRandomValues(piece.subarray(from, from + 65_536));
          await writable.write(piece);
        }
        await writable.close();
      }
    },
    [FILES, FILE_MB],
  );
}

/** A card copied in the page to two folders, hashed, read back and compared: how much of it a second. */
export async function benchCopyPage(): Promise<number> {
  const speeds: number[] = [];
  await withDemo(async (address) => {
    const profile = mkdtempSync(join(tmpdir(), "hypophon-bench-"));
    // Folders of a page without a profile lie in memory, and are small.
    const browser = await chromium.launchPersistentContext(profile, {
      executablePath: "/usr/bin/chromium",
      args: CHROMIUM_FLAGS,
    });
    try {
      const page = await browser.newPage();
      await page.addInitScript(() => {
        const own = window as unknown as Record<string, unknown>;
        own["showDirectoryPicker"] = async () =>
          (await navigator.storage.getDirectory()).getDirectoryHandle(String(own["folderToPick"]), { create: true });
      });
      await page.goto(`${address}/shoots/${DEMO_SHOOT_ID}/handover?view=card`);
      await awake(page);
      await makeCard(page);
      const pick = async (button: string, folder: string) => {
        await page.evaluate((name) => void Object.assign(window, { folderToPick: name }), folder);
        await page.getByRole("button", { name: button, exact: true }).click();
      };
      await pick("Card", "CARD");
      for (let round = 0; round < ROUNDS; round += 1) {
        const copies = [`copy ${round}`, `again ${round}`];
        await pick("First copy", copies[0]!);
        await pick("Second copy", copies[1]!);
        const began = performance.now();
        await page.getByRole("button", { name: "Copy and compare", exact: true }).click();
        await page.getByText(/are the same on both/).waitFor({ timeout: 60_000 });
        speeds.push((FILES * FILE_MB) / ((performance.now() - began) / 1000));
        await page.evaluate(async (names) => {
          const root = await navigator.storage.getDirectory();
          for (const name of names) await root.removeEntry(name, { recursive: true });
        }, copies);
      }
    } finally {
      await browser.close();
      rmSync(profile, { recursive: true });
    }
  });
  const speed = part(speeds, 0.5);
  process.stdout.write(
    `In the browser ${FILES * FILE_MB} MB to two folders: ${speed.toFixed(0)} MB/s, ${WANTED_MB_PER_S} wanted\n`,
  );
  return speed >= WANTED_MB_PER_S ? 0 : 1;
}
