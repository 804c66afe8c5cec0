ALTER TABLE "entries" ADD COLUMN "acceptance" jsonb;--> statement-breakpoint
ALTER TABLE "seats" ADD COLUMN "desk" jsonb;