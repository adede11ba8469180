import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { openDatabase } from "../db/client";
import { migrateDatabase } from "../db/migrate";
import { localPostgres, WEB_ROLE, type DatabaseUrls, type LocalPostgres } from "../host/postgres";
import { MIGRATIONS } from "../host/databases";
import { seedDemo } from "../host/runWeb";
import { ROOT, TEST_STATE_DIR } from "../host/state";
import { webBuild } from "../host/webBuild";
import { WebProcess } from "./webProcess";

interface Count {
  passed: number;
  failed: number;
}

const BIN = join(ROOT, "node_modules", ".bin");
const REPORTS = join(ROOT, ".build", "reports");
// One more than cores: servers, files and locks are waited for.
const JEST_WORKERS = 3;
const BROWSER_WORKERS = 2;
// The native compiler checks; the older one beside it is for the tools that call its API.
const TSC = join("..", "typescript7", "bin", "tsc");

function tell(text: string): void {
  process.stdout.write(`${text}\n`);
}

/** Runs a program; its output is shown when it fails. */
function run(
  program: string,
  args: readonly string[],
  environment: Record<string, string> = {},
): Promise<{ ok: boolean; output: string }> {
  return new Promise((resolve) => {
    const child = spawn(join(BIN, program), args, {
      cwd: ROOT,
      env: { ...process.env, ...environment },
      stdio: ["ignore", "pipe", "pipe"],
    });
    let output = "";
    child.stdout.on("data", (chunk: Buffer) => (output += chunk.toString()));
    child.stderr.on("data", (chunk: Buffer) => (output += chunk.toString()));
    child.once("error", (error) => resolve({ ok: false, output: error.message }));
    child.once("close", (code) => resolve({ ok: code === 0, output }));
  });
}

/** A check that passes or fails as a whole. */
async function check(name: string, program: string, args: readonly string[]): Promise<Count> {
  const began = Date.now();
  const { ok, output } = await run(program, args);
  tell(`${ok ? "ok  " : "FAIL"} ${name} (${seconds(began)})`);
  if (!ok) tell(output.trim().split("\n").slice(-60).join("\n"));
  return ok ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
}

function seconds(began: number): string {
  return `${((Date.now() - began) / 1000).toFixed(0)} s`;
}

/** A suite with a JSON report; one that could not start counts as a failure. */
async function suite(
  name: string,
  program: string,
  args: readonly string[],
  environment: Record<string, string>,
  report: string,
  read: (report: unknown) => Count,
): Promise<Count> {
  const began = Date.now();
  rmSync(report, { force: true });
  const { ok, output } = await run(program, args, environment);
  let count: Count = { passed: 0, failed: 1 };
  if (existsSync(report)) count = read(JSON.parse(readFileSync(report, "utf8")));
  if (!ok && count.failed === 0) count = { ...count, failed: 1 };
  if (count.passed + count.failed === 0) count = { passed: 0, failed: 1 };
  tell(
    `${count.failed === 0 ? "ok  " : "FAIL"} ${name}: ${count.passed} passed, ${count.failed} failed (${seconds(began)})`,
  );
  if (count.failed > 0) tell(output.trim().split("\n").slice(-200).join("\n"));
  return count;
}

function readJest(report: unknown): Count {
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = report as Record<string, number>;
  return { passed: numPassedTests ?? 0, failed: (numFailedTests ?? 0) + (numRuntimeErrorTestSuites ?? 0) };
}

function readPlaywright(report: unknown): Count {
  const { stats, errors } = report as {
    stats: { expected: number; unexpected: number; flaky: number };
    errors?: unknown[];
  };
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected + (errors?.length ?? 0) };
}

/** A database with the demo shoot in it, which all others are copies of: measuring its recordings takes longer than copying. */
async function makePattern(postgres: LocalPostgres): Promise<string> {
  const name = `pattern_${process.pid}`;
  const { owner, web } = await postgres.freshDatabaseUrls(name);
  await migrateDatabase(owner, MIGRATIONS, WEB_ROLE);
  await seedDemo(web);
  return name;
}

async function jest(postgres: LocalPostgres, pattern: string, extra: readonly string[]): Promise<Count> {
  const report = join(REPORTS, "jest.json");
  // A database a worker, of this run alone: two runs at once do not meet.
  const names = Array.from({ length: JEST_WORKERS }, (_, index) => `test_${process.pid}_${index + 1}`);
  try {
    const urls: DatabaseUrls[] = [];
    for (const name of names) urls.push(await postgres.freshDatabaseUrls(name, pattern));
    return await suite(
      "unit, reference and server tests",
      "jest",
      ["--json", `--outputFile=${report}`, `--maxWorkers=${JEST_WORKERS}`, ...extra],
      {
        TEST_DATABASE_URLS: urls.map(({ web }) => web).join(" "),
        TEST_OWNER_URLS: urls.map(({ owner }) => owner).join(" "),
      },
      report,
      readJest,
    );
  } finally {
    for (const name of names) await postgres.dropDatabase(name);
  }
}

async function browser(postgres: LocalPostgres, pattern: string, extra: readonly string[]): Promise<Count> {
  // A server and a database a worker: what one test changes in the demo shoot, none beside it sees.
  const names = Array.from({ length: BROWSER_WORKERS }, (_, index) => `e2e_${process.pid}_${index + 1}`);
  const webs: WebProcess[] = [];
  const report = join(REPORTS, `playwright-${process.pid}.json`);
  try {
    await webBuild();
    const urls: DatabaseUrls[] = [];
    for (const name of names) urls.push(await postgres.freshDatabaseUrls(name, pattern));
    for (const each of urls) {
      const web = new WebProcess(each, 4380);
      webs.push(web);
      await web.start();
    }
    return await suite(
      "browser tests",
      "playwright",
      ["test", "--reporter=json", `--workers=${BROWSER_WORKERS}`, ...extra],
      {
        HYPOPHON_ADDRESS: webs.map(({ address }) => address).join(" "),
        HYPOPHON_TEST_URL: urls[0]!.web,
        HYPOPHON_TEST_OWNER_URL: urls[0]!.owner,
        PLAYWRIGHT_JSON_OUTPUT_FILE: report,
      },
      report,
      readPlaywright,
    );
  } catch (error) {
    tell(`FAIL build and browser tests: ${error instanceof Error ? error.message : String(error)}`);
    return { passed: 0, failed: 1 };
  } finally {
    for (const web of webs) await web.kill("SIGTERM");
    for (const name of names) await postgres.dropDatabase(name);
  }
}

/** Waits until the database answers, so that a first failure names the database and not a test. */
async function probe(postgres: LocalPostgres): Promise<void> {
  const { pool } = openDatabase((await postgres.databaseUrls("hypophon_test")).web);
  await pool.query("select 1");
  await pool.end();
}

/** Folders of code, as dependency-cruiser is to read them. */
const ROOMS = "app screens data ui server db core messages workers cli host tools demo fixtures".split(" ");

/** Checks that run nothing, on two cores: the longest first. What the browser tests need is built meanwhile. */
async function staticChecks(): Promise<Count[]> {
  const left: (() => Promise<Count | null>)[] = [
    // A build that fails is told by the browser tests.
    () =>
      webBuild().then(
        () => null,
        () => null,
      ),
    () => check("layout of the code", "oxfmt", ["--check", "."]),
    () => check("types", TSC, ["-p", "tsconfig.json"]),
    () => check("lint", "oxlint", ["--deny-warnings"]),
    () => check("types of the core", TSC, ["-p", "core/tsconfig.json"]),
    () => check("rules between rooms", "depcruise", ["--config", ".dependency-cruiser.cjs", ...ROOMS]),
  ];
  const counts: Count[] = [];
  const worker = async () => {
    for (let next = left.shift(); next; next = left.shift()) {
      const count = await next();
      if (count) counts.push(count);
    }
  };
  await Promise.all([worker(), worker()]);
  return counts;
}

/** Everything CI runs; closes with the counts over all suites. `unit` or `e2e` with arguments run one suite. */
export async function runTests(args: readonly string[]): Promise<number> {
  mkdirSync(REPORTS, { recursive: true });
  // What takes long and seldom finds anything is done when asked for.
  if (args.includes("--long")) process.env["HYPOPHON_LONG"] = "1";
  const [only, ...extra] = args.filter((each) => each !== "--long");
  const counts: Count[] = [];
  if (!only) counts.push(...(await staticChecks()));
  let postgres: LocalPostgres | null = null;
  let pattern: string | null = null;
  try {
    postgres = await localPostgres(TEST_STATE_DIR);
    await probe(postgres);
    pattern = await makePattern(postgres);
    if (!only || only === "unit") counts.push(await jest(postgres, pattern, extra));
    if (!only || only === "e2e") counts.push(await browser(postgres, pattern, extra));
  } catch (error) {
    tell(`FAIL ${error instanceof Error ? error.message : String(error)}`);
    counts.push({ passed: 0, failed: 1 });
  } finally {
    if (pattern !== null) await postgres?.dropDatabase(pattern);
    await postgres?.release();
  }
  const passed = counts.reduce((sum, count) => sum + count.passed, 0);
  const failed = counts.reduce((sum, count) => sum + count.failed, 0);
  tell(`${passed} passed, ${failed} failed`);
  return failed === 0 && passed > 0 ? 0 : 1;
}
