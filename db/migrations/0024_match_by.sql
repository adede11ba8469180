ALTER TABLE "match" ADD COLUMN "by" text DEFAULT 'sound' NOT NULL;--> statement-breakpoint
ALTER TABLE "match" ADD CONSTRAINT "match_by" CHECK ("by" in ('sound', 'clap'));