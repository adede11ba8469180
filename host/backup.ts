import { randomUUID } from "node:crypto";
import { spawnSync } from "node:child_process";
import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readSync, renameSync, rmSync, statSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { Client } from "pg";
import { migrateDatabase } from "../db/migrate";
import { localPostgres, WEB_ROLE, type LocalPostgres } from "./postgres";
import { binary } from "./postgresServer";
import { addSum, isWhole } from "./backupSum";
import { DATABASE_NAMES, managedUrls, MIGRATIONS } from "./databases";
import { say, STATE_DIR } from "./state";
import { whyFailed } from "./trouble";

/** How a file of pg_dump's own format begins. */
const MAGIC = "PGDMP";
const NAME = DATABASE_NAMES.start;

/** Rows of each table and a sum over what they hold: two databases with the same one hold the same. */
type Contents = Record<string, string>;

async function contentsOf(client: Client): Promise<Contents> {
  const tables = await client.query<{ name: string }>(
    `select format('%I.%I', schemaname, tablename) as name from pg_tables
     where schemaname not in ('pg_catalog', 'information_schema') order by 1`,
  );
  const contents: Contents = {};
  for (const { name } of tables.rows) {
    const { rows } = await client.query<{ held: string }>(
      `select count(*) || ' ' || coalesce(md5(string_agg(md5(each::text), '' order by md5(each::text))), '') as held from ${name} as each`,
    );
    contents[name] = rows[0]!.held;
  }
  return contents;
}

async function withClient<Result>(url: string, work: (client: Client) => Promise<Result>): Promise<Result> {
  const client = new Client({ connectionString: url, connectionTimeoutMillis: 10_000 });
  await client.connect();
  try {
    // Times and numbers are written alike on both sides.
    await client.query("set timezone = 'UTC'");
    await client.query("set extra_float_digits = 3");
    return await work(client);
  } finally {
    await client.end();
  }
}

/** Runs a program of PostgreSQL's against a database; the password is in its environment, where others do not see it. */
function runAgainst(url: string, program: string, args: readonly string[]): void {
  const { hostname, port, username, password, pathname } = new URL(url);
  const done = spawnSync(
    binary(program),
    ["-h", hostname, "-p", port || "5432", "-U", decodeURIComponent(username), "-d", pathname.slice(1), "-w", ...args],
    { encoding: "utf8", env: { ...process.env, PGPASSWORD: decodeURIComponent(password) } },
  );
  if (done.status !== 0)
    throw new Error(`${program}: ${(done.stderr || String(done.error)).trim().split("\n").at(-1)}`);
}

/** Reads a backup into a database of its own, does something with it, and drops it unless it was given a new name. */
async function withRestored<Result>(
  postgres: LocalPostgres,
  file: string,
  work: (url: string, name: string) => Promise<Result>,
): Promise<Result> {
  const name = `hypophon_read_${randomUUID().slice(0, 8)}`;
  const { owner } = await postgres.freshDatabaseUrls(name);
  try {
    runAgainst(owner, "pg_restore", ["--no-owner", "--no-privileges", "--exit-on-error", "--single-transaction", file]);
    return await work(owner, name);
  } finally {
    await postgres.dropDatabase(name);
  }
}

/** Writes a database to a file, reads the file back, and compares all of it before the file gets its name. */
async function writeBackup(postgres: LocalPostgres, url: string, file: string): Promise<{ shoots: number }> {
  const unfinished = `${file}.unfinished`;
  try {
    // Nobody else reads it: it holds people's names.
    closeSync(openSync(unfinished, "w", 0o600));
    const { contents, shoots } = await withClient(url, async (client) => {
      await client.query("begin isolation level repeatable read read only");
      const { rows } = await client.query<{ snapshot: string }>("select pg_export_snapshot() as snapshot");
      runAgainst(url, "pg_dump", [
        "-Fc",
        "--no-owner",
        "--no-privileges",
        `--snapshot=${rows[0]!.snapshot}`,
        "-f",
        unfinished,
      ]);
      const counted = await client.query<{ shoots: number }>(
        "select count(*)::int as shoots from shoot where deleted_at is null",
      );
      return { contents: await contentsOf(client), shoots: counted.rows[0]!.shoots };
    });
    addSum(unfinished);
    const readBack = await withRestored(postgres, unfinished, (scratch) => withClient(scratch, contentsOf));
    const differing = Object.keys({ ...contents, ...readBack }).filter((table) => contents[table] !== readBack[table]);
    if (differing.length > 0)
      throw new Error(`What was read back is not what was written (${differing.join(", ")}): no backup was made.`);
    const opened = openSync(unfinished, "r");
    fsyncSync(opened);
    closeSync(opened);
    renameSync(unfinished, file);
    return { shoots };
  } catch (error) {
    rmSync(unfinished, { force: true });
    throw error;
  }
}

const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? "" : "s"}`;

async function hasTables(url: string): Promise<boolean> {
  return withClient(url, async (client) => {
    const { rows } = await client.query<{ has: boolean }>("select to_regclass('public.shoot') is not null as has");
    return rows[0]!.has;
  });
}

function oneFile(command: string, args: readonly string[]): string {
  const [file, ...rest] = args;
  if (!file || rest.length > 0) throw new Error(`Call ./hypophon ${command} FILE with the name of one file.`);
  return resolve(file);
}

/** Saves all shoots to a file that does not exist yet, and proves that it can be read. */
export async function backup(args: readonly string[]): Promise<number> {
  const file = oneFile("backup", args);
  if (existsSync(file)) throw new Error(`${file} exists already: choose another name.`);
  if (!existsSync(dirname(file))) throw new Error(`There is no folder ${dirname(file)}.`);
  const managed = managedUrls();
  const postgres = await localPostgres();
  try {
    const { owner } = managed ?? (await postgres.databaseUrls(NAME));
    if (!(await hasTables(owner))) throw new Error("There is nothing to save yet: ./hypophon start has not run here.");
    const { shoots } = await writeBackup(postgres, owner, file);
    const kilobytes = Math.max(1, Math.round(statSync(file).size / 1000));
    process.stdout.write(`Saved ${counted(shoots, "shoot")} to ${file} (${kilobytes} kB), read back and compared.\n`);
    return 0;
  } finally {
    await postgres.release();
  }
}

function checkIsBackup(file: string): void {
  if (!existsSync(file) || !statSync(file).isFile()) throw new Error(`There is no file ${file}.`);
  const start = Buffer.alloc(MAGIC.length);
  const opened = openSync(file, "r");
  readSync(opened, start, 0, MAGIC.length, 0);
  closeSync(opened);
  if (start.toString("latin1") !== MAGIC) throw new Error(`${file} is not a backup made by ./hypophon backup.`);
  // A byte that is turned in the list of contents is nothing that PostgreSQL would notice.
  if (isWhole(file) === false) throw new Error(`${file} is damaged, and nothing was changed (its sum differs).`);
}

/** Keeps what is there now, so that putting a backup back can itself be taken back. */
async function keepPresent(postgres: LocalPostgres, url: string): Promise<void> {
  if (!(await hasTables(url))) return;
  const folder = join(STATE_DIR, "backups");
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = join(folder, `before-restore-${new Date().toISOString().replaceAll(":", "-").slice(0, 19)}.backup`);
  const { shoots } = await writeBackup(postgres, url, file);
  say(`What was there before (${counted(shoots, "shoot")}) is in ${file}.`);
}

/** Puts a backup in place of what is there; until the very last step what is there stays as it is. */
export async function restore(args: readonly string[]): Promise<number> {
  const file = oneFile("restore", args);
  checkIsBackup(file);
  if (managedUrls())
    throw new Error(
      "DATABASE_URL is set: a managed database is restored by whoever runs it. Unset it to restore to this computer.",
    );
  const postgres = await localPostgres();
  try {
    const present = await postgres.databaseUrls(NAME);
    const users = await postgres.administer(async (client) => {
      const { rows } = await client.query<{ users: number }>(
        "select count(*)::int as users from pg_stat_activity where datname = $1",
        [NAME],
      );
      return rows[0]!.users;
    });
    if (users > 0) throw new Error("Hypophon runs on this data now: stop it with Ctrl-C, then call this again.");
    const shoots = await withRestored(postgres, file, async (scratch, name) => {
      if (!(await hasTables(scratch))) throw new Error(`${file} is a backup of something else.`);
      await migrateDatabase(scratch, MIGRATIONS, WEB_ROLE);
      const count = await withClient(scratch, async (client) => {
        // Devices must not go on from where the replaced data was.
        await client.query("update installation set epoch = gen_random_uuid()");
        const { rows } = await client.query<{ shoots: number }>(
          "select count(*)::int as shoots from shoot where deleted_at is null",
        );
        return rows[0]!.shoots;
      });
      await keepPresent(postgres, present.owner);
      const replaced = `hypophon_replaced_${process.pid}`;
      await postgres.administer(async (client) => {
        await client.query("begin");
        await client.query(`alter database "${NAME}" rename to "${replaced}"`);
        await client.query(`alter database "${name}" rename to "${NAME}"`);
        await client.query("commit");
      });
      await postgres.dropDatabase(replaced);
      return count;
    }).catch((error: unknown) => {
      const said = error instanceof Error ? error.message : String(error);
      if (said.startsWith("pg_restore:"))
        throw new Error(`${file} is damaged, and nothing was changed (${whyFailed(said, STATE_DIR)})`);
      throw error;
    });
    process.stdout.write(`Put back ${counted(shoots, "shoot")} from ${file}.\n`);
    return 0;
  } finally {
    await postgres.release();
  }
}
