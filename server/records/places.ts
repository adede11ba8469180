import { asc } from "drizzle-orm";
import type { NoiseSource } from "../../core/noise";
import type { PlacedMic, Talker } from "../../core/pickup";
import { noise, pickup, place, placedMic, talker } from "../../db/schema";
import { list, oldestFirst, repository } from "./repository";

const noises = list<NoiseSource, typeof noise.$inferSelect>({
  table: noise,
  ownerId: noise.placeId,
  key: noise.id,
  keyOf: ({ id }) => id,
  rows: (connection, where) => connection.select().from(noise).where(where).orderBy(asc(noise.position)),
  ownerOf: ({ placeId }) => placeId,
  entry: ({ id, kind, name, levelDba, distanceM, bearingDeg, barrier, occurs, perHour, lastsS, times, ...row }) => ({
    ...{ id, kind, name, levelDba, distanceM, bearingDeg, barrier, occurs, perHour, lastsS, times },
    ...{ remedy: row.remedy, isDone: row.isDone, owner: row.owner },
  }),
  columns: (source, { id, shootId, crewId }) => ({ ...source, placeId: id, shootId, crewId }),
});

export const places = repository({
  kind: "place",
  table: place,
  shootId: place.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(place)
      .where(where)
      .orderBy(...oldestFirst(place)),
  async bodies(connection, rows) {
    const byPlace = await noises.read(
      connection,
      rows.map(({ id }) => id),
    );
    return rows.map(({ id, shootId, name, model }) => ({
      shootId,
      name,
      model: { ...model, sources: byPlace.get(id)! },
    }));
  },
  columns({ model, ...own }) {
    const { sources: _, ...rest } = model;
    return { ...own, model: rest };
  },
  writeLists: (connection, owner, before, { model }) =>
    noises.write(connection, owner, before?.model.sources ?? [], model.sources),
});

const talkers = list<Talker, typeof talker.$inferSelect>({
  table: talker,
  ownerId: talker.pickupId,
  key: talker.id,
  keyOf: ({ id }) => id,
  rows: (connection, where) => connection.select().from(talker).where(where).orderBy(asc(talker.position)),
  ownerOf: ({ pickupId }) => pickupId,
  entry: ({ id, name, wearerId, xM, yM, mouthM, facesDeg, turnsDeg, effort, path, isInstrument, holds }) => ({
    ...{ id, name, wearerId, at: { xM, yM }, mouthM, facesDeg, turnsDeg, effort, path, isInstrument },
    ...(holds !== null && { holds }),
  }),
  // What is no longer told is emptied.
  columns: ({ at, holds, ...own }, { id, shootId, crewId }) => ({
    ...{ ...own, ...at, pickupId: id, shootId, crewId },
    holds: holds ?? null,
  }),
});

const mics = list<PlacedMic, typeof placedMic.$inferSelect>({
  table: placedMic,
  ownerId: placedMic.pickupId,
  key: placedMic.id,
  keyOf: ({ id }) => id,
  rows: (connection, where) => connection.select().from(placedMic).where(where).orderBy(asc(placedMic.position)),
  ownerOf: ({ pickupId }) => pickupId,
  entry: ({ id, microphone, pattern, holder, xM, yM, heightM, aimsDeg, tiltDeg, hasScreen, handsM, cover }) => ({
    ...{ id, microphone, pattern, holder, at: { xM, yM }, heightM, aimsDeg, tiltDeg, hasScreen, handsM },
    ...(cover !== null && { cover }),
  }),
  columns: ({ at, cover, ...own }, { id, shootId, crewId }) => ({
    ...{ ...own, ...at, pickupId: id, shootId, crewId },
    cover: cover ?? null,
  }),
});

export const pickups = repository({
  kind: "pickup",
  table: pickup,
  shootId: pickup.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(pickup)
      .where(where)
      .orderBy(...oldestFirst(pickup)),
  async bodies(connection, rows) {
    const ids = rows.map(({ id }) => id);
    const talkersOf = await talkers.read(connection, ids);
    const micsOf = await mics.read(connection, ids);
    return rows.map(({ id, shootId, sceneId, wishes }) => ({
      ...{ shootId, sceneId, wishes },
      setup: { talkers: talkersOf.get(id)!, mics: micsOf.get(id)! },
    }));
  },
  columns: ({ shootId, sceneId, wishes }) => ({ shootId, sceneId, wishes }),
  async writeLists(connection, owner, before, { setup }) {
    await talkers.write(connection, owner, before?.setup.talkers ?? [], setup.talkers);
    await mics.write(connection, owner, before?.setup.mics ?? [], setup.mics);
  },
});
