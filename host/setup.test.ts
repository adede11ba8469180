import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Pool } from "pg";
import { migrateDatabase } from "../db/migrate";
import { workerDatabase } from "../fixtures/testCrew";
import { openFileSource } from "../cli/fileSource";
import { withLock } from "./lock";

const ROOT = join(__dirname, "..");
const folder = mkdtempSync(join(tmpdir(), "hypophon-setup-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe("the one command", () => {
  const run = (...args: string[]) => spawnSync(join(ROOT, "hypophon"), args, { encoding: "utf8" });

  test("help lists every command, an unknown one ends with 2", () => {
    const help = run("help");
    expect(help.status).toBe(0);
    for (const command of ["demo", "start", "backup", "restore", "measure", "calc", "test", "dev", "bench"])
      expect(help.stdout).toContain(`./hypophon ${command}`);
    expect(run("launch")).toMatchObject({ status: 2, stdout: "" });
  });

  test("it works from anywhere, through a link too", () => {
    const link = join(folder, "hy");
    spawnSync("ln", ["-s", join(ROOT, "hypophon"), link]);
    const { status, stdout } = spawnSync(link, ["calc", "--list"], { encoding: "utf8", cwd: "/" });
    expect(status).toBe(0);
    expect(stdout).toContain("dress");
  });

  test("the script is sound shell", () => {
    expect(spawnSync("bash", ["-n", join(ROOT, "hypophon")]).status).toBe(0);
    expect(readFileSync(join(ROOT, ".ci", "run"), "utf8")).toContain("./hypophon test");
  });
});

describe("file source", () => {
  test("gives the bytes asked for, fewer at the end, two reads at once", async () => {
    const path = join(folder, "bytes");
    writeFileSync(
      path,
      Uint8Array.from({ length: 1000 }, (_, index) => index % 251),
    );
    const source = await openFileSource(path);
    expect(source.sizeBytes).toBe(1000);
    const [first, second] = await Promise.all([source.read(0, 10), source.read(500, 10)]);
    expect([...first]).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
    expect(second[0]).toBe(500 % 251);
    expect((await source.read(995, 100)).length).toBe(5);
    expect((await source.read(2000, 10)).length).toBe(0);
    await source.close();
  });
});

describe("migrations", () => {
  let pool: Pool;
  beforeAll(() => {
    ({ pool } = workerDatabase());
  });
  afterAll(() => pool.end());

  test("running them again, several at once, changes nothing", async () => {
    const urls = process.env["TEST_OWNER_URLS"]!.split(" ");
    const url = urls[Number(process.env["JEST_WORKER_ID"] ?? "1") - 1]!;
    const columns = async () =>
      (
        await pool.query<{ table_name: string; column_name: string }>(
          "select table_name, column_name from information_schema.columns where table_schema = 'public' order by 1, 2",
        )
      ).rows;
    const before = await columns();
    await Promise.all([1, 2, 3].map(() => migrateDatabase(url, join(ROOT, "db", "migrations"))));
    expect(await columns()).toEqual(before);
    const tables = new Set(before.map((row) => row.table_name));
    for (const table of ["crew", "shoot", "place", "scene", "wearer", "outfit_layer", "kit_item", "rig", "measurement"])
      expect(tables).toContain(table);
  });
});

test("two tasks under one lock never overlap, and one that fails lets go", async () => {
  const log: string[] = [];
  const task = (name: string) =>
    withLock(folder, "setup-test", async () => {
      log.push(`${name} in`);
      await new Promise((resolve) => setTimeout(resolve, 50));
      log.push(`${name} out`);
    });
  await expect(withLock(folder, "setup-test", () => Promise.reject(new Error("broken")))).rejects.toThrow("broken");
  await Promise.all([task("a"), task("b"), task("c")]);
  expect(log).toHaveLength(6);
  for (let index = 0; index < 6; index += 2) expect(log[index + 1]).toBe(log[index]!.replace(" in", " out"));
});
