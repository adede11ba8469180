import { and, inArray, isNotNull, lt, sql } from "drizzle-orm";
import {
  air,
  audioFile,
  commandDone,
  connection,
  kitItem,
  levelLine,
  levels,
  mark,
  delivery,
  match,
  measurement,
  noise,
  packing,
  packingLine,
  pickup,
  place,
  placedMic,
  provision,
  rfLink,
  rig,
  roll,
  rollFile,
  rollSetup,
  rollTrack,
  scene,
  shoot,
  stepDone,
  take,
  takeDetail,
  talker,
  wearer,
} from "../../db/schema";
import type { Database } from "../../db/client";
import { BIN_DAYS } from "./changes";

/** What was carried out is known again for so long, days: a device may come back from a long job without signal. */
export const COMMANDS_KNOWN_DAYS = 180;

/** What a shoot holds; what names another stands before it. Layers of an outfit go with who wears it. */
const OF_SHOOT = [
  takeDetail,
  measurement,
  audioFile,
  take,
  placedMic,
  talker,
  pickup,
  stepDone,
  connection,
  rfLink,
  air,
  levelLine,
  levels,
  packingLine,
  packing,
  provision,
  delivery,
  match,
  mark,
  rollFile,
  rollTrack,
  roll,
  rollSetup,
  rig,
  noise,
  scene,
  wearer,
  place,
] as const;

const daysAgo = (days: number) => sql`now() - make_interval(days => ${days})`;

/** Removes for good what has lain in the bin for its time, and forgets commands of long ago. Returns how many shoots went. */
export function purge(database: Database): Promise<number> {
  return database.transaction(async (transaction) => {
    await transaction.delete(commandDone).where(lt(commandDone.at, daysAgo(COMMANDS_KNOWN_DAYS)));
    const due = await transaction
      .select({ id: shoot.id })
      .from(shoot)
      .where(and(isNotNull(shoot.deletedAt), lt(shoot.deletedAt, daysAgo(BIN_DAYS))))
      .for("update");
    const ids = due.map(({ id }) => id);
    if (ids.length === 0) return 0;
    for (const table of OF_SHOOT) await transaction.delete(table).where(inArray(table.shootId, ids));
    // Kit that another shoot uses by now stays, as the crew's own.
    const usedBy = sql`${rig} where ${kitItem.id} in (${rig.lavId}, ${rig.packId}, ${rig.receiverId}, ${rig.inputId})`;
    await transaction
      .update(kitItem)
      .set({ shootId: null })
      .where(and(inArray(kitItem.shootId, ids), sql`exists (select 1 from ${usedBy})`));
    await transaction.delete(kitItem).where(inArray(kitItem.shootId, ids));
    await transaction.delete(shoot).where(inArray(shoot.id, ids));
    return ids.length;
  });
}
