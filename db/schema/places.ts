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
import { NoiseSource } from "../../core/noise";
import { PlacedMic, Talker } from "../../core/pickup";
import type { PlaceModel } from "../../core/room";
import { type PickupBody, SceneBody } from "../../core/records";
import { holds, referable, refersTo } from "./kept";
import { inShoot, keptInShoot } from "./shoot";

export const place = pgTable(
  "place",
  {
    ...keptInShoot,
    name: text("name").notNull(),
    /** Its noises are rows of their own. */
    model: jsonb("model").$type<Omit<PlaceModel, "sources">>().notNull(),
  },
  (table) => [
    index("place_shoot").on(table.shootId, table.seq),
    referable(table, "place"),
    inShoot("place_of_shoot", table),
  ],
);

const { properties: noiseFields } = NoiseSource;

export const noise = pgTable(
  "noise",
  {
    placeId: uuid("place_id").notNull(),
    shootId: uuid("shoot_id").notNull(),
    crewId: uuid("crew_id").notNull(),
    id: text("id").notNull(),
    position: integer("position").notNull(),
    kind: text("kind").$type<NoiseSource["kind"]>().notNull(),
    name: text("name").notNull(),
    levelDba: doublePrecision("level_dba"),
    distanceM: doublePrecision("distance_m").notNull(),
    bearingDeg: doublePrecision("bearing_deg").notNull(),
    barrier: text("barrier").$type<NoiseSource["barrier"]>().notNull(),
    occurs: text("occurs").$type<NoiseSource["occurs"]>().notNull(),
    perHour: doublePrecision("per_hour").notNull(),
    lastsS: doublePrecision("lasts_s").notNull(),
    times: jsonb("times").$type<NoiseSource["times"]>().notNull(),
    remedy: text("remedy").$type<NonNullable<NoiseSource["remedy"]>>(),
    isDone: boolean("is_done").notNull(),
    owner: text("owner").notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.placeId, table.id] }),
    refersTo("noise_of_place", table.placeId, table, () => place, "cascade"),
    holds("noise", table.levelDba, noiseFields.levelDba),
    holds("noise", table.distanceM, noiseFields.distanceM),
    holds("noise", table.bearingDeg, noiseFields.bearingDeg),
    holds("noise", table.perHour, noiseFields.perHour),
    holds("noise", table.lastsS, noiseFields.lastsS),
  ],
);

export const scene = pgTable(
  "scene",
  {
    ...keptInShoot,
    title: text("title").notNull(),
    placeId: uuid("place_id"),
    day: integer("day").notNull(),
    startsAt: text("starts_at").notNull(),
    lengthMin: doublePrecision("length_min").notNull(),
    takeMin: doublePrecision("take_min").notNull(),
  },
  (table) => [
    index("scene_shoot").on(table.shootId, table.seq),
    referable(table, "scene"),
    inShoot("scene_of_shoot", table),
    refersTo("scene_at_place", table.placeId, table, () => place),
    holds("scene", table.day, SceneBody.properties.day),
    holds("scene", table.lengthMin, SceneBody.properties.lengthMin),
    holds("scene", table.takeMin, SceneBody.properties.takeMin),
  ],
);

export const pickup = pgTable(
  "pickup",
  {
    ...keptInShoot,
    sceneId: uuid("scene_id").notNull(),
    wishes: jsonb("wishes").$type<PickupBody["wishes"]>().notNull(),
  },
  (table) => [
    index("pickup_shoot").on(table.shootId, table.seq),
    referable(table, "pickup"),
    inShoot("pickup_of_shoot", table),
    refersTo("pickup_of_scene", table.sceneId, table, () => scene),
    uniqueIndex("pickup_one_a_scene")
      .on(table.sceneId)
      .where(sql`deleted_at is null`),
  ],
);

const ofPickup = {
  pickupId: uuid("pickup_id").notNull(),
  shootId: uuid("shoot_id").notNull(),
  crewId: uuid("crew_id").notNull(),
  id: text("id").notNull(),
  position: integer("position").notNull(),
  xM: doublePrecision("x_m").notNull(),
  yM: doublePrecision("y_m").notNull(),
};

/** Who talks, or sounds, where in a scene. */
export const talker = pgTable(
  "talker",
  {
    ...ofPickup,
    name: text("name").notNull(),
    wearerId: uuid("wearer_id"),
    mouthM: doublePrecision("mouth_m").notNull(),
    facesDeg: doublePrecision("faces_deg").notNull(),
    turnsDeg: doublePrecision("turns_deg").notNull(),
    effort: text("effort").$type<Talker["effort"]>().notNull(),
    path: jsonb("path").$type<Talker["path"]>().notNull(),
    isInstrument: boolean("is_instrument").notNull(),
    holds: text("holds").$type<NonNullable<Talker["holds"]>>(),
  },
  (table) => [
    primaryKey({ columns: [table.pickupId, table.id] }),
    refersTo("talker_of_pickup", table.pickupId, table, () => pickup, "cascade"),
    holds("talker", table.mouthM, Talker.properties.mouthM),
    holds("talker", table.turnsDeg, Talker.properties.turnsDeg),
  ],
);

/** A microphone that stands, hangs or is held in a scene. */
export const placedMic = pgTable(
  "placed_mic",
  {
    ...ofPickup,
    microphone: text("microphone").$type<PlacedMic["microphone"]>().notNull(),
    pattern: text("pattern").$type<PlacedMic["pattern"]>().notNull(),
    holder: text("holder").$type<PlacedMic["holder"]>().notNull(),
    heightM: doublePrecision("height_m").notNull(),
    aimsDeg: doublePrecision("aims_deg").notNull(),
    tiltDeg: doublePrecision("tilt_deg").notNull(),
    hasScreen: boolean("has_screen").notNull(),
    handsM: doublePrecision("hands_m"),
    cover: text("cover").$type<NonNullable<PlacedMic["cover"]>>(),
  },
  (table) => [
    primaryKey({ columns: [table.pickupId, table.id] }),
    refersTo("mic_of_pickup", table.pickupId, table, () => pickup, "cascade"),
    holds("placed_mic", table.heightM, PlacedMic.properties.heightM),
    holds("placed_mic", table.tiltDeg, PlacedMic.properties.tiltDeg),
  ],
);
