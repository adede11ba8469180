import { defineConfig } from "@playwright/test";
import { CHROMIUM, CHROMIUM_FLAGS } from "./e2e/browser";

/** A server and a database for each worker: what one test changes in the demo shoot, none beside it sees. */
const addresses = (process.env["HYPOPHON_ADDRESS"] ?? "").split(" ");
const address = addresses[Number(process.env["TEST_PARALLEL_INDEX"] ?? 0) % addresses.length]!;

export default defineConfig({
  testDir: "e2e",
  testMatch: "*.spec.ts",
  outputDir: ".build/e2e",
  workers: 2,
  fullyParallel: true,
  retries: 0,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  use: {
    baseURL: address,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: CHROMIUM, args: [...CHROMIUM_FLAGS] },
    screenshot: "only-on-failure",
    // What a page keeps for days without signal is tried where that is meant.
    serviceWorkers: "block",
  },
});
