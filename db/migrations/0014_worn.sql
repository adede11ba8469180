ALTER TABLE "wearer" ADD COLUMN "hair" text;--> statement-breakpoint
ALTER TABLE "wearer" ADD COLUMN "is_child" boolean;--> statement-breakpoint
ALTER TABLE "wearer" ADD COLUMN "lower" text;--> statement-breakpoint
ALTER TABLE "wearer" ADD COLUMN "sides" jsonb;--> statement-breakpoint
ALTER TABLE "wearer" ADD COLUMN "colours" jsonb;