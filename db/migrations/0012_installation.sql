CREATE TABLE "installation" (
	"is_only" boolean PRIMARY KEY DEFAULT true NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"epoch" uuid DEFAULT gen_random_uuid() NOT NULL,
	CONSTRAINT "installation_one" CHECK (is_only)
);

--> statement-breakpoint
INSERT INTO "installation" DEFAULT VALUES;
