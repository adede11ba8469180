import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { openDatabase } from "../db/client";
import { migrateDatabase } from "../db/migrate";
import { localCrew } from "../server/crew";
import { openDemoShoot } from "../server/demoShoot";
import { localPostgres, WEB_ROLE, type DatabaseUrls, type LocalPostgres } from "./postgres";
import { LOG_DIR, ROOT, STATE_DIR, say } from "./state";
import { webBuild } from "./webBuild";
import { serveWeb } from "./webServer";

export const MIGRATIONS = join(ROOT, "db", "migrations");

export type WebMode = "demo" | "start" | "dev";

const DATABASE_NAMES: Record<WebMode, string> = { demo: "hypophon_demo", start: "hypophon", dev: "hypophon_dev" };

async function seedDemo(url: string): Promise<void> {
  const { database, pool } = openDatabase(url);
  try {
    await openDemoShoot(await localCrew(database));
  } finally {
    await pool.end();
  }
}

/** A managed database: DATABASE_URL is who serves, DATABASE_OWNER_URL who may change the schema, where that is another. */
function managedUrls(): DatabaseUrls | null {
  const web = process.env["DATABASE_URL"];
  if (!web) return null;
  const owner = process.env["DATABASE_OWNER_URL"];
  if (!owner)
    say(
      "DATABASE_OWNER_URL is not set: the schema is changed as who serves. Give the owner's address to keep them apart.",
    );
  return { owner: owner ?? web, web };
}

/** The port that HYPOPHON_PORT asks for; the next free one is taken where it is not free. */
function chosenPort(): { preferredPort?: number } {
  const asked = process.env["HYPOPHON_PORT"];
  if (!asked) return {};
  const port = Number(asked);
  if (!Number.isInteger(port) || port < 1 || port > 65_335)
    throw new Error(`HYPOPHON_PORT is ${asked}: a number from 1 to 65335 was expected.`);
  return { preferredPort: port };
}

function untilStopped(): Promise<void> {
  return new Promise((resolve) => {
    for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const) process.once(signal, () => resolve());
  });
}

/** Sets up the database and the build, serves until stopped, and prints the address last. */
export async function runWeb(mode: WebMode): Promise<number> {
  mkdirSync(LOG_DIR, { recursive: true });
  const stopped = untilStopped();
  const managed = mode === "start" ? managedUrls() : null;
  const postgres: LocalPostgres | null = managed ? null : await localPostgres();
  try {
    const urls = managed ?? (await postgres!.databaseUrls(DATABASE_NAMES[mode]));
    await migrateDatabase(urls.owner, MIGRATIONS, managed ? new URL(urls.web).username : WEB_ROLE);
    const url = urls.web;
    if (mode !== "start") await seedDemo(url);
    const isDevelopment = mode === "dev";
    const distDir = isDevelopment ? join(".build", "dev") : await webBuild();
    const web = await serveWeb({ distDir, databaseUrl: url, isDevelopment, ...chosenPort() });
    say(`Logs and data: ${STATE_DIR}`);
    say("Stop with Ctrl-C.");
    process.stdout.write(`Hypophon is running at ${web.address}\n`);
    await stopped;
    await web.close();
    return 0;
  } finally {
    await postgres?.release();
  }
}
