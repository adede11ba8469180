CREATE TABLE "pickup" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"scene_id" uuid NOT NULL,
	"setup" jsonb NOT NULL,
	"wishes" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "pickup" ADD CONSTRAINT "pickup_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pickup" ADD CONSTRAINT "pickup_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pickup" ADD CONSTRAINT "pickup_scene_id_scene_id_fk" FOREIGN KEY ("scene_id") REFERENCES "public"."scene"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "pickup_shoot" ON "pickup" USING btree ("shoot_id");