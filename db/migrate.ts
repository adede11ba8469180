import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import { Client } from "pg";

/** Any number: whoever migrates this database holds it. */
const MIGRATION_LOCK = 7_104_119;

/** Lets a role read and write rows of every table, and change nothing else. */
async function letUse(client: Client, role: string): Promise<void> {
  const name = client.escapeIdentifier(role);
  await client.query(`grant usage on schema public to ${name}`);
  await client.query(`grant select, insert, update, delete on all tables in schema public to ${name}`);
  await client.query(`grant usage, select on all sequences in schema public to ${name}`);
}

/**
 * Brings a database to the newest schema, as its owner; several processes may call it at once. `webRole` is who may read and
 * write its rows; without it the owner is the only one.
 */
export async function migrateDatabase(url: string, migrationsFolder: string, webRole?: string): Promise<void> {
  const client = new Client({ connectionString: url, connectionTimeoutMillis: 10_000 });
  await client.connect();
  try {
    await client.query("select pg_advisory_lock($1)", [MIGRATION_LOCK]);
    await migrate(drizzle(client), { migrationsFolder });
    if (webRole !== undefined) await letUse(client, webRole);
  } finally {
    await client.end();
  }
}
