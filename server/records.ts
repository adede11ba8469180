import { and, asc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { PgTable } from "drizzle-orm/pg-core";
import type { Pack } from "../core/chain/devices";
import { KIT_SCHEMAS } from "../core/connect/kitItems";
import { contradictionsOf } from "../core/dress/contradictions";
import { placeFaults } from "../core/room/placeModel";
import type { SchemaFault } from "../core/schema/validate";
import type { Layer, Outfit } from "../core/dress/outfit";
import {
  RECORD_SCHEMAS,
  type KitItemBody,
  type RecordBodies,
  type RecordKind,
  type Stored,
  type WearerBody,
} from "../core/shoot/records";
import { airPlanFaults } from "../core/wireless/airFaults";
import type { Connection } from "../db/client";
import {
  air,
  connection,
  kitItem,
  measurement,
  outfitLayer,
  packing,
  place,
  pickup,
  levels,
  provision,
  rig,
  scene,
  shoot,
  wearer,
} from "../db/schema";
import type { ActingCrew } from "./crew";
import { Fault } from "./faults";
import { accept } from "./validate";

const TABLES = {
  shoot,
  place,
  scene,
  wearer,
  rig,
  kitItem,
  measurement,
  pickup,
  air,
  connection,
  packing,
  provision,
  levels,
} as const;

/** Columns every table of records has; the generic code below touches only these by name. */
type KeptTable = typeof shoot;
type Row = Record<string, unknown> & { id: string; version: number; changedAt: Date; deletedAt: Date | null };

function tableOf(kind: RecordKind): KeptTable {
  return TABLES[kind] as unknown as KeptTable;
}

const nextVersion = (table: KeptTable) => ({ version: sql`${table.version} + 1` });

/** Fields that point at other records, which must be the crew's own and of the same shoot. */
const REFERENCES: Partial<Record<RecordKind, Record<string, RecordKind>>> = {
  place: { shootId: "shoot" },
  scene: { shootId: "shoot", placeId: "place" },
  wearer: { shootId: "shoot" },
  rig: {
    shootId: "shoot",
    wearerId: "wearer",
    sceneId: "scene",
    lavId: "kitItem",
    packId: "kitItem",
    receiverId: "kitItem",
    inputId: "kitItem",
  },
  measurement: { shootId: "shoot", rigId: "rig" },
  pickup: { shootId: "shoot", sceneId: "scene" },
  air: { shootId: "shoot" },
  kitItem: { shootId: "shoot" },
  connection: { shootId: "shoot" },
  packing: { shootId: "shoot" },
  provision: { shootId: "shoot" },
  levels: { shootId: "shoot" },
};

const OUTSIDE_SHOOTS: readonly RecordKind[] = ["shoot", "kitItem"];

/** Columns of a record's own row; a wearer's layers live in a table of their own. */
function rowOf(kind: RecordKind, body: RecordBodies[RecordKind]): Record<string, unknown> {
  if (kind !== "wearer") return { ...body };
  const { outfit, ...own } = body as WearerBody;
  return { ...own, accessories: outfit.accessories };
}

function layerOf(row: typeof outfitLayer.$inferSelect): Layer {
  const { garment, fabric, fit, opening, pattern, shade, neckline, hasLapels } = row;
  return { garment, fabric, fit, opening, pattern, shade, neckline, hasLapels };
}

async function layersOf(connection: Connection, wearerIds: readonly string[]): Promise<Map<string, Layer[]>> {
  const byWearer = new Map<string, Layer[]>(wearerIds.map((id) => [id, []]));
  if (wearerIds.length === 0) return byWearer;
  const rows = await connection
    .select()
    .from(outfitLayer)
    .where(inArray(outfitLayer.wearerId, [...wearerIds]))
    .orderBy(asc(outfitLayer.position));
  for (const row of rows) byWearer.get(row.wearerId)!.push(layerOf(row));
  return byWearer;
}

function storedOf<Kind extends RecordKind>(kind: Kind, row: Row, layers: Map<string, Layer[]>): Stored<Kind> {
  const keys = Object.keys(RECORD_SCHEMAS[kind].properties);
  const body = Object.fromEntries(keys.map((key) => [key, row[key]]));
  if (kind === "wearer") body["outfit"] = { layers: layers.get(row.id) ?? [], accessories: row["accessories"] };
  return {
    id: row.id,
    version: row.version,
    changedAt: row.changedAt.toISOString(),
    body: body as unknown as RecordBodies[Kind],
  };
}

async function toStored<Kind extends RecordKind>(
  connection: Connection,
  kind: Kind,
  rows: readonly Row[],
): Promise<Stored<Kind>[]> {
  const layers =
    kind === "wearer"
      ? await layersOf(
          connection,
          rows.map((row) => row.id),
        )
      : new Map<string, Layer[]>();
  return rows.map((row) => storedOf(kind, row, layers));
}

async function writeLayers(connection: Connection, wearerId: string, layers: readonly Layer[]): Promise<void> {
  await connection.delete(outfitLayer).where(eq(outfitLayer.wearerId, wearerId));
  await connection.insert(outfitLayer).values(layers.map((layer, position) => ({ ...layer, wearerId, position })));
}

async function checkReferences(
  connection: Connection,
  crewId: string,
  kind: RecordKind,
  body: RecordBodies[RecordKind],
) {
  const fields = body as unknown as Record<string, string | null>;
  for (const [field, target] of Object.entries(REFERENCES[kind] ?? {})) {
    const id = fields[field];
    if (id === null || id === undefined) continue;
    const table = tableOf(target);
    const conditions = [eq(table.id, id), eq(table.crewId, crewId), isNull(table.deletedAt)];
    if (!OUTSIDE_SHOOTS.includes(target))
      conditions.push(eq((table as unknown as typeof place).shootId, fields["shootId"]!));
    const [found] = await connection
      .select({ id: table.id })
      .from(table)
      .where(and(...conditions));
    if (!found)
      throw new Fault("invalid", `What ${field} names is not there any more.`, {
        fields: [{ path: field, message: "Not there any more." }],
      });
  }
}

function refuseContradictions(outfit: Outfit): void {
  const [first, ...others] = contradictionsOf(outfit);
  if (first)
    throw new Fault("invalid", first.says, {
      fields: [first, ...others].map(({ path, says }) => ({ path: `outfit.${path}`, message: says })),
    });
}

function refuseImpossible(faults: readonly SchemaFault[]): void {
  const [first] = faults;
  if (first)
    throw new Fault("invalid", first.message, {
      fields: faults.map(({ path, message }) => ({ path: `model.${path}`, message })),
    });
}

function refuseAir(body: RecordBodies["air"]): void {
  const faults = airPlanFaults(body);
  if (faults[0])
    throw new Fault("invalid", faults[0].message, {
      fields: faults.map(({ path, message }) => ({ path: path.slice(1).replaceAll("/", "."), message })),
    });
}

/** A pack whose lowest sensitivity lies above its highest has no step to stand at. */
function refuseBackwardPack(figures: Pack): void {
  const { sensitivityMinDb, sensitivityMaxDb } = figures;
  if (sensitivityMinDb <= sensitivityMaxDb) return;
  throw new Fault("invalid", "The pack's lowest sensitivity lies above its highest.", {
    fields: [{ path: "figures.sensitivityMinDb", message: `At most the highest, ${sensitivityMaxDb} dB.` }],
  });
}

function refuseTargets({ lines }: RecordBodies["levels"]): void {
  const at = lines.findIndex(({ targets }) => targets !== null && targets.targetDbfs > targets.ceilingDbfs);
  if (at >= 0)
    throw new Fault("invalid", "The target must not be above the ceiling.", {
      fields: [{ path: `lines.${at}.targets.targetDbfs`, message: "At most the ceiling." }],
    });
}

function acceptBody<Kind extends RecordKind>(kind: Kind, value: unknown): RecordBodies[Kind] {
  const body = accept(RECORD_SCHEMAS[kind], value) as RecordBodies[Kind];
  if (kind === "kitItem") accept(KIT_SCHEMAS[(body as KitItemBody).kind], (body as KitItemBody).figures);
  if (kind === "kitItem" && (body as KitItemBody).kind === "pack")
    refuseBackwardPack((body as KitItemBody).figures as Pack);
  if (kind === "levels") refuseTargets(body as RecordBodies["levels"]);
  if (kind === "place") refuseImpossible(placeFaults((body as RecordBodies["place"]).model));
  if (kind === "air") refuseAir(body as RecordBodies["air"]);
  if (kind === "wearer") refuseContradictions((body as WearerBody).outfit);
  if (kind === "rig") {
    const { targetDbfs, ceilingDbfs, outfit } = body as RecordBodies["rig"];
    if (outfit) refuseContradictions(outfit);
    if (targetDbfs > ceilingDbfs)
      throw new Fault("invalid", "The target must not be above the ceiling.", {
        fields: [{ path: "targetDbfs", message: `At most the ceiling, ${ceilingDbfs} dBFS.` }],
      });
  }
  return body;
}

/** Stores a new record under an id made by the caller: sending it twice stores it once. */
export async function createRecord<Kind extends RecordKind>(
  { crewId, database }: ActingCrew,
  kind: Kind,
  id: string,
  value: unknown,
): Promise<Stored<Kind>> {
  const body = acceptBody(kind, value);
  return database.transaction(async (transaction) => {
    await checkReferences(transaction, crewId, kind, body);
    const table = tableOf(kind);
    const inserted = await transaction
      .insert(table as PgTable)
      .values({ ...rowOf(kind, body), id, crewId })
      .onConflictDoNothing()
      .returning();
    if (inserted.length > 0 && kind === "wearer")
      await writeLayers(transaction, id, (body as WearerBody).outfit.layers);
    const rows = await transaction
      .select()
      .from(table)
      .where(and(eq(table.id, id), eq(table.crewId, crewId)));
    if (rows.length === 0) throw new Fault("invalid", "This id is taken.");
    const [stored] = await toStored(transaction, kind, rows as unknown as Row[]);
    return stored!;
  });
}

async function currentOf<Kind extends RecordKind>(connection: Connection, crewId: string, kind: Kind, id: string) {
  const table = tableOf(kind);
  const rows = (await connection
    .select()
    .from(table)
    .where(and(eq(table.id, id), eq(table.crewId, crewId)))) as unknown as Row[];
  const [row] = rows;
  if (!row) throw new Fault("missing", "This record does not exist.");
  return row;
}

/** Changes a record whose version the caller knows; refuses a stale one and hands over the current one. */
export async function changeRecord<Kind extends RecordKind>(
  { crewId, database }: ActingCrew,
  kind: Kind,
  id: string,
  version: number,
  value: unknown,
): Promise<Stored<Kind>> {
  const body = acceptBody(kind, value);
  return database.transaction(async (transaction) => {
    const table = tableOf(kind);
    await checkReferences(transaction, crewId, kind, body);
    const changed = (await transaction
      .update(table)
      .set({ ...rowOf(kind, body), ...nextVersion(table), changedAt: sql`now()` })
      .where(and(eq(table.id, id), eq(table.crewId, crewId), eq(table.version, version), isNull(table.deletedAt)))
      .returning()) as unknown as Row[];
    if (changed.length === 0) {
      const current = await currentOf(transaction, crewId, kind, id);
      if (current.deletedAt) throw new Fault("missing", "This was deleted elsewhere.");
      const [stored] = await toStored(transaction, kind, [current]);
      throw new Fault("stale", "This was changed elsewhere in the meantime.", { current: stored });
    }
    if (kind === "wearer") await writeLayers(transaction, id, (body as WearerBody).outfit.layers);
    const [stored] = await toStored(transaction, kind, changed);
    return stored!;
  });
}

async function mark(acting: ActingCrew, kind: RecordKind, id: string, deletedAt: Date | null): Promise<Row> {
  const table = tableOf(kind);
  const rows = (await acting.database
    .update(table)
    .set({ deletedAt, ...nextVersion(table) })
    .where(and(eq(table.id, id), eq(table.crewId, acting.crewId)))
    .returning()) as unknown as Row[];
  const [row] = rows;
  if (!row) throw new Fault("missing", "This record does not exist.");
  return row;
}

/** Takes a record out of sight; {@link restoreRecord} brings it back. */
export async function removeRecord(acting: ActingCrew, kind: RecordKind, id: string): Promise<void> {
  await mark(acting, kind, id, new Date());
}

/** Undoes a removal. */
export async function restoreRecord<Kind extends RecordKind>(
  acting: ActingCrew,
  kind: Kind,
  id: string,
): Promise<Stored<Kind>> {
  const row = await mark(acting, kind, id, null);
  const [stored] = await toStored(acting.database, kind, [row]);
  return stored!;
}

/** All records of a kind that are not deleted, oldest first; within a shoot when one is named. */
export async function listRecords<Kind extends RecordKind>(
  { crewId, database }: ActingCrew,
  kind: Kind,
  shootId: string | null,
): Promise<Stored<Kind>[]> {
  const table = tableOf(kind);
  const conditions = [eq(table.crewId, crewId), isNull(table.deletedAt)];
  if (shootId) conditions.push(eq(kind === "shoot" ? table.id : (table as unknown as typeof place).shootId, shootId));
  const rows = (await database
    .select()
    .from(table)
    .where(and(...conditions))
    .orderBy(asc(table.createdAt), asc(table.id))) as unknown as Row[];
  return toStored(database, kind, rows);
}
