import { openDatabase } from "../../db/client";
import { localCrew } from "../../server/crew";
import { createRecord } from "../../server/records";
import { bigShoot } from "./bigShoot";

/** Puts a large shoot into a database; returns its id. */
export async function fillShoot(url: string, size: Parameters<typeof bigShoot>[0]): Promise<string> {
  const { database, pool } = openDatabase(url);
  try {
    const acting = await localCrew(database);
    const { shootId, records } = bigShoot(size);
    for (const { kind, id, body } of records) await createRecord(acting, kind, id, body);
    return shootId;
  } finally {
    await pool.end();
  }
}
