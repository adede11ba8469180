import { createHash } from "node:crypto";
import { and, eq, getTableColumns, isNotNull, isNull, sql, type SQL } from "drizzle-orm";
import type { PgColumn } from "drizzle-orm/pg-core";
import {
  belongings,
  BELONGS,
  type Change,
  type Command,
  type FieldChange,
  fieldChanges,
  ONE_FOR,
  type Outcome,
  type RecordBodies,
  type RecordKind,
  REFERENCES,
  sameValue,
  withChanges,
} from "../../core/records";
import type { Connection } from "../../db/client";
import { NEXT_CHANGE, commandDone, type CommandResult, type Touched } from "../../db/schema";
import type { ActingCrew } from "../crew";
import { Fault } from "../faults";
import { acceptBody } from "./acceptBody";
import { tellHistory } from "./history";
import { repositoryOf } from "./repositories";
import type { Kept, Repository } from "./repository";

/** Where a command works: in one transaction, for one crew. */
interface Work {
  connection: Connection;
  acting: ActingCrew;
}

export const changeOf = <Kind extends RecordKind>(kind: Kind, kept: Kept<Kind>): Change<Kind> => ({
  kind,
  id: kept.id,
  version: kept.version,
  seq: kept.seq,
  createdAt: kept.createdAt.toISOString(),
  changedAt: kept.changedAt.toISOString(),
  isDeleted: kept.deletedAt !== null,
  deletedWith: kept.deletedWith,
  body: kept.body,
});

function columnOf({ table }: Repository<RecordKind>, field: string): PgColumn {
  const column = getTableColumns(table)[field];
  if (!column) throw new Error(`There is no column for ${field}.`);
  return column;
}

const ofCrew = ({ table }: Repository<RecordKind>, { acting }: Work): SQL => eq(table.crewId, acting.crewId);

async function keptOf<Kind extends RecordKind>(work: Work, kind: Kind, id: string): Promise<Kept<Kind> | null> {
  const repository = repositoryOf(kind);
  const [found] = await repository.find(work.connection, and(eq(repository.table.id, id), ofCrew(repository, work)));
  return found ?? null;
}

const valueOf = (body: object, field: string): string | null => (body as Record<string, string | null>)[field] ?? null;

/** Refuses what names something that is not there, of all fields or of some. */
async function refuseDangling<Kind extends RecordKind>(
  { connection, acting }: Work,
  kind: Kind,
  body: RecordBodies[Kind],
  only: (field: string) => boolean,
): Promise<void> {
  for (const [field, target] of Object.entries(REFERENCES[kind]) as [string, RecordKind][]) {
    const id = valueOf(body, field);
    if (id === null || !only(field)) continue;
    const { table, shootId } = repositoryOf(target);
    const inShoot = target === "shoot" || target === "kitItem" ? undefined : eq(shootId, valueOf(body, "shootId")!);
    const [found] = await connection
      .select({ id: table.id })
      .from(table)
      .where(and(eq(table.id, id), eq(table.crewId, acting.crewId), isNull(table.deletedAt), inShoot));
    if (!found)
      throw new Fault(
        "invalid",
        { code: "record.dangling" },
        {
          fields: [{ path: field, says: { code: "record.dangling" } }],
          isMissing: true,
        },
      );
  }
}

/** The record that stands where there is one only; null where there is none. */
async function theOneFor<Kind extends RecordKind>(
  work: Work,
  kind: Kind,
  body: RecordBodies[Kind],
): Promise<Kept<Kind> | null> {
  const fields = ONE_FOR[kind];
  if (!fields) return null;
  const repository = repositoryOf(kind);
  const same = fields.map((field) => eq(columnOf(repository, field), valueOf(body, field)));
  const [found] = await repository.find(
    work.connection,
    and(...same, ofCrew(repository, work), isNull(repository.table.deletedAt)),
  );
  return found ?? null;
}

async function change<Kind extends RecordKind>(
  work: Work,
  kind: Kind,
  before: Kept<Kind>,
  changes: readonly FieldChange[],
): Promise<CommandResult> {
  const { id } = before;
  const touched = [{ kind, id }];
  const { body: changed, conflicts } = withChanges(kind, before.body, changes);
  if (!sameValue(changed, before.body)) {
    const body = acceptBody(kind, changed);
    await refuseDangling(work, kind, body, (field) => valueOf(body, field) !== valueOf(before.body, field));
    const other = await theOneFor(work, kind, body);
    if (other && other.id !== id) throw new Fault("invalid", { code: "record.exists" });
    await repositoryOf(kind).update(work.connection, work.acting.crewId, before, body);
    await tellHistory(work.connection, work.acting, kind, id, before.body, body);
  }
  return conflicts.length > 0 ? { outcome: "conflict", id, conflicts, touched } : { outcome: "done", id, touched };
}

/** Brings something deleted back as it is sent: it was made anew under the name it had. */
async function revive<Kind extends RecordKind>(work: Work, kind: Kind, before: Kept<Kind>, body: RecordBodies[Kind]) {
  const { table, update } = repositoryOf(kind);
  await work.connection.update(table).set({ deletedAt: null, deletedWith: null }).where(eq(table.id, before.id));
  await update(work.connection, work.acting.crewId, before, body);
  await tellHistory(work.connection, work.acting, kind, before.id, null, body);
}

async function create<Kind extends RecordKind>(
  work: Work,
  kind: Kind,
  id: string,
  value: unknown,
  initial: unknown,
): Promise<CommandResult> {
  const body = acceptBody(kind, value);
  const known = await keptOf(work, kind, id);
  const other = known && !known.deletedAt ? known : await theOneFor(work, kind, body);
  if (other) {
    // Without what it was made from, nothing tells what is new in it: what is there stays.
    const changes = initial === undefined ? [] : fieldChanges(kind, acceptBody(kind, initial), body);
    return changes.length > 0
      ? change(work, kind, other, changes)
      : { outcome: "done", id: other.id, touched: [{ kind, id: other.id }] };
  }
  await refuseDangling(work, kind, body, () => true);
  if (known) await revive(work, kind, known, body);
  else {
    const { table } = repositoryOf(kind);
    const [taken] = await work.connection.select({ id: table.id }).from(table).where(eq(table.id, id));
    if (taken) throw new Fault("invalid", { code: "record.idTaken" });
    await repositoryOf(kind).insert(work.connection, { id, crewId: work.acting.crewId }, body);
    await tellHistory(work.connection, work.acting, kind, id, null, body);
  }
  return { outcome: "done", id, touched: [{ kind, id }] };
}

async function patch<Kind extends RecordKind>(
  work: Work,
  kind: Kind,
  id: string,
  changes: readonly FieldChange[],
): Promise<CommandResult> {
  const before = await keptOf(work, kind, id);
  if (!before) throw new Fault("missing", { code: "record.missing" }, { isMissing: true });
  if (before.deletedAt) return { outcome: "gone", touched: [{ kind, id }] };
  return change(work, kind, before, changes);
}

/** Marks records as deleted in one go, or as there again. */
async function mark(
  work: Work,
  kind: RecordKind,
  where: SQL | undefined,
  deletedWith: string | null,
): Promise<Touched[]> {
  const repository = repositoryOf(kind);
  const { table } = repository;
  const condition = and(where, ofCrew(repository, work));
  const before = await repository.find(work.connection, condition);
  if (before.length === 0) return [];
  await work.connection
    .update(table)
    .set({
      deletedAt: deletedWith === null ? null : sql`now()`,
      deletedWith,
      version: sql`${table.version} + 1`,
      seq: NEXT_CHANGE,
      changedAt: sql`now()`,
    })
    .where(condition);
  for (const { id, body } of before)
    await tellHistory(
      work.connection,
      work.acting,
      kind,
      id,
      ...((deletedWith ? [body, null] : [null, body]) as [never, never]),
    );
  return before.map(({ id }) => ({ kind, id }));
}

async function remove(work: Work, kind: RecordKind, id: string, key: string): Promise<CommandResult> {
  const { table } = repositoryOf(kind);
  const touched = await mark(work, kind, and(eq(table.id, id), isNull(table.deletedAt)), key);
  for (let at = 0; at < touched.length; at += 1) {
    const owner = touched[at]!;
    for (const { kind: child, field } of belongings(owner.kind)) {
      const repository = repositoryOf(child);
      const where = and(eq(columnOf(repository, field), owner.id), isNull(repository.table.deletedAt));
      touched.push(...(await mark(work, child, where, key)));
    }
  }
  return { outcome: "done", id, touched: touched.length > 0 ? touched : [{ kind, id }] };
}

async function restore(work: Work, kind: RecordKind, id: string): Promise<CommandResult> {
  const before = await keptOf(work, kind, id);
  if (!before) throw new Fault("missing", { code: "record.missing" }, { isMissing: true });
  if (!before.deletedAt) return { outcome: "done", id, touched: [{ kind, id }] };
  if (await theOneFor(work, kind, before.body)) throw new Fault("invalid", { code: "record.anotherNow" });
  await refuseDangling(
    work,
    kind,
    before.body,
    (field) => field === "shootId" || (BELONGS[kind]?.includes(field) ?? false),
  );
  const touched = await mark(work, kind, eq(repositoryOf(kind).table.id, id), null);
  if (before.deletedWith === null) return { outcome: "done", id, touched };
  for (let at = 0; at < touched.length; at += 1) {
    const owner = touched[at]!;
    for (const { kind: child, field } of belongings(owner.kind)) {
      const repository = repositoryOf(child);
      const gone = await repository.find(
        work.connection,
        and(
          eq(columnOf(repository, field), owner.id),
          eq(repository.table.deletedWith, before.deletedWith),
          isNotNull(repository.table.deletedAt),
        ),
      );
      for (const each of gone)
        if (!(await theOneFor(work, child, each.body)))
          touched.push(...(await mark(work, child, eq(repository.table.id, each.id), null)));
    }
  }
  return { outcome: "done", id, touched };
}

function carryOut(work: Work, command: Command): Promise<CommandResult> {
  const { kind, id } = command;
  switch (command.op) {
    case "create":
      return create(work, kind, id, command.body, command.initial);
    case "patch":
      return patch(work, kind, id, command.changes as FieldChange[]);
    case "delete":
      return remove(work, kind, id, command.key);
    case "restore":
      return restore(work, kind, id);
  }
}

/** JSON without a meaning in the order of its fields. */
const canonical = (value: unknown): string =>
  JSON.stringify(value, (_, each: unknown) =>
    typeof each === "object" && each !== null && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([one], [other]) => (one < other ? -1 : 1)))
      : each,
  );

async function touchedRecords(work: Work, touched: readonly Touched[]): Promise<Change[]> {
  const records: Change[] = [];
  for (const { kind, id } of touched) {
    const kept = await keptOf(work, kind, id);
    if (kept) records.push(changeOf(kind, kept));
  }
  return records;
}

/** Tells the other devices of a crew that something of a shoot, or of its kit, changed. */
async function notify({ connection, acting }: Work, records: readonly Change[]): Promise<void> {
  const shootIds = new Set(
    records.map(({ kind, id, body }) => (kind === "shoot" ? id : "shootId" in body ? body.shootId : null)),
  );
  for (const shootId of shootIds) {
    const seq = Math.max(...records.map((each) => each.seq));
    const payload = JSON.stringify({ crewId: acting.crewId, shootId, seq });
    await connection.execute(sql`select pg_notify('hypophon_change', ${payload})`);
  }
}

/** The shoot that a command is about; null where it is the crew's, or nothing is known of it. */
async function shootOfCommand({ crewId, database }: ActingCrew, { op, kind, id, ...rest }: Command) {
  if (kind === "shoot") return id;
  if (op === "create") {
    const { shootId } = (("body" in rest && rest.body) || {}) as { shootId?: unknown };
    return typeof shootId === "string" ? shootId : null;
  }
  const { table, shootId } = repositoryOf(kind);
  const [found] = await database
    .select({ shootId })
    .from(table)
    .where(and(eq(table.id, id), eq(table.crewId, crewId)));
  return (found?.shootId ?? null) as string | null;
}

/**
 * Commands of a shoot follow one another, and what is the crew's follows and is followed by all: so numbers of changes rise in
 * the order in which they can be seen by whoever asks what came after one.
 */
const inTurn = (crewId: string, shootId: string | null): SQL =>
  shootId === null
    ? sql`select pg_advisory_xact_lock(hashtextextended(${crewId}, 0))`
    : sql`select pg_advisory_xact_lock_shared(hashtextextended(${crewId}, 0)), pg_advisory_xact_lock(hashtextextended(${shootId}, 1))`;

/** Carries out one command in one transaction. A command whose key is known is answered as it was and not done again. */
export async function runCommand(
  acting: ActingCrew,
  command: Command,
): Promise<Exclude<Outcome, { outcome: "failed" | "refused" }>> {
  const digest = createHash("sha256").update(canonical(command)).digest("hex");
  const shootId = await shootOfCommand(acting, command);
  return acting.database.transaction(async (connection) => {
    const work = { connection, acting };
    await connection.execute(inTurn(acting.crewId, shootId));
    const [earlier] = await connection.select().from(commandDone).where(eq(commandDone.key, command.key));
    if (earlier && (earlier.crewId !== acting.crewId || earlier.digest !== digest))
      throw new Fault("invalid", { code: "record.keyTaken" });
    const result = earlier ? earlier.outcome : await carryOut(work, command);
    const { touched, ...told } = result;
    const records = await touchedRecords(work, touched);
    if (!earlier) {
      await connection.insert(commandDone).values({ key: command.key, crewId: acting.crewId, digest, outcome: result });
      await notify(work, records);
    }
    return { ...told, records };
  });
}
