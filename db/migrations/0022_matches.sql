CREATE TABLE "match" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"seq" bigint DEFAULT nextval('change_seq') NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"deleted_with" uuid,
	"shoot_id" uuid NOT NULL,
	"picture" text NOT NULL,
	"picture_s" double precision NOT NULL,
	"sound" text NOT NULL,
	"sound_s" double precision NOT NULL,
	"sample_rate_hz" integer NOT NULL,
	"sound_start_s" double precision,
	"offset_s" double precision NOT NULL,
	"nudge_s" double precision NOT NULL,
	"drift_ppm" double precision,
	"confidence" double precision NOT NULL,
	"is_inverted" boolean NOT NULL,
	CONSTRAINT "match_picture_s" CHECK ("picture_s" between 0 and 86400),
	CONSTRAINT "match_sound_s" CHECK ("sound_s" between 0 and 86400),
	CONSTRAINT "match_sample_rate_hz" CHECK ("sample_rate_hz" between 0 and 384000),
	CONSTRAINT "match_sound_start_s" CHECK ("sound_start_s" between 0 and 86400),
	CONSTRAINT "match_offset_s" CHECK ("offset_s" between -86400 and 86400),
	CONSTRAINT "match_nudge_s" CHECK ("nudge_s" between -86400 and 86400),
	CONSTRAINT "match_drift_ppm" CHECK ("drift_ppm" between -1000 and 1000),
	CONSTRAINT "match_confidence" CHECK ("confidence" between 0 and 1)
);
--> statement-breakpoint
ALTER TABLE "match" ADD CONSTRAINT "match_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "match" ADD CONSTRAINT "match_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "match_shoot" ON "match" USING btree ("shoot_id","seq");--> statement-breakpoint
CREATE UNIQUE INDEX "match_one_a_pair" ON "match" USING btree ("shoot_id","picture","sound") WHERE deleted_at is null;