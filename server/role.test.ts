import type { Pool } from "pg";
import { workerDatabase } from "../fixtures/testCrew";

let pool: Pool;
beforeAll(() => {
  ({ pool } = workerDatabase());
});
afterAll(() => pool.end());

const rows = async (query: string) => (await pool.query<Record<string, unknown>>(query)).rows;

test("who serves is no superuser, makes neither databases nor roles, and owns nothing", async () => {
  const [role] = await rows(
    "select rolsuper, rolcreatedb, rolcreaterole, rolbypassrls, rolreplication from pg_roles where rolname = current_user",
  );
  expect(Object.values(role!)).toEqual([false, false, false, false, false]);
  expect(
    await rows("select relname from pg_class c join pg_roles r on r.oid = c.relowner where r.rolname = current_user"),
  ).toEqual([]);
  expect(
    await rows(
      "select nspname from pg_namespace n join pg_roles r on r.oid = n.nspowner where r.rolname = current_user",
    ),
  ).toEqual([]);
});

test.each([
  "drop table shoot",
  "alter table shoot add column x text",
  "truncate shoot",
  "create table mine (x text)",
  "create schema mine",
  "create role other",
  "create database other",
  "copy shoot to program 'cat'",
  "select pg_read_file('/etc/passwd')",
  "delete from drizzle.__drizzle_migrations",
])("%s: permission denied", async (statement) => {
  await expect(pool.query(statement)).rejects.toMatchObject({ code: "42501" });
});

/** Tables of which it may do less. */
const LESS: Record<string, string[]> = { history: ["insert", "select"], installation: ["select"] };

test("it reads and writes the rows of every table, but only adds to what has happened", async () => {
  const tables = await rows("select tablename from pg_tables where schemaname = 'public' order by 1");
  expect(tables.length).toBeGreaterThan(10);
  for (const { tablename } of tables) {
    const name = String(tablename);
    const may = await rows(
      `select p from unnest(array['delete', 'insert', 'select', 'update']) p where has_table_privilege('public.${name}', p)`,
    );
    expect([name, may.map(({ p }) => p)]).toEqual([name, LESS[name] ?? ["delete", "insert", "select", "update"]]);
  }
});
