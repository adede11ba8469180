import { sql } from "drizzle-orm";
import {
  bigint,
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
import { MeasurementBody, type TakeDetailBody } from "../../core/records";
import { holds, kept, referable, refersTo } from "./kept";
import { rig } from "./people";
import { scene } from "./places";
import { inShoot, keptInShoot } from "./shoot";

const ownRow = {
  id: uuid("id").primaryKey().defaultRandom(),
  crewId: kept.crewId,
  shootId: keptInShoot.shootId,
  createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
};

/** One time the camera and the recorder rolled; what was recorded of it are its files. */
export const take = pgTable("take", { ...ownRow, sceneId: uuid("scene_id").notNull() }, (table) => [
  index("take_shoot").on(table.shootId),
  referable(table, "take"),
  inShoot("take_of_shoot", table),
  refersTo("take_of_scene", table.sceneId, table, () => scene),
]);

/** A sound file, told from others by what it holds: hash, size and time reference. */
export const audioFile = pgTable(
  "audio_file",
  {
    ...ownRow,
    takeId: uuid("take_id").notNull(),
    name: text("name").notNull(),
    /** Null for files measured before contents were hashed: those are told apart by name and length. */
    hash: text("hash"),
    sizeBytes: bigint("size_bytes", { mode: "number" }),
    timeReference: bigint("time_reference", { mode: "number" }),
    format: jsonb("format").$type<MeasurementBody["file"]["format"]>().notNull(),
  },
  (table) => [
    referable(table, "audio_file"),
    inShoot("audio_file_of_shoot", table),
    refersTo("audio_file_of_take", table.takeId, table, () => take),
    uniqueIndex("audio_file_by_content")
      .on(table.shootId, table.hash, table.sizeBytes, sql`coalesce(time_reference, -1)`)
      .where(sql`hash is not null`),
    index("audio_file_by_name").on(table.shootId, table.name),
  ],
);

/** A file measured for one rig and judged by its plan: what lists and plans need. */
export const measurement = pgTable(
  "measurement",
  {
    ...keptInShoot,
    rigId: uuid("rig_id").notNull(),
    audioFileId: uuid("audio_file_id").notNull(),
    channel: integer("channel").notNull(),
    peakDbfs: doublePrecision("peak_dbfs"),
    speechDbfs: doublePrecision("speech_dbfs"),
    noiseDbfs: doublePrecision("noise_dbfs"),
    snrDb: doublePrecision("snr_db"),
    pitchHz: doublePrecision("pitch_hz"),
    planned: jsonb("planned").$type<MeasurementBody["planned"]>().notNull(),
    grade: text("grade").$type<MeasurementBody["grade"]>().notNull(),
    said: jsonb("said").$type<MeasurementBody["said"]>().notNull(),
  },
  (table) => [
    index("measurement_shoot").on(table.shootId, table.seq),
    index("measurement_rig").on(table.rigId),
    referable(table, "measurement"),
    inShoot("measurement_of_shoot", table),
    refersTo("measurement_of_rig", table.rigId, table, () => rig),
    refersTo("measurement_of_file", table.audioFileId, table, () => audioFile),
    uniqueIndex("measurement_one_a_file")
      .on(table.rigId, table.audioFileId)
      .where(sql`deleted_at is null`),
    holds("measurement", table.channel, MeasurementBody.properties.channel),
    holds("measurement", table.grade, MeasurementBody.properties.grade),
  ],
);

/** All that was measured of a take, and what was said of it: read when that take is looked at. */
export const takeDetail = pgTable(
  "take_detail",
  {
    ...keptInShoot,
    measurementId: uuid("measurement_id").notNull(),
    overall: jsonb("overall").$type<TakeDetailBody["overall"]>().notNull(),
    channels: jsonb("channels").$type<TakeDetailBody["channels"]>().notNull(),
    findings: jsonb("findings").$type<TakeDetailBody["findings"]>().notNull(),
    reviews: jsonb("reviews").$type<TakeDetailBody["reviews"]>().notNull(),
  },
  (table) => [
    inShoot("take_detail_of_shoot", table),
    refersTo("take_detail_of_measurement", table.measurementId, table, () => measurement),
    uniqueIndex("take_detail_one_a_measurement")
      .on(table.measurementId)
      .where(sql`deleted_at is null`),
  ],
);
