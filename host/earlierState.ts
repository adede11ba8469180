import { existsSync, readdirSync, renameSync, statSync, writeFileSync } from "node:fs";
import { basename, join } from "node:path";
import { hasData, isRunning, postgresHome, type PostgresHome } from "./postgresHome";
import { CHECKOUT_KEY, say } from "./state";

/** Database numbers below this are PostgreSQL's own. */
const FIRST_OF_USERS = 16_384;

/** Earlier releases kept each checkout's data apart, in a folder named by a hash of the checkout's path. */
const EARLIER_NAME = /^[0-9a-f]{10}$/;

/** Whether anything was ever kept in a server's data besides what PostgreSQL makes itself. */
function hasDatabases({ data }: PostgresHome): boolean {
  const base = join(data, "base");
  return existsSync(base) && readdirSync(base).some((name) => Number(name) >= FIRST_OF_USERS);
}

/** When a server last wrote its data to the end, ms since 1970. */
function lastUsedMs({ data }: PostgresHome): number {
  const control = join(data, "global", "pg_control");
  return existsSync(control) ? statSync(control).mtimeMs : 0;
}

/** Folders of earlier releases that hold data, best first: this checkout's own, then the one used last. */
export function earlierHomes(stateDir: string, ownKey: string): PostgresHome[] {
  const isOwn = (home: PostgresHome) => Number(basename(home.dir) === ownKey);
  return readdirSync(stateDir)
    .filter((name) => EARLIER_NAME.test(name))
    .map((name) => postgresHome(join(stateDir, name)))
    .filter((home) => hasData(home) && hasDatabases(home))
    .sort((a, b) => isOwn(b) - isOwn(a) || lastUsedMs(b) - lastUsedMs(a));
}

/**
 * Moves the data of an earlier release to where it is now looked for. Passwords go first and the data last: an interrupted
 * move is taken up again. Data of other checkouts stays where it is, and is said.
 * @throws Error where the earlier release still runs on it
 */
export function takeOverEarlier(home: PostgresHome, ownKey: string = CHECKOUT_KEY): void {
  const [found, ...others] = earlierHomes(home.dir, ownKey);
  if (!found) return;
  if (isRunning(found))
    throw new Error(
      `An earlier release of Hypophon still runs on ${found.dir}. Stop it with Ctrl-C, then start again: its shoots are taken over.`,
    );
  for (const [from, to] of [
    [found.owner.passwordFile, home.owner.passwordFile],
    [found.web.passwordFile, home.web.passwordFile],
    [found.server, home.server],
  ] as const)
    if (existsSync(from)) renameSync(from, to);
  writeFileSync(join(found.dir, "MOVED.txt"), `The data that was here is now in ${home.dir}.\n`);
  say(`The shoots of an earlier release are taken over from ${found.dir} to ${home.dir}.`);
  for (const other of others)
    say(`Data of another checkout is left in ${other.dir}. To see it: HYPOPHON_STATE=${other.dir} ./hypophon start`);
}
