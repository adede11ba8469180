import { sql } from "drizzle-orm";
import {
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import { AirLink } from "../../core/wireless";
import { type AirBody, type ConnectionBody, StepDone } from "../../core/records";
import { holds, referable, refersTo } from "./kept";
import { inShoot, keptInShoot } from "./shoot";

export const air = pgTable(
  "air",
  {
    ...keptInShoot,
    region: jsonb("region").$type<AirBody["region"]>().notNull(),
    rules: jsonb("rules").$type<AirBody["rules"]>().notNull(),
    systems: jsonb("systems").$type<AirBody["systems"]>().notNull(),
    scan: jsonb("scan").$type<NonNullable<AirBody["scan"]>>(),
  },
  (table) => [
    referable(table, "air"),
    inShoot("air_of_shoot", table),
    uniqueIndex("air_one_a_shoot")
      .on(table.shootId)
      .where(sql`deleted_at is null`),
  ],
);

/** One transmitter with its receiver. */
export const rfLink = pgTable(
  "rf_link",
  {
    airId: uuid("air_id").notNull(),
    shootId: uuid("shoot_id").notNull(),
    crewId: uuid("crew_id").notNull(),
    id: text("id").notNull(),
    position: integer("position").notNull(),
    wearerId: uuid("wearer_id"),
    name: text("name").notNull(),
    systemId: text("system_id").notNull(),
    zone: text("zone").notNull(),
    sceneIds: uuid("scene_ids").array().notNull(),
    frequencyMHz: doublePrecision("frequency_mhz"),
    isLocked: boolean("is_locked").notNull(),
    spareMHz: doublePrecision("spare_mhz"),
  },
  (table) => [
    primaryKey({ columns: [table.airId, table.id] }),
    refersTo("rf_link_of_air", table.airId, table, () => air, "cascade"),
    holds("rf_link", table.frequencyMHz, AirLink.properties.frequencyMHz),
    holds("rf_link", table.spareMHz, AirLink.properties.spareMHz),
  ],
);

export const connection = pgTable(
  "connection",
  {
    ...keptInShoot,
    linkId: text("link_id").notNull(),
    sourceId: text("source_id").notNull(),
    inputId: text("input_id").notNull(),
    rehearsal: jsonb("rehearsal").$type<NonNullable<ConnectionBody["rehearsal"]>>(),
    range: jsonb("range").$type<NonNullable<ConnectionBody["range"]>>(),
  },
  (table) => [
    index("connection_shoot").on(table.shootId, table.seq),
    referable(table, "connection"),
    inShoot("connection_of_shoot", table),
    uniqueIndex("connection_one_a_link")
      .on(table.shootId, table.linkId)
      .where(sql`deleted_at is null`),
  ],
);

/** A step of a link's walk that is done. */
export const stepDone = pgTable(
  "step_done",
  {
    connectionId: uuid("connection_id").notNull(),
    shootId: uuid("shoot_id").notNull(),
    crewId: uuid("crew_id").notNull(),
    position: integer("position").notNull(),
    step: text("step").$type<StepDone["step"]>().notNull(),
    how: text("how").$type<StepDone["how"]>().notNull(),
    at: text("at").notNull(),
    holdsFor: text("holds_for").notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.connectionId, table.step] }),
    refersTo("step_of_connection", table.connectionId, table, () => connection, "cascade"),
    holds("step_done", table.step, StepDone.properties.step),
    holds("step_done", table.how, StepDone.properties.how),
  ],
);
