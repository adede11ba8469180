import { createHash, randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import type { Database } from "../../db/client";
import { askedOften } from "../../db/schema";

/** So many wrong passwords are answered at once; each further one doubles the wait, up to a quarter of an hour. */
const FREE_GUESSES = 5;
const LONGEST_WAIT_MS = 15 * 60_000;
/** After so long without a guess all is as at first, ms. */
const FORGOTTEN_MS = 60 * 60_000;

const keyOf = (email: string): string =>
  `guess ${createHash("sha256").update(email.trim().toLowerCase()).digest("hex").slice(0, 40)}`;

/** How long after a number of wrong guesses the next one is refused, ms. */
export const waitAfterMs = (guesses: number): number =>
  guesses <= FREE_GUESSES ? 0 : Math.min(LONGEST_WAIT_MS, 1000 * 2 ** (guesses - FREE_GUESSES));

/** How long nobody may try this address now, ms; zero: at once. The same for addresses that nobody has. */
export async function waitMs(database: Database, email: string, nowMs: number): Promise<number> {
  const [known] = await database
    .select()
    .from(askedOften)
    .where(eq(askedOften.key, keyOf(email)));
  if (!known || nowMs - known.lastRequest > FORGOTTEN_MS) return 0;
  return Math.max(0, known.lastRequest + waitAfterMs(known.count) - nowMs);
}

/** Counts a wrong password. */
export async function guessedWrong(database: Database, email: string, nowMs: number): Promise<void> {
  const fresh = sql`case when ${askedOften.lastRequest} < ${nowMs - FORGOTTEN_MS} then 1 else ${askedOften.count} + 1 end`;
  await database
    .insert(askedOften)
    .values({ id: randomUUID(), key: keyOf(email), count: 1, lastRequest: nowMs })
    .onConflictDoUpdate({ target: askedOften.key, set: { count: fresh, lastRequest: nowMs } });
}

export const guessedRight = async (database: Database, email: string): Promise<void> => {
  await database.delete(askedOften).where(eq(askedOften.key, keyOf(email)));
};
