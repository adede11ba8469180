CREATE SEQUENCE "public"."change_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1;
--> statement-breakpoint
CREATE TABLE "noise" (
	"place_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"crew_id" uuid NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"level_dba" double precision,
	"distance_m" double precision NOT NULL,
	"bearing_deg" double precision NOT NULL,
	"barrier" text NOT NULL,
	"occurs" text NOT NULL,
	"per_hour" double precision NOT NULL,
	"lasts_s" double precision NOT NULL,
	"times" jsonb NOT NULL,
	"remedy" text,
	"is_done" boolean NOT NULL,
	"owner" text NOT NULL,
	CONSTRAINT "noise_place_id_id_pk" PRIMARY KEY("place_id","id")
);
--> statement-breakpoint
CREATE TABLE "placed_mic" (
	"pickup_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"crew_id" uuid NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"x_m" double precision NOT NULL,
	"y_m" double precision NOT NULL,
	"microphone" text NOT NULL,
	"pattern" text NOT NULL,
	"holder" text NOT NULL,
	"height_m" double precision NOT NULL,
	"aims_deg" double precision NOT NULL,
	"tilt_deg" double precision NOT NULL,
	"has_screen" boolean NOT NULL,
	"hands_m" double precision,
	CONSTRAINT "placed_mic_pickup_id_id_pk" PRIMARY KEY("pickup_id","id")
);
--> statement-breakpoint
CREATE TABLE "talker" (
	"pickup_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"crew_id" uuid NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"x_m" double precision NOT NULL,
	"y_m" double precision NOT NULL,
	"name" text NOT NULL,
	"wearer_id" uuid,
	"mouth_m" double precision NOT NULL,
	"faces_deg" double precision NOT NULL,
	"turns_deg" double precision NOT NULL,
	"effort" text NOT NULL,
	"path" jsonb NOT NULL,
	"is_instrument" boolean NOT NULL,
	CONSTRAINT "talker_pickup_id_id_pk" PRIMARY KEY("pickup_id","id")
);
--> statement-breakpoint
CREATE TABLE "rf_link" (
	"air_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"crew_id" uuid NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"wearer_id" uuid,
	"name" text NOT NULL,
	"system_id" text NOT NULL,
	"zone" text NOT NULL,
	"scene_ids" uuid[] NOT NULL,
	"frequency_mhz" double precision,
	"is_locked" boolean NOT NULL,
	"spare_mhz" double precision,
	CONSTRAINT "rf_link_air_id_id_pk" PRIMARY KEY("air_id","id")
);
--> statement-breakpoint
CREATE TABLE "step_done" (
	"connection_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"crew_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"step" text NOT NULL,
	"how" text NOT NULL,
	"at" text NOT NULL,
	"holds_for" text NOT NULL,
	CONSTRAINT "step_done_connection_id_step_pk" PRIMARY KEY("connection_id","step")
);
--> statement-breakpoint
CREATE TABLE "level_line" (
	"levels_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"crew_id" uuid NOT NULL,
	"subject" text NOT NULL,
	"position" integer NOT NULL,
	"input_id" text,
	"mic" jsonb,
	"target_dbfs" double precision,
	"ceiling_dbfs" double precision,
	"held" jsonb NOT NULL,
	"ticks" jsonb NOT NULL,
	"dynamics" jsonb,
	CONSTRAINT "level_line_levels_id_subject_pk" PRIMARY KEY("levels_id","subject")
);
--> statement-breakpoint
CREATE TABLE "packing_line" (
	"packing_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"crew_id" uuid NOT NULL,
	"key" text NOT NULL,
	"position" integer NOT NULL,
	"packed" integer NOT NULL,
	"is_back" boolean NOT NULL,
	CONSTRAINT "packing_line_packing_id_key_pk" PRIMARY KEY("packing_id","key")
);
--> statement-breakpoint
CREATE TABLE "audio_file" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"crew_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"take_id" uuid NOT NULL,
	"name" text NOT NULL,
	"hash" text,
	"size_bytes" bigint,
	"time_reference" bigint,
	"format" jsonb NOT NULL,
	CONSTRAINT "audio_file_in_shoot" UNIQUE("id","shoot_id","crew_id")
);
--> statement-breakpoint
CREATE TABLE "take" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"crew_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"scene_id" uuid NOT NULL,
	CONSTRAINT "take_in_shoot" UNIQUE("id","shoot_id","crew_id")
);
--> statement-breakpoint
CREATE TABLE "take_detail" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"seq" bigint DEFAULT nextval('change_seq') NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"deleted_with" uuid,
	"shoot_id" uuid NOT NULL,
	"measurement_id" uuid NOT NULL,
	"overall" jsonb NOT NULL,
	"channels" jsonb NOT NULL,
	"findings" jsonb NOT NULL,
	"reviews" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "command_done" (
	"key" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"digest" text NOT NULL,
	"outcome" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "history" (
	"id" bigint PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "history_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"crew_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"subject" text NOT NULL,
	"record_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"member" text NOT NULL,
	"before" jsonb,
	"after" jsonb,
	CONSTRAINT "history_subject" CHECK (subject in ('consent', 'take', 'verification'))
);
--> statement-breakpoint
ALTER TABLE "air" DROP CONSTRAINT "air_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "connection" DROP CONSTRAINT "connection_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "kit_item" DROP CONSTRAINT "kit_item_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "levels" DROP CONSTRAINT "levels_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "measurement" DROP CONSTRAINT "measurement_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "measurement" DROP CONSTRAINT "measurement_rig_id_rig_id_fk";
--> statement-breakpoint
ALTER TABLE "packing" DROP CONSTRAINT "packing_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "pickup" DROP CONSTRAINT "pickup_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "pickup" DROP CONSTRAINT "pickup_scene_id_scene_id_fk";
--> statement-breakpoint
ALTER TABLE "place" DROP CONSTRAINT "place_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "provision" DROP CONSTRAINT "provision_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "rig" DROP CONSTRAINT "rig_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "rig" DROP CONSTRAINT "rig_wearer_id_wearer_id_fk";
--> statement-breakpoint
ALTER TABLE "rig" DROP CONSTRAINT "rig_scene_id_scene_id_fk";
--> statement-breakpoint
ALTER TABLE "rig" DROP CONSTRAINT "rig_lav_id_kit_item_id_fk";
--> statement-breakpoint
ALTER TABLE "rig" DROP CONSTRAINT "rig_pack_id_kit_item_id_fk";
--> statement-breakpoint
ALTER TABLE "rig" DROP CONSTRAINT "rig_receiver_id_kit_item_id_fk";
--> statement-breakpoint
ALTER TABLE "rig" DROP CONSTRAINT "rig_input_id_kit_item_id_fk";
--> statement-breakpoint
ALTER TABLE "scene" DROP CONSTRAINT "scene_shoot_id_shoot_id_fk";
--> statement-breakpoint
ALTER TABLE "scene" DROP CONSTRAINT "scene_place_id_place_id_fk";
--> statement-breakpoint
ALTER TABLE "wearer" DROP CONSTRAINT "wearer_shoot_id_shoot_id_fk";
--> statement-breakpoint
DROP INDEX "air_shoot";
--> statement-breakpoint
DROP INDEX "levels_shoot";
--> statement-breakpoint
DROP INDEX "packing_shoot";
--> statement-breakpoint
DROP INDEX "provision_shoot";
--> statement-breakpoint
DROP INDEX "connection_shoot";
--> statement-breakpoint
DROP INDEX "kit_item_crew";
--> statement-breakpoint
DROP INDEX "measurement_shoot";
--> statement-breakpoint
DROP INDEX "pickup_shoot";
--> statement-breakpoint
DROP INDEX "place_shoot";
--> statement-breakpoint
DROP INDEX "rig_shoot";
--> statement-breakpoint
DROP INDEX "scene_shoot";
--> statement-breakpoint
DROP INDEX "wearer_shoot";
--> statement-breakpoint
ALTER TABLE "air" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "air" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "connection" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "connection" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "kit_item" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "kit_item" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "levels" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "levels" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "measurement" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "measurement" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "measurement" ADD COLUMN "audio_file_id" uuid;
--> statement-breakpoint
ALTER TABLE "measurement" ADD COLUMN "peak_dbfs" double precision;
--> statement-breakpoint
ALTER TABLE "measurement" ADD COLUMN "speech_dbfs" double precision;
--> statement-breakpoint
ALTER TABLE "measurement" ADD COLUMN "noise_dbfs" double precision;
--> statement-breakpoint
ALTER TABLE "measurement" ADD COLUMN "snr_db" double precision;
--> statement-breakpoint
ALTER TABLE "measurement" ADD COLUMN "pitch_hz" double precision;
--> statement-breakpoint
ALTER TABLE "packing" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "packing" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "pickup" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "pickup" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "place" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "place" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "provision" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "provision" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "rig" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "rig" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "scene" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "scene" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "shoot" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "shoot" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "wearer" ADD COLUMN "seq" bigint DEFAULT nextval('change_seq') NOT NULL;
--> statement-breakpoint
ALTER TABLE "wearer" ADD COLUMN "deleted_with" uuid;
--> statement-breakpoint
ALTER TABLE "air" ADD CONSTRAINT "air_in_shoot" UNIQUE("id","shoot_id","crew_id");
--> statement-breakpoint
ALTER TABLE "connection" ADD CONSTRAINT "connection_in_shoot" UNIQUE("id","shoot_id","crew_id");
--> statement-breakpoint
ALTER TABLE "kit_item" ADD CONSTRAINT "kit_item_of_crew" UNIQUE("id","crew_id");
--> statement-breakpoint
ALTER TABLE "levels" ADD CONSTRAINT "levels_in_shoot" UNIQUE("id","shoot_id","crew_id");
--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_in_shoot" UNIQUE("id","shoot_id","crew_id");
--> statement-breakpoint
ALTER TABLE "packing" ADD CONSTRAINT "packing_in_shoot" UNIQUE("id","shoot_id","crew_id");
--> statement-breakpoint
ALTER TABLE "pickup" ADD CONSTRAINT "pickup_in_shoot" UNIQUE("id","shoot_id","crew_id");
--> statement-breakpoint
ALTER TABLE "place" ADD CONSTRAINT "place_in_shoot" UNIQUE("id","shoot_id","crew_id");
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_in_shoot" UNIQUE("id","shoot_id","crew_id");
--> statement-breakpoint
ALTER TABLE "scene" ADD CONSTRAINT "scene_in_shoot" UNIQUE("id","shoot_id","crew_id");
--> statement-breakpoint
ALTER TABLE "shoot" ADD CONSTRAINT "shoot_of_crew" UNIQUE("id","crew_id");
--> statement-breakpoint
ALTER TABLE "wearer" ADD CONSTRAINT "wearer_in_shoot" UNIQUE("id","shoot_id","crew_id");
--> statement-breakpoint
INSERT INTO "noise" ("place_id", "shoot_id", "crew_id", "id", "position", "kind", "name", "level_dba", "distance_m", "bearing_deg", "barrier", "occurs", "per_hour", "lasts_s", "times", "remedy", "is_done", "owner")
SELECT r."id", r."shoot_id", r."crew_id", l.each->>'id', l.at - 1, l.each->>'kind', l.each->>'name', (l.each->>'levelDba')::double precision, (l.each->>'distanceM')::double precision, (l.each->>'bearingDeg')::double precision, l.each->>'barrier', l.each->>'occurs', (l.each->>'perHour')::double precision, (l.each->>'lastsS')::double precision, l.each->'times', l.each->>'remedy', (l.each->>'isDone')::boolean, l.each->>'owner'
FROM "place" r, jsonb_array_elements(coalesce(r."model"->'sources', '[]'::jsonb)) WITH ORDINALITY AS l(each, at)
ORDER BY r."created_at", r."id", l.at
ON CONFLICT DO NOTHING;
--> statement-breakpoint
UPDATE "place" SET "model" = "model" - 'sources';
--> statement-breakpoint
INSERT INTO "talker" ("pickup_id", "shoot_id", "crew_id", "id", "position", "x_m", "y_m", "name", "wearer_id", "mouth_m", "faces_deg", "turns_deg", "effort", "path", "is_instrument")
SELECT r."id", r."shoot_id", r."crew_id", l.each->>'id', row_number() OVER (ORDER BY r."created_at", r."id", l.at) - 1, (l.each->'at'->>'xM')::double precision, (l.each->'at'->>'yM')::double precision, l.each->>'name', (l.each->>'wearerId')::uuid, (l.each->>'mouthM')::double precision, (l.each->>'facesDeg')::double precision, (l.each->>'turnsDeg')::double precision, l.each->>'effort', l.each->'path', (l.each->>'isInstrument')::boolean
FROM "pickup" r, jsonb_array_elements(r."setup"->'talkers') WITH ORDINALITY AS l(each, at)
ORDER BY r."created_at", r."id", l.at
ON CONFLICT DO NOTHING;
--> statement-breakpoint
INSERT INTO "placed_mic" ("pickup_id", "shoot_id", "crew_id", "id", "position", "x_m", "y_m", "microphone", "pattern", "holder", "height_m", "aims_deg", "tilt_deg", "has_screen", "hands_m")
SELECT r."id", r."shoot_id", r."crew_id", l.each->>'id', row_number() OVER (ORDER BY r."created_at", r."id", l.at) - 1, (l.each->'at'->>'xM')::double precision, (l.each->'at'->>'yM')::double precision, l.each->>'microphone', l.each->>'pattern', l.each->>'holder', (l.each->>'heightM')::double precision, (l.each->>'aimsDeg')::double precision, (l.each->>'tiltDeg')::double precision, (l.each->>'hasScreen')::boolean, (l.each->>'handsM')::double precision
FROM "pickup" r, jsonb_array_elements(r."setup"->'mics') WITH ORDINALITY AS l(each, at)
ORDER BY r."created_at", r."id", l.at
ON CONFLICT DO NOTHING;
--> statement-breakpoint
INSERT INTO "rf_link" ("air_id", "shoot_id", "crew_id", "id", "position", "wearer_id", "name", "system_id", "zone", "scene_ids", "frequency_mhz", "is_locked", "spare_mhz")
SELECT coalesce((SELECT f."id" FROM "air" f WHERE f."deleted_at" IS NULL AND r."deleted_at" IS NULL AND f."shoot_id" = r."shoot_id" ORDER BY f."created_at", f."id" LIMIT 1), r."id"), r."shoot_id", r."crew_id", l.each->>'id', row_number() OVER (ORDER BY r."created_at", r."id", l.at) - 1, (l.each->>'wearerId')::uuid, l.each->>'name', l.each->>'systemId', l.each->>'zone', array(SELECT jsonb_array_elements_text(l.each->'sceneIds'))::uuid[], (l.each->>'frequencyMHz')::double precision, (l.each->>'isLocked')::boolean, (l.each->>'spareMHz')::double precision
FROM "air" r, jsonb_array_elements(r."links") WITH ORDINALITY AS l(each, at)
ORDER BY r."created_at", r."id", l.at
ON CONFLICT DO NOTHING;
--> statement-breakpoint
INSERT INTO "step_done" ("connection_id", "shoot_id", "crew_id", "position", "step", "how", "at", "holds_for")
SELECT coalesce((SELECT f."id" FROM "connection" f WHERE f."deleted_at" IS NULL AND r."deleted_at" IS NULL AND f."shoot_id" = r."shoot_id" AND f."link_id" = r."link_id" ORDER BY f."created_at", f."id" LIMIT 1), r."id"), r."shoot_id", r."crew_id", row_number() OVER (ORDER BY r."created_at", r."id", l.at) - 1, l.each->>'step', l.each->>'how', l.each->>'at', l.each->>'holdsFor'
FROM "connection" r, jsonb_array_elements(r."steps") WITH ORDINALITY AS l(each, at)
ORDER BY r."created_at", r."id", l.at
ON CONFLICT DO NOTHING;
--> statement-breakpoint
INSERT INTO "level_line" ("levels_id", "shoot_id", "crew_id", "subject", "position", "input_id", "mic", "target_dbfs", "ceiling_dbfs", "held", "ticks", "dynamics")
SELECT coalesce((SELECT f."id" FROM "levels" f WHERE f."deleted_at" IS NULL AND r."deleted_at" IS NULL AND f."shoot_id" = r."shoot_id" ORDER BY f."created_at", f."id" LIMIT 1), r."id"), r."shoot_id", r."crew_id", l.each->>'subject', row_number() OVER (ORDER BY r."created_at", r."id", l.at) - 1, l.each->>'inputId', nullif(l.each->'mic', 'null'::jsonb), (l.each->'targets'->>'targetDbfs')::double precision, (l.each->'targets'->>'ceilingDbfs')::double precision, l.each->'held', l.each->'ticks', nullif(l.each->'dynamics', 'null'::jsonb)
FROM "levels" r, jsonb_array_elements(r."lines") WITH ORDINALITY AS l(each, at)
ORDER BY r."created_at", r."id", l.at
ON CONFLICT DO NOTHING;
--> statement-breakpoint
INSERT INTO "packing_line" ("packing_id", "shoot_id", "crew_id", "key", "position", "packed", "is_back")
SELECT coalesce((SELECT f."id" FROM "packing" f WHERE f."deleted_at" IS NULL AND r."deleted_at" IS NULL AND f."shoot_id" = r."shoot_id" ORDER BY f."created_at", f."id" LIMIT 1), r."id"), r."shoot_id", r."crew_id", l.each->>'key', row_number() OVER (ORDER BY r."created_at", r."id", l.at) - 1, (l.each->>'packed')::integer, (l.each->>'isBack')::boolean
FROM "packing" r, jsonb_array_elements(r."lines") WITH ORDINALITY AS l(each, at)
ORDER BY r."created_at", r."id", l.at
ON CONFLICT DO NOTHING;
--> statement-breakpoint
UPDATE "air" SET "deleted_at" = now(), "version" = "version" + 1 WHERE "deleted_at" IS NULL AND "id" NOT IN (
	SELECT DISTINCT ON ("shoot_id") "id" FROM "air" WHERE "deleted_at" IS NULL ORDER BY "shoot_id", "created_at", "id");
--> statement-breakpoint
UPDATE "levels" SET "deleted_at" = now(), "version" = "version" + 1 WHERE "deleted_at" IS NULL AND "id" NOT IN (
	SELECT DISTINCT ON ("shoot_id") "id" FROM "levels" WHERE "deleted_at" IS NULL ORDER BY "shoot_id", "created_at", "id");
--> statement-breakpoint
UPDATE "packing" SET "deleted_at" = now(), "version" = "version" + 1 WHERE "deleted_at" IS NULL AND "id" NOT IN (
	SELECT DISTINCT ON ("shoot_id") "id" FROM "packing" WHERE "deleted_at" IS NULL ORDER BY "shoot_id", "created_at", "id");
--> statement-breakpoint
UPDATE "provision" SET "deleted_at" = now(), "version" = "version" + 1 WHERE "deleted_at" IS NULL AND "id" NOT IN (
	SELECT DISTINCT ON ("shoot_id") "id" FROM "provision" WHERE "deleted_at" IS NULL ORDER BY "shoot_id", "created_at", "id");
--> statement-breakpoint
UPDATE "connection" SET "deleted_at" = now(), "version" = "version" + 1 WHERE "deleted_at" IS NULL AND "id" NOT IN (
	SELECT DISTINCT ON ("shoot_id", "link_id") "id" FROM "connection" WHERE "deleted_at" IS NULL ORDER BY "shoot_id", "link_id", "created_at", "id");
--> statement-breakpoint
UPDATE "pickup" SET "deleted_at" = now(), "version" = "version" + 1 WHERE "deleted_at" IS NULL AND "id" NOT IN (
	SELECT DISTINCT ON ("scene_id") "id" FROM "pickup" WHERE "deleted_at" IS NULL ORDER BY "scene_id", "created_at", "id");
--> statement-breakpoint
UPDATE "rig" SET "deleted_at" = now(), "version" = "version" + 1 WHERE "deleted_at" IS NULL AND "id" NOT IN (
	SELECT DISTINCT ON ("wearer_id", "scene_id") "id" FROM "rig" WHERE "deleted_at" IS NULL ORDER BY "wearer_id", "scene_id", "created_at", "id");
--> statement-breakpoint
CREATE TEMPORARY TABLE "measured" AS
SELECT m."id", m."shoot_id", m."crew_id", m."created_at", r."scene_id", m."recording"->>'file' AS "name", m."recording"->'format' AS "format",
	dense_rank() OVER (ORDER BY m."shoot_id", r."scene_id", m."recording"->>'file', m."recording"->'format'->>'durationS') AS "file"
FROM "measurement" m JOIN "rig" r ON r."id" = m."rig_id";
--> statement-breakpoint
CREATE TEMPORARY TABLE "measured_file" AS
SELECT DISTINCT ON ("file") "file", gen_random_uuid() AS "take_id", gen_random_uuid() AS "id", "shoot_id", "crew_id", "created_at", "scene_id", "name", "format"
FROM "measured" ORDER BY "file", "created_at";
--> statement-breakpoint
INSERT INTO "take" ("id", "crew_id", "shoot_id", "created_at", "scene_id")
SELECT "take_id", "crew_id", "shoot_id", "created_at", "scene_id" FROM "measured_file";
--> statement-breakpoint
INSERT INTO "audio_file" ("id", "crew_id", "shoot_id", "created_at", "take_id", "name", "time_reference", "format")
SELECT "id", "crew_id", "shoot_id", "created_at", "take_id", "name",
	round(("format"->>'startedAtS')::numeric * ("format"->>'sampleRateHz')::numeric)::bigint, "format"
FROM "measured_file";
--> statement-breakpoint
UPDATE "measurement" SET "audio_file_id" = f."id"
FROM "measured" m JOIN "measured_file" f ON f."file" = m."file" WHERE m."id" = "measurement"."id";
--> statement-breakpoint
UPDATE "measurement" SET
	"peak_dbfs" = coalesce((c->>'voicePeakDbfs')::double precision, (c->>'samplePeakDbfs')::double precision),
	"speech_dbfs" = (c->>'speechLevelDbfs')::double precision,
	"noise_dbfs" = (c->>'noiseFloorDbfs')::double precision,
	"snr_db" = (c->>'snrDb')::double precision,
	"pitch_hz" = (c->>'pitchHz')::double precision
FROM (SELECT "id" AS "of", jsonb_array_elements("recording"->'channels') AS c FROM "measurement") AS channels
WHERE "of" = "id" AND (c->>'index')::integer = "channel";
--> statement-breakpoint
INSERT INTO "take_detail" ("id", "crew_id", "version", "created_at", "changed_at", "deleted_at", "shoot_id", "measurement_id", "overall", "channels", "findings", "reviews")
SELECT gen_random_uuid(), "crew_id", "version", "created_at", "changed_at", "deleted_at", "shoot_id", "id", "recording"->'overall', "recording"->'channels', "recording"->'findings', "reviews"
FROM "measurement";
--> statement-breakpoint
UPDATE "measurement" SET "deleted_at" = now(), "version" = "version" + 1 WHERE "deleted_at" IS NULL AND "id" NOT IN (
	SELECT DISTINCT ON ("rig_id", "audio_file_id") "id" FROM "measurement" WHERE "deleted_at" IS NULL ORDER BY "rig_id", "audio_file_id", "changed_at" DESC, "id");
--> statement-breakpoint
UPDATE "take_detail" SET "deleted_at" = m."deleted_at" FROM "measurement" m WHERE m."id" = "measurement_id";
--> statement-breakpoint
DROP TABLE "measured_file";
--> statement-breakpoint
DROP TABLE "measured";
--> statement-breakpoint
ALTER TABLE "measurement" ALTER COLUMN "audio_file_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "air" DROP COLUMN "links";
--> statement-breakpoint
ALTER TABLE "connection" DROP COLUMN "steps";
--> statement-breakpoint
ALTER TABLE "levels" DROP COLUMN "lines";
--> statement-breakpoint
ALTER TABLE "measurement" DROP COLUMN "recording";
--> statement-breakpoint
ALTER TABLE "measurement" DROP COLUMN "reviews";
--> statement-breakpoint
ALTER TABLE "packing" DROP COLUMN "lines";
--> statement-breakpoint
ALTER TABLE "pickup" DROP COLUMN "setup";
--> statement-breakpoint
ALTER TABLE "noise" ADD CONSTRAINT "noise_of_place" FOREIGN KEY ("place_id","shoot_id","crew_id") REFERENCES "public"."place"("id","shoot_id","crew_id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "placed_mic" ADD CONSTRAINT "mic_of_pickup" FOREIGN KEY ("pickup_id","shoot_id","crew_id") REFERENCES "public"."pickup"("id","shoot_id","crew_id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "talker" ADD CONSTRAINT "talker_of_pickup" FOREIGN KEY ("pickup_id","shoot_id","crew_id") REFERENCES "public"."pickup"("id","shoot_id","crew_id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "rf_link" ADD CONSTRAINT "rf_link_of_air" FOREIGN KEY ("air_id","shoot_id","crew_id") REFERENCES "public"."air"("id","shoot_id","crew_id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "step_done" ADD CONSTRAINT "step_of_connection" FOREIGN KEY ("connection_id","shoot_id","crew_id") REFERENCES "public"."connection"("id","shoot_id","crew_id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "level_line" ADD CONSTRAINT "line_of_levels" FOREIGN KEY ("levels_id","shoot_id","crew_id") REFERENCES "public"."levels"("id","shoot_id","crew_id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "packing_line" ADD CONSTRAINT "line_of_packing" FOREIGN KEY ("packing_id","shoot_id","crew_id") REFERENCES "public"."packing"("id","shoot_id","crew_id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "audio_file" ADD CONSTRAINT "audio_file_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "audio_file" ADD CONSTRAINT "audio_file_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "audio_file" ADD CONSTRAINT "audio_file_of_take" FOREIGN KEY ("take_id","shoot_id","crew_id") REFERENCES "public"."take"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "take" ADD CONSTRAINT "take_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "take" ADD CONSTRAINT "take_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "take" ADD CONSTRAINT "take_of_scene" FOREIGN KEY ("scene_id","shoot_id","crew_id") REFERENCES "public"."scene"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "take_detail" ADD CONSTRAINT "take_detail_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "take_detail" ADD CONSTRAINT "take_detail_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "take_detail" ADD CONSTRAINT "take_detail_of_measurement" FOREIGN KEY ("measurement_id","shoot_id","crew_id") REFERENCES "public"."measurement"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "command_done" ADD CONSTRAINT "command_done_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "history" ADD CONSTRAINT "history_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "air" ADD CONSTRAINT "air_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "connection" ADD CONSTRAINT "connection_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "kit_item" ADD CONSTRAINT "kit_item_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "levels" ADD CONSTRAINT "levels_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_of_rig" FOREIGN KEY ("rig_id","shoot_id","crew_id") REFERENCES "public"."rig"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_of_file" FOREIGN KEY ("audio_file_id","shoot_id","crew_id") REFERENCES "public"."audio_file"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "packing" ADD CONSTRAINT "packing_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "pickup" ADD CONSTRAINT "pickup_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "pickup" ADD CONSTRAINT "pickup_of_scene" FOREIGN KEY ("scene_id","shoot_id","crew_id") REFERENCES "public"."scene"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "place" ADD CONSTRAINT "place_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "provision" ADD CONSTRAINT "provision_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_of_wearer" FOREIGN KEY ("wearer_id","shoot_id","crew_id") REFERENCES "public"."wearer"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_of_scene" FOREIGN KEY ("scene_id","shoot_id","crew_id") REFERENCES "public"."scene"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_lav" FOREIGN KEY ("lav_id","crew_id") REFERENCES "public"."kit_item"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_pack" FOREIGN KEY ("pack_id","crew_id") REFERENCES "public"."kit_item"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_receiver" FOREIGN KEY ("receiver_id","crew_id") REFERENCES "public"."kit_item"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_input" FOREIGN KEY ("input_id","crew_id") REFERENCES "public"."kit_item"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "scene" ADD CONSTRAINT "scene_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "scene" ADD CONSTRAINT "scene_at_place" FOREIGN KEY ("place_id","shoot_id","crew_id") REFERENCES "public"."place"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "wearer" ADD CONSTRAINT "wearer_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
CREATE UNIQUE INDEX "audio_file_by_content" ON "audio_file" USING btree ("shoot_id","hash","size_bytes",coalesce(time_reference, -1)) WHERE hash is not null;
--> statement-breakpoint
CREATE INDEX "audio_file_by_name" ON "audio_file" USING btree ("shoot_id","name");
--> statement-breakpoint
CREATE INDEX "take_shoot" ON "take" USING btree ("shoot_id");
--> statement-breakpoint
CREATE UNIQUE INDEX "take_detail_one_a_measurement" ON "take_detail" USING btree ("measurement_id") WHERE deleted_at is null;
--> statement-breakpoint
CREATE INDEX "command_done_at" ON "command_done" USING btree ("at");
--> statement-breakpoint
CREATE INDEX "history_record" ON "history" USING btree ("record_id");
--> statement-breakpoint
CREATE INDEX "history_shoot" ON "history" USING btree ("shoot_id");
--> statement-breakpoint
CREATE UNIQUE INDEX "air_one_a_shoot" ON "air" USING btree ("shoot_id") WHERE deleted_at is null;
--> statement-breakpoint
CREATE UNIQUE INDEX "connection_one_a_link" ON "connection" USING btree ("shoot_id","link_id") WHERE deleted_at is null;
--> statement-breakpoint
CREATE UNIQUE INDEX "levels_one_a_shoot" ON "levels" USING btree ("shoot_id") WHERE deleted_at is null;
--> statement-breakpoint
CREATE INDEX "measurement_rig" ON "measurement" USING btree ("rig_id");
--> statement-breakpoint
CREATE UNIQUE INDEX "measurement_one_a_file" ON "measurement" USING btree ("rig_id","audio_file_id") WHERE deleted_at is null;
--> statement-breakpoint
CREATE UNIQUE INDEX "packing_one_a_shoot" ON "packing" USING btree ("shoot_id") WHERE deleted_at is null;
--> statement-breakpoint
CREATE UNIQUE INDEX "pickup_one_a_scene" ON "pickup" USING btree ("scene_id") WHERE deleted_at is null;
--> statement-breakpoint
CREATE UNIQUE INDEX "provision_one_a_shoot" ON "provision" USING btree ("shoot_id") WHERE deleted_at is null;
--> statement-breakpoint
CREATE INDEX "rig_wearer" ON "rig" USING btree ("wearer_id");
--> statement-breakpoint
CREATE INDEX "rig_scene" ON "rig" USING btree ("scene_id");
--> statement-breakpoint
CREATE UNIQUE INDEX "rig_one_a_scene" ON "rig" USING btree ("wearer_id","scene_id") WHERE deleted_at is null;
--> statement-breakpoint
CREATE INDEX "connection_shoot" ON "connection" USING btree ("shoot_id","seq");
--> statement-breakpoint
CREATE INDEX "kit_item_crew" ON "kit_item" USING btree ("crew_id","seq");
--> statement-breakpoint
CREATE INDEX "measurement_shoot" ON "measurement" USING btree ("shoot_id","seq");
--> statement-breakpoint
CREATE INDEX "pickup_shoot" ON "pickup" USING btree ("shoot_id","seq");
--> statement-breakpoint
CREATE INDEX "place_shoot" ON "place" USING btree ("shoot_id","seq");
--> statement-breakpoint
CREATE INDEX "rig_shoot" ON "rig" USING btree ("shoot_id","seq");
--> statement-breakpoint
CREATE INDEX "scene_shoot" ON "scene" USING btree ("shoot_id","seq");
--> statement-breakpoint
CREATE INDEX "wearer_shoot" ON "wearer" USING btree ("shoot_id","seq");
--> statement-breakpoint
ALTER TABLE "kit_item" ADD CONSTRAINT "kit_item_kind" CHECK ("kind" in ('lav', 'pack', 'receiver', 'input', 'source', 'socket', 'lead', 'stock', 'extra')) NOT VALID;
--> statement-breakpoint
ALTER TABLE "levels" ADD CONSTRAINT "levels_school" CHECK ("school" in ('own', 'minus12', 'below6', 'threeQuarters', 'average20')) NOT VALID;
--> statement-breakpoint
ALTER TABLE "levels" ADD CONSTRAINT "levels_meter_bottom_dbfs" CHECK ("meter_bottom_dbfs" between -90 and -20) NOT VALID;
--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_channel" CHECK ("channel" between 0 and 63) NOT VALID;
--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_grade" CHECK ("grade" in ('good', 'usable', 'redo')) NOT VALID;
--> statement-breakpoint
ALTER TABLE "provision" ADD CONSTRAINT "provision_file_limit" CHECK ("file_limit" in ('2 GB', '2 GiB', '4 GB', '4 GiB')) NOT VALID;
--> statement-breakpoint
ALTER TABLE "provision" ADD CONSTRAINT "provision_temperature_c" CHECK ("temperature_c" between -30 and 50) NOT VALID;
--> statement-breakpoint
ALTER TABLE "provision" ADD CONSTRAINT "provision_recorder_tracks" CHECK ("recorder_tracks" between 1 and 128) NOT VALID;
--> statement-breakpoint
ALTER TABLE "provision" ADD CONSTRAINT "provision_bank_wh" CHECK ("bank_wh" between 1 and 1000) NOT VALID;
--> statement-breakpoint
ALTER TABLE "provision" ADD CONSTRAINT "provision_listen_dba" CHECK ("listen_dba" between 60 and 120) NOT VALID;
--> statement-breakpoint
ALTER TABLE "provision" ADD CONSTRAINT "provision_listen_hours" CHECK ("listen_hours" between 0 and 16) NOT VALID;
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_voice_today_db" CHECK ("voice_today_db" between -40 and 40) NOT VALID;
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_target_dbfs" CHECK ("target_dbfs" between -40 and -1) NOT VALID;
--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_ceiling_dbfs" CHECK ("ceiling_dbfs" between -30 and 0) NOT VALID;
--> statement-breakpoint
ALTER TABLE "scene" ADD CONSTRAINT "scene_day" CHECK ("day" between 1 and 365) NOT VALID;
--> statement-breakpoint
ALTER TABLE "scene" ADD CONSTRAINT "scene_length_min" CHECK ("length_min" between 1 and 720) NOT VALID;
--> statement-breakpoint
ALTER TABLE "scene" ADD CONSTRAINT "scene_take_min" CHECK ("take_min" between 0.2 and 240) NOT VALID;
--> statement-breakpoint
ALTER TABLE "shoot" ADD CONSTRAINT "shoot_days" CHECK ("days" between 1 and 365) NOT VALID;
--> statement-breakpoint
ALTER TABLE "shoot" ADD CONSTRAINT "shoot_units" CHECK ("units" in ('metric', 'imperial')) NOT VALID;
--> statement-breakpoint
ALTER TABLE "shoot" ADD CONSTRAINT "shoot_frame_rate" CHECK ("frame_rate" in (23.976, 24, 25, 29.97, 30, 48, 50, 59.94, 60)) NOT VALID;
--> statement-breakpoint
ALTER TABLE "shoot" ADD CONSTRAINT "shoot_delivery" CHECK ("delivery" in ('picture', 'radio', 'own')) NOT VALID;
--> statement-breakpoint
ALTER TABLE "shoot" ADD CONSTRAINT "shoot_sample_rate_hz" CHECK ("sample_rate_hz" in (44100, 48000, 88200, 96000)) NOT VALID;
--> statement-breakpoint
ALTER TABLE "shoot" ADD CONSTRAINT "shoot_bits_per_sample" CHECK ("bits_per_sample" in (16, 24, 32)) NOT VALID;
--> statement-breakpoint
ALTER TABLE "wearer" ADD CONSTRAINT "wearer_height_m" CHECK ("height_m" between 0.8 and 2.3) NOT VALID;
--> statement-breakpoint
ALTER TABLE "wearer" ADD CONSTRAINT "wearer_voice_offset_db" CHECK ("voice_offset_db" between -15 and 15) NOT VALID;
--> statement-breakpoint
ALTER TABLE "wearer" ADD CONSTRAINT "wearer_thread" CHECK ("thread" between 0 and 7) NOT VALID;
--> statement-breakpoint
ALTER TABLE "noise" ADD CONSTRAINT "noise_level_dba" CHECK ("level_dba" between 0 and 130) NOT VALID;
--> statement-breakpoint
ALTER TABLE "noise" ADD CONSTRAINT "noise_distance_m" CHECK ("distance_m" between 0.2 and 20000) NOT VALID;
--> statement-breakpoint
ALTER TABLE "noise" ADD CONSTRAINT "noise_bearing_deg" CHECK ("bearing_deg" between 0 and 359) NOT VALID;
--> statement-breakpoint
ALTER TABLE "noise" ADD CONSTRAINT "noise_per_hour" CHECK ("per_hour" between 0 and 600) NOT VALID;
--> statement-breakpoint
ALTER TABLE "noise" ADD CONSTRAINT "noise_lasts_s" CHECK ("lasts_s" between 0 and 3600) NOT VALID;
--> statement-breakpoint
ALTER TABLE "placed_mic" ADD CONSTRAINT "placed_mic_height_m" CHECK ("height_m" between 0 and 10) NOT VALID;
--> statement-breakpoint
ALTER TABLE "placed_mic" ADD CONSTRAINT "placed_mic_tilt_deg" CHECK ("tilt_deg" between -90 and 90) NOT VALID;
--> statement-breakpoint
ALTER TABLE "talker" ADD CONSTRAINT "talker_mouth_m" CHECK ("mouth_m" between 0.2 and 2.3) NOT VALID;
--> statement-breakpoint
ALTER TABLE "talker" ADD CONSTRAINT "talker_turns_deg" CHECK ("turns_deg" between 0 and 90) NOT VALID;
--> statement-breakpoint
ALTER TABLE "rf_link" ADD CONSTRAINT "rf_link_frequency_mhz" CHECK ("frequency_mhz" between 1 and 7000) NOT VALID;
--> statement-breakpoint
ALTER TABLE "rf_link" ADD CONSTRAINT "rf_link_spare_mhz" CHECK ("spare_mhz" between 1 and 7000) NOT VALID;
--> statement-breakpoint
ALTER TABLE "step_done" ADD CONSTRAINT "step_done_step" CHECK ("step" in ('reset', 'scan', 'bank', 'sync', 'confirm', 'connect', 'unlink', 'arm', 'tap', 'line')) NOT VALID;
--> statement-breakpoint
ALTER TABLE "step_done" ADD CONSTRAINT "step_done_how" CHECK ("how" in ('real', 'rehearsed')) NOT VALID;
--> statement-breakpoint
ALTER TABLE "level_line" ADD CONSTRAINT "level_line_target_dbfs" CHECK ("target_dbfs" between -40 and -1) NOT VALID;
--> statement-breakpoint
ALTER TABLE "level_line" ADD CONSTRAINT "level_line_ceiling_dbfs" CHECK ("ceiling_dbfs" between -30 and 0) NOT VALID;
--> statement-breakpoint
ALTER TABLE "packing_line" ADD CONSTRAINT "packing_line_packed" CHECK ("packed" between 0 and 999) NOT VALID;
--> statement-breakpoint
CREATE FUNCTION "history_stays"() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'history is only added to'; END $$;
--> statement-breakpoint
CREATE TRIGGER "history_stays" BEFORE UPDATE OR DELETE ON "history" FOR EACH ROW EXECUTE FUNCTION "history_stays"();
