import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import type { Role } from "../core/crew";
import { GENERIC_DEVICES } from "../core/devices";
import { crew, kitItem } from "../db/schema";
import type { Connection, Database } from "../db/client";

/** Who acts: every use case takes it first. */
export interface ActingCrew {
  crewId: string;
  /** Who of the crew, for what may be asked about later. */
  member: string;
  role: Role;
  database: Database;
}

/** Without accounts nobody has a name, and everybody who is here may do everything. */
export const SOMEBODY = "local";

/** Any number: whoever founds the local crew holds it. */
const FOUNDING_LOCK = 7_104_120;

/** A crew with generic kit; returns its id. */
export async function foundCrew(connection: Connection, name: string, isLocal: boolean): Promise<string> {
  const crewId = randomUUID();
  await connection.insert(crew).values({ id: crewId, name, isLocal });
  // A millisecond apart, so that the list keeps the order in which the devices are shipped.
  const now = Date.now();
  await connection.insert(kitItem).values(
    GENERIC_DEVICES.map(({ kind, name: device, figures }, index) => ({
      id: randomUUID(),
      crewId,
      kind,
      name: device,
      figures,
      createdAt: new Date(now + index),
    })),
  );
  return crewId;
}

/** The one crew of an installation without accounts; founded when it is first asked for. */
export async function localCrew(database: Database): Promise<ActingCrew> {
  const acting = (crewId: string): ActingCrew => ({ crewId, member: SOMEBODY, role: "owner", database });
  const find = (connection: Connection) =>
    connection.select({ id: crew.id }).from(crew).where(eq(crew.isLocal, true)).limit(1);
  const [found] = await find(database);
  if (found) return acting(found.id);
  return database.transaction(async (transaction) => {
    await transaction.execute(sql`select pg_advisory_xact_lock(${FOUNDING_LOCK})`);
    // On the same connection: those that wait for the lock may hold all the others.
    const [meanwhile] = await find(transaction);
    return acting(meanwhile?.id ?? (await foundCrew(transaction, "Local crew", true)));
  });
}
