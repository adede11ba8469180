CREATE TABLE "shared_link" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"shoot_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"rig_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"made_by" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "shared_link_token_hash_unique" UNIQUE("token_hash"),
	CONSTRAINT "shared_link_kind" CHECK ("shared_link"."kind" in ('talent'))
);
--> statement-breakpoint
ALTER TABLE "shared_link" ADD CONSTRAINT "shared_link_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shared_link" ADD CONSTRAINT "shared_link_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "shared_link_shoot" ON "shared_link" USING btree ("shoot_id","crew_id");