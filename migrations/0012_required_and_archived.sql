ALTER TABLE "layers" ADD COLUMN "is_required" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "layers" ADD COLUMN "state" text DEFAULT 'used' NOT NULL;--> statement-breakpoint
ALTER TABLE "setups" ADD COLUMN "is_required" boolean DEFAULT false NOT NULL;