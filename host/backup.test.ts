import { spawnSync } from "node:child_process";
import { chmodSync, existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { buildSync } from "esbuild";
import { Client } from "pg";
import type { LocalPostgres } from "./postgres";

const ROOT = join(__dirname, "..");
const folder = mkdtempSync(join(tmpdir(), "hypophon-backup-"));
const MAIN = join(folder, "main.mjs");
const STATE = join(folder, "state");

const DRIVER = `
  import { backup, restore } from "./host/backup";
  const [command, ...args] = process.argv.slice(2);
  try {
    process.exitCode = await (command === "backup" ? backup : restore)(args);
  } catch (error) {
    console.error(error.message);
    process.exitCode = 1;
  }
  process.exit();
`;

// Read when the modules below are loaded.
process.env["HYPOPHON_STATE"] = STATE;
process.env["HYPOPHON_ROOT"] = ROOT;

let postgres: LocalPostgres;
let owner = "";

const ask = async <Row extends object>(sql: string, url = owner): Promise<Row[]> => {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query<Row>(sql)).rows;
  } finally {
    await client.end();
  }
};
const titles = async () =>
  (await ask<{ title: string }>("select title from shoot order by title")).map(({ title }) => title);
const epoch = async () => (await ask<{ epoch: string }>("select epoch from installation"))[0]!.epoch;
const addShoot = (title: string) =>
  ask(`insert into shoot
    (id, crew_id, title, first_day, days, units, frame_rate, delivery, sample_rate_hz, bits_per_sample)
    select gen_random_uuid(), id, '${title}', '2026-11-27', 1, 'metric', 25, 'picture', 48000, 24 from crew`);

/** The command as it is called. */
const call = (...args: string[]) => {
  const { DATABASE_URL: _, ...environment } = process.env;
  const { status, stdout, stderr } = spawnSync(process.execPath, [MAIN, ...args], {
    encoding: "utf8",
    cwd: folder,
    env: { ...environment, HYPOPHON_STATE: STATE, HYPOPHON_ROOT: ROOT },
  });
  return { status, stdout, stderr };
};

beforeAll(async () => {
  chmodSync(folder, 0o755);
  buildSync({
    stdin: { contents: DRIVER, resolveDir: ROOT, loader: "ts" },
    bundle: true,
    platform: "node",
    format: "esm",
    external: ["pg-native"],
    banner: { js: 'import{createRequire}from"node:module";const require=createRequire(import.meta.url);' },
    outfile: MAIN,
    logLevel: "error",
  });
  const { localPostgres, WEB_ROLE } = await import("./postgres");
  const { migrateDatabase } = await import("../db/migrate");
  postgres = await localPostgres();
  ({ owner } = await postgres.databaseUrls("hypophon"));
  await migrateDatabase(owner, join(ROOT, "db", "migrations"), WEB_ROLE);
  await ask("insert into crew (id, name) values (gen_random_uuid(), 'Crew') on conflict do nothing");
  await addShoot("First");
}, 60_000);

afterAll(async () => {
  await postgres.release();
  rmSync(folder, { recursive: true, force: true });
});

const file = join(folder, "all.backup");

test("a backup is read back, compared and kept from other eyes; it never overwrites", () => {
  const made = call("backup", "all.backup");
  expect(made).toMatchObject({ status: 0, stderr: "" });
  expect(made.stdout).toMatch(/^Saved 1 shoot to .*all\.backup \(\d+ kB\), read back and compared\.\n$/);
  const before = readFileSync(file);
  const again = call("backup", "all.backup");
  expect(again.status).toBe(1);
  expect(again.stderr).toContain("exists already");
  expect(readFileSync(file).equals(before)).toBe(true);
  expect(readdirSync(folder).filter((name) => name.includes("unfinished"))).toEqual([]);
});

test("putting it back replaces what is there, keeps that in a file, and tells devices to begin anew", async () => {
  const before = await epoch();
  await addShoot("Second");
  expect(await titles()).toEqual(["First", "Second"]);
  const put = call("restore", "all.backup");
  expect(put.stderr).toContain("What was there before (2 shoots)");
  expect(put).toMatchObject({ status: 0, stdout: `Put back 1 shoot from ${file}.\n` });
  expect(await titles()).toEqual(["First"]);
  expect(await epoch()).not.toBe(before);
  const kept = /is in (.*)\.\n$/.exec(put.stderr)![1]!;
  expect(call("restore", kept)).toMatchObject({ status: 0, stdout: `Put back 2 shoots from ${kept}.\n` });
  expect(await titles()).toEqual(["First", "Second"]);
  // The web process reads what was put back.
  const { web } = await postgres.databaseUrls("hypophon");
  expect(await ask("select title from shoot", web)).toHaveLength(2);
});

test("damaged files, other files and none are refused, and nothing is changed", async () => {
  const bytes = readFileSync(file);
  const damaged = join(folder, "damaged.backup");
  const turnedAt = (at: number) =>
    Buffer.concat([bytes.subarray(0, at), Buffer.from([bytes[at]! ^ 1]), bytes.subarray(at + 1)]);
  // A cut, and one bit turned: in the list of contents, and in the middle.
  for (const broken of [bytes.subarray(0, bytes.length - 2000), ...[200, bytes.length >> 1].map(turnedAt)]) {
    writeFileSync(damaged, broken);
    const refused = call("restore", "damaged.backup");
    expect(refused.status).toBe(1);
    expect(refused.stderr).toContain("is damaged, and nothing was changed");
  }
  writeFileSync(join(folder, "notes.txt"), "Buy batteries");
  expect(call("restore", "notes.txt").stderr).toContain("is not a backup made by");
  expect(call("restore", "nowhere").stderr).toContain("There is no file");
  expect(call("restore").stderr).toContain("with the name of one file");
  expect(await titles()).toEqual(["First", "Second"]);
  expect((await ask("select 1 from pg_database where datname like 'hypophon%read%'")).length).toBe(0);
});

test("nothing is put back under a running Hypophon", async () => {
  const client = new Client({ connectionString: owner });
  await client.connect();
  expect(call("restore", "all.backup").stderr).toContain("Hypophon runs on this data now");
  await client.end();
  expect(await titles()).toEqual(["First", "Second"]);
});

test("an older release refuses data of a newer one and touches nothing", async () => {
  const { migrateDatabase } = await import("../db/migrate");
  await ask("insert into drizzle.__drizzle_migrations (hash, created_at) values ('of the future', 9999999999999)");
  const rows = () => ask("select * from drizzle.__drizzle_migrations");
  const before = await rows();
  await expect(migrateDatabase(owner, join(ROOT, "db", "migrations"))).rejects.toThrow(
    "last used by a newer release of Hypophon",
  );
  expect(await rows()).toEqual(before);
  expect(call("backup", "future.backup").status).toBe(0);
  await ask("delete from drizzle.__drizzle_migrations where hash = 'of the future'");
  expect(call("restore", "future.backup").stderr).toContain("last used by a newer release of Hypophon");
  expect(await titles()).toEqual(["First", "Second"]);
  expect(existsSync(join(STATE, "backups"))).toBe(true);
});
