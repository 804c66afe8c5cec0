CREATE TABLE "recipes" (
	"application" text NOT NULL,
	"name" text NOT NULL,
	"body" jsonb NOT NULL,
	CONSTRAINT "recipes_application_name_pk" PRIMARY KEY("application","name")
);
--> statement-breakpoint
CREATE TABLE "search_paths" (
	"application" text PRIMARY KEY NOT NULL,
	"body" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "edits" ADD COLUMN "aliases" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "strata" ADD COLUMN "aliases" jsonb;--> statement-breakpoint
ALTER TABLE "recipes" ADD CONSTRAINT "recipes_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "search_paths" ADD CONSTRAINT "search_paths_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;