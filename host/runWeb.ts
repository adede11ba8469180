import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { openDatabase } from "../db/client";
import { migrateDatabase } from "../db/migrate";
import { localCrew } from "../server/crew";
import { openDemoShoot } from "../server/demoShoot";
import { log } from "../server/log";
import { purge } from "../server/records";
import { DATABASE_NAMES, managedUrls, MIGRATIONS, type WebMode } from "./databases";
import { askedPort } from "./listenFrom";
import { localPostgres, WEB_ROLE, type LocalPostgres } from "./postgres";
import { keepPassword, newPassword, passwordOf } from "./postgresHome";
import { IS_STATE_CHOSEN, STATE_DIR, say } from "./state";
import { webBuild } from "./webBuild";
import { startWish } from "./startWish";
import { PREFERRED_PORT, serveWeb } from "./webServer";

/** Puts the demo shoot into a database. */
export async function seedDemo(url: string): Promise<void> {
  const { database, pool } = openDatabase(url);
  try {
    await openDemoShoot(await localCrew(database));
  } finally {
    await pool.end();
  }
}

const DAY_MS = 24 * 3600_000;

/** Empties the bin of what has lain there for its time, now and every day; returns how to stop. */
function keepTidy(url: string): () => void {
  const tidy = async () => {
    const { database, pool } = openDatabase(url);
    try {
      await purge(database);
    } finally {
      await pool.end();
    }
  };
  const run = () => void tidy().catch((error: unknown) => log.warn({ error }, "the bin could not be emptied"));
  run();
  const daily = setInterval(run, DAY_MS);
  return () => clearInterval(daily);
}

function untilStopped(): Promise<void> {
  return new Promise((resolve) => {
    for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const) process.once(signal, () => resolve());
  });
}

/** What sessions are signed with: made once, and kept beside the data. */
function keepSecret(): string {
  const kept = { role: "accounts", passwordFile: join(STATE_DIR, "accounts-secret") };
  mkdirSync(STATE_DIR, { recursive: true });
  if (passwordOf(kept) === null) keepPassword(kept, newPassword());
  return passwordOf(kept)!;
}

/** Sets up the database and the build, serves until stopped, and prints the address last. */
export async function runWeb(mode: WebMode, args: readonly string[] = []): Promise<number> {
  const wish = mode === "start" ? startWish(args) : { hasAccounts: false, isOnLan: false };
  if (wish.hasAccounts) {
    process.env["HYPOPHON_ACCOUNTS"] = "1";
    process.env["HYPOPHON_SECRET"] ??= keepSecret();
  } else delete process.env["HYPOPHON_ACCOUNTS"];
  const stopped = untilStopped();
  const managed = mode === "start" ? managedUrls() : null;
  const postgres: LocalPostgres | null = managed ? null : await localPostgres();
  try {
    const urls = managed ?? (await postgres!.databaseUrls(DATABASE_NAMES[mode]));
    await migrateDatabase(urls.owner, MIGRATIONS, managed ? new URL(urls.web).username : WEB_ROLE);
    const url = urls.web;
    if (mode !== "start") await seedDemo(url);
    const stopTidying = keepTidy(url);
    const isDevelopment = mode === "dev";
    const distDir = isDevelopment ? join(".build", "dev") : await webBuild();
    const preferredPort = askedPort("HYPOPHON_PORT", PREFERRED_PORT);
    const web = await serveWeb({ distDir, databaseUrl: url, isDevelopment, isOnLan: wish.isOnLan, preferredPort });
    if (!managed)
      say(
        `Data: ${STATE_DIR} (${IS_STATE_CHOSEN ? "as HYPOPHON_STATE says" : "shared by all checkouts; HYPOPHON_STATE chooses another"})`,
      );
    if (wish.isOnLan)
      say(
        web.lanAddresses().length > 0
          ? `In the local network: ${web.lanAddresses().join(", ")}. Crew shows phones the way.`
          : "This machine is in no local network yet: it is looked for every 20 s.",
      );
    say("Stop with Ctrl-C.");
    process.stdout.write(`Hypophon is running at ${web.address}\n`);
    await stopped;
    stopTidying();
    await web.close();
    return 0;
  } finally {
    await postgres?.release();
  }
}
