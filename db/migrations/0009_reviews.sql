ALTER TABLE "measurement" ADD COLUMN "reviews" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "measurement" ADD COLUMN "redress" text DEFAULT '' NOT NULL;