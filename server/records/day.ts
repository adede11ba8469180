import { asc } from "drizzle-orm";
import type { LevelLine, PackingBody } from "../../core/records";
import { levelLine, levels as levelsTable, packing, packingLine } from "../../db/schema";
import { list, oldestFirst, repository } from "./repository";

type PackingLine = PackingBody["lines"][number];

const packingLines = list<PackingLine, typeof packingLine.$inferSelect>({
  table: packingLine,
  ownerId: packingLine.packingId,
  key: packingLine.key,
  keyOf: ({ key }) => key,
  rows: (connection, where) => connection.select().from(packingLine).where(where).orderBy(asc(packingLine.position)),
  ownerOf: ({ packingId }) => packingId,
  entry: ({ key, packed, isBack }) => ({ key, packed, isBack }),
  columns: (line, { id, shootId, crewId }) => ({ ...line, packingId: id, shootId, crewId }),
});

export const packings = repository({
  kind: "packing",
  table: packing,
  shootId: packing.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(packing)
      .where(where)
      .orderBy(...oldestFirst(packing)),
  async bodies(connection, rows) {
    const byPacking = await packingLines.read(
      connection,
      rows.map(({ id }) => id),
    );
    return rows.map(({ id, shootId }) => ({ shootId, lines: byPacking.get(id)! }));
  },
  columns: ({ shootId }) => ({ shootId }),
  writeLists: (connection, owner, before, { lines }) =>
    packingLines.write(connection, owner, before?.lines ?? [], lines),
});

const levelLines = list<LevelLine, typeof levelLine.$inferSelect>({
  table: levelLine,
  ownerId: levelLine.levelsId,
  key: levelLine.subject,
  keyOf: ({ subject }) => subject,
  rows: (connection, where) => connection.select().from(levelLine).where(where).orderBy(asc(levelLine.position)),
  ownerOf: ({ levelsId }) => levelsId,
  entry: ({ subject, inputId, mic, targetDbfs, ceilingDbfs, held, ticks, dynamics }) => ({
    ...{ subject, inputId, mic, held, ticks, dynamics },
    targets: targetDbfs === null || ceilingDbfs === null ? null : { targetDbfs, ceilingDbfs },
  }),
  columns: ({ targets, ...line }, { id, shootId, crewId }) => ({
    ...line,
    targetDbfs: targets?.targetDbfs ?? null,
    ceilingDbfs: targets?.ceilingDbfs ?? null,
    levelsId: id,
    shootId,
    crewId,
  }),
});

export const levels = repository({
  kind: "levels",
  table: levelsTable,
  shootId: levelsTable.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(levelsTable)
      .where(where)
      .orderBy(...oldestFirst(levelsTable)),
  async bodies(connection, rows) {
    const byLevels = await levelLines.read(
      connection,
      rows.map(({ id }) => id),
    );
    return rows.map(({ id, shootId, school, meterBottomDbfs }) => ({
      ...{ shootId, school, meterBottomDbfs },
      lines: byLevels.get(id)!,
    }));
  },
  columns: ({ shootId, school, meterBottomDbfs }) => ({ shootId, school, meterBottomDbfs }),
  writeLists: (connection, owner, before, { lines }) => levelLines.write(connection, owner, before?.lines ?? [], lines),
});
