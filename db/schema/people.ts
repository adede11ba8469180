import { sql } from "drizzle-orm";
import {
  boolean,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  uniqueIndex,
  uuid,
  type AnyPgColumn,
} from "drizzle-orm/pg-core";
import {
  type Accessory,
  type Aims,
  type Choice,
  type Layer,
  type Outfit,
  type Performance,
  Person,
} from "../../core/dress";
import { type Consent, RigBody, WearerBody } from "../../core/records";
import { holds, referable, refersTo } from "./kept";
import { scene } from "./places";
import { inShoot, keptInShoot, kitItem } from "./shoot";

export const wearer = pgTable(
  "wearer",
  {
    ...keptInShoot,
    name: text("name").notNull(),
    heightM: doublePrecision("height_m").notNull(),
    voice: text("voice").$type<Person["voice"]>().notNull(),
    tapeAllergy: text("tape_allergy").$type<Person["tapeAllergy"]>().notNull(),
    hairyChest: text("hairy_chest").$type<Person["hairyChest"]>().notNull(),
    voiceOffsetDb: doublePrecision("voice_offset_db").notNull(),
    thread: integer("thread").notNull(),
    accessories: jsonb("accessories").$type<Accessory[]>().notNull(),
    hair: text("hair").$type<NonNullable<Person["hair"]>>(),
    isChild: boolean("is_child"),
    lower: text("lower").$type<NonNullable<Outfit["lower"]>>(),
    sides: jsonb("sides").$type<NonNullable<Outfit["sides"]>>(),
    colours: jsonb("colours").$type<NonNullable<Outfit["colours"]>>(),
  },
  (table) => [
    index("wearer_shoot").on(table.shootId, table.seq),
    referable(table, "wearer"),
    inShoot("wearer_of_shoot", table),
    holds("wearer", table.heightM, Person.properties.heightM),
    holds("wearer", table.voiceOffsetDb, WearerBody.properties.voiceOffsetDb),
    holds("wearer", table.thread, WearerBody.properties.thread),
  ],
);

export const outfitLayer = pgTable(
  "outfit_layer",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    wearerId: uuid("wearer_id")
      .notNull()
      .references(() => wearer.id, { onDelete: "cascade" }),
    /** 0 is next to the skin. */
    position: integer("position").notNull(),
    garment: text("garment").$type<Layer["garment"]>().notNull(),
    fabric: text("fabric").$type<Layer["fabric"]>().notNull(),
    fit: text("fit").$type<Layer["fit"]>().notNull(),
    opening: text("opening").$type<Layer["opening"]>().notNull(),
    pattern: text("pattern").$type<Layer["pattern"]>().notNull(),
    shade: text("shade").$type<Layer["shade"]>().notNull(),
    neckline: text("neckline").$type<Layer["neckline"]>().notNull(),
    hasLapels: boolean("has_lapels").notNull(),
  },
  (table) => [uniqueIndex("outfit_layer_position").on(table.wearerId, table.position)],
);

const ofKit = (name: string, column: AnyPgColumn, crewId: AnyPgColumn) =>
  foreignKey({ name, columns: [column, crewId], foreignColumns: [kitItem.id, kitItem.crewId] });

/** One person of a scene. */
export const rig = pgTable(
  "rig",
  {
    ...keptInShoot,
    wearerId: uuid("wearer_id").notNull(),
    sceneId: uuid("scene_id").notNull(),
    performance: jsonb("performance").$type<Performance>().notNull(),
    outfit: jsonb("outfit").$type<Outfit>(),
    aims: jsonb("aims").$type<Aims>().notNull(),
    choice: jsonb("choice").$type<Choice>(),
    packPlace: text("pack_place").$type<RigBody["packPlace"]>(),
    isRigged: boolean("is_rigged").notNull(),
    consent: jsonb("consent").$type<Consent>().notNull(),
    lavId: uuid("lav_id"),
    packId: uuid("pack_id"),
    receiverId: uuid("receiver_id"),
    inputId: uuid("input_id"),
    voiceTodayDb: doublePrecision("voice_today_db"),
    targetDbfs: doublePrecision("target_dbfs").notNull(),
    ceilingDbfs: doublePrecision("ceiling_dbfs").notNull(),
  },
  (table) => [
    index("rig_shoot").on(table.shootId, table.seq),
    index("rig_wearer").on(table.wearerId),
    index("rig_scene").on(table.sceneId),
    referable(table, "rig"),
    inShoot("rig_of_shoot", table),
    refersTo("rig_of_wearer", table.wearerId, table, () => wearer),
    refersTo("rig_of_scene", table.sceneId, table, () => scene),
    ofKit("rig_lav", table.lavId, table.crewId),
    ofKit("rig_pack", table.packId, table.crewId),
    ofKit("rig_receiver", table.receiverId, table.crewId),
    ofKit("rig_input", table.inputId, table.crewId),
    uniqueIndex("rig_one_a_scene")
      .on(table.wearerId, table.sceneId)
      .where(sql`deleted_at is null`),
    holds("rig", table.voiceTodayDb, RigBody.properties.voiceTodayDb),
    holds("rig", table.targetDbfs, RigBody.properties.targetDbfs),
    holds("rig", table.ceilingDbfs, RigBody.properties.ceilingDbfs),
  ],
);
