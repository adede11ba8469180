CREATE TABLE "delivery" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"seq" bigint DEFAULT nextval('change_seq') NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	"deleted_with" uuid,
	"shoot_id" uuid NOT NULL,
	"day" integer NOT NULL,
	"at" text NOT NULL,
	"folder" text NOT NULL,
	"takes" integer NOT NULL,
	"files" integer NOT NULL,
	"bytes" bigint NOT NULL,
	"faults" integer NOT NULL,
	"manifest" text NOT NULL,
	CONSTRAINT "delivery_day" CHECK ("day" between 1 and 365),
	CONSTRAINT "delivery_takes" CHECK ("takes" between 0 and 100000),
	CONSTRAINT "delivery_files" CHECK ("files" between 0 and 1000000),
	CONSTRAINT "delivery_bytes" CHECK ("bytes" between 0 and 9007199254740991),
	CONSTRAINT "delivery_faults" CHECK ("faults" between 0 and 1000000)
);
--> statement-breakpoint
ALTER TABLE "delivery" ADD CONSTRAINT "delivery_crew_id_crew_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crew"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "delivery" ADD CONSTRAINT "delivery_of_shoot" FOREIGN KEY ("shoot_id","crew_id") REFERENCES "public"."shoot"("id","crew_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "delivery_shoot" ON "delivery" USING btree ("shoot_id","seq");--> statement-breakpoint
CREATE UNIQUE INDEX "delivery_one_a_day" ON "delivery" USING btree ("shoot_id","day") WHERE deleted_at is null;