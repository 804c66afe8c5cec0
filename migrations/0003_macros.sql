ALTER TABLE "edits" ADD COLUMN "macros" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "strata" ADD COLUMN "macros" jsonb;