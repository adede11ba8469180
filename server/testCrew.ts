import { randomUUID } from "node:crypto";
import { openDatabase } from "../db/client";
import type { ActingCrew } from "./crew";
import { crew } from "../db/schema";

/** The database of this Jest worker, made and migrated by ./hypophon test. */
export function workerDatabase() {
  const urls = (process.env["TEST_DATABASE_URLS"] ?? "").split(" ").filter(Boolean);
  const url = urls[Number(process.env["JEST_WORKER_ID"] ?? "1") - 1];
  if (!url) throw new Error("Server tests need a database: run ./hypophon test unit");
  return openDatabase(url);
}

/** Another crew in the same database, to prove that crews do not see each other. */
export async function otherCrew(acting: ActingCrew): Promise<ActingCrew> {
  const crewId = randomUUID();
  await acting.database.insert(crew).values({ id: crewId, name: "Other crew" });
  return { crewId, database: acting.database };
}
