import { type RecordBodies, type RecordKind, sameValue } from "../../core/records";
import { and, desc, eq, lt } from "drizzle-orm";
import type { HistoryPage, HistorySubject } from "../../core/crew";
import { history, person } from "../../db/schema";
import type { Connection } from "../../db/client";
import type { ActingCrew } from "../crew";

type Told = { [Kind in RecordKind]?: [HistorySubject, (body: RecordBodies[Kind]) => unknown][] };

/** What of which records may be asked about later: what was agreed, what was recorded, what was checked. */
const TOLD: Told = {
  rig: [
    ["consent", ({ consent }) => consent],
    ["verification", ({ isRigged }) => ({ isRigged })],
  ],
  connection: [["verification", ({ linkId, steps }) => ({ linkId, steps })]],
  levels: [
    [
      "verification",
      ({ lines }) => lines.filter(({ ticks }) => ticks.length > 0).map(({ subject, ticks }) => ({ subject, ticks })),
    ],
  ],
  roll: [
    [
      "take",
      ({ slate, take, type, rating, startedAt, lengthS, fileName, files, note }) => ({
        ...{ slate, take, type, rating, startedAt, lengthS, fileName, files, note },
      }),
    ],
  ],
  measurement: [["take", ({ file, rigId, channel, grade, said }) => ({ file, rigId, channel, grade, said })]],
};

/** Adds what a change did to what may be asked about later. */
export async function tellHistory<Kind extends RecordKind>(
  connection: Connection,
  { crewId, member }: ActingCrew,
  kind: Kind,
  recordId: string,
  before: RecordBodies[Kind] | null,
  after: RecordBodies[Kind] | null,
): Promise<void> {
  const body = after ?? before;
  if (!body || !("shootId" in body) || !body.shootId) return;
  const { shootId } = body;
  const rows = (TOLD[kind] ?? []).flatMap(([subject, partOf]) => {
    const [was, is] = [before && partOf(before), after && partOf(after)];
    return sameValue(was, is) ? [] : [{ crewId, shootId, subject, recordId, member, before: was, after: is }];
  });
  if (rows.length > 0) await connection.insert(history).values(rows);
}

/** So many are looked at in one go. */
const PAGE = 200;

/** What was changed in a shoot, by whom and when, the newest first; `before`: only what is older than this number. */
export async function listHistory(
  { database, crewId }: ActingCrew,
  shootId: string,
  before = Number.MAX_SAFE_INTEGER,
): Promise<HistoryPage> {
  const rows = await database
    .select({
      ...{ id: history.id, subject: history.subject, recordId: history.recordId, at: history.at },
      ...{ member: history.member, name: person.name, before: history.before, after: history.after },
    })
    .from(history)
    .leftJoin(person, eq(person.id, history.member))
    .where(and(eq(history.crewId, crewId), eq(history.shootId, shootId), lt(history.id, before)))
    .orderBy(desc(history.id))
    .limit(PAGE);
  return {
    changes: rows.map(({ at, ...each }) => ({ ...each, at: at.toISOString() })),
    next: rows.length === PAGE ? rows.at(-1)!.id : null,
  };
}
