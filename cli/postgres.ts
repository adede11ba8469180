import { randomBytes } from "node:crypto";
import { spawnSync } from "node:child_process";
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { createServer } from "node:net";
import { join } from "node:path";
import { Client } from "pg";
import { withLock } from "./lock";
import { IS_ROOT, STATE_DIR, say } from "./state";

const HOME = join(STATE_DIR, "postgres");
const DATA = join(HOME, "data");
const SOCKETS = join(HOME, "socket");
const SERVER_LOG = join(HOME, "server.log");
const PASSWORD_FILE = join(STATE_DIR, "password");
const USERS_DIR = join(STATE_DIR, "users");
const PREFERRED_PORT = 5180;
const ROLE = "hypophon";

function binary(name: string): string {
  const versions = existsSync("/usr/lib/postgresql")
    ? readdirSync("/usr/lib/postgresql").sort((a, b) => Number(b) - Number(a))
    : [];
  const found = versions.map((version) => join("/usr/lib/postgresql", version, "bin", name)).find(existsSync);
  if (!found) throw new Error("PostgreSQL is not installed: apt-get install -y postgresql");
  return found;
}

/** Runs a PostgreSQL program as a user that it accepts. */
function run(name: string, args: readonly string[]): { ok: boolean; output: string } {
  const command = IS_ROOT ? "runuser" : binary(name);
  const all = IS_ROOT ? ["-u", "postgres", "--", binary(name), ...args] : [...args];
  // The server keeps inherited pipes open: its output goes to its own log instead.
  const isStart = name === "pg_ctl" && args.includes("start");
  const done = spawnSync(command, all, { cwd: "/", encoding: "utf8", stdio: isStart ? "ignore" : "pipe" });
  return { ok: done.status === 0, output: `${done.stdout ?? ""}${done.stderr ?? ""}`.trim() };
}

function makeFolder(path: string): void {
  if (!IS_ROOT) mkdirSync(path, { recursive: true, mode: 0o700 });
  else spawnSync("install", ["-d", "-m", "700", "-o", "postgres", "-g", "postgres", path]);
}

function initialise(): void {
  if (existsSync(join(DATA, "PG_VERSION"))) return;
  say("Making a database");
  makeFolder(HOME);
  makeFolder(SOCKETS);
  const password = randomBytes(18).toString("hex");
  writeFileSync(PASSWORD_FILE, password, { mode: 0o600 });
  const handover = mkdtempSync(join("/tmp", "hypophon-"));
  const passwordCopy = join(handover, "password");
  const unfinished = join(HOME, "unfinished");
  try {
    writeFileSync(passwordCopy, password, { mode: 0o600 });
    if (IS_ROOT) spawnSync("chown", ["-R", "postgres", handover]);
    rmSync(unfinished, { recursive: true, force: true });
    const made = run("initdb", [
      ...["-D", unfinished, "-U", ROLE, "-E", "UTF8", "--locale=C.UTF-8", "--no-instructions"],
      ...["-A", "scram-sha-256", `--pwfile=${passwordCopy}`],
    ]);
    if (!made.ok) throw new Error(`The database could not be made: ${made.output.split("\n").at(-1)}`);
    renameSync(unfinished, DATA);
  } finally {
    rmSync(handover, { recursive: true, force: true });
  }
}

/** Whether a port on loopback is free. */
function isFree(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once("error", () => resolve(false));
    probe.listen(port, "127.0.0.1", () => probe.close(() => resolve(true)));
  });
}

async function freePort(preferred: number): Promise<number> {
  for (let port = preferred; port < preferred + 200; port += 1) if (await isFree(port)) return port;
  throw new Error(`No free port between ${preferred} and ${preferred + 199}.`);
}

/** Port of the running server, from its own pid file; null when it is not running. */
function runningPort(): number | null {
  if (!run("pg_ctl", ["-D", DATA, "status"]).ok) return null;
  const lines = readFileSync(join(DATA, "postmaster.pid"), "utf8").split("\n");
  return Number(lines[3]) || null;
}

async function startServer(): Promise<number> {
  const running = runningPort();
  if (running) return running;
  makeFolder(SOCKETS);
  const port = await freePort(PREFERRED_PORT);
  const options = `-p ${port} -c listen_addresses=127.0.0.1 -k ${SOCKETS}`;
  const started = run("pg_ctl", ["-D", DATA, "-w", "-t", "60", "-l", SERVER_LOG, "-o", options, "start"]);
  if (!started.ok) throw new Error(`PostgreSQL did not start; see ${SERVER_LOG}`);
  return port;
}

function urlFor(port: number, name: string): string {
  return `postgres://${ROLE}:${readFileSync(PASSWORD_FILE, "utf8").trim()}@127.0.0.1:${port}/${name}`;
}

/** Other commands of this checkout that use the server now. */
function otherUsers(): number[] {
  if (!existsSync(USERS_DIR)) return [];
  return readdirSync(USERS_DIR)
    .map(Number)
    .filter((pid) => {
      const isAlive = existsSync(`/proc/${pid}`) && readFileSync(`/proc/${pid}/cmdline`, "utf8").includes("main.mjs");
      if (!isAlive) rmSync(join(USERS_DIR, String(pid)), { force: true });
      return isAlive && pid !== process.pid;
    });
}

export interface LocalPostgres {
  /** URL of a database by this name, made when it is not there. */
  databaseUrl(name: string): Promise<string>;
  /** A new, empty database under this name. */
  freshDatabaseUrl(name: string): Promise<string>;
  dropDatabase(name: string): Promise<void>;
  /** Lets go; the last user stops the server. */
  release(): Promise<void>;
}

/** Starts this checkout's own PostgreSQL on loopback, or joins it when another command has. */
export async function localPostgres(): Promise<LocalPostgres> {
  const port = await withLock("postgres", async () => {
    mkdirSync(USERS_DIR, { recursive: true });
    initialise();
    const startedAt = await startServer();
    writeFileSync(join(USERS_DIR, String(process.pid)), "");
    return startedAt;
  });

  async function administer(work: (client: Client) => Promise<void>): Promise<void> {
    const client = new Client({ connectionString: urlFor(port, "postgres"), connectionTimeoutMillis: 10_000 });
    await client.connect();
    try {
      await work(client);
    } finally {
      await client.end();
    }
  }

  return {
    databaseUrl: (name) =>
      withLock("database", async () => {
        await administer(async (client) => {
          const found = await client.query("select 1 from pg_database where datname = $1", [name]);
          if (found.rowCount === 0) await client.query(`create database "${name}"`);
        });
        return urlFor(port, name);
      }),
    freshDatabaseUrl: (name) =>
      withLock("database", async () => {
        await administer(async (client) => {
          await client.query(`drop database if exists "${name}" with (force)`);
          await client.query(`create database "${name}"`);
        });
        return urlFor(port, name);
      }),
    dropDatabase: (name) =>
      administer(async (client) => {
        await client.query(`drop database if exists "${name}" with (force)`);
      }),
    release: () =>
      withLock("postgres", async () => {
        rmSync(join(USERS_DIR, String(process.pid)), { force: true });
        if (otherUsers().length === 0) run("pg_ctl", ["-D", DATA, "-m", "fast", "-w", "stop"]);
      }),
  };
}
