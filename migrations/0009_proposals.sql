CREATE TABLE "proposals" (
	"id" serial PRIMARY KEY NOT NULL,
	"application" text NOT NULL,
	"person" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"stratum" text NOT NULL,
	"label" text NOT NULL,
	"reason" text NOT NULL,
	"base" integer NOT NULL,
	"changes" jsonb NOT NULL,
	"state" text DEFAULT 'open' NOT NULL,
	"decision" jsonb,
	"comments" jsonb DEFAULT '[]'::jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "proposals" ADD CONSTRAINT "proposals_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "proposals_by_application" ON "proposals" USING btree ("application","id");