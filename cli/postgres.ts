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
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Client } from "pg";
import { withLock } from "./lock";
import { makeServerFolder, runningPort, runPostgres, startPostgres, stopPostgres } from "./postgresServer";
import { IS_ROOT, STATE_DIR, say } from "./state";
import { whyFailed } from "./trouble";

const HOME = join(STATE_DIR, "postgres");
const DATA = join(HOME, "data");
const SERVER_LOG = join(STATE_DIR, "postgres.log");
const USERS_DIR = join(STATE_DIR, "users");

/** Owns all tables, and may do anything: for setting up only. */
const OWNER = { role: "hypophon", passwordFile: join(STATE_DIR, "password") };
/** What the web process is: it reads and writes rows, and owns nothing. */
const WEB = { role: "hypophon_web", passwordFile: join(STATE_DIR, "web-password") };

function initialise(): void {
  if (existsSync(join(DATA, "PG_VERSION"))) return;
  say("Making a database");
  makeServerFolder(HOME);
  const password = randomBytes(18).toString("hex");
  writeFileSync(OWNER.passwordFile, password, { mode: 0o600 });
  const handover = mkdtempSync(join(tmpdir(), "hypophon-"));
  const passwordCopy = join(handover, "password");
  const unfinished = join(HOME, "unfinished");
  try {
    writeFileSync(passwordCopy, password, { mode: 0o600 });
    if (IS_ROOT) spawnSync("chown", ["-R", "postgres", handover]);
    rmSync(unfinished, { recursive: true, force: true });
    const made = runPostgres("initdb", [
      ...["-D", unfinished, "-U", OWNER.role, "-E", "UTF8", "--locale=C.UTF-8", "--no-instructions"],
      ...["-A", "scram-sha-256", `--pwfile=${passwordCopy}`],
    ]);
    if (!made.ok) throw new Error(`The database could not be made: ${whyFailed(made.output, HOME)}`);
    renameSync(unfinished, DATA);
  } finally {
    rmSync(handover, { recursive: true, force: true });
  }
}

function urlFor(port: number, name: string, { role, passwordFile }: typeof OWNER): string {
  return `postgres://${role}:${readFileSync(passwordFile, "utf8").trim()}@127.0.0.1:${port}/${name}`;
}

/** Whether the server takes our password yet: something else on its port would not. */
async function answers(port: number): Promise<boolean> {
  const client = new Client({ connectionString: urlFor(port, "postgres", OWNER), connectionTimeoutMillis: 2000 });
  client.on("error", () => undefined);
  try {
    await client.connect();
    return true;
  } catch {
    return false;
  } finally {
    await client.end().catch(() => undefined);
  }
}

async function administer<Result>(port: number, work: (client: Client) => Promise<Result>): Promise<Result> {
  const client = new Client({ connectionString: urlFor(port, "postgres", OWNER), connectionTimeoutMillis: 10_000 });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** Makes the web process's role, or gives it its password again. */
async function prepareWebRole(client: Client): Promise<void> {
  if (!existsSync(WEB.passwordFile)) writeFileSync(WEB.passwordFile, randomBytes(18).toString("hex"), { mode: 0o600 });
  const password = readFileSync(WEB.passwordFile, "utf8").trim();
  const found = await client.query("select 1 from pg_roles where rolname = $1", [WEB.role]);
  const verb = found.rowCount === 0 ? "create" : "alter";
  await client.query(
    `${verb} role ${WEB.role} login nosuperuser nocreatedb nocreaterole noinherit password ${client.escapeLiteral(password)}`,
  );
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

/** A database as its owner sees it, who changes its schema, and as the web process does, which changes rows. */
export interface DatabaseUrls {
  owner: string;
  web: string;
}

/** Whom the owner of a local database lets read and write. */
export const WEB_ROLE = WEB.role;

export interface LocalPostgres {
  /** A database by this name, made when it is not there. */
  databaseUrls(name: string): Promise<DatabaseUrls>;
  /** A new, empty database under this name. */
  freshDatabaseUrls(name: string): Promise<DatabaseUrls>;
  dropDatabase(name: string): Promise<void>;
  /** Lets go; the last user stops the server. */
  release(): Promise<void>;
}

/** Starts this checkout's own PostgreSQL on loopback, or joins it when another command has. */
export async function localPostgres(): Promise<LocalPostgres> {
  const port = await withLock("postgres", async () => {
    mkdirSync(USERS_DIR, { recursive: true });
    initialise();
    const startedAt = runningPort(DATA) ?? (await startPostgres(DATA, SERVER_LOG, answers));
    writeFileSync(join(USERS_DIR, String(process.pid)), "");
    await administer(startedAt, prepareWebRole);
    return startedAt;
  });
  const urls = (name: string): DatabaseUrls => ({ owner: urlFor(port, name, OWNER), web: urlFor(port, name, WEB) });
  return {
    databaseUrls: (name) =>
      withLock("database", async () => {
        await administer(port, async (client) => {
          const found = await client.query("select 1 from pg_database where datname = $1", [name]);
          if (found.rowCount === 0) await client.query(`create database "${name}"`);
        });
        return urls(name);
      }),
    freshDatabaseUrls: (name) =>
      withLock("database", async () => {
        await administer(port, async (client) => {
          await client.query(`drop database if exists "${name}" with (force)`);
          await client.query(`create database "${name}"`);
        });
        return urls(name);
      }),
    dropDatabase: (name) =>
      administer(port, async (client) => {
        await client.query(`drop database if exists "${name}" with (force)`);
      }),
    release: () =>
      withLock("postgres", async () => {
        rmSync(join(USERS_DIR, String(process.pid)), { force: true });
        if (otherUsers().length === 0) stopPostgres(DATA);
      }),
  };
}
