import type { Pool } from "pg";
import { workerDatabase } from "./testCrew";

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

test("it reads and writes the rows of every table", async () => {
  const tables = await rows("select tablename from pg_tables where schemaname = 'public' order by 1");
  expect(tables.length).toBeGreaterThan(10);
  for (const { tablename } of tables) {
    const [may] = await rows(
      `select bool_and(has_table_privilege('public.${String(tablename)}', p)) as may from unnest(array['select', 'insert', 'update', 'delete']) p`,
    );
    expect([tablename, may!["may"]]).toEqual([tablename, true]);
  }
});
