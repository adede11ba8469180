import { createHash } from "node:crypto";
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
  utimesSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { buildSync } from "esbuild";
import { inLong } from "../fixtures/inLong";
import { whyFailed } from "./trouble";

const ROOT = join(__dirname, "..");
const IS_ROOT = process.getuid?.() === 0;
const folder = mkdtempSync(join(tmpdir(), "hypophon-home-"));
const DRIVER = join(folder, "main.mjs");
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Starts the local database as a user does, asks it something as the web process, and lets go. */
const DRIVER_SOURCE = `
  import { writeFileSync } from "node:fs";
  import { Client } from "pg";
  import { localPostgres } from "./host/postgres";
  const postgres = await localPostgres();
  if (process.argv[3] === "has")
    await postgres.administer(async (client) => {
      const { rowCount } = await client.query("select 1 from pg_database where datname = 'odd'");
      if (rowCount !== 1) throw new Error("The database is not there.");
    });
  const { web } = await postgres.databaseUrls("odd");
  const client = new Client({ connectionString: web });
  await client.connect();
  const { rows } = await client.query("select current_user");
  await client.end();
  writeFileSync(process.env.HOME + "/ready", "");
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

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A home of a user who is not root, for whom state lies in it. */
function home(name: string): string {
  const path = join(folder, name);
  mkdirSync(path, { recursive: true });
  if (IS_ROOT) chownSync(path, 65534, 65534);
  return path;
}

const command = (path: string, args: string[], settings: string[] = []): [string, string[]] => {
  const all = [`HOME=${path}`, "XDG_STATE_HOME=", "HYPOPHON_STATE=", `HYPOPHON_ROOT=${folder}`, ...settings];
  const run = ["env", ...all, process.execPath, DRIVER, ...args];
  return IS_ROOT ? ["runuser", ["-u", "nobody", "--", ...run]] : [run[0]!, run.slice(1)];
};
/** Starts and stops; "has" fails where the database is not there yet. */
const start = (path: string, has: "" | "has" = "", ...settings: string[]) => {
  const { stdout, stderr, status } = spawnSync(...command(path, ["0", has], settings), {
    encoding: "utf8",
    cwd: "/",
    timeout: 60_000,
  });
  return { stdout, stderr, status };
};
const startLater = (path: string, heldMs: number) =>
  new Promise<string>((resolve) => {
    const child = spawn(...command(path, [String(heldMs)]), { cwd: "/" });
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

test("a home with spaces, signs of the shell, other scripts and more letters than a socket's name may have keeps a database", () => {
  const path = home(`Zoë's "home" $HOME; & more/домой/家/منزل/${"a".repeat(60)}/${"b".repeat(60)}`);
  expect(start(path)).toMatchObject({ status: 0, stdout: "hypophon_web" });
  expect(found(path, "PG_VERSION").length).toBeGreaterThan(0);
  // Again, on what is there.
  expect(start(path)).toEqual({ status: 0, stdout: "hypophon_web", stderr: "" });
});

inLong("a pid file left by a server that was killed, its number now another's, is no server", () => {
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

const stateOf = (path: string) => join(path, ".local", "state", "hypophon");

inLong(
  "data that an earlier release kept under a checkout's hash is taken over, the checkout's own before others",
  () => {
    const path = home("moved");
    expect(start(path).status).toBe(0);
    const state = stateOf(path);
    const own = createHash("sha256").update(folder).digest("hex").slice(0, 10);
    for (const key of [own, "00112233aa"]) {
      mkdirSync(join(state, key));
      for (const name of ["postgres", "password", "web-password"])
        spawnSync("cp", ["-a", join(state, name), join(state, key, name)]);
      if (IS_ROOT) chownSync(join(state, key), 65534, 65534);
    }
    // The other one was used last, and still the checkout's own is taken.
    utimesSync(join(state, "00112233aa", "postgres", "data", "global", "pg_control"), new Date(), new Date());
    for (const name of ["postgres", "password", "web-password"]) rmSync(join(state, name), { recursive: true });
    const taken = start(path, "has");
    expect(taken).toMatchObject({ status: 0, stdout: "hypophon_web" });
    expect(taken.stderr).toContain(`taken over from ${join(state, own)} to ${state}`);
    expect(taken.stderr).toContain(`left in ${join(state, "00112233aa")}`);
    expect(readFileSync(join(state, own, "MOVED.txt"), "utf8")).toContain(state);
    expect(start(path, "has")).toEqual({ status: 0, stdout: "hypophon_web", stderr: "" });
  },
);

inLong("a lost password is made anew, but not under the feet of another who runs", async () => {
  const path = home("lost");
  expect(start(path).status).toBe(0);
  rmSync(join(stateOf(path), "password"));
  writeFileSync(join(stateOf(path), "web-password"), "");
  const renewed = start(path, "has");
  expect(renewed).toMatchObject({ status: 0, stdout: "hypophon_web" });
  expect(renewed.stderr).toContain("The database's password was lost; it has a new one.");

  rmSync(join(path, "ready"));
  const running = startLater(path, 6000);
  while (!existsSync(join(path, "ready"))) await pause(50);
  rmSync(join(stateOf(path), "password"));
  const refused = start(path);
  expect(refused.status).not.toBe(0);
  expect(refused.stderr).toContain("is lost while another Hypophon runs on this data. Stop that one");
  expect(await running).toBe("hypophon_web");
});

inLong("HYPOPHON_STATE is where the data is, whichever checkout asks", () => {
  const path = home("chosen");
  const place = join(path, "somewhere", "else");
  expect(start(path, "", `HYPOPHON_STATE=${place}`)).toMatchObject({ status: 0, stdout: "hypophon_web" });
  expect(existsSync(join(place, "postgres", "data", "PG_VERSION"))).toBe(true);
  expect(existsSync(stateOf(path))).toBe(false);
  expect(start(path, "has", `HYPOPHON_STATE=${place}`, "HYPOPHON_ROOT=/another/checkout")).toMatchObject({
    status: 0,
    stdout: "hypophon_web",
    stderr: "",
  });
});

inLong("data of another version of PostgreSQL is refused with what to do, and not touched", () => {
  const path = home("version");
  expect(start(path).status).toBe(0);
  const file = join(stateOf(path), "postgres", "data", "PG_VERSION");
  writeFileSync(file, "9\n");
  const { status, stderr } = start(path);
  expect(status).not.toBe(0);
  expect(stderr).toContain("was made by PostgreSQL 9, and");
  expect(readFileSync(file, "utf8")).toBe("9\n");
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
