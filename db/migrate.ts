import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import { Client } from "pg";

/** Any number: whoever migrates this database holds it. */
const MIGRATION_LOCK = 7_104_119;

/** Brings a database to the newest schema; several processes may call it at once. */
export async function migrateDatabase(url: string, migrationsFolder: string): Promise<void> {
  const client = new Client({ connectionString: url, connectionTimeoutMillis: 10_000 });
  await client.connect();
  try {
    await client.query("select pg_advisory_lock($1)", [MIGRATION_LOCK]);
    await migrate(drizzle(client), { migrationsFolder });
  } finally {
    await client.end();
  }
}
