import { asc } from "drizzle-orm";
import type { StepDone } from "../../core/records";
import type { AirLink } from "../../core/wireless";
import { air, connection as connectionTable, rfLink, stepDone } from "../../db/schema";
import { list, oldestFirst, repository } from "./repository";

const links = list<AirLink, typeof rfLink.$inferSelect>({
  table: rfLink,
  ownerId: rfLink.airId,
  key: rfLink.id,
  keyOf: ({ id }) => id,
  rows: (connection, where) => connection.select().from(rfLink).where(where).orderBy(asc(rfLink.position)),
  ownerOf: ({ airId }) => airId,
  entry: ({ id, wearerId, name, systemId, zone, sceneIds, frequencyMHz, isLocked, spareMHz }) => ({
    ...{ id, wearerId, name, systemId, zone, sceneIds, frequencyMHz, isLocked, spareMHz },
  }),
  columns: (link, { id, shootId, crewId }) => ({ ...link, airId: id, shootId, crewId }),
});

export const airs = repository({
  kind: "air",
  table: air,
  shootId: air.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(air)
      .where(where)
      .orderBy(...oldestFirst(air)),
  async bodies(connection, rows) {
    const byAir = await links.read(
      connection,
      rows.map(({ id }) => id),
    );
    return rows.map(({ id, shootId, region, rules, systems, scan }) => ({
      ...{ shootId, region, rules, systems, scan },
      links: byAir.get(id)!,
    }));
  },
  columns: ({ shootId, region, rules, systems, scan }) => ({ shootId, region, rules, systems, scan }),
  writeLists: (connection, owner, before, after) => links.write(connection, owner, before?.links ?? [], after.links),
});

const steps = list<StepDone, typeof stepDone.$inferSelect>({
  table: stepDone,
  ownerId: stepDone.connectionId,
  key: stepDone.step,
  keyOf: ({ step }) => step,
  rows: (connection, where) => connection.select().from(stepDone).where(where).orderBy(asc(stepDone.position)),
  ownerOf: ({ connectionId }) => connectionId,
  entry: ({ step, how, at, holdsFor }) => ({ step, how, at, holdsFor }),
  columns: (step, { id, shootId, crewId }) => ({ ...step, connectionId: id, shootId, crewId }),
});

export const connections = repository({
  kind: "connection",
  table: connectionTable,
  shootId: connectionTable.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(connectionTable)
      .where(where)
      .orderBy(...oldestFirst(connectionTable)),
  async bodies(connection, rows) {
    const byConnection = await steps.read(
      connection,
      rows.map(({ id }) => id),
    );
    return rows.map(({ id, shootId, linkId, sourceId, inputId, rehearsal, range }) => ({
      ...{ shootId, linkId, sourceId, inputId, rehearsal, range },
      steps: byConnection.get(id)!,
    }));
  },
  columns: ({ shootId, linkId, sourceId, inputId, rehearsal, range }) => ({
    ...{ shootId, linkId, sourceId, inputId, rehearsal, range },
  }),
  writeLists: (connection, owner, before, after) => steps.write(connection, owner, before?.steps ?? [], after.steps),
});
