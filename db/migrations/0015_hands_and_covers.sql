ALTER TABLE "placed_mic" ADD COLUMN "cover" text;--> statement-breakpoint
ALTER TABLE "talker" ADD COLUMN "holds" text;