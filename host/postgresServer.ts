import { spawn, spawnSync } from "node:child_process";
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, readdirSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { join } from "node:path";
import { IS_ROOT } from "./state";
import { whyFailed } from "./trouble";

const VERSIONS = "/usr/lib/postgresql";

/** The newest version of PostgreSQL that is installed whole. */
export function installedVersion(): string {
  const found = (existsSync(VERSIONS) ? readdirSync(VERSIONS) : [])
    .sort((a, b) => Number(b) - Number(a))
    .find((version) => existsSync(join(VERSIONS, version, "bin", "initdb")));
  if (!found) throw new Error("PostgreSQL is not installed: apt-get install -y postgresql");
  return found;
}

/** A PostgreSQL program of that version. */
export function binary(name: string): string {
  return join(VERSIONS, installedVersion(), "bin", name);
}

/** A PostgreSQL program and its arguments as a user that it accepts: it refuses to run as root. */
function asItsUser(name: string, args: readonly string[]): [program: string, args: string[]] {
  return IS_ROOT ? ["runuser", ["-u", "postgres", "--", binary(name), ...args]] : [binary(name), [...args]];
}

/** Runs a PostgreSQL program to its end. */
export function runPostgres(
  name: string,
  args: readonly string[],
  { input = "" }: { input?: string } = {},
): { ok: boolean; output: string } {
  const [program, all] = asItsUser(name, args);
  const done = spawnSync(program, all, { cwd: "/", encoding: "utf8", input });
  return { ok: done.status === 0, output: `${done.stdout ?? ""}${done.stderr ?? ""}`.trim() };
}

/** A folder that the server may write. */
export function makeServerFolder(path: string): void {
  if (!IS_ROOT) mkdirSync(path, { recursive: true, mode: 0o700 });
  else spawnSync("install", ["-d", "-m", "700", "-o", "postgres", "-g", "postgres", path]);
}

/** Whether a port on loopback is free. */
function isFree(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once("error", () => resolve(false));
    probe.listen(port, "127.0.0.1", () => probe.close(() => resolve(true)));
  });
}

const PREFERRED_PORT = 5180;
const PORTS = 200;

async function freePort(preferred: number): Promise<number> {
  for (let port = preferred; port < PREFERRED_PORT + PORTS; port += 1) if (await isFree(port)) return port;
  throw new Error(`No free port between ${PREFERRED_PORT} and ${PREFERRED_PORT + PORTS - 1}.`);
}

/** Whether a process is a PostgreSQL server on this data: after a crash its number may have gone to another. */
function servesData(pid: number, data: string): boolean {
  try {
    const words = readFileSync(`/proc/${pid}/cmdline`, "utf8").split("\0");
    return words[0]!.endsWith("postgres") && words.includes(data);
  } catch {
    return false;
  }
}

/** Port of the server that runs on this data, from its own pid file; null when there is none. */
export function runningPort(data: string): number | null {
  const file = join(data, "postmaster.pid");
  if (!existsSync(file)) return null;
  const lines = readFileSync(file, "utf8").split("\n");
  if (servesData(Number(lines[0]), data)) return Number(lines[3]) || null;
  // Left behind by a server that was killed: it would keep the next one from starting while its number is taken.
  rmSync(file, { force: true });
  return null;
}

const STARTS_WITHIN_MS = 60_000;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** What a server that ended said last. */
const lastOf = (log: string): string =>
  readFileSync(log, "utf8")
    .trim()
    .split("\n")
    .filter((line) => /FATAL|PANIC|ERROR/.test(line))
    .at(-1) ?? "";

/**
 * Starts a server on loopback and waits until `answers` says that it does. Paths never go through a shell, and there is no
 * socket file, whose name may have 107 bytes at most: the data may lie anywhere.
 */
export async function startPostgres(
  data: string,
  log: string,
  answers: (port: number) => Promise<boolean>,
): Promise<number> {
  for (let port = await freePort(PREFERRED_PORT); ; port = await freePort(port + 1)) {
    const [program, args] = asItsUser("postgres", [
      ...["-D", data, "-p", String(port), "-c", "listen_addresses=127.0.0.1", "-c", "unix_socket_directories="],
    ]);
    const output = openSync(log, "a");
    const child = spawn(program, args, { cwd: "/", detached: true, stdio: ["ignore", output, output] });
    closeSync(output);
    child.unref();
    let hasEnded = false;
    child.once("exit", () => (hasEnded = true));
    child.once("error", () => (hasEnded = true));
    const until = Date.now() + STARTS_WITHIN_MS;
    while (!hasEnded && Date.now() < until) {
      if (await answers(port)) return port;
      await pause(100);
    }
    // Somebody else took the port in between.
    if (hasEnded && !(await isFree(port))) continue;
    const said = existsSync(log) ? lastOf(log) : "";
    throw new Error(`PostgreSQL did not start: ${whyFailed(said, data)} (${log})`);
  }
}

/** Ends the server on this data, if one runs. */
export function stopPostgres(data: string): void {
  if (runningPort(data) !== null) runPostgres("pg_ctl", ["-D", data, "-m", "fast", "-w", "stop"]);
}
