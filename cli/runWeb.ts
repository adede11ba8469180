import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { openDatabase } from "../db/client";
import { migrateDatabase } from "../db/migrate";
import { localCrew } from "../server/crew";
import { openDemoShoot } from "../server/demoShoot";
import { localPostgres, type LocalPostgres } from "./postgres";
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

function untilStopped(): Promise<void> {
  return new Promise((resolve) => {
    for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const) process.once(signal, () => resolve());
  });
}

/** Sets up the database and the build, serves until stopped, and prints the address last. */
export async function runWeb(mode: WebMode): Promise<number> {
  mkdirSync(LOG_DIR, { recursive: true });
  const stopped = untilStopped();
  const managedUrl = mode === "start" ? process.env["DATABASE_URL"] : undefined;
  let postgres: LocalPostgres | null = null;
  let url = managedUrl;
  if (!url) {
    postgres = await localPostgres();
    url = await postgres.databaseUrl(DATABASE_NAMES[mode]);
  }
  try {
    await migrateDatabase(url, MIGRATIONS);
    if (mode !== "start") await seedDemo(url);
    const isDevelopment = mode === "dev";
    const distDir = isDevelopment ? join(".build", "dev") : await webBuild();
    const web = await serveWeb({ distDir, databaseUrl: url, isDevelopment });
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
