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
import { installedVersion, makeServerFolder, runPostgres, runningPort, stopPostgres } from "./postgresServer";
import { IS_ROOT, say } from "./state";
import { whyFailed } from "./trouble";

/** Someone the server lets in. */
interface Login {
  role: string;
  passwordFile: string;
}

/** Where one PostgreSQL server keeps what it has. */
export interface PostgresHome {
  dir: string;
  server: string;
  data: string;
  log: string;
  users: string;
  /** Owns all tables, and may do anything: for setting up only. */
  owner: Login;
  /** What the web process is: it reads and writes rows, and owns nothing. */
  web: Login;
}

/** The web process's role. */
export const WEB_ROLE = "hypophon_web";

export function postgresHome(dir: string): PostgresHome {
  return {
    dir,
    server: join(dir, "postgres"),
    data: join(dir, "postgres", "data"),
    log: join(dir, "postgres.log"),
    users: join(dir, "users"),
    owner: { role: "hypophon", passwordFile: join(dir, "password") },
    web: { role: WEB_ROLE, passwordFile: join(dir, "web-password") },
  };
}

export const newPassword = (): string => randomBytes(18).toString("hex");

/** The password of a login; null where its file is lost or empty. */
export function passwordOf({ passwordFile }: Login): string | null {
  if (!existsSync(passwordFile)) return null;
  return readFileSync(passwordFile, "utf8").trim() || null;
}

export function keepPassword({ passwordFile }: Login, password: string): void {
  const unfinished = `${passwordFile}.unfinished`;
  writeFileSync(unfinished, password, { mode: 0o600 });
  renameSync(unfinished, passwordFile);
}

/** Whether a folder holds a database that PostgreSQL has made. */
export const hasData = ({ data }: PostgresHome): boolean => existsSync(join(data, "PG_VERSION"));

/** Makes an empty database; a run that was interrupted leaves none. */
export function initialise(home: PostgresHome): void {
  say("Making a database");
  makeServerFolder(home.server);
  const password = newPassword();
  keepPassword(home.owner, password);
  const handover = mkdtempSync(join(tmpdir(), "hypophon-"));
  const passwordCopy = join(handover, "password");
  const unfinished = join(home.server, "unfinished");
  try {
    writeFileSync(passwordCopy, password, { mode: 0o600 });
    if (IS_ROOT) spawnSync("chown", ["-R", "postgres", handover]);
    rmSync(unfinished, { recursive: true, force: true });
    const made = runPostgres("initdb", [
      ...["-D", unfinished, "-U", home.owner.role, "-E", "UTF8", "--locale=C.UTF-8", "--no-instructions"],
      ...["-A", "scram-sha-256", `--pwfile=${passwordCopy}`],
    ]);
    if (!made.ok) throw new Error(`The database could not be made: ${whyFailed(made.output, home.server)}`);
    renameSync(unfinished, home.data);
  } finally {
    rmSync(handover, { recursive: true, force: true });
  }
}

/** Refuses data that another version of PostgreSQL has made, before anything is tried on it. */
export function checkVersion(home: PostgresHome): void {
  const made = readFileSync(join(home.data, "PG_VERSION"), "utf8").trim();
  const installed = installedVersion();
  if (made === installed) return;
  throw new Error(
    `The data in ${home.dir} was made by PostgreSQL ${made}, and ${installed} is installed. Install ${made} again, ` +
      "save the data with ./hypophon backup FILE, and give it to the new one with ./hypophon restore FILE.",
  );
}

/**
 * Gives the server's owner a new password where the file of it is lost. The server must stand still for that, so that nobody
 * may use it meanwhile.
 */
export function renewPassword(home: PostgresHome, otherUsers: readonly number[]): void {
  if (passwordOf(home.owner) !== null) return;
  if (otherUsers.length > 0)
    throw new Error(
      `The file ${home.owner.passwordFile} is lost while another Hypophon runs on this data. ` +
        "Stop that one, then start again: a new password is made.",
    );
  stopPostgres(home.data);
  const password = newPassword();
  const done = runPostgres("postgres", ["--single", "-D", home.data, "postgres"], {
    input: `alter role ${home.owner.role} password '${password}'\n`,
  });
  if (!done.ok || /ERROR|FATAL/.test(done.output))
    throw new Error(`The database's password could not be renewed: ${whyFailed(done.output, home.server)}`);
  keepPassword(home.owner, password);
  say("The database's password was lost; it has a new one.");
}

/** When a process began, in the kernel's ticks: tells it from a later one of the same number. Null when it is gone. */
function begunAt(pid: number): string | null {
  try {
    // The name in brackets may hold anything; what follows it is numbers.
    return readFileSync(`/proc/${pid}/stat`, "utf8").split(") ").at(-1)!.split(" ")[19] ?? null;
  } catch {
    return null;
  }
}

/** Says that this process uses the server. */
export function enter(home: PostgresHome): void {
  mkdirSync(home.users, { recursive: true });
  writeFileSync(join(home.users, String(process.pid)), begunAt(process.pid) ?? "");
}

export function leave(home: PostgresHome): void {
  rmSync(join(home.users, String(process.pid)), { force: true });
}

/** Other commands that use this server now. */
export function otherUsers(home: PostgresHome): number[] {
  if (!existsSync(home.users)) return [];
  return readdirSync(home.users)
    .map(Number)
    .filter((pid) => {
      const file = join(home.users, String(pid));
      const isAlive = begunAt(pid) === readFileSync(file, "utf8");
      if (!isAlive) rmSync(file, { force: true });
      return isAlive && pid !== process.pid;
    });
}

/** Whether a PostgreSQL server runs on this data. */
export const isRunning = (home: PostgresHome): boolean => runningPort(home.data) !== null;
