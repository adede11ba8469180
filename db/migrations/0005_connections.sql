CREATE TABLE "connection" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"link_id" text NOT NULL,
	"source_id" text NOT NULL,
	"input_id" text NOT NULL,
	"steps" jsonb NOT NULL,
	"rehearsal" jsonb,
	"range" jsonb
);
--> statement-breakpoint
CREATE TABLE "packing" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"lines" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "provision" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"cards_gb" jsonb NOT NULL,
	"has_float" boolean NOT NULL,
	"has_safety_tracks" boolean NOT NULL,
	"temperature_c" double precision NOT NULL,
	"pack_battery" jsonb NOT NULL,
	"recorder_battery" jsonb NOT NULL,
	"bank_wh" double precision,
	"listen_dba" double precision NOT NULL,
	"listen_hours" double precision NOT NULL
);
--> statement-breakpoint
ALTER TABLE "kit_item" ADD COLUMN "shoot_id" uuid;--> statement-breakpoint
ALTER TABLE "connection" ADD CONSTRAINT "connection_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "connection" ADD CONSTRAINT "connection_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "packing" ADD CONSTRAINT "packing_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "packing" ADD CONSTRAINT "packing_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "provision" ADD CONSTRAINT "provision_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "provision" ADD CONSTRAINT "provision_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "connection_shoot" ON "connection" USING btree ("shoot_id");--> statement-breakpoint
CREATE INDEX "packing_shoot" ON "packing" USING btree ("shoot_id");--> statement-breakpoint
CREATE INDEX "provision_shoot" ON "provision" USING btree ("shoot_id");--> statement-breakpoint
ALTER TABLE "kit_item" ADD CONSTRAINT "kit_item_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;