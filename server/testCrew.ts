import { randomUUID } from "node:crypto";
import { Client } from "pg";
import type { Change } from "../core/records/commands";
import { fieldChanges } from "../core/records/patch";
import type { RecordBodies, RecordKind } from "../core/shoot/records";
import { openDatabase } from "../db/client";
import { listRecords, runCommand } from "./records";
import type { ActingCrew } from "./crew";
import { crew } from "../db/schema";

/** The database of this Jest worker, made and migrated by ./hypophon test. */
export const workerDatabase = () => openDatabase(ofWorker("TEST_DATABASE_URLS"));

/** The same database as its owner sees it. */
export const workerOwnerUrl = () => ofWorker("TEST_OWNER_URLS");

function ofWorker(name: string): string {
  const urls = (process.env[name] ?? "").split(" ").filter(Boolean);
  const url = urls[Number(process.env["JEST_WORKER_ID"] ?? "1") - 1];
  if (!url) throw new Error("Server tests need a database: run ./hypophon test unit");
  return url;
}

/** Another crew in the same database, to prove that crews do not see each other. */
export async function otherCrew(acting: ActingCrew): Promise<ActingCrew> {
  const crewId = randomUUID();
  await acting.database.insert(crew).values({ id: crewId, name: "Other crew" });
  return { ...acting, crewId };
}

/** Makes a record what it should be, as one who saw it as it is. */
export async function changeTo<Kind extends RecordKind>(
  acting: ActingCrew,
  kind: Kind,
  id: string,
  body: unknown,
): Promise<Change<Kind>> {
  const known = (await listRecords(acting, kind, null)).find((each) => each.id === id);
  const changes = known ? fieldChanges(kind, known.body, body as RecordBodies[Kind]) : [{ path: ["name"], to: "" }];
  const { records } = await runCommand(acting, { op: "patch", key: randomUUID(), kind, id, changes });
  return records[0] as Change<Kind>;
}

export const remove = (acting: ActingCrew, kind: RecordKind, id: string) =>
  runCommand(acting, { op: "delete", key: randomUUID(), kind, id });

export const restore = (acting: ActingCrew, kind: RecordKind, id: string) =>
  runCommand(acting, { op: "restore", key: randomUUID(), kind, id });

/** A database of its own beside the worker's. */
export async function freshDatabase(): Promise<{ url: string; drop: () => Promise<void> }> {
  const [first] = (process.env["TEST_OWNER_URLS"] ?? "").split(" ");
  const name = `migrating_${randomUUID().slice(0, 8)}`;
  const run = async (sql: string) => {
    const client = new Client({ connectionString: first });
    await client.connect();
    await client.query(sql).finally(() => client.end());
  };
  await run(`create database ${name}`);
  const url = new URL(first!);
  url.pathname = `/${name}`;
  return { url: url.toString(), drop: () => run(`drop database ${name} with (force)`) };
}
