import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { Pool } from "pg";
import * as schema from "./schema";

export type Database = NodePgDatabase<typeof schema>;
/** A database or a transaction on it. */
export type Connection = Pick<Database, "select" | "insert" | "update" | "delete" | "execute">;

declare global {
  var hypophonPool: Pool | undefined;
}

/** The process's database; what it knows of tables is worked out once. */
let known: { pool: Pool; database: Database } | null = null;

/** Opens a database at a URL; the caller ends the pool. `onLost` hears of idle connections that break. */
export function openDatabase(
  url: string,
  onLost: (error: Error) => void = () => undefined,
): { database: Database; pool: Pool } {
  const pool = new Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000 });
  // An idle connection that breaks must not end the process; the next query opens another.
  pool.on("error", onLost);
  return { database: drizzle(pool, { schema }), pool };
}

/** The process's database, from DATABASE_URL; one pool however often modules are loaded anew. */
export function database(onLost?: (error: Error) => void): Database {
  const url = process.env["DATABASE_URL"];
  if (!url) throw new Error("DATABASE_URL is not set: start with ./hypophon start or ./hypophon demo.");
  globalThis.hypophonPool ??= openDatabase(url, onLost).pool;
  const pool = globalThis.hypophonPool;
  if (known?.pool !== pool) known = { pool, database: drizzle(pool, { schema }) };
  return known.database;
}
