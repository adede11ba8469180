CREATE TABLE "levels" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"school" text NOT NULL,
	"meter_bottom_dbfs" double precision NOT NULL,
	"lines" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "provision" ADD COLUMN "recorder_tracks" integer;--> statement-breakpoint
ALTER TABLE "rig" ADD COLUMN "voice_today_db" double precision;--> statement-breakpoint
ALTER TABLE "levels" ADD CONSTRAINT "levels_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "levels" ADD CONSTRAINT "levels_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "levels_shoot" ON "levels" USING btree ("shoot_id");