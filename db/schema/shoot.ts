import {
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  unique,
  uuid,
  type AnyPgColumn,
} from "drizzle-orm/pg-core";
import { type AnyKitFigures, KIT_KINDS, type KitKind } from "../../core/devices";
import { ShootBody } from "../../core/records";
import { holds, kept } from "./kept";

/** A record of a shoot of the same crew. */
export const inShoot = (name: string, table: { shootId: AnyPgColumn; crewId: AnyPgColumn }) =>
  foreignKey({
    name,
    columns: [table.shootId, table.crewId],
    get foreignColumns(): [AnyPgColumn, AnyPgColumn] {
      return [shoot.id, shoot.crewId];
    },
  });

/** What a record of a shoot carries. */
export const keptInShoot = { ...kept, shootId: uuid("shoot_id").notNull() };

export const shoot = pgTable(
  "shoot",
  {
    ...kept,
    title: text("title").notNull(),
    firstDay: date("first_day").notNull(),
    days: integer("days").notNull(),
    units: text("units").$type<ShootBody["units"]>().notNull(),
    clock: text("clock").$type<ShootBody["clock"]>().notNull().default("24"),
    frameRate: doublePrecision("frame_rate").$type<ShootBody["frameRate"]>().notNull(),
    delivery: text("delivery").$type<ShootBody["delivery"]>().notNull(),
    sampleRateHz: integer("sample_rate_hz").$type<ShootBody["sampleRateHz"]>().notNull(),
    bitsPerSample: integer("bits_per_sample").$type<ShootBody["bitsPerSample"]>().notNull(),
  },
  (table) => [
    index("shoot_crew").on(table.crewId),
    unique("shoot_of_crew").on(table.id, table.crewId),
    holds("shoot", table.days, ShootBody.properties.days),
    holds("shoot", table.units, ShootBody.properties.units),
    holds("shoot", table.clock, ShootBody.properties.clock),
    holds("shoot", table.frameRate, ShootBody.properties.frameRate),
    holds("shoot", table.delivery, ShootBody.properties.delivery),
    holds("shoot", table.sampleRateHz, ShootBody.properties.sampleRateHz),
    holds("shoot", table.bitsPerSample, ShootBody.properties.bitsPerSample),
  ],
);

export const kitItem = pgTable(
  "kit_item",
  {
    ...kept,
    /** Null: the crew's own, for every shoot. */
    shootId: uuid("shoot_id"),
    kind: text("kind").$type<KitKind>().notNull(),
    name: text("name").notNull(),
    figures: jsonb("figures").$type<AnyKitFigures>().notNull(),
  },
  (table) => [
    index("kit_item_crew").on(table.crewId, table.seq),
    unique("kit_item_of_crew").on(table.id, table.crewId),
    inShoot("kit_item_of_shoot", table),
    holds("kit_item", table.kind, { enum: KIT_KINDS }),
  ],
);
