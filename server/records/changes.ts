import { and, desc, eq, gt, inArray, isNotNull, isNull, or, sql, type SQL } from "drizzle-orm";
import { bundleOf, type Change, type Changes, type RecordKind, type ShootBundle } from "../../core/records";
import type { Connection } from "../../db/client";
import { installation, shoot, takeDetail } from "../../db/schema";
import type { ActingCrew } from "../crew";
import { Fault } from "../faults";
import { repositoryOf, KINDS } from "./repositories";
import { oldestFirst } from "./repository";
import { changeOf } from "./runCommand";

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** What is read only when it is looked at. */
const ON_DEMAND: readonly RecordKind[] = ["takeDetail"];

/** Kinds of which a large shoot has thousands, and how many of them are read at once. */
const MANY: readonly RecordKind[] = ["rig", "measurement", "roll", "mark"];
const AT_ONCE = 100;
const others = (): Promise<unknown> => new Promise((resolve) => setImmediate(resolve));

const readKinds = KINDS.filter((kind) => !ON_DEMAND.includes(kind));

/** Records of a kind that a shoot shows: its own, and the crew's kit. */
function isShown(kind: RecordKind, crewId: string, shootId: string): SQL {
  const { table, shootId: column } = repositoryOf(kind);
  const ofShoot = kind === "kitItem" ? or(eq(column, shootId), isNull(column)) : eq(column, shootId);
  return and(ofShoot, eq(table.crewId, crewId))!;
}

/** Kinds of which anything changed after a number, found in one question. */
async function kindsSince(
  connection: Connection,
  crewId: string,
  shootId: string,
  since: number,
): Promise<RecordKind[]> {
  const asked = readKinds.map((kind) => {
    const { table } = repositoryOf(kind);
    return sql`select ${kind}::text as kind where exists (select 1 from ${table} where ${isShown(kind, crewId, shootId)} and ${table.seq} > ${since})`;
  });
  const { rows } = await connection.execute<{ kind: RecordKind }>(sql.join(asked, sql` union all `));
  return rows.map(({ kind }) => kind);
}

async function epochOf(connection: Connection): Promise<string> {
  const [row] = await connection.select({ epoch: installation.epoch }).from(installation);
  return row!.epoch;
}

/**
 * What of a shoot changed after a number of a change, deleted records included; all that is there where that is 0. Read at one
 * moment: nothing up to the number that comes with it can be missing.
 */
export function loadChanges({ crewId, database }: ActingCrew, shootId: string, since: number): Promise<Changes> {
  if (!UUID.test(shootId)) throw new Fault("missing", { code: "record.noShoot" });
  return database.transaction(
    async (connection) => {
      const [found] = await connection
        .select({ deletedAt: shoot.deletedAt })
        .from(shoot)
        .where(and(eq(shoot.id, shootId), eq(shoot.crewId, crewId)));
      if (!found) throw new Fault("missing", { code: "record.noShoot" });
      if (found.deletedAt && since === 0) throw new Fault("missing", { code: "record.shootDeleted" });
      const kinds = since === 0 ? readKinds : await kindsSince(connection, crewId, shootId, since);
      const records: Change[] = [];
      for (const kind of kinds) {
        const { table, find } = repositoryOf(kind);
        const news = since === 0 ? isNull(table.deletedAt) : gt(table.seq, since);
        const where = and(isShown(kind, crewId, shootId), news);
        if (!MANY.includes(kind)) {
          records.push(...(await find(connection, where)).map((each) => changeOf(kind, each)));
          continue;
        }
        // Bit by bit, so that others are answered meanwhile.
        const ids = await connection
          .select({ id: table.id })
          .from(table)
          .where(where)
          .orderBy(...oldestFirst(table));
        for (let at = 0; at < ids.length; at += AT_ONCE) {
          const some = ids.slice(at, at + AT_ONCE).map(({ id }) => id as string);
          records.push(...(await find(connection, inArray(table.id, some))).map((each) => changeOf(kind, each)));
          await others();
        }
      }
      const seq = records.reduce((most, each) => Math.max(most, each.seq), since);
      return { epoch: await epochOf(connection), seq, records };
    },
    { isolationLevel: "repeatable read", accessMode: "read only" },
  );
}

/** Everything of one shoot that is computed from. */
export async function loadShoot(acting: ActingCrew, shootId: string): Promise<ShootBundle> {
  const { records } = await loadChanges(acting, shootId, 0);
  const bundle = bundleOf(shootId, records);
  if (!bundle) throw new Fault("missing", { code: "record.noShoot" });
  return bundle;
}

/** All that was measured of some takes, by the ids of their measurements. */
export async function loadTakeDetails(
  { crewId, database }: ActingCrew,
  measurementIds: readonly string[],
): Promise<Change<"takeDetail">[]> {
  const ids = measurementIds.filter((id) => UUID.test(id));
  if (ids.length === 0) return [];
  const { table, find } = repositoryOf("takeDetail");
  const kept = await find(
    database,
    and(inArray(takeDetail.measurementId, ids), eq(table.crewId, crewId), isNull(table.deletedAt)),
  );
  return kept.map((each) => changeOf("takeDetail", each));
}

/** How long a deleted shoot is kept, days. */
export const BIN_DAYS = 30;

export interface Binned {
  id: string;
  title: string;
  deletedAt: string;
}

export interface ShootList {
  shoots: Change<"shoot">[];
  bin: Binned[];
}

/** The crew's shoots, oldest first, and those in the bin, newest first. */
export async function listShoots({ crewId, database }: ActingCrew): Promise<ShootList> {
  const { find } = repositoryOf("shoot");
  const there = await find(database, and(eq(shoot.crewId, crewId), isNull(shoot.deletedAt)));
  const gone = await database
    .select({ id: shoot.id, title: shoot.title, deletedAt: shoot.deletedAt })
    .from(shoot)
    .where(
      and(
        eq(shoot.crewId, crewId),
        isNotNull(shoot.deletedAt),
        gt(shoot.deletedAt, sql`now() - make_interval(days => ${BIN_DAYS})`),
      ),
    )
    .orderBy(desc(shoot.deletedAt));
  return {
    shoots: there.map((kept) => changeOf("shoot", kept)),
    bin: gone.map(({ id, title, deletedAt }) => ({ id, title, deletedAt: deletedAt!.toISOString() })),
  };
}

/** All records of a kind that are there, oldest first; of one shoot where one is named. */
export async function listRecords<Kind extends RecordKind>(
  { crewId, database }: ActingCrew,
  kind: Kind,
  shootId: string | null,
): Promise<Change<Kind>[]> {
  const { table, shootId: column, find } = repositoryOf(kind);
  const ofShoot = shootId ? eq(column, shootId) : undefined;
  const kept = await find(database, and(eq(table.crewId, crewId), isNull(table.deletedAt), ofShoot));
  return kept.map((each) => changeOf(kind, each));
}
