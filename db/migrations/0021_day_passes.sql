CREATE TABLE "passkey" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text,
	"public_key" text NOT NULL,
	"person_id" text NOT NULL,
	"credential_id" text NOT NULL,
	"counter" integer NOT NULL,
	"device_type" text NOT NULL,
	"backed_up" boolean NOT NULL,
	"transports" text,
	"aaguid" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "passkey_credential_id_unique" UNIQUE("credential_id")
);
--> statement-breakpoint
ALTER TABLE "shared_link" DROP CONSTRAINT "shared_link_kind";--> statement-breakpoint
ALTER TABLE "shared_link" ALTER COLUMN "rig_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "crew_member" ADD COLUMN "chosen_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "crew_member" ADD COLUMN "pass_id" uuid;--> statement-breakpoint
ALTER TABLE "crew_member" ADD COLUMN "until" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "invitation" ADD COLUMN "kind" text DEFAULT 'member' NOT NULL;--> statement-breakpoint
ALTER TABLE "shared_link" ADD COLUMN "day" integer;--> statement-breakpoint
ALTER TABLE "passkey" ADD CONSTRAINT "passkey_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "passkey_person" ON "passkey" USING btree ("person_id");--> statement-breakpoint
ALTER TABLE "crew_member" ADD CONSTRAINT "crew_member_pass_id_invitation_id_fk" FOREIGN KEY ("pass_id") REFERENCES "public"."invitation"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_kind" CHECK ("invitation"."kind" in ('member', 'day'));--> statement-breakpoint
ALTER TABLE "shared_link" ADD CONSTRAINT "shared_link_rig" CHECK (("shared_link"."kind" = 'talent') = ("shared_link"."rig_id" is not null));--> statement-breakpoint
ALTER TABLE "shared_link" ADD CONSTRAINT "shared_link_kind" CHECK ("shared_link"."kind" in ('talent', 'callSheet', 'report', 'delivery'));