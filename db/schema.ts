import {
  boolean,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import type { AnyKitFigures, KitKind } from "../core/connect/kitItems";
import type { Aims } from "../core/dress/aims";
import type { Choice } from "../core/dress/choice";
import type { Accessory, Layer, Outfit, Performance, Person } from "../core/dress/outfit";
import type {
  AirBody,
  ConnectionBody,
  Consent,
  LevelsBody,
  MeasurementBody,
  PackingBody,
  PickupBody,
  ProvisionBody,
  RigBody,
  ShootBody,
} from "../core/shoot/records";
import type { PlaceModel } from "../core/room/placeModel";
import type { RecordingMeasurement } from "../core/check/measurement";

/** What every stored record carries: whose it is, its version, when it changed, and whether it was deleted. */
const kept = {
  id: uuid("id").primaryKey(),
  crewId: uuid("crew_id")
    .notNull()
    .references(() => crew.id),
  version: integer("version").notNull().default(1),
  createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
  changedAt: timestamp("changed_at", { withTimezone: true }).notNull().defaultNow(),
  deletedAt: timestamp("deleted_at", { withTimezone: true }),
};

export const crew = pgTable("crew", {
  id: uuid("id").primaryKey().defaultRandom(),
  name: text("name").notNull(),
  /** The crew of an installation without accounts; at most one. */
  isLocal: boolean("is_local").notNull().default(false),
  createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
});

export const shoot = pgTable(
  "shoot",
  {
    ...kept,
    title: text("title").notNull(),
    firstDay: date("first_day").notNull(),
    days: integer("days").notNull(),
    units: text("units").$type<ShootBody["units"]>().notNull(),
    frameRate: doublePrecision("frame_rate").$type<ShootBody["frameRate"]>().notNull(),
    delivery: text("delivery").$type<ShootBody["delivery"]>().notNull(),
    sampleRateHz: integer("sample_rate_hz").$type<ShootBody["sampleRateHz"]>().notNull(),
    bitsPerSample: integer("bits_per_sample").$type<ShootBody["bitsPerSample"]>().notNull(),
  },
  (table) => [index("shoot_crew").on(table.crewId)],
);

const ofShoot = () =>
  uuid("shoot_id")
    .notNull()
    .references(() => shoot.id);

export const place = pgTable(
  "place",
  { ...kept, shootId: ofShoot(), name: text("name").notNull(), model: jsonb("model").$type<PlaceModel>().notNull() },
  (table) => [index("place_shoot").on(table.shootId)],
);

export const scene = pgTable(
  "scene",
  {
    ...kept,
    shootId: ofShoot(),
    title: text("title").notNull(),
    placeId: uuid("place_id").references(() => place.id),
    day: integer("day").notNull(),
    startsAt: text("starts_at").notNull(),
    lengthMin: doublePrecision("length_min").notNull(),
    takeMin: doublePrecision("take_min").notNull(),
  },
  (table) => [index("scene_shoot").on(table.shootId)],
);

export const wearer = pgTable(
  "wearer",
  {
    ...kept,
    shootId: ofShoot(),
    name: text("name").notNull(),
    heightM: doublePrecision("height_m").notNull(),
    voice: text("voice").$type<Person["voice"]>().notNull(),
    tapeAllergy: text("tape_allergy").$type<Person["tapeAllergy"]>().notNull(),
    hairyChest: text("hairy_chest").$type<Person["hairyChest"]>().notNull(),
    voiceOffsetDb: doublePrecision("voice_offset_db").notNull(),
    thread: integer("thread").notNull(),
    accessories: jsonb("accessories").$type<Accessory[]>().notNull(),
  },
  (table) => [index("wearer_shoot").on(table.shootId)],
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

export const kitItem = pgTable(
  "kit_item",
  {
    ...kept,
    shootId: uuid("shoot_id").references(() => shoot.id),
    kind: text("kind").$type<KitKind>().notNull(),
    name: text("name").notNull(),
    figures: jsonb("figures").$type<AnyKitFigures>().notNull(),
  },
  (table) => [index("kit_item_crew").on(table.crewId)],
);

export const rig = pgTable(
  "rig",
  {
    ...kept,
    shootId: ofShoot(),
    wearerId: uuid("wearer_id")
      .notNull()
      .references(() => wearer.id),
    sceneId: uuid("scene_id")
      .notNull()
      .references(() => scene.id),
    performance: jsonb("performance").$type<Performance>().notNull(),
    outfit: jsonb("outfit").$type<Outfit>(),
    aims: jsonb("aims").$type<Aims>().notNull(),
    choice: jsonb("choice").$type<Choice>(),
    packPlace: text("pack_place").$type<RigBody["packPlace"]>(),
    isRigged: boolean("is_rigged").notNull(),
    consent: jsonb("consent").$type<Consent>().notNull(),
    lavId: uuid("lav_id").references(() => kitItem.id),
    packId: uuid("pack_id").references(() => kitItem.id),
    receiverId: uuid("receiver_id").references(() => kitItem.id),
    inputId: uuid("input_id").references(() => kitItem.id),
    voiceTodayDb: doublePrecision("voice_today_db"),
    targetDbfs: doublePrecision("target_dbfs").notNull(),
    ceilingDbfs: doublePrecision("ceiling_dbfs").notNull(),
  },
  (table) => [index("rig_shoot").on(table.shootId)],
);

export const air = pgTable(
  "air",
  {
    ...kept,
    shootId: ofShoot(),
    region: jsonb("region").$type<AirBody["region"]>().notNull(),
    rules: jsonb("rules").$type<AirBody["rules"]>().notNull(),
    systems: jsonb("systems").$type<AirBody["systems"]>().notNull(),
    links: jsonb("links").$type<AirBody["links"]>().notNull(),
    scan: jsonb("scan").$type<AirBody["scan"]>(),
  },
  (table) => [index("air_shoot").on(table.shootId)],
);

export const connection = pgTable(
  "connection",
  {
    ...kept,
    shootId: ofShoot(),
    linkId: text("link_id").notNull(),
    sourceId: text("source_id").notNull(),
    inputId: text("input_id").notNull(),
    steps: jsonb("steps").$type<ConnectionBody["steps"]>().notNull(),
    rehearsal: jsonb("rehearsal").$type<ConnectionBody["rehearsal"]>(),
    range: jsonb("range").$type<ConnectionBody["range"]>(),
  },
  (table) => [index("connection_shoot").on(table.shootId)],
);

export const packing = pgTable(
  "packing",
  {
    ...kept,
    shootId: ofShoot(),
    lines: jsonb("lines").$type<PackingBody["lines"]>().notNull(),
  },
  (table) => [index("packing_shoot").on(table.shootId)],
);

export const provision = pgTable(
  "provision",
  {
    ...kept,
    shootId: ofShoot(),
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
  (table) => [index("provision_shoot").on(table.shootId)],
);

export const levels = pgTable(
  "levels",
  {
    ...kept,
    shootId: ofShoot(),
    school: text("school").$type<LevelsBody["school"]>().notNull(),
    meterBottomDbfs: doublePrecision("meter_bottom_dbfs").notNull(),
    lines: jsonb("lines").$type<LevelsBody["lines"]>().notNull(),
  },
  (table) => [index("levels_shoot").on(table.shootId)],
);

export const pickup = pgTable(
  "pickup",
  {
    ...kept,
    shootId: ofShoot(),
    sceneId: uuid("scene_id")
      .notNull()
      .references(() => scene.id),
    setup: jsonb("setup").$type<PickupBody["setup"]>().notNull(),
    wishes: jsonb("wishes").$type<PickupBody["wishes"]>().notNull(),
  },
  (table) => [index("pickup_shoot").on(table.shootId)],
);

export const measurement = pgTable(
  "measurement",
  {
    ...kept,
    shootId: ofShoot(),
    rigId: uuid("rig_id")
      .notNull()
      .references(() => rig.id),
    channel: integer("channel").notNull(),
    recording: jsonb("recording").$type<RecordingMeasurement>().notNull(),
    planned: jsonb("planned").$type<MeasurementBody["planned"]>().notNull(),
    grade: text("grade").$type<MeasurementBody["grade"]>().notNull(),
    sentence: text("sentence").notNull(),
    correction: text("correction").notNull(),
    reviews: jsonb("reviews").$type<MeasurementBody["reviews"]>().notNull().default([]),
    redress: text("redress").notNull().default(""),
  },
  (table) => [index("measurement_shoot").on(table.shootId)],
);
