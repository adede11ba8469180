import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import { readMigrationFiles } from "drizzle-orm/migrator";
import { Client } from "pg";

/** Any number: whoever migrates this database holds it. */
const MIGRATION_LOCK = 7_104_119;

/** Lets a role read and write rows, and change nothing else. */
async function letUse(client: Client, role: string): Promise<void> {
  const name = client.escapeIdentifier(role);
  await client.query(`grant usage on schema public to ${name}`);
  await client.query(`grant select, insert, update, delete on all tables in schema public to ${name}`);
  await client.query(`grant usage, select on all sequences in schema public to ${name}`);
  // What has happened is added to, and which database this is stands fast.
  await client.query(`revoke update, delete on history from ${name}`);
  await client.query(`revoke insert, update, delete on installation from ${name}`);
}

/** When the newest change of schema that a database has had was written, ms since 1970; zero for an empty database. */
async function newestChangeMs(client: Client): Promise<number> {
  const found = await client.query<{ has: boolean }>(
    "select to_regclass('drizzle.__drizzle_migrations') is not null as has",
  );
  if (!found.rows[0]?.has) return 0;
  const newest = await client.query<{ at: string | null }>(
    "select max(created_at) as at from drizzle.__drizzle_migrations",
  );
  return Number(newest.rows[0]?.at ?? 0);
}

/**
 * Brings a database to the newest schema, as its owner; several processes may call it at once. `webRole` is who may read and
 * write its rows; without it the owner is the only one.
 * @throws Error where a newer release has changed the database already; then nothing is touched
 */
export async function migrateDatabase(url: string, migrationsFolder: string, webRole?: string): Promise<void> {
  const client = new Client({ connectionString: url, connectionTimeoutMillis: 10_000 });
  await client.connect();
  try {
    await client.query("select pg_advisory_lock($1)", [MIGRATION_LOCK]);
    const newestHere = Math.max(...readMigrationFiles({ migrationsFolder }).map(({ folderMillis }) => folderMillis));
    if ((await newestChangeMs(client)) > newestHere)
      throw new Error(
        "This data was last used by a newer release of Hypophon, and this one would not understand it. Start the newer " +
          "release, or choose another place with HYPOPHON_STATE. Nothing was changed.",
      );
    await migrate(drizzle(client), { migrationsFolder });
    if (webRole !== undefined) await letUse(client, webRole);
  } finally {
    await client.end();
  }
}
