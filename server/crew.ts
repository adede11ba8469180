import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import { GENERIC_DEVICES } from "../core/devices";
import { crew, kitItem } from "../db/schema";
import type { Connection, Database } from "../db/client";

/** Who acts: every use case takes it first. */
export interface ActingCrew {
  crewId: string;
  /** Who of the crew, for what may be asked about later. */
  member: string;
  database: Database;
}

/** Until accounts exist nobody has a name. */
export const SOMEBODY = "local";

/** Any number: whoever founds the local crew holds it. */
const FOUNDING_LOCK = 7_104_120;

/** The one crew of an installation without accounts; founded with generic kit when it is first asked for. */
export async function localCrew(database: Database): Promise<ActingCrew> {
  const find = (connection: Connection) =>
    connection.select({ id: crew.id }).from(crew).where(eq(crew.isLocal, true)).limit(1);
  const [found] = await find(database);
  if (found) return { crewId: found.id, member: SOMEBODY, database };
  return database.transaction(async (transaction) => {
    await transaction.execute(sql`select pg_advisory_xact_lock(${FOUNDING_LOCK})`);
    // On the same connection: those that wait for the lock may hold all the others.
    const [meanwhile] = await find(transaction);
    if (meanwhile) return { crewId: meanwhile.id, member: SOMEBODY, database };
    const crewId = randomUUID();
    await transaction.insert(crew).values({ id: crewId, name: "Local crew", isLocal: true });
    // A millisecond apart, so that the list keeps the order in which the devices are shipped.
    const now = Date.now();
    await transaction.insert(kitItem).values(
      GENERIC_DEVICES.map(({ kind, name, figures }, index) => ({
        id: randomUUID(),
        crewId,
        kind,
        name,
        figures,
        createdAt: new Date(now + index),
      })),
    );
    return { crewId, member: SOMEBODY, database };
  });
}
