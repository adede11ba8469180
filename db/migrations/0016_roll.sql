CREATE TABLE "mark" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"seq" bigint DEFAULT nextval('change_seq') NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"deleted_with" uuid,
	"shoot_id" uuid NOT NULL,
	"roll_id" uuid NOT NULL,
	"at_s" double precision NOT NULL,
	"kind" text NOT NULL,
	"track_id" text,
	"note" text NOT NULL,
	"source" text NOT NULL,
	"is_proposal" boolean NOT NULL,
	CONSTRAINT "mark_at_s" CHECK ("at_s" between 0 and 172800),
	CONSTRAINT "mark_source" CHECK ("source" in ('pressed', 'slate', 'heard'))
);
--> statement-breakpoint
CREATE TABLE "roll" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"seq" bigint DEFAULT nextval('change_seq') NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"deleted_with" uuid,
	"shoot_id" uuid NOT NULL,
	"scene_id" uuid,
	"day" integer NOT NULL,
	"slate" text NOT NULL,
	"take" integer NOT NULL,
	"type" text NOT NULL,
	"rating" text NOT NULL,
	"started_at" text NOT NULL,
	"zone_min" integer NOT NULL,
	"length_s" double precision,
	"file_name" text NOT NULL,
	"note" text NOT NULL,
	"counter" jsonb,
	"device" text NOT NULL,
	CONSTRAINT "roll_in_shoot" UNIQUE("id","shoot_id","crew_id"),
	CONSTRAINT "roll_day" CHECK ("day" between 1 and 365),
	CONSTRAINT "roll_take" CHECK ("take" between 1 and 9999),
	CONSTRAINT "roll_type" CHECK ("type" in ('take', 'pickUp', 'wild', 'roomTone', 'noSound', 'falseStart')),
	CONSTRAINT "roll_rating" CHECK ("rating" in ('none', 'good', 'hold', 'noGood')),
	CONSTRAINT "roll_zone_min" CHECK ("zone_min" between -900 and 900),
	CONSTRAINT "roll_length_s" CHECK ("length_s" between 0 and 172800)
);
--> statement-breakpoint
CREATE TABLE "roll_file" (
	"roll_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"crew_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"length_s" double precision NOT NULL,
	"hash" text,
	"is_sure" boolean NOT NULL,
	CONSTRAINT "roll_file_roll_id_name_pk" PRIMARY KEY("roll_id","name"),
	CONSTRAINT "roll_file_length_s" CHECK ("length_s" between 0 and 172800)
);
--> statement-breakpoint
CREATE TABLE "roll_setup" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"seq" bigint DEFAULT nextval('change_seq') NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"deleted_with" uuid,
	"shoot_id" uuid NOT NULL,
	"scheme" text NOT NULL,
	"counter" integer NOT NULL,
	"own_kinds" text[] NOT NULL,
	CONSTRAINT "roll_setup_counter" CHECK ("counter" between 0 and 999999)
);
--> statement-breakpoint
CREATE TABLE "roll_track" (
	"roll_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"crew_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"id" text NOT NULL,
	"name" text NOT NULL,
	"wearer_id" uuid,
	CONSTRAINT "roll_track_roll_id_id_pk" PRIMARY KEY("roll_id","id")
);
--> statement-breakpoint
ALTER TABLE "mark" ADD CONSTRAINT "mark_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mark" ADD CONSTRAINT "mark_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mark" ADD CONSTRAINT "mark_of_roll" FOREIGN KEY ("roll_id","shoot_id","crew_id") REFERENCES "public"."roll"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "roll" ADD CONSTRAINT "roll_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "roll" ADD CONSTRAINT "roll_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "roll" ADD CONSTRAINT "roll_in_scene" FOREIGN KEY ("scene_id","shoot_id","crew_id") REFERENCES "public"."scene"("id","shoot_id","crew_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "roll_file" ADD CONSTRAINT "file_of_roll" FOREIGN KEY ("roll_id","shoot_id","crew_id") REFERENCES "public"."roll"("id","shoot_id","crew_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "roll_setup" ADD CONSTRAINT "roll_setup_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "roll_setup" ADD CONSTRAINT "roll_setup_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "roll_track" ADD CONSTRAINT "track_of_roll" FOREIGN KEY ("roll_id","shoot_id","crew_id") REFERENCES "public"."roll"("id","shoot_id","crew_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "mark_shoot" ON "mark" USING btree ("shoot_id","seq");--> statement-breakpoint
CREATE INDEX "mark_roll" ON "mark" USING btree ("roll_id");--> statement-breakpoint
CREATE INDEX "roll_shoot" ON "roll" USING btree ("shoot_id","seq");--> statement-breakpoint
CREATE UNIQUE INDEX "roll_setup_one_a_shoot" ON "roll_setup" USING btree ("shoot_id") WHERE deleted_at is null;