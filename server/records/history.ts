import { type RecordBodies, type RecordKind, sameValue } from "../../core/records";
import { history, type HistorySubject } from "../../db/schema";
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
