import { randomUUID } from "node:crypto";
import type { Change, RecordKind } from "../../core/records";
import type { ActingCrew } from "../crew";
import { and, eq } from "drizzle-orm";
import { repositoryOf } from "./repositories";
import { runCommand } from "./runCommand";

export { purge } from "./purge";
export { runCommand } from "./runCommand";
export { BIN_DAYS, listRecords, listShoots, loadChanges, loadShoot, loadTakeDetails } from "./changes";
export type { Binned, ShootList } from "./changes";

/** Stores a new record under an id made by the caller; where there is one, it stays as it is. */
export async function createRecord<Kind extends RecordKind>(
  acting: ActingCrew,
  kind: Kind,
  id: string,
  body: unknown,
): Promise<Change<Kind>> {
  const { records } = await runCommand(acting, { op: "create", key: randomUUID(), kind, id, body });
  return records[0] as Change<Kind>;
}

/** Whether there is a record of this id, deleted ones too. */
export async function isKnown({ crewId, database }: ActingCrew, kind: RecordKind, id: string): Promise<boolean> {
  const { table } = repositoryOf(kind);
  const [found] = await database
    .select({ id: table.id })
    .from(table)
    .where(and(eq(table.id, id), eq(table.crewId, crewId)));
  return found !== undefined;
}
export { listHistory } from "./history";
