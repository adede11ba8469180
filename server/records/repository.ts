import { and, asc, eq, inArray, sql, type SQL } from "drizzle-orm";
import type { PgColumn, PgTable } from "drizzle-orm/pg-core";
import { type RecordBodies, type RecordKind, sameValue } from "../../core/records";
import type { Connection } from "../../db/client";
import { NEXT_CHANGE, type kept } from "../../db/schema";

/** A record as it stands in the database. */
export interface Kept<Kind extends RecordKind> {
  id: string;
  version: number;
  seq: number;
  createdAt: Date;
  changedAt: Date;
  deletedAt: Date | null;
  deletedWith: string | null;
  body: RecordBodies[Kind];
}

export type KeptRow = Omit<Kept<RecordKind>, "body">;
export type KeptColumn = keyof typeof kept;
/** A table of records: what every one of them has. */
export type RecordTable = PgTable & Record<KeptColumn, PgColumn>;

/** Whose a record's rows are. */
export interface Owner {
  id: string;
  crewId: string;
  shootId: string;
}

/** How one kind of record is read and written. */
export interface Repository<Kind extends RecordKind> {
  kind: Kind;
  table: RecordTable;
  /** The column of the shoot it belongs to. */
  shootId: PgColumn;
  /** Records that fulfil a condition, oldest first. */
  find: (connection: Connection, where: SQL | undefined) => Promise<Kept<Kind>[]>;
  insert(
    this: void,
    connection: Connection,
    owner: Pick<Owner, "id" | "crewId">,
    body: RecordBodies[Kind],
  ): Promise<void>;
  /** Writes what has changed, as the next change. */
  update(
    this: void,
    connection: Connection,
    crewId: string,
    before: Kept<Kind>,
    body: RecordBodies[Kind],
  ): Promise<void>;
}

interface Spec<Kind extends RecordKind, Row extends KeptRow> {
  kind: Kind;
  table: RecordTable;
  shootId: PgColumn;
  rows(connection: Connection, where: SQL | undefined): PromiseLike<Row[]>;
  /** Bodies of rows, in their order. */
  bodies(connection: Connection, rows: readonly Row[]): Promise<RecordBodies[Kind][]>;
  /** Columns of the record's own row. */
  columns(body: RecordBodies[Kind], connection: Connection, crewId: string): object | Promise<object>;
  /** Writes what stands in tables of its own. */
  writeLists?(
    connection: Connection,
    owner: Owner,
    before: RecordBodies[Kind] | null,
    after: RecordBodies[Kind],
  ): Promise<void>;
}

const shootOf = (body: RecordBodies[RecordKind]): string => ("shootId" in body && body.shootId) || "";

export function repository<Kind extends RecordKind, Row extends KeptRow>(spec: Spec<Kind, Row>): Repository<Kind> {
  const { kind, table, shootId } = spec;
  return {
    kind,
    table,
    shootId,
    async find(connection, where) {
      const rows = await spec.rows(connection, where);
      const bodies = await spec.bodies(connection, rows);
      return rows.map(({ id, version, seq, createdAt, changedAt, deletedAt, deletedWith }, index) => ({
        ...{ id, version, seq, createdAt, changedAt, deletedAt, deletedWith },
        body: bodies[index]!,
      }));
    },
    async insert(connection, { id, crewId }, body) {
      const columns = await spec.columns(body, connection, crewId);
      await connection.insert(table).values({ ...columns, id, crewId });
      await spec.writeLists?.(connection, { id, crewId, shootId: shootOf(body) }, null, body);
    },
    async update(connection, crewId, before, body) {
      const columns = await spec.columns(body, connection, crewId);
      await connection
        .update(table)
        .set({ ...columns, version: sql`${table.version} + 1`, seq: NEXT_CHANGE, changedAt: sql`now()` })
        .where(eq(table.id, before.id));
      await spec.writeLists?.(connection, { id: before.id, crewId, shootId: shootOf(body) }, before.body, body);
    },
  };
}

/** Oldest first, the order in which things were made. */
export const oldestFirst = (table: RecordTable) => [asc(table.createdAt), asc(table.id)];

interface ListSpec<Entry, Row> {
  table: PgTable;
  /** Whose list it is, and what tells its entries apart. */
  ownerId: PgColumn;
  key: PgColumn;
  keyOf(entry: Entry): string;
  rows(connection: Connection, where: SQL): PromiseLike<Row[]>;
  ownerOf(row: Row): string;
  entry(row: Row): Entry;
  columns(entry: Entry, owner: Owner): object;
}

/** A list inside records whose entries are rows. */
export function list<Entry, Row>(spec: ListSpec<Entry, Row>) {
  return {
    /** Entries by the records they are of, in order. */
    async read(connection: Connection, ownerIds: readonly string[]): Promise<Map<string, Entry[]>> {
      const entries = new Map<string, Entry[]>(ownerIds.map((id) => [id, []]));
      if (ownerIds.length > 0)
        for (const row of await spec.rows(connection, inArray(spec.ownerId, [...ownerIds])))
          entries.get(spec.ownerOf(row))!.push(spec.entry(row));
      return entries;
    },
    /** Writes the entries that are new, changed, moved or gone. */
    async write(
      connection: Connection,
      owner: Owner,
      before: readonly Entry[],
      after: readonly Entry[],
    ): Promise<void> {
      const old = new Map(before.map((entry, position) => [spec.keyOf(entry), { entry, position }]));
      const rows = after.flatMap((entry, position) => {
        const key = spec.keyOf(entry);
        const known = old.get(key);
        if (known && known.position === position && sameValue(known.entry, entry)) {
          old.delete(key);
          return [];
        }
        return [{ ...spec.columns(entry, owner), position }];
      });
      if (old.size > 0)
        await connection.delete(spec.table).where(and(eq(spec.ownerId, owner.id), inArray(spec.key, [...old.keys()])));
      if (rows.length > 0) await connection.insert(spec.table).values(rows);
    },
  };
}
