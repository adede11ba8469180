import { sql } from "drizzle-orm";
import {
  boolean,
  doublePrecision,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import {
  CEILING_RANGE_DBFS,
  type LevelLine,
  LevelsBody,
  PackingBody,
  ProvisionBody,
  TARGET_RANGE_DBFS,
} from "../../core/records";
import { holds, referable, refersTo } from "./kept";
import { inShoot, keptInShoot } from "./shoot";

export const packing = pgTable("packing", { ...keptInShoot }, (table) => [
  referable(table, "packing"),
  inShoot("packing_of_shoot", table),
  uniqueIndex("packing_one_a_shoot")
    .on(table.shootId)
    .where(sql`deleted_at is null`),
]);

/** How many of a thing are in the bag, and whether they are back. */
export const packingLine = pgTable(
  "packing_line",
  {
    packingId: uuid("packing_id").notNull(),
    shootId: uuid("shoot_id").notNull(),
    crewId: uuid("crew_id").notNull(),
    key: text("key").notNull(),
    position: integer("position").notNull(),
    packed: integer("packed").notNull(),
    isBack: boolean("is_back").notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.packingId, table.key] }),
    refersTo("line_of_packing", table.packingId, table, () => packing, "cascade"),
    holds("packing_line", table.packed, PackingBody.properties.lines.items.properties.packed),
  ],
);

const { properties: provisionFields } = ProvisionBody;

export const provision = pgTable(
  "provision",
  {
    ...keptInShoot,
    cardsGb: jsonb("cards_gb").$type<ProvisionBody["cardsGb"]>().notNull(),
    fileLimit: text("file_limit").$type<NonNullable<ProvisionBody["fileLimit"]>>().notNull().default("4 GiB"),
    hasFloat: boolean("has_float").notNull(),
    hasSafetyTracks: boolean("has_safety_tracks").notNull(),
    temperatureC: doublePrecision("temperature_c").notNull(),
    packBattery: jsonb("pack_battery").$type<ProvisionBody["packBattery"]>().notNull(),
    recorderBattery: jsonb("recorder_battery").$type<ProvisionBody["recorderBattery"]>().notNull(),
    recorderTracks: integer("recorder_tracks"),
    hasMains: boolean("has_mains").notNull().default(false),
    bankWh: doublePrecision("bank_wh"),
    listenDba: doublePrecision("listen_dba").notNull(),
    listenHours: doublePrecision("listen_hours").notNull(),
  },
  (table) => [
    inShoot("provision_of_shoot", table),
    uniqueIndex("provision_one_a_shoot")
      .on(table.shootId)
      .where(sql`deleted_at is null`),
    holds("provision", table.fileLimit, provisionFields.fileLimit),
    holds("provision", table.temperatureC, provisionFields.temperatureC),
    holds("provision", table.recorderTracks, provisionFields.recorderTracks),
    holds("provision", table.bankWh, provisionFields.bankWh),
    holds("provision", table.listenDba, provisionFields.listenDba),
    holds("provision", table.listenHours, provisionFields.listenHours),
  ],
);

export const levels = pgTable(
  "levels",
  {
    ...keptInShoot,
    school: text("school").$type<LevelsBody["school"]>().notNull(),
    meterBottomDbfs: doublePrecision("meter_bottom_dbfs").notNull(),
  },
  (table) => [
    referable(table, "levels"),
    inShoot("levels_of_shoot", table),
    uniqueIndex("levels_one_a_shoot")
      .on(table.shootId)
      .where(sql`deleted_at is null`),
    holds("levels", table.school, LevelsBody.properties.school),
    holds("levels", table.meterBottomDbfs, LevelsBody.properties.meterBottomDbfs),
  ],
);

/** What is set, and decided, at one way from a voice to the file. */
export const levelLine = pgTable(
  "level_line",
  {
    levelsId: uuid("levels_id").notNull(),
    shootId: uuid("shoot_id").notNull(),
    crewId: uuid("crew_id").notNull(),
    subject: text("subject").notNull(),
    position: integer("position").notNull(),
    inputId: text("input_id"),
    mic: jsonb("mic").$type<NonNullable<LevelLine["mic"]>>(),
    /** Both or neither. */
    targetDbfs: doublePrecision("target_dbfs"),
    ceilingDbfs: doublePrecision("ceiling_dbfs"),
    held: jsonb("held").$type<LevelLine["held"]>().notNull(),
    ticks: jsonb("ticks").$type<LevelLine["ticks"]>().notNull(),
    dynamics: jsonb("dynamics").$type<NonNullable<LevelLine["dynamics"]>>(),
  },
  (table) => [
    primaryKey({ columns: [table.levelsId, table.subject] }),
    refersTo("line_of_levels", table.levelsId, table, () => levels, "cascade"),
    holds("level_line", table.targetDbfs, TARGET_RANGE_DBFS),
    holds("level_line", table.ceilingDbfs, CEILING_RANGE_DBFS),
  ],
);
