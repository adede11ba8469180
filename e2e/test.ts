import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type BrowserContext, chromium, type Page, test as plain } from "@playwright/test";
import { CHROMIUM, CHROMIUM_FLAGS } from "./browser";

/** A browser that has seen the application before: its scripts are compiled, and nothing else of them is left in it. */
interface Warm {
  context: BrowserContext;
  /** Forgets all that a test has left. */
  clean: () => Promise<void>;
}

const VIEWPORT = { width: 1280, height: 800 };

/** Most tests share the browser of their worker; those that want another one, a phone's or a microphone, have their own. */
export const test = plain.extend<object, { warm: Warm }>({
  warm: [
    // oxlint-disable-next-line no-empty-pattern -- Playwright reads what is asked for from this pattern.
    async ({}, give) => {
      const home = mkdtempSync(join(tmpdir(), "hypophon-browser-"));
      const addresses = (process.env["HYPOPHON_ADDRESS"] ?? "").split(" ");
      const context = await chromium.launchPersistentContext(home, {
        ...{ executablePath: CHROMIUM, args: [...CHROMIUM_FLAGS], viewport: VIEWPORT, serviceWorkers: "block" },
        baseURL: addresses[Number(process.env["TEST_PARALLEL_INDEX"] ?? 0) % addresses.length]!,
      });
      const keeper = context.pages()[0] ?? (await context.newPage());
      const session = await context.newCDPSession(keeper);
      const origins = new Set<string>();
      const watch = (page: Page) =>
        page.on("framenavigated", (frame) => {
          if (frame.url().startsWith("http")) origins.add(new URL(frame.url()).origin);
        });
      context.on("page", watch);
      const clean = async () => {
        for (const page of context.pages()) if (page !== keeper) await page.close();
        await context.unrouteAll({ behavior: "ignoreErrors" });
        await context.clearCookies();
        await context.setOffline(false);
        const storageTypes = "cookies,local_storage,indexeddb,cache_storage,service_workers";
        for (const origin of origins) await session.send("Storage.clearDataForOrigin", { origin, storageTypes });
        origins.clear();
      };
      await give({ context, clean });
      await context.close();
      rmSync(home, { recursive: true, force: true });
    },
    { scope: "worker" },
  ],
  context: async ({ browser, warm, viewport, hasTouch, isMobile, serviceWorkers, launchOptions }, give) => {
    const hears = launchOptions.args?.some((flag) => flag.startsWith("--use-f")) ?? false;
    const isUsual = viewport?.width === VIEWPORT.width && !hasTouch && !isMobile && !hears;
    if (isUsual && serviceWorkers === "block") {
      await give(warm.context);
      await warm.clean();
      return;
    }
    const own = await browser.newContext();
    await give(own);
    await own.close();
  },
});
