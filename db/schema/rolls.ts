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
import { MarkBody, RollBody, RollFile, RollSetupBody } from "../../core/records";
import { holds, referable, refersTo } from "./kept";
import { scene } from "./places";
import { inShoot, keptInShoot } from "./shoot";

const { properties: rollFields } = RollBody;

/** One start and stop of the recorder, as it was logged; what was measured of its files is kept beside it. */
export const roll = pgTable(
  "roll",
  {
    ...keptInShoot,
    sceneId: uuid("scene_id"),
    day: integer("day").notNull(),
    slate: text("slate").notNull(),
    take: integer("take").notNull(),
    type: text("type").$type<RollBody["type"]>().notNull(),
    rating: text("rating").$type<RollBody["rating"]>().notNull(),
    /** As the device that logged it wrote it, to the millisecond. */
    startedAt: text("started_at").notNull(),
    zoneMin: integer("zone_min").notNull(),
    lengthS: doublePrecision("length_s"),
    fileName: text("file_name").notNull(),
    note: text("note").notNull(),
    counter: jsonb("counter").$type<NonNullable<RollBody["counter"]>>(),
    device: text("device").notNull(),
  },
  (table) => [
    index("roll_shoot").on(table.shootId, table.seq),
    referable(table, "roll"),
    inShoot("roll_of_shoot", table),
    refersTo("roll_in_scene", table.sceneId, table, () => scene),
    holds("roll", table.day, rollFields.day),
    holds("roll", table.take, rollFields.take),
    holds("roll", table.type, rollFields.type),
    holds("roll", table.rating, rollFields.rating),
    holds("roll", table.zoneMin, rollFields.zoneMin),
    holds("roll", table.lengthS, rollFields.lengthS),
  ],
);

const ofRoll = {
  rollId: uuid("roll_id").notNull(),
  shootId: uuid("shoot_id").notNull(),
  crewId: uuid("crew_id").notNull(),
  position: integer("position").notNull(),
};

/** A track of a take, as it was planned when it began. */
export const rollTrack = pgTable(
  "roll_track",
  { ...ofRoll, id: text("id").notNull(), name: text("name").notNull(), wearerId: uuid("wearer_id") },
  (table) => [
    primaryKey({ columns: [table.rollId, table.id] }),
    refersTo("track_of_roll", table.rollId, table, () => roll, "cascade"),
  ],
);

/** A file of the card that belongs to a take. */
export const rollFile = pgTable(
  "roll_file",
  {
    ...ofRoll,
    name: text("name").notNull(),
    lengthS: doublePrecision("length_s").notNull(),
    hash: text("hash"),
    isSure: boolean("is_sure").notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.rollId, table.name] }),
    refersTo("file_of_roll", table.rollId, table, () => roll, "cascade"),
    holds("roll_file", table.lengthS, RollFile.properties.lengthS),
  ],
);

/** Something noted at a moment of a take. */
export const mark = pgTable(
  "mark",
  {
    ...keptInShoot,
    rollId: uuid("roll_id").notNull(),
    atS: doublePrecision("at_s").notNull(),
    kind: text("kind").notNull(),
    trackId: text("track_id"),
    note: text("note").notNull(),
    source: text("source").$type<MarkBody["source"]>().notNull(),
    isProposal: boolean("is_proposal").notNull(),
  },
  (table) => [
    index("mark_shoot").on(table.shootId, table.seq),
    index("mark_roll").on(table.rollId),
    inShoot("mark_of_shoot", table),
    refersTo("mark_of_roll", table.rollId, table, () => roll),
    holds("mark", table.atS, MarkBody.properties.atS),
    holds("mark", table.source, MarkBody.properties.source),
  ],
);

/** How takes are named and marked; one for a shoot. */
export const rollSetup = pgTable(
  "roll_setup",
  {
    ...keptInShoot,
    scheme: text("scheme").notNull(),
    counter: integer("counter").notNull(),
    ownKinds: text("own_kinds").array().notNull(),
  },
  (table) => [
    inShoot("roll_setup_of_shoot", table),
    uniqueIndex("roll_setup_one_a_shoot")
      .on(table.shootId)
      .where(sql`deleted_at is null`),
    holds("roll_setup", table.counter, RollSetupBody.properties.counter),
  ],
);
