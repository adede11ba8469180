import { and, eq, isNull, sql } from "drizzle-orm";
import type { Database } from "../../db/client";
import { crewMember, shoot } from "../../db/schema";
import { Fault } from "../faults";

/**
 * Takes somebody out of all their crews, before their account is deleted. Shoots of a crew that nobody else is in go into the bin,
 * and are deleted with it. What was written about consent, takes and verifications stays, without the name. Throws Fault "invalid"
 * where others would be left without an owner.
 */
export function leaveCrews(database: Database, personId: string): Promise<void> {
  return database.transaction(async (transaction) => {
    const own = await transaction.select().from(crewMember).where(eq(crewMember.personId, personId)).for("update");
    for (const { crewId, role } of own) {
      const all = await transaction.select().from(crewMember).where(eq(crewMember.crewId, crewId)).for("update");
      const others = all.filter((each) => each.personId !== personId);
      const lasting = others.filter(({ until }) => until === null);
      if (role === "owner" && lasting.length > 0 && !lasting.some((each) => each.role === "owner"))
        throw new Fault("invalid", { code: "crew.lastOwner" });
      if (lasting.length === 0)
        await transaction
          .update(shoot)
          .set({ deletedAt: sql`now()` })
          .where(and(eq(shoot.crewId, crewId), isNull(shoot.deletedAt)));
    }
    await transaction.delete(crewMember).where(eq(crewMember.personId, personId));
  });
}
