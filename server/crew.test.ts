import { randomUUID } from "node:crypto";
import { Client } from "pg";
import { join } from "node:path";
import { openDatabase } from "../db/client";
import { migrateDatabase } from "../db/migrate";
import { localCrew } from "./crew";

test("forty first requests at once found one crew, and none waits for a connection that another holds", async () => {
  const [owner] = (process.env["TEST_OWNER_URLS"] ?? "").split(" ");
  const name = `founding_${randomUUID().slice(0, 8)}`;
  const admin = new Client({ connectionString: owner });
  await admin.connect();
  await admin.query(`create database ${name}`);
  const url = new URL(owner!);
  url.pathname = `/${name}`;
  await migrateDatabase(url.toString(), join(__dirname, "..", "db", "migrations"));
  const { database, pool } = openDatabase(url.toString());
  try {
    const crews = await Promise.all(Array.from({ length: 40 }, () => localCrew(database)));
    expect(new Set(crews.map(({ crewId }) => crewId)).size).toBe(1);
  } finally {
    await pool.end();
    await admin.query(`drop database ${name} with (force)`);
    await admin.end();
  }
});
