import { Client } from "pg";
import { takeOverEarlier } from "./earlierState";
import { withLock } from "./lock";
import {
  checkVersion,
  enter,
  hasData,
  initialise,
  keepPassword,
  leave,
  newPassword,
  otherUsers,
  passwordOf,
  postgresHome,
  renewPassword,
  type PostgresHome,
} from "./postgresHome";
import { runningPort, startPostgres, stopPostgres } from "./postgresServer";
import { IS_STATE_CHOSEN, STATE_DIR } from "./state";

export { WEB_ROLE } from "./postgresHome";

function urlFor(port: number, name: string, login: PostgresHome["owner"]): string {
  return `postgres://${login.role}:${passwordOf(login) ?? ""}@127.0.0.1:${port}/${name}`;
}

/** Whether the server takes our password yet: something else on its port would not. */
async function answers(home: PostgresHome, port: number): Promise<boolean> {
  const client = new Client({ connectionString: urlFor(port, "postgres", home.owner), connectionTimeoutMillis: 2000 });
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

/** Makes the web process's role, or gives it its password again. */
async function prepareWebRole(client: Client, home: PostgresHome): Promise<void> {
  if (passwordOf(home.web) === null) keepPassword(home.web, newPassword());
  const { role } = home.web;
  const found = await client.query("select 1 from pg_roles where rolname = $1", [role]);
  const verb = found.rowCount === 0 ? "create" : "alter";
  await client.query(
    `${verb} role ${role} login nosuperuser nocreatedb nocreaterole noinherit password ${client.escapeLiteral(passwordOf(home.web)!)}`,
  );
}

/** A database as its owner sees it, who changes its schema, and as the web process does, which changes rows. */
export interface DatabaseUrls {
  owner: string;
  web: string;
}

export interface LocalPostgres {
  /** A database by this name, made when it is not there. */
  databaseUrls(name: string): Promise<DatabaseUrls>;
  /** A new database under this name: empty, or a copy of another that nobody is connected to. */
  freshDatabaseUrls(name: string, like?: string): Promise<DatabaseUrls>;
  dropDatabase(name: string): Promise<void>;
  /** Does something as the server's owner that concerns several databases, one at a time. */
  administer<Result>(work: (client: Client) => Promise<Result>): Promise<Result>;
  /** Lets go; the last user stops the server. */
  release(): Promise<void>;
}

/** Starts the PostgreSQL of a state folder on loopback, or joins it when another command has. */
export async function localPostgres(dir: string = STATE_DIR): Promise<LocalPostgres> {
  const home = postgresHome(dir);
  const owned = async <Result>(port: number, work: (client: Client) => Promise<Result>): Promise<Result> => {
    const client = new Client({
      connectionString: urlFor(port, "postgres", home.owner),
      connectionTimeoutMillis: 10_000,
    });
    await client.connect();
    try {
      return await work(client);
    } finally {
      await client.end();
    }
  };
  const port = await withLock(dir, "postgres", async () => {
    if (!hasData(home) && dir === STATE_DIR && !IS_STATE_CHOSEN) takeOverEarlier(home);
    if (!hasData(home)) initialise(home);
    checkVersion(home);
    renewPassword(home, otherUsers(home));
    const startedAt =
      runningPort(home.data) ?? (await startPostgres(home.data, home.log, (each) => answers(home, each)));
    enter(home);
    await owned(startedAt, (client) => prepareWebRole(client, home));
    return startedAt;
  });
  const urls = (name: string): DatabaseUrls => ({
    owner: urlFor(port, name, home.owner),
    web: urlFor(port, name, home.web),
  });
  const administer = <Result>(work: (client: Client) => Promise<Result>): Promise<Result> =>
    withLock(dir, "database", () => owned(port, work));
  return {
    administer,
    databaseUrls: (name) =>
      administer(async (client) => {
        const found = await client.query("select 1 from pg_database where datname = $1", [name]);
        if (found.rowCount === 0) await client.query(`create database "${name}"`);
        return urls(name);
      }),
    freshDatabaseUrls: (name, like = "template1") =>
      administer(async (client) => {
        await client.query(`drop database if exists "${name}" with (force)`);
        await client.query(`create database "${name}" template "${like}"`);
        return urls(name);
      }),
    dropDatabase: (name) =>
      owned(port, async (client) => {
        await client.query(`drop database if exists "${name}" with (force)`);
      }),
    release: () =>
      withLock(dir, "postgres", async () => {
        leave(home);
        if (otherUsers(home).length === 0) stopPostgres(home.data);
      }),
  };
}
