import { spawn, spawnSync } from "node:child_process";
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { buildSync } from "esbuild";
import { whyFailed } from "./trouble";

const ROOT = join(__dirname, "..");
const IS_ROOT = process.getuid?.() === 0;
const folder = mkdtempSync(join(tmpdir(), "hypophon-home-"));
const DRIVER = join(folder, "main.mjs");
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Starts the local database as a user does, asks it something as the web process, and lets go. */
const DRIVER_SOURCE = `
  import { Client } from "pg";
  import { localPostgres } from "./cli/postgres";
  const postgres = await localPostgres();
  const { web } = await postgres.databaseUrls("odd");
  const client = new Client({ connectionString: web });
  await client.connect();
  const { rows } = await client.query("select current_user");
  await client.end();
  await new Promise((resolve) => setTimeout(resolve, Number(process.argv[2] ?? 0)));
  await postgres.release();
  process.stdout.write(rows[0].current_user);
  process.exit();
`;

beforeAll(() => {
  buildSync({
    stdin: { contents: DRIVER_SOURCE, resolveDir: ROOT, loader: "ts" },
    bundle: true,
    platform: "node",
    format: "esm",
    external: ["pg-native"],
    banner: { js: 'import{createRequire}from"node:module";const require=createRequire(import.meta.url);' },
    outfile: DRIVER,
    logLevel: "error",
  });
  chmodSync(folder, 0o755);
});

/** A home of a user who is not root, for whom state lies in it. */
function home(name: string): string {
  const path = join(folder, name);
  mkdirSync(path, { recursive: true });
  if (IS_ROOT) chownSync(path, 65534, 65534);
  return path;
}

const command = (path: string, ...args: string[]): [string, string[]] => {
  const run = ["env", `HOME=${path}`, "XDG_STATE_HOME=", `HYPOPHON_ROOT=${folder}`, process.execPath, DRIVER, ...args];
  return IS_ROOT ? ["runuser", ["-u", "nobody", "--", ...run]] : [run[0]!, run.slice(1)];
};
const start = (path: string) => {
  const { stdout, stderr, status } = spawnSync(...command(path), { encoding: "utf8", cwd: "/", timeout: 60_000 });
  return { stdout, stderr, status };
};
const startLater = (path: string, heldMs: number) =>
  new Promise<string>((resolve) => {
    const child = spawn(...command(path, String(heldMs)), { cwd: "/" });
    let said = "";
    child.stdout.on("data", (text: Buffer) => (said += text.toString()));
    child.stderr.on("data", (text: Buffer) => (said += text.toString()));
    child.once("close", () => resolve(said.replace("Making a database\n", "")));
  });

/** Every file of a name below a folder. */
const found = (path: string, name: string): string[] =>
  readdirSync(path, { recursive: true, encoding: "utf8" })
    .filter((each) => each.endsWith(`/${name}`))
    .map((each) => join(path, each));

test.each([
  ["spaces, quotes and signs of the shell", `Zoë's "home" $HOME; & more`],
  ["letters of other scripts", "домой/家/منزل"],
  ["more than 107 letters, where a socket's name ends", "a".repeat(60) + "/" + "b".repeat(60)],
])("a home with %s keeps a database", (_, name) => {
  const path = home(name);
  expect(start(path)).toMatchObject({ status: 0, stdout: "hypophon_web" });
  expect(found(path, "PG_VERSION").length).toBeGreaterThan(0);
  // Again, on what is there.
  expect(start(path)).toEqual({ status: 0, stdout: "hypophon_web", stderr: "" });
});

test("a pid file left by a server that was killed, its number now another's, is no server", () => {
  const path = home("stale");
  expect(start(path).status).toBe(0);
  const data = found(path, "PG_VERSION")
    .sort((a, b) => a.length - b.length)[0]!
    .replace(/\/PG_VERSION$/, "");
  const pidFile = join(data, "postmaster.pid");
  expect(existsSync(pidFile)).toBe(false);
  writeFileSync(pidFile, `${process.pid}\n${data}\n1700000000\n5999\n\n127.0.0.1\n\nready   \n`);
  if (IS_ROOT) chownSync(pidFile, 65534, 65534);
  expect(start(path)).toEqual({ status: 0, stdout: "hypophon_web", stderr: "" });
});

test("two that start at once share one server, and the last to go stops it", async () => {
  const path = home("twice");
  expect(await Promise.all([startLater(path, 1500), startLater(path, 300)])).toEqual(["hypophon_web", "hypophon_web"]);
  expect(found(path, "postmaster.pid")).toEqual([]);
});

test("a full disk is called one, rights are called rights, and the rest says itself", () => {
  const why = (said: string) => whyFailed(said, tmpdir());
  expect(why('initdb: error: could not write to file "x": No space left on device')).toContain("the disk is full");
  expect(why("npm error code ENOSPC")).toContain("the disk is full");
  expect(why("initdb: error: could not create directory: Permission denied")).toContain("cannot be written");
  expect(why("one\nthe last line\n")).toBe("the last line");
});

test("a checkout that cannot be written is said, and nothing else", () => {
  const checkout = join(folder, "checkout");
  mkdirSync(join(checkout, ".build", "cli"), { recursive: true });
  writeFileSync(join(checkout, "hypophon"), readFileSync(join(ROOT, "hypophon")), { mode: 0o755 });
  for (const each of [join(checkout, ".build", "cli"), join(checkout, ".build"), checkout]) chmodSync(each, 0o555);
  const run = [join(checkout, "hypophon"), "calc", "--list"];
  const [program, args] = IS_ROOT ? ["runuser", ["-u", "nobody", "--", ...run]] : [run[0]!, run.slice(1)];
  const { status, stdout, stderr } = spawnSync(program, args, { encoding: "utf8", cwd: "/" });
  expect([status, stdout]).toEqual([2, ""]);
  expect(stderr).toBe(`hypophon: ${checkout}/.build cannot be written: check the rights.\n`);
  chmodSync(checkout, 0o755);
});
