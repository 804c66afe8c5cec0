ALTER TABLE "edits" ADD COLUMN "aliases" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "strata" ADD COLUMN "aliases" jsonb;