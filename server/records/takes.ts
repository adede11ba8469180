import { and, eq, isNull, sql } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import type { AudioFile, MeasurementBody } from "../../core/records";
import type { Connection } from "../../db/client";
import { audioFile, measurement, rig, take } from "../../db/schema";
import { oldestFirst, repository } from "./repository";

/** The file that is this one by what it holds; by name and length where one of the two was never hashed. */
async function knownFile(connection: Connection, shootId: string, file: AudioFile): Promise<string | null> {
  const ofShoot = eq(audioFile.shootId, shootId);
  if (file.hash !== null) {
    const byContent = await connection
      .select({ id: audioFile.id })
      .from(audioFile)
      .where(
        and(
          ofShoot,
          eq(audioFile.hash, file.hash),
          file.sizeBytes === null ? isNull(audioFile.sizeBytes) : eq(audioFile.sizeBytes, file.sizeBytes),
          sql`coalesce(${audioFile.timeReference}, -1) = ${file.timeReference ?? -1}`,
        ),
      );
    if (byContent[0]) return byContent[0].id;
  }
  const byName = await connection
    .select({ id: audioFile.id })
    .from(audioFile)
    .where(
      and(
        ofShoot,
        eq(audioFile.name, file.name),
        sql`(${audioFile.format} ->> 'durationS')::double precision = ${file.format.durationS}`,
        file.hash === null ? undefined : isNull(audioFile.hash),
      ),
    );
  return byName[0]?.id ?? null;
}

/** The file of a measurement, with its take, made where they are not there yet; one known by name only learns its content. */
async function fileOf(
  connection: Connection,
  crewId: string,
  { shootId, rigId, file }: MeasurementBody,
): Promise<string> {
  const known = await knownFile(connection, shootId, file);
  const { name, hash, sizeBytes, timeReference, format } = file;
  if (known) {
    await connection
      .update(audioFile)
      .set({
        hash: sql`coalesce(${audioFile.hash}, ${hash})`,
        sizeBytes: sql`coalesce(${audioFile.sizeBytes}, ${sizeBytes})`,
        name,
        format,
      })
      .where(eq(audioFile.id, known));
    return known;
  }
  const [takeId, id] = [randomUUID(), randomUUID()];
  const [owner] = await connection.select({ sceneId: rig.sceneId }).from(rig).where(eq(rig.id, rigId));
  if (!owner) throw new Error(`The rig ${rigId} is not there.`);
  await connection.insert(take).values({ id: takeId, crewId, shootId, sceneId: owner.sceneId });
  await connection
    .insert(audioFile)
    .values({ id, crewId, shootId, takeId, name, hash, sizeBytes, timeReference, format });
  return id;
}

export const measurements = repository({
  kind: "measurement",
  table: measurement,
  shootId: measurement.shootId,
  rows: async (connection, where) =>
    (
      await connection
        .select()
        .from(measurement)
        .innerJoin(audioFile, eq(audioFile.id, measurement.audioFileId))
        .where(where)
        .orderBy(...oldestFirst(measurement))
    ).map(({ measurement: row, audio_file: file }) => ({ ...row, file })),
  bodies: async (_, rows) =>
    rows.map(({ shootId, rigId, channel, planned, grade, said, file, ...row }) => {
      const { name, hash, sizeBytes, timeReference, format } = file;
      const { peakDbfs, speechDbfs, noiseDbfs, snrDb, pitchHz } = row;
      return {
        ...{ shootId, rigId, file: { name, hash, sizeBytes, timeReference, format }, channel },
        measured: { peakDbfs, speechDbfs, noiseDbfs, snrDb, pitchHz },
        ...{ planned, grade, said },
      };
    }),
  async columns(body, connection, crewId) {
    const { shootId, rigId, channel, measured, planned, grade, said } = body;
    const audioFileId = await fileOf(connection, crewId, body);
    return { shootId, rigId, audioFileId, channel, ...measured, planned, grade, said };
  },
});
