import { sql } from "drizzle-orm";
import { bigint, index, integer, pgTable, text, uniqueIndex } from "drizzle-orm/pg-core";
import { DeliveryBody } from "../../core/records";
import { holds } from "./kept";
import { inShoot, keptInShoot } from "./shoot";

const { properties: fields } = DeliveryBody;

/** A day's sound as it was handed over. */
export const delivery = pgTable(
  "delivery",
  {
    ...keptInShoot,
    day: integer("day").notNull(),
    at: text("at").notNull(),
    folder: text("folder").notNull(),
    takes: integer("takes").notNull(),
    files: integer("files").notNull(),
    bytes: bigint("bytes", { mode: "number" }).notNull(),
    faults: integer("faults").notNull(),
    manifest: text("manifest").notNull(),
  },
  (table) => [
    index("delivery_shoot").on(table.shootId, table.seq),
    inShoot("delivery_of_shoot", table),
    uniqueIndex("delivery_one_a_day")
      .on(table.shootId, table.day)
      .where(sql`deleted_at is null`),
    holds("delivery", table.day, fields.day),
    holds("delivery", table.takes, fields.takes),
    holds("delivery", table.files, fields.files),
    holds("delivery", table.bytes, fields.bytes),
    holds("delivery", table.faults, fields.faults),
  ],
);
