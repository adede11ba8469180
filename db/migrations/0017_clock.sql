ALTER TABLE "shoot" ADD COLUMN "clock" text DEFAULT '24' NOT NULL;--> statement-breakpoint
ALTER TABLE "shoot" ADD CONSTRAINT "shoot_clock" CHECK ("clock" in ('24', '12'));