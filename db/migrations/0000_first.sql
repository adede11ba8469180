CREATE TABLE "crew" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"is_local" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "kit_item" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"figures" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "measurement" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"rig_id" uuid NOT NULL,
	"channel" integer NOT NULL,
	"recording" jsonb NOT NULL,
	"planned" jsonb NOT NULL,
	"grade" text NOT NULL,
	"sentence" text NOT NULL,
	"correction" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "outfit_layer" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"wearer_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"garment" text NOT NULL,
	"fabric" text NOT NULL,
	"fit" text NOT NULL,
	"opening" text NOT NULL,
	"pattern" text NOT NULL,
	"shade" text NOT NULL,
	"neckline" text NOT NULL,
	"has_lapels" boolean NOT NULL
);
--> statement-breakpoint
CREATE TABLE "place" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"name" text NOT NULL,
	"model" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rig" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"wearer_id" uuid NOT NULL,
	"scene_id" uuid NOT NULL,
	"performance" jsonb NOT NULL,
	"outfit" jsonb,
	"aims" jsonb NOT NULL,
	"choice" jsonb,
	"pack_place" text,
	"is_rigged" boolean NOT NULL,
	"consent" jsonb NOT NULL,
	"lav_id" uuid,
	"pack_id" uuid,
	"receiver_id" uuid,
	"input_id" uuid,
	"is_set" boolean NOT NULL,
	"target_dbfs" double precision NOT NULL,
	"ceiling_dbfs" double precision NOT NULL
);
--> statement-breakpoint
CREATE TABLE "scene" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"title" text NOT NULL,
	"place_id" uuid,
	"day" integer NOT NULL,
	"starts_at" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "shoot" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"title" text NOT NULL,
	"first_day" date NOT NULL,
	"days" integer NOT NULL,
	"units" text NOT NULL,
	"frame_rate" double precision NOT NULL,
	"delivery" text NOT NULL,
	"sample_rate_hz" integer NOT NULL,
	"bits_per_sample" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "wearer" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"name" text NOT NULL,
	"height_m" double precision NOT NULL,
	"voice" text NOT NULL,
	"tape_allergy" text NOT NULL,
	"hairy_chest" text NOT NULL,
	"voice_offset_db" double precision NOT NULL,
	"thread" integer NOT NULL,
	"accessories" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "kit_item" ADD CONSTRAINT "kit_item_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measurement" ADD CONSTRAINT "measurement_rig_id_rig_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rig"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "outfit_layer" ADD CONSTRAINT "outfit_layer_wearer_id_wearer_id_fk" FOREIGN KEY ("wearer_id") REFERENCES "public"."wearer"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "place" ADD CONSTRAINT "place_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "place" ADD CONSTRAINT "place_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_wearer_id_wearer_id_fk" FOREIGN KEY ("wearer_id") REFERENCES "public"."wearer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_scene_id_scene_id_fk" FOREIGN KEY ("scene_id") REFERENCES "public"."scene"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_lav_id_kit_item_id_fk" FOREIGN KEY ("lav_id") REFERENCES "public"."kit_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_pack_id_kit_item_id_fk" FOREIGN KEY ("pack_id") REFERENCES "public"."kit_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_receiver_id_kit_item_id_fk" FOREIGN KEY ("receiver_id") REFERENCES "public"."kit_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rig" ADD CONSTRAINT "rig_input_id_kit_item_id_fk" FOREIGN KEY ("input_id") REFERENCES "public"."kit_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "scene" ADD CONSTRAINT "scene_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "scene" ADD CONSTRAINT "scene_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "scene" ADD CONSTRAINT "scene_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shoot" ADD CONSTRAINT "shoot_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "wearer" ADD CONSTRAINT "wearer_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "wearer" ADD CONSTRAINT "wearer_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "kit_item_crew" ON "kit_item" USING btree ("crew_id");--> statement-breakpoint
CREATE INDEX "measurement_shoot" ON "measurement" USING btree ("shoot_id");--> statement-breakpoint
CREATE UNIQUE INDEX "outfit_layer_position" ON "outfit_layer" USING btree ("wearer_id","position");--> statement-breakpoint
CREATE INDEX "place_shoot" ON "place" USING btree ("shoot_id");--> statement-breakpoint
CREATE INDEX "rig_shoot" ON "rig" USING btree ("shoot_id");--> statement-breakpoint
CREATE INDEX "scene_shoot" ON "scene" USING btree ("shoot_id");--> statement-breakpoint
CREATE INDEX "shoot_crew" ON "shoot" USING btree ("crew_id");--> statement-breakpoint
CREATE INDEX "wearer_shoot" ON "wearer" USING btree ("shoot_id");