import { asc } from "drizzle-orm";
import type { RollFile, RollTrack } from "../../core/records";
import { mark, roll, rollFile, rollSetup, rollTrack } from "../../db/schema";
import { list, oldestFirst, repository } from "./repository";

const tracks = list<RollTrack, typeof rollTrack.$inferSelect>({
  table: rollTrack,
  ownerId: rollTrack.rollId,
  key: rollTrack.id,
  keyOf: ({ id }) => id,
  rows: (connection, where) => connection.select().from(rollTrack).where(where).orderBy(asc(rollTrack.position)),
  ownerOf: ({ rollId }) => rollId,
  entry: ({ id, name, wearerId }) => ({ id, name, wearerId }),
  columns: (track, { id, shootId, crewId }) => ({ ...track, rollId: id, shootId, crewId }),
});

const files = list<RollFile, typeof rollFile.$inferSelect>({
  table: rollFile,
  ownerId: rollFile.rollId,
  key: rollFile.name,
  keyOf: ({ name }) => name,
  rows: (connection, where) => connection.select().from(rollFile).where(where).orderBy(asc(rollFile.position)),
  ownerOf: ({ rollId }) => rollId,
  entry: ({ name, lengthS, hash, isSure }) => ({ name, lengthS, hash, isSure }),
  columns: (file, { id, shootId, crewId }) => ({ ...file, rollId: id, shootId, crewId }),
});

export const rolls = repository({
  kind: "roll",
  table: roll,
  shootId: roll.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(roll)
      .where(where)
      .orderBy(...oldestFirst(roll)),
  async bodies(connection, rows) {
    const ids = rows.map(({ id }) => id);
    const [byTrack, byFile] = [await tracks.read(connection, ids), await files.read(connection, ids)];
    return rows.map(({ id, shootId, sceneId, day, slate, take, type, rating, startedAt, zoneMin, ...row }) => {
      const { lengthS, fileName, note, counter, device } = row;
      return {
        ...{ shootId, sceneId, day, slate, take, type, rating, startedAt, zoneMin },
        ...{ lengthS, fileName, note, counter, device },
        tracks: byTrack.get(id)!,
        files: byFile.get(id)!,
      };
    });
  },
  columns: ({ tracks: _tracks, files: _files, ...own }) => own,
  async writeLists(connection, owner, before, after) {
    await tracks.write(connection, owner, before?.tracks ?? [], after.tracks);
    await files.write(connection, owner, before?.files ?? [], after.files);
  },
});

export const marks = repository({
  kind: "mark",
  table: mark,
  shootId: mark.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(mark)
      .where(where)
      .orderBy(...oldestFirst(mark)),
  bodies: async (_, rows) =>
    rows.map(({ shootId, rollId, atS, kind, trackId, note, source, isProposal }) => ({
      ...{ shootId, rollId, atS, kind, trackId, note, source, isProposal },
    })),
  columns: (body) => body,
});

export const rollSetups = repository({
  kind: "rollSetup",
  table: rollSetup,
  shootId: rollSetup.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(rollSetup)
      .where(where)
      .orderBy(...oldestFirst(rollSetup)),
  bodies: async (_, rows) =>
    rows.map(({ shootId, scheme, counter, ownKinds }) => ({ shootId, scheme, counter, ownKinds })),
  columns: (body) => body,
});
