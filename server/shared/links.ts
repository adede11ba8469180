import { randomUUID } from "node:crypto";
import { and, asc, eq, gt, isNull, sql } from "drizzle-orm";
import type { ShootBundle } from "../../core/records";
import type { Database } from "../../db/client";
import { sharedLink } from "../../db/schema";
import type { ActingCrew } from "../crew";
import { Fault } from "../faults";
import { linksFrom } from "../lan";
import { loadShoot } from "../records";
import { hashOfToken, newToken } from "../tokens";

/** A link holds so long: over the shoot, not for ever. */
const HOLDS_MS = 14 * 24 * 3600_000;

type Link = typeof sharedLink.$inferSelect;

/** A new link: its token, what it begins with where that is known, and until when it holds. */
export async function makeLink(
  { database, crewId, member }: ActingCrew,
  what: Pick<Link, "shootId" | "kind"> & { rigId?: string; day?: number | null },
  alsoRevoke?: (transaction: Pick<Database, "update">) => Promise<unknown>,
): Promise<{ token: string; from: string | null; expiresAt: Date }> {
  const token = newToken();
  const expiresAt = new Date(Date.now() + HOLDS_MS);
  await database.transaction(async (transaction) => {
    await alsoRevoke?.(transaction);
    await transaction.insert(sharedLink).values({
      ...{ id: randomUUID(), crewId, ...what, tokenHash: hashOfToken(token) },
      ...{ madeBy: member, expiresAt },
    });
  });
  return { token, from: linksFrom(), expiresAt };
}

export interface Linked {
  /** Whoever holds the link, with the rights of no more than it is for. */
  acting: ActingCrew;
  link: Link;
  bundle: ShootBundle;
}

const none = () => new Fault("missing", { code: "shared.noLink" });

/** What a link is for. Throws Fault "missing" for links that are too old, taken back or made up, all alike. */
export async function openLink(database: Database, token: string): Promise<Linked> {
  const [link] = await database
    .select()
    .from(sharedLink)
    .where(eq(sharedLink.tokenHash, hashOfToken(token)));
  if (!link || link.revokedAt || link.expiresAt.getTime() < Date.now()) throw none();
  const isTalent = link.kind === "talent";
  // What happened is told of whoever holds the link, not of whoever made it.
  const acting: ActingCrew = {
    ...{ crewId: link.crewId, member: isTalent ? "talent" : "link" },
    ...{ role: isTalent ? "assistant" : "guest", database },
  };
  const bundle = await loadShoot(acting, link.shootId).catch((error: unknown) => {
    throw error instanceof Fault ? none() : error;
  });
  return { acting, link, bundle };
}

/** Links of a shoot that hold. */
export const openLinks = ({ database, crewId }: ActingCrew, shootId: string) =>
  database
    .select({ id: sharedLink.id, kind: sharedLink.kind, day: sharedLink.day, expiresAt: sharedLink.expiresAt })
    .from(sharedLink)
    .where(
      and(
        ...[eq(sharedLink.shootId, shootId), eq(sharedLink.crewId, crewId)],
        ...[isNull(sharedLink.revokedAt), gt(sharedLink.expiresAt, sql`now()`)],
      ),
    )
    .orderBy(asc(sharedLink.madeAt));

/** Takes a link back: whoever holds it sees nothing more. */
export async function revokeLink({ database, crewId }: ActingCrew, id: string): Promise<void> {
  await database
    .update(sharedLink)
    .set({ revokedAt: sql`now()` })
    .where(and(eq(sharedLink.id, id), eq(sharedLink.crewId, crewId)));
}
