CREATE TABLE "air" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"shoot_id" uuid NOT NULL,
	"region" jsonb NOT NULL,
	"rules" jsonb NOT NULL,
	"systems" jsonb NOT NULL,
	"links" jsonb NOT NULL,
	"scan" jsonb
);
--> statement-breakpoint
ALTER TABLE "air" ADD CONSTRAINT "air_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "air" ADD CONSTRAINT "air_shoot_id_shoot_id_fk" FOREIGN KEY ("shoot_id") REFERENCES "public"."shoot"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "air_shoot" ON "air" USING btree ("shoot_id");